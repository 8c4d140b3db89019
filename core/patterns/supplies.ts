import { massOfOne } from '../catalogue/entry.ts';
import type { Material } from '../materials/material.ts';
import { allTaken, type Chosen, type Need, type Role } from './kernel.ts';
import { need, ofClass } from './making.ts';

const supply = <I extends string>(
  id: I,
  label: string,
  usual: readonly string[],
  accepts: NonNullable<Role['accepts']>,
) => ({ id, label, forms: ['consumable'], least: 0, most: 1, use: 'consumable', usual, accepts }) as const;

/** What making takes a part of: poured from a bottle, torn off a roll, weighed out of a bag. The same in every pattern. */
export const GLUE = supply('glue', 'Glue', ['craft-glue'], ofClass('glue'));
export const TAPE = supply('tape', 'Tape', ['masking-tape'], ofClass('tape'));
export const PAINT = { ...supply('paint', 'Paint', ['ready-paint'], ofClass('paint')), most: 3 } as const;
export const SAND = supply('sand', 'Sand for the base', ['sand'], ofClass('stone'));
export const STAPLES = supply('staples', 'Staples', ['staples'], ofClass('metal'));
export const LAMINATE = supply('laminate', 'Laminating pouch', ['laminate'], ofClass('plastic'));
export const DECOR = {
  ...supply('decor', 'Stickers or tissue on it', [], () => null),
  forms: ['consumable', 'sheet'],
} as const;

/** Where nobody weighed one, g, or measured how long a roll is, mm (common practice). */
const BOTTLE = 100;
const ROLL = 30_000;

/** Glue under a board that is stuck down all over, g for a square metre, and for a joint of a thumbnail, g (common practice). */
const GLUED = 100;
export const SPOT = 1;
/** Grams of glue for an area in mm². */
export const glueUnder = (area: number): number => (GLUED * area) / 1e6;

/** Taken by the piece. */
const WHOLE: ReadonlySet<string> = new Set([LAMINATE.id, DECOR.id]);

/** Of one of a material the part that an amount is: g, or mm of tape. */
function partOf(m: Material, amount: number): number {
  if (m.materialClass === 'tape') return amount / (m.sizes.length ?? ROLL);
  return amount / (massOfOne(m) ?? BOTTLE);
}

/**
 * What a kit takes of something poured or measured off: mm of what is counted so, else a part of one, so that several kits
 * share a bottle; pouches and stickers are taken whole.
 *
 * @param amount g, mm of tape, or a number of pouches
 */
export function partNeed(role: Role, m: Material, amount: number): Need {
  if (WHOLE.has(role.id)) return need(role, m, Math.ceil(amount), false);
  if (m.unit === 'mm') return need(role, m, Math.ceil(amount - 1e-9), false);
  const share = partOf(m, amount);
  return { ...need(role, m, Math.max(1, Math.ceil(share - 1e-9)), false), share };
}

/** What a kit takes each time it is used, not once when it is made. */
export const eachTime = (n: Need): Need => ({ ...n, eachTime: true });

export interface Supplied {
  readonly needs: readonly Need[];
  /** By the role's label: a step takes it up, and nothing is chosen for it. */
  readonly unlisted: readonly string[];
}

/**
 * What the steps take up, as lines of the bill; what nothing is chosen for is said.
 *
 * @param used role and amount, g or mm of tape, shared by the kinds in the role; one of 0 is left out
 */
export function supplied(
  { chosen }: { readonly chosen: Chosen },
  used: readonly (readonly [Role, number])[],
): Supplied {
  const taken = used
    .filter(([, amount]) => amount > 0)
    .map(([role, amount]) => ({ role, amount, kinds: allTaken(chosen, role) }));
  return {
    needs: taken.flatMap(({ role, amount, kinds }) =>
      kinds.map((m) => partNeed(role, m, amount / kinds.length)),
    ),
    unlisted: taken.filter((t) => t.kinds.length === 0).map((t) => t.role.label),
  };
}
