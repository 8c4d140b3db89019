import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { rateOf } from '../../../core/price/costs.ts';
import { learnedIn, lossesIn, type CountOnRecord } from '../../../core/watch/term.ts';
import { OfferRow, PlaceRow, SupplierRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import type { TermReport } from '../../formats/termReport.ts';
import { recalledKits } from '../check/service.ts';
import { outOfStock } from '../gather/offers.ts';
import { watched } from '../watch/model.ts';

/** Counts that are looked at; older ones say nothing of a term. */
const MOST_COUNTS = 50_000;

interface CountColumns {
  kitId: number;
  on: string;
  afterLoan: number;
  parts: string;
  filled: string;
}

/** What happened from one day to another, both included: loans, losses at the rates of Price, kits made, and what was learned. */
export async function termReport(em: EntityManager, from: Day, to: Day, today: Day): Promise<TermReport> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const byKit = await rows<TermReport['kits'][number]>(
    em,
    'select coalesce(bundle.name, d.name) as name, count(*) as loans, count(distinct l.borrower_id) as families, sum(case when l.due_on < coalesce(l.returned_on, ?) then 1 else 0 end) as late, sum(case when l.returned_on is null then 1 else 0 end) as out from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.lent_on between ? and ? group by 1 order by 2 desc, 1',
    [today, from, to],
  );
  const byFamily = await rows<TermReport['byFamily'][number]>(
    em,
    "select b.name, b.group_name as \"group\", count(*) as loans, sum(case when l.due_on < coalesce(l.returned_on, ?) then 1 else 0 end) as late, sum(case when l.returned_on is null then 1 else 0 end) as out, coalesce(sum((select sum(max(0, (p.value ->> 'due') - (p.value ->> 'present') - coalesce(p.value ->> 'found', 0))) from \"count\" c, json_each(c.parts) p where c.loan_id = l.id)), 0) as missing from loan l join borrower b on b.id = l.borrower_id where l.lent_on between ? and ? group by b.id order by b.group_name, b.name",
    [today, from, to],
  );
  const overridden = await rows<TermReport['overridden'][number]>(
    em,
    'select l.lent_on as "on", b.name as family, k.label, l.override_of as stop, l.override_why as why, l.override_by as "by" from loan l join kit k on k.id = l.kit_id join borrower b on b.id = l.borrower_id where l.override_of is not null and l.lent_on between ? and ? order by l.lent_on, l.id',
    [from, to],
  );
  const recalled = await recalledKits(em);
  const calledBack = await rows<TermReport['calledBack'][number] & { id: number }>(
    em,
    'select k.id, k.label, coalesce(bundle.name, d.name) as kit, b.name as has from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id left join loan l on l.kit_id = k.id and l.returned_on is null left join borrower b on b.id = l.borrower_id where k.retired_on is null and k.id in (select value from json_each(?)) order by k.id',
    [JSON.stringify([...recalled.keys()])],
  );
  const failed = await rows<TermReport['failed'][number]>(
    em,
    'select t.done_on as "on", d.name as design, t.part, t.test, t.force, t.done_by as "by", t.words from hand_test t join design d on d.id = t.design_id where not t.passed and t.done_on between ? and ? order by t.done_on, t.id',
    [from, to],
  );
  const [{ families, copies }] = (await rows<{ families: number; copies: number }>(
    em,
    'select count(distinct borrower_id) as families, count(distinct kit_id) as copies from loan where lent_on between ? and ?',
    [from, to],
  )) as [{ families: number; copies: number }];
  const [{ made }] = (await rows<{ made: number }>(
    em,
    'select coalesce(sum(copies), 0) as made from build where built_on between ? and ?',
    [from, to],
  )) as [{ made: number }];
  const counts = (
    await rows<CountColumns>(
      em,
      `select kit_id as kitId, counted_on as "on", loan_id is not null as afterLoan, parts, filled from (select * from "count" where counted_on <= ? order by id desc limit ${MOST_COUNTS}) order by id`,
      [to],
    )
  ).map((c): CountOnRecord => ({
    kitId: c.kitId,
    on: c.on,
    afterLoan: c.afterLoan !== 0,
    parts: JSON.parse(c.parts) as CountOnRecord['parts'],
    filled: JSON.parse(c.filled) as CountOnRecord['filled'],
  }));
  const offers = await em.find(OfferRow, {}, { orderBy: { id: 'asc' } });
  const suppliers = await em.find(SupplierRow, {});
  const gone = await outOfStock(em);
  const packs = offers.map((o) => ({
    supplierId: o.supplier.id,
    price: o.price,
    inStock: !gone.has(o.id),
    contents: o.contents,
  }));
  const materials = new Map(
    (
      await rows<{ id: number; unit: 'each' | 'mm'; worth: number | null }>(
        em,
        'select id, unit, worth from material',
      )
    ).map(({ worth, ...m }) => [m.id, { ...m, ...(worth === null ? {} : { worth }) }]),
  );
  const losses = lossesIn(counts, from, to).map(({ name, materialId, lost }) => {
    const m = materialId === null ? undefined : materials.get(materialId);
    const rate = m && m.unit === 'each' ? rateOf(m, packs, suppliers) : null;
    return { name, lost, cost: rate === null || rate.from === 'saved' ? null : rate.minor * lost };
  });
  const names = new Map(
    (await rows<{ id: number; name: string; skill: string }>(em, 'select id, name, skill from design')).map(
      (d) => [d.id, d],
    ),
  );
  const notes = await watched(em);
  return {
    place: place.name,
    from,
    to,
    money: { currency: place.currency, locale: place.locale },
    families,
    copies,
    made,
    kits: byKit,
    byFamily,
    overridden,
    failed,
    calledBack: calledBack.map(({ id, ...k }) => ({ ...k, why: recalled.get(id)! })),
    today,
    losses,
    learned: learnedIn(notes, from, to).map(({ designId, ...l }) => ({
      ...l,
      name: names.get(designId)?.name ?? 'a design that is gone',
      skill: names.get(designId)?.skill ?? '',
    })),
    children: new Set(notes.filter((n) => n.satOn >= from && n.satOn <= to).map((n) => n.child)).size,
  };
}
