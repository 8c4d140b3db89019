import type { Response } from 'express';
import type { Override } from '../../../contract/lending.ts';
import { personIn } from '../../people/door.ts';
import { suffices } from '../../people/roles.ts';
import { ProblemError } from '../../problem.ts';

/** A stop is overridden only by somebody who may design; where nobody has to sign in, by whoever says who it is. */
export function overriding<T extends { readonly override?: Override | undefined }>(
  res: Response,
  input: T,
): T {
  if (!input.override) return input;
  const { role, name } = personIn(res) ?? {};
  if (role !== undefined && !suffices(role, 'designer'))
    throw new ProblemError(403, `${name!} may not lend against the check: it needs a designer.`, [
      { path: 'override', message: 'expected a designer or a manager' },
    ]);
  return { ...input, override: { ...input.override, ...(name === undefined ? {} : { by: name }) } };
}
