import type { EntityManager } from '@mikro-orm/core';
import { BorrowerRow } from '../../db/entities.ts';
import { ProblemError } from '../../problem.ts';

/** The family that a body names. @throws ProblemError 422 where there is none */
export async function familyNamed(em: EntityManager, id: number) {
  const family = await em.findOne(BorrowerRow, { id, erasedOn: null });
  if (family) return family;
  throw new ProblemError(422, 'There is no such family.', [
    { path: 'borrowerId', message: 'expected a family of this place' },
  ]);
}
