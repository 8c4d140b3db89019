import type { BatchMade, BatchRow, BatchWork } from '../../../contract/batches.ts';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import { startTest, TODAY, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const DAYS = {
  makers: [
    {
      name: 'Ann',
      windows: [
        { day: '2026-11-24', from: 780, to: 900 },
        { day: '2026-11-25', from: 1140, to: 1260 },
      ],
    },
  ],
  childFree: [
    { day: '2026-11-24', from: 780, to: 870 },
    { day: '2026-11-25', from: 1140, to: 1260 },
  ],
  singles: [],
  pins: {},
};
async function begun(part: object = {}) {
  const { design, tub, cap } = await withDesign(desk, { copies: 2 });
  const batch = (
    await desk
      .post('/batches', {
        name: 'November making',
        items: [{ designId: design.id, bundleId: null, copies: 2 }],
        days: DAYS,
        ...part,
      })
      .expect(201)
  ).body as BatchRow;
  const open = async () => (await desk.get(`/batches/${batch.id}`).expect(200)).body as BatchWork;
  const plan = async () => (await desk.get(`/batches/${batch.id}/plan`).expect(200)).body as BenchPlan;
  const did = (task: string, what: string, at: number, minutes: number | null = null) =>
    desk.post(`/batches/${batch.id}/progress`, { task, did: what, at, minutes });
  return { batch, design, tub, cap, open, plan, did };
}

describe('a batch', () => {
  it('joins designs in one bill and one plan that keeps blades to child-free time', async () => {
    const { open, plan } = await begun();
    const work = await open();
    expect(work).toMatchObject({ state: 'planned', zero: '2026-11-24', used: [] });
    expect(work.bill.map((l) => [l.name, l.wanted, l.short])).toEqual([
      ['Tub', 2, 0],
      ['Cap', 16, 0],
    ]);
    const p = await plan();
    expect(p).toMatchObject({ feasible: true, reason: null });
    expect(p.bound).toBe(p.makespan);
    const blades = work.tasks.filter((t) => t.blade).map((t) => t.id);
    expect(blades.length).toBeGreaterThan(0);
    for (const b of p.plan.filter((x) => blades.includes(x.task)))
      expect(DAYS.childFree.some((w, i) => b.start >= 1440 * i + w.from && b.end <= 1440 * i + w.to)).toBe(
        true,
      );
  });
  it('says what is missing to plan it, and moves what was moved by hand', async () => {
    const { batch, open, plan } = await begun();
    const set = async (days: object) => {
      const { version, name, items } = await open();
      const own = items.map(({ name: _, ...i }) => i);
      return desk.put(`/batches/${batch.id}`, { version, name, items: own, days }).expect(200);
    };
    await set({ ...DAYS, makers: [] });
    expect(await plan()).toMatchObject({
      feasible: false,
      reason: 'Nobody makes it yet: say who does.',
    });
    await set({ ...DAYS, childFree: [] });
    expect((await plan()).reason).toMatch(
      /needs a blade or heat, and nobody is at hand while children are away/,
    );
    await set(DAYS);
    const soonest = await plan();
    const first = soonest.plan[0]!;
    await set({ ...DAYS, pins: { [first.task]: { from: 800 } } });
    const moved = await plan();
    expect(moved.plan.find((x) => x.task === first.task)!.start).toBeGreaterThanOrEqual(800);
    expect(moved.makespan!).toBeGreaterThanOrEqual(soonest.makespan!);
    // The list that was read before is old now.
    await desk
      .put(`/batches/${batch.id}`, {
        version: 1,
        name: 'X',
        items: [{ designId: 1, bundleId: null, copies: 1 }],
        days: DAYS,
      })
      .expect(409);
  });
  it('keeps what was done at the bench, takes its time once, and takes it back', async () => {
    const { open, did, batch } = await begun();
    const [first] = (await open()).tasks;
    const began = 1_800_000_000_000;
    await did(first!.id, 'begun', began).expect(200);
    const { version, state } = await open();
    expect(state).toBe('being made');
    // What is planned is as it was: whoever read it before the step may still change it, or call it made.
    expect(version).toBe(batch.version);
    await did(first!.id, 'done', began + 9 * 60_000).expect(200);
    await did(first!.id, 'done', began + 50 * 60_000).expect(200);
    const after = await open();
    expect(after.progress).toEqual({
      running: [],
      done: [{ task: first!.id, at: began + 9 * 60_000, minutes: 9 }],
    });
    const own = after.own[`drop-through ${first!.step}`]!;
    expect(own.times).toBe(1);
    // Shrunk to the usual: between it and what it took.
    const ratio = 9 / first!.usual;
    expect(Math.sign(Math.log(own.factor))).toBe(Math.sign(Math.log(ratio)));
    expect(Math.abs(Math.log(own.factor))).toBeLessThan(Math.abs(Math.log(ratio)));
    expect(after.tasks[0]!.minutes).toBeCloseTo(Math.round(2 * own.factor * first!.usual) / 2, 9);
    await did(first!.id, 'undone', began).expect(200);
    expect((await open()).own).toEqual({});
    expect((await open()).state).toBe('planned');
    await did('1:nothing', 'done', began).expect(422);
    await desk.post(`/batches/${batch.id}/progress`, { task: first!.id, did: 'lost', at: 1 }).expect(400);
  });
  it('is made all or nothing, with what was spoiled, and then stays on record', async () => {
    const { batch, cap, open, did } = await begun();
    const [first, last] = (await open()).tasks;
    const began = 1_800_000_000_000;
    await did(first!.id, 'begun', began).expect(200);
    const make = (spoiled: object[]) =>
      desk.post(`/batches/${batch.id}/made`, { version: batch.version, spoiled });
    const refused = (await make([{ materialId: cap.id, quantity: 12 }]).expect(422)).body as {
      errors: { path: string }[];
    };
    expect(refused.errors[0]!.path).toBe('spoiled.0.quantity');
    expect((await desk.get('/kits')).body).toEqual([]);
    const done = (await make([{ materialId: cap.id, quantity: 3 }]).expect(200)).body as BatchMade;
    expect(done.kits.map((c) => c.label)).toEqual(['FB-001a', 'FB-001b']);
    expect(done.batch).toMatchObject({ state: 'done', madeOn: TODAY, labels: ['FB-001a', 'FB-001b'] });
    expect(done.batch.used.find((u) => u.name === 'Cap')!.quantity).toBe(19);
    const shelf = (await desk.get('/materials')).body as { name: string; kept: number }[];
    expect(shelf.find((m) => m.name === 'Cap')!.kept).toBe(27 - 19);
    await make([]).expect(409);
    await desk.del(`/batches/${batch.id}`).expect(409);
    // Words of the bench that were still on their way are heard; the batch stays made.
    await did(first!.id, 'done', began + 9 * 60_000, 9).expect(200);
    await did(last!.id, 'begun', began).expect(200);
    const after = await open();
    expect(after).toMatchObject({ state: 'done', progress: { running: [], done: [{ task: first!.id }] } });
    expect(after.own[`drop-through ${first!.step}`]!.times).toBe(1);
    await did(first!.id, 'undone', began).expect(409);
  });
  it('wants what the check wants tested on the first of it', async () => {
    const { design, open } = await begun();
    const wanted = (await open()).tests.map((t) => t.test);
    expect(wanted).toContain('pull');
    await desk
      .post('/tests', {
        designId: design.id,
        part: 'Cap',
        test: 'pull',
        passed: true,
        force: 91,
        by: 'Ann',
        words: '',
      })
      .expect(201);
    expect((await open()).tests.map((t) => t.test)).toEqual(wanted.filter((t) => t !== 'pull'));
  });
  it.each([
    [{ items: [] }, 400, 'items'],
    [{ items: [{ designId: 1, bundleId: 1, copies: 1 }] }, 400, 'items.0.designId'],
    [{ items: [{ designId: 99, bundleId: null, copies: 1 }] }, 422, 'items.0.designId'],
    [{ items: [{ designId: null, bundleId: 7, copies: 1 }] }, 422, 'items.0.bundleId'],
    [
      { days: { ...DAYS, childFree: [{ day: '2026-11-24', from: 900, to: 800 }] } },
      400,
      'days.childFree.0.to',
    ],
    [{ days: { ...DAYS, makers: [DAYS.makers[0], DAYS.makers[0]] } }, 400, 'days.makers'],
  ])('refuses %j and names the field', async (part, status, path) => {
    const { design } = await withDesign(desk);
    const body = {
      name: 'B',
      items: [{ designId: design.id, bundleId: null, copies: 1 }],
      days: DAYS,
      ...part,
    };
    const { errors } = (await desk.post('/batches', body).expect(status)).body as {
      errors: { path: string }[];
    };
    expect(errors.map((e) => e.path)).toContain(path);
  });
});
