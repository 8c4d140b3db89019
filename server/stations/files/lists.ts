import type { EntityManager } from '@mikro-orm/core';
import type { RecordKind } from '../../../contract/files.ts';
import { rows } from '../../db/rows.ts';
import { csvRows } from '../../formats/csv.ts';
import type { Raw } from './kind.ts';

/** Rows that are read together. */
const AT_ONCE = 2000;

interface List {
  readonly columns: readonly string[];
  /** Its columns after the id, of rows with a larger id than the one asked. */
  readonly sql: string;
}

const KIT =
  'join copy c on c.id = x.copy_id join design d on d.id = c.design_id left join kit k on k.id = c.kit_id';
/** What is there is one word, whatever it was counted as: `8 of 8 Cap, 0 of 1 Tub`. */
const COUNTED =
  "(select group_concat(json_extract(p.value, '$.present') || ' of ' || json_extract(p.value, '$.due') || ' ' || json_extract(p.value, '$.name'), ', ') from json_each(PARTS) p)";
const counted = (parts: string): string => COUNTED.replace('PARTS', parts);

const LISTS: Readonly<Record<RecordKind, List>> = {
  kits: {
    columns: [
      'label',
      'kit',
      'skill',
      'parts',
      'last_counted',
      'in_repair',
      'to_clean',
      'rests_until',
      'retired_on',
      'with',
      'due_on',
    ],
    sql: `select x.id, x.label, coalesce(k.name, d.name), d.skill, ${counted('x.parts')}, x.last_counted, x.repair, x.to_clean, x.rests_until, x.retired_on, b.name, l.due_on from copy x join design d on d.id = x.design_id left join kit k on k.id = x.kit_id left join loan l on l.copy_id = x.id and l.returned_on is null left join borrower b on b.id = l.borrower_id`,
  },
  loans: {
    columns: ['label', 'kit', 'family', 'lent_on', 'due_on', 'returned_on', 'outcome', 'counted'],
    sql: `select x.id, c.label, coalesce(k.name, d.name), b.name, x.lent_on, x.due_on, x.returned_on, x.outcome, ${counted('x.counted')} from loan x ${KIT} join borrower b on b.id = x.borrower_id`,
  },
  counts: {
    columns: ['label', 'kit', 'counted_on', 'family', 'counted', 'outcome'],
    sql: `select x.id, c.label, coalesce(k.name, d.name), x.counted_on, b.name, ${counted('x.parts')}, x.outcome from "count" x ${KIT} left join loan l on l.id = x.loan_id left join borrower b on b.id = l.borrower_id`,
  },
  events: {
    columns: ['label', 'kit', 'on', 'what', 'by', 'why'],
    sql: `select x.id, c.label, coalesce(k.name, d.name), x.done_on, x.what, x.done_by, x.why from copy_event x ${KIT}`,
  },
};

/** Everything on record of one kind as CSV, page by page, the oldest first. */
export async function* exportRecords(em: EntityManager, kind: RecordKind): AsyncGenerator<string> {
  const { columns, sql } = LISTS[kind];
  yield csvRows([columns]);
  for (let after = 0; ;) {
    const page = await rows<Record<string, Raw>>(em, `${sql} where x.id > ? order by x.id limit ${AT_ONCE}`, [
      after,
    ]);
    if (page.length === 0) return;
    yield csvRows(page.map((r) => Object.values(r).slice(1)));
    after = Number(page.at(-1)!.id);
  }
}
