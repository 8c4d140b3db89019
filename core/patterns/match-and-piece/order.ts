import { massOfOne } from '../../catalogue/entry.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';

/** In what things of an order differ. */
export const MEASURES = ['length', 'width', 'thickness', 'mass'] as const;
export type Measure = (typeof MEASURES)[number];

/** Each of an order is at least so many times the next (common practice: what a young eye and hand tell apart). */
export const LEAST_RATIO = 1.25;

/** A thing in one measure: its extents from the longest down in mm, or its mass in g; null where it is not known. */
function measured(m: Material, by: Measure): number | null {
  if (by === 'mass') return massOfOne(m);
  const shape = shapeOf(m);
  return shape ? extentsOf(shape)[(['length', 'width', 'thickness'] as const).indexOf(by)]! : null;
}

export interface Order {
  /** From the least to the most. */
  readonly things: readonly Material[];
  readonly values: readonly number[];
  /** Least ratio of one to the next. */
  readonly ratio: number;
  /** Most by which the other measures differ, as a ratio: 1 where the things are otherwise alike. */
  readonly otherwise: number;
}

/** How far things differ in what they are not graded by. */
function otherwiseOf(things: readonly Material[], by: Measure): number {
  // A round thing is as long as it is wide: what grows together is one measure.
  const others = (['length', 'width', 'thickness'] as const).filter((o) => o !== by && by !== 'mass');
  const spread = (o: Measure): number => {
    const values = things.map((m) => measured(m, o)!);
    return Math.max(...values) / Math.min(...values);
  };
  const round = things.every((m) => measured(m, 'length') === measured(m, 'width'));
  const counted = round && by !== 'thickness' ? others.filter((o) => o === 'thickness') : others;
  return Math.max(1, ...counted.map(spread));
}

/**
 * The best so many things to put in order by one measure: of one form, each as many times the next as can be, and among
 * equally good ones those that are most alike otherwise. null where there are too few of one form.
 */
export function bestOrder(items: readonly Material[], by: Measure, count: number): Order | null {
  let best: Order | null = null;
  const forms = new Set(items.map((m) => `${m.form} ${m.solid ?? ''}`));
  for (const form of forms) {
    const own = items
      .filter((m) => `${m.form} ${m.solid ?? ''}` === form)
      .flatMap((m) => {
        const value = measured(m, by);
        return value === null ? [] : [{ m, value }];
      })
      .sort((a, b) => a.value - b.value);
    const choose = (from: number, taken: typeof own): void => {
      if (taken.length === count) {
        const ratio = Math.min(...taken.slice(1).map((t, i) => t.value / taken[i]!.value));
        const things = taken.map((t) => t.m);
        const otherwise = otherwiseOf(things, by);
        // Past what is told apart at a glance, being alike otherwise matters more.
        const [a, b] = [Math.min(ratio, 2), best ? Math.min(best.ratio, 2) : 0];
        if (!best || a > b + 1e-9 || (Math.abs(a - b) < 1e-9 && otherwise < best.otherwise))
          best = { things, values: taken.map((t) => t.value), ratio, otherwise };
        return;
      }
      for (let i = from; i <= own.length - (count - taken.length); i++) choose(i + 1, [...taken, own[i]!]);
    };
    choose(0, []);
  }
  return best;
}
