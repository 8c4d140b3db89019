import Database from 'libsql';
import { changes } from './changes.ts';
import { CHANGES_TABLE, MAKE_CHANGES_TABLE } from './layout.ts';

type Run = (sql: string) => void;

/** Names of the changes that a file has had, in order. */
const done = (db: Database.Database): string[] =>
  (db.prepare(`select name from "${CHANGES_TABLE}" order by id`).all() as { name: string }[]).map(
    (c) => c.name,
  );

const KEEP = (name: string): string =>
  `insert into "${CHANGES_TABLE}" ("name") values ('${name.replaceAll("'", "''")}')`;

/** Every statement that makes a place in an empty file. */
export const allStatements = (): string[] => [
  MAKE_CHANGES_TABLE,
  ...changes.flatMap(({ name, statements }) => [...statements, KEEP(name)]),
];

/**
 * Brings a file forward to this version, each change whole or not at all.
 *
 * @param before called with the first change where there is one, once all that was written is in the file itself
 * @param upTo how many changes it should have at most
 */
export function bringForward(file: string, before?: (first: string) => void, upTo = changes.length): void {
  const db = new Database(file);
  try {
    const run: Run = (sql) => void db.exec(sql);
    db.prepare('pragma journal_mode = WAL').all();
    run('pragma synchronous = FULL');
    // A table that is made anew is dropped with what belongs to it still there.
    run('pragma foreign_keys = off');
    run(MAKE_CHANGES_TABLE);
    const had = new Set(done(db));
    const pending = changes.slice(0, upTo).filter((c) => !had.has(c.name));
    if (pending.length === 0) return;
    db.prepare('pragma wal_checkpoint(TRUNCATE)').all();
    before?.(pending[0]!.name);
    for (const { name, statements } of pending) {
      run('begin immediate');
      try {
        for (const sql of statements) run(sql);
        run(KEEP(name));
        run('commit');
      } catch (error) {
        run('rollback');
        throw error;
      }
    }
  } finally {
    db.close();
  }
}
