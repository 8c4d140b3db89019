import { readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { EntityManager } from '@mikro-orm/core';
import { rows } from '../../db/rows.ts';
import { temporaryFolder } from '../../temporary.ts';

/**
 * After somebody was erased: files that were read and wait to be confirmed are let go, since they may name them, and what
 * the log still holds goes into the file, where what was deleted is written over.
 */
export async function forgetBytes(em: EntityManager): Promise<void> {
  const folder = temporaryFolder();
  for (const name of readdirSync(folder)) rmSync(join(folder, name), { force: true });
  await rows(em, 'pragma wal_checkpoint(TRUNCATE)');
}
