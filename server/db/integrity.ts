import { closeSync, existsSync, openSync, readSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'libsql';
import { StartError } from '../startError.ts';
import type { Asker } from './asker.ts';
import { layoutOf, strayFrom } from './layout.ts';

/** "FOXB": tells a place's file from any other SQLite file. */
export const APPLICATION_ID = 0x464f5842;

/** The newest copy that could be put back, in words. */
function copyWords(file: string): string {
  const folder = dirname(file);
  const names = [folder, join(folder, 'backups')].flatMap((at) =>
    existsSync(at)
      ? readdirSync(at)
          .filter((n) => n.endsWith('.db') && join(at, n) !== file)
          .map((n) => join(at, n))
      : [],
  );
  const [newest] = names
    .filter((n) => statSync(n).size > 0)
    .sort((a, b) => statSync(b).mtimeMs - statSync(a).mtimeMs);
  return newest
    ? `move it and its -wal and -shm away and put a copy in its place; the newest here is ${newest}`
    : 'move it and its -wal and -shm away and put a backup in its place, or start without it for an empty place';
}

const head = (file: string): string => {
  const at = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(16);
    return bytes.toString('latin1', 0, readSync(at, bytes, 0, 16, 0));
  } finally {
    closeSync(at);
  }
};

/** Who is spoken to: whoever started the server, or whoever chose a copy or asked after the file on a screen. */
type Spoken = 'start' | 'copy' | 'in use';

/** What the file is called and what to do then; a screen is told no path of the server's machine. */
function wordsFor(
  spoken: Spoken,
  file: string,
): { name: string; broken(): string; foreign: string; newer: string } {
  switch (spoken) {
    case 'start':
      return {
        name: file,
        broken: () => copyWords(file),
        foreign: 'set FOX_DATA to another folder',
        newer: 'start that version, or put back a copy from before it was brought forward',
      };
    case 'copy':
      return {
        name: 'The copy',
        broken: () => 'choose another one; nothing was changed',
        foreign: 'choose a copy of a place',
        newer: 'choose one that this version or an older one made',
      };
    case 'in use':
      return {
        name: 'The place’s file',
        broken: () => 'put the newest copy back that is sound',
        foreign: 'put the newest copy back that is sound',
        newer: 'start that version',
      };
  }
}

/**
 * Looks whether a file may be opened as a place's, without writing to it: not empty, sound, ours, and not from a newer
 * version. A file that is not there yet is in order.
 *
 * @param known names of the migrations this version has
 * @param spoken whom the refusal is for
 * @throws StartError with what is wrong and what to do
 */
export function checkFile(file: string, known: readonly string[], spoken: Spoken = 'start'): void {
  if (!existsSync(file)) return;
  const words = wordsFor(spoken, file);
  const refuse = (what: string): StartError => new StartError(`${words.name} ${what}: ${words.broken()}.`);
  if (!statSync(file).isFile())
    throw new StartError(`${words.name} is not a file; expected the place’s database.`);
  if (statSync(file).size === 0) throw refuse('is empty (0 bytes)');
  if (head(file) !== 'SQLite format 3\0') throw refuse('is damaged: it does not begin as a database does');
  let db: Asker | null = null;
  const values = (sql: string): unknown[] =>
    db!
      .prepare(sql)
      .all()
      .map((row) => (Object.values(row as object) as unknown[])[0]);
  try {
    db = new Database(file, { readonly: true });
    const [id] = values('pragma application_id');
    if (id !== 0 && id !== APPLICATION_ID)
      throw new StartError(`${words.name} belongs to another program; ${words.foreign}.`);
    const tables = values("select name from sqlite_master where type = 'table'");
    if (tables.length > 0 && !tables.includes('mikro_orm_migrations'))
      throw new StartError(`${words.name} is no place’s database; ${words.foreign}.`);
    const done = tables.length > 0 ? values('select name from mikro_orm_migrations order by id') : [];
    const newer = done.filter((name) => !known.includes(String(name)));
    if (newer.length > 0)
      throw new StartError(
        `${words.name} was written by a newer version of Fox Button (it knows “${String(newer[0])}”): ${words.newer}.`,
      );
    if (done.length > 0 && done.some((name, i) => name !== known[i]))
      throw new StartError(
        `${words.name} has had its changes in another order than this version: ${words.broken()}.`,
      );
    // What comes from elsewhere is read row by row and described by nothing of its own: see bringIn.
    if (spoken !== 'copy') {
      const stray = done.length > 0 ? strayFrom(layoutOf(db), done.length, true) : null;
      if (stray !== null)
        throw new StartError(
          `${words.name} is not laid out as its list of changes says: it ${stray}. It was changed by another program or made by a version in between: ${words.broken()}.`,
        );
      const [sound] = values('pragma quick_check(1)');
      if (sound !== 'ok') throw refuse('is damaged');
    }
  } catch (error) {
    if (error instanceof StartError) throw error;
    const { code } = error as { code?: string };
    if (/SQLITE_(CORRUPT|NOTADB)/.test(String(code)) || /malformed|not a database/i.test(String(error)))
      throw refuse('is damaged');
    throw error;
  } finally {
    db?.close();
  }
}
