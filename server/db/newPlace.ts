import Database from 'libsql';
import { allStatements } from './forward.ts';

type Row = Readonly<Record<string, unknown>>;

/** A value as SQL writes it: what a new place holds is numbers and short texts. */
const literal = (value: unknown): string => {
  if (value === null) return 'null';
  if (typeof value === 'number') return String(value);
  if (typeof value === 'string') return `'${value.replaceAll("'", "''")}'`;
  throw new Error(`a new place holds a ${typeof value}; expected numbers and texts`);
};

let made: string | null = null;

/**
 * Statements of a new place, made at once: what all changes one after the other lead to. That is found out once in a
 * process, since tests begin hundreds of places; each is known by a number of its own.
 */
export function newPlaceSql(): string {
  if (made !== null) return made;
  const db = new Database(':memory:');
  try {
    db.exec(allStatements().join(';\n'));
    const things = db
      .prepare("select type, name, sql from sqlite_master where sql is not null and name not like 'sqlite_%'")
      .all() as { type: string; name: string; sql: string }[];
    const of = (isTable: boolean): string[] =>
      things.filter((t) => (t.type === 'table') === isTable).map((t) => t.sql);
    const rows = things
      .filter((t) => t.type === 'table')
      .flatMap(({ name }) =>
        (db.prepare(`select * from "${name}"`).all() as Row[]).map(
          (row) =>
            `insert into "${name}" (${Object.keys(row)
              .map((c) => `"${c}"`)
              .join(', ')}) values (${Object.values(row).map(literal).join(', ')})`,
        ),
      );
    // Indexes and triggers after the rows: nothing is to be counted twice.
    const own = 'update "place" set "identity" = lower(hex(randomblob(16)))';
    made = [...of(true), ...rows, ...of(false), own].join(';\n');
    return made;
  } finally {
    db.close();
  }
}

/** A new place in a file that is not there yet, whole or not at all. */
export function makeNewPlace(file: string): void {
  const db = new Database(file);
  try {
    db.prepare('pragma journal_mode = WAL').all();
    db.exec('pragma synchronous = FULL');
    db.exec(`begin immediate;\n${newPlaceSql()};\ncommit`);
  } finally {
    db.close();
  }
}
