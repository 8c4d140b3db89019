import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { EntityManager } from '@mikro-orm/core';
import Database from 'libsql';
import { backupsIn } from '../../db/backup.ts';
import { bringIn } from '../../db/bringIn.ts';
import { changeNames } from '../../db/changes.ts';
import { traceOf } from '../../db/erasure.ts';
import { fileIn } from '../../db/fileIn.ts';
import { closeDb, openDb } from '../../db/open.ts';
import { rows } from '../../db/rows.ts';
import { checkFile } from '../../db/integrity.ts';
import { StartError } from '../../startError.ts';
import { eraseFamily } from '../lend/erase.ts';
import { eraseChild } from '../watch/erase.ts';

interface Trace {
  readonly kind: 'family' | 'child';
  readonly trace: string;
  readonly at: number;
}

const read = <T>(file: string, sql: string): T[] => {
  const db = new Database(file, { readonly: true });
  try {
    return db.prepare(sql).all() as T[];
  } finally {
    db.close();
  }
};

/** Every code that a place knows a child by. */
const CODES =
  "select code from child union select child from note union select child from design where child is not null union select j.value from borrower b, json_each(b.children) j union select from_code from lot where from_code <> ''";

/** Erases in a copy who was erased since it was made. */
async function eraseAgain(em: EntityManager, traces: readonly Trace[], today: string): Promise<void> {
  const [{ identity }] = (await rows<{ identity: string }>(em, 'select identity from place')) as [
    { identity: string },
  ];
  const wanted = new Set(traces.map((t) => t.trace));
  for (const { id } of await rows<{ id: number }>(em, 'select id from borrower where erased_on is null'))
    if (wanted.has(traceOf(identity, 'family', id))) await eraseFamily(em, id, today, { isOutToo: true });
  for (const { code } of await rows<{ code: string }>(em, CODES))
    if (wanted.has(traceOf(identity, 'child', code))) await eraseChild(em, code);
  for (const { kind, trace, at } of traces)
    await rows(em, 'insert into erasure (kind, trace, at) values (?, ?, ?)', [kind, trace, at]);
}

/**
 * Makes a copy ready to be put back: its rows, read as data, in a fresh file of this version's layout beside the place's.
 * The copy itself stays as it is. Who was erased here since the copy was made is erased in it too.
 *
 * @param beside a folder of its own that is there and empty
 * @throws StartError where something does not pass, told row by row
 */
export async function readyCopy(folder: string, name: string, beside: string): Promise<void> {
  const from = join(backupsIn(folder), name);
  if (!existsSync(from)) throw new StartError(`There is no backup “${name}”.`);
  checkFile(from, changeNames, 'copy');
  bringIn(from, fileIn(beside));
  const [here] = read<{ identity: string }>(fileIn(folder), 'select identity from place');
  const [{ marked }] = read<{ marked: number }>(
    from,
    "select count(*) as marked from mikro_orm_migrations where name = '2026-11-30-sound'",
  ) as [{ marked: number }];
  const had = new Set(
    read<Trace>(fileIn(beside), 'select trace, at from erasure').map((e) => `${e.trace} ${e.at}`),
  );
  const traces = read<Trace>(fileIn(folder), 'select kind, trace, at from erasure').filter(
    (e) => !had.has(`${e.trace} ${e.at}`),
  );
  if (marked > 0 && traces.length === 0) return;
  const db = await openDb(beside);
  try {
    await db.em.fork().transactional(async (em) => {
      // A copy from before places were marked is taken for one of this place.
      if (marked === 0) await rows(em, 'update place set identity = ?', [here!.identity]);
      await eraseAgain(em, traces, new Date().toISOString().slice(0, 10));
    });
  } finally {
    await closeDb(db);
  }
}
