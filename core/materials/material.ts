import { z } from 'zod';
import { ONE_LINE } from '../measure/text.ts';
import { size, type Shape } from '../geometry/shape.ts';

export const FORMS = ['piece', 'disc', 'sheet', 'tube', 'container', 'cord', 'consumable'] as const;
export const form = z.enum(FORMS, { error: `expected one of ${FORMS.join(', ')}` });
export type Form = z.infer<typeof form>;

export const MATERIAL_CLASSES = [
  'plastic',
  'card',
  'paper',
  'wood',
  'cork',
  'metal',
  'glass',
  'stone',
  'fabric',
  'rubber',
  'foam',
  'glue',
  'tape',
  'food',
  'plant',
  'paint',
] as const;
export const SOLIDS = ['block', 'ball', 'egg', 'rod', 'cone'] as const;
export const HAZARDS = [
  'magnet',
  'battery',
  'button cell',
  'coin',
  'latex',
  'balloon',
  'marble',
  'swells in water',
  'sharp edge',
  'loose liner',
  'splinters',
  'allergen',
  'toxic',
  'choking form',
] as const;

/** What a thing can do or is, as far as a pattern asks for it: known by the tag, whatever the thing is called. */
export const TRAITS = [
  'clips on a rim',
  'grips when squeezed',
  'cage of wires',
  'stays bent',
  'flour',
  'salt',
] as const;
export type Trait = (typeof TRAITS)[number];

/** Which way the grain or the flutes of a board run: along its longer side (of a box, up and down), or across that. */
export const GRAINS = ['along', 'across'] as const;
export type Grain = (typeof GRAINS)[number];

/** The sides that a box opens into, or the sheet itself. */
export const PANELS = ['sheet', 'front', 'back', 'left side', 'right side'] as const;
export const KEEP_OUT_REASONS = ['print', 'hole', 'fold', 'stain'] as const;

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

export const DOORS = ['screwed', 'two moves', 'by hand'] as const;
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

/** Everyday allergens a material may carry (common practice; not the full legal list). */
export const ALLERGENS = ['gluten', 'milk', 'egg', 'nuts', 'soya', 'wool'] as const;
/** How it is made fit for the next child: washed and air dried, wiped, rested, or used once. */
export const CLEANINGS = ['wash', 'wipe', 'rest', 'none'] as const;
export type Cleaning = (typeof CLEANINGS)[number];

/** Measured sizes in mm; which of them a material must have follows from its form. */
export const sizes = z.strictObject({
  length: size.optional(),
  width: size.optional(),
  height: size.optional(),
  diameter: size.optional(),
  /** Thickness of wall or lid: what a blade must cut and a peg must grip. */
  wall: size.optional(),
});
export type Sizes = z.infer<typeof sizes>;
export type SizeName = keyof Sizes;

/** Which sizes each form is measured by. A container has a round mouth (diameter) or a square one (length, width). */
export const SIZES_OF: Record<Form, readonly SizeName[]> = {
  piece: ['length', 'width', 'height', 'diameter'],
  disc: ['diameter', 'height', 'wall'],
  // A sheet cut from a bottle keeps its curl: the diameter it bends to.
  sheet: ['length', 'width', 'wall', 'diameter'],
  tube: ['diameter', 'length', 'wall'],
  container: ['diameter', 'length', 'width', 'height', 'wall'],
  cord: ['length', 'diameter'],
  consumable: ['length', 'width'],
};

const required = (m: {
  form: Form;
  solid?: (typeof SOLIDS)[number] | undefined;
  sizes: Sizes;
}): SizeName[] => {
  switch (m.form) {
    case 'piece':
      if (m.solid === 'ball') return ['diameter'];
      if (m.solid === 'rod') return ['diameter', 'length'];
      if (m.solid === 'cone') return ['diameter', 'height'];
      return ['length', 'width', 'height'];
    case 'disc':
      return ['diameter', 'height'];
    case 'sheet':
      return ['length', 'width', 'wall'];
    case 'tube':
      return ['diameter', 'length', 'wall'];
    case 'container':
      return m.sizes.diameter === undefined
        ? ['length', 'width', 'height', 'wall']
        : ['diameter', 'height', 'wall'];
    case 'cord':
      return ['diameter'];
    case 'consumable':
      return [];
  }
};

/** The sizes a material of this form (and solid) must have, mm. */
export const requiredSizes = required;

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

/** Across and down of a panel as its maker looks at it, mm; null where there is no such panel. */
export function panelSize(
  m: { readonly form: Form; readonly sizes: Sizes },
  panel: KeepOutArea['panel'],
): readonly [number, number] | null {
  const { length = 0, width = 0, height = 0, diameter } = m.sizes;
  if (panel === 'sheet')
    return m.form === 'sheet' || m.form === 'consumable'
      ? [Math.max(length, width), Math.min(length, width)]
      : null;
  if (m.form !== 'container' || diameter !== undefined) return null;
  return [panel === 'front' || panel === 'back' ? length : width, height];
}

/** Faults of a material whose sizes do not say its form. */
const withItsSizes = (
  m: Pick<z.infer<typeof materialFields>, 'form' | 'solid' | 'sizes' | 'keepOut'>,
  ctx: z.RefinementCtx,
): void => {
  if (m.form === 'piece' && m.solid === undefined)
    ctx.addIssue({ code: 'custom', path: ['solid'], message: `expected one of ${SOLIDS.join(', ')}` });
  for (const name of required(m))
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
export type Material = MaterialInput & {
  readonly id: number;
  /** The largest and smallest sizes measured on what is kept, mm, where any was measured. */
  readonly measured?: { readonly most: Sizes; readonly least: Sizes } | undefined;
  /** Everything that is kept was clean when it was looked over, or was cleaned since. */
  readonly clean?: boolean | undefined;
};

/** With the measured sizes in place of the nominal: the largest, so that an opening lets every piece through. */
export const asMeasured = <M extends Pick<Material, 'sizes' | 'measured'>>(m: M): M =>
  m.measured ? { ...m, sizes: { ...m.sizes, ...m.measured.most } } : m;

/** With the smallest sizes measured: what a gauge for small parts must be asked about. */
export const atLeast = <M extends Pick<Material, 'sizes' | 'measured'>>(m: M): M =>
  m.measured ? { ...m, sizes: { ...m.sizes, ...m.measured.least } } : m;

/** Whether it can do or is something, by its tag. */
export const hasTrait = (m: Pick<MaterialInput, 'traits'>, trait: Trait): boolean =>
  m.traits?.includes(trait) ?? false;

/** Porous things cannot be washed: they are wiped, rested or thrown away (common practice). */
export const isPorous = (m: Pick<MaterialInput, 'materialClass'>): boolean =>
  !['plastic', 'metal', 'glass', 'stone', 'rubber', 'glue', 'tape', 'paint'].includes(m.materialClass);

/** How it is cleaned: as said, or as its class allows. */
export const cleaningOf = (m: Pick<MaterialInput, 'materialClass' | 'cleaning'>): Cleaning =>
  m.cleaning ?? (isPorous(m) ? 'rest' : 'wash');

/** The material as a solid for gauge and passage (mm); null for what has no shape of its own (cord, tape, glue). */
export function shapeOf(m: MaterialInput): Shape | null {
  const s = m.sizes;
  switch (m.form) {
    case 'piece':
      switch (m.solid) {
        case 'ball':
          return { kind: 'sphere', diameter: s.diameter! };
        case 'egg':
          return { kind: 'ellipsoid', length: s.length!, width: s.width!, height: s.height! };
        case 'rod':
          return { kind: 'cylinder', diameter: s.diameter!, length: s.length! };
        case 'cone':
          return { kind: 'cone', baseDiameter: s.diameter!, height: s.height! };
        default:
          return { kind: 'box', length: s.length!, width: s.width!, height: s.height! };
      }
    case 'disc':
      return { kind: 'cylinder', diameter: s.diameter!, length: s.height! };
    case 'sheet':
      return { kind: 'box', length: s.length!, width: s.width!, height: s.wall! };
    case 'tube':
      return { kind: 'cylinder', diameter: s.diameter!, length: s.length! };
    case 'container':
      return s.diameter === undefined
        ? { kind: 'box', length: s.length!, width: s.width!, height: s.height! }
        : { kind: 'cylinder', diameter: s.diameter, length: s.height! };
    default:
      return null;
  }
}

/** The three extents of a solid, longest first, mm. */
export function extentsOf(s: Shape): [number, number, number] {
  const raw: number[] = (() => {
    switch (s.kind) {
      case 'sphere':
        return [s.diameter, s.diameter, s.diameter];
      case 'cylinder':
        return [s.diameter, s.diameter, s.length];
      case 'ring':
        return [s.outerDiameter, s.outerDiameter, s.height];
      case 'cone':
        return [s.baseDiameter, s.baseDiameter, s.height];
      case 'sheet':
        return [
          Math.max(...s.outline.map((p) => p[0])) - Math.min(...s.outline.map((p) => p[0])),
          Math.max(...s.outline.map((p) => p[1])) - Math.min(...s.outline.map((p) => p[1])),
          s.thickness,
        ];
      default:
        return [s.length, s.width, s.height];
    }
  })();
  return raw.sort((a, b) => b - a) as [number, number, number];
}

/** The lid of a container: across for a round one, along and across for another, mm. */
export const lidOf = (m: Pick<MaterialInput, 'sizes'>): { along: number; across: number; round: boolean } =>
  m.sizes.diameter === undefined
    ? { along: m.sizes.length!, across: m.sizes.width!, round: false }
    : { along: m.sizes.diameter, across: m.sizes.diameter, round: true };

/** The mouth of a container: shortest way across (mm), or 0 for anything else. */
export const mouthOf = (m: MaterialInput): number =>
  m.form !== 'container' ? 0 : (m.sizes.diameter ?? Math.min(m.sizes.length!, m.sizes.width!));
