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

/** Measured sizes in mm; which of them a material must have follows from its form. */
export interface Sizes {
  length?: number | undefined;
  width?: number | undefined;
  height?: number | undefined;
  diameter?: number | undefined;
  /** Thickness of wall or lid: what a blade must cut and a peg must grip. */
  wall?: number | undefined;
}
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

/** The sizes a material of this form (and solid) must have, mm. */
export const requiredSizes = (m: {
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

/** Across and down of a panel as its maker looks at it, mm; null where there is no such panel. */
export function panelSize(
  m: { readonly form: Form; readonly sizes: Sizes },
  panel: (typeof PANELS)[number],
): readonly [number, number] | null {
  const { length = 0, width = 0, height = 0, diameter } = m.sizes;
  if (panel === 'sheet')
    return m.form === 'sheet' || m.form === 'consumable'
      ? [Math.max(length, width), Math.min(length, width)]
      : null;
  if (m.form !== 'container' || diameter !== undefined) return null;
  return [panel === 'front' || panel === 'back' ? length : width, height];
}
