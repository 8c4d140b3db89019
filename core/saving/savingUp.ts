import { addDays, type Day } from '../calendar/days.ts';
import type { Material } from '../materials/material.ts';
import type { Need } from '../patterns/kernel.ts';
import { takes } from '../needs/supply.ts';
import { fan, forecast, weekly, type Forecast } from './forecast.ts';

/** What came at one time, as far as a forecast looks at it. */
export interface Arrival {
  readonly materialId: number;
  readonly came: number;
  readonly cameOn: Day;
  readonly state: string;
  /** What was seen when it was looked over; null for what was only counted. */
  readonly look: unknown;
}

export interface Saving<M extends Material = Material> {
  readonly material: M;
  /** For all the copies; free now; still wanted. */
  readonly wanted: number;
  readonly free: number;
  readonly short: number;
  readonly from: Day;
  readonly counts: readonly number[];
  readonly forecast: Forecast | null;
  readonly days: { readonly low: Day | null; readonly middle: Day | null; readonly high: Day | null };
}

/** For each material that copies of a design need: what is free, what is short, and when arrivals will have brought it. */
export function savingUp<M extends Material>(options: {
  needs: readonly Need[];
  copies: number;
  free: ReadonlyMap<number, number>;
  materials: readonly M[];
  lots: readonly Arrival[];
  today: Day;
}): Saving<M>[] {
  return [...takes(options.needs, options.copies)].flatMap(([id, wanted]) => {
    const material = options.materials.find((m) => m.id === id);
    if (!material) return [];
    const free = options.free.get(id) ?? 0;
    const short = Math.max(0, wanted - free);
    // What came at the start, counted in one go, is no arrival of a week; neither is what was refused.
    const arrivals = options.lots
      .filter((l) => l.materialId === id && l.state !== 'never' && l.look !== null)
      .map((l) => ({ day: l.cameOn, quantity: l.came }));
    const { from, counts } = weekly(arrivals, options.today);
    const seen = short > 0 ? forecast(counts, short) : null;
    const day = (weeks: number | null | undefined): Day | null =>
      weeks == null ? null : addDays(options.today, 7 * weeks);
    return [
      {
        material,
        wanted,
        free,
        short,
        from,
        counts,
        forecast: seen,
        days: { low: day(seen?.weeks.low), middle: day(seen?.weeks.middle), high: day(seen?.weeks.high) },
      },
    ];
  });
}

/** The lines of the chart: what came week by week, and the band of what will have. */
export function savingChart(s: Saving, today: Day) {
  const weeks = s.counts.length;
  const ahead = Math.min(40, Math.max(8, (s.forecast?.weeks.high ?? 20) + 2));
  const band = s.forecast ? fan(s.counts, ahead) : [];
  const on = (w: number): Day => addDays(today, 7 * w);
  return {
    past: { x: s.counts.map((_, i) => addDays(s.from, 7 * i)), y: [...s.counts] },
    x: band.map((_, w) => on(w)),
    low: band.map((b) => s.free + b.low),
    middle: band.map((b) => s.free + b.middle),
    high: band.map((b) => s.free + b.high),
    from: weeks > 0 ? s.from : today,
    until: on(band.length > 0 ? ahead : 4),
  };
}
