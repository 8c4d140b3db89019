import { area, boxOf } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { inset, outlineDial, type OutlineDial } from '../outline/outline.ts';
import { PatternError } from '../patterns/kernel.ts';
import type { MeasuredThing } from './measure.ts';
import { simplified } from './ring.ts';

/** What is traced keeps this near to what was seen, mm: finer than any scissors. */
const WITHIN = 0.1;
const MOST_POINTS = 240;
/** Holes narrower than this are left out, mm: no blade goes round them. */
const LEAST_HOLE = 5;
const MOST_HOLES = 12;

const rounded = (v: number): number => Math.round(v * 100) / 100;

/** An outline of a thing, and how long it is. */
export interface Traced {
  readonly outline: OutlineDial;
  /** Its longer extent as it lay, mm: the size at which it is the thing's own. */
  readonly longest: number;
  /** Holes that were too small to cut. */
  readonly left: number;
}

/**
 * A thing of a photo as an outline of one's own, as it lay, its holes in it.
 *
 * @param around drawn so much larger all round, mm, so that the thing itself goes through; an opening has no holes
 * @throws PatternError where what was seen is no outline
 */
export function traced(thing: Pick<MeasuredThing, 'outline' | 'holes'>, name: string, around = 0): Traced {
  // On the sheet y goes up, on a drawing down.
  const down = (ring: readonly Vec2[]): Vec2[] => ring.map(([x, y]) => [x, -y]);
  const own = down(thing.outline);
  const edge = simplified(around === 0 ? own : inset(own, -around), WITHIN, MOST_POINTS);
  const cut = around === 0 ? thing.holes.filter((h) => h.short >= LEAST_HOLE) : [];
  const read = outlineDial.safeParse({
    kind: 'own',
    name: name.slice(0, 80),
    points: edge.map(([x, y]) => [rounded(x), rounded(y)]),
    ...(cut.length > 0
      ? {
          holes: [...cut]
            .sort((a, b) => area(b.outline) - area(a.outline))
            .slice(0, MOST_HOLES)
            .map((h) =>
              simplified(down(h.outline), WITHIN, MOST_POINTS).map(([x, y]) => [rounded(x), rounded(y)]),
            ),
        }
      : {}),
  });
  if (!read.success) throw new PatternError('outline', read.error.issues[0]!.message);
  const [x0, y0, x1, y1] = boxOf(edge);
  return {
    outline: read.data,
    longest: rounded(Math.max(x1 - x0, y1 - y0)),
    left: thing.holes.length - Math.min(cut.length, MOST_HOLES),
  };
}
