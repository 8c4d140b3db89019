import type { Shape } from '../geometry/shape.ts';
import type { Feature } from '../patterns/feature.ts';
import type { Opening } from '../passage/opening.ts';

/** What is held to a gauge other than the cylinder; lengths in mm. */
export type HandGauge = {
  /** The rule whose limit the gauge shows, and what it is held to: together they name a finding. */
  readonly rule: 'finger' | 'small-ball' | 'loop' | 'cord';
  readonly where: string;
} & (
  | { readonly gauge: 'fingers'; readonly opening: Opening }
  | { readonly gauge: 'ring'; readonly shape: Shape }
  | { readonly gauge: 'head'; readonly round: number }
  | { readonly gauge: 'length'; readonly length: number }
);

/** The gauges that a design's features are held to: rods for openings, a ring for balls, a head for loops, a rule for cords. */
export function handGauges(features: readonly Feature[]): HandGauge[] {
  return features.flatMap((f): HandGauge[] => {
    switch (f.kind) {
      case 'opening':
        return f.sheet === 'rigid'
          ? [{ rule: 'finger', where: f.where, gauge: 'fingers', opening: f.opening }]
          : [];
      case 'piece':
      case 'filler':
        return f.ball ? [{ rule: 'small-ball', where: f.name, gauge: 'ring', shape: f.shape }] : [];
      case 'cord':
        return [
          { rule: 'cord', where: f.name, gauge: 'length', length: f.free },
          ...(f.loop > 0 ? [{ rule: 'loop', where: f.name, gauge: 'head', round: f.loop } as const] : []),
        ];
      default:
        return [];
    }
  });
}
