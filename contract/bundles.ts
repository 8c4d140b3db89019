import { z } from 'zod';
import { id, language, months, name, version } from './common.ts';
import { override } from './lending.ts';
import { buildInput } from './designs.ts';

/** What the place tells families itself, by language. */
export const bundleWords = z.partialRecord(
  language,
  z.string({ error: 'expected words' }).trim().max(3000, 'may have at most 3,000 characters'),
);
const bundleShape = z.strictObject({
  name,
  /** The designs in it, in order. */
  designs: z
    .array(id, { error: 'expected a list of designs' })
    .min(1, 'expected at least one design')
    .max(8, 'may have at most 8 designs')
    .refine((list) => new Set(list).size === list.length, 'expected each design once'),
  /** What it is packed into; null for what its designs bring. */
  container: id.nullable(),
  words: bundleWords.optional(),
  /** Age of the youngest at home who will get hold of it, months, where that is younger than its designs are for. */
  youngest: months.nullable().optional(),
});
/** Parts for so many families, handed over for good. */
export const bundleGiving = z.strictObject({
  version,
  families: z
    .number({ error: 'expected a number of families' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(200, 'must be at most 200'),
  prepared: z.boolean({ error: 'expected true or false' }),
  override: override.optional(),
});
export const paperQuery = z.strictObject({
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  language: language.optional(),
  prepared: z.enum(['yes', 'no'], { error: 'expected yes or no' }).optional(),
});
export const bundleInput = bundleShape;
export const bundleUpdate = bundleShape.extend({ version });
export type BundleInput = z.infer<typeof bundleInput>;
export const bundleBuild = buildInput.omit({ designId: true });

/** Something that is in a kit, and the designs that use it. */
export interface BundlePartRow {
  readonly materialId: number | null;
  readonly name: string;
  readonly due: number;
  readonly for: readonly string[];
}

/** A design of a kit, with its levels from easier to harder. */
export interface BundleDesignRow {
  readonly id: number;
  readonly name: string;
  readonly levels: readonly string[];
}

/** Designs of this place that would share pieces in one bag. */
export interface Suggested {
  readonly designs: readonly { readonly id: number; readonly name: string }[];
  readonly shared: readonly { readonly name: string; readonly due: number }[];
  readonly saved: number;
}

/** What was given to families at one time. */
export interface Given {
  readonly id: number;
  readonly families: number;
  readonly used: readonly {
    readonly name: string;
    readonly quantity: number;
    readonly unit: 'each' | 'mm';
  }[];
}

/** A kit of one or several designs as it stands: what is in it, what it weighs, how many can be made now. */
export interface Bundle {
  readonly id: number;
  readonly version: number;
  readonly name: string;
  readonly designs: readonly BundleDesignRow[];
  readonly words: Readonly<Record<string, string>>;
  readonly youngest: number | null;
  readonly container: { readonly id: number; readonly name: string } | null;
  readonly parts: readonly BundlePartRow[];
  /** g; what is not known to weigh anything is named. */
  readonly mass: number;
  readonly unweighed: readonly string[];
  readonly carriedBy: 'child' | 'parent' | 'two hands';
  /** Kits that the free stock gives now. */
  readonly kitsNow: number;
  /** What runs out first. */
  readonly first: string | null;
  readonly made: number;
  /** Families that parts were given to, in all. */
  readonly givenTo: number;
  /** What was given against a stop of the check: when, by whom, why, and what the check had said; the last first. */
  readonly givenAgainst: readonly {
    readonly on: string;
    readonly families: number;
    readonly by: string;
    readonly why: string;
    readonly of: string;
  }[];
  /** Why it cannot be worked out; null where it can. */
  readonly problem: string | null;
}
