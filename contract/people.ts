import { z } from 'zod';
import { id, ONE_LINE } from './common.ts';

/** What somebody may do, each with all that comes before it. */
export const ROLES = ['viewer', 'lender', 'designer', 'manager'] as const;
export type PersonRole = (typeof ROLES)[number];

export const LEAST_PASSWORD = 10;
const personName = z
  .string({ error: 'expected a name' })
  .trim()
  .min(1, 'expected a name')
  .max(60, 'may have at most 60 characters')
  .regex(ONE_LINE, 'may not break the line; expected a name in one line');
/** A new password; long rather than odd (NIST SP 800-63B). */
const newPassword = z
  .string({ error: 'expected a password' })
  .min(LEAST_PASSWORD, `must have at least ${LEAST_PASSWORD} characters`)
  .max(200, 'may have at most 200 characters');
const givenPassword = z
  .string({ error: 'expected a password' })
  .min(1, 'expected a password')
  .max(200, 'may have at most 200 characters');
const role = z.enum(ROLES, { error: `expected one of ${ROLES.join(', ')}` });
const notTheName = <T extends { name: string; password: string }>(p: T): boolean =>
  p.password.toLowerCase() !== p.name.toLowerCase();
const isTheName = { path: ['password'], message: 'must not be the name' };

export const signIn = z.strictObject({ name: personName, password: givenPassword });
/** The first person of a place, who keeps the rules; beyond this machine with the code that the server printed. */
export const firstPerson = z
  .strictObject({
    name: personName,
    password: newPassword,
    code: z.string({ error: 'expected the code' }).max(40, 'may have at most 40 characters').optional(),
  })
  .refine(notTheName, isTheName);
export const personInput = z
  .strictObject({ name: personName, password: newPassword, role })
  .refine(notTheName, isTheName);
/** What of a person is changed; a password that is set for them ends their sessions. */
export const personUpdate = z.strictObject({
  role,
  isOff: z.boolean({ error: 'expected true or false' }),
  password: newPassword.optional(),
});
export const ownPassword = z.strictObject({ old: givenPassword, password: newPassword });
export const signInNeeded = z.strictObject({ needed: z.boolean({ error: 'expected true or false' }) });

export const person = z.object({
  id,
  name: z.string(),
  role,
  isOff: z.boolean(),
  madeOn: z.string(),
  /** When somebody was last signed in, ISO 8601; null where never. */
  lastSeen: z.string().nullable(),
});
export type Person = z.infer<typeof person>;

/** Who is at this screen, and whether anybody must be. */
export interface Session {
  readonly needed: boolean;
  /** This server is reached from other machines: it cannot do without. */
  readonly isFixed: boolean;
  readonly person: { readonly id: number; readonly name: string; readonly role: PersonRole } | null;
  /** Nobody was ever set up. */
  readonly isFirst: boolean;
  /** Changes that were acknowledged before the last start and are not in the place's file. */
  readonly lost: number;
}

/** What somebody did, and when. */
export interface AuditEntry {
  readonly id: number;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly who: string;
  /** In words: `lent a kit`. */
  readonly did: string;
  /** Method and address, as it was asked. */
  readonly asked: string;
}
