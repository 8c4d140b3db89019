import type { Vec2 } from '../geometry/vector.ts';

/**
 * What a mark stands for; the drawing decides how that looks on the mat, on a printed template and in a small picture.
 * `body` is a part that is made, in its material's colour; `shade` is drawn on it; `thread` is a cord with its width;
 * `guide` helps the eye. `cut`, `fold`, `punch`, `slit` and `draw` are what a hand does along a line of a template.
 */
export type MarkRole =
  | 'body'
  | 'shade'
  | 'guide'
  | 'opening'
  | 'piece'
  | 'piece-detail'
  | 'piece-in'
  | 'container'
  | 'thread'
  | 'cut'
  | 'fold'
  | 'punch'
  | 'slit'
  | 'draw';

/** The lines of a template, told apart by how they are drawn, and what each asks the hand to do. */
export const LINES = {
  cut: 'cut',
  fold: 'fold',
  punch: 'punch a hole',
  slit: 'slit, cut through once',
  draw: 'draw, do not cut',
} as const;
export type LineRole = keyof typeof LINES;

/** When a mark comes to be, where the thing is drawn as it is made; ids of the pattern's steps. */
interface Making {
  /** It is there from this step on; where the design has no such step, from `pencil` on or from the beginning. */
  readonly step?: string;
  /** It is a pencil line from this earlier step on. */
  readonly pencil?: string;
  /** It is what the hand does now. */
  readonly now?: boolean;
}

/** A drawn thing, mm, x right and y down, as on paper. */
export type Mark = Figure & Making;

type Figure =
  | {
      readonly kind: 'circle';
      readonly role: MarkRole;
      readonly at: Vec2;
      readonly radius: number;
      readonly colour?: string | undefined;
    }
  | {
      readonly kind: 'outline';
      readonly role: MarkRole;
      readonly points: readonly Vec2[];
      readonly corner?: number;
      readonly colour?: string | undefined;
    }
  | {
      /** An open line, `width` mm thick where the thing itself has a thickness. */
      readonly kind: 'line';
      readonly role: MarkRole;
      readonly points: readonly Vec2[];
      readonly width?: number;
      readonly colour?: string | undefined;
    }
  | {
      readonly kind: 'dimension';
      readonly from: Vec2;
      readonly to: Vec2;
      readonly side: Vec2;
      readonly value: number;
      readonly label?: string;
    }
  | {
      readonly kind: 'words';
      readonly at: Vec2;
      readonly text: string;
      /** Height of the letters, mm, for words that are part of the thing; the drawing's own size otherwise. */
      readonly size?: number;
      /** On a part that is made, rather than on the mat. */
      readonly on?: 'body';
    };

/** A drawing with its extents, mm, origin at its upper left. */
export interface Scene {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
}
