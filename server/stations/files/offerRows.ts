import { COLUMNS } from '../../../contract/files.ts';
import { moneyNumber } from '../../../core/measure/money.ts';
import { rows } from '../../db/rows.ts';
import { currencyOf, offerKey, paged, type Kind, type Raw } from './kind.ts';

export interface OfferValue {
  readonly supplier: string;
  readonly delivery: number | null;
  readonly pack: string;
  readonly price: number;
  readonly material: string;
  readonly quantity: number;
  readonly shopKey: string | null;
  readonly freeFrom: number | null;
}
export const offerRows: Kind<OfferValue> = {
  columns: COLUMNS.offers.all,
  required: COLUMNS.offers.required,
  read(cells, known) {
    const words = (column: string, most: number): string => {
      const text = cells.words(column);
      if (text === '') cells.fault(column, 'is missing; expected a name');
      if (text.length > most) cells.fault(column, `may have at most ${most} characters`);
      return text;
    };
    const supplier = words('supplier', 80);
    const pack = words('pack', 80);
    const material = words('material', 80);
    if (material && !known.materials.has(material.toLowerCase()))
      cells.fault('material', 'expected a material of this shelf; bring the materials in first');
    const price = cells.money('price');
    if (price === undefined && cells.raw('price').trim() === '')
      cells.fault('price', 'is missing; expected a price like 2.40');
    const quantity = cells.whole('quantity');
    if (quantity === undefined && cells.raw('quantity').trim() === '')
      cells.fault('quantity', 'is missing; expected a count');
    if (quantity !== undefined && (quantity < 1 || quantity > 1e6))
      cells.fault('quantity', 'expected 1 to 1,000,000');
    const delivery = cells.money('delivery') ?? null;
    const freeFrom = cells.money('delivery_free_from') ?? null;
    const shopKey = cells.words('shop_key') || null;
    if (cells.faults > 0) return null;
    return { supplier, delivery, pack, price: price!, material, quantity: quantity!, shopKey, freeFrom };
  },
  // A pack of several materials has a row for each.
  key: (o) => `${offerKey(o.supplier, o.pack)}\n${o.material.toLowerCase()}`,
  agrees: (o, { currency }) => [
    { key: `price\n${offerKey(o.supplier, o.pack)}`, column: 'price', value: moneyNumber(o.price, currency) },
    { key: `shop\n${offerKey(o.supplier, o.pack)}`, column: 'shop_key', value: o.shopKey ?? '' },
    ...(o.delivery === null
      ? []
      : [
          {
            key: `delivery\n${o.supplier.toLowerCase()}`,
            column: 'delivery',
            value: moneyNumber(o.delivery, currency),
          },
        ]),
    ...(o.freeFrom === null
      ? []
      : [
          {
            key: `free\n${o.supplier.toLowerCase()}`,
            column: 'delivery_free_from',
            value: moneyNumber(o.freeFrom, currency),
          },
        ]),
  ],
  exists: (o, known) => known.offers.has(offerKey(o.supplier, o.pack)),
  async *pages(em) {
    const currency = await currencyOf(em);
    const names = new Map(
      (await rows<{ id: number; name: string }>(em, 'select id, name from material')).map((m) => [
        m.id,
        m.name,
      ]),
    );
    interface Row {
      id: number;
      name: string;
      price: number;
      contents: string;
      shop_key: string | null;
      supplier: string;
      delivery: number;
      free_from: number | null;
    }
    for await (const page of paged((after) =>
      rows<Row>(
        em,
        'select o.id, o.name, o.price, o.contents, o.shop_key, s.name as supplier, s.delivery, s.free_from from offer o join supplier s on s.id = o.supplier_id where o.id > ? order by o.id limit 500',
        [after],
      ),
    ))
      yield page.flatMap((o) =>
        (JSON.parse(o.contents) as { materialId: number; quantity: number }[]).map((c): Raw[] => [
          o.supplier,
          moneyNumber(o.delivery, currency),
          o.name,
          moneyNumber(o.price, currency),
          names.get(c.materialId) ?? '',
          c.quantity,
          o.shop_key,
          o.free_from === null ? null : moneyNumber(o.free_from, currency),
        ]),
      );
  },
};
