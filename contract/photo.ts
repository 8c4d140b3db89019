import { z } from 'zod';
import { outlineDial } from '../core/outline/outline.ts';
import { SHEET_PAPER_NAMES } from '../core/photo/sheet.ts';
import type { PhotoCount } from '../core/photo/count.ts';
import type { MeasuredHand, MeasuredPhoto } from '../core/photo/measure.ts';

export const sheetQuery = z.strictObject({
  paper: z
    .enum(SHEET_PAPER_NAMES, { error: `expected one of ${SHEET_PAPER_NAMES.join(', ')}` })
    .default('A4'),
});

/** How tall what lies there may be, mm. */
const MOST_HEIGHT = 150;
const bar = z.coerce
  .number({ error: 'expected the length of the printed bar in mm' })
  .min(80, 'must be at least 80 mm; the bar is 100 mm long at full size')
  .max(120, 'must be at most 120 mm; the bar is 100 mm long at full size')
  .optional();
/** How a photo is measured: one height of everything, or each as the kind on the shelf that it is most like. */
export const measureQuery = z
  .strictObject({
    height: z.coerce
      .number({ error: 'expected a height in mm' })
      .min(0, 'must not be negative')
      .max(MOST_HEIGHT, `must be at most ${MOST_HEIGHT} mm`)
      .optional(),
    heights: z.literal('auto', { error: 'expected auto' }).optional(),
    bar,
  })
  .refine((q) => q.height === undefined || q.heights === undefined, {
    path: ['heights'],
    message: 'expected either height or heights, not both',
  });
export const handQuery = z.strictObject({ bar });
export const countQuery = z.strictObject({
  kit: z.coerce
    .number({ error: 'expected the number of a kit' })
    .int('expected the number of a kit')
    .positive(),
  bar,
});

/** An outline to be printed at its size, to draw round or to cut out. */
export const stencilInput = z.strictObject({
  outline: outlineDial,
  longest: z
    .number({ error: 'expected mm' })
    .min(10, 'must be at least 10 mm')
    .max(1000, 'must be at most 1,000 mm'),
  /** Left out: the place’s own. */
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
});
export type StencilInput = z.infer<typeof stencilInput>;

/** What a photo told; `warnings` are in words. */
export interface PhotoAnswer extends Omit<MeasuredPhoto, 'warnings'> {
  readonly warnings: readonly string[];
  /** Which thing each warning is about; null for the photo as a whole. */
  readonly about: readonly (number | null)[];
  /** Of the photo as it was measured, pixels. */
  readonly photo: { readonly width: number; readonly height: number };
}

/** A hand on the sheet, mm. */
export interface HandAnswer extends MeasuredHand {
  /** Of the photo as it was measured, pixels. */
  readonly photo: { readonly width: number; readonly height: number };
}

/** A kit counted by a photo: what the photo told besides, to be looked at. */
export interface PhotoCountAnswer extends PhotoCount {
  readonly kit: string;
  /** Parts that have no size of their own, as what is cut: they are counted by hand. */
  readonly byHand: readonly { readonly name: string; readonly of: number }[];
  readonly measured: PhotoAnswer;
}
