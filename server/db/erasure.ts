import { createHash } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/core';
import { rows } from './rows.ts';

export type Erased = 'family' | 'child';

/**
 * What stays of somebody who was erased: enough to know them again in a copy from before, and nothing to know them by.
 *
 * @param identity the place's own mark: the same code in another place is somebody else
 * @param key a family's number, which no other ever gets, or a child's code
 */
export const traceOf = (identity: string, kind: Erased, key: string | number): string =>
  createHash('sha256')
    .update(JSON.stringify([identity, kind, key]))
    .digest('base64url');

/** Writes down, in the caller's transaction, that somebody was erased. */
export async function keepTrace(em: EntityManager, kind: Erased, key: string | number): Promise<void> {
  const [{ identity }] = (await rows<{ identity: string }>(em, 'select identity from place')) as [
    { identity: string },
  ];
  await rows(em, 'insert into erasure (kind, trace, at) values (?, ?, ?)', [
    kind,
    traceOf(identity, kind, key),
    Date.now(),
  ]);
}
