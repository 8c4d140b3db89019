import { openDb, type Db } from '../server/db/open.ts';
import { listBorrowers, listCopies } from '../server/stations/lend/service.ts';
import type { MaterialRow } from '../contract/materials.ts';
import { listMaterials, listOffers } from '../server/stations/gather/service.ts';
import { listDesigns } from '../server/stations/shape/service.ts';
import { listNotes } from '../server/stations/watch/service.ts';
import { standing } from '../core/lend/status.ts';
import { readCart } from './cart.ts';
import { fill } from './fill.ts';

const TODAY = '2026-11-24';
const cart = readCart('demo/kelpwick.json');
let db: Db;
beforeAll(async () => {
  db = await openDb(':memory:');
  await fill(db, cart, TODAY);
});
afterAll(() => db.close());
const em = () => db.em.fork();
const shelf = async (): Promise<MaterialRow[]> => {
  const all: MaterialRow[] = [];
  for await (const m of listMaterials(em(), TODAY)) all.push(m);
  return all;
};

describe('the Kelpwick cart', () => {
  it('is as full as it should be', async () => {
    expect((await shelf()).length).toBeGreaterThanOrEqual(30);
    expect((await listOffers(em())).length).toBeGreaterThanOrEqual(8);
    expect((await listDesigns(em())).length).toBeGreaterThanOrEqual(6);
    expect((await listCopies(em())).length).toBe(18);
    expect((await listBorrowers(em())).length).toBe(12);
    expect((await listNotes(em())).length).toBeGreaterThan(5);
  });
  it('has every form of material', () => {
    expect(new Set(cart.materials.map((m) => m.form)).size).toBe(7);
  });
  it('has six kits out and one late, whatever the day', async () => {
    const stands = (await listCopies(em())).map((c) => standing(c, TODAY).standing);
    expect(stands.filter((s) => s === 'late')).toHaveLength(1);
    expect(stands.filter((s) => s === 'out')).toHaveLength(5);
    expect(stands.filter((s) => s === 'repair')).toHaveLength(1);
    const later = await openDb(':memory:');
    await fill(later, cart, '2031-02-28');
    expect(
      (await listCopies(later.em.fork())).filter((c) => standing(c, '2031-02-28').standing === 'late'),
    ).toHaveLength(1);
    await later.close();
  });
  it('leaves five caps short for the next four tubs', async () => {
    const cap = (await shelf()).find((m) => m.name === 'Milk-bottle cap')!;
    const tub = (await listDesigns(em())).find((d) => d.name === 'Tide-line drop tub')!;
    expect(tub.copies * Number(tub.dials.pieces) - cap.kept).toBe(5);
  });
  it('knows children and families by code names only', async () => {
    for (const n of await listNotes(em())) expect(n.child).toMatch(/^[A-Z]-\d\d$/);
    for (const b of await listBorrowers(em())) expect(b.name).toMatch(/^[A-Z][a-z]+ [A-Z][a-z]+$/);
  });
  it('keeps to what was bought: no stock below nothing', async () => {
    for (const m of await shelf()) expect(m.kept).toBeGreaterThanOrEqual(0);
  });
});
