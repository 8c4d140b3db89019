import type { Shape } from '../geometry/shape.ts';
import type { Material } from '../materials/material.ts';
import type { Held } from './feature.ts';

/**
 * How a line of the bill, or a part that is cut, reaches a child. Most follow from what the line is for; a pattern says
 * where something is held, covered, closed in or used up. Lengths in mm.
 */
export type Reach =
  /** Moved, or found loose. A part that is cut, or a thing that is made of it, has its own shape and name. */
  | {
      readonly as: 'loose';
      readonly shape?: Shape;
      readonly name?: string;
      readonly count?: number;
      readonly film?: boolean;
    }
  /** A body that stands there: loose too, and gauged where it could go in a mouth. */
  | { readonly as: 'body'; readonly closed?: boolean; readonly film?: boolean }
  /** Fixed to something, and loose as soon as what holds it gives way. */
  | {
      readonly as: 'fixed';
      readonly held: Held;
      readonly shape?: Shape;
      readonly name?: string;
      readonly count?: number;
    }
  /** Behind a seal, and loose as soon as that opens. */
  | { readonly as: 'closed in'; readonly seal: string }
  | {
      readonly as: 'cord';
      readonly name?: string;
      readonly free: number;
      readonly loop?: number;
      readonly knots?: number;
      readonly carries?: boolean;
    }
  /** Eaten, kneaded or drawn in: what is in it counts, not its shape. */
  | { readonly as: 'food' }
  /** The features that the pattern tells by itself speak of it. */
  | { readonly as: 'told'; readonly how: string }
  /** Used up, or with the adult: it reaches nobody, for this reason. */
  | { readonly as: 'nobody'; readonly why: string };

type OfMaterial = (m: Material, quantity: number) => Reach;
/** By role, or by the id of a cut: its own before its role's. */
export type Reaches = Readonly<Record<string, Reach | OfMaterial | undefined>>;
