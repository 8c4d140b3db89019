import { isWeak } from '../../child/hand.ts';
import type { At, Cut, Feature, Pattern, Plan, RungDials, Show, Step, Reaches } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sheetOf, sayFor, step, STOP_WORDS } from '../making.ts';
import { dials, isTube, looseFor, parts, ringOf, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, foot, moves, type Detail } from './fit.ts';

/** A post from this thickness on has a blunt end, mm (common practice). */
const BLUNT = 30;

const disc = (diameter: number): [number, number][] =>
  Array.from({ length: 72 }, (_, i) => [
    (diameter / 2) * Math.cos((i * Math.PI) / 36),
    (diameter / 2) * Math.sin((i * Math.PI) / 36),
  ]);

function cuts(at: At<Dials>): Cut[] {
  const { dials: d } = at;
  const { post, part, long } = parts(at);
  const ring = {
    id: 'ring',
    label: 'Ring',
    role: ROLES.part.id,
    materialId: part.id,
    count: d.number,
    use: 'piece' as const,
    counted: true,
  };
  return [
    isTube(part)
      ? { ...ring, kind: 'length', length: d.height, loss: d.loss }
      : { ...ring, kind: 'outline', outline: disc(d.outer), turn: 'any', gap: 2 },
    // A post that is used as long as it is takes no cut.
    ...(d.post < long - 0.5
      ? [
          {
            kind: 'length' as const,
            id: 'post',
            label: 'Post',
            role: ROLES.post.id,
            materialId: post.id,
            count: 1,
            use: 'part' as const,
            counted: true,
            length: d.post,
            loss: d.loss,
          },
        ]
      : []),
  ];
}

function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { post, base, long } = parts(at);
  return {
    needs: [
      ...(d.post < long - 0.5 ? [] : [need(ROLES.post, post, 1, true)]),
      ...(base ? [need(ROLES.base, base, 1, true)] : []),
      ...bagNeed(chosen),
    ],
    cuts: cuts(at),
    steps: steps(at),
  };
}

/** Minutes by hand (common practice): a cut through a card tube takes a minute and a half with saw or knife. */
function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { part, post, base, long } = parts(at);
  const tube = isTube(part);
  const together = approach === 'made together';
  const washed = cleaningStep([{ material: part, count: 1 }], approach);
  const shorten = d.post < long - 0.5;
  return [
    ...washed,
    step({
      id: 'cut',
      title: tube ? `Cut ${d.number} rings of ${d.height} mm` : `Cut ${d.number} rings`,
      words: tube
        ? 'Wrap a strip of paper round the tube as a guide; turn the tube against the blade, never towards the hand.'
        : 'Fold each ring in half, snip out the middle, open it and cut the outside. Round what is sharp.',
      setUp: 2,
      perCopy: d.number * (tube ? 1.5 : 2),
      who: 'adult',
      blade: tube,
      tools: tube ? ['craft knife', 'cutting board', 'ruler'] : ['scissors', 'printer', 'marker'],
      after: washed.map((s) => s.id),
    }),
    ...(shorten
      ? [
          step({
            id: 'post',
            title: `Cut the post to ${d.post} mm`,
            words: 'Saw it, then sand the end round.',
            setUp: 1,
            perCopy: 2,
            who: 'adult' as const,
            blade: true,
            tools: ['saw', 'sandpaper'] as const,
          }),
        ]
      : []),
    ...(d.capped
      ? [
          step({
            id: 'cap',
            title: 'Cap the end of the post',
            words: 'Glue on a cork or a pad of tape; it must be narrower than the hole of a ring.',
            perCopy: 1,
            who: 'adult' as const,
            after: shorten ? ['post'] : [],
          }),
        ]
      : []),
    ...(base && d.hums
      ? [
          step({
            id: 'hum',
            title: 'Put the massager into the base',
            words:
              'Screw the battery door shut; a door without a screw is taped all round and kept out of reach.',
            perCopy: 2,
            who: 'adult' as const,
          }),
        ]
      : []),
    ...(base
      ? [
          step({
            id: 'base',
            title:
              d.weight > 0 ? `Fix the post, ${d.weight} g of sand in the base` : 'Fix the post to the base',
            words: `${d.weight > 0 ? 'Fill the base, tape it shut all round. ' : ''}Glue and tape the post upright; let it set before anybody pulls.`,
            perCopy: 4,
            who: 'adult',
            drying: 120,
            after: [...(shorten ? ['post'] : []), ...(d.hums ? ['hum'] : [])],
          }),
        ]
      : []),
    ...(d.shows === 'plain'
      ? []
      : [
          step({
            id: 'decorate',
            title: d.shows === 'picture' ? 'Draw and glue on the picture' : 'Write on the rings',
            words:
              'Glue the strip round before the tube is cut, or write with all rings on the post, so that it lines up.',
            perCopy: 5,
            who: together ? 'child' : 'either',
            tools: ['printer', 'marker'],
            after: ['cut'],
          }),
        ]),
    step({
      id: 'try',
      title: 'Stack it once',
      words: `Every ring goes over without catching, and ${post.name.toLowerCase()} stands above the last one to hold.`,
      perCopy: 1,
      who: 'adult',
      after: [
        'cut',
        ...(shorten ? ['post'] : []),
        ...(base ? ['base'] : []),
        ...(d.capped ? ['cap'] : []),
        ...(d.shows === 'plain' ? [] : ['decorate']),
      ],
    }),
    countStep(`${d.number} rings`, ['try']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { part, base, thick } = parts(at);
  const ring = ringOf(at);
  return [
    {
      kind: 'opening',
      where: 'the hole of a ring',
      opening: { kind: 'round', diameter: ring.hole },
      sheet: sheetOf(part),
      thick: isTube(part) ? d.height : part.sizes.wall,
    },
    {
      kind: 'post',
      name: 'Post',
      diameter: thick,
      height: d.post + foot(at).height,
      capped: d.capped,
      blunt: thick >= BLUNT,
    },
    // What caps the post comes from no line of the bill: a cork or a pad of tape about as wide as the post.
    ...(d.capped
      ? ([
          { kind: 'line', name: 'Cap of the post', how: 'fixed on (glued)' },
          {
            kind: 'attached',
            name: 'Cap of the post',
            shape: { kind: 'cylinder', diameter: thick + 8, length: 20 },
            count: 1,
            held: 'glued',
          },
        ] as const)
      : []),
    ...(base && d.weight > 0
      ? ([
          { kind: 'line', name: 'Sand in the base', how: 'closed in behind tape all round' },
          {
            kind: 'filler',
            name: 'Sand in the base',
            shape: { kind: 'sphere', diameter: 2 },
            count: 1,
            ball: false,
            seal: 'tape all round',
          },
        ] as const)
      : []),
    // Nobody has said how its door opens: it counts as open.
    ...(d.hums && base
      ? ([
          { kind: 'line', name: 'Massager in the base', how: 'in the base' },
          { kind: 'hazard', name: 'Massager in the base', hazard: 'battery' },
        ] as const)
      : []),
    { kind: 'cut edge', where: 'each ring', material: part.materialClass, covered: false },
  ];
}

function reaches(at: At<Dials>): Reaches {
  const ring = ringOf(at);
  return {
    ring: {
      as: 'loose',
      name: 'Ring',
      shape: { kind: 'ring', outerDiameter: ring.outer, innerDiameter: ring.hole, height: ring.height },
    },
    [ROLES.base.id]: { as: 'body', closed: true },
  };
}

const SHOWN: Record<Dials['shows'], string> = {
  plain: 'Any order; then the same colour, or largest first.',
  numbers: 'Name the number as each goes on; take them off backwards.',
  letters: 'Sound each letter; read the word from the top.',
  picture: 'What is missing? Turn the rings until the picture is whole.',
};
function show(at: At<Dials>): Show {
  return {
    say: sayFor(
      at.approach,
      'Build the lighthouse before the ship comes in!',
      'You painted these. How high do they go?',
    ),
    lookFor:
      'Does one hand hold the post while the other brings the ring, and does the eye go to the top first?',
    easier: 'A wider hole, fewer rings; hold the foot, or take off before putting on.',
    harder: 'A closer hole, then an order to keep; then the post held in the other hand.',
    more: SHOWN[at.dials.shows],
    oneHand: 'The base clamped or weighted; rings lie on the side of the hand that works.',
    stop: STOP_WORDS,
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { part, thick } = parts(at);
  const n = d.number;
  if (isTube(part))
    return [
      { id: 'two', name: 'Two tall rings', grip: 'whole hand', dials: { ...d, number: 2, shows: 'plain' } },
      { id: 'plain', name: 'Any order', grip: 'whole hand', dials: { ...d, shows: 'plain' } },
      {
        id: 'pair',
        name: 'Three in order',
        grip: 'whole hand',
        dials: { ...d, number: Math.min(3, n), shows: 'numbers' },
      },
      {
        id: 'order',
        name: 'All in order',
        grip: 'whole hand, turns the wrist',
        dials: { ...d, shows: 'numbers' },
      },
      {
        id: 'picture',
        name: 'A picture',
        grip: 'whole hand, turns the ring',
        dials: { ...d, number: Math.max(4, n), shows: 'picture' },
      },
    ];
  const ring = (over: number, part2: Partial<Dials> = {}): Dials => ({
    ...d,
    hole: Math.round(thick + over),
    outer: Math.max(d.outer, Math.round(thick + over) + 24),
    ...part2,
  });
  return [
    { id: 'wide', name: 'Wide rings', grip: 'whole hand', dials: ring(25, { shows: 'plain' }) },
    {
      id: 'loose',
      name: 'Loose rings',
      grip: 'thumb and fingers',
      dials: ring(looseFor(24), { shows: 'plain' }),
    },
    { id: 'close', name: 'Close rings', grip: 'thumb and fingers', dials: ring(9, { shows: 'plain' }) },
    { id: 'order', name: 'Close, in order', grip: 'thumb and fingers', dials: ring(9, { shows: 'numbers' }) },
  ];
}

/** Rings, or cuts of a tube, on a post. */
export const stack: Pattern<Dials, Detail> = {
  id: 'stack',
  name: 'Stack',
  does: 'Puts rings over a post, in any order or in the right one',
  skills: ['Two hands together', 'Pincer and release', 'Crossing the midline'],
  quiet: true,
  roles: Object.values(ROLES),
  dials,
  title: (at) => `Stack ${at.dials.number} ${isTube(parts(at).part) ? 'cuts of a tube' : 'rings'} on a post`,
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) => ({ of: 'rings', one: 'ring', number: d.number }),
  features,
  reaches,
  // A weak pinch, or one hand, is not to be held up by a close ring.
  forHand: ({ dials: d }, hand) => ({
    ...(hand.span === undefined ? {} : { outer: Math.min(d.outer, Math.max(d.post + 30, hand.span)) }),
    ...(isWeak(hand) || hand.oneHanded ? { hole: Math.max(d.hole, d.post + 25) } : {}),
  }),
  rungs,
  show,
};
