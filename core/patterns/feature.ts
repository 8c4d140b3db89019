import type { Shape } from '../geometry/shape.ts';
import type { Opening } from '../passage/opening.ts';

/** A fact that matters for safety. Facts only: the rules judge. Lengths in mm. */
export type Feature =
  | {
      readonly kind: 'piece';
      readonly name: string;
      readonly shape: Shape;
      readonly count: number;
      readonly ball: boolean;
    }
  | {
      readonly kind: 'opening';
      readonly where: string;
      readonly opening: Opening;
      readonly sheet: 'rigid' | 'soft';
    }
  | {
      readonly kind: 'cut edge';
      readonly where: string;
      readonly material: string;
      readonly covered: boolean;
    }
  | {
      /** Cord, lace, ribbon: what hangs free, and the length round a loop it can form by itself. */
      readonly kind: 'cord';
      readonly name: string;
      readonly free: number;
      readonly loop: number;
    }
  | {
      /** A thin upright thing that somebody can fall on. */
      readonly kind: 'post';
      readonly name: string;
      readonly diameter: number;
      readonly height: number;
      /** Something blunt is over its end. */
      readonly capped: boolean;
    }
  | { readonly kind: 'point'; readonly name: string; readonly guarded: boolean }
  | { readonly kind: 'spring'; readonly name: string }
  /** Sticks to the skin while it is used. */
  | { readonly kind: 'skin'; readonly name: string }
  | { readonly kind: 'hazard'; readonly name: string; readonly hazard: string }
  | { readonly kind: 'surface'; readonly name: string; readonly washable: boolean }
  /** Grown, not made: somebody must know which it is. */
  | { readonly kind: 'plant'; readonly name: string; readonly as: 'plant' | 'wood' }
  | { readonly kind: 'tool'; readonly name: string }
  | { readonly kind: 'give'; readonly name: string; readonly share: number };
