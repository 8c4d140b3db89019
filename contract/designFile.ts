import { z } from 'zod';
import { APPROACHES, SKILLS } from '../core/patterns/kernel.ts';
import { materialKind } from '../core/materials/materialInput.ts';
import { name } from './common.ts';
import { agesError, agesInOrder, designShape } from './designs.ts';
import { bundleWords } from './bundles.ts';

/** The version that is written. Older ones are carried forward, newer ones refused. */
export const FILE_VERSION = 4;
/** A design file nests lists of outline points and no deeper. */
export const MOST_DEEP = 10;

/** A material of the catalogue by its key, or one of the place's own, whole. */
export const materialInFile = z.union(
  [
    z.strictObject({
      catalogue: z.string({ error: 'expected a key of the catalogue' }).regex(/^[a-z0-9-]{1,40}$/),
    }),
    materialKind,
  ],
  { error: 'expected {catalogue: key}, or a whole material with its name, form and sizes' },
);
export type MaterialInFile = z.infer<typeof materialInFile>;

// A child's code stays at its own place.
const inFile = designShape.omit({ made: true, onBench: true, materials: true, child: true }).extend({
  materials: z.record(
    z.string().max(40),
    z.array(materialInFile, { error: 'expected a list of materials' }).max(12, 'may have at most 12 kinds'),
    { error: 'expected materials by role' },
  ),
});

/** A design as a file carries it from place to place. */
export const designFile = z.strictObject({
  file: z.literal('fox-button-design', { error: 'expected fox-button-design' }),
  version: z.literal(FILE_VERSION),
  design: inFile.refine(agesInOrder, agesError),
});
export type DesignFile = z.infer<typeof designFile>;

/** A kit of several designs as a file carries it: the designs whole, and what it is packed into. */
export const bundleFile = z.strictObject({
  file: z.literal('fox-button-kit', { error: 'expected fox-button-kit' }),
  version: z.literal(FILE_VERSION),
  kit: z.strictObject({
    name,
    container: materialInFile.nullable(),
    designs: z
      .array(inFile.refine(agesInOrder, agesError), { error: 'expected a list of designs' })
      .min(1, 'expected at least one design')
      .max(8, 'may have at most 8 designs'),
    words: bundleWords.optional(),
  }),
});
export type BundleFile = z.infer<typeof bundleFile>;
/** What a kit’s file brings, before anything is written. */
export interface BundleFileLook {
  readonly name: string;
  readonly container: FileMaterial | null;
  readonly designs: readonly DesignFileLook[];
}

/** How a material of a file is met here. */
export interface FileMaterial {
  readonly role: string;
  readonly name: string;
  /** The material of this shelf that it is; null where it will be added, none kept. */
  readonly id: number | null;
}

/** What a file brings, before anything is written. */
export interface DesignFileLook {
  readonly name: string;
  readonly pattern: string;
  readonly patternName: string;
  readonly title: string;
  readonly forGroup: string;
  readonly ageFrom: number;
  readonly ageTo: number;
  /** Version it was written in. */
  readonly version: number;
  readonly materials: readonly FileMaterial[];
  /** Dials that cannot be as they are, with the nearest that can. */
  readonly nearest: readonly { dial: string; was: unknown; is: unknown; why: string }[];
  /** A design of that name is on this bench already. */
  readonly isThere: boolean;
}

export const openFile = z.strictObject({
  file: z.unknown(),
  /** Take the nearest dials where some cannot be. */
  takeNearest: z.boolean({ error: 'expected true or false' }).default(false),
});

/** Whether a value nests deeper than so many levels; it is walked without recursion, however deep it is. */
export function isDeeper(value: unknown, most: number): boolean {
  const open: { value: unknown; depth: number }[] = [{ value, depth: 0 }];
  while (open.length > 0) {
    const { value: v, depth } = open.pop()!;
    if (typeof v !== 'object' || v === null) continue;
    if (depth >= most) return true;
    for (const part of Object.values(v)) open.push({ value: part, depth: depth + 1 });
  }
  return false;
}

type Loose = Record<string, unknown>;
const isRecord = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/**
 * A file of an older version as this one has it. In version 1 the approach stood among the dials, and a role had one
 * material, not a list; version 3 only adds (what of a find cannot be cut, how long it keeps, a kit's words), and
 * so does version 4 (what a material can do or is). Whatever is
 * not understood is left as it is, for the reading to name.
 */
export function carriedForward(raw: unknown): unknown {
  if (!isRecord(raw)) return raw;
  if (raw.version === 2 || raw.version === 3) return { ...raw, version: FILE_VERSION };
  if (raw.version !== 1 || !isRecord(raw.design)) return raw;
  const { design } = raw;
  const dials = isRecord(design.dials) ? design.dials : null;
  const { approach, ...rest } = dials ?? {};
  return {
    ...raw,
    version: FILE_VERSION,
    design: {
      ...design,
      ...(dials ? { dials: rest } : {}),
      approach: design.approach ?? approach ?? APPROACHES[0],
      skill: design.skill ?? SKILLS[0],
      ...(isRecord(design.materials)
        ? {
            materials: Object.fromEntries(
              Object.entries(design.materials).map(([role, m]) => [role, Array.isArray(m) ? m : [m]]),
            ),
          }
        : {}),
    },
  };
}
