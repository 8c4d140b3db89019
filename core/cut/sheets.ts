import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { z } from 'zod';
import { length as size } from './lengths.ts';
import { area } from '../geometry/polygon.ts';
import { distanceTo } from '../geometry/distance.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { boxOf, outlinePoints } from '../outline/outline.ts';
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
});
export type CutSheetsRequest = z.infer<typeof cutSheetsRequest>;

/** Where a part lies: its outline mirrored (x to −x) where said, turned by `turn` degrees, then moved by x and y. mm */
export interface Placement {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly turn: number;
  readonly mirrored: boolean;
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

/** The part's outline as it lies, before it is moved. */
export function lying(outline: readonly Vec2[], turn: number, mirrored: boolean): Vec2[] {
  // Right angles exactly: a side that lay level still does.
  const exact = (x: number): number => (Math.abs(x - Math.round(x)) < 1e-12 ? Math.round(x) : x);
  const [c, s] = [exact(Math.cos((turn * Math.PI) / 180)), exact(Math.sin((turn * Math.PI) / 180))];
  return outline.map(([x, y]) => {
    const u = mirrored ? -x : x;
    return [c * u - s * y, s * u + c * y];
  });
}

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

const TURNS: Record<Part['turn'], readonly number[]> = {
  none: [0],
  right: [0, 90, 180, 270],
  any: [0, 90, 180, 270, 45, 135, 225, 315],
};

interface Piece {
  readonly part: Part;
  readonly area: number;
}

/** Rectangles on one sheet by the kept library; the rest stay for the next. */
function rectangles(
  sheet: Request['sheets'][number],
  left: readonly Piece[],
  gap: number,
): { placed: Map<Piece, Placement> } {
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
  return { placed };
}

/** Cells of a sheet that are taken, `cell` mm wide; an outline takes every cell it comes near. */
class Raster {
  readonly columns: number;
  readonly rows: number;
  readonly cell: number;
  private readonly taken: Uint8Array;
  constructor(width: number, height: number, cell: number) {
    this.cell = cell;
    this.columns = Math.ceil(width / cell - EPS);
    this.rows = Math.ceil(height / cell - EPS);
    this.taken = new Uint8Array(this.columns * this.rows);
  }
  /** Cells [column, row] that an outline covers or touches, from its own upper left. */
  static cells(
    outline: readonly Vec2[],
    cell: number,
  ): { cells: [number, number][]; box: [number, number, number, number] } {
    const box = boxOf(outline);
    const [x0, y0, x1, y1] = box;
    const far = distanceTo(outline);
    const out: [number, number][] = [];
    const reach = (cell * Math.SQRT2) / 2;
    for (let j = 0; j * cell < y1 - y0 - EPS; j++)
      for (let i = 0; i * cell < x1 - x0 - EPS; i++)
        if (far(x0 + (i + 0.5) * cell, y0 + (j + 0.5) * cell) > -reach + EPS) out.push([i, j]);
    return { cells: out, box };
  }
  free(cells: readonly [number, number][], column: number, row: number): boolean {
    for (const [i, j] of cells) {
      const [c, r] = [column + i, row + j];
      if (c < this.columns && r < this.rows && this.taken[r * this.columns + c] !== 0) return false;
    }
    return true;
  }
  /** Takes cells, and those within `by` cells of them. */
  take(cells: readonly [number, number][], column: number, row: number, by: number): void {
    for (const [i, j] of cells)
      for (let dj = -by; dj <= by; dj++)
        for (let di = -by; di <= by; di++) {
          const [c, r] = [column + i + di, row + j + dj];
          if (c >= 0 && r >= 0 && c < this.columns && r < this.rows) this.taken[r * this.columns + c] = 1;
        }
  }
}

/** Any outlines on one sheet: largest first, each as low and then as far left as it goes, in the way that lies lowest. */
function outlines(
  sheet: Request['sheets'][number],
  left: readonly Piece[],
  gap: number,
  masks: (part: Part, turn: number, mirrored: boolean, cell: number) => ReturnType<typeof Raster.cells>,
): { placed: Map<Piece, Placement> } {
  const cell = Math.max(0.5, Math.max(sheet.width, sheet.height) / 260);
  const raster = new Raster(sheet.width, sheet.height, cell);
  for (const k of sheet.keepOut ?? []) {
    const { cells, box } = Raster.cells(k, cell);
    raster.take(cells, Math.floor(box[0] / cell), Math.floor(box[1] / cell), 1);
  }
  const by = gap > 0 ? Math.ceil(gap / cell) : 0;
  const placed = new Map<Piece, Placement>();
  const failed = new Set<string>();
  for (const piece of left) {
    const { part } = piece;
    // What did not go in once does not go in later: the sheet only fills.
    if (failed.has(part.id)) continue;
    let best: { low: number; put: Placement; cells: [number, number][]; column: number; row: number } | null =
      null;
    for (const mirrored of part.mirror ? [false, true] : [false])
      for (const turn of TURNS[part.turn]) {
        const { cells, box } = masks(part, turn, mirrored, cell);
        const [w, h] = [box[2] - box[0], box[3] - box[1]];
        if (w > sheet.width + EPS || h > sheet.height + EPS) continue;
        // Cells at the far edges end where the sheet ends, not a cell later.
        const columns = Math.floor((sheet.width - w) / cell + EPS);
        const rows = Math.floor((sheet.height - h) / cell + EPS);
        search: for (let row = 0; row <= rows; row++) {
          const low = row * cell + h;
          if (best && low >= best.low - EPS) break;
          for (let column = 0; column <= columns; column++)
            if (raster.free(cells, column, row)) {
              best = {
                low,
                cells,
                column,
                row,
                put: { id: part.id, x: column * cell - box[0], y: row * cell - box[1], turn, mirrored },
              };
              break search;
            }
        }
      }
    if (!best) {
      failed.add(part.id);
      continue;
    }
    raster.take(best.cells, best.column, best.row, by);
    placed.set(piece, best.put);
  }
  return { placed };
}

/**
 * Parts laid on sheets, every one whole on its sheet, none over another or over what is kept out, at least `gap` apart.
 * Rectangles on plain sheets by a kept library, everything else by a raster search that never lets two touch; how few
 * sheets could do at all is said beside it.
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
  const known = new Map<string, ReturnType<typeof Raster.cells>>();
  const masks = (
    part: Part,
    turn: number,
    mirrored: boolean,
    cell: number,
  ): ReturnType<typeof Raster.cells> => {
    const key = `${part.id} ${turn} ${mirrored} ${cell}`;
    let found = known.get(key);
    if (!found) known.set(key, (found = Raster.cells(lying(part.outline, turn, mirrored), cell)));
    return found;
  };
  const there = sheets.map((s) => s.available ?? Infinity);
  const out: { sheet: number; placements: Placement[] }[] = [];
  while (left.length > 0) {
    // Of the sheets there are, the one that takes most of what is left, the smaller where two take as much.
    let best: { at: number; placed: Map<Piece, Placement>; area: number } | null = null;
    const order = sheets
      .map((s, at) => ({ s, at }))
      .filter(({ at }) => there[at]! > 0)
      .sort((a, b) => a.s.width * a.s.height - b.s.width * b.s.height);
    for (const { s, at } of order) {
      const { placed } = plain ? rectangles(s, left, gap) : outlines(s, left, gap, masks);
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
