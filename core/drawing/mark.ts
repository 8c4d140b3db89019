import type { Vec2 } from '../geometry/vector.ts';

/** What a mark stands for; the drawing decides how that looks on the mat, the printed template and a small picture. */
export type MarkRole =
  'lid' | 'rim' | 'opening' | 'cut' | 'piece' | 'piece-detail' | 'piece-in' | 'container' | 'fold';

/** A drawn thing, mm, x right and y down, as on paper. */
export type Mark =
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
      readonly kind: 'dimension';
      readonly from: Vec2;
      readonly to: Vec2;
      readonly side: Vec2;
      readonly value: number;
      readonly label?: string;
    }
  | { readonly kind: 'words'; readonly at: Vec2; readonly text: string; readonly small?: string };
