import { addDays } from '../../core/calendar/days.ts';
import type { Done } from '../../contract/undo.ts';
import type { FamilyHistory, Kit, KitHistory } from '../../contract/lending.ts';
import { rows } from '../db/rows.ts';
import { startTest, TODAY, withDesign, type TestDesk } from '../testing.ts';
import { UNDOABLE_TABLES } from './record.ts';

let desk: TestDesk;
let design: { id: number; version: number };
let cap: { id: number };
let kits: { id: number; label: string }[];
let family: number;
beforeEach(async () => {
  desk = await startTest();
  ({ design, cap } = await withDesign(desk));
  const made = await desk
    .post('/builds', { designId: design.id, version: design.version, copies: 2 })
    .expect(201);
  ({ kits } = made.body as { kits: typeof kits });
  const input = { name: 'Teal Skiff', group: 'Gulls', children: ['G-04'] };
  family = ((await desk.post('/borrowers', input).expect(201)).body as { id: number }).id;
});
afterEach(() => desk.close());

/** Every row that can be put back, but for the versions, which go on. */
async function all(): Promise<Record<string, unknown>> {
  const em = desk.serverContext.em();
  const held: Record<string, unknown> = {};
  for (const table of [...UNDOABLE_TABLES, 'kits_in_use'])
    held[table] = (await rows<Record<string, unknown>>(em, `select * from "${table}" order by 1`)).map(
      ({ version: _, ...row }) => row,
    );
  return held;
}
const idOf = (headers: unknown): number => Number((headers as Record<string, string>)['x-undo']);
const back = (id: number, why = 'the wrong family') => desk.post(`/done/${id}/undo`, { why, by: 'Ann' });
const lend = async (kit = kits[0]!.id) => {
  const { body, headers } = await desk
    .post('/loans', { kitId: kit, borrowerId: family, dueOn: addDays(TODAY, 14) })
    .expect(201);
  return { loan: (body as { id: number }).id, id: idOf(headers) };
};
const kitNow = async (at = 0): Promise<Kit> =>
  ((await desk.get(`/kits?label=${kits[at]!.label}`).expect(200)).body as Kit[])[0]!;
const takeBack = async (loan: number, gone: number, then: string) => {
  const { parts } = await kitNow();
  const most = Math.max(...parts.map((p) => p.due));
  const at = parts.findIndex((p) => p.due === most);
  return desk
    .post(`/loans/${loan}/return`, {
      present: parts.map((p, i) => (i === at ? p.due - gone : p.due)),
      then,
    })
    .expect(200);
};
const NOTE = {
  child: 'G-04',
  level: 'Close slot',
  bits: 9,
  seconds: 40,
  count: 8,
  of: 'pieces',
  help: 'none',
  tries: 1,
  words: 'Sang.',
  satOn: TODAY,
};

/** What is done, and what has to be there before it. */
const ACTS: Readonly<
  Record<string, () => Promise<() => Promise<{ headers: unknown }> & { expect?: unknown }>>
> = {
  'a loan': async () => () =>
    desk.post('/loans', { kitId: kits[0]!.id, borrowerId: family, dueOn: TODAY }).expect(201),
  'a loan of what was kept for the family': async () => {
    await desk.post('/reservations', { kitId: kits[0]!.id, borrowerId: family }).expect(201);
    return () => desk.post('/loans', { kitId: kits[0]!.id, borrowerId: family, dueOn: TODAY }).expect(201);
  },
  'several loans at once': async () => () =>
    desk
      .post('/loans/together', { kitIds: kits.map((k) => k.id), borrowerId: family, dueOn: TODAY })
      .expect(201),
  'a longer loan': async () => {
    const { loan } = await lend();
    return () => desk.post(`/loans/${loan}/renew`, { dueOn: addDays(TODAY, 30) }).expect(200);
  },
  'a return': async () => {
    const { loan } = await lend();
    return () => takeBack(loan, 2, 'write off');
  },
  'a return that was filled from the shelf': async () => {
    await desk.post(`/materials/${cap.id}/stock`, { by: 20 });
    const { loan } = await lend();
    return () => takeBack(loan, 1, 'repair');
  },
  'a count': async () => async () => {
    const { parts } = await kitNow();
    return desk
      .post(`/kits/${kits[0]!.id}/count`, { present: parts.map((p) => p.due), then: 'repair' })
      .expect(200);
  },
  'a kit that is retired': async () => () =>
    desk.post(`/kits/${kits[0]!.id}/state`, { to: 'retired', by: 'Ann', why: 'worn' }).expect(200),
  'a piece that turned up': async () => {
    const { loan } = await lend();
    await takeBack(loan, 2, 'write off');
    const { parts } = await kitNow();
    const part = parts.findIndex((p) => (p.writtenOff ?? 0) > 0);
    return () => desk.post(`/kits/${kits[0]!.id}/found`, { part, count: 1 }).expect(200);
  },
  'a note': async () => () => desk.post('/notes', { ...NOTE, designId: design.id }).expect(201),
  'a note that is corrected': async () => {
    const { body } = await desk.post('/notes', { ...NOTE, designId: design.id }).expect(201);
    const { id, version } = body as { id: number; version: number };
    return () => desk.put(`/notes/${id}`, { ...NOTE, designId: design.id, seconds: 90, version }).expect(200);
  },
  'a note that is deleted': async () => {
    const { body } = await desk.post('/notes', { ...NOTE, designId: design.id }).expect(201);
    return () => desk.del(`/notes/${(body as { id: number }).id}`).expect(204);
  },
  'a message marked as told': async () => {
    await desk.post('/loans', { kitId: kits[0]!.id, borrowerId: family, dueOn: TODAY }).expect(201);
    return () => desk.post('/tellings', { borrowerId: family, by: 'said' }).expect(201);
  },
  'a purchase': async () => {
    const shop = (await desk.post('/suppliers', { name: 'Bag shop', delivery: 300 }).expect(201)).body as {
      id: number;
    };
    const offer = (
      await desk
        .post('/offers', {
          supplierId: shop.id,
          name: 'Bag of caps',
          price: 210,
          contents: [{ materialId: cap.id, quantity: 50 }],
        })
        .expect(201)
    ).body as { id: number };
    return () => desk.post('/purchases', { packs: [{ offerId: offer.id, count: 2 }] }).expect(201);
  },
  'kits that were made': async () => {
    const { body } = await desk.get(`/designs/${design.id}`);
    const { version } = body as { version: number };
    return () => desk.post('/builds', { designId: design.id, version, copies: 1 }).expect(201);
  },
  'a making session that is finished': async () => {
    const { body } = await desk
      .post('/batches', {
        name: 'Nap',
        items: [{ designId: design.id, bundleId: null, copies: 1 }],
        days: { makers: [], childFree: [], singles: [], pins: {} },
      })
      .expect(201);
    const { id, version } = body as { id: number; version: number };
    return () => desk.post(`/batches/${id}/made`, { version, spoiled: [] }).expect(200);
  },
};

describe('undo', () => {
  it.each(Object.keys(ACTS))('%s: every row is as it was, and what was done is on record', async (name) => {
    const act = await ACTS[name]!();
    const before = await all();
    const { headers } = await act();
    const id = idOf(headers);
    expect(await all()).not.toEqual(before);
    const { body } = await back(id).expect(200);
    expect(await all()).toEqual(before);
    expect(body).toMatchObject({ id, undone: { by: 'Ann', why: 'the wrong family' } });
    // Once is enough.
    const again = await back(id).expect(409);
    expect((again.body as { detail: string }).detail).toMatch(/undone already/);
  });
  it('stays in the history of the kit and of the family, with who and why', async () => {
    const { id } = await lend();
    const [top] = (await desk.get('/done').expect(200)).body as Done[];
    expect(top).toMatchObject({
      id,
      did: 'lent a kit',
      about: `${kits[0]!.label}, Teal Skiff`,
      undone: null,
    });
    await back(id).expect(200);
    const ofKit = (await desk.get(`/kits/${kits[0]!.id}/history`).expect(200)).body as KitHistory;
    const ofFamily = (await desk.get(`/borrowers/${family}/history`).expect(200)).body as FamilyHistory;
    for (const { loans, undone } of [ofKit, ofFamily]) {
      expect(loans).toEqual([]);
      expect(undone).toMatchObject([{ did: 'lent a kit', undone: { by: 'Ann', why: 'the wrong family' } }]);
    }
  });
  it('waits for what was done with the kit since, and says what', async () => {
    const { loan, id } = await lend();
    const returned = await takeBack(loan, 0, 'shelve');
    const refused = await back(id).expect(409);
    expect((refused.body as { detail: string }).detail).toMatch(/took a kit back: FB-.*Undo that first/);
    await back(idOf(returned.headers)).expect(200);
    expect((await kitNow()).openLoan?.borrower).toBe('Teal Skiff');
    await back(id).expect(200);
    expect((await kitNow()).openLoan).toBeNull();
  });
  it('does not take back what was used since', async () => {
    const made = await ACTS['a purchase']!();
    const id = idOf((await made()).headers);
    const em = desk.serverContext.em();
    await rows(em, "update lot set quantity = 1 where reason like 'Bought:%'");
    const refused = await back(id).expect(409);
    expect((refused.body as { detail: string }).detail).toMatch(/changed or used since \(lot\)/);
  });
  it('is for the day alone, asks why, and says what it does not know', async () => {
    const { id } = await lend();
    await back(id, 'no').expect(400);
    await back(99_999).expect(404);
    await rows(desk.serverContext.em(), 'update undo_log set done_on = ?', [addDays(TODAY, -1)]);
    await back(id).expect(409);
    // What nobody took back is gone with the next thing that is done.
    await lend(kits[1]!.id);
    await back(id).expect(404);
  });
  it('a piece that turned up is lost in no figure any more', async () => {
    const { loan } = await lend();
    await takeBack(loan, 2, 'write off');
    type Lasting = { materialId: number; lost: number };
    const lost = async (): Promise<number> =>
      ((await desk.get('/lasting').expect(200)).body as Lasting[]).find((l) => l.materialId === cap.id)!.lost;
    expect(await lost()).toBe(2);
    const { parts } = await kitNow();
    const part = parts.findIndex((p) => (p.writtenOff ?? 0) > 0);
    await desk.post(`/kits/${kits[0]!.id}/found`, { part, count: 1 }).expect(200);
    expect(await lost()).toBe(1);
    await desk.post(`/kits/${kits[0]!.id}/found`, { part, count: 1 }).expect(200);
    expect(await lost()).toBe(0);
  });
  it('puts nobody back who was erased', async () => {
    const { id } = await lend();
    await back(id).expect(200);
    const told = await lend(kits[1]!.id);
    const returned = await desk.post(`/loans/${told.loan}/return`, {
      present: (await kitNow(1)).parts.map((p) => p.due),
      then: 'shelve',
    });
    await desk.post(`/borrowers/${family}/erase`, {}).expect(204);
    await back(idOf(returned.headers)).expect(409);
    const [{ n }] = (await rows<{ n: number }>(
      desk.serverContext.em(),
      "select count(*) as n from undo_log where about like '%Teal Skiff%'",
    )) as [{ n: number }];
    expect(n).toBe(0);
  });
});
