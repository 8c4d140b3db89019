import { boxOf } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';

/** A part to lay: its outline, and how it may lie. */
export interface Nestable {
  readonly outline: readonly Vec2[];
  /** Free, by right angles only, or not at all where grain or print has a direction. */
  readonly turn: 'any' | 'right' | 'none';
  readonly mirror?: boolean | undefined;
}

/** How an outline lies: mirrored (x to −x) where said, turned by degrees, then moved by x and y, mm. */
export interface Lie {
  readonly x: number;
  readonly y: number;
  readonly turn: number;
  readonly mirrored: boolean;
}

/** A sheet with what nothing may be cut over, mm. */
export interface NestingSheet {
  readonly width: number;
  readonly height: number;
  readonly keepOut?: readonly (readonly Vec2[])[] | undefined;
}

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

const TURNS: Record<Nestable['turn'], readonly number[]> = {
  none: [0],
  right: [0, 90, 180, 270],
  any: [0, 90, 180, 270, 45, 135, 225, 315],
};

/** The cells an outline covers or touches, as [row, first column, last column] from the corner of its box. */
interface Mask {
  readonly spans: readonly (readonly [number, number, number])[];
  readonly box: readonly [number, number, number, number];
}

/** Cells of an outline, `cell` mm wide: those its sides pass through and those inside, so two never overlap. */
function maskOf(outline: readonly Vec2[], cell: number): Mask {
  const box = boxOf(outline);
  const columns = Math.ceil((box[2] - box[0]) / cell - EPS);
  const rows = Math.ceil((box[3] - box[1]) / cell - EPS);
  const on = new Uint8Array(columns * rows);
  const fill = (row: number, from: number, to: number): void => {
    const [a, b] = [Math.max(0, Math.floor(from + EPS)), Math.min(columns, Math.ceil(to - EPS))];
    if (a < b) on.fill(1, row * columns + a, row * columns + b);
  };
  // In cells from the corner of its box.
  const points = outline.map(([x, y]): Vec2 => [(x - box[0]) / cell, (y - box[1]) / cell]);
  const sides = points.map((p, i) => [p, points[(i + 1) % points.length]!] as const);
  for (const [p, q] of sides) {
    const [[ax, ay], [bx, by]] = p[1] <= q[1] ? [p, q] : [q, p];
    for (let j = Math.max(0, Math.floor(ay + EPS)); j < Math.min(rows, Math.ceil(by - EPS)); j++) {
      const at = (y: number): number => ax + ((bx - ax) * (y - ay)) / (by - ay);
      const [u, v] = [at(Math.max(ay, j)), at(Math.min(by, j + 1))];
      fill(j, Math.min(u, v), Math.max(u, v));
    }
  }
  for (let j = 0; j < rows; j++) {
    const y = j + 0.5;
    const crossings = sides
      .filter(([[, ay], [, by]]) => ay <= y !== by <= y)
      .map(([[ax, ay], [bx, by]]) => ax + ((bx - ax) * (y - ay)) / (by - ay))
      .sort((m, n) => m - n);
    for (let k = 0; k + 1 < crossings.length; k += 2) fill(j, crossings[k]!, crossings[k + 1]!);
  }
  const spans: [number, number, number][] = [];
  for (let j = 0; j < rows; j++)
    for (let i = 0, from = -1; i <= columns; i++) {
      const covered = i < columns && on[j * columns + i] !== 0;
      if (covered && from < 0) from = i;
      if (!covered && from >= 0) {
        spans.push([j, from, i - 1]);
        from = -1;
      }
    }
  return { spans, box };
}

/** Cells of a sheet that are taken. Each row knows the last taken cell up to every column, so a span is asked at once. */
class Raster {
  private readonly columns: number;
  private readonly rows: number;
  private readonly taken: Uint8Array;
  private readonly last: Int32Array;
  constructor(width: number, height: number, cell: number) {
    this.columns = Math.ceil(width / cell - EPS);
    this.rows = Math.ceil(height / cell - EPS);
    this.taken = new Uint8Array(this.columns * this.rows);
    this.last = new Int32Array(this.columns * this.rows).fill(-1);
  }
  /** The first column from `from` to `most` in which all spans lie on free cells; −1 where there is none. */
  freeFrom(spans: Mask['spans'], row: number, from: number, most: number): number {
    let column = from;
    search: while (column <= most) {
      for (const [j, a, b] of spans) {
        // Cells beyond the far edges end where the sheet ends, not a cell later.
        if (row + j >= this.rows) continue;
        const at = this.last[(row + j) * this.columns + Math.min(column + b, this.columns - 1)]!;
        if (at >= column + a) {
          column = at - a + 1;
          continue search;
        }
      }
      return column;
    }
    return -1;
  }
  /** Takes cells, and those within `by` cells of them. */
  take(spans: Mask['spans'], column: number, row: number, by: number): void {
    const touched = new Set<number>();
    for (const [j, a, b] of spans)
      for (let dj = -by; dj <= by; dj++) {
        const r = row + j + dj;
        if (r < 0 || r >= this.rows) continue;
        touched.add(r);
        const [low, high] = [Math.max(0, column + a - by), Math.min(this.columns - 1, column + b + by)];
        if (low <= high) this.taken.fill(1, r * this.columns + low, r * this.columns + high + 1);
      }
    for (const r of touched)
      for (let c = 0, at = -1; c < this.columns; c++) {
        if (this.taken[r * this.columns + c] !== 0) at = c;
        this.last[r * this.columns + c] = at;
      }
  }
}

/** A search on one kind of sheet remembers what each outline covers, in each way it may lie. */
export type Masks = Map<string, Mask>;

/**
 * Any outlines on one sheet, `gap` apart, as they come (largest first is best): each as low and then as far left as it
 * goes, in the way that lies lowest. What finds no place is left out.
 *
 * @returns one lie for each part that found a place, by its index
 */
export function nest(
  sheet: NestingSheet,
  parts: readonly Nestable[],
  gap: number,
  known: Map<Nestable, Masks>,
): Map<number, Lie> {
  const cell = Math.max(0.5, Math.max(sheet.width, sheet.height) / 260);
  const raster = new Raster(sheet.width, sheet.height, cell);
  for (const k of sheet.keepOut ?? []) {
    const { spans, box } = maskOf(k, cell);
    raster.take(spans, Math.floor(box[0] / cell), Math.floor(box[1] / cell), 1);
  }
  const by = gap > 0 ? Math.ceil(gap / cell) : 0;
  const placed = new Map<number, Lie>();
  const failed = new Set<Nestable>();
  // Where the last of a kind lay lowest: the sheet only fills, so the next of it lies no lower.
  const lowest = new Map<Mask, number>();
  for (const [index, part] of parts.entries()) {
    if (failed.has(part)) continue;
    const masks = known.get(part) ?? new Map<string, Mask>();
    known.set(part, masks);
    let best: { low: number; lie: Lie; mask: Mask; column: number; row: number } | null = null;
    for (const mirrored of part.mirror ? [false, true] : [false])
      for (const turn of TURNS[part.turn]) {
        const key = `${turn} ${mirrored} ${cell}`;
        let mask = masks.get(key);
        if (!mask) masks.set(key, (mask = maskOf(lying(part.outline, turn, mirrored), cell)));
        const { spans, box } = mask;
        const [w, h] = [box[2] - box[0], box[3] - box[1]];
        if (w > sheet.width + EPS || h > sheet.height + EPS) continue;
        const columns = Math.floor((sheet.width - w) / cell + EPS);
        const rows = Math.floor((sheet.height - h) / cell + EPS);
        for (let row = lowest.get(mask) ?? 0; row <= rows; row++) {
          const low = row * cell + h;
          if (best && low >= best.low - EPS) break;
          const column = raster.freeFrom(spans, row, 0, columns);
          if (column < 0) {
            lowest.set(mask, row + 1);
            continue;
          }
          const lie = { x: column * cell - box[0], y: row * cell - box[1], turn, mirrored };
          best = { low, lie, mask, column, row };
          break;
        }
      }
    if (!best) {
      failed.add(part);
      continue;
    }
    raster.take(best.mask.spans, best.column, best.row, by);
    placed.set(index, best.lie);
  }
  return placed;
}
