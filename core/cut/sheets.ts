import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { z } from 'zod';
import { length as size } from './lengths.ts';
import { area } from '../geometry/polygon.ts';
import { emptiestLast } from './emptiestSheet.ts';
import { boxOf, outlinePoints } from '../outline/outline.ts';
import { clearOf, layGuillotine } from './guillotine.ts';
import { lying, nest, type Lie, type Masks, type Nestable } from './nesting.ts';
import { PatternError } from '../patterns/kernel.ts';

const whole = z
  .number({ error: 'expected a number' })
  .int('expected a whole number')
  .min(0, 'must not be negative');
export const cutSheetsRequest = z.strictObject({
  sheets: z
    .array(
      z.strictObject({
        width: size,
        height: size,
        available: whole.max(1000, 'must be at most 1,000').optional(),
        /** Folds, prints and holes that nothing may be cut over. */
        keepOut: z.array(outlinePoints).max(40, 'may have at most 40 outlines').optional(),
      }),
      { error: 'expected a list of sheets' },
    )
    .min(1, 'expected at least one sheet')
    .max(12, 'may have at most 12 kinds of sheet'),
  parts: z
    .array(
      z.strictObject({
        id: z
          .string({ error: 'expected a name' })
          .min(1, 'expected a name')
          .max(60, 'may have at most 60 characters'),
        outline: outlinePoints,
        count: whole.max(400, 'must be at most 400'),
        /** Free, by right angles only, or not at all where grain or print has a direction. */
        turn: z.enum(['any', 'right', 'none'], { error: 'expected any, right or none' }),
        mirror: z.boolean({ error: 'expected true or false' }).optional(),
      }),
      { error: 'expected a list of parts' },
    )
    .min(1, 'expected at least one part')
    .max(60, 'may have at most 60 parts')
    .refine(
      (parts) => new Set(parts.map((p) => p.id)).size === parts.length,
      'expected every part to have its own id',
    )
    .refine((parts) => parts.reduce((n, p) => n + p.count, 0) <= 600, 'may have at most 600 parts in all'),
  gap: z.number({ error: 'expected mm' }).min(0, 'must not be negative').max(100, 'must be at most 100 mm'),
  /** Free for scissors and a knife; guillotine where every cut goes from edge to edge, as on a paper trimmer. */
  layout: z.enum(['free', 'guillotine'], { error: 'expected free or guillotine' }).optional(),
});
export type CutSheetsRequest = z.infer<typeof cutSheetsRequest>;

/** Where a part lies. */
interface Placement extends Lie {
  readonly id: string;
}
export interface CutSheetsAnswer {
  readonly sheets: readonly { readonly sheet: number; readonly placements: readonly Placement[] }[];
  readonly used: number;
  /** No fewer sheets can do: the area of the parts over that of the largest sheets. */
  readonly bound: number;
}

type Request = CutSheetsRequest;
type Part = Request['parts'][number];
const EPS = 1e-6;

const isRectangle = ({ outline }: Part): boolean => {
  const [x0, y0, x1, y1] = boxOf(outline);
  return (
    outline.length === 4 && Math.abs(area(outline) - (x1 - x0) * (y1 - y0)) < EPS * (x1 - x0) * (y1 - y0)
  );
};

/** Fewest sheets by area alone: the largest ones first, as many as there are. */
function areaBound({ sheets, parts }: Request): number {
  let left = parts.reduce((n, p) => n + area(p.outline) * p.count, 0);
  let n = 0;
  for (const s of [...sheets].sort((a, b) => b.width * b.height - a.width * a.height)) {
    const one = s.width * s.height - (s.keepOut ?? []).reduce((sum, k) => sum + area(k), 0);
    const take = Math.min(s.available ?? Infinity, Math.ceil(left / one - EPS));
    n += Math.max(0, take);
    left -= take * one;
    if (left <= EPS) break;
  }
  return n;
}

interface Piece {
  readonly part: Part;
  readonly area: number;
}

/** Rectangles on one sheet by the kept library; the rest stay for the next. */
function rectangles(
  sheet: Request['sheets'][number],
  left: readonly Piece[],
  gap: number,
): Map<Piece, Placement> {
  const packer = new MaxRectsPacker(sheet.width + gap + EPS, sheet.height + gap + EPS, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: left.every((p) => p.part.turn !== 'none'),
  });
  packer.addArray(
    left.map((piece) => {
      const [x0, y0, x1, y1] = boxOf(piece.part.outline);
      return {
        x: 0,
        y: 0,
        width: x1 - x0 + gap,
        height: y1 - y0 + gap,
        data: piece,
      };
    }) as never,
  );
  const placed = new Map<Piece, Placement>();
  for (const r of packer.bins[0]?.rects ?? []) {
    const { data: piece, rot } = r as unknown as { data: Piece; rot?: boolean };
    // What is larger than the sheet gets a bin of its own in the library: it is left for another sheet.
    if ((r as { oversized?: boolean }).oversized) continue;
    const turn = rot ? 90 : 0;
    const [x0, y0, x1, y1] = boxOf(lying(piece.part.outline, turn, false));
    if (r.x + x1 - x0 > sheet.width + 1e-3 || r.y + y1 - y0 > sheet.height + 1e-3) continue;
    placed.set(piece, { id: piece.part.id, x: r.x - x0, y: r.y - y0, turn, mirrored: false });
  }
  return placed;
}

/** Rectangles on sheets that are all of one kind; null where one goes on none. */
function onOneKind(
  sheet: Request['sheets'][number],
  pieces: readonly Piece[],
  gap: number,
  fewest: number,
): Placement[][] | null {
  const boxes = pieces.map(({ part }) => boxOf(part.outline));
  const laid = emptiestLast(
    [sheet.width, sheet.height],
    boxes.map(([x0, y0, x1, y1]) => [x1 - x0, y1 - y0]),
    { gap, turns: pieces.every((p) => p.part.turn !== 'none'), fewest },
  );
  return (
    laid &&
    laid.map((on) =>
      on.map(({ index, at, turned }) => {
        const { part } = pieces[index]!;
        const turn = turned ? 90 : 0;
        const [x0, y0] = boxOf(lying(part.outline, turn, false));
        return { id: part.id, x: at[0] - x0, y: at[1] - y0, turn, mirrored: false };
      }),
    )
  );
}

/** Each part by its box, so that a trimmer takes them all apart; what is kept out is cut off first. */
function trimmed(
  sheet: Request['sheets'][number],
  left: readonly Piece[],
  gap: number,
): Map<Piece, Placement> {
  const placed = new Map<Piece, Placement>();
  let rest = left;
  const clear = clearOf([0, 0, sheet.width, sheet.height], (sheet.keepOut ?? []).map(boxOf));
  const bySize = clear.sort((a, b) => (a[2] - a[0]) * (a[3] - a[1]) - (b[2] - b[0]) * (b[3] - b[1]));
  for (const [u, v, u1, v1] of bySize) {
    const on = layGuillotine(
      [u1 - u, v1 - v],
      rest.map(({ part }) => {
        const [x0, y0, x1, y1] = boxOf(part.outline);
        return { width: x1 - x0, height: y1 - y0, turns: part.turn !== 'none' };
      }),
      gap,
    );
    for (const [i, { at, turned }] of on) {
      const piece = rest[i]!;
      const turn = turned ? 90 : 0;
      const [x0, y0] = boxOf(lying(piece.part.outline, turn, false));
      placed.set(piece, {
        id: piece.part.id,
        x: u + at[0] - x0,
        y: v + at[1] - y0,
        turn,
        mirrored: false,
      });
    }
    rest = rest.filter((p) => !placed.has(p));
  }
  return placed;
}

const outlines = (
  sheet: Request['sheets'][number],
  left: readonly Piece[],
  gap: number,
  known: Map<Nestable, Masks>,
): Map<Piece, Placement> =>
  new Map(
    [
      ...nest(
        sheet,
        left.map((p) => p.part),
        gap,
        known,
      ),
    ].map(([i, lie]) => [left[i]!, { id: left[i]!.part.id, ...lie }]),
  );

/**
 * Parts laid on sheets, every one whole on its sheet, none over another or over what is kept out, at least `gap` apart.
 * Rectangles on plain sheets by a kept library, everything else by a raster search that never lets two touch; how few
 * sheets could do at all is said beside it. In a guillotine layout parts lie by their boxes, and every cut goes through.
 *
 * @throws PatternError naming the part that goes on no sheet, or the sheets where there are too few
 */
export function cutSheets(request: CutSheetsRequest): CutSheetsAnswer {
  const { sheets, gap } = request;
  let left: Piece[] = request.parts
    .flatMap((part) => Array.from({ length: part.count }, () => ({ part, area: area(part.outline) })))
    .sort((a, b) => b.area - a.area);
  // The library turns all or none.
  const turns = new Set(request.parts.map((p) => p.turn === 'none'));
  const plain =
    turns.size === 1 &&
    request.parts.every(isRectangle) &&
    sheets.every((s) => (s.keepOut ?? []).length === 0);
  const known = new Map<Nestable, Masks>();
  const there = sheets.map((s) => s.available ?? Infinity);
  const out: { sheet: number; placements: Placement[] }[] = [];
  const lay = (s: Request['sheets'][number]): Map<Piece, Placement> => {
    if (request.layout === 'guillotine') return trimmed(s, left, gap);
    return plain ? rectangles(s, left, gap) : outlines(s, left, gap, known);
  };
  const [only] = sheets;
  if (plain && request.layout !== 'guillotine' && sheets.length === 1) {
    const laid = onOneKind(only!, left, gap, areaBound(request));
    if (laid && laid.length <= there[0]!)
      return {
        sheets: laid.map((placements) => ({ sheet: 0, placements })),
        used: laid.length,
        bound: areaBound(request),
      };
  }
  while (left.length > 0) {
    // Of the sheets there are, the one that takes most of what is left, the smaller where two take as much.
    let best: { at: number; placed: Map<Piece, Placement>; area: number } | null = null;
    const order = sheets
      .map((s, at) => ({ s, at }))
      .filter(({ at }) => there[at]! > 0)
      .sort((a, b) => a.s.width * a.s.height - b.s.width * b.s.height);
    for (const { s, at } of order) {
      const placed = lay(s);
      const sum = [...placed.keys()].reduce((n, p) => n + p.area, 0);
      if (placed.size > 0 && (!best || sum > best.area + EPS)) best = { at, placed, area: sum };
      if (placed.size === left.length) break;
    }
    if (!best) {
      const [stuck] = left;
      if (order.length === 0)
        throw new PatternError(
          'sheets',
          `there are too few sheets: ${left.length} parts are left; expected more`,
        );
      throw new PatternError(
        `parts.${request.parts.indexOf(stuck!.part)}.outline`,
        `“${stuck!.part.id}” goes on no sheet that is left; expected a larger sheet or a smaller part`,
      );
    }
    const { placed } = best;
    there[best.at]!--;
    out.push({ sheet: best.at, placements: [...placed.values()] });
    left = left.filter((p) => !placed.has(p));
  }
  return { sheets: out, used: out.length, bound: areaBound(request) };
}
