/** A reading of a scale: when, s, and what it shows, N. */
export interface Reading {
  readonly at: number;
  readonly force: number;
}

/** Readings further apart than this are a connection that was lost, s: nothing is known in between. */
const LOST = 1;
/** Idle readings before a pull begins show what the scale rests at. */
const IDLE = 5;

/** What the scale shows with nothing on it: the middle of its first readings, N. Scales drift; each pull has its own. */
export function restsAt(readings: readonly Reading[]): number {
  const idle = readings
    .slice(0, IDLE)
    .map((r) => r.force)
    .sort((a, b) => a - b);
  return idle[Math.floor(idle.length / 2)] ?? 0;
}

/** Each reading as the middle of itself and its neighbours, so that one that jumps decides nothing. */
const calm = (readings: readonly Reading[], rest: number): Reading[] =>
  readings.map((r, i) => {
    const near = readings
      .slice(Math.max(0, i - 1), i + 2)
      .map((x) => x.force)
      .sort((a, b) => a - b);
    return { at: r.at, force: near[Math.floor(near.length / 2)]! - rest };
  });

/**
 * The greatest force that was held for so long without a gap, N, and for how long the asked force was held at a stretch, s.
 * A window that a lost connection breaks counts for nothing.
 *
 * @param hold s; 0 for the peak
 */
export function heldForce(
  readings: readonly Reading[],
  hold: number,
  asked = Infinity,
): { held: number; peak: number; heldFor: number } {
  const list = calm(readings, restsAt(readings));
  const peak = Math.max(0, ...list.map((r) => r.force));
  let held = hold === 0 ? peak : 0;
  let heldFor = 0;
  for (let i = 0; i < list.length; i++) {
    let least = Infinity;
    let since: number | null = null;
    for (let j = i; j < list.length; j++) {
      if (j > i && list[j]!.at - list[j - 1]!.at > LOST) break;
      least = Math.min(least, list[j]!.force);
      if (hold > 0 && list[j]!.at - list[i]!.at >= hold - 1e-9) {
        held = Math.max(held, least);
        since = list[j]!.at;
      }
      if (least >= asked) heldFor = Math.max(heldFor, list[j]!.at - list[i]!.at);
      // Longer windows from here only hold less, and shorter ones of it began later.
      if (since !== null && least < asked) break;
    }
  }
  return { held: Math.max(0, held), peak, heldFor };
}
