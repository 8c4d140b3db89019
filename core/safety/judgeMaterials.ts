import { plantMeant } from '../catalogue/plants.ts';
import type { Told } from '../languages/messages.ts';
import { atMost, type Bench, type Judge } from './judging.ts';
import { text, type Key } from './words.ts';

const capital = (s: string): string => `${s[0]!.toUpperCase()}${s.slice(1)}`;
/** Several names as a sentence has them: all but the last with commas would read as one name. */
const together = (to: Told, names: Iterable<string>): string =>
  [...names].reduce((first, last) => (first === '' ? last : text(to, 'and', { first, last })), '');
/** A select has no spaces in its cases. */
const hazardTitle = (to: Told, name: string, hazard: string): string =>
  text(to, 'hazard', { name, hazard, id: hazard.replaceAll(' ', '_') });

export const glass: Judge<'glass'> = (f, on) => {
  const cut = f.cut ? on.rule('glass-cut') : null;
  const said = { title: f.name, where: f.name };
  if (cut) return on.broken(cut, { ...said, words: text(on, 'glassWouldBeCut') });
  const rule = on.rule('glass');
  if (rule) on.broken(rule, { ...said, words: text(on, 'glassBreaksIntoPoints') });
};

export const salt: Judge<'salt'> = (f, on) => {
  const rule = on.rule('salt');
  if (!rule) return;
  const words = text(on, 'saltOverLimit', { grams: f.grams, limit: rule.limit });
  const said = {
    title: hazardTitle(on, f.name, 'salt'),
    where: f.name,
    measured: atMost(f.grams, rule.limit, 'g'),
  };
  if (f.grams <= rule.limit) on.clear(rule, { ...said, words: text(on, 'saltInIt', { grams: f.grams }) });
  else on.broken(rule, { ...said, words });
};

export const sheds: Judge<'sheds'> = (f, on) => {
  const rule = on.rule('sheds');
  if (rule)
    on.broken(rule, {
      title: f.name,
      words: text(on, 'fibresComeOffWhen'),
      where: f.name,
    });
};

export const likeness: Judge<'likeness'> = (f, on) => {
  const rule = on.rule('likeness');
  if (rule)
    on.care(rule, {
      title: f.name,
      words: text(on, 'nameLetterAwayFrom', { like: f.like }),
      where: f.name,
    });
};

/** Only what nobody has said how it reaches a child is told. */
export const line: Judge<'line'> = (f, on) => {
  const rule = f.how === null ? on.rule('not-judged') : null;
  if (rule)
    on.care(rule, {
      title: f.name,
      words: text(on, 'notJudgedNobodyHas'),
      where: f.name,
    });
};

/** All allergens together: one word on what to ask families. */
export function allergens(on: Bench): void {
  const rule = on.rule('allergen');
  const all = on.features.filter((f) => f.kind === 'allergen');
  if (!rule || all.length === 0) return;
  const names = new Map<string, string[]>();
  for (const f of all) for (const a of f.of) names.set(a, [...new Set([...(names.get(a) ?? []), f.name])]);
  on.care(rule, {
    words: [...names]
      .map(([a, of]) =>
        text(on, 'allergenIn', { allergen: capital(a), id: a.replaceAll(' ', '_'), names: of.join(', ') }),
      )
      .join(' '),
    where: together(on, new Set(all.map((f) => f.name))),
  });
}

export const skin: Judge<'skin'> = (f, on) => {
  const rule = on.rule('skin');
  if (rule)
    on.care(rule, {
      title: f.name,
      words: text(on, 'canHoldBackBlood'),
      where: f.name,
    });
};

export const tool: Judge<'tool'> = (f, on) => {
  const rule = on.rule('tool');
  if (rule)
    on.care(rule, {
      title: text(on, 'tool', { name: f.name }),
      words: text(on, 'pinchesOrPokesMore'),
      where: f.name,
    });
};

export const heavy: Judge<'heavy'> = (f, on) => {
  const rule = on.rule('heavy');
  if (!rule) return;
  const said = { where: f.name, measured: atMost(f.mass, rule.limit, 'g') };
  if (f.mass > rule.limit)
    on.broken(rule, { ...said, words: text(on, 'weighs', { name: f.name, mass: Math.round(f.mass) }) });
};

const FIXED = {
  wall: 'whenComesDownWhat',
  floor: 'looseCornerTapeTrips',
  table: 'comesLooseWhenSomebody',
  body: 'neverRoundNeckMust',
} as const;

export const fixing: Judge<'fixing'> = (f, on) => {
  const rule = on.rule('fixing');
  if (rule)
    on.care(rule, {
      title: text(on, 'fixedTo', { name: f.name, to: f.to }),
      words: text(on, FIXED[f.to]),
      where: f.name,
    });
};

/** Which rule looks at a hazard, and what it says. */
const HAZARD: Record<string, { rule: string; words: Key }> = {
  magnet: { rule: 'magnet', words: 'looseStrongMagnetNot' },
  coin: { rule: 'swallowed', words: 'coinSwallowedEasily' },
  marble: { rule: 'swallowed', words: 'marbleSwallowedEasily' },
  bead: { rule: 'swallowed', words: 'beadSwallowedEasily' },
  balloon: { rule: 'balloon', words: 'balloonOrBitBlocks' },
  latex: { rule: 'latex', words: 'someChildrenAllergicLatex' },
  'swells in water': {
    rule: 'swells',
    words: 'swellsManyTimesSize',
  },
  'sharp edge': { rule: 'sharp-edge', words: 'hasSharpEdge' },
  'loose liner': { rule: 'liner', words: 'linerCapCanPeel' },
  'choking form': {
    rule: 'choking-form',
    words: 'roundHardOrSlippery',
  },
  toxic: { rule: 'toxic', words: 'notForHandsOrMouths' },
};

type Hazard = Parameters<Judge<'hazard'>>[0];

/** A magnet by its flux index; one that nobody measured counts as strong. */
function magnet(f: Hazard, on: Bench): void {
  const rule = on.rule('magnet');
  if (!rule) return;
  const said = { title: hazardTitle(on, f.name, 'magnet'), where: f.name };
  if (f.flux === undefined)
    return on.broken(rule, {
      ...said,
      words: `${text(on, HAZARD.magnet!.words)} ${text(on, 'fluxNotMeasured')}`,
    });
  const measured = atMost(f.flux, rule.limit, 'kG² mm²');
  const { flux } = f;
  if (f.flux < rule.limit)
    return on.clear(rule, { ...said, measured, words: text(on, 'fluxWeak', { flux }) });
  on.broken(rule, {
    ...said,
    measured,
    words: `${text(on, 'fluxIs', { flux })} ${text(on, HAZARD.magnet!.words)}`,
  });
}

const DOOR = {
  screwed: 'batteryDoorScrewed',
  'two moves': 'batteryDoorTakesTwo',
  'by hand': 'batteryDoorOpensHand',
} as const;
const UNKNOWN_DOOR = 'howBatteryDoorOpens';

/** What holds a battery, by how its door opens; one that nobody tried counts as open. */
function battery(f: Hazard, on: Bench): void {
  const said = { title: hazardTitle(on, f.name, 'battery'), where: f.name };
  const words = text(on, f.door ? DOOR[f.door] : UNKNOWN_DOOR);
  const tool = on.rule('battery');
  if (f.door === 'screwed') {
    if (tool) on.clear(tool, { ...said, words });
    return;
  }
  // Under three years a tool is asked for; a door that opens by hand is stopped for longer.
  const older = on.rule('battery-door');
  const isYoung = tool && on.youngest < (tool.below ?? Infinity);
  if (isYoung) return on.broken(tool, { ...said, words });
  if (f.door === 'two moves') {
    if (older) on.clear(older, { ...said, words });
    return;
  }
  if (older && f.door === 'by hand') return on.broken(older, { ...said, words });
  if (tool) on.broken(tool, { ...said, words });
}

/** At any age: only where a door keeps it in is it no more than told. */
function buttonCell(f: Hazard, on: Bench): void {
  const rule = on.rule('button-cell');
  if (!rule) return;
  const said = { title: hazardTitle(on, f.name, 'button cell'), where: f.name };
  const burns = text(on, 'buttonCellSwallowedEasily');
  if (f.door === 'screwed' || f.door === 'two moves')
    return on.care(rule, {
      ...said,
      words: `${burns} ${text(on, DOOR[f.door])}`,
      remedy: text(on, 'tryDoorEachTime'),
    });
  on.broken(rule, { ...said, words: `${burns} ${text(on, f.door ? DOOR[f.door] : UNKNOWN_DOOR)}` });
}

export const hazard: Judge<'hazard'> = (f, on) => {
  if (f.hazard === 'magnet') return magnet(f, on);
  if (f.hazard === 'button cell') return buttonCell(f, on);
  if (f.hazard === 'battery') return battery(f, on);
  const known = HAZARD[f.hazard];
  const rule = on.rule(known?.rule ?? 'other-hazard');
  if (!rule) return;
  const said = {
    title: hazardTitle(on, f.name, f.hazard),
    words: known
      ? text(on, known.words)
      : text(on, 'seen', { hazard: capital(f.hazard), id: f.hazard.replaceAll(' ', '_') }),
    where: f.name,
  };
  const felt = f.hazard === 'sharp edge' ? on.proof(f.name, 'feel') : null;
  if (felt?.holds)
    return on.care(rule, { ...said, words: `${said.words} ${felt.words}`, remedy: rule.remedyOlder });
  on.broken(rule, said);
};

export const plant: Judge<'plant'> = (f, on) => {
  const meant = plantMeant(f.name);
  const known = meant?.plant;
  const said = { title: f.name, where: f.name };
  const tell = (id: string, words: string): void => {
    const rule = on.rule(id);
    if (rule) on.broken(rule, { ...said, words });
  };
  if (meant?.isNear && (f.as === 'plant' || known!.standing === 'never'))
    return tell('plant-unknown', text(on, 'nameLetterAwayFromMany', { what: known!.names[0]! }));
  // Wood is bought, too, and food is food: only what the list warns of is told, and food by its poison alone.
  if (f.as !== 'plant' && (!known || meant?.isNear || known.standing === 'commonly used')) return;
  if (f.as === 'food' && known!.standing !== 'never') return;
  if (!known) return tell('plant-unknown', text(on, 'notListPlantsMany'));
  const what = `${known.names[0]!} (${known.botanical}): ${known.part}`;
  if (known.standing === 'never') return tell('plant-never', text(on, 'poisonous', { what }));
  if (known.standing === 'irritant') return tell('plant-irritant', text(on, 'irritatesOrPricks', { what }));
  const rule = on.rule('plant-unknown');
  if (rule) on.clear(rule, { ...said, words: text(on, 'plantUsed', { what }) });
};

/** All surfaces together: one word on what can be washed. */
export function surfaces(on: Bench): void {
  const all = on.features.filter((f) => f.kind === 'surface');
  if (all.length === 0) return;
  const not = all.filter((f) => !f.washable).map((f) => f.name);
  const names = together(on, new Set(not));
  const rule = on.rule('cleaning');
  if (rule && not.length > 0) on.care(rule, { words: text(on, 'cannotBeWashed', { names }), where: names });
  else if (rule && on.features.every((f) => f.kind !== 'line' || f.how !== null))
    on.clear(rule, { words: text(on, 'allWashed'), where: '' });
  const mouthed = on.rule('mouthed');
  if (mouthed && not.length > 0 && on.youngest < (mouthed.below ?? Infinity))
    on.broken(mouthed, {
      words: text(on, 'childrenThisAgePut', { names }),
      where: names,
    });
}
