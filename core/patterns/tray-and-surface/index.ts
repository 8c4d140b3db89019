import { massOfOne } from '../../catalogue/entry.ts';
import type { At, Feature, Need, Pattern, Plan, RungDials, Show, Step, Reaches } from '../kernel.ts';
import { cleaningStep, countStep, need, sayFor, sharedKinds, step, STOP_WORDS } from '../making.ts';
import type { Material } from '../../materials/material.ts';
import { dials, doughFoods, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { keepsFor, cleanUp, fit, moves, tapeOf, volumeOf, type Detail } from './fit.ts';
import { doughOf, foilStrips, heightsOf } from './surface.ts';

const isTray = (d: Dials): boolean => d.kind === 'food tray' || d.kind === 'dough';
const things = (at: At<Dials>) =>
  at.dials.kind === 'wall' ? sharedKinds(parts(at).items, at.dials.items) : [];

function needs(at: At<Dials>): Need[] {
  const { dials: d } = at;
  const { tray, fills, tape, foil, brushes, page } = parts(at);
  const taped = Math.ceil(tapeOf(at));
  const dough = doughOf(d, volumeOf(at));
  const { flour, salt } = doughFoods(fills);
  const foods: [Material, number][] =
    d.kind === 'dough'
      ? [
          ...(flour ? [[flour, dough.flour] as [Material, number]] : []),
          ...(salt ? [[salt, dough.salt] as [Material, number]] : []),
        ]
      : fills.map((m) => [m, (volumeOf(at) * d.dense) / 100 / fills.length]);
  return [
    ...(isTray(d) && tray ? [need(ROLES.tray, tray, 1, true)] : []),
    ...(isTray(d)
      ? foods.flatMap(([m, grams]) => {
          if (grams <= 0) return [];
          // In whole tubs and bags by what one weighs; by the mm where it is measured.
          const quantity = m.unit === 'mm' ? grams : grams / (massOfOne(m) ?? grams) - 1e-9;
          return [need(ROLES.fill, m, Math.max(1, Math.ceil(quantity)), false)];
        })
      : []),
    ...things(at).map((t) => need(ROLES.item, t.material, t.count, true)),
    ...(tape && taped > 0
      ? [need(ROLES.tape, tape, tape.unit === 'mm' ? taped : 1, d.kind === 'floor' || d.kind === 'foil')]
      : []),
    ...(d.kind === 'foil' && foil
      ? [
          need(
            ROLES.foil,
            foil,
            foil.unit === 'mm' ? Math.ceil(foilStrips(d, foil.sizes.width ?? 300) * d.across) : 1,
            false,
          ),
        ]
      : []),
    ...(d.kind === 'brushes' ? brushes.map((m) => need(ROLES.brush, m, 1, true)) : []),
    ...(d.kind === 'brushes' && page ? [need(ROLES.page, page, d.children, false)] : []),
  ];
}

/** Minutes by hand (common practice). */
/** `2 hours`, `30 minutes`. */
const hoursWords = (h: number): string =>
  h < 1 ? `${Math.round(60 * h)} minutes` : `${h} ${h === 1 ? 'hour' : 'hours'}`;

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { tray, brushes } = parts(at);
  const together = approach === 'made together';
  const washed = cleaningStep(
    [
      ...(isTray(d) && tray ? [{ material: tray, count: 1 }] : []),
      ...things(at),
      ...(d.kind === 'brushes' ? brushes.map((material) => ({ material, count: 1 })) : []),
    ],
    approach,
  );
  const after = washed.map((s) => s.id);
  const heights = heightsOf(d).map((h) => `${h.level} ${h.height} mm`);
  const ready: Record<Dials['kind'], () => Step> = {
    'food tray': () =>
      step({
        id: 'ready',
        title: `Fill the tray ${d.depth} mm deep`,
        words: `Hands washed; smooth it with a spoon. Write the hour on it: after ${hoursWords(keepsFor(parts(at).fills))} it is thrown away.`,
        perCopy: 4,
        who: together ? 'child' : 'either',
        after,
      }),
    dough: () =>
      step({
        id: 'ready',
        title: `Mix ${d.flour} parts of flour, ${d.salt} of salt and ${d.water} of water`,
        words:
          'Salt into the water first, then the flour; knead until it leaves the hands. In a closed tub it keeps a week in the cold.',
        perCopy: 8,
        who: 'child',
        after,
      }),
    wall: () =>
      step({
        id: 'ready',
        title: `Tape ${d.items} things to the wall`,
        words: `Heights over the floor: ${heights.join(', ')}. Two strips across each, one end folded over to pull at.`,
        perCopy: 0.8 * d.items,
        who: together ? 'child' : 'either',
        after,
      }),
    floor: () =>
      step({
        id: 'ready',
        title: `Tape a ${d.shape} on the floor`,
        words:
          d.shape === 'circle'
            ? 'A string from the middle gives each corner; straight strips from one to the next, pressed down.'
            : 'Corners first, then strips between them, pressed down so that no edge stands up.',
        perCopy: 6,
        who: together ? 'child' : 'either',
        tools: ['printer'],
        after,
      }),
    foil: () =>
      step({
        id: 'ready',
        title: 'Lay the foil and tape it all round',
        words: `Each strip ${d.overlap} mm over the one before; tape along every joint and edge, nothing loose to trip over.`,
        perCopy: 8,
        who: 'adult',
        after,
      }),
    brushes: () =>
      step({
        id: 'ready',
        title: 'Set out paper, paint and brushes',
        words: `Only ${d.colours}: they stay bright when they run together. A little paint in a flat lid.`,
        perCopy: 4,
        who: together ? 'child' : 'either',
        after,
      }),
  };
  const clean: Record<Dials['kind'], string> = {
    'food tray': 'Throw away what is left, wash the tray and the table, hands too.',
    dough: 'Back into its tub; scrape the table, wash hands.',
    wall: 'Take all of it down: peeling is part of it. Count the things back.',
    floor: childRolls(at)
      ? 'Peel the tape off, roll it to a ball: the children’s part.'
      : 'An adult peels the tape off and throws it away: rolled up it goes in a mouth.',
    foil: childRolls(at)
      ? 'Crush it to balls as it comes off: the children’s part; count no bit left on the floor.'
      : 'An adult takes it off and throws it away: crushed up it goes in a mouth; no bit is left on the floor.',
    brushes: 'Rinse brushes and lids, hang the paper up to dry, wipe the table.',
  };
  return [
    ...washed,
    ready[d.kind](),
    step({
      id: 'clean',
      title: 'Clean up',
      words: clean[d.kind],
      perCopy: cleanUp(d),
      who:
        d.kind === 'wall' || ((d.kind === 'floor' || d.kind === 'foil') && childRolls(at))
          ? 'child'
          : d.kind === 'floor' || d.kind === 'foil'
            ? 'adult'
            : 'either',
      after: ['ready'],
    }),
    countStep(d.kind === 'wall' ? `${d.items} things` : 'what is kept', ['clean']),
  ];
}

const plan = (at: At<Dials>): Plan => ({ needs: needs(at), cuts: [], steps: steps(at) });

/** A handful of foil or tape that a child rolls up is about so large, mm (common practice). */
const CRUSHED = 25;
/** Who rolls up what comes off: a child from three on, an adult for those who put it in the mouth. */
const childRolls = (at: At<Dials>): boolean => at.ageFrom >= 36;

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const rolled = d.kind === 'foil' ? 'Foil crushed to a ball' : 'Tape rolled to a ball';
  const { salt } = doughFoods(parts(at).fills);
  return [
    ...(d.kind === 'wall'
      ? [{ kind: 'fixing', name: 'What is taped up', to: 'wall' } as const]
      : d.kind === 'floor' || d.kind === 'foil'
        ? [{ kind: 'fixing', name: d.kind === 'foil' ? 'Foil path' : 'Taped shape', to: 'floor' } as const]
        : []),
    ...((d.kind === 'floor' || d.kind === 'foil') && childRolls(at)
      ? ([
          { kind: 'line', name: rolled, how: 'loose, made when it is cleared away' },
          {
            kind: 'piece',
            name: rolled,
            shape: { kind: 'sphere', diameter: CRUSHED },
            count: 1,
            ball: true,
          },
        ] as const)
      : []),
    ...(d.kind === 'dough' && salt && d.salt > 0
      ? [{ kind: 'salt', name: 'Dough', grams: Math.round(doughOf(d, volumeOf(at)).salt) } as const]
      : []),
  ];
}

const reaches = (at: At<Dials>): Reaches => ({
  [ROLES.fill.id]: (m) =>
    at.dials.kind !== 'dough' && m.form === 'piece' ? { as: 'loose' } : { as: 'food' },
  [ROLES.item.id]: (m) => (m.form === 'consumable' ? { as: 'fixed', held: 'stuck on' } : { as: 'loose' }),
  [ROLES.tape.id]: { as: 'told', how: 'stuck down, and peeled off by the child' },
  [ROLES.foil.id]: { as: 'told', how: 'on the floor, taped all round' },
  [ROLES.page.id]: { as: 'told', how: 'painted on' },
});

const SAYS: Record<
  Dials['kind'],
  { play: string; look: string; easier: string; harder: string; more: string }
> = {
  'food tray': {
    play: 'Waves on the beach: can your finger make one?',
    look: 'Does one finger point, and does the other hand hold the tray?',
    easier: 'The whole hand, round and round; a spoon to stir.',
    harder: 'One finger, from one edge to the other without a stop; then a comb, then a letter.',
    more: 'Left to right, top to bottom; rub it out and draw it again.',
  },
  dough: {
    play: 'A sea snake, as long as your arm?',
    look: 'Do both palms roll, and does it become even?',
    easier: 'Softer, with more water; press and pat.',
    harder: 'Firmer; roll with one finger, pinch along the edge, cut with a stick.',
    more: 'Longer, shorter, just as long as; three balls, each smaller.',
  },
  wall: {
    play: 'The shells climb up the harbour wall. Which can you pick?',
    look: 'Does it bend its knees and come up without a hand on the floor? Does the heel stay down when it stretches?',
    easier: 'Lower, with a tab to pull at; one in each hand.',
    harder: 'On tiptoe; across to the other side; tape pressed on all round.',
    more: 'High, middle, low: say it before it is picked.',
  },
  floor: {
    play: 'This is the boat. Who is aboard?',
    look: 'Do the feet stay on the line? Does it turn at each corner?',
    easier: 'A larger shape, stepping in and out.',
    harder: 'Heel to toe, backwards, carrying a spoon with a ball.',
    more: 'Count the sides; jump to the next corner; which shape has none?',
  },
  foil: {
    play: 'Ice on the pier: hear it crackle?',
    look: 'Does the foot feel before it steps? Do hands smooth and then crush?',
    easier: 'Sitting, with the hands.',
    harder: 'A line drawn with one finger that does not tear it.',
    more: 'Loud and soft; at the end everybody crushes a ball of it.',
  },
  brushes: {
    play: 'What does a cork paint? What does a feather?',
    look: 'Does the grip change with what is held? Does the other hand hold the paper?',
    easier: 'A sponge, the whole hand, standing.',
    harder: 'A cork by its edge, a comb in one sweep, a feather’s tip.',
    more: 'Two colours meet: which one comes of it?',
  },
};

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const s = SAYS[d.kind];
  return {
    say: sayFor(at.approach, s.play, 'You mixed it and laid it out. What comes first?'),
    lookFor: s.look,
    easier: s.easier,
    harder: s.harder,
    more: s.more,
    oneHand: 'The tray on a non-slip mat, turned so that its long way runs to the hand that works.',
    stop: STOP_WORDS,
    script: [
      { minutes: 1, words: `Look and touch. “${s.play}”` },
      { minutes: 3, words: s.easier },
      { minutes: 3, words: s.harder },
      { minutes: 1, words: s.more },
      { minutes: cleanUp(d), words: 'Clean up together: it is part of it.' },
    ],
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): RungDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  switch (d.kind) {
    case 'wall':
      return [
        of('straight', 'Straight', 'fingers pull', { level: 'straight' }),
        of('squat', 'At a squat', 'fingers pull, knees bend', { level: 'squat' }),
        of('stretch', 'On tiptoe', 'fingers pull, arm up', { level: 'stretch' }),
        of('all', 'As called', 'fingers pull', { level: 'all' }),
      ];
    case 'floor':
      return [
        of('triangle', 'Three sides', 'feet', { shape: 'triangle', across: Math.max(1400, d.across) }),
        of('square', 'Four sides', 'feet', { shape: 'square' }),
        of('hexagon', 'Six sides', 'feet', { shape: 'hexagon' }),
        of('large', 'Six sides, large', 'feet', { shape: 'hexagon', across: d.across + 800 }),
      ];
    default:
      return [
        of('hand', 'Whole hand', 'whole hand', { tool: 'hand' }),
        of('spoon', 'A spoon', 'fist, then fingers', { tool: 'spoon' }),
        of('comb', 'A comb', 'fingers', { tool: 'comb' }),
        of('finger', 'One finger', 'one finger points', { tool: 'finger' }),
        of('brush', 'A brush', 'three fingers', { tool: 'brush' }),
      ];
  }
}

const TITLES: Record<Dials['kind'], (d: Dials) => string> = {
  'food tray': () => 'Draw in a tray of food',
  dough: () => 'Roll and press dough',
  wall: (d) => `Pick ${d.items} off the wall`,
  floor: (d) => `Walk the ${d.shape} on the floor`,
  foil: () => 'Walk and crush the foil path',
  brushes: () => 'Paint with found brushes',
};

/** What has no moving piece of its own: trays, walls, floors and found brushes. */
export const trayAndSurface: Pattern<Dials, Detail> = {
  id: 'tray-and-surface',
  name: 'Tray and surface',
  does: 'Draws, presses, reaches and paints on a tray, a wall or the floor',
  skills: ['Crossing the midline', 'Hand strength', 'Two hands together'],
  quiet: true,
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => TITLES[d.kind](d),
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) =>
    d.kind === 'wall'
      ? { of: 'things', one: 'thing', number: d.items }
      : { of: 'lines', one: 'line', number: 5 },
  features,
  reaches,
  forHand: (_, { standing }) => (standing === undefined ? {} : { standing }),
  rungs,
  show,
};
