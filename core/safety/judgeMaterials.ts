import { plantOf } from '../catalogue/plants.ts';
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
  const rule = on.rule('cut-edge');
  if (!rule) return;
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
    words: `It stands ${mm(f.height)} high and ${mm(f.diameter)} thick${f.capped ? ', its end capped' : ''}: somebody who falls on it can hurt an eye.`,
    remedy: f.capped
      ? 'Use it at a table, not on the floor; pull at the cap when it comes back.'
      : rule.remedy,
    where: f.name,
  });
};

export const point: Judge<'point'> = (f, on) => {
  const rule = on.rule('point');
  if (!rule) return;
  on.care(rule, {
    title: f.name,
    words: f.guarded ? 'Its ends are turned in or covered.' : 'Its ends are thin: take care of eyes.',
    remedy: f.guarded ? 'Feel it again each time it comes back.' : rule.remedy,
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

export const spring: Judge<'spring'> = (f, on) => {
  const rule = on.rule('spring');
  if (rule)
    on.care(rule, { title: f.name, words: 'It pinches, and its spring can come off.', where: f.name });
};

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
  'button cell': { rule: 'swallowed', words: 'A button cell is swallowed easily and burns within hours.' },
  coin: { rule: 'swallowed', words: 'A coin is swallowed easily.' },
  marble: { rule: 'swallowed', words: 'A marble is swallowed easily.' },
  battery: { rule: 'battery', words: 'A battery burns when it is swallowed, and its door can open.' },
  latex: { rule: 'latex', words: 'Balloons and thin latex choke, and some children are allergic.' },
  'loose liner': { rule: 'liner', words: 'The liner in the cap can peel out, and it is a small part.' },
  'choking form': {
    rule: 'choking-form',
    words: 'Round, hard or slippery food blocks the airway of a small child.',
  },
  toxic: { rule: 'toxic', words: 'Not for children’s hands or mouths.' },
  allergen: { rule: 'allergen', words: 'It has held or is a common allergen.' },
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

/** What holds a battery, by how its door opens where that was tried. */
function door(of: Hazard, how: keyof typeof DOOR, on: Bench): void {
  const rule = on.rule('battery-door');
  if (!rule) return;
  const said = { title: `${of.name}: battery`, where: of.name, words: DOOR[how] };
  if (how === 'by hand') on.broken(rule, said);
  else on.clear(rule, said);
}

export const hazard: Judge<'hazard'> = (f, on) => {
  if (f.hazard === 'magnet') return magnet(f, on);
  if (f.hazard === 'battery' && f.door !== undefined) return door(f, f.door, on);
  const known = HAZARD[f.hazard];
  const rule = on.rule(known?.rule ?? 'other-hazard');
  if (!rule) return;
  on.broken(rule, {
    title: `${f.name}: ${f.hazard}`,
    words: known?.words ?? `${capital(f.hazard)}.`,
    where: f.name,
  });
};

export const plant: Judge<'plant'> = (f, on) => {
  const known = plantOf(f.name);
  // Wood is bought, too: only what the list warns of is told.
  if (f.as === 'wood' && (!known || known.standing === 'commonly used')) return;
  const said = { title: f.name, where: f.name };
  const tell = (id: string, words: string): void => {
    const rule = on.rule(id);
    if (rule) on.broken(rule, { ...said, words });
  };
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
  else if (rule) on.clear(rule, { words: 'Everything lent can be washed and air dried.', where: '' });
  const mouthed = on.rule('mouthed');
  if (mouthed && not.length > 0 && on.youngest < (mouthed.below ?? Infinity))
    on.broken(mouthed, {
      words: `Children of this age put things in the mouth, and ${names} cannot be washed afterwards.`,
      where: names,
    });
}
