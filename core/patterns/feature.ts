import type { Shape } from '../geometry/shape.ts';
import type { Opening } from '../passage/opening.ts';

export type Held = 'glued' | 'taped' | 'tied' | 'stapled' | 'laced' | 'screwed' | 'pressed on' | 'stuck on';

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
      /** Of the sheet it is in, mm; one that nobody measured counts as thin. */
      readonly thick?: number | undefined;
    }
  /** A gap that opens and closes while it is used: jaws, a hinge. From its least to its most. */
  | { readonly kind: 'moving gap'; readonly where: string; readonly from: number; readonly to: number }
  | {
      /** Fixed to something that a child holds; it is loose as soon as what holds it gives way. */
      readonly kind: 'attached';
      readonly name: string;
      readonly shape: Shape;
      readonly count: number;
      readonly held: Held;
    }
  | {
      /** Closed in; loose as soon as the seal opens. */
      readonly kind: 'filler';
      readonly name: string;
      readonly shape: Shape;
      readonly count: number;
      readonly ball: boolean;
      readonly seal: string;
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
      /** Knots that hold it, and how far its ends hang over them. */
      readonly knots?: number;
      readonly tails?: number;
      /** Something hangs at its end, or two of it lie side by side: what can tangle to a noose. */
      readonly carries?: boolean;
    }
  | {
      /** What a kit is carried in, where it is soft: the way round its mouth, its film (unknown of cloth), its string. */
      readonly kind: 'bag';
      readonly name: string;
      readonly mouth: number;
      readonly film: number | null;
      /** Cloth and mesh let air through. */
      readonly airy: boolean;
      readonly drawstring: number;
    }
  /** Round and hollow on one side, so that it can lie over a face. */
  | { readonly kind: 'hollow'; readonly name: string; readonly mouth: number; readonly depth: number }
  | {
      /** A thin upright thing that somebody can fall on. */
      readonly kind: 'post';
      readonly name: string;
      readonly diameter: number;
      readonly height: number;
      /** A step puts something blunt over its end. */
      readonly capped: boolean;
      /** Thick enough to be blunt by itself. */
      readonly blunt?: boolean;
    }
  | {
      readonly kind: 'point';
      readonly name: string;
      /** What a step of the making does to it; null where none does anything. */
      readonly guarded: 'turned over' | 'sanded' | null;
      /** Thin enough to hurt an eye, else blunt by itself. */
      readonly thin: boolean;
    }
  | { readonly kind: 'staple'; readonly where: string; readonly count: number; readonly covered: boolean }
  | { readonly kind: 'spring'; readonly name: string }
  /** g. */
  | { readonly kind: 'heavy'; readonly name: string; readonly mass: number }
  | { readonly kind: 'fixing'; readonly name: string; readonly to: 'wall' | 'floor' | 'table' | 'body' }
  /** What its making leaves on the table. */
  | { readonly kind: 'remnant'; readonly name: string; readonly count: number }
  /** Sticks to the skin while it is used. */
  | { readonly kind: 'skin'; readonly name: string }
  | {
      readonly kind: 'hazard';
      readonly name: string;
      readonly hazard: string;
      /** Of a magnet: its flux index, kG² mm², where it was measured. */
      readonly flux?: number | undefined;
      /** Of what holds a battery: how its door opens, where that was tried. */
      readonly door?: 'screwed' | 'two moves' | 'by hand' | undefined;
    }
  /** Carried by a material that is in it. */
  | { readonly kind: 'allergen'; readonly name: string; readonly of: readonly string[] }
  /** A name a letter away from something that hurts: somebody has to say which it is. */
  | { readonly kind: 'likeness'; readonly name: string; readonly like: string; readonly hazard: string }
  | { readonly kind: 'glass'; readonly name: string; readonly cut: boolean }
  /** Loses fibres or pile when it is chewed or pulled at. */
  | { readonly kind: 'sheds'; readonly name: string }
  /** Salt that can be eaten, g in one kit. */
  | { readonly kind: 'salt'; readonly name: string; readonly grams: number }
  /**
   * A line of the bill, a part that is cut, a remnant or the package: how it reaches a child, or why it reaches nobody.
   * null where nobody has said, which is a finding of its own.
   */
  | { readonly kind: 'line'; readonly name: string; readonly how: string | null }
  | { readonly kind: 'surface'; readonly name: string; readonly washable: boolean }
  /** Grown, not made: somebody must know which it is. */
  | { readonly kind: 'plant'; readonly name: string; readonly as: 'plant' | 'wood' | 'food' }
  | { readonly kind: 'tool'; readonly name: string }
  | { readonly kind: 'give'; readonly name: string; readonly share: number };
