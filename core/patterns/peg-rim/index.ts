import { when } from '../acts.ts';
import type { At, Feature, Pattern, Plan, LevelDials, Show, Step } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, step, stopWords } from '../making.ts';
import { SPOT, supplied } from '../supplies.ts';
import { dials, parts, PATTERNS, ROLES, type Dials, type PatternId } from './dials.ts';
import { draw } from './draw.ts';
import { beside, fit, moves, pegsNeeded, perColour, type Detail } from './fit.ts';
import { text } from './words.ts';

const each = (at: At<Dials>) => {
  const { kinds } = parts(at);
  return perColour(at)
    .map((count, i) => ({ material: kinds[i]!, count }))
    .filter((p) => p.count > 0);
};
const rims = (d: Dials): number => Math.max(1, d.counting) * d.layers;

/** Tape in four places where rims lie on each other, mm; paint on a peg, g (common practice). */
const HELD = 4 * 50;
const PEG_PAINT = 1;

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { rim } = parts(at);
  const painted = d.counting === 0 && at.approach === 'made together';
  const used = supplied(at, [
    [ROLES.tape, HELD * (d.layers - 1) * Math.max(1, d.counting)],
    [ROLES.glue, SPOT * d.counting],
    [ROLES.paint, painted ? PEG_PAINT * pegsNeeded(d) : 0],
  ]);
  return {
    unlisted: used.unlisted,
    needs: [
      need(ROLES.rim, rim, rims(at.dials), true),
      ...each(at).map((p) => need(ROLES.peg, p.material, p.count, true)),
      ...used.needs,
      ...bagNeed(at.chosen),
    ],
    cuts: [],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { rim, kinds } = parts(at);
  const together = approach === 'made together';
  const washed = cleaningStep(each(at), at);
  return [
    ...washed,
    step({
      id: 'pegs',
      title: text(at, 'lookOverPegs', { number: pegsNeeded(d) }),
      words: text(at, 'openEachOnceThrow'),
      setUp: 1,
      perCopy: 0.2 * pegsNeeded(d),
      who: 'adult',
      after: washed.map((s) => s.id),
    }),
    ...(d.layers > 1
      ? [
          step({
            id: 'layers',
            title: text(at, 'tapeRimsTogether', { layers: d.layers }),
            words: text(at, 'layTapeFourPlaces', { rim: rim.name.toLowerCase() }),
            perCopy: 1.5 * Math.max(1, d.counting),
          }),
        ]
      : []),
    ...(d.counting > 0 || together
      ? [
          step({
            id: 'spots',
            title: d.counting > 0 ? text(at, 'markSpots') : text(at, 'paintPegs'),
            words: d.counting > 0 ? text(at, 'gluePrintedSpotsOr') : text(at, 'colourEachClipThem'),
            perCopy: d.counting > 0 ? 1 + d.counting : 0.5 * d.number,
            who: together ? 'child' : 'either',
            drying: 30,
            tools: d.counting > 0 ? ['printer', 'scissors'] : [],
            after: d.layers > 1 ? ['layers'] : [],
          }),
        ]
      : []),
    step({
      id: 'try',
      title: text(at, 'clipAllThemOnce'),
      words: kinds.length > 1 ? text(at, 'everyPegBitesStays') : text(at, 'everyPegBitesStaysWhen'),
      perCopy: 0.1 * pegsNeeded(d) + 0.5,
      who: 'adult',
      after: ['pegs', ...(d.layers > 1 ? ['layers'] : []), ...(d.counting > 0 || together ? ['spots'] : [])],
    }),
    countStep(at, text(at, 'pegs', { pegsNeeded: pegsNeeded(d) }), ['try']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { kinds } = parts(at);
  return [
    ...kinds.map((m) => ({ kind: 'spring', name: m.name }) as const),
    ...kinds.map(
      (m) =>
        ({ kind: 'moving gap', where: text(at, 'jaw', { m: m.name }), from: 0, to: at.dials.jaw }) as const,
    ),
  ];
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(at, text(at, 'gullsComeHomeWho'), text(at, 'youPaintedThesePegs')),
    lookFor: text(at, 'doThumbFirstTwo'),
    easier: text(at, 'shortRowColourEdge'),
    harder: d.pattern === 'free' ? text(at, 'twoColoursTurnThen') : text(at, 'countingRimsMixedThen'),
    more: text(at, 'takeOffByColour'),
    oneHand: text(at, 'rimClampedStandsOut'),
    stop: stopWords(at),
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const grip = text(at, 'thumbTwoFingersPressed');
  const can = (id: PatternId): boolean => kinds.length > 1 && new Set(PATTERNS[id].unit).size <= kinds.length;
  const base: Dials = {
    ...d,
    counting: 0,
    mixed: false,
    hand: 'either',
    pattern: 'free',
    gap: 20,
    way: 'on',
  };
  const even = (n: number, unit: number): number => Math.max(unit, n - (n % unit));
  return [
    {
      id: 'off',
      name: text(at, 'takeOff'),
      grip,
      dials: { ...base, number: Math.min(6, d.number), gap: 20, way: 'off' as const },
    },
    { id: 'row', name: text(at, 'shortRow'), grip, dials: { ...base, number: 4, gap: 30 } },
    { id: 'round', name: text(at, 'allRound'), grip, dials: { ...base, number: d.number, gap: 12 } },
    { id: 'close', name: text(at, 'close'), grip, dials: { ...base, number: d.number, gap: 4 } },
    ...(can('AB')
      ? [
          {
            id: 'ab',
            name: text(at, 'twoColours'),
            grip,
            dials: { ...base, number: even(d.number, 2), pattern: 'AB' as const, gap: 10 },
          },
        ]
      : []),
    ...(can('ABC')
      ? [
          {
            id: 'abc',
            name: text(at, 'threeColours'),
            grip,
            dials: { ...base, number: even(d.number, 3), pattern: 'ABC' as const, gap: 10 },
          },
        ]
      : []),
    { id: 'count', name: text(at, 'counting'), grip, dials: { ...base, counting: 3, number: 6, gap: 8 } },
    {
      id: 'mixed',
      name: text(at, 'mixedCount'),
      grip: text(at, 'thumbTwoFingersOther'),
      dials: { ...base, counting: 4, number: 10, mixed: true, gap: 8, hand: 'the other hand' },
    },
  ];
}

/** Clothes pegs on the rim of a tub, plate or card. */
export const pegRim: Pattern<Dials, Detail> = {
  id: 'peg-rim',
  name: 'Peg rim',
  does: (to) => text(to, 'clipsPegsRimFreely'),
  skills: ['Hand strength', 'Pincer and release', 'Two hands together', 'Crossing the midline'],
  acts: (at) =>
    when({
      squeezes: true,
      'picks up': at.dials.way === 'on',
      'lets go': at.dials.way === 'on',
      // A tub stands by itself, a card is held; the other hand's turn is asked for by the dial.
      'other hand holds': parts(at).rim.form !== 'container' || at.dials.hand === 'the other hand',
      'reaches across': true,
    }),
  quiet: true,
  usualFrom: ({ dials: d }) => (d.way !== 'on' ? [18, 36] : d.pattern === 'free' ? [24, 42] : [36, 54]),
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) =>
    d.counting > 0 ? `Peg 1 to ${d.counting} round the rims` : `Peg ${d.number} round the rim`,
  fit,
  plan,
  draw,
  moves,
  beside,
  counts: ({ dials: d }) => ({ of: 'pegs', one: 'peg', number: pegsNeeded(d) }),
  features,
  levels,
  show,
};
