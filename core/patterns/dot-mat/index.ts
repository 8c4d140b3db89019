import { when } from '../acts.ts';
import { hazardsNamed } from '../../catalogue/hazardNames.ts';
import { atLeast, shapeOf, type Material } from '../../materials/material.ts';
import { outlineName } from '../../outline/outline.ts';
import type { At, Feature, Pattern, Plan, LevelDials, Show, Step, Reaches } from '../kernel.ts';
import { isBall } from '../account.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, sharedKinds, step, stopWords } from '../making.ts';
import { eachTime, partNeed } from '../supplies.ts';
import { dials, dotsOf, kindsOf, parts, pieceWide, ROLES, suits, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, isPainted, moves, paintFor, type Detail } from './fit.ts';
import { text } from './words.ts';

const each = (at: At<Dials>) => sharedKinds(kindsOf(at), dotsOf(at.dials).length);

/** Pages in a kit: those that are used up are one for each child. */
const pages = (d: Dials): number => (isPainted(d) ? d.children : 1);

/** Paint of each colour by what its dots take; pieces one a dot, stickers one a dot of each page. */
const pieceNeeds = (at: At<Dials>): Plan['needs'] =>
  each(at).map(({ material, count }) => {
    const dots = count * pages(at.dials);
    if (at.dials.use === 'paint')
      return eachTime(partNeed(ROLES.piece, material, paintFor(dots, at.dials.dot)));
    const whole = need(ROLES.piece, material, dots, !isPainted(at.dials));
    return at.dials.use === 'sticker' ? eachTime(whole) : whole;
  });

function plan(at: At<Dials>): Plan {
  const { page, tray, laminate } = parts(at);
  const sheets = need(ROLES.page, page, pages(at.dials), true);
  return {
    needs: [
      isPainted(at.dials) ? eachTime(sheets) : sheets,
      ...pieceNeeds(at),
      ...(tray ? [need(ROLES.tray, tray, 1, true)] : []),
      ...(laminate && !isPainted(at.dials) ? [need(ROLES.laminate, laminate, 1, false)] : []),
      ...bagNeed(at.chosen),
    ],
    cuts: [],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { laminate } = parts(at);
  const n = dotsOf(d).length;
  const painted = isPainted(d);
  const washed = painted ? [] : cleaningStep(each(at), at);
  const sealed = laminate !== undefined && !painted;
  return [
    ...washed,
    step({
      id: 'print',
      title: pages(d) > 1 ? text(at, 'printPages', { pages: pages(d) }) : text(at, 'printPage'),
      words: painted ? text(at, 'plainPaperOrCard') : text(at, 'cardCheckMmBar'),
      setUp: 2,
      perCopy: 0.5 * pages(d),
      tools: ['printer'],
    }),
    ...(sealed
      ? [
          step({
            id: 'laminate',
            title: text(at, 'laminate'),
            words: text(at, 'onceThroughLaminatorLet'),
            setUp: 5,
            perCopy: 1,
            who: 'adult',
            heat: true,
            tools: ['laminator'],
            after: ['print'],
          }),
        ]
      : []),
    ...(approach === 'made together'
      ? [
          step({
            id: 'colour',
            title: painted ? text(at, 'fillDots') : text(at, 'colourRoundOutline'),
            words: painted ? text(at, 'dabbingOrPeelingEach') : text(at, 'crayonsOutsideDotsBefore'),
            perCopy: 6,
            who: 'child',
            drying: d.use === 'paint' ? 45 : 0,
            after: ['print'],
          }),
        ]
      : []),
    step({
      id: 'try',
      title: text(at, 'layOutOnce'),
      words: painted ? text(at, 'dotDoneCanBe') : text(at, 'everyDotHasPiece'),
      perCopy: 0.05 * n + 0.5,
      after: [sealed ? 'laminate' : 'print', ...washed.map((s) => s.id)],
    }),
    countStep(at, text(at, 'counted', { pages: painted ? pages(d) : 1, pieces: painted ? 0 : n }), [
      'try',
      ...(approach === 'made together' ? ['colour'] : []),
    ]),
  ];
}

/** What is chosen and does not go on the dots as they are used: it stays out of the kit, and is judged all the same. */
function setAside(at: At<Dials>): Feature[] {
  return parts(at)
    .all.filter((m) => !suits(at.dials.use, m) && m.materialClass !== 'paint')
    .flatMap((m): Feature[] => {
      const { length, width, wall = 0.1 } = m.sizes;
      const shape =
        shapeOf(atLeast(m)) ??
        (length !== undefined && width !== undefined
          ? ({ kind: 'box', length, width, height: wall } as const)
          : null);
      return shape
        ? [
            { kind: 'line', name: m.name, how: 'loose, where somebody lays it out' },
            { kind: 'piece', name: m.name, shape, count: 1, ball: isBall(shape) },
          ]
        : [{ kind: 'line', name: m.name, how: null }];
    });
}

function features(at: At<Dials>): Feature[] {
  return [...setAside(at), ...magnets(at)];
}

function magnets(at: At<Dials>): Feature[] {
  if (at.dials.use !== 'magnet') return [];
  // A magnet is in each, or is glued under it: what nobody ticked and no name tells is one all the same.
  return kindsOf(at)
    .filter((m) => !m.hazards.includes('magnet') && hazardsNamed(m).every((h) => h.hazard !== 'magnet'))
    .map((m) => ({ kind: 'hazard', name: m.name, hazard: 'magnet', flux: m.risks?.flux }));
}

/** Nothing of it has a shape but its outline: a sticker is one, a bead that stands in for it is none. */
const isSticker = (m: Material): boolean => m.form === 'consumable' && m.materialClass !== 'paint';

function reaches(at: At<Dials>): Reaches {
  const { use } = at.dials;
  const { laminate } = parts(at);
  return {
    [ROLES.page.id]: { as: 'body', film: laminate !== undefined && !isPainted(at.dials) },
    [ROLES.piece.id]: (m) =>
      use === 'paint' && m.materialClass === 'paint'
        ? { as: 'nobody', why: 'it dries on what is painted' }
        : use === 'sticker' && isSticker(m)
          ? { as: 'fixed', held: 'stuck on' }
          : { as: 'loose' },
    [ROLES.laminate.id]: { as: 'nobody', why: 'it is melted round the page' },
  };
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(at, text(at, 'everyWindowShipWants'), text(at, 'yourPageWhichDot')),
    lookFor: text(at, 'doFingerThumbSet'),
    easier: text(at, 'fewerLargerDotsFar'),
    harder: d.colours === 'free' ? text(at, 'moreDotsCloserThen') : text(at, 'closerThenTongsThen'),
    more: text(at, 'countARow'),
    oneHand: text(at, 'pageTapedCornersPieces'),
    stop: stopWords(at),
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const kinds = kindsOf(at);
  const wide = Math.max(8, ...kinds.map(pieceWide));
  const grip = isPainted(d) ? text(at, 'brushOrFingertip') : text(at, 'thumbFinger');
  const base: Dials = { ...d, tilt: 0, colours: 'free' };
  const dot = (k: number): number =>
    Math.max(6, Math.min(60, Math.round(isPainted(d) ? d.dot * k : wide * k)));
  const upTo = (level: LevelDials<Dials>): LevelDials<Dials> => {
    // A small outline takes fewer: as many as go, so that every level can be laid.
    const most = dotsOf({ ...level.dials, asked: 0 }).length;
    return { ...level, dials: { ...level.dials, asked: Math.max(1, Math.min(level.dials.asked, most)) } };
  };
  const all: LevelDials<Dials>[] = [
    { id: 'few', name: text(at, 'fewLargeDots'), grip, dials: { ...base, dot: dot(1.5), gap: 12, asked: 4 } },
    { id: 'more', name: text(at, 'moreDots'), grip, dials: { ...base, dot: dot(1.25), gap: 8, asked: 6 } },
    { id: 'close', name: text(at, 'closeDots'), grip, dials: { ...base, dot: dot(1.05), gap: 4, asked: 9 } },
    { id: 'tight', name: text(at, 'touchingDots'), grip, dials: { ...base, dot: dot(1), gap: 1, asked: 12 } },
    ...(kinds.length > 1
      ? [
          {
            id: 'key',
            name: text(at, 'colour'),
            grip,
            dials: { ...base, dot: dot(1.05), gap: 4, asked: 9, colours: 'by key' as const },
          },
        ]
      : []),
  ];
  return all.map(upTo);
}

/** A page with an outline full of dots, and something for each. */
export const dotMat: Pattern<Dials, Detail> = {
  id: 'dot-mat',
  name: 'Dot mat',
  does: (to) => text(to, 'setsPieceStickerOr'),
  skills: ['Pincer and release', 'In-hand manipulation', 'Crossing the midline'],
  // A cap is turned to lie as it should, a sticker taken by its edge; a brush does neither.
  acts: ({ dials: d }) =>
    when({
      'picks up': !isPainted(d),
      'lets go': !isPainted(d),
      'turns in the fingers': d.use === 'loose' || d.use === 'magnet',
      'reaches across': true,
    }),
  quiet: true,
  usualFrom: ({ dials: d }) => (d.colours === 'free' ? [15, 30] : [27, 48]),
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => `Fill the dots of the ${outlineName(d.outline)}`,
  fit,
  plan,
  draw,
  moves,
  beside: ({ dials: d }) => ({ attend: Math.max(1, dotsOf(d).length) }),
  counts: ({ dials: d }) => ({ of: 'dots', one: 'dot', number: Math.max(1, dotsOf(d).length) }),
  features,
  reaches,
  // All of the page lies within reach from the middle of the table's edge.
  forHand: ({ dials: d }, { reach }) => (reach === undefined ? {} : { longest: Math.min(d.longest, reach) }),
  levels,
  show,
};
