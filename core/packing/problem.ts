import { z } from 'zod';
import { name, unique } from '../measure/lines.ts';
import { SMALLEST_SIZE } from '../geometry/shapeInput.ts';

const mm = z
  .number({ error: 'expected mm' })
  .positive({ error: 'must be more than 0 mm', abort: true })
  .min(SMALLEST_SIZE, `must be at least ${SMALLEST_SIZE.toFixed(6)} mm`)
  .max(10_000, 'must be at most 10,000 mm');
const sizes = { length: mm, width: mm, height: mm };

/** A box to pack into, inside measures, and the boxes that should go in; all mm. */
export const packingRequest = z.strictObject({
  container: z.strictObject(sizes),
  items: z
    .array(
      z.strictObject({
        id: name,
        ...sizes,
        count: z
          .number({ error: 'expected a count' })
          .int('expected a whole number')
          .min(1, 'must be at least 1')
          .max(200, 'must be at most 200')
          .optional(),
        /** Its height must stay upright. */
        upright: z.boolean({ error: 'expected true or false' }).optional(),
      }),
    )
    .min(1, 'expected at least one box')
    .max(100, 'may have at most 100 kinds of boxes')
    .superRefine(unique((item) => item.id, 'id'))
    .refine((list) => list.reduce((n, i) => n + (i.count ?? 1), 0) <= 200, 'may be at most 200 boxes in all'),
});
export type PackingRequest = z.infer<typeof packingRequest>;

export interface Placement {
  readonly id: string;
  /** Nearest lower corner from the container's, and the extents as it lies, mm. */
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly length: number;
  readonly width: number;
  readonly height: number;
}
export interface PackingAnswer {
  /** true with a packing, false with a proof, null when time ran out. */
  readonly fits: boolean | null;
  readonly placements: Placement[];
  readonly reason: string;
}

export type Triple = readonly [number, number, number];
/** Slack for sums of decimal sizes, mm; far below what a ruler shows. */
export const EPS = 1e-6;

/** One box of the problem with the ways it may lie. */
export interface Box {
  readonly id: string;
  readonly kind: number;
  readonly ways: readonly Triple[];
  readonly volume: number;
}

/** Boxes with their ways of lying that go in at all, the largest first. */
export function boxesOf(request: PackingRequest): Box[] {
  const room: Triple = [request.container.length, request.container.width, request.container.height];
  const boxes = request.items.flatMap((item, kind) => {
    const { length: l, width: w, height: h } = item;
    const turns: Triple[] = item.upright
      ? [
          [l, w, h],
          [w, l, h],
        ]
      : [
          [l, w, h],
          [w, l, h],
          [l, h, w],
          [h, l, w],
          [w, h, l],
          [h, w, l],
        ];
    const ways = turns.filter(
      (t, i) =>
        t.every((x, k) => x <= room[k]! + EPS) &&
        turns.findIndex((u) => u.every((x, k) => Math.abs(x - t[k]!) < EPS)) === i,
    );
    const box: Box = { id: item.id, kind, ways, volume: l * w * h };
    return Array.from({ length: item.count ?? 1 }, () => box);
  });
  return boxes.sort((a, b) => b.volume - a.volume || a.kind - b.kind);
}
