import { accessSync, constants, copyFileSync, existsSync, mkdirSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { MikroORM } from '@mikro-orm/libsql';
import type Database from 'libsql';
import { folderError } from '../startError.ts';
import { entities } from './entities.ts';
import { changeNames } from './changes.ts';
import { bringForward } from './forward.ts';
import { backupsIn, freeName } from './backup.ts';
import { fileIn } from './fileIn.ts';
import { makeNewPlace, newPlaceSql } from './newPlace.ts';
import { APPLICATION_ID, checkFile } from './integrity.ts';

export type Db = MikroORM;

/**
 * How long a statement waits for another writer, ms. Waiting blocks the thread, and with it everybody's reading, so it
 * is short; a whole transaction is tried again for longer.
 */
export const BUSY_MS = 250;

// What is deleted is written over: who was erased is not to be read out of the file's bytes.
const PRAGMAS = [
  'synchronous = FULL',
  'foreign_keys = ON',
  'secure_delete = ON',
  `busy_timeout = ${BUSY_MS}`,
];

const options = (file: string) => ({
  dbName: file,
  entities,
  metadataCache: { enabled: false },
  logger: () => {},
  ignoreUndefinedInQuery: true,
});

/**
 * So many connections, each with its pragmas. The pool would renew each after ten seconds, as one to a server far away has to
 * be; opening the file of a large place anew takes a tenth of a second in which nobody is answered, so they stay.
 */
const pool = (max: number, pragmas: readonly string[], first: string | null = null) => ({
  min: 1,
  max,
  afterCreate: (
    connection: Database.Database,
    done: (error: Error | null, connection: Database.Database) => void,
  ): void => {
    if (first !== null) connection.exec(first);
    for (const pragma of pragmas) connection.prepare(`pragma ${pragma}`).all();
    Object.assign(connection, { __created: Infinity });
    done(null, connection);
  },
});

/** One level at a time: the recursive way of Node never ends where a parent refuses, as under /proc. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) {
    if (!statSync(folder).isDirectory()) throw Object.assign(new Error('not a folder'), { code: 'ENOTDIR' });
    return;
  }
  if (dirname(folder) !== folder) makeFolder(dirname(folder));
  mkdirSync(folder);
}

/** Makes the folder where it is missing and sees that it can be written. @throws StartError in one sentence */
export function readyFolder(folder: string): void {
  try {
    makeFolder(resolve(folder));
    accessSync(folder, constants.W_OK | constants.X_OK);
    for (const name of ['fox-button.db', 'fox-button.db-wal', 'fox-button.db-shm'])
      if (existsSync(join(folder, name))) accessSync(join(folder, name), constants.R_OK | constants.W_OK);
  } catch (error) {
    throw folderError(folder, error);
  }
}

/**
 * Opens the place's one file, `fox-button.db` in `folder` (":memory:" for tests), after looking whether it is sound and
 * not from a newer version, brings it forward, and copies it first whenever there is something to bring forward.
 *
 * @throws StartError in one sentence
 */
export async function openDb(folder: string): Promise<Db> {
  const memory = folder === ':memory:';
  const file = memory ? ':memory:' : fileIn(folder);
  if (!memory) readyFolder(folder);
  try {
    const existed = !memory && existsSync(file);
    if (!memory) {
      if (!existed) makeNewPlace(file);
      checkFile(file, changeNames);
      // As it was before this version: one of the copies, so that it is listed, and goes when they go.
      bringForward(file, () => copyBefore(folder));
    }
    const orm = await MikroORM.init({
      ...options(file),
      // One writes, the other reads meanwhile; in memory each connection would be a place of its own.
      pool: memory ? pool(1, PRAGMAS, newPlaceSql()) : pool(2, PRAGMAS),
    });
    if (!memory) await orm.em.getConnection().execute(`pragma application_id = ${APPLICATION_ID}`, [], 'all');
    return orm;
  } catch (error) {
    throw folderError(folder, error);
  }
}

function copyBefore(folder: string): void {
  const at = backupsIn(folder);
  mkdirSync(at, { recursive: true });
  copyFileSync(fileIn(folder), join(at, freeName(at, new Date().toISOString())));
}

/** Opens a place that another thread has opened, for reading alone. */
export const openReader = (folder: string): Promise<Db> =>
  MikroORM.init({
    ...options(fileIn(folder)),
    pool: pool(1, [`busy_timeout = ${BUSY_MS}`, 'query_only = ON']),
  });

/** Closes the file with everything in it: an emptied log cannot be laid over a copy that is put back later. */
export async function closeDb(orm: Db): Promise<void> {
  await orm.em.getConnection().execute('pragma wal_checkpoint(TRUNCATE)', [], 'all');
  await orm.close();
}
