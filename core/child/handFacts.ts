import type { Move } from '../challenge/bits.ts';
import { extentsOf } from '../materials/material.ts';
import type { Fact, Feature, Fit } from '../patterns/kernel.ts';
import type { Hand } from './hand.ts';

/**
 * What a design asks of a hand beside what the hand can do: how wide it must open, how far it must reach, how hard it must
 * press. Only what was measured is judged.
 *
 * @param moves of the design, distances in mm
 */
export function handFacts(
  h: Hand,
  design: {
    readonly features: readonly Feature[];
    readonly moves: readonly Move[];
    readonly fit: Pick<Fit, 'facts'> | null;
  },
): Fact[] {
  const facts: Fact[] = [];
  const grips = design.features.flatMap((f) => (f.kind === 'piece' ? [extentsOf(f.shape)[2]] : []));
  if (grips.length > 0 && (h.opening !== undefined || h.span !== undefined)) {
    const widest = Math.max(...grips);
    const byFingers = h.opening === undefined || widest <= h.opening;
    const byHand = h.span === undefined || widest <= h.span;
    facts.push({
      id: 'handGrip',
      label: byFingers
        ? 'Taken between the fingers'
        : byHand
          ? 'Taken with the whole hand'
          : 'Wider than the hand',
      value: Math.round(10 * widest) / 10,
      unit: 'mm',
      verdict: byFingers ? 'clear' : byHand ? 'care' : 'stop',
    });
  }
  const far = Math.max(0, ...design.moves.map((m) => m.distance));
  if (h.reach !== undefined && far > 0)
    facts.push({
      id: 'handReach',
      label: far <= h.reach ? 'Within reach' : 'Out of reach, sitting',
      value: Math.round(far),
      unit: 'mm',
      verdict: far <= h.reach ? 'clear' : 'care',
    });
  const forces =
    design.fit?.facts.filter((f) => f.byHand && f.unit === 'N' && typeof f.value === 'number') ?? [];
  if (h.force !== undefined && forces.length > 0) {
    const most = Math.max(...forces.map((f) => Number(f.value)));
    facts.push({
      id: 'handForce',
      label: most <= h.force ? 'Not too stiff' : 'Stiffer than the pinch',
      value: Math.round(10 * most) / 10,
      unit: 'N',
      verdict: most <= h.force ? 'clear' : 'care',
    });
  }
  return facts;
}
