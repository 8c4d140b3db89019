import type { RequestHandler, Response } from 'express';
import type { PersonRole } from '../../contract/people.ts';
import { ProblemError } from '../problemError.ts';
import { suffices } from './roles.ts';
import { whoAsks } from './who.ts';

/** What a door says of itself. */
export interface DoorRule {
  /** Whom it opens to, where somebody must be signed in or is. */
  readonly role: PersonRole;
  /** What is on record of who came through, in words; null where nothing is changed. */
  readonly does: string | null;
  /** Whether somebody must be signed in even where the place does without, once anybody is set up. */
  readonly isOnesOwn: boolean;
}
export type Door = RequestHandler & { readonly rule: DoorRule };

/** Who is signed in, as the guard found them. */
export const personIn = (res: Response): { readonly role: PersonRole; readonly name: string } | undefined =>
  (res.locals as { person?: { role: PersonRole; name: string } }).person;

/**
 * Stands in every door, before what it does: whom it opens to, and what is written down of who comes through.
 *
 * @param does in words, as “lent a kit”; left out where nothing is changed
 * @param o.isOnesOwn for accounts: nobody changes them without signing in, once anybody is set up
 */
export function may(
  role: PersonRole,
  does: string | null = null,
  o: { readonly isOnesOwn?: boolean } = {},
): Door {
  const rule: DoorRule = { role, does, isOnesOwn: o.isOnesOwn ?? false };
  const door: RequestHandler = (req, res, next) => {
    const person = personIn(res);
    if (person && !suffices(person.role, role))
      throw new ProblemError(403, `${person.name} may not do that here: it needs somebody who ${role}.`, [
        { path: 'session', message: `expected somebody who ${role}` },
      ]);
    if (!person && rule.isOnesOwn && (res.locals as { isAnybodySetUp?: boolean }).isAnybodySetUp)
      throw new ProblemError(401, 'Sign in first: people are changed by somebody who keeps the place.', [
        { path: 'session', message: 'expected somebody who is signed in' },
      ]);
    const asking = whoAsks();
    if (asking) {
      asking.does = does;
      // A child's code in an address is none of the record's business.
      asking.asked = `${req.method} ${String((req.route as { path: unknown }).path)}`.replace(
        /:id\b/,
        String(req.params.id ?? ':id').slice(0, 12),
      );
    }
    next();
  };
  return Object.assign(door, { rule });
}

/** A door through which nothing is changed, for whoever may look. */
export const mayRead = may('reads');
