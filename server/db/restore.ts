import {
  closeSync,
  fsyncSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { copyFile, open } from 'node:fs/promises';
import { join } from 'node:path';
import Database from 'libsql';
import type { Backup, BackupLook, Integrity } from '../../contract/place.ts';
import { StartError } from '../startError.ts';
import { backupsIn, freeName } from './backup.ts';
import { bringIn } from './bringIn.ts';
import { changeNames } from './changes.ts';
import { fileIn } from './fileIn.ts';
import { checkFile } from './integrity.ts';

/** What stays as it is whatever is put back: who may come in, and who did what. */
const STAYS = ['person', 'session', 'audit_log'];
/** What is counted when somebody looks before putting back. */
const COUNTED = {
  materials: 'material',
  designs: 'design',
  kits: 'kit',
  families: 'borrower',
  loans: 'loan',
  notes: 'note',
} as const;

/**
 * What a copy holds, without putting it back: it is read whole, as it would be to be put back.
 *
 * @throws StartError where it is damaged, no place's file, of a newer version, or holds what no place can have
 */
export function lookAtBackup(folder: string, name: string): BackupLook {
  const file = join(backupsIn(folder), name);
  checkFile(file, changeNames, 'copy');
  const { beside, clear } = roomBeside(folder);
  try {
    bringIn(file, fileIn(beside));
    const db = new Database(fileIn(beside), { readonly: true });
    try {
      const one = (sql: string): string | number | null =>
        (Object.values(db.prepare(sql).all()[0] as object)[0] as string | number | null) ?? null;
      const counts = Object.fromEntries(
        Object.entries(COUNTED).map(([what, table]) => [
          what,
          Number(one(`select count(*) from "${table}"`)),
        ]),
      ) as unknown as BackupLook['counts'];
      return {
        name,
        place: String(one('select name from place')),
        counts,
        lastLoan: one('select max(lent_on) from loan') as string | null,
        lastNote: one('select max(sat_on) from note') as string | null,
      };
    } finally {
      db.close();
    }
  } finally {
    clear();
  }
}

/** Looks through the whole file in use, while it is used. @throws StartError where it is damaged */
export function checkInUse(folder: string, now: string): Integrity {
  checkFile(fileIn(folder), changeNames, 'in use');
  return { bytes: statSync(fileIn(folder)).size, checkedAt: now };
}

/** A place's file as it is now, beside the one that is made ready; the place's is attached as `here`. */
function besides<T>(folder: string, beside: string, work: (db: Database.Database) => T): T {
  const db = new Database(fileIn(beside));
  try {
    db.exec('pragma foreign_keys = off');
    db.prepare('attach ? as here').run(fileIn(folder));
    return work(db);
  } finally {
    db.close();
  }
}

/**
 * Takes over from the place as it is what stays whatever is put back: who may come in and who did what, what was erased,
 * numbers that were given, and versions, so that no screen from before writes over what a colleague did after. For the
 * time in which nobody writes.
 *
 * @throws StartError where something was erased since the copy was made ready
 */
export function carryOver(folder: string, beside: string): void {
  besides(folder, beside, (db) => {
    const one = (sql: string): number => Number(Object.values(db.prepare(sql).all()[0] as object)[0]);
    const open = one(
      'select count(*) from here.erasure e where not exists (select 1 from main.erasure m where m.trace = e.trace and m.at = e.at)',
    );
    if (open > 0)
      throw new StartError(
        'Something was erased while the copy was made ready; nothing was changed. Try again.',
      );
    db.exec('begin immediate');
    for (const table of STAYS) {
      const columns = (
        db.prepare(`select name from pragma_table_info('${table}')`).all() as { name: string }[]
      )
        .map((c) => `"${c.name}"`)
        .join(', ');
      db.exec(`delete from main."${table}"`);
      db.exec(`insert into main."${table}" (${columns}) select ${columns} from here."${table}"`);
    }
    const tables = db
      .prepare(
        "select name from main.sqlite_master where type = 'table' and name not like 'sqlite~_%' escape '~'",
      )
      .all() as { name: string }[];
    for (const { name } of tables)
      if (
        !STAYS.includes(name) &&
        one(`select count(*) from pragma_table_info('${name}') where name = 'version'`) > 0
      )
        db.exec(
          `update main."${name}" set version = version + (select coalesce(max(version), 0) from here."${name}")`,
        );
    db.exec(
      'update main.sqlite_sequence set seq = max(seq, coalesce((select h.seq from here.sqlite_sequence h where h.name = main.sqlite_sequence.name), 0))',
    );
    db.exec(
      'insert into main.sqlite_sequence (name, seq) select name, seq from here.sqlite_sequence where name not in (select name from main.sqlite_sequence)',
    );
    db.exec('update main.place set sign_in = (select sign_in from here.place)');
    db.exec(
      'update main.committed set changes = (select max(h.changes, m.changes) + 1 from here.committed h, main.committed m)',
    );
    db.exec('commit');
    db.prepare('pragma main.wal_checkpoint(TRUNCATE)').all();
  });
}

/** A folder of its own beside the place's file, and how it is cleared away. */
export function roomBeside(folder: string): { beside: string; clear(): void } {
  const beside = mkdtempSync(join(folder, '.restore-'));
  return { beside, clear: () => rmSync(beside, { recursive: true, force: true }) };
}

/** Copies the file in use whole, while nobody writes and its log is empty: no more than the disk has to do. */
export async function copyClosed(folder: string, now: string): Promise<Backup> {
  const at = backupsIn(folder);
  mkdirSync(at, { recursive: true });
  const name = freeName(at, now);
  const half = join(at, `.${name}.${process.pid}`);
  try {
    await copyFile(fileIn(folder), half);
    await kept(half);
    renameSync(half, join(at, name));
  } finally {
    rmSync(half, { force: true });
  }
  const made = statSync(join(at, name));
  return { name, bytes: made.size, madeAt: made.mtime.toISOString(), until: null };
}

/** Sees that a file is on the disk, not only on its way there. */
async function kept(path: string): Promise<void> {
  const file = await open(path, 'r');
  try {
    await file.sync();
  } finally {
    await file.close();
  }
}
export const keptOnDisk = (beside: string): Promise<void> => kept(fileIn(beside));

/** Puts the file that was made ready in the place of the one in use, which is closed. */
export function putInPlace(folder: string, beside: string): void {
  for (const end of ['-wal', '-shm']) rmSync(fileIn(folder) + end, { force: true });
  renameSync(fileIn(beside), fileIn(folder));
  // The folder too: the file's name is written in it. Not every system lets a folder be asked that.
  try {
    const at = openSync(folder, 'r');
    try {
      fsyncSync(at);
    } finally {
      closeSync(at);
    }
  } catch (error) {
    if (!['EISDIR', 'EPERM', 'EINVAL', 'EACCES'].includes(String((error as { code?: unknown }).code)))
      throw error;
  }
}
