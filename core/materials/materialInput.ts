import { z } from 'zod';
import { size } from '../geometry/shapeInput.ts';
import { ONE_LINE } from '../measure/text.ts';
import {
  ALLERGENS,
  CLEANINGS,
  DOORS,
  FORMS,
  GRAINS,
  HAZARDS,
  KEEP_OUT_REASONS,
  MATERIAL_CLASSES,
  PANELS,
  SOLIDS,
  TRAITS,
  panelSize,
  requiredSizes,
} from './kinds.ts';

export const form = z.enum(FORMS, { error: `expected one of ${FORMS.join(', ')}` });
const mmFrom = z
  .number({ error: 'expected mm' })
  .min(0, 'must not be negative')
  .max(5000, 'must be at most 5000 mm');
/** A rectangle of a panel that nothing is cut over, mm from its upper left; a sheet lies with its longer side level. */
const keepOutArea = z.strictObject({
  panel: z.enum(PANELS, { error: `expected one of ${PANELS.join(', ')}` }),
  why: z.enum(KEEP_OUT_REASONS, { error: `expected one of ${KEEP_OUT_REASONS.join(', ')}` }),
  left: mmFrom,
  top: mmFrom,
  width: size,
  height: size,
});
export type KeepOutArea = z.infer<typeof keepOutArea>;

/** How long food, dough or a plant keeps: out at room temperature (hours), and closed and cool (days). */
const keeping = z.strictObject({
  out: z
    .number({ error: 'expected hours' })
    .positive('must be more than 0 hours')
    .max(720, 'must be at most 720 hours')
    .optional(),
  closed: z
    .number({ error: 'expected days' })
    .positive('must be more than 0 days')
    .max(3650, 'must be at most 3650 days')
    .optional(),
});
export type Keeping = z.infer<typeof keeping>;

/** What was measured or tried of what can hurt: a magnet, a battery door, the string of a bag. */
const risks = z.strictObject({
  /** Flux index of its magnet, kG² mm²; left out where nobody measured it. */
  flux: z
    .number({ error: 'expected a flux index in kG² mm²' })
    .min(0, 'must not be negative')
    .max(100_000, 'must be at most 100,000 kG² mm²')
    .optional(),
  /** How its battery door opens. */
  door: z.enum(DOORS, { error: `expected one of ${DOORS.join(', ')}` }).optional(),
  /** Length of its drawstring, mm. */
  drawstring: size.optional(),
});
export type Risks = z.infer<typeof risks>;

/** Measured sizes in mm; which of them a material must have follows from its form. */
export const sizes = z.strictObject({
  length: size.optional(),
  width: size.optional(),
  height: size.optional(),
  diameter: size.optional(),
  /** Thickness of wall or lid: what a blade must cut and a peg must grip. */
  wall: size.optional(),
});

export const materialFields = z.strictObject({
  name: z
    .string({ error: 'is missing; expected a name' })
    .trim()
    .min(1, 'expected a name')
    .max(80, 'may have at most 80 characters')
    .regex(ONE_LINE, 'may not break the line; expected a name in one line'),
  form,
  solid: z.enum(SOLIDS, { error: `expected one of ${SOLIDS.join(', ')}` }).optional(),
  sizes,
  /** `each` is counted, `mm` is measured off a roll. */
  unit: z.enum(['each', 'mm'], { error: 'expected each or mm' }),
  /** How many (or how many mm) are kept now. */
  kept: z
    .number({ error: 'expected a count as a whole number' })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(10_000_000, 'must be at most 10,000,000'),
  materialClass: z.enum(MATERIAL_CLASSES, { error: `expected one of ${MATERIAL_CLASSES.join(', ')}` }),
  /** Share by which a soft piece gives when pushed, 0 for rigid. */
  give: z
    .number({ error: 'expected a share from 0 to 0.6' })
    .min(0, 'must not be negative')
    .max(0.6, 'must be at most 0.6'),
  hazards: z.array(z.enum(HAZARDS, { error: `expected one of ${HAZARDS.join(', ')}` })).max(HAZARDS.length),
  colour: z.string().regex(/^#[0-9a-fA-F]{6}$/, 'expected a colour like #B0451A'),
  /** Grams each; of a sheet grams a square metre; of what is counted by length grams a metre. */
  mass: z
    .number({ error: 'expected grams' })
    .positive('must be more than 0 g')
    .max(100_000, 'must be at most 100,000 g')
    .optional(),
  /** What a find counts for where nobody sells it: minor units of the place's currency each, or a metre. */
  worth: z
    .number({ error: 'expected a worth in whole minor units' })
    .int('expected whole minor units')
    .min(0, 'must not be negative')
    .max(1e8, 'must be at most 100,000,000')
    .optional(),
  cleaning: z.enum(CLEANINGS, { error: `expected one of ${CLEANINGS.join(', ')}` }).optional(),
  allergens: z
    .array(z.enum(ALLERGENS, { error: `expected one of ${ALLERGENS.join(', ')}` }))
    .max(ALLERGENS.length)
    .optional(),
  /** What it can do or is; left out where nobody said. */
  traits: z
    .array(z.enum(TRAITS, { error: `expected one of ${TRAITS.join(', ')}` }))
    .max(TRAITS.length)
    .optional(),
  grain: z.enum(GRAINS, { error: `expected one of ${GRAINS.join(', ')}` }).optional(),
  keepOut: z.array(keepOutArea).max(20, 'may have at most 20 places').optional(),
  keeping: keeping.optional(),
  risks: risks.optional(),
  /** Key of the catalogue entry it was taken from. */
  catalogue: z
    .string()
    .regex(/^[a-z0-9-]{1,40}$/, 'expected a key of the catalogue')
    .optional(),
});

/** Faults of a material whose sizes do not say its form. */
const withItsSizes = (
  m: Pick<z.infer<typeof materialFields>, 'form' | 'solid' | 'sizes' | 'keepOut'>,
  ctx: z.RefinementCtx,
): void => {
  if (m.form === 'piece' && m.solid === undefined)
    ctx.addIssue({ code: 'custom', path: ['solid'], message: `expected one of ${SOLIDS.join(', ')}` });
  for (const name of requiredSizes(m))
    if (m.sizes[name] === undefined)
      ctx.addIssue({ code: 'custom', path: ['sizes', name], message: `a ${m.form} needs its ${name} in mm` });
  for (const [i, k] of (m.keepOut ?? []).entries()) {
    const size = panelSize(m, k.panel);
    if (!size)
      ctx.addIssue({
        code: 'custom',
        path: ['keepOut', i, 'panel'],
        message: `a ${m.form} has no such panel; expected ${m.form === 'sheet' || m.form === 'consumable' ? 'sheet' : 'a side of a box with flat sides'}`,
      });
    else if (k.left + k.width > size[0] + 1e-6 || k.top + k.height > size[1] + 1e-6)
      ctx.addIssue({
        code: 'custom',
        path: ['keepOut', i],
        message: `reaches beyond the panel; expected at most ${size[0]} × ${size[1]} mm`,
      });
  }
};
/** A kind of thing on the shelf, with how many are kept and their measured sizes (mm). */
export const materialInput = materialFields.superRefine(withItsSizes);
/** A kind of thing by itself, as a file carries it: not how many are kept. */
export const materialKind = materialFields.omit({ kept: true }).superRefine(withItsSizes);
export type MaterialKind = z.infer<typeof materialKind>;
export type MaterialInput = z.infer<typeof materialInput>;
