import { z } from 'zod';
import { area } from '../geometry/polygon.ts';
import { boxOf, outlinePoints } from '../outline/outline.ts';
import { PatternError } from '../patterns/kernel.ts';
import { blankOf, EPS, unitArea, type LaidPart, type Panels } from './blank.ts';
import { CutMemory, layKinds, layPanels } from './lay.ts';
import { length as size } from './lengths.ts';
import { lying, type Lie } from './nesting.ts';

const whole = z
  .number({ error: 'expected a number' })
  .int('expected a whole number')
  .min(0, 'must not be negative');
export const cutSheetsRequest = z.strictObject({
  sheets: z
    .array(
      z.strictObject({
        width: size,
        height: size,
        available: whole.max(1000, 'must be at most 1,000').optional(),
        /** Folds, prints and holes that nothing may be cut over. */
        keepOut: z.array(outlinePoints).max(40, 'may have at most 40 outlines').optional(),
      }),
      { error: 'expected a list of sheets' },
    )
    .min(1, 'expected at least one sheet')
    .max(12, 'may have at most 12 kinds of sheet'),
  parts: z
    .array(
      z.strictObject({
        id: z
          .string({ error: 'expected a name' })
          .min(1, 'expected a name')
          .max(60, 'may have at most 60 characters'),
        outline: outlinePoints,
        count: whole.max(400, 'must be at most 400'),
        /** Free, by right angles only, or not at all where grain or print has a direction. */
        turn: z.enum(['any', 'right', 'none'], { error: 'expected any, right or none' }),
        mirror: z.boolean({ error: 'expected true or false' }).optional(),
      }),
      { error: 'expected a list of parts' },
    )
    .min(1, 'expected at least one part')
    .max(60, 'may have at most 60 parts')
    .refine(
      (parts) => new Set(parts.map((p) => p.id)).size === parts.length,
      'expected every part to have its own id',
    )
    .refine((parts) => parts.reduce((n, p) => n + p.count, 0) <= 600, 'may have at most 600 parts in all'),
  gap: z.number({ error: 'expected mm' }).min(0, 'must not be negative').max(100, 'must be at most 100 mm'),
  /** Free for scissors and a knife; guillotine where every cut goes from edge to edge, as on a paper trimmer. */
  layout: z.enum(['free', 'guillotine'], { error: 'expected free or guillotine' }).optional(),
});
export type CutSheetsRequest = z.infer<typeof cutSheetsRequest>;

/** Where a part lies. */
interface Placement extends Lie {
  readonly id: string;
}
export interface CutSheetsAnswer {
  readonly sheets: readonly { readonly sheet: number; readonly placements: readonly Placement[] }[];
  readonly used: number;
  /** No fewer sheets can do: the area of the parts over that of the largest sheets. */
  readonly bound: number;
}

type Request = CutSheetsRequest;
type Part = Request['parts'][number];

const stockOf = ({ width, height, keepOut }: Request['sheets'][number]): Panels => ({
  kind: 'panels',
  panels: [[width, height]],
  ...(keepOut && keepOut.length > 0 ? { keepOut: [keepOut] } : {}),
});

/** Fewest sheets by area alone: the largest ones first, as many as there are. */
function areaBound({ sheets, parts }: Request): number {
  let left = parts.reduce((n, p) => n + area(p.outline) * p.count, 0);
  let n = 0;
  const areas = sheets.map((s) => ({ one: unitArea(stockOf(s)), there: s.available ?? Infinity }));
  for (const { one, there } of areas.sort((a, b) => b.one - a.one)) {
    if (left <= EPS || one <= 0) break;
    const take = Math.min(there, Math.ceil(left / one - EPS));
    n += take;
    left -= take * one;
  }
  return n;
}

const placement = ({ cut, at, turn, mirrored = false }: LaidPart<Part>): Placement => {
  const [x0, y0] = boxOf(lying(cut.outline, turn, mirrored));
  return { id: cut.id, x: at[0] - x0, y: at[1] - y0, turn, mirrored };
};

/**
 * Parts laid on sheets, every one whole on its sheet, none over another or over what is kept out, at least `gap` apart, as
 * Make lays them; how few sheets could do at all is said beside it. In a guillotine layout parts lie by their boxes, and
 * every cut goes through.
 *
 * @throws PatternError naming the part that goes on no sheet, or the sheets where there are too few
 */
export function cutSheets(request: CutSheetsRequest): CutSheetsAnswer {
  const { sheets, gap, layout = 'free' } = request;
  const blanks = request.parts.flatMap((part) => {
    const one = blankOf(part, gap);
    return Array.from({ length: part.count }, () => one);
  });
  const how = { layout, memory: new CutMemory() };
  const kinds = sheets.map((s) => ({ stock: stockOf(s), available: s.available ?? Infinity }));
  const [first] = kinds;
  const alone = sheets.length === 1 ? layPanels(blanks, first!.stock, how) : null;
  const laid =
    alone && alone.length <= first!.available
      ? { units: alone.map((unit) => ({ kind: 0, unit })), left: [], isOut: false }
      : layKinds(blanks, kinds, how);
  if (laid.isOut)
    throw new PatternError(
      'sheets',
      `there are too few sheets: ${laid.left.length} parts are left; expected more`,
    );
  const [stuck] = laid.left;
  if (stuck)
    throw new PatternError(
      `parts.${request.parts.indexOf(stuck.cut)}.outline`,
      `“${stuck.cut.id}” goes on no sheet that is left; expected a larger sheet or a smaller part`,
    );
  return {
    sheets: laid.units.map(({ kind, unit }) => ({
      sheet: kind,
      placements: unit.flatMap((panel) => panel.parts.map(placement)),
    })),
    used: laid.units.length,
    bound: areaBound(request),
  };
}
