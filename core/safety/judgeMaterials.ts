import { plantMeant } from '../catalogue/plants.ts';
import { atMost, mm, type Bench, type Judge } from './judging.ts';

const capital = (s: string): string => `${s[0]!.toUpperCase()}${s.slice(1)}`;
const SOFT = ['card', 'paper', 'fabric'];

export const cutEdge: Judge<'cut edge'> = (f, on) => {
  const where = f.where;
  if (f.material === 'metal') {
    const rule = on.rule('cut-metal');
    if (rule) on.broken(rule, { words: `Cut metal round ${where} stays sharp.`, where });
    return;
  }
  if (f.material === 'glass') {
    const never = on.rule('glass-cut');
    if (never) on.broken(never, { words: `Cut glass round ${where}.`, where });
    return;
  }
  const rule = on.rule('cut-edge');
  if (!rule) return;
  // Film that is melted on has corners of its own, whatever lies under it.
  if (f.material === 'film')
    return on.care(rule, {
      words: `${capital(where)} has film on it, whose corners are sharp.`,
      remedy: 'Round every corner, and feel it with a fingertip before it is lent.',
      where,
    });
  if (SOFT.includes(f.material))
    return on.clear(rule, { words: `${capital(where)} is ${f.material}: it frays but does not cut.`, where });
  if (f.covered)
    return on.care(rule, {
      words: `Cut ${f.material} round ${where}, taped over.`,
      remedy: 'Feel under the tape with a fingertip each time it comes back.',
      where,
    });
  on.broken(rule, { words: `Cut ${f.material} round ${where}, not covered.`, where });
};

export const post: Judge<'post'> = (f, on) => {
  const rule = on.rule('post');
  if (!rule) return;
  on.care(rule, {
    title: f.name,
    words: `It stands ${mm(f.height)} high and ${mm(f.diameter)} thick${f.capped ? ', its end capped' : f.blunt ? ', blunt by its width' : ''}: somebody who falls on it can hurt an eye.`,
    remedy: f.capped
      ? 'Use it at a table, not on the floor; pull at the cap when it comes back.'
      : rule.remedy,
    where: f.name,
  });
};

const GUARDED = {
  'turned over': 'Its wire ends are turned over when it is made.',
  sanded: 'Its ends are sanded when it is made.',
} as const;

export const point: Judge<'point'> = (f, on) => {
  const rule = on.rule('point');
  if (!rule) return;
  if (!f.thin && f.guarded === null)
    return on.clear(rule, { title: f.name, words: 'Its ends are thick and blunt.', where: f.name });
  on.care(rule, {
    title: f.name,
    words: f.guarded === null ? 'Its ends are thin: take care of eyes.' : GUARDED[f.guarded],
    remedy: f.guarded === null ? rule.remedy : 'Feel it again each time it comes back.',
    where: f.name,
  });
};

export const staple: Judge<'staple'> = (f, on) => {
  const rule = on.rule('staple');
  if (!rule) return;
  const what = `${f.count} staples ${f.where}`;
  if (f.covered)
    return on.care(rule, {
      words: `${what}, taped over.`,
      remedy: rule.remedyOlder,
      where: f.where,
    });
  on.broken(rule, { words: `${what}, not covered: each is a small part with two points.`, where: f.where });
};

/** The metal of a spring is a small part as soon as it comes off. */
export const spring: Judge<'spring'> = (f, on) => {
  const rule = on.rule('spring');
  if (!rule) return;
  const said = { title: f.name, where: f.name };
  const words = 'It pinches, and its spring can come off.';
  const proof = on.proof(f.name, 'pull');
  if (proof?.holds)
    return on.care(rule, { ...said, words: `${words} ${proof.words}`, remedy: rule.remedyOlder });
  on.broken(rule, {
    ...said,
    words: `${words} ${proof?.words ?? 'No pull test that it passed is on record.'}`,
  });
};

export const glass: Judge<'glass'> = (f, on) => {
  const cut = f.cut ? on.rule('glass-cut') : null;
  const said = { title: f.name, where: f.name };
  if (cut) return on.broken(cut, { ...said, words: 'It is glass, and it would be cut.' });
  const rule = on.rule('glass');
  if (rule) on.broken(rule, { ...said, words: 'It is glass: it breaks into points and edges.' });
};

export const salt: Judge<'salt'> = (f, on) => {
  const rule = on.rule('salt');
  if (!rule) return;
  const words = `${f.grams} g of salt are in it; over ${rule.limit} g make a small child ill.`;
  const said = { title: `${f.name}: salt`, where: f.name, measured: atMost(f.grams, rule.limit, 'g') };
  if (f.grams <= rule.limit) on.clear(rule, { ...said, words: `${f.grams} g of salt are in it.` });
  else on.broken(rule, { ...said, words });
};

export const sheds: Judge<'sheds'> = (f, on) => {
  const rule = on.rule('sheds');
  if (rule)
    on.broken(rule, {
      title: f.name,
      words: 'Fibres come off when it is chewed or pulled at, and stick in a throat.',
      where: f.name,
    });
};

export const likeness: Judge<'likeness'> = (f, on) => {
  const rule = on.rule('likeness');
  if (rule)
    on.care(rule, {
      title: f.name,
      words: `Its name is a letter away from “${f.like}”. Is it one?`,
      where: f.name,
    });
};

/** Only what nobody has said how it reaches a child is told. */
export const line: Judge<'line'> = (f, on) => {
  const rule = f.how === null ? on.rule('not-judged') : null;
  if (rule)
    on.care(rule, {
      title: f.name,
      words: 'Not judged: nobody has said how it is held, covered or closed in.',
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
    words: [...names].map(([a, of]) => `${capital(a)} in ${of.join(', ')}.`).join(' '),
    where: [...new Set(all.map((f) => f.name))].join(' and '),
  });
}

export const skin: Judge<'skin'> = (f, on) => {
  const rule = on.rule('skin');
  if (rule)
    on.care(rule, {
      title: f.name,
      words: 'It can hold back the blood, and glue irritates some skins.',
      where: f.name,
    });
};

export const tool: Judge<'tool'> = (f, on) => {
  const rule = on.rule('tool');
  if (rule)
    on.care(rule, {
      title: `Tool: ${f.name}`,
      words: 'It pinches or pokes, and it is one more thing to count.',
      where: f.name,
    });
};

export const heavy: Judge<'heavy'> = (f, on) => {
  const rule = on.rule('heavy');
  if (!rule) return;
  const grams = `${Math.round(f.mass)} g`;
  const said = { where: f.name, measured: atMost(f.mass, rule.limit, 'g') };
  if (f.mass > rule.limit)
    on.broken(rule, { ...said, words: `${f.name} weighs ${grams} and hurts when it falls on a foot.` });
};

const FIXED = {
  wall: 'When it comes down, what hangs on it falls too, and tape takes paint off.',
  floor: 'A loose corner of tape trips, and it is slippery when wet.',
  table: 'It comes loose when somebody leans on it.',
  body: 'Never round a neck; it must come off with one pull.',
} as const;

export const fixing: Judge<'fixing'> = (f, on) => {
  const rule = on.rule('fixing');
  if (rule) on.care(rule, { title: `${f.name}, fixed to the ${f.to}`, words: FIXED[f.to], where: f.name });
};

/** Which rule looks at a hazard, and what it says. */
const HAZARD: Record<string, { rule: string; words: string }> = {
  magnet: { rule: 'magnet', words: 'A loose strong magnet is not for anyone under 14.' },
  coin: { rule: 'swallowed', words: 'A coin is swallowed easily.' },
  marble: { rule: 'swallowed', words: 'A marble is swallowed easily.' },
  bead: { rule: 'swallowed', words: 'A bead is swallowed easily.' },
  balloon: { rule: 'balloon', words: 'A balloon, or a bit of one, blocks the airway and cannot be got out.' },
  latex: { rule: 'latex', words: 'Some children are allergic to latex.' },
  'swells in water': {
    rule: 'swells',
    words: 'It swells to many times its size in water, inside a child, too, and no X-ray shows it.',
  },
  'sharp edge': { rule: 'sharp-edge', words: 'It has a sharp edge.' },
  'loose liner': { rule: 'liner', words: 'The liner in the cap can peel out, and it is a small part.' },
  'choking form': {
    rule: 'choking-form',
    words: 'Round, hard or slippery food blocks the airway of a small child.',
  },
  toxic: { rule: 'toxic', words: 'Not for children’s hands or mouths.' },
};

type Hazard = Parameters<Judge<'hazard'>>[0];

/** A magnet by its flux index; one that nobody measured counts as strong. */
function magnet(f: Hazard, on: Bench): void {
  const rule = on.rule('magnet');
  if (!rule) return;
  const said = { title: `${f.name}: magnet`, where: f.name };
  if (f.flux === undefined)
    return on.broken(rule, { ...said, words: `${HAZARD.magnet!.words} Its flux index was not measured.` });
  const measured = atMost(f.flux, rule.limit, 'kG² mm²');
  const flux = `Its flux index is ${f.flux} kG² mm²`;
  if (f.flux < rule.limit) return on.clear(rule, { ...said, measured, words: `${flux}: a weak magnet.` });
  on.broken(rule, { ...said, measured, words: `${flux}. ${HAZARD.magnet!.words}` });
}

const DOOR = {
  screwed: 'Its battery door is screwed.',
  'two moves': 'Its battery door takes two moves at once.',
  'by hand': 'Its battery door opens by hand, and what is inside burns when it is swallowed.',
} as const;
const UNKNOWN_DOOR = 'How its battery door opens was not tried: it counts as open.';

/** What holds a battery, by how its door opens; one that nobody tried counts as open. */
function battery(f: Hazard, on: Bench): void {
  const said = { title: `${f.name}: battery`, where: f.name };
  const words = f.door ? DOOR[f.door] : UNKNOWN_DOOR;
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
  const said = { title: `${f.name}: button cell`, where: f.name };
  const burns = 'A button cell is swallowed easily and burns within hours.';
  if (f.door === 'screwed' || f.door === 'two moves')
    return on.care(rule, {
      ...said,
      words: `${burns} ${DOOR[f.door]}`,
      remedy: 'Try the door each time it comes back.',
    });
  on.broken(rule, { ...said, words: `${burns} ${f.door ? DOOR[f.door] : UNKNOWN_DOOR}` });
}

export const hazard: Judge<'hazard'> = (f, on) => {
  if (f.hazard === 'magnet') return magnet(f, on);
  if (f.hazard === 'button cell') return buttonCell(f, on);
  if (f.hazard === 'battery') return battery(f, on);
  const known = HAZARD[f.hazard];
  const rule = on.rule(known?.rule ?? 'other-hazard');
  if (!rule) return;
  const said = {
    title: `${f.name}: ${f.hazard}`,
    words: known?.words ?? `${capital(f.hazard)}.`,
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
    return tell(
      'plant-unknown',
      `Its name is a letter away from “${known!.names[0]!}”. Is it that? Many plants irritate skin or are poisonous.`,
    );
  // Wood is bought, too, and food is food: only what the list warns of is told, and food by its poison alone.
  if (f.as !== 'plant' && (!known || meant?.isNear || known.standing === 'commonly used')) return;
  if (f.as === 'food' && known!.standing !== 'never') return;
  if (!known)
    return tell(
      'plant-unknown',
      'It is not on the list of plants. Many irritate skin or are poisonous, and some look alike.',
    );
  const what = `${known.names[0]!} (${known.botanical}): ${known.part}`;
  if (known.standing === 'never') return tell('plant-never', `${what}. It is poisonous.`);
  if (known.standing === 'irritant') return tell('plant-irritant', `${what}. It irritates or pricks.`);
  const rule = on.rule('plant-unknown');
  if (rule) on.clear(rule, { ...said, words: `${what}. It is commonly used; hands are washed afterwards.` });
};

/** All surfaces together: one word on what can be washed. */
export function surfaces(on: Bench): void {
  const all = on.features.filter((f) => f.kind === 'surface');
  if (all.length === 0) return;
  const not = all.filter((f) => !f.washable).map((f) => f.name);
  const names = [...new Set(not)].join(' and ');
  const rule = on.rule('cleaning');
  if (rule && not.length > 0) on.care(rule, { words: `${names} cannot be washed.`, where: names });
  else if (rule && on.features.every((f) => f.kind !== 'line' || f.how !== null))
    on.clear(rule, { words: 'Everything lent can be washed and air dried.', where: '' });
  const mouthed = on.rule('mouthed');
  if (mouthed && not.length > 0 && on.youngest < (mouthed.below ?? Infinity))
    on.broken(mouthed, {
      words: `Children of this age put things in the mouth, and ${names} cannot be washed afterwards.`,
      where: names,
    });
}
