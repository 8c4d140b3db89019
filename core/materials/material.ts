import type { Shape } from '../geometry/shape.ts';
import type { Cleaning, Sizes, Trait } from './kinds.ts';
import type { MaterialInput } from './materialInput.ts';

export * from './kinds.ts';
export type { Keeping, KeepOutArea, MaterialInput, MaterialKind, Risks } from './materialInput.ts';

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
