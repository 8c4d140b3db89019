import { randomBytes } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { EntityManager } from '@mikro-orm/core';
import Database from 'libsql';
import type { BackupLook, Soundness } from '../../contract/place.ts';
import { StartError } from '../startError.ts';
import { backupsIn } from './backup.ts';
import { migrationNames } from './migrationNames.ts';
import { closeDb, fileIn, openDb } from './open.ts';
import { rows } from './rows.ts';
import { checkFile } from './soundness.ts';

/** What stays as it is whatever is put back: who may come in, and who did what. */
const STAYS = ['person', 'session', 'deed'];
/** What the file counts itself while rows come in. */
const COUNTS_ITSELF = ['kits_in_use'];
/** What is counted when somebody looks before putting back. */
const COUNTED = {
  materials: 'material',
  designs: 'design',
  kits: 'copy',
  families: 'borrower',
  loans: 'loan',
  notes: 'note',
} as const;

/**
 * What a copy holds, without putting it back.
 *
 * @throws StartError where it is damaged, no place's file or of a newer version
 */
export function lookAtBackup(folder: string, name: string): BackupLook {
  const file = join(backupsIn(folder), name);
  checkFile(file, migrationNames, 'copy');
  const db = new Database(file, { readonly: true });
  try {
    const one = (sql: string): string | number | null =>
      (Object.values((db.prepare(sql).all()[0] as object | undefined) ?? {})[0] as string | number | null) ??
      null;
    const has = (table: string): boolean =>
      Number(one(`select count(*) from sqlite_master where type = 'table' and name = '${table}'`)) > 0;
    const counts = Object.fromEntries(
      Object.entries(COUNTED).map(([what, table]) => [
        what,
        has(table) ? Number(one(`select count(*) from "${table}"`)) : 0,
      ]),
    ) as unknown as BackupLook['counts'];
    return {
      name,
      place: String(one('select name from place') ?? ''),
      counts,
      lastLoan: has('loan') ? (one('select max(lent_on) from loan') as string | null) : null,
      lastNote: has('note') ? (one('select max(sat_on) from note') as string | null) : null,
    };
  } finally {
    db.close();
  }
}

/** Looks through the whole file in use, while it is used. @throws StartError where it is damaged */
export function checkInUse(folder: string, now: string): Soundness {
  checkFile(fileIn(folder), migrationNames, 'in use');
  return { bytes: statSync(fileIn(folder)).size, checkedAt: now };
}

/**
 * A copy brought forward to this version beside the place's file, ready to be read in; the copy itself stays as it is.
 *
 * @returns where it lies, and how it is cleared away
 */
export async function readyToRestore(folder: string, name: string): Promise<{ file: string; clear(): void }> {
  const from = join(backupsIn(folder), name);
  if (!existsSync(from)) throw new StartError(`There is no backup “${name}”.`);
  mkdirSync(folder, { recursive: true });
  const beside = mkdtempSync(join(folder, '.restore-'));
  const clear = (): void => rmSync(beside, { recursive: true, force: true });
  try {
    checkFile(from, migrationNames, 'copy');
    copyFileSync(from, fileIn(beside));
    const db = await openDb(beside).catch((error: unknown) => {
      if (!(error instanceof StartError)) throw error;
      throw new StartError(error.message.replaceAll(beside, 'for the copy'));
    });
    const dangling = await rows<{ table: string }>(db.em.fork(), 'pragma foreign_key_check');
    await closeDb(db);
    if (dangling.length > 0)
      throw new StartError(
        `The copy is damaged: ${dangling.length} of its rows belong to something that is not in it (${[...new Set(dangling.map((d) => d.table))].join(', ')}). Nothing was changed; expected another copy.`,
      );
    return { file: fileIn(beside), clear };
  } catch (error) {
    clear();
    throw error;
  }
}

/**
 * Everything of a place as it is in another file, in the caller's transaction: whoever reads meanwhile sees the one or the
 * other whole. Who may come in and who did what stay as they are.
 *
 * @param file brought forward to this version
 */
export async function restoreFrom(em: EntityManager, file: string): Promise<void> {
  const run = (sql: string, values: readonly unknown[] = []): Promise<unknown[]> => rows(em, sql, values);
  // Rows come in table by table: what belongs together is whole again only at the end.
  await run('pragma defer_foreign_keys = on');
  // A name of its own each time: one that an earlier try left attached does not stand in the way.
  const back = `back_${randomBytes(6).toString('hex')}`;
  await run(`attach ? as "${back}"`, [file]);
  const tables = (
    (await run(
      "select name from main.sqlite_master where type = 'table' and name not like 'sqlite_%' and name <> 'mikro_orm_migrations'",
    )) as { name: string }[]
  )
    .map((t) => t.name)
    .filter((t) => ![...STAYS, ...COUNTS_ITSELF].includes(t));
  const [{ signIn }] = (await run('select sign_in as signIn from main.place')) as [{ signIn: number }];
  for (const table of tables) {
    const columns = ((await run(`select name from pragma_table_info('${table}')`)) as { name: string }[])
      .map((c) => `"${c.name}"`)
      .join(', ');
    await run(`delete from main."${table}"`);
    await run(`insert into main."${table}" (${columns}) select ${columns} from "${back}"."${table}"`);
  }
  // Numbers go on from the larger of both: a number that was once on a label is not given again.
  await run(
    `update main.sqlite_sequence set seq = max(seq, coalesce((select b.seq from "${back}".sqlite_sequence b where b.name = main.sqlite_sequence.name), 0))`,
  );
  await run('update main.place set sign_in = ?, version = version + 1', [signIn]);
}

/** Lets other files go, once the transaction is through or has failed; a connection that was renewed has none. */
export async function letGo(em: EntityManager): Promise<void> {
  // A commit that was refused leaves its transaction open, and everything after it would be lost with it.
  await rows(em, 'rollback').catch(() => undefined);
  const attached = await rows<{ name: string }>(
    em,
    "select name from pragma_database_list where name like 'back~_%' escape '~'",
  );
  for (const { name } of attached) await rows(em, `detach "${name}"`);
}
