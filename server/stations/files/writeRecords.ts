import type { EntityManager } from '@mikro-orm/core';
import { KitEventRow, KitRow, CountRow, LoanRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError } from '../../problem.ts';
import type { KitValue } from './kitRows.ts';
import type { CountValue, EventValue, LoanValue } from './recordRows.ts';
import { takeOver, type Written } from './write.ts';

/** Something that the file was read against is gone, or came, since. */
const meanwhile = (what: string, column: string): ProblemError =>
  new ProblemError(409, `${what} meanwhile; nothing was written. Choose the file again.`, [
    { path: column, message: 'expected what was there when the file was read' },
  ]);

/** A kit is known by its label: the same label changes what is there. Nothing is taken off the shelf for a new one. */
export async function writeKits(em: EntityManager, all: AsyncGenerator<KitValue[]>): Promise<Written> {
  const here = new Map(
    (await rows<{ id: number; label: string }>(em, 'select id, label from kit')).map((c) => [c.label, c.id]),
  );
  const done = { added: 0, changed: 0 };
  for await (const batch of all) {
    if (batch.some((k) => (here.get(k.label) ?? null) !== k.id))
      throw meanwhile('A kit was made or deleted', 'label');
    const states = (k: KitValue) => ({
      repair: k.repair,
      toClean: k.toClean,
      restsUntil: k.restsUntil,
      retiredOn: k.retiredOn,
      lastCounted: k.lastCounted,
      parts: [...k.parts],
    });
    const fresh = batch.filter((k) => k.id === null);
    if (fresh.length > 0)
      await em.insertMany(
        KitRow,
        fresh.map((k) => ({
          label: k.label,
          design: k.designId,
          bundle: k.bundleId,
          build: null,
          ...states(k),
        })),
      );
    const changes = new Map(batch.flatMap((k) => (k.id === null ? [] : [[k.id, k] as const])));
    await takeOver(em, await em.find(KitRow, { id: { $in: [...changes.keys()] } }), changes, states);
    done.added += fresh.length;
    done.changed += changes.size;
  }
  return done;
}

/** Rows with a number that is here change it; those with another bring theirs; those without get one. */
async function writeNumbered<V extends { readonly id: number | null }>(
  em: EntityManager,
  all: AsyncGenerator<V[]>,
  o: {
    readonly table: 'loan' | 'count' | 'kit_event';
    readonly insert: (values: object[]) => Promise<unknown>;
    readonly find: (ids: number[]) => Promise<{ id: number }[]>;
    readonly fields: (value: V) => object;
    /** What a new row has besides. */
    readonly more: object;
    /** What a row that is there takes over. */
    readonly changed?: (value: V) => object;
    readonly refuse?: (batch: readonly V[]) => Promise<void>;
  },
): Promise<Written> {
  const there = new Set((await rows<{ id: number }>(em, `select id from "${o.table}"`)).map((r) => r.id));
  const done = { added: 0, changed: 0 };
  for await (const batch of all) {
    await o.refuse?.(batch);
    const isHere = (v: V): boolean => v.id !== null && there.has(v.id);
    const numbered = batch.filter((v) => v.id !== null && !isHere(v));
    const plain = batch.filter((v) => v.id === null);
    // One insert has one set of columns.
    if (numbered.length > 0) await o.insert(numbered.map((v) => ({ id: v.id!, ...o.fields(v), ...o.more })));
    if (plain.length > 0) await o.insert(plain.map((v) => ({ ...o.fields(v), ...o.more })));
    const changes = new Map(batch.flatMap((v) => (isHere(v) ? [[v.id!, v] as const] : [])));
    await takeOver(em, await o.find([...changes.keys()]), changes, o.changed ?? o.fields);
    done.added += numbered.length + plain.length;
    done.changed += changes.size;
  }
  return done;
}

/** Kits and families that rows name must still be there. */
async function refuseGone(
  em: EntityManager,
  ids: readonly { readonly kitId: number; readonly borrowerId?: number }[],
): Promise<void> {
  const lost = async (table: 'kit' | 'borrower', wanted: readonly number[]): Promise<boolean> => {
    const some = [...new Set(wanted)];
    const [found] = await rows<{ n: number }>(
      em,
      `select count(*) as n from ${table} where id in (select value from json_each(?))`,
      [JSON.stringify(some)],
    );
    return found!.n < some.length;
  };
  if (
    await lost(
      'kit',
      ids.map((v) => v.kitId),
    )
  )
    throw meanwhile('A kit was deleted', 'label');
  if (
    await lost(
      'borrower',
      ids.flatMap((v) => v.borrowerId ?? []),
    )
  )
    throw meanwhile('A family was deleted', 'family');
}

export const writeLoans = (em: EntityManager, all: AsyncGenerator<LoanValue[]>): Promise<Written> =>
  writeNumbered(em, all, {
    table: 'loan',
    insert: (values) => em.insertMany(LoanRow, values as never),
    find: (ids) => em.find(LoanRow, { id: { $in: ids } }),
    fields: ({ kitId, borrowerId, id: _, ...l }) => ({ ...l, kit: kitId, borrower: borrowerId }),
    // What a return counted stays where the file is silent about it.
    changed: ({ kitId, borrowerId, id: _, counted, ...l }) => ({
      ...l,
      kit: kitId,
      borrower: borrowerId,
      ...(counted === null && l.returnedOn !== null ? {} : { counted }),
    }),
    more: {},
    refuse: async (batch) => {
      await refuseGone(em, batch);
      const out = new Map(
        (
          await rows<{ id: number; kit: number }>(
            em,
            'select id, kit_id as kit from loan where returned_on is null and kit_id in (select value from json_each(?))',
            [JSON.stringify(batch.map((l) => l.kitId))],
          )
        ).map((l) => [l.kit, l.id]),
      );
      const closed = new Set(batch.flatMap((l) => (l.id !== null && l.returnedOn !== null ? [l.id] : [])));
      for (const l of batch) {
        const other = out.get(l.kitId);
        if (l.returnedOn === null && other !== undefined && other !== l.id && !closed.has(other))
          throw meanwhile('A kit of the file was lent', 'label');
      }
    },
  });

export const writeCounts = (em: EntityManager, all: AsyncGenerator<CountValue[]>): Promise<Written> =>
  writeNumbered(em, all, {
    table: 'count',
    insert: (values) => em.insertMany(CountRow, values as never),
    find: (ids) => em.find(CountRow, { id: { $in: ids } }),
    fields: ({ kitId, loanId, id: _, ...c }) => ({ ...c, parts: [...c.parts], kit: kitId, loan: loanId }),
    more: { filled: [] },
    refuse: (batch) => refuseGone(em, batch),
  });

export const writeEvents = (em: EntityManager, all: AsyncGenerator<EventValue[]>): Promise<Written> =>
  writeNumbered(em, all, {
    table: 'kit_event',
    insert: (values) => em.insertMany(KitEventRow, values as never),
    find: (ids) => em.find(KitEventRow, { id: { $in: ids } }),
    fields: ({ kitId, id: _, ...e }) => ({ ...e, kit: kitId }),
    more: {},
    refuse: (batch) => refuseGone(em, batch),
  });
