import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PriceSeen, ShopList, ShopRefreshed } from '../../../contract/shop.ts';
import type { Offer } from '../../../contract/materials.ts';
import { listDays, priceList, SHOP } from '../../devices/shop.ts';
import { entryOf } from '../../../core/catalogue/index.ts';
import { startTest, type TestDesk, withDesign } from '../../testing.ts';

let desk: TestDesk;
afterEach(() => desk.close());

describe('the simulated shop', () => {
  it('has lists that hold for weeks, then step, within each pack’s swing; packs sell out and come back', async () => {
    desk = await startTest();
    const weeks = listDays(null, '2026-11-24').concat(listDays(null, '2026-08-31'));
    for (const p of SHOP) {
      const lines = weeks.map((d) => priceList(d).find((l) => l.key === p.key)!);
      for (const l of lines) expect(Math.abs(l.price - p.usual)).toBeLessThanOrEqual(p.usual * p.swing + 2.5);
      for (const c of p.contents) expect(entryOf(c.catalogue)).toBeDefined();
    }
    const all = SHOP.flatMap((p) => weeks.map((d) => priceList(d).find((l) => l.key === p.key)!));
    expect(new Set(all.map((l) => l.price)).size).toBeGreaterThan(SHOP.length);
    const out = all.filter((l) => !l.inStock).length / all.length;
    expect(out).toBeGreaterThan(0.03);
    expect(out).toBeLessThan(0.3);
    expect(priceList('2026-11-24')).toEqual(priceList('2026-11-23'));
  });
});

describe('prices', () => {
  it('of a followed pack come with twelve weeks of history, and follow the list at each refresh', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'fox-prices-'));
    desk = await startTest({ folder, today: '2026-10-05' });
    const list = (await desk.get('/shop').expect(200)).body as ShopList;
    expect(list.packs).toHaveLength(SHOP.length);
    const offer = (await desk.post('/shop/packs', { key: 'pegs-36' }).expect(201)).body as Offer;
    expect(offer).toMatchObject({ name: 'Wooden pegs, 36', shopKey: 'pegs-36' });
    expect(offer.price).toBe(list.packs.find((p) => p.key === 'pegs-36')!.price);
    await desk.post('/shop/packs', { key: 'pegs-36' }).expect(409);
    await desk.post('/shop/packs', { key: 'moon' }).expect(422);
    expect((await desk.get('/prices')).body).toHaveLength(12);
    expect((await desk.post('/shop/refresh', {}).expect(200)).body).toEqual({
      followed: 1,
      lists: 0,
      changed: [],
    });
    // The same place seven weeks later.
    await desk.close();
    desk = await startTest({ folder, today: '2026-11-24' });
    const r = (await desk.post('/shop/refresh', {}).expect(200)).body as ShopRefreshed;
    expect(r).toMatchObject({ followed: 1, lists: 7 });
    const now = priceList('2026-11-24').find((l) => l.key === 'pegs-36')!;
    const [kept] = (await desk.get('/offers')).body as Offer[];
    expect(kept).toMatchObject({ price: now.price, inStock: now.inStock });
    const seen = (await desk.get('/prices')).body as PriceSeen[];
    expect(seen).toHaveLength(19);
    expect(seen.map((p) => p.seenOn)).toEqual([...seen.map((p) => p.seenOn)].sort());
    expect(seen.at(-1)).toMatchObject({ seenOn: '2026-11-23', price: now.price });
    for (const c of r.changed) expect(c.before !== c.after || c.inStock !== c.wasInStock).toBe(true);
    rmSync(folder, { recursive: true, force: true });
  });
  it('entered by hand are written down with each change of price', async () => {
    desk = await startTest();
    const { id } = (
      await desk
        .post('/materials', {
          name: 'Peg',
          form: 'piece',
          solid: 'block',
          sizes: { length: 70, width: 12, height: 14 },
          unit: 'each',
          kept: 0,
          materialClass: 'wood',
          give: 0,
          hazards: [],
          colour: '#AABBCC',
        })
        .expect(201)
    ).body as { id: number };
    const supplier = (await desk.post('/suppliers', { name: 'Pier', delivery: 100 }).expect(201)).body as {
      id: number;
    };
    const body = {
      name: 'Pegs',
      supplierId: supplier.id,
      price: 200,
      contents: [{ materialId: id, quantity: 24 }],
    };
    const offer = (await desk.post('/offers', body).expect(201)).body as Offer;
    await desk.put(`/offers/${offer.id}`, { ...body, price: 240, version: offer.version }).expect(200);
    expect((await desk.get('/prices')).body).toEqual([
      { offerId: offer.id, seenOn: '2026-11-24', price: 240, inStock: true },
    ]);
    await desk.del(`/offers/${offer.id}`).expect(204);
    expect((await desk.get('/prices')).body).toEqual([]);
  });
});

it('what was bought becomes lots with what it cost, all or nothing', async () => {
  desk = await startTest();
  const { cap, tub } = await withDesign(desk);
  const shop = (
    await desk.post('/suppliers', { name: 'Slipway stores', delivery: 250, freeFrom: 2000 }).expect(201)
  ).body as { id: number; freeFrom: number };
  expect(shop.freeFrom).toBe(2000);
  const offer = (
    await desk
      .post('/offers', {
        supplierId: shop.id,
        name: 'Starter box',
        price: 900,
        contents: [
          { materialId: cap.id, quantity: 20 },
          { materialId: tub.id, quantity: 2 },
        ],
      })
      .expect(201)
  ).body as { id: number };
  await desk
    .post('/purchases', {
      packs: [
        { offerId: offer.id, count: 2 },
        { offerId: 999, count: 1 },
      ],
    })
    .expect(422);
  const kept = async () =>
    Object.fromEntries(
      ((await desk.get('/materials')).body as { name: string; kept: number }[]).map((m) => [m.name, m.kept]),
    );
  expect(await kept()).toMatchObject({ Cap: 27, Tub: 6 });
  const lots = (await desk.post('/purchases', { packs: [{ offerId: offer.id, count: 2 }] }).expect(201)).body;
  expect(lots).toMatchObject([
    { name: 'Cap', quantity: 40 },
    { name: 'Tub', quantity: 4 },
  ]);
  expect(await kept()).toMatchObject({ Cap: 67, Tub: 10 });
  const all = (await desk.get('/lots')).body as { reason: string }[];
  expect(all.filter((l) => l.reason === 'Bought: 2 × Starter box, Slipway stores, €9.00 each')).toHaveLength(
    2,
  );
  // The sum for free delivery goes out and comes in with the packs.
  const csv = (await desk.get('/files/offers.csv').expect(200)).text;
  expect(csv).toMatch(/Slipway stores,2\.50,Starter box,9\.00,Cap,20,,20\.00/);
});
