import type { Lasting } from '../../../contract/durability.ts';
import { startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

it('what lasts is read from the counts after loans: lost once, filled, and all the others still there', async () => {
  const { design } = await withDesign(desk, { copies: 1 });
  expect((await desk.get('/lasting').expect(200)).body).toEqual([]);
  const made = (
    await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201)
  ).body as { kits: { id: number }[] };
  const family = (await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls' }).expect(201)).body as {
    id: number;
  };
  const kitId = made.kits[0]!.id;
  const [{ parts }] = (await desk.get('/kits').expect(200)).body as [
    { parts: { name: string; due: number }[] },
  ];
  const cap = parts.findIndex((p) => p.name === 'Cap');
  const loan = async (missing: number, then: string): Promise<void> => {
    const { id } = (
      await desk.post('/loans', { kitId, borrowerId: family.id, dueOn: '2026-12-08' }).expect(201)
    ).body as { id: number };
    const present = parts.map((p, i) => p.due - (i === cap ? missing : 0));
    await desk.post(`/loans/${id}/return`, { present, then }).expect(200);
    await desk.post(`/kits/${kitId}/state`, { to: 'cleaned' }).expect(200);
  };
  await loan(0, 'shelve');
  await loan(2, 'fill');
  await loan(0, 'shelve');
  const list = (await desk.get('/lasting').expect(200)).body as Lasting[];
  const due = parts[cap]!.due;
  expect(list).toHaveLength(1);
  expect(list[0]).toMatchObject({ name: 'Cap', kits: 1, inUse: due, lost: 2, loans: 3 * due });
  // Two were lost after two loans, the rest are there after three, the two new ones after one.
  const lives = list[0]!.times.map((t, i) => `${t} ${list[0]!.causes[i]}`).sort();
  expect(lives).toEqual(
    [
      ...Array<string>(2).fill('1 null'),
      ...Array<string>(2).fill('2 lost'),
      ...Array<string>(due - 2).fill('3 null'),
    ].sort(),
  );
});
