import type { EntityManager } from '@mikro-orm/core';
import type { AuditEntry } from '../../contract/people.ts';
import { rows } from '../db/rows.ts';
import { whoAsks } from './who.ts';

/**
 * Called in every transaction: what was done is on record with what it changed, or neither is. Once anybody is set up, what
 * nobody signed in for is on record too; before that there is nobody to name.
 */
export async function recordInAuditLog(em: EntityManager): Promise<void> {
  const asking = whoAsks();
  if (!asking?.writes || asking.does === null || asking.isKept) return;
  await rows(
    em,
    "insert into audit_log (at, who, asked, did) select ?, ?, ?, ? where ? <> '' or exists (select 1 from person)",
    [Date.now(), asking.who ?? '', asking.asked, asking.does, asking.who ?? ''],
  );
}

/** Called once a transaction has come through: one request is one line, however often it writes. */
export function isInAuditLog(): void {
  const asking = whoAsks();
  if (asking) asking.isKept = true;
}

/** What was done, the newest first. */
export async function listAuditLog(em: EntityManager, before: number, limit: number): Promise<AuditEntry[]> {
  const found = await rows<{ id: number; at: number; who: string; asked: string; did: string }>(
    em,
    'select id, at, who, asked, did from audit_log where id < ? order by id desc limit ?',
    [before, limit],
  );
  return found.map((d) => ({
    id: d.id,
    at: new Date(d.at).toISOString(),
    who: d.who === '' ? 'nobody signed in' : d.who,
    did: d.did,
    asked: d.asked,
  }));
}
