/** A step as it was done once: minutes as usual for so many kits, and as it took. */
export interface Timed {
  readonly usual: number;
  readonly minutes: number;
}

/** By how much a place's own minutes differ from the usual, with the interval that 19 of 20 such intervals would be right in. */
export interface OwnMinutes {
  readonly factor: number;
  readonly low: number;
  readonly high: number;
  readonly times: number;
}

/** A place's own minutes by pattern and step with a blank between, as in `lace punch`. */
export type OwnTimes = Readonly<Record<string, OwnMinutes>>;

/** How far places differ by themselves, and one time from the next, as logarithms (assumed: by a quarter to a third). */
const BETWEEN = 0.3;
const WITHIN = 0.3;

/**
 * The place's own minutes of a step over the usual: a normal mean of logarithms with a normal prior about the usual, so that
 * one slow afternoon does not double every plan and twenty do.
 */
export function ownMinutes(list: readonly Timed[]): OwnMinutes | null {
  const logs = list.filter((t) => t.usual > 0 && t.minutes > 0).map((t) => Math.log(t.minutes / t.usual));
  if (logs.length === 0) return null;
  const precision = 1 / BETWEEN ** 2 + logs.length / WITHIN ** 2;
  const mean = logs.reduce((a, b) => a + b, 0) / WITHIN ** 2 / precision;
  const reach = 1.96 / Math.sqrt(precision);
  return {
    factor: Math.exp(mean),
    low: Math.exp(mean - reach),
    high: Math.exp(mean + reach),
    times: logs.length,
  };
}
