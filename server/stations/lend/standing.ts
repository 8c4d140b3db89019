import type { Day } from '../../../core/calendar/days.ts';
import { STANDINGS, type Standing } from '../../../core/lend/status.ts';

/** A part of a query, and what its question marks stand for. */
export interface Sql {
  readonly sql: string;
  readonly params: readonly unknown[];
}
/** What has to be known of today: the day, and which kits are called back, with why. */
export interface Now {
  readonly today: Day;
  readonly recalled: ReadonlyMap<number, string>;
}

/** Kits of which each standing holds, whatever else does (core/lend/status.ts), as a query by an index of its own; all where null. */
const KITS: Readonly<Record<Standing, ((now: Now) => Sql) | null>> = {
  late: ({ today }) => ({
    sql: 'select kit_id from loan where returned_on is null and due_on < ?',
    params: [today],
  }),
  // Those that are late come first, so these are the rest.
  out: ({ today }) => ({
    sql: 'select kit_id from loan where returned_on is null and due_on >= ?',
    params: [today],
  }),
  retired: () => ({ sql: 'select id from kit where retired_on is not null', params: [] }),
  recalled: ({ recalled }) => ({
    sql: 'select value from json_each(?)',
    params: [JSON.stringify([...recalled.keys()])],
  }),
  repair: () => ({ sql: 'select id from kit where repair <> 0', params: [] }),
  'to clean': () => ({ sql: 'select id from kit where to_clean <> 0', params: [] }),
  resting: ({ today }) => ({ sql: 'select id from kit where rests_until > ?', params: [today] }),
  in: null,
};

const joined = (parts: readonly Sql[], by: string): Sql => ({
  sql: parts.map((p) => p.sql).join(by),
  params: parts.flatMap((p) => p.params),
});
const those = (standings: readonly Standing[], now: Now): Sql[] =>
  standings.flatMap((s) => {
    const kits = KITS[s];
    return kits ? [kits(now)] : [];
  });
const among = (what: string, { sql, params }: Sql): Sql => ({ sql: `${what} (${sql})`, params });

/** The condition that a kit (`c`) stands so today. */
export function standsSo(standing: Standing, now: Now): Sql {
  const before = STANDINGS.slice(0, STANDINGS.indexOf(standing));
  return joined(
    [
      ...those([standing], now).map((kits) => among('k.id in', kits)),
      ...those(before, now).map((kits) => among('k.id not in', kits)),
    ],
    ' and ',
  );
}

/** Where a kit (`c`) stands today, as an expression. */
export function standingSql(now: Now): Sql {
  const cases = STANDINGS.map((s): Sql => {
    const [kits] = those([s], now);
    return kits
      ? { sql: `when k.id in (${kits.sql}) then '${s}'`, params: kits.params }
      : { sql: `else '${s}'`, params: [] };
  });
  const { sql, params } = joined(cases, ' ');
  return { sql: `case ${sql} end`, params };
}

/** Ids of all kits that are not simply in. */
export const notSimplyIn = (now: Now): Sql => joined(those(STANDINGS, now), ' union ');

/** Whether a kit (`c`) is short of something. */
export const IS_SHORT =
  "exists (select 1 from json_each(k.parts) where value ->> 'present' < value ->> 'due')";
