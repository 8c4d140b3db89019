import { isWeak } from '../../child/hand.ts';
import { outlineName } from '../../outline/outline.ts';
import type { At, Feature, Pattern, Plan, RungDials, Show, Step, Reaches } from '../kernel.ts';
import { cleaningStep, countStep, need, sayFor, sharedKinds, step, STOP_WORDS } from '../making.ts';
import { dials, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { cordFor, fit, glueFor, layOut, moves, PEELS_FROM, type Detail } from './fit.ts';

const endsOf = (at: At<Dials>) =>
  sharedKinds(parts(at).ends[0] === parts(at).ends[1] ? [parts(at).ends[0]] : parts(at).ends, 2);

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { clear, glue, tape, cord, peg } = parts(at);
  const ml = glueFor(layOut(at).path, d.line, d.high);
  // A ready cord that is longer than it need be is cut, as the steps say: what is lent is what is left.
  const isCut = cord.unit === 'each' && (cord.sizes.length ?? 0) > cordFor(at);
  return {
    needs: [
      need(ROLES.clear, clear, 1, false),
      need(
        ROLES.glue,
        glue,
        glue.unit === 'mm' ? Math.ceil(layOut(at).path) : Math.max(1, Math.ceil(ml / d.bottle - 1e-9)),
        false,
      ),
      ...(tape ? [need(ROLES.tape, tape, tape.unit === 'mm' ? 4 * 60 : 1, false)] : []),
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
  const { dials: d, approach } = at;
  const { path } = layOut(at);
  const washed = cleaningStep(endsOf(at), approach);
  const child = d.child === 'traces and pulls';
  return [
    ...washed,
    step({
      id: 'tape',
      title: 'Tape the clear sheet over the drawing',
      words:
        'Print the line, lay it on a board that can be carried away, the sheet over it, all four corners taped.',
      setUp: 2,
      perCopy: 1,
      tools: ['printer'],
    }),
    step({
      id: 'trace',
      title: `Squeeze a line of ${d.line} mm along the drawing`,
      words: 'Both hands on the bottle, tip just over the sheet; every crossing runs into the next.',
      perCopy: path / (child ? 60 : 180),
      who: child ? 'child' : 'adult',
      after: ['tape'],
    }),
    step({
      id: 'mend',
      title: 'Close gaps and thin places',
      words: 'More glue where the line is thin or does not meet; then it is carried away flat.',
      perCopy: 1.5,
      who: 'adult',
      drying: Math.round(d.high * d.dries * 60),
      after: ['trace'],
    }),
    step({
      id: 'peel',
      title: 'Peel it when it is clear all over',
      words: 'From one tip, slowly, bending the sheet away from it; milky places wait another night.',
      perCopy: 3,
      who: 'child',
      after: ['mend'],
    }),
    ...(d.child === 'pulls'
      ? []
      : [
          step({
            id: 'colour',
            title: 'Colour it',
            words: 'Felt pens on the dry glue, both sides.',
            perCopy: 4,
            who: 'child' as const,
            tools: ['marker'] as const,
            after: ['peel'],
          }),
        ]),
    step({
      id: 'hang',
      title: `Cut ${Math.round(cordFor(at))} mm of cord and hang it`,
      words:
        'Over the peg at the child’s reach, a thing knotted to each end; one down, the other up. It is taken down after use.',
      perCopy: 3,
      who: 'adult',
      blade: true,
      tools: ['scissors'],
      after: ['peel', ...washed.map((s) => s.id)],
    }),
    countStep('1 cord with its 2 ends', ['hang', ...(d.child === 'pulls' ? [] : ['colour'])]),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { peg } = parts(at);
  return [
    { kind: 'line', name: 'Peeled outline', how: 'handled, made of the glue' },
    {
      kind: 'piece',
      name: 'Peeled outline',
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
      name: `${cord.name} over its peg`,
      free: cord.unit === 'each' ? Math.min(cordFor(at), cord.sizes.length ?? Infinity) : cordFor(at),
      knots: 2,
      carries: true,
    },
  };
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(
      at.approach,
      'Pull the anchor down, and up goes the gull. Who is at the top?',
      'You drew it in glue. Now it hangs.',
    ),
    lookFor:
      d.child === 'traces and pulls'
        ? 'Do both hands squeeze evenly, and does the tip stay on the line?'
        : 'Does one hand pull under the other, and can it stop half way?',
    easier: 'A thicker line, an outline without tips; a shorter lift with a handle to hold.',
    harder: 'A thinner line, more crossings; pull so slowly that the bell stays silent.',
    more: 'Up, down, half way: say it before it is pulled.',
    oneHand:
      'The sheet taped to a board, the bottle on the side of the hand that works; a ring at the end of the cord to pull by.',
    stop: `${STOP_WORDS} The cord is never round a neck or a wrist, and comes down when the sitting ends.`,
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
  return [
    of('pull', 'Pulled', 'whole hand', { child: 'pulls' }),
    of('colour', 'Coloured', 'pen in the fingers', { child: 'colours and pulls' }),
    of('thick', 'Thick line', 'both hands squeeze', { child: 'traces and pulls', line: 9 }),
    of('middle', 'Line of 6', 'both hands squeeze', { child: 'traces and pulls', line: 6 }),
    of('thin', 'Thinnest', 'fingers squeeze', { child: 'traces and pulls', line: PEELS_FROM }),
  ];
}

/** A line of glue that is peeled, and a cord with a thing at each end. */
export const traceAndPull: Pattern<Dials, Detail> = {
  id: 'trace-and-pull',
  name: 'Trace and pull',
  does: 'Squeezes glue along a line, peels it when dry, and pulls it up on a cord',
  skills: ['Hand strength', 'Two hands together', 'Crossing the midline'],
  quiet: true,
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
  forHand: ({ dials: d }, hand) => ({
    ...(hand.standing === undefined ? {} : { peg: 1.1 * hand.standing }),
    ...(hand.reach === undefined ? {} : { longest: Math.min(d.longest, hand.reach) }),
    ...(isWeak(hand) ? { line: Math.max(d.line, 6) } : {}),
  }),
  rungs,
  show,
};
