import Database from 'libsql';
import { stopIfEnded } from './ended.ts';
import { StartError } from '../startError.ts';
import { isFull } from './busy.ts';
import { changes } from './changes.ts';
import { bringForward } from './forward.ts';
import { CHANGES_TABLE, layoutAfter, layoutOf, strayFrom, type Table } from './layout.ts';
import { rowProblem, type FileRow } from './rowRules.ts';

type Db = Database.Database;

/** What the file counts itself while rows come in. */
const COUNTS_ITSELF = new Set(['kits_in_use']);
/** Larger no text of a place is, characters; larger no number of a row. */
const LONGEST = 1_000_000;
const LARGEST_ID = 1_000_000_000;
/** Problems that are told row by row; the rest are counted by nobody. */
const MOST_TOLD = 10;

/** Rows that do not pass, told as they are found; ends the reading when there are too many. */
class Problems {
  readonly told: string[] = [];
  add(table: string, key: unknown, words: string): void {
    this.told.push(`${table} ${String(key).slice(0, 40)}: ${words}`);
    if (this.told.length >= MOST_TOLD) this.end();
  }
  end(): void {
    if (this.told.length === 0) return;
    throw new StartError(
      `The copy holds what no place can have, and nothing was changed. ${this.told.join('; ')}${this.told.length >= MOST_TOLD ? '; and maybe more' : ''}. Choose another copy, or mend these rows.`,
    );
  }
}

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** What SQLite says of a row that breaks a rule of its table, in words. */
function refusalIn(error: unknown): string {
  const message = error instanceof Error ? error.message : String(error);
  const unique = /UNIQUE constraint failed: (.*)/.exec(message);
  if (unique)
    return `its ${unique[1]!.replace(/^\w+\./, '')} is in another row too, and only one may have it`;
  const empty = /NOT NULL constraint failed: \w+\.(\w+)/.exec(message);
  if (empty) return `its ${empty[1]} is missing`;
  if (/CHECK constraint failed/.test(message)) return 'it breaks a rule of its table';
  return message.split('\n')[0]!.slice(0, 120);
}

/** What is wrong with a value of a column by itself; null where nothing is. */
function valueProblem(value: unknown, type: string): string | null {
  if (value === null) return null;
  if (typeof value === 'number') {
    if (!Number.isFinite(value) || Math.abs(value) > 1e15) return 'is no number that a place can have';
    if (type === 'text' || type === 'json') return 'is a number; expected text';
    return type === 'integer' && !Number.isInteger(value) ? 'is no whole number' : null;
  }
  if (typeof value === 'string')
    return type === 'integer' || type === 'real' ? 'is text; expected a number' : null;
  return 'holds bytes; expected text or a number';
}

function copyTable(from: Db, to: Db, name: string, table: Table, problems: Problems): void {
  const columns = [...table.keys()];
  const list = columns.map(quoted).join(', ');
  // Measured before anything is read: a value of a gigabyte is not fetched to be refused.
  for (const column of columns) {
    const [found] = from
      .prepare(`select max(octet_length(${quoted(column)})) as n from ${quoted(name)}`)
      .all() as { n: number | null }[];
    if ((found?.n ?? 0) > 4 * LONGEST) {
      problems.add(name, column, `holds ${found!.n} bytes in one place; expected at most ${4 * LONGEST}`);
      return;
    }
  }
  const put = to.prepare(
    `insert into ${quoted(name)} (${list}) values (${columns.map(() => '?').join(', ')})`,
  );
  const key = columns[0]!;
  for (const row of from.prepare(`select ${list} from ${quoted(name)}`).iterate() as Iterable<FileRow>) {
    stopIfEnded();
    const wrong = columns
      .map((c) => [c, valueProblem(row[c], table.get(c)!.type)] as const)
      .find(([, problem]) => problem !== null);
    if (wrong) {
      problems.add(name, row[key], `${wrong[0]} ${wrong[1]}`);
      continue;
    }
    if (key === 'id' && typeof row.id === 'number' && (row.id < 1 || row.id > LARGEST_ID)) {
      problems.add(name, row.id, `id is out of range; expected 1 to ${LARGEST_ID}`);
      continue;
    }
    try {
      put.run(...columns.map((c) => row[c]));
    } catch (error) {
      problems.add(name, row[key], refusalIn(error));
    }
  }
}

/** Numbers go on where the copy was: one that was once on a label is not given again. */
function takeNumbers(from: Db, to: Db, problems: Problems): void {
  const found = from.prepare('select name, seq from sqlite_sequence').all() as {
    name: unknown;
    seq: unknown;
  }[];
  for (const { name, seq } of found) {
    if (name === CHANGES_TABLE) continue;
    if (typeof seq !== 'number' || !Number.isInteger(seq) || seq < 0 || seq > LARGEST_ID)
      problems.add('sqlite_sequence', name, `the last number given is out of range: ${String(seq)}`);
    else to.prepare('update sqlite_sequence set seq = max(seq, ?) where name = ?').run(seq, String(name));
  }
}

/** Rows of a file of this version's layout that everything here could not rely on. */
function looked(db: Db, problems: Problems): void {
  const { tables } = layoutAfter(changes.length);
  for (const [name, table] of tables) {
    if (COUNTS_ITSELF.has(name)) continue;
    const json = new Set([...table].flatMap(([c, { type }]) => (type === 'json' ? [c] : [])));
    const [key] = [...table.keys()];
    for (const row of db.prepare(`select * from ${quoted(name)}`).iterate() as Iterable<FileRow>) {
      stopIfEnded();
      const problem = rowProblem(name, row, json);
      if (problem !== null) problems.add(name, row[key!], problem);
    }
  }
  if (db.prepare('select id from place').all().length !== 1)
    problems.add('place', 1, 'is missing; expected the one row that says what the place is called');
  const dangling = db.prepare('pragma foreign_key_check').all() as {
    table: string;
    rowid: number;
    parent: string;
  }[];
  for (const { table, rowid, parent } of dangling)
    problems.add(table, rowid, `it belongs to a ${parent} that is not in the copy`);
}

/**
 * Reads the rows of a copy out of the tables that a place has, and writes them into a fresh file of this version's own
 * layout. Whatever else the copy holds stays behind: views, triggers and rules of its own are neither run nor taken over.
 *
 * @param from the copy; its list of changes is known to begin as ours does
 * @param to a file that is not there yet
 * @throws StartError that tells row by row what does not pass
 */
export function bringIn(from: string, to: string): void {
  const source = new Database(from, { readonly: true });
  try {
    // What a file says of itself is believed in nothing, and what it holds is looked at cell by cell.
    source.prepare('pragma trusted_schema = off').all();
    source.prepare('pragma cell_size_check = on').all();
    const count = (
      source.prepare(`select count(*) as n from "${CHANGES_TABLE}"`).all() as { n: number }[]
    )[0]!.n;
    const stray = strayFrom(layoutOf(source), count, false);
    if (stray !== null)
      throw new StartError(
        `The copy is not laid out as its list of changes says: it ${stray}. Nothing was changed; choose another copy.`,
      );
    bringForward(to, undefined, count);
    const target = new Database(to);
    const problems = new Problems();
    try {
      target.exec('pragma foreign_keys = off');
      target.exec('begin');
      const { tables } = layoutAfter(count);
      for (const name of tables.keys())
        if (!COUNTS_ITSELF.has(name)) target.exec(`delete from ${quoted(name)}`);
      for (const [name, table] of tables)
        if (!COUNTS_ITSELF.has(name)) copyTable(source, target, name, table, problems);
      takeNumbers(source, target, problems);
      problems.end();
      target.exec('commit');
    } finally {
      target.close();
    }
  } catch (error) {
    // No room for the fresh file says nothing of the copy.
    if (error instanceof StartError || isFull(error)) throw error;
    throw new StartError(
      `The copy is damaged and cannot be read whole (${(error instanceof Error ? error.message : String(error)).split('\n')[0]!.slice(0, 120)}). Nothing was changed; choose another one.`,
    );
  } finally {
    source.close();
  }
  bringForward(to);
  const brought = new Database(to);
  try {
    // What was done on the day of the copy is not undone here, where it was another day since.
    brought.exec('delete from undo_log where undone_at is null');
    const problems = new Problems();
    looked(brought, problems);
    problems.end();
    brought.prepare('pragma wal_checkpoint(TRUNCATE)').all();
  } finally {
    brought.close();
  }
}
