import { asMaterial, entryOf } from '../../../core/catalogue/index.ts';
import { starterShelf } from '../../../core/catalogue/starter.ts';
import { startTest, TODAY, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const shelf = async () =>
  (await desk.get('/materials')).body as { id: number; name: string; kept: number; colour: string }[];
const keptOf = async (name: string) => (await shelf()).find((m) => m.name === name)?.kept;

describe('a starter shelf', () => {
  it('is put there at once, with the counts that were typed', async () => {
    const kinds = starterShelf().map((k) => ({ catalogue: k.entry.key, quantity: k.usual + 1 }));
    expect((await desk.post('/materials/starter', { kinds }).expect(201)).body).toEqual({
      added: kinds.length,
      left: 0,
    });
    expect(await keptOf('Milk-bottle cap')).toBe(13);
    // Again, nothing is added to what is there.
    expect((await desk.post('/materials/starter', { kinds }).expect(201)).body).toEqual({
      added: 0,
      left: kinds.length,
    });
    expect(await keptOf('Milk-bottle cap')).toBe(13);
  });
  it('is all or nothing, and names what is wrong', async () => {
    const wrong = await desk.post('/materials/starter', {
      kinds: [
        { catalogue: 'milk-cap', quantity: 3 },
        { catalogue: 'dragon-scale', quantity: 3 },
      ],
    });
    expect(wrong.status).toBe(422);
    expect(wrong.body.errors[0].path).toBe('kinds.1.catalogue');
    expect(await shelf()).toEqual([]);
    for (const [body, path] of [
      [{ kinds: [] }, 'kinds'],
      [{ kinds: [{ catalogue: 'milk-cap', quantity: -1 }] }, 'kinds.0.quantity'],
    ] as const) {
      const r = await desk.post('/materials/starter', body);
      expect([r.status, r.body.errors[0].path]).toEqual([400, path]);
    }
  });
  it('can be the demo’s, with its packs, on an empty shelf only', async () => {
    const { added } = (await desk.post('/materials/demo', {}).expect(201)).body as { added: number };
    expect(await shelf()).toHaveLength(added);
    expect((await desk.get('/offers')).body.length).toBeGreaterThan(5);
    await desk.post('/materials/demo', {}).expect(409);
    expect(await shelf()).toHaveLength(added);
  });
});

const row = (name: string, quantity: number, part: object = {}) => ({
  material: { ...asMaterial(entryOf('milk-cap')!), name },
  quantity,
  cameOn: '2026-11-20',
  from: '',
  ...part,
});

describe('somebody’s own list', () => {
  it('is looked at, taken in, and known again', async () => {
    const list = {
      name: 'cupboard.csv',
      kinds: [row('Red caps', 12), row('Blue caps', 0), row('Red caps', 5, { from: 'Teal Skiff' })],
      columns: { item: 'name', anzahl: 'count' },
    };
    expect((await desk.post('/materials/list/look', list).expect(200)).body).toEqual({
      added: 2,
      more: 1,
      taken: null,
    });
    expect(await shelf()).toEqual([]);
    expect((await desk.post('/materials/list', list).expect(201)).body).toEqual({ added: 2, more: 1 });
    expect([await keptOf('Red caps'), await keptOf('Blue caps')]).toEqual([17, 0]);
    expect((await desk.get('/lots')).body).toMatchObject([
      { quantity: 5, from: 'Teal Skiff', cameOn: '2026-11-20' },
      { quantity: 12, from: '' },
    ]);
    // The same rows again, under whatever name.
    expect((await desk.post('/materials/list/look', { ...list, name: 'copy.csv' }).expect(200)).body).toEqual(
      {
        added: 0,
        more: 3,
        taken: { name: 'cupboard.csv', on: TODAY },
      },
    );
    expect((await desk.get('/materials/list')).body).toEqual({ item: 'name', anzahl: 'count' });
    // However its columns were read: a colour more is still the same list.
    const coloured = list.kinds.map((k) => ({ ...k, material: { ...k.material, colour: '#1f5fa8' } }));
    expect((await desk.post('/materials/list/look', { ...list, kinds: coloured })).body.taken).not.toBeNull();
  });
  it('is all or nothing', async () => {
    const late = await desk.post('/materials/list', {
      name: 'x.csv',
      kinds: [row('Red caps', 12), row('Blue caps', 3, { cameOn: '2026-11-25' })],
    });
    expect([late.status, late.body.errors[0].path]).toEqual([422, 'kinds.1.cameOn']);
    expect(await shelf()).toEqual([]);
    const wrong = await desk.post('/materials/list', {
      name: 'x.csv',
      kinds: [row('', 1)],
      columns: { item: 'colour of the sky' },
    });
    expect(wrong.status).toBe(400);
    expect(wrong.body.errors.map((e: { path: string }) => e.path)).toEqual(
      expect.arrayContaining(['kinds.0.material.name', 'columns.item']),
    );
  });
});

describe('what was paid', () => {
  it('stays known, with delivery once a supplier, for the design it was bought for', async () => {
    const { design } = await withDesign(desk);
    const materialId = (await shelf())[0]!.id;
    const supplier = (
      await desk.post('/suppliers', { name: 'Pier', delivery: 350, freeFrom: 900 }).expect(201)
    ).body;
    const offer = async (name: string, price: number): Promise<number> =>
      (
        await desk
          .post('/offers', { name, supplierId: supplier.id, price, contents: [{ materialId, quantity: 10 }] })
          .expect(201)
      ).body.id as number;
    const [caps, tubs] = [await offer('Caps', 210), await offer('Tubs', 400)];
    const buy = (packs: object[], part: object = {}) => desk.post('/purchases', { packs, ...part });
    await buy([{ offerId: caps, count: 2 }], { designId: design.id }).expect(201);
    await buy([
      { offerId: caps, count: 3 },
      { offerId: tubs, count: 1 },
    ]).expect(201);
    expect((await desk.get('/purchases')).body).toEqual([
      // Over what delivery is free from.
      expect.objectContaining({
        on: TODAY,
        total: 3 * 210 + 400,
        packs: expect.arrayContaining([expect.objectContaining({ name: 'Tubs', count: 1, price: 400 })]),
      }),
      expect.objectContaining({ total: 2 * 210 + 350 }),
    ]);
    expect((await desk.get(`/purchases?design=${design.id}`)).body).toHaveLength(1);
    const none = await buy([{ offerId: caps, count: 1 }], { designId: 999 });
    expect([none.status, none.body.errors[0].path]).toEqual([422, 'designId']);
    expect((await desk.get('/purchases')).body).toHaveLength(2);
  });
});

describe('a design that nobody named', () => {
  it('is called what it is, through every change, until somebody names it', async () => {
    const { design } = await withDesign(desk, { ownName: false, name: 'whatever' });
    expect(design).toMatchObject({ name: 'Cap through a slot', ownName: false });
    const { id, ...now } = design as unknown as Record<string, unknown> & { id: number };
    const turned = await desk
      .put(`/designs/${id}`, { ...now, dials: { ...(now.dials as object), tool: 'tongs' } })
      .expect(200);
    expect(turned.body.name).toBe('Cap through a slot, with tongs');
    const { id: _, ...next } = turned.body;
    const mine = await desk.put(`/designs/${id}`, { ...next, name: 'Tide tub', ownName: true }).expect(200);
    expect(mine.body).toMatchObject({ name: 'Tide tub' });
    expect(mine.body.ownName).toBeUndefined();
  });
});
