import { rectangleOutline } from '../../geometry/polygon.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Cut, Feature, Need, Plan, Show, Step, Reaches } from '../kernel.ts';
import {
  bagNeed,
  cleaningStep,
  countStep,
  need,
  sheetOf,
  sayFor,
  step,
  stopWords,
  toolName,
} from '../making.ts';
import { partNeed, supplied } from '../supplies.ts';
import { ROLES, type Dials } from './dials.ts';
import { cutLength, openingsOn, strips } from './openings.ts';
import { isMade, parts } from './pieces.ts';
import { text } from './words.ts';

/** Tape for the mouth, or once round the cut edge with a tenth over, mm. */
function taped(at: At<Dials>): number {
  const { count, length } = strips(at);
  const { cover } = at.dials;
  return cover === 'tape' ? count * length : cover === 'lid' ? Math.ceil(1.1 * cutLength(at)) : 0;
}

/** Container, pieces, tape, stickers, a bag. */
function needs(at: At<Dials>): Need[] {
  const { chosen } = at;
  const { container, kinds, tape } = parts(at);
  const mm = taped(at);
  return [
    need(ROLES.container, container, 1, true),
    ...kinds
      .filter((k) => !isMade(k) && k.count > 0)
      .map((k) => need(ROLES.piece, k.material, k.count, true)),
    ...(tape && mm > 0 ? [partNeed(ROLES.edge, tape, mm)] : []),
    ...stickers(at).needs,
    ...bagNeed(chosen),
  ];
}

/** A child sticks them on where it is made together. */
const stickers = (at: At<Dials>) => supplied(at, [[ROLES.decor, at.approach === 'made together' ? 1 : 0]]);

/** The square or strip that a piece is made of, mm. */
const blank = (d: Dials): Vec2[] =>
  rectangleOutline(d.stripLength, d.made === 'rolled' ? d.stripLength : d.stripWidth);

const cuts = (at: At<Dials>): Cut[] =>
  parts(at)
    .kinds.filter((k) => isMade(k) && k.count > 0)
    .map((k) => ({
      kind: 'outline',
      id: `made-${k.material.id}`,
      label: text(at, at.dials.made === 'rolled' ? 'paperSquare' : 'strip'),
      role: ROLES.piece.id,
      materialId: k.material.id,
      count: k.count,
      use: 'piece',
      counted: true,
      outline: blank(at.dials),
      turn: 'right',
      // A strip that is pushed stays straight when the grain runs its long way.
      ...(at.dials.made === 'rolled' ? {} : { grain: 'x' as const }),
      gap: 0,
    }));

export const plan = (at: At<Dials>): Plan => ({
  needs: needs(at),
  unlisted: [...(taped(at) > 0 && !parts(at).tape ? [ROLES.edge.label] : []), ...stickers(at).unlisted],
  cuts: cuts(at),
  steps: steps(at),
});

/** Minutes from hand trials of the trade (common practice): a blade goes 60 mm a minute with care, drawing twice that. */
function lidSteps(at: At<Dials>): Step[] {
  const { dials: d, chosen } = at;
  const { container } = parts(at);
  const cut = cutLength(at);
  const many = openingsOn(at).length;
  return [
    step({
      id: 'draw',
      title:
        many > 1 ? text(at, 'drawOpeningsLid', { many }) : text(at, 'drawOpening', { opening: d.opening }),
      words: text(at, 'cutPrintedTemplateOut'),
      setUp: 2,
      perCopy: 1 + cut / 120,
      who: at.approach === 'made together' ? 'child' : 'either',
      tools: ['printer', 'scissors', 'marker'],
    }),
    step({
      id: 'cut',
      title:
        many > 1
          ? text(at, 'cutOpeningsAfterOther', { many })
          : d.opening === 'round'
            ? text(at, 'cutAlongDrawnCircle')
            : text(at, 'cutAlongDrawnLine'),
      words: text(at, 'lidFaceDownBoard', { container: container.name }),
      setUp: 3,
      perCopy: 1 + cut / 60,
      who: 'adult',
      blade: true,
      tools: ['craft knife', 'cutting board'],
      after: ['draw'],
    }),
    step({
      id: 'edge',
      title: chosen[ROLES.edge.id]?.length ? text(at, 'rubDownTapeEdge') : text(at, 'rubCutEdgeDown'),
      words: text(at, 'fineSandpaperRoundCut'),
      perCopy: 2 + cut / 100,
      who: 'adult',
      tools: ['sandpaper'],
      after: ['cut'],
    }),
  ];
}

function coverSteps(at: At<Dials>): Step[] {
  const { dials: d } = at;
  if (d.cover === 'lid') return lidSteps(at);
  if (d.cover !== 'tape') return [];
  const { count, length } = strips(at);
  return [
    step({
      id: 'tape',
      title: text(at, 'tapeMouthStripsMm', { count, length: Math.round(length) }),
      words: d.opening === 'slot' ? text(at, 'fromRimInwardsSlit') : text(at, 'fromRimInwardsSquare'),
      perCopy: 0.5 * count + 1,
      who: 'either',
      tools: ['scissors', 'ruler'],
    }),
  ];
}

function madeSteps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const kinds = parts(at).kinds.filter((k) => isMade(k) && k.count > 0);
  const count = kinds.reduce((n, k) => n + k.count, 0);
  if (count === 0) return [];
  const child = approach === 'made together' || d.made === 'rolled';
  return [
    step({
      id: 'make',
      title:
        d.made === 'rolled'
          ? text(at, 'tearSquaresMmRoll', { count, stripLength: d.stripLength })
          : text(at, 'cutStripsMm', { count, stripLength: d.stripLength, stripWidth: d.stripWidth }),
      words:
        d.made === 'rolled' ? text(at, 'rollEachBetweenFingertips') : text(at, 'scissorsAlongPrintedLine'),
      perCopy: count * 0.5,
      who: child ? 'child' : 'either',
      tools: d.made === 'rolled' ? [] : ['printer', 'scissors'],
    }),
  ];
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { kinds } = parts(at);
  const together = approach === 'made together';
  const whole = kinds.filter((k) => !isMade(k) && k.count > 0);
  const washed = cleaningStep(whole, at);
  const afterWash = washed.map((s) => s.id);
  const liners = whole.filter((k) => k.material.hazards.includes('loose liner'));
  const cover = coverSteps(at);
  const made = madeSteps(at);
  const ready = cover.slice(-1).map((s) => s.id);
  return [
    ...(liners.length > 0
      ? [
          step({
            id: 'liner',
            title: text(at, 'takeOutLiners'),
            words: text(at, 'liftEachLinerBack'),
            perCopy: 0.3 * liners.reduce((n, k) => n + k.count, 0),
            who: 'adult',
          }),
        ]
      : []),
    // What was clean when it was looked over is not washed again; liners are out before, so that water gets under them.
    ...washed.map((w) => (liners.length > 0 ? { ...w, after: [...w.after, 'liner'] } : w)),
    ...cover,
    ...made,
    step({
      id: 'try',
      title: text(at, 'postEveryPieceOnce'),
      words: text(at, 'eachPieceGoesDrops'),
      perCopy: 0.1 * d.pieces + 0.5,
      who: 'adult',
      after: [...afterWash, ...ready, ...made.map((s) => s.id), ...(liners.length > 0 ? ['liner'] : [])],
    }),
    ...(together
      ? [
          step({
            id: 'stickers',
            title: text(at, 'stickersRoundTub'),
            words: text(at, 'peelingPressingExerciseLet'),
            perCopy: 8,
            who: 'child' as const,
            after: ready,
          }),
        ]
      : []),
    countStep(at, d.pieces, ['try', ...(together ? ['stickers'] : [])]),
  ];
}

export function features(at: At<Dials>): Feature[] {
  const { dials: d, chosen } = at;
  const { container } = parts(at);
  const on = openingsOn(at);
  const where = (i: number): string => {
    if (d.cover === 'tape') return text(at, 'openingBetweenTapes');
    if (d.cover === 'open') return text(at, 'mouth');
    if (d.cover === 'sip hole') return text(at, 'sipHole');
    return on.length > 1
      ? text(at, 'openingLid', { i: i + 1 })
      : text(at, 'openingInLid', { opening: d.opening });
  };
  return [
    ...on.map((p, i): Feature => ({
      kind: 'opening',
      where: where(i),
      opening: p.opening,
      sheet: d.cover === 'tape' ? 'soft' : sheetOf(container),
      thick: container.sizes.wall,
    })),
    ...(d.cover === 'lid'
      ? [{ kind: 'remnant', name: text(at, 'cutOutOfLid'), count: on.length } as const]
      : []),
    ...(d.cover === 'lid'
      ? [
          {
            kind: 'cut edge',
            where: on.length > 1 ? text(at, 'openingsLid') : where(0),
            material: container.materialClass,
            covered: (chosen[ROLES.edge.id]?.length ?? 0) > 0,
          } as const,
        ]
      : []),
    ...(d.tool === 'fingers' ? [] : [{ kind: 'tool', name: toolName(at, d.tool) } as const]),
  ];
}

export const reaches = (at: At<Dials>): Reaches => ({
  [ROLES.container.id]: { as: 'body', closed: at.dials.cover === 'lid' || at.dials.cover === 'sip hole' },
  [ROLES.decor.id]: { as: 'fixed', held: 'stuck on' },
  [ROLES.edge.id]: { as: 'nobody', why: 'it is stuck down, and felt over each time it comes back' },
  ...Object.fromEntries(
    parts(at)
      .kinds.filter((k) => isMade(k) && k.count > 0)
      .map((k) => [`made-${k.material.id}`, { as: 'loose', shape: k.solid, name: k.name } as const]),
  ),
});

export function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const one = parts(at).first.name.toLowerCase();
  return {
    say: sayFor(at, text(at, 'tubHungryHowMany'), text(at, 'weMadeThisShall')),
    lookFor: text(at, 'doesHandTurnBefore', { one }),
    easier: d.cover === 'tape' ? text(at, 'takeTapeOffWhole') : text(at, 'openWiderOrHold'),
    harder: d.tool === 'fingers' ? text(at, 'narrowTurnThenOffer') : text(at, 'moveTrayOtherSide'),
    more: text(at, 'countAloud'),
    oneHand: text(at, 'containerNonSlipMat'),
    stop: stopWords(at),
  };
}
