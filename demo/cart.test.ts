import { openDb, type Db } from '../server/db/open.ts';
import type { MaterialRow } from '../contract/materials.ts';
import { kitQuery, listKits } from '../server/stations/lend/kits.ts';
import { borrowerQuery, listBorrowers } from '../server/stations/lend/borrowers.ts';
import { pageOfOffers } from '../server/stations/gather/offers.ts';
import { pageOfMaterials } from '../server/stations/gather/service.ts';
import { isUntold, namesIn, saidOf } from '../core/languages/testing.ts';
import { loadPattern } from '../core/patterns/index.ts';
import { atOf, chosenFor, listDesigns } from '../server/stations/shape/service.ts';
import { listNotes, noteQuery } from '../server/stations/watch/service.ts';
import { standing, STANDINGS } from '../core/lend/status.ts';
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
const ALL = { limit: 1000 };
const copies = async (of = db, today = TODAY) =>
  (await listKits(of.em.fork(), kitQuery.parse({}), today)).items;
const designs = async () => (await listDesigns(em(), ALL)).items;
const notes = async () => (await listNotes(em(), noteQuery.parse({}))).items;
const borrowers = async () => (await listBorrowers(em(), borrowerQuery.parse({}), TODAY)).items;
const shelf = async (): Promise<MaterialRow[]> => {
  const all: MaterialRow[] = [];
  for await (const m of (await pageOfMaterials(em(), TODAY, ALL)).items) all.push(m);
  return all;
};

describe('the Kelpwick cart', () => {
  it('is as full as it should be', async () => {
    expect((await shelf()).length).toBeGreaterThanOrEqual(30);
    expect((await pageOfOffers(em(), ALL)).total).toBeGreaterThanOrEqual(8);
    expect((await designs()).length).toBeGreaterThanOrEqual(6);
    expect((await copies()).length).toBe(24);
    expect((await borrowers()).length).toBe(12);
    expect((await notes()).length).toBeGreaterThan(5);
  });
  it('has designs that practise the skill they are for', async () => {
    for (const d of await designs()) {
      const pattern = await loadPattern(d.pattern);
      const at = atOf(d, (await chosenFor(em(), d.materials, TODAY)).chosen);
      expect([d.name, pattern.practises(at).includes(d.skill)]).toEqual([d.name, true]);
    }
  });
  it('lists the kits that are asked for, and as many as it says', async () => {
    const all = await copies();
    const ask = async (query: object) => listKits(em(), kitQuery.parse({ limit: 1000, ...query }), TODAY);
    const is = (c: (typeof all)[number]) => standing(c, TODAY).standing;
    for (const skill of [undefined, 'Hand strength', 'Two hands together', 'None of these'])
      for (const stands of [undefined, ...STANDINGS])
        for (const order of ['made', 'due'])
          for (const q of [undefined, 'drop', 'Grey Punt', 'e', 'box', '100%'])
            for (const design of [undefined, 1]) {
              const { items, total } = await ask({ skill, standing: stands, order, q, design });
              const expected = all.filter(
                (c) =>
                  (skill === undefined || c.skill === skill) &&
                  (stands === undefined || is(c) === stands) &&
                  (order === 'made' || c.openLoan !== null) &&
                  (q === undefined ||
                    [c.design, c.openLoan?.borrower].some((n) =>
                      n?.toLowerCase().includes(q.toLowerCase()),
                    )) &&
                  (design === undefined || (c.designId === design && !c.label.startsWith('FB-K'))),
              );
              expect(items.map((c) => c.label).sort()).toEqual(expected.map((c) => c.label).sort());
              expect(total).toBe(items.length);
            }
  });
  it('tells every design to its families in Spanish, of whatever it is made', async () => {
    const untold = new Set<string>();
    for (const d of await designs()) {
      const pattern = await loadPattern(d.pattern);
      const at = atOf(d, (await chosenFor(em(), d.materials, TODAY)).chosen);
      const english = saidOf(pattern, { ...at, language: 'en' });
      saidOf(pattern, { ...at, language: 'es' }).forEach((words, i) => {
        if (isUntold(words, english[i]!, namesIn(at))) untold.add(words);
      });
    }
    expect([...untold]).toEqual([]);
  });
  it('has every form of material', () => {
    expect(new Set(cart.materials.map((m) => m.form)).size).toBe(7);
  });
  it('has six kits out and one late, whatever the day', async () => {
    const stands = (await copies()).map((c) => standing(c, TODAY).standing);
    expect(stands.filter((s) => s === 'late')).toHaveLength(1);
    expect(stands.filter((s) => s === 'out')).toHaveLength(5);
    expect(stands.filter((s) => s === 'repair')).toHaveLength(1);
    const later = await openDb(':memory:');
    await fill(later, cart, '2031-02-28');
    expect(
      (await copies(later, '2031-02-28')).filter((c) => standing(c, '2031-02-28').standing === 'late'),
    ).toHaveLength(1);
    await later.close();
  });
  it('leaves five caps short for the next four tubs', async () => {
    const cap = (await shelf()).find((m) => m.name === 'Milk-bottle cap')!;
    const tub = (await designs()).find((d) => d.name === 'Tide-line drop tub')!;
    expect(tub.copies * Number(tub.dials.pieces) - cap.kept).toBe(5);
  });
  it('knows children and families by code names only', async () => {
    for (const n of await notes()) expect(n.child).toMatch(/^[A-Z]-\d\d$/);
    for (const b of await borrowers()) expect(b.name).toMatch(/^[A-Z][a-z]+ [A-Z][a-z]+$/);
  });
  it('keeps to what came: what is kept and what the kits took make what the cart says', async () => {
    const used = new Map<string, number>();
    const shelved = await shelf();
    const nameOf = new Map(shelved.map((m) => [m.id, m.name]));
    const builds = await em().getConnection().execute<{ used: string }[]>('select used from build');
    for (const b of builds)
      for (const u of JSON.parse(b.used) as { materialId: number; quantity: number }[])
        used.set(nameOf.get(u.materialId)!, (used.get(nameOf.get(u.materialId)!) ?? 0) + u.quantity);
    const filled = await em().getConnection().execute<{ filled: string }[]>('select filled from "count"');
    for (const f of filled)
      for (const u of JSON.parse(f.filled) as { name: string; quantity: number }[])
        used.set(u.name, (used.get(u.name) ?? 0) + u.quantity);
    // What a find brought is ready at once only where the look-over said so: those materials are left out here.
    const found = new Set(cart.finds.map((f) => f.material));
    for (const m of cart.materials.filter((x) => !found.has(x.key)))
      expect([m.name, shelved.find((x) => x.name === m.name)!.kept]).toEqual([
        m.name,
        m.kept - (used.get(m.name) ?? 0),
      ]);
  });
});
