import { when } from '../acts.ts';
import { rectangleOutline } from '../../geometry/polygon.ts';
import type { At, Cut, Feature, Need, Pattern, Plan, Reaches } from '../kernel.ts';
import { bagNeed, need } from '../making.ts';
import { area } from '../../geometry/polygon.ts';
import { glueUnder, SPOT, supplied } from '../supplies.ts';
import { dials, parts, ROLES, type Dials, cardsIn, hasSticks } from './dials.ts';
import { draw } from './draw.ts';
import { cardSize, fit, layOut, moves, type Detail } from './fit.ts';
import { boardOf, insetOutline, INSETS } from './insets.ts';
import { halfOutline, linesOf } from './lines.ts';
import { isPrinted, steps } from './steps.ts';
import { show, levels } from './show.ts';
import { text } from './words.ts';

function cuts(at: At<Dials>): Cut[] {
  const { dials: d } = at;
  const { card, board, laminate } = parts(at);
  const part = {
    use: 'part' as const,
    counted: true,
    turn: 'right' as const,
    gap: 2,
    kind: 'outline' as const,
  };
  if (d.kind === 'order' || !card) return [];
  if (d.kind === 'insets')
    return [
      ...(board
        ? [
            {
              ...part,
              id: 'board',
              label: text(at, 'board'),
              role: ROLES.board.id,
              materialId: board.id,
              count: 1,
              outline: rectangleOutline(...boardOf(d.number, d.width, d.loose).size),
            },
          ]
        : []),
      ...Array.from({ length: d.number }, (_, i): Cut => {
        const shape = INSETS[i % INSETS.length]!;
        return {
          ...part,
          use: 'piece',
          id: `inset-${i + 1}`,
          label: text(at, 'inset', { shape }),
          role: ROLES.card.id,
          materialId: card.id,
          count: 1,
          outline: insetOutline(shape, d.width),
        };
      }),
    ];
  const count = cardsIn(d);
  return [
    {
      ...part,
      use: 'piece',
      id: 'card',
      label: text(at, 'card'),
      role: ROLES.card.id,
      materialId: card.id,
      count,
      outline: rectangleOutline(d.width, d.height),
    },
    ...(d.laminated && laminate
      ? [
          {
            ...part,
            use: 'consumable' as const,
            counted: false,
            gap: 0,
            id: 'laminate',
            label: text(at, 'laminate'),
            role: ROLES.laminate.id,
            materialId: laminate.id,
            count,
            outline: rectangleOutline(...cardSize(d)),
          },
        ]
      : []),
  ];
}

/** Paint on a stick, g (common practice). */
const STICK_PAINT = 0.5;

function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { knob, stick } = parts(at);
  const { order } = layOut(at);
  const cut = cuts(at);
  // The print is glued on what goes through no printer: the board and its insets, and cards of a box.
  const glued = cut
    .filter((c) => c.role === ROLES.board.id || (c.role === ROLES.card.id && !isPrinted(at)))
    .reduce((sum, c) => sum + (c.kind === 'outline' ? c.count * area(c.outline) : 0), 0);
  const used = supplied(at, [
    [ROLES.glue, glueUnder(glued) + (d.kind === 'insets' && knob ? SPOT * d.number : 0)],
    [ROLES.paint, hasSticks(d) ? STICK_PAINT * d.number : 0],
  ]);
  const needs: Need[] = [
    ...used.needs,
    ...(d.kind === 'insets' && knob ? [need(ROLES.knob, knob, d.number, false)] : []),
    ...(hasSticks(d) && stick ? [need(ROLES.stick, stick, d.number, true)] : []),
    ...(d.kind === 'order'
      ? (order?.things ?? parts(at).items.slice(0, d.number)).map((m) => need(ROLES.item, m, 1, true))
      : []),
    ...bagNeed(chosen),
  ];
  return { needs, unlisted: used.unlisted, cuts: cut, steps: steps(at) };
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { card } = parts(at);
  return d.kind === 'order'
    ? []
    : [
        {
          kind: 'cut edge',
          where: text(at, 'eachCard'),
          material: d.laminated && d.kind !== 'insets' ? 'film' : (card?.materialClass ?? 'card'),
          covered: false,
        },
      ];
}

function reaches(at: At<Dials>): Reaches {
  const { dials: d } = at;
  const { card } = parts(at);
  const thick = card?.sizes.wall ?? 0.3;
  const film = d.laminated;
  const [length, width] = cardSize(d);
  return {
    ...(d.kind === 'pairs'
      ? { card: { as: 'loose', film, shape: { kind: 'box', length, width, height: thick } } as const }
      : d.kind === 'halves'
        ? {
            // The smallest half stands for all: a cut swings as far to one side as to the other.
            card: {
              as: 'loose',
              film,
              name: text(at, 'halfCard'),
              count: 2 * d.number,
              shape: {
                kind: 'sheet',
                outline: halfOutline(
                  linesOf(d.cut, d.width, d.height, d.number)[0]!,
                  cardSize(d),
                  -1,
                  d.cut,
                ).map(([x, y]) => [x, y]),
                thickness: thick,
              },
            } as const,
          }
        : {}),
    [ROLES.knob.id]: { as: 'fixed', held: 'glued' },
    laminate: { as: 'nobody', why: 'it is melted round the cards' },
  };
}

const TITLES: Record<Dials['kind'], (d: Dials) => string> = {
  pairs: (d) => `Find ${d.number} pairs`,
  insets: (d) => `Set ${d.number} insets into their board`,
  halves: (d) => `Piece ${d.number} cards together`,
  order: (d) => `Put ${d.number} in order by ${d.measure}`,
};

/** Pairs, insets, cards cut in half, and orders of sizes. */
export const matchAndPiece: Pattern<Dials, Detail> = {
  id: 'match-and-piece',
  name: 'Match and piece',
  does: (to) => text(to, 'findsWhatBelongsTogether'),
  skills: ['Pincer and release', 'In-hand manipulation', 'Crossing the midline'],
  acts: ({ dials: d }) =>
    when({
      'picks up': true,
      'lets go': true,
      'turns in the fingers': d.kind === 'insets' || d.kind === 'halves' || d.partner === 'stick',
      'reaches across': true,
    }),
  quiet: true,
  usualFrom: ({ dials: d }) =>
    (({ insets: [15, 30], pairs: [20, 36], halves: [24, 42], order: [24, 42] }) as const)[d.kind],
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => TITLES[d.kind](d),
  fit,
  plan,
  draw,
  moves,
  beside: ({ dials: d }) => ({ attend: d.number }),
  counts: ({ dials: d }) =>
    ({
      pairs: { of: 'pairs', one: 'pair', number: d.number },
      insets: { of: 'insets', one: 'inset', number: d.number },
      halves: { of: 'cards', one: 'card', number: d.number },
      order: { of: 'things', one: 'thing', number: d.number },
    })[d.kind],
  features,
  reaches,
  levels,
  show,
};
