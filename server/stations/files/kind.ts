import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import type { Currency } from '../../../core/measure/money.ts';
import type { SizeName } from '../../../core/materials/material.ts';
import { rows } from '../../db/rows.ts';
import { SIZES, type FileKind } from '../../../contract/files.ts';
import type { Cells } from './cells.ts';
import { knownKits, lendableKinds, type KnownKit, type KnownKind } from './knownKits.ts';

export type Raw = string | number | null;
/** What is known of the place while a file is read. */
export interface Known {
  readonly materials: Map<string, { id: number; form: string }>;
  readonly lots: Set<number>;
  readonly offers: Set<string>;
  readonly families: Set<string>;
  /** By name in small letters; null where several designs have it. */
  readonly designs: Map<string, number | null>;
  readonly notes: Set<number>;
  readonly familyIds: Map<string, number>;
  /** Kits by label. */
  readonly kits: Map<string, KnownKit>;
  /** What a new kit may be of, by name in small letters: designs and kits of several; null where several have the name. */
  readonly lendable: Map<string, KnownKind | null>;
  readonly loans: Set<number>;
  readonly counts: Set<number>;
  readonly events: Set<number>;
  readonly currency: Currency;
  readonly today: Day;
}
export interface Kind<T> {
  readonly columns: readonly string[];
  readonly required: readonly string[];
  /** The row as a value to keep, or null when something was told to `cells.fault`. */
  read(cells: Cells, known: Known): T | null;
  /** Two rows with one key are a fault; null where every row stands for itself. */
  key(value: T): string | null;
  exists(value: T, known: Known): boolean;
  /** What must be the same in every row with the same key: a pack of several rows has one price. */
  agrees?(
    value: T,
    known: Known,
  ): { readonly key: string; readonly column: string; readonly value: string }[];
  /** Every row of the place, in pages, for a file to go out. */
  pages(em: EntityManager, today: Day): AsyncGenerator<Raw[][]>;
}

/** What the reading of a kind of file must know of the place; all of it where no kind is said. */
export async function knownOf(em: EntityManager, today: Day, kind?: FileKind): Promise<Known> {
  const materials = await rows<{ id: number; name: string; form: string }>(
    em,
    'select id, name, form from material',
  );
  const about = (k: FileKind): boolean => kind === undefined || kind === k;
  const offers = about('offers')
    ? await rows<{ name: string; supplier: string }>(
        em,
        'select o.name, s.name as supplier from offer o join supplier s on s.id = o.supplier_id',
      )
    : [];
  const families = about('families') ? await rows<{ name: string }>(em, 'select name from borrower') : [];
  const designs = about('notes')
    ? await rows<{ id: number | null; name: string }>(
        em,
        'select case when count(*) = 1 then min(id) end as id, lower(name) as name from design group by lower(name)',
      )
    : [];
  const notes = about('notes') ? await rows<{ id: number }>(em, 'select id from note') : [];
  const ids = async (k: FileKind, table: string): Promise<Set<number>> =>
    new Set(about(k) ? (await rows<{ id: number }>(em, `select id from "${table}"`)).map((r) => r.id) : []);
  const ofKits = (['kits', 'loans', 'counts', 'events'] as const).some(about);
  const lots = about('lots') ? await rows<{ id: number }>(em, 'select id from lot') : [];
  return {
    materials: new Map(materials.map((m) => [m.name.toLowerCase(), { id: m.id, form: m.form }])),
    lots: new Set(lots.map((l) => l.id)),
    currency: await currencyOf(em),
    offers: new Set(offers.map((o) => offerKey(o.supplier, o.name))),
    families: new Set(families.map((f) => f.name.toLowerCase())),
    designs: new Map(designs.map((d) => [d.name, d.id])),
    notes: new Set(notes.map((n) => n.id)),
    familyIds: new Map(
      about('loans')
        ? (await rows<{ id: number; name: string }>(em, 'select id, name from borrower')).map((b) => [
            b.name.toLowerCase(),
            b.id,
          ])
        : [],
    ),
    kits: ofKits ? await knownKits(em) : new Map<string, KnownKit>(),
    lendable: about('kits') ? await lendableKinds(em, today) : new Map<string, KnownKind | null>(),
    loans: new Set([
      ...(await ids('loans', 'loan')),
      ...(about('counts') ? await ids('counts', 'loan') : []),
    ]),
    counts: await ids('counts', 'count'),
    events: await ids('events', 'kit_event'),
    today,
  };
}
/** The currency that prices in files are written in: the place's. */
export const currencyOf = async (em: EntityManager): Promise<Currency> =>
  (await rows<{ currency: string }>(em, 'select currency from place'))[0]!.currency;
export const offerKey = (supplier: string, pack: string): string => `${supplier}\n${pack}`.toLowerCase();

/** Pages of a table by id, so that a large shelf streams out. */
export async function* paged<T extends { id: number }>(
  page: (after: number) => Promise<T[]>,
): AsyncGenerator<T[]> {
  for (let after = 0; ;) {
    const found = await page(after);
    if (found.length === 0) return;
    yield found;
    after = found.at(-1)!.id;
  }
}

export function sizesOf(cells: Cells): Partial<Record<SizeName, number>> {
  return Object.fromEntries(
    SIZES.flatMap((s) => {
      const mm = cells.length(s);
      return mm === undefined ? [] : [[s, mm]];
    }),
  );
}
export const sizeCells = (sizes: Partial<Record<SizeName, number>>): Raw[] =>
  SIZES.map((s) => sizes[s] ?? null);
