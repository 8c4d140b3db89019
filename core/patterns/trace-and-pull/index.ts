import { ACROSS, when } from '../acts.ts';
import { isWeak } from '../../child/usualHand.ts';
import { outlineName } from '../../outline/outline.ts';
import type { At, Feature, Pattern, Plan, LevelDials, Show, Step, Reaches } from '../kernel.ts';
import { cleaningStep, countStep, need, sayFor, sharedKinds, step, stopWords } from '../making.ts';
import { partNeed } from '../supplies.ts';
import { dials, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { cordFor, fit, glueFor, layOut, moves, PEELS_FROM, type Detail } from './fit.ts';
import { text } from './words.ts';

const endsOf = (at: At<Dials>) =>
  sharedKinds(parts(at).ends[0] === parts(at).ends[1] ? [parts(at).ends[0]] : parts(at).ends, 2);

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { clear, glue, tape, cord, peg } = parts(at);
  const ml = glueFor(layOut(at).path, d.line, d.high);
  // A ready cord that is longer than it need be is cut, as the steps say: what is lent is what is left.
  const isCut = cord.unit === 'each' && (cord.sizes.length ?? 0) > cordFor(at);
  return {
    unlisted: tape ? [] : [ROLES.tape.label],
    needs: [
      need(ROLES.clear, clear, 1, false),
      glue.unit === 'mm'
        ? need(ROLES.glue, glue, Math.ceil(layOut(at).path), false)
        : {
            ...need(ROLES.glue, glue, Math.max(1, Math.ceil(ml / d.bottle - 1e-9)), false),
            share: ml / d.bottle,
          },
      ...(tape ? [partNeed(ROLES.tape, tape, 4 * 60)] : []),
      ...(isCut ? [] : [need(ROLES.cord, cord, cord.unit === 'mm' ? Math.ceil(cordFor(at)) : 1, true)]),
      need(ROLES.peg, peg, 1, true),
      ...endsOf(at).map((e) => need(ROLES.end, e.material, e.count, true)),
    ],
    cuts: isCut
      ? [
          {
            kind: 'length',
            id: 'cord',
            label: 'Cord',
            role: ROLES.cord.id,
            materialId: cord.id,
            count: 1,
            use: 'piece',
            counted: true,
            length: Math.ceil(cordFor(at)),
            loss: 0,
          },
        ]
      : [],
    steps: steps(at),
  };
}

/** Minutes by hand (common practice): a child squeezes 60 mm of line a minute, an adult three times that. */
function steps(at: At<Dials>): Step[] {
  const { dials: d } = at;
  const { path } = layOut(at);
  const washed = cleaningStep(endsOf(at), at);
  const child = d.child === 'traces and pulls';
  return [
    ...washed,
    step({
      id: 'tape',
      title: text(at, 'tapeClearSheetOver'),
      words: text(at, 'printLineLayBoard'),
      setUp: 2,
      perCopy: 1,
      tools: ['printer'],
    }),
    step({
      id: 'trace',
      title: text(at, 'squeezeLineMmAlong', { line: d.line }),
      words: text(at, 'bothHandsBottleTip'),
      perCopy: path / (child ? 60 : 180),
      who: child ? 'child' : 'adult',
      after: ['tape'],
    }),
    step({
      id: 'mend',
      title: text(at, 'closeGapsThinPlaces'),
      words: text(at, 'moreGlueWhereLine'),
      perCopy: 1.5,
      who: 'adult',
      drying: Math.round(d.high * d.dries * 60),
      after: ['trace'],
    }),
    step({
      id: 'peel',
      title: text(at, 'peelWhenClearAll'),
      words: text(at, 'fromTipSlowlyBending'),
      perCopy: 3,
      who: 'child',
      after: ['mend'],
    }),
    ...(d.child === 'pulls'
      ? []
      : [
          step({
            id: 'colour',
            title: text(at, 'colour'),
            words: text(at, 'feltPensDryGlue'),
            perCopy: 4,
            who: 'child' as const,
            tools: ['marker'] as const,
            after: ['peel'],
          }),
        ]),
    step({
      id: 'hang',
      title: text(at, 'cutMmCordHang', { cordFor: Math.round(cordFor(at)) }),
      words: text(at, 'overPegChildS'),
      perCopy: 3,
      who: 'adult',
      blade: true,
      tools: ['scissors'],
      after: ['peel', ...washed.map((s) => s.id)],
    }),
    countStep(at, text(at, 'counted'), ['hang', ...(d.child === 'pulls' ? [] : ['colour'])]),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { peg } = parts(at);
  return [
    { kind: 'line', name: text(at, 'peeledOutline'), how: 'handled, made of the glue' },
    {
      kind: 'piece',
      name: text(at, 'peeledOutline'),
      // It shrinks to about half of its height.
      shape: { kind: 'box', length: d.longest, width: d.line, height: d.high / 2 },
      count: 1,
      ball: false,
    },
    { kind: 'fixing', name: peg.name, to: 'wall' },
  ];
}

function reaches(at: At<Dials>): Reaches {
  const { cord } = parts(at);
  return {
    [ROLES.clear.id]: { as: 'told', how: 'under the glue until it is peeled, then with the adult' },
    [ROLES.glue.id]: { as: 'told', how: 'dries to the outline that is peeled' },
    [ROLES.tape.id]: { as: 'nobody', why: 'it holds the corners while the glue dries' },
    // What hangs free is the longer side at most; no loop closes by itself.
    [ROLES.cord.id]: {
      as: 'cord',
      name: text(at, 'overPeg', { cord: cord.name }),
      free: cord.unit === 'each' ? Math.min(cordFor(at), cord.sizes.length ?? Infinity) : cordFor(at),
      knots: 2,
      carries: true,
    },
  };
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(at, text(at, 'pullAnchorDownUp'), text(at, 'youDrewGlueNow')),
    lookFor: d.child === 'traces and pulls' ? text(at, 'doBothHandsSqueeze') : text(at, 'doesHandPullUnder'),
    easier: text(at, 'thickerLineOutlineWithout'),
    harder: text(at, 'thinnerLineMoreCrossings'),
    more: text(at, 'upDownHalfWay'),
    oneHand: text(at, 'sheetTapedBoardBottle'),
    stop: `${stopWords(at)} ${text(at, 'cordNeverRoundNeck')}`,
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): LevelDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  return [
    of('pull', text(at, 'pulled'), text(at, 'wholeHand'), { child: 'pulls' }),
    of('colour', text(at, 'coloured'), text(at, 'penFingers'), { child: 'colours and pulls' }),
    of('thick', text(at, 'thickLine'), text(at, 'bothHandsSqueeze'), { child: 'traces and pulls', line: 9 }),
    of('middle', text(at, 'line'), text(at, 'bothHandsSqueeze'), { child: 'traces and pulls', line: 6 }),
    of('thin', text(at, 'thinnest'), text(at, 'fingersSqueeze'), {
      child: 'traces and pulls',
      line: PEELS_FROM,
    }),
  ];
}

/** A line of glue that is peeled, and a cord with a thing at each end. */
export const traceAndPull: Pattern<Dials, Detail> = {
  id: 'trace-and-pull',
  name: 'Trace and pull',
  does: (to) => text(to, 'squeezesGlueAlongLine'),
  skills: ['Hand strength', 'Two hands together', 'Crossing the midline'],
  acts: ({ dials: d }) =>
    when({
      // Dried glue is pulled off its sheet, whoever laid it.
      pulls: true,
      squeezes: d.child === 'traces and pulls',
      'other hand holds': true,
      'reaches across': d.longest >= ACROSS || d.child !== 'pulls',
    }),
  quiet: true,
  usualFrom: ({ dials: d }) =>
    (({ pulls: [18, 36], 'colours and pulls': [24, 42], 'traces and pulls': [36, 54] }) as const)[d.child],
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => `Trace the ${outlineName(d.outline)} and pull it up`,
  fit,
  plan,
  draw,
  moves,
  counts: () => ({ of: 'pulls', one: 'pull', number: 5 }),
  features,
  reaches,
  // The peg hangs where a raised hand gets to; a weak hand squeezes a thicker line from a softer bottle.
  forHand: (at, hand) => ({
    ...(hand.standing === undefined ? {} : { peg: 1.1 * hand.standing }),
    ...(hand.reach === undefined ? {} : { longest: Math.min(at.dials.longest, hand.reach) }),
    ...(isWeak(hand, at.ageFrom) ? { line: Math.max(at.dials.line, 6) } : {}),
  }),
  levels,
  show,
};
