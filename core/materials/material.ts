import type { Shape } from '../geometry/shape.ts';
import type { KeepOutArea, MaterialInput, Sizes } from './materialInput.ts';

export type {
  Keeping,
  KeepOutArea,
  MaterialInput,
  MaterialKind,
  Risks,
  SizeName,
  Sizes,
} from './materialInput.ts';

export const FORMS = ['piece', 'disc', 'sheet', 'tube', 'container', 'cord', 'consumable'] as const;
export type Form = (typeof FORMS)[number];

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

export const DOORS = ['screwed', 'two moves', 'by hand'] as const;
/** Everyday allergens a material may carry (common practice; not the full legal list). */
export const ALLERGENS = ['gluten', 'milk', 'egg', 'nuts', 'soya', 'wool'] as const;
/** How it is made fit for the next child: washed and air dried, wiped, rested, or used once. */
export const CLEANINGS = ['wash', 'wipe', 'rest', 'none'] as const;
export type Cleaning = (typeof CLEANINGS)[number];

/** Which sizes each form is measured by. A container has a round mouth (diameter) or a square one (length, width). */
export const SIZES_OF: Record<Form, readonly (keyof Sizes)[]> = {
  piece: ['length', 'width', 'height', 'diameter'],
  disc: ['diameter', 'height', 'wall'],
  // A sheet cut from a bottle keeps its curl: the diameter it bends to.
  sheet: ['length', 'width', 'wall', 'diameter'],
  tube: ['diameter', 'length', 'wall'],
  container: ['diameter', 'length', 'width', 'height', 'wall'],
  cord: ['length', 'diameter'],
  consumable: ['length', 'width'],
};

/** The sizes a material of this form (and solid) must have, mm. */
export const requiredSizes = (m: {
  form: Form;
  solid?: (typeof SOLIDS)[number] | undefined;
  sizes: Sizes;
}): (keyof Sizes)[] => {
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
