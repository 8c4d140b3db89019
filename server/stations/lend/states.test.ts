import type { Kit, KitHistory, LendingSummary } from '../../../contract/lending.ts';
import { startTest, TODAY, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

/** Two kits of one design and a family. */
async function lendable() {
  const { design } = await withDesign(desk, { copies: 2 });
  const build = async (version: number, copies: number) =>
    (
      (await desk.post('/builds', { designId: design.id, version, copies }).expect(201)).body as {
        kits: { id: number; label: string }[];
      }
    ).kits;
  const family = (await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls' }).expect(201)).body as {
    id: number;
  };
  const lend = (kitId: number) => desk.post('/loans', { kitId, borrowerId: family.id, dueOn: '2026-12-08' });
  const back = async (kitId: number) => {
    const [kit] = ((await desk.get('/kits').expect(200)).body as Kit[]).filter((c) => c.id === kitId);
    const present = kit!.parts.map((p) => p.due);
    return desk.post(`/loans/${kit!.openLoan!.id}/return`, { present, then: 'shelve' }).expect(200);
  };
  const set = (kitId: number, to: string, why = '') =>
    desk.post(`/kits/${kitId}/state`, { to, by: 'Keeper', why });
  const why = async (kitId: number) => ((await lend(kitId).expect(422)).body as { detail: string }).detail;
  return { design, build, lend, back, set, why };
}
const summary = async () => (await desk.get('/kits/summary').expect(200)).body as LendingSummary;
const labels = async (standing: string) =>
  ((await desk.get(`/kits?standing=${encodeURIComponent(standing)}`).expect(200)).body as Kit[]).map(
    (c) => c.label,
  );

describe('a kit that came back', () => {
  it('is to be cleaned first, and is lent again once it is', async () => {
    const { design, build, lend, back, set, why } = await lendable();
    const [one] = await build(design.version, 2);
    await lend(one!.id).expect(201);
    await set(one!.id, 'cleaned').expect(409);
    expect((await back(one!.id)).body).toMatchObject({ toClean: true, openLoan: null });
    expect(await why(one!.id)).toBe(`${one!.label} is to be cleaned first.`);
    expect(await summary()).toMatchObject({ kits: 2, out: 0, toClean: 1, repair: 0, resting: 0 });
    expect(await labels('to clean')).toEqual([one!.label]);
    expect(await labels('in')).toEqual(['FB-001b']);
    // Nothing of it has to rest: it is in at once.
    expect((await set(one!.id, 'cleaned').expect(200)).body).toMatchObject({
      toClean: false,
      restsUntil: null,
    });
    const { events } = (await desk.get(`/kits/${one!.id}/history`).expect(200)).body as KitHistory;
    expect(events).toMatchObject([{ on: TODAY, what: 'cleaned', by: 'Keeper' }]);
    await lend(one!.id).expect(201);
  });
  it('rests as long as the place says where part of it cannot be washed', async () => {
    const { design, build, lend, back, set, why } = await lendable();
    const cap = ((await desk.get('/materials')).body as { id: number; name: string }[]).find(
      (m) => m.name === 'Cap',
    )!;
    const { kept: _, waiting: __, id: ___, ...own } = cap as unknown as Record<string, unknown>;
    await desk.put(`/materials/${cap.id}`, { ...own, cleaning: 'rest' }).expect(200);
    const [one] = await build(design.version, 1);
    await lend(one!.id).expect(201);
    await back(one!.id);
    expect((await set(one!.id, 'cleaned').expect(200)).body).toMatchObject({ restsUntil: '2026-11-27' });
    expect(await why(one!.id)).toBe(`${one!.label} rests until 2026-11-27.`);
    expect(await labels('resting')).toEqual([one!.label]);
    expect(await summary()).toMatchObject({ resting: 1, toClean: 0 });
  });
});

it('a retired kit hangs nowhere, stays on record and can be used again', async () => {
  const { design, build, set, why } = await lendable();
  const [one] = await build(design.version, 2);
  await set(one!.id, 'retired', 'worn out').expect(200);
  expect(await why(one!.id)).toBe(`${one!.label} is retired.`);
  expect(await summary()).toMatchObject({ kits: 1, retired: 1 });
  expect((await desk.get('/kits').expect(200)).body).toHaveLength(1);
  expect(await labels('retired')).toEqual([one!.label]);
  expect((await desk.get(`/kits?label=${one!.label}`).expect(200)).body).toMatchObject([
    { retiredOn: TODAY },
  ]);
  await set(one!.id, 'in use').expect(200);
  expect(await summary()).toMatchObject({ kits: 2, retired: 0 });
  await set(one!.id, 'burnt').expect(400);
  await set(99, 'cleaned').expect(404);
});

describe('a test by hand holds for what was tested', () => {
  it('a failed one calls back kits made so, and none that are made otherwise', async () => {
    const { design, build, lend, why } = await lendable();
    const [old] = await build(design.version, 1);
    const test = (passed: boolean) =>
      desk
        .post('/tests', {
          designId: design.id,
          part: 'Cap',
          test: 'pull',
          passed,
          force: 60,
          by: 'Keeper',
          words: '',
        })
        .expect(201);
    await test(false);
    expect(await labels('recalled')).toEqual([old!.label]);
    expect(await summary()).toMatchObject({ recalled: 1 });
    const now = (await desk.get(`/designs/${design.id}`)).body as Record<string, unknown> & {
      dials: Record<string, unknown>;
      version: number;
    };
    const { id: _, made: __, ...own } = now;
    const put = async (dials: Record<string, unknown>, version: number) =>
      (await desk.put(`/designs/${design.id}`, { ...own, dials, version }).expect(200)).body as {
        version: number;
      };
    const changed = await put({ ...now.dials, pieces: 7 }, now.version);
    // Made otherwise, it may be lent; what was made as it failed stays called back, whatever the new one holds.
    await test(true);
    const [fresh] = await build(changed.version, 1);
    await lend(fresh!.id).expect(201);
    expect(await why(old!.id)).toMatch(/is called back: its pull test failed/);
    // Turned back it is what failed again, until that is passed.
    await put(now.dials, ((await desk.get(`/designs/${design.id}`)).body as { version: number }).version);
    const findings = async () =>
      (
        (await desk.get(`/designs/${design.id}/check`).expect(200)).body as {
          findings: { rule: string; verdict: string }[];
        }
      ).findings.filter((f) => f.rule === 'test');
    expect(await findings()).toHaveLength(1);
    await test(true);
    expect(await findings()).toHaveLength(0);
    await lend(old!.id).expect(201);
  });
});
