import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'libsql';
import type { Backup } from '../../contract/place.ts';
import { StartError } from '../startError.ts';
import type { Day } from '../../core/calendar/days.ts';
import { daysToDrop, keptUntil } from './keepRule.ts';
import { changeNames } from './changes.ts';
import { checkFile } from './integrity.ts';

const NAME = /^fox-button-(?:\d{4}-\d{2}-\d{2}-\d{6}(?:-\d+)?|daily-\d{4}-\d{2}-\d{2})\.db$/;
const DAILY = /^fox-button-daily-(\d{4}-\d{2}-\d{2})\.db$/;
export const backupsIn = (folder: string): string => join(folder, 'backups');

/** The copies there are, the newest first. */
export function listBackups(folder: string, today = new Date().toISOString().slice(0, 10)): Backup[] {
  const at = backupsIn(folder);
  if (!existsSync(at)) return [];
  const there = readdirSync(at);
  const days = there.flatMap((name) => DAILY.exec(name)?.[1] ?? []);
  return there
    .filter((name) => NAME.test(name))
    .map((name) => {
      const file = statSync(join(at, name));
      return { name, bytes: file.size, madeAt: file.mtime.toISOString(), until: untilOf(name, days, today) };
    })
    .sort((a, b) => b.madeAt.localeCompare(a.madeAt));
}

/** Until when the rule keeps a copy that it made by itself; null for one that stays until somebody deletes it. */
function untilOf(name: string, days: readonly Day[], today: Day): Day | null {
  const day = DAILY.exec(name)?.[1];
  return day === undefined ? null : keptUntil(day, days, today);
}

/** Whether a name is one that a backup of ours can have; anything else is no file to hand out. */
export const isBackupName = (name: string): boolean => NAME.test(name);

/** A name for what is not ready yet in the folder of copies; what a crash leaves there is cleared at the next start. */
export const halfName = (): string =>
  `.incoming-${process.pid}-${Date.now()}-${Math.random().toString(36).slice(2)}`;

/** A name with the time that no copy in a folder has yet. */
export function freeName(at: string, now: string): string {
  const stamp = `${now.slice(0, 10)}-${now.slice(11, 19).replaceAll(':', '')}`;
  let name = `fox-button-${stamp}.db`;
  const there = readdirSync(at);
  // One that is still being written has its name already.
  const isTaken = (): boolean => there.some((n) => n === name || n.startsWith(`.${name}.`));
  for (let n = 2; isTaken(); n++) name = `fox-button-${stamp}-${n}.db`;
  return name;
}

/**
 * Copies a place's file whole while it may be in use, under a name with the time, and looks whether the copy is sound
 * before it gets that name. Blocks its thread while it copies.
 *
 * @param now ISO 8601, for the name
 * @param daily the day's own copy, one a day; else one that somebody asked for
 * @throws StartError when there is nothing to copy
 */
export function makeBackup(folder: string, now: string, daily = false): Backup {
  const file = join(folder, 'fox-button.db');
  if (!existsSync(file)) throw new StartError('There is no place’s file to copy yet.');
  const at = backupsIn(folder);
  mkdirSync(at, { recursive: true });
  const name = daily ? `fox-button-daily-${now.slice(0, 10)}.db` : freeName(at, now);
  const half = join(at, `.${name}.${process.pid}`);
  rmSync(half, { force: true });
  try {
    const db = new Database(file);
    try {
      db.prepare('vacuum into ?').run(half);
    } finally {
      db.close();
    }
    checkFile(half, changeNames, 'in use');
    renameSync(half, join(at, name));
  } finally {
    for (const end of ['', '-wal', '-shm']) rmSync(`${half}${end}`, { force: true });
  }
  const made = statSync(join(at, name));
  return { name, bytes: made.size, madeAt: made.mtime.toISOString(), until: null };
}

/**
 * Clears what a server that was cut off left half done: copies half written, files half come in, places half put back. For
 * the start, before anybody asks: nothing of another server that runs may lie there.
 */
export function clearLeftovers(folder: string): void {
  const clear = (at: string, isLeft: RegExp): void => {
    if (!existsSync(at)) return;
    for (const name of readdirSync(at).filter((n) => isLeft.test(n)))
      rmSync(join(at, name), { recursive: true, force: true });
  };
  clear(folder, /^\.restore-/);
  // Copies that older versions left beside the file are listed with the others.
  for (const name of existsSync(folder) ? readdirSync(folder) : []) {
    if (!/^fox-button\.before-.*\.db$/.test(name)) continue;
    const at = backupsIn(folder);
    mkdirSync(at, { recursive: true });
    renameSync(join(folder, name), join(at, freeName(at, statSync(join(folder, name)).mtime.toISOString())));
  }
  clear(backupsIn(folder), /^\.(incoming-|fox-button-)/);
}

/** The day's own copy where there is none yet, and those dropped that the rule does not keep; null where nothing was to do. */
export function dailyBackup(folder: string, now: string): Backup | null {
  const today = now.slice(0, 10);
  const days = listBackups(folder).flatMap(({ name }) => DAILY.exec(name)?.[1] ?? []);
  if (days.includes(today) || !existsSync(join(folder, 'fox-button.db'))) return null;
  const made = makeBackup(folder, now, true);
  for (const day of daysToDrop([...days, today], today))
    rmSync(join(backupsIn(folder), `fox-button-daily-${day}.db`), { force: true });
  return made;
}
