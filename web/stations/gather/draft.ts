import type { MaterialInput } from '../../../core/materials/material.ts';

/** A material as its form has it: a count that is being typed may be empty. */
export type Draft = Omit<MaterialInput, 'kept'> & { kept: number | null };
