import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { MikroORM } from '@mikro-orm/libsql';
import { Migrator } from '@mikro-orm/migrations';
import { entities } from './entities.ts';
import { migrationsList } from './migrations.ts';

export type Db = MikroORM;

/**
 * Opens the place's one file, `fox-button.db` in `folder` (":memory:" for tests), brings it forward, and copies it
 * first whenever there is something to bring forward.
 */
export async function openDb(folder: string): Promise<Db> {
  const memory = folder === ':memory:';
  if (!memory) mkdirSync(folder, { recursive: true });
  const file = memory ? ':memory:' : join(folder, 'fox-button.db');
  const existed = !memory && existsSync(file);
  const orm = await MikroORM.init({
    dbName: file,
    entities,
    extensions: [Migrator],
    migrations: { migrationsList, snapshot: false, silent: true },
    metadataCache: { enabled: false },
    logger: () => {},
    ignoreUndefinedInQuery: true,
  });
  const run = (sql: string): Promise<unknown> => orm.em.getConnection().execute(sql, [], 'all');
  for (const pragma of [
    'journal_mode = WAL',
    'synchronous = FULL',
    'foreign_keys = ON',
    'busy_timeout = 5000',
  ])
    await run(`pragma ${pragma}`);
  const pending = await orm.getMigrator().getPendingMigrations();
  if (pending.length > 0 && existed) {
    await run('pragma wal_checkpoint(TRUNCATE)');
    copyFileSync(file, join(folder, `fox-button.before-${pending[0]!.name}.db`));
  }
  await orm.getMigrator().up();
  return orm;
}

/** Closes the file with everything in it: an emptied log cannot be laid over a copy that is put back later. */
export async function closeDb(orm: Db): Promise<void> {
  await orm.em.getConnection().execute('pragma wal_checkpoint(TRUNCATE)', [], 'all');
  await orm.close();
}
