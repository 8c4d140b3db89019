import type { At, Feature, Pattern, Plan, RungDials, Show, Step } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, step, STOP_WORDS } from '../making.ts';
import { dials, parts, PATTERNS, ROLES, type Dials, type PatternId } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, pegsNeeded, perColour, type Detail } from './fit.ts';

const each = (at: At<Dials>) => {
  const { kinds } = parts(at);
  return perColour(at)
    .map((count, i) => ({ material: kinds[i]!, count }))
    .filter((p) => p.count > 0);
};
const rims = (d: Dials): number => Math.max(1, d.counting) * d.layers;

function plan(at: At<Dials>): Plan {
  const { rim } = parts(at);
  return {
    needs: [
      need(ROLES.rim, rim, rims(at.dials), true),
      ...each(at).map((p) => need(ROLES.peg, p.material, p.count, true)),
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
  const washed = cleaningStep(each(at), approach);
  return [
    ...washed,
    step({
      id: 'pegs',
      title: `Look over ${pegsNeeded(d)} pegs`,
      words:
        'Open each once. Throw away any that is split or whose spring sits loose; the weakest come first.',
      setUp: 1,
      perCopy: 0.2 * pegsNeeded(d),
      who: 'adult',
      after: washed.map((s) => s.id),
    }),
    ...(d.layers > 1
      ? [
          step({
            id: 'layers',
            title: `Tape ${d.layers} rims together`,
            words: `Lay ${rim.name.toLowerCase()} on ${rim.name.toLowerCase()}, tape at four places under the edge.`,
            perCopy: 1.5 * Math.max(1, d.counting),
          }),
        ]
      : []),
    ...(d.counting > 0 || together
      ? [
          step({
            id: 'spots',
            title: d.counting > 0 ? 'Mark the spots' : 'Paint the pegs',
            words:
              d.counting > 0
                ? 'Glue in the printed spots, or draw them: one place for each peg.'
                : 'One colour each; clip them on the edge of a box to dry.',
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
      title: 'Clip all of them on once',
      words: `Every peg bites and stays when the rim is lifted${kinds.length > 1 ? ', and the colours are enough for the pattern' : ''}.`,
      perCopy: 0.1 * pegsNeeded(d) + 0.5,
      who: 'adult',
      after: ['pegs', ...(d.layers > 1 ? ['layers'] : []), ...(d.counting > 0 || together ? ['spots'] : [])],
    }),
    countStep(`${pegsNeeded(d)} pegs`, ['try']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { kinds } = parts(at);
  return [
    ...kinds.map((m) => ({ kind: 'spring', name: m.name }) as const),
    ...kinds.map(
      (m) => ({ kind: 'moving gap', where: `jaw of ${m.name}`, from: 0, to: at.dials.jaw }) as const,
    ),
  ];
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(
      at.approach,
      'The gulls come home: who sits where on the harbour wall?',
      'You painted these pegs. Which is first?',
    ),
    lookFor: 'Do thumb and first two fingers press, with the wrist up, and does the other hand hold the rim?',
    easier: 'A short row, one colour, on an edge that an adult holds.',
    harder:
      d.pattern === 'free'
        ? 'Two colours in turn; then counting.'
        : 'Counting, rims mixed; then with the other hand.',
    more: 'Take off by colour; say the pattern aloud.',
    oneHand:
      'The rim clamped so that it stands out over the table; pegs lie in a bowl on the side of the hand that works.',
    stop: STOP_WORDS,
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const grip = 'thumb and two fingers, pressed';
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
      name: 'Take off',
      grip,
      dials: { ...base, number: Math.min(6, d.number), gap: 20, way: 'off' as const },
    },
    { id: 'row', name: 'A short row', grip, dials: { ...base, number: 4, gap: 30 } },
    { id: 'round', name: 'All round', grip, dials: { ...base, number: d.number, gap: 12 } },
    { id: 'close', name: 'Close', grip, dials: { ...base, number: d.number, gap: 4 } },
    ...(can('AB')
      ? [
          {
            id: 'ab',
            name: 'Two colours',
            grip,
            dials: { ...base, number: even(d.number, 2), pattern: 'AB' as const, gap: 10 },
          },
        ]
      : []),
    ...(can('ABC')
      ? [
          {
            id: 'abc',
            name: 'Three colours',
            grip,
            dials: { ...base, number: even(d.number, 3), pattern: 'ABC' as const, gap: 10 },
          },
        ]
      : []),
    { id: 'count', name: 'Counting', grip, dials: { ...base, counting: 3, number: 6, gap: 8 } },
    {
      id: 'mixed',
      name: 'Mixed count',
      grip: 'thumb and two fingers of the other hand',
      dials: { ...base, counting: 4, number: 10, mixed: true, gap: 8, hand: 'the other hand' },
    },
  ];
}

/** Clothes pegs on the rim of a tub, plate or card. */
export const pegRim: Pattern<Dials, Detail> = {
  id: 'peg-rim',
  name: 'Peg rim',
  does: 'Clips pegs on a rim, freely, in a pattern or by number',
  skills: ['Hand strength', 'Pincer and release', 'Two hands together', 'Crossing the midline'],
  quiet: true,
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) =>
    d.counting > 0 ? `Peg 1 to ${d.counting} round the rims` : `Peg ${d.number} round the rim`,
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) => ({ of: 'pegs', one: 'peg', number: pegsNeeded(d) }),
  features,
  rungs,
  show,
};
