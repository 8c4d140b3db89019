import type { EntityManager } from '@mikro-orm/core';
import { rows } from './rows.ts';

/** What stands where somebody was named. */
const ERASED_WORD = 'erased';

/** Tables that name nobody who is erased: who works here, what the place is, what is on the shelf and what it costs. */
const NAMES_NOBODY = new Set([
  'place',
  'person',
  'session',
  'material',
  'supplier',
  'offer',
  'price_seen',
  'step_time',
  'kits_in_use',
  'committed',
  'erasure',
  'mikro_orm_migrations',
]);

/** Rows looked through at once. */
const AT_ONCE = 2000;

/** A name as a word of its own: “G-0” is not in “G-04”, nor “Teal” in “Tealight”. */
const asWord = (name: string): RegExp =>
  new RegExp(`(?<![\\p{L}\\p{N}-])${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}-])`, 'gu');

/**
 * Takes a name or a code out of whatever words the place has written: reasons, notes, names of designs and plans, words of
 * tests, lots that came from somebody. What was counted, timed and tested stays.
 */
export async function eraseWords(em: EntityManager, name: string): Promise<void> {
  // As it stands in JSON too, where a quote or a line has a mark before it.
  const forms = [...new Set([name, JSON.stringify(name).slice(1, -1)])];
  const tables = await rows<{ name: string }>(
    em,
    "select name from sqlite_master where type = 'table' and name not like 'sqlite~_%' escape '~'",
  );
  for (const { name: table } of tables) {
    if (NAMES_NOBODY.has(table)) continue;
    const columns = (
      await rows<{ name: string }>(
        em,
        `select name from pragma_table_info('${table}') where lower(type) in ('text', 'json') and pk = 0`,
      )
    ).map((c) => c.name);
    if (columns.length === 0) continue;
    const named = columns.flatMap((c) => forms.map(() => `instr("${c}", ?) > 0`)).join(' or ');
    const asked = columns.flatMap(() => forms);
    const [{ last }] = (await rows<{ last: number | null }>(
      em,
      `select max(rowid) as last from "${table}"`,
    )) as [{ last: number | null }];
    // Piece by piece: a long table must not hold up everybody else.
    for (let from = 0; from < (last ?? 0); from += AT_ONCE) {
      const found = await rows<Record<string, string | number | null>>(
        em,
        `select rowid as "the row", ${columns.map((c) => `"${c}"`).join(', ')} from "${table}" where rowid > ? and rowid <= ? and (${named})`,
        [from, from + AT_ONCE, ...asked],
      );
      for (const row of found)
        for (const column of columns) {
          const words = row[column];
          if (typeof words !== 'string') continue;
          const left = forms.reduce((w, form) => w.replace(asWord(form), ERASED_WORD), words);
          if (left !== words)
            await rows(em, `update "${table}" set "${column}" = ? where rowid = ?`, [left, row['the row']]);
        }
      await new Promise((go) => setImmediate(go));
    }
  }
}
