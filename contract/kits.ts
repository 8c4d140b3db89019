import { z } from 'zod';
import { id, name, version } from './common.ts';
import { buildInput } from './designs.ts';

const kitShape = z.strictObject({
  name,
  /** The designs in it, in order. */
  designs: z
    .array(id, { error: 'expected a list of designs' })
    .min(1, 'expected at least one design')
    .max(8, 'may have at most 8 designs')
    .refine((list) => new Set(list).size === list.length, 'expected each design once'),
  /** What it is packed into; null for what its designs bring. */
  container: id.nullable(),
});
export const kitInput = kitShape;
export const kitUpdate = kitShape.extend({ version });
export type KitInput = z.infer<typeof kitInput>;
export const kitBuild = buildInput.omit({ designId: true });

/** Something that is in a kit, and the designs that use it. */
export interface KitPartRow {
  readonly materialId: number | null;
  readonly name: string;
  readonly due: number;
  readonly for: readonly string[];
}

/** A kit of one or several designs as it stands: what is in it, what it weighs, how many can be made now. */
export interface Kit {
  readonly id: number;
  readonly version: number;
  readonly name: string;
  readonly designs: readonly { readonly id: number; readonly name: string }[];
  readonly container: { readonly id: number; readonly name: string } | null;
  readonly parts: readonly KitPartRow[];
  /** g; what is not known to weigh anything is named. */
  readonly mass: number;
  readonly unweighed: readonly string[];
  readonly carriedBy: 'child' | 'parent' | 'two hands';
  /** Kits that the free stock gives now. */
  readonly kitsNow: number;
  /** What runs out first. */
  readonly first: string | null;
  readonly made: number;
  /** Why it cannot be worked out; null where it can. */
  readonly problem: string | null;
}
