import { isWeak } from '../../child/usualHand.ts';
import type { At, Cut, Feature, Pattern, Plan, Show, Step, Reaches } from '../kernel.ts';
import {
  bagNeed,
  cleaningStep,
  countStep,
  need,
  plainName,
  sheetOf,
  sayFor,
  step,
  stopWords,
} from '../making.ts';
import { SPOT, supplied } from '../supplies.ts';
import { dials, isTube, parts, ringOf, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, foot, moves, type Detail } from './fit.ts';
import { levels } from './levels.ts';
import { text } from './words.ts';

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
    label: text(at, 'ring'),
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
            label: text(at, 'post'),
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

/** Glue under the foot of a post, g; tape that holds it upright, and a pad of it over its end, mm (common practice). */
const FOOT = 5;
const UPRIGHT = 300;
const PAD = 150;

/** What its steps take up: the post is glued and taped to its base, sand is taped in, a picture is glued round. */
function taken(at: At<Dials>) {
  const { dials: d } = at;
  const { base, cap } = parts(at);
  const closed = base && d.weight > 0 ? Math.ceil(2 * Math.PI * foot(at).radius) + 20 : 0;
  return supplied(at, [
    [
      ROLES.glue,
      (base ? FOOT : 0) + (d.capped && cap ? SPOT : 0) + (d.shows === 'picture' ? SPOT * d.number : 0),
    ],
    [ROLES.tape, (base ? UPRIGHT : 0) + closed + (d.capped && !cap ? PAD : 0)],
    [ROLES.sand, base ? d.weight : 0],
  ]);
}

function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { post, base, cap, massager, long } = parts(at);
  const used = taken(at);
  const hums = base !== undefined && d.hums;
  return {
    unlisted: [...used.unlisted, ...(hums && !massager ? [ROLES.massager.label] : [])],
    needs: [
      ...(d.post < long - 0.5 ? [] : [need(ROLES.post, post, 1, true)]),
      ...(base ? [need(ROLES.base, base, 1, true)] : []),
      ...(d.capped && cap ? [need(ROLES.cap, cap, 1, false)] : []),
      ...(hums && massager ? [need(ROLES.massager, massager, 1, true)] : []),
      ...used.needs,
      ...bagNeed(chosen),
    ],
    cuts: cuts(at),
    steps: steps(at),
  };
}

/** Minutes by hand (common practice): a cut through a card tube takes a minute and a half with saw or knife. */
function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { part, post, base, cap, long } = parts(at);
  const tube = isTube(part);
  const together = approach === 'made together';
  const washed = cleaningStep([{ material: part, count: 1 }], at);
  const shorten = d.post < long - 0.5;
  return [
    ...washed,
    step({
      id: 'cut',
      title: tube
        ? text(at, 'cutRingsMm', { number: d.number, height: d.height })
        : text(at, 'cutRings', { number: d.number }),
      words: tube ? text(at, 'wrapStripPaperRound') : text(at, 'foldEachRingHalf'),
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
            title: text(at, 'cutPostMm', { post: d.post }),
            words: text(at, 'sawThenSandEnd'),
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
            title: text(at, 'capEndPost'),
            words: cap ? text(at, 'glueCap', { cap: plainName(cap) }) : text(at, 'padOfTape'),
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
            title: text(at, 'putMassagerIntoBase'),
            words: text(at, 'screwBatteryDoorShut'),
            perCopy: 2,
            who: 'adult' as const,
          }),
        ]
      : []),
    ...(base
      ? [
          step({
            id: 'base',
            title: d.weight > 0 ? text(at, 'fixPostGSand', { weight: d.weight }) : text(at, 'fixPostBase'),
            words: d.weight > 0 ? text(at, 'fillBaseTapeShut') : text(at, 'glueTapePostUpright'),
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
            title: d.shows === 'picture' ? text(at, 'drawGluePicture') : text(at, 'writeRings'),
            words: text(at, 'glueStripRoundBefore'),
            perCopy: 5,
            who: together ? 'child' : 'either',
            tools: ['printer', 'marker'],
            after: ['cut'],
          }),
        ]),
    step({
      id: 'try',
      title: text(at, 'stackOnce'),
      words: text(at, 'everyRingGoesOver', { post: post.name.toLowerCase() }),
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
    countStep(at, text(at, 'counted', { number: d.number }), ['try']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { part, base, cap, massager, thick } = parts(at);
  const ring = ringOf(at);
  return [
    {
      kind: 'opening',
      where: text(at, 'holeOfARing'),
      opening: { kind: 'round', diameter: ring.hole },
      sheet: sheetOf(part),
      thick: isTube(part) ? d.height : part.sizes.wall,
    },
    {
      kind: 'post',
      name: text(at, 'post'),
      diameter: thick,
      height: d.post + foot(at).height,
      capped: d.capped,
      blunt: thick >= BLUNT,
    },
    // A pad of tape about as wide as the post is no line of the bill by itself.
    ...(d.capped && !cap
      ? ([
          { kind: 'line', name: text(at, 'capPost'), how: 'fixed on (taped)' },
          {
            kind: 'attached',
            name: text(at, 'capPost'),
            shape: { kind: 'cylinder', diameter: thick + 8, length: 20 },
            count: 1,
            held: 'taped',
          },
        ] as const)
      : []),
    ...(base && d.weight > 0
      ? ([
          { kind: 'line', name: text(at, 'sandBase'), how: 'closed in behind tape all round' },
          {
            kind: 'filler',
            name: text(at, 'sandBase'),
            shape: { kind: 'sphere', diameter: 2 },
            count: 1,
            ball: false,
            seal: text(at, 'tapeAllRound'),
          },
        ] as const)
      : []),
    // Nobody has said how its door opens: it counts as open.
    ...(d.hums && base && !massager
      ? ([
          { kind: 'line', name: text(at, 'massagerBase'), how: 'in the base' },
          { kind: 'hazard', name: text(at, 'massagerBase'), hazard: 'battery' },
        ] as const)
      : []),
    { kind: 'cut edge', where: text(at, 'eachRing'), material: part.materialClass, covered: false },
  ];
}

function reaches(at: At<Dials>): Reaches {
  const ring = ringOf(at);
  return {
    ring: {
      as: 'loose',
      name: text(at, 'ring'),
      shape: { kind: 'ring', outerDiameter: ring.outer, innerDiameter: ring.hole, height: ring.height },
    },
    [ROLES.base.id]: { as: 'body', closed: true },
    [ROLES.cap.id]: { as: 'fixed', held: 'glued' },
    [ROLES.massager.id]: { as: 'told', how: 'in the base' },
    [ROLES.sand.id]: { as: 'told', how: 'closed in behind tape all round' },
  };
}

function show(at: At<Dials>): Show {
  return {
    say: sayFor(at, text(at, 'buildLighthouseBeforeShip'), text(at, 'youPaintedTheseHow')),
    lookFor: text(at, 'doesHandHoldPost'),
    easier: text(at, 'widerHoleFewerRings'),
    harder: text(at, 'closerHoleThenOrder'),
    more: text(at, 'more', { shows: at.dials.shows }),
    oneHand: text(at, 'baseClampedOrWeighted'),
    stop: stopWords(at),
  };
}

/** Room over the post for a weak pinch or one hand, mm (common practice). */
const EASY = 20;

/** Rings, or cuts of a tube, on a post. */
export const stack: Pattern<Dials, Detail> = {
  id: 'stack',
  name: 'Stack',
  does: (to) => text(to, 'putsRingsOverPost'),
  skills: ['Two hands together', 'Pincer and release', 'Crossing the midline'],
  acts: () => ['other hand holds', 'picks up', 'lets go', 'reaches across'],
  quiet: true,
  usualFrom: ({ dials: d }) => (d.shows === 'plain' ? [10, 18] : [24, 42]),
  roles: Object.values(ROLES),
  dials,
  title: (at) => `Stack ${at.dials.number} ${isTube(parts(at).part) ? 'cuts of a tube' : 'rings'} on a post`,
  fit,
  plan,
  draw,
  moves,
  // Rings that are left are kept in view; one that is turned to a picture is turned on the post while that is held.
  beside: ({ dials: d }) => ({ attend: d.number, ...(d.shows === 'picture' ? { hands: 2 } : {}) }),
  counts: ({ dials: d }) => ({ of: 'rings', one: 'ring', number: d.number }),
  features,
  reaches,
  // A weak pinch, or one hand, is not to be held up by a close ring.
  forHand: (at, hand) => {
    const { dials: d } = at;
    const { thick } = parts(at);
    return {
      ...(hand.span === undefined ? {} : { outer: Math.min(d.outer, Math.max(thick + 30, hand.span)) }),
      ...(isWeak(hand, at.ageFrom) || hand.oneHanded
        ? { hole: Math.max(d.hole, Math.round(thick + EASY)) }
        : {}),
    };
  },
  levels,
  show,
};
