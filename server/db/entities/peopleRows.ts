import { defineEntity, p } from '@mikro-orm/core';
import type { PersonRole } from '../../../contract/people.ts';

/** Somebody who works here, by the name they sign in with. */
export const PersonRow = defineEntity({
  name: 'PersonRow',
  tableName: 'person',
  properties: {
    id: p.integer().primary().autoincrement(),
    name: p.string(),
    role: p.string().$type<PersonRole>(),
    /** A slow hash with its own salt, never the password. */
    password: p.string(),
    isOff: p.boolean(),
    madeOn: p.string(),
  },
});

/** Somebody signed in at a screen; known by the hash of what its cookie holds. Times in ms since 1970. */
export const SessionRow = defineEntity({
  name: 'SessionRow',
  tableName: 'session',
  properties: {
    id: p.string().primary(),
    person: () => p.manyToOne(PersonRow),
    madeAt: p.integer(),
    usedAt: p.integer(),
  },
});

/** What somebody did: who, when and what was asked. */
export const AuditLogRow = defineEntity({
  name: 'AuditLogRow',
  tableName: 'audit_log',
  properties: {
    id: p.integer().primary().autoincrement(),
    at: p.integer(),
    who: p.string(),
    asked: p.string(),
    /** What was done, in words. */
    did: p.string(),
  },
});
