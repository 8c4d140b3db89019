import { z } from 'zod';
import { PAPERS, type Paper } from './paper.ts';

const count = (what: string, most: number) =>
  z.coerce
    .number({ error: `expected a number of ${what}` })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(most, `must be at most ${most}`);
const margin = z.coerce
  .number({ error: 'expected mm' })
  .min(0, 'must not be negative')
  .max(60, 'must be at most 60 mm');

/** A sheet of labels as it lies in the printer; what is left out is a sheet of three by eight without margins. */
export const labelSheet = z.object({
  columns: count('columns', 8).optional(),
  rows: count('rows', 20).optional(),
  /** From the edges of the sheet to the first label, mm; the same is kept on the other side. */
  left: margin.optional(),
  top: margin.optional(),
  /** The first label that is still on the sheet, counted along the rows. */
  start: count('labels', 160).optional(),
});
export type LabelSheet = z.infer<typeof labelSheet>;

export interface LabelPlace {
  /** Sheet, from 0, and the label's box on it, mm. */
  readonly sheet: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where so many labels lie, sheet by sheet. */
export function labelPlaces(many: number, paper: Paper, s: LabelSheet): LabelPlace[] {
  const { columns = 3, rows = 8, left = 0, top = 4, start = 1 } = s;
  const { width: w, height: h } = PAPERS[paper];
  const [width, height] = [(w - 2 * left) / columns, (h - 2 * top) / rows];
  const each = columns * rows;
  const first = Math.min(start, each) - 1;
  return Array.from({ length: many }, (_, i) => {
    const at = first + i;
    const on = at % each;
    return {
      sheet: Math.floor(at / each),
      x: left + (on % columns) * width,
      y: top + Math.floor(on / columns) * height,
      width,
      height,
    };
  });
}
