import type { Design } from '../../contract/designs.ts';
import type { BenchDesign } from '../../core/needs/supply.ts';

/** A design with what one copy of it needs; `problem` where it cannot be read. */
export type NeedingDesign = BenchDesign & { readonly design: Design; readonly problem: string | null };
