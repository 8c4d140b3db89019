import type { Wanted } from '../../formats/wanted.ts';
import type { OpenedDesign } from '../make/designPapers.ts';
import { supplyOf } from '../shape/service.ts';

/** What kits of a design still lack after what other designs on the bench speak for, material by material. */
export async function wantedData(o: OpenedDesign): Promise<Omit<Wanted, 'until'>> {
  const { supply, rows } = await supplyOf(o.em, o.design, o.copies, o.today);
  const short = new Map<number, number>();
  for (const l of supply.lines) short.set(l.need.materialId, (short.get(l.need.materialId) ?? 0) + l.short);
  return {
    place: o.place,
    design: o.design.name,
    lines: [...short].flatMap(([id, n]) => (n > 0 ? [{ material: rows.get(id)!, short: n }] : [])),
    unit: o.unit,
    locale: o.locale,
  };
}
