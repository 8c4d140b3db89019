import type { HandTestInput, RulesHere } from '../../../contract/checking.ts';
import type { RuleChange } from '../../../core/safety/rules.ts';
import { startTest, TODAY, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const CHANGE: RuleChange = {
  rule: 'finger',
  off: false,
  limit: 14,
  below: null,
  verdict: null,
  remedy: null,
  by: 'Keeper of the cart',
  why: 'Cold hands in winter gloves',
};
const OWN = {
  id: 'own-large',
  title: 'Large pieces only',
  measure: 'piece longest',
  breaks: 'under',
  limit: 50,
  below: 30,
  verdict: 'care',
  remedy: 'Use larger caps.',
  by: 'Keeper of the cart',
  why: 'They are lost in the boat',
};

describe('rules of a place', () => {
  const here = async () => (await desk.get('/rules').expect(200)).body as RulesHere;

  it('are those of the market until the place changes them, with who, when and why on record', async () => {
    const before = await here();
    expect(before).toMatchObject({ rules: { changes: [], own: [] }, log: [], tests: [] });
    expect(before.list.find((r) => r.id === 'finger')).toMatchObject({ limit: 13, below: 60 });
    const { version } = before;
    const put = (changes: unknown[], own: unknown[] = [], v = version) =>
      desk.put('/rules', { version: v, changes, own });
    const kept = (await put([CHANGE], [OWN]).expect(200)).body as RulesHere;
    expect(kept.list.find((r) => r.id === 'finger')).toMatchObject({
      limit: 14,
      changed: 'Changed here by Keeper of the cart (14 mm for 13 mm): Cold hands in winter gloves',
    });
    expect(kept.list.find((r) => r.id === 'own-large')).toMatchObject({ market: 'own', looksAt: 'piece' });
    expect(kept.log.map((l) => [l.on, l.by, l.what.split(':')[0]])).toEqual([
      [TODAY, 'Keeper of the cart', 'own-large'],
      [TODAY, 'Keeper of the cart', 'finger'],
    ]);
    // Who has not seen the latest overwrites nothing; taking a change back is on record too.
    await put([], [], version).expect(409);
    const back = (await put([], [OWN], kept.version).expect(200)).body as RulesHere;
    expect(back.log[0]).toMatchObject({ what: 'finger: back as it was, or taken out' });
    expect(back.list.find((r) => r.id === 'finger')!.limit).toBe(13);
  });

  it('decide what is found of a design and printed on its sheet', async () => {
    const ask = async () =>
      (await desk.post('/compute/pattern', { pattern: 'drop-through', ageFrom: 24 }).expect(200)).body
        .safety as {
        findings: { rule: string; verdict: string; changed: string | null }[];
        changed: string[];
      };
    expect((await ask()).findings.some((f) => f.rule === 'remnant')).toBe(true);
    const off = { ...CHANGE, rule: 'remnant', off: true, limit: null };
    await desk.put('/rules', { version: 1, changes: [off], own: [OWN] }).expect(200);
    const report = await ask();
    expect(report.findings.some((f) => f.rule === 'remnant')).toBe(false);
    // A rule that is off still shows as such.
    expect(report.changed.join()).toMatch(/What is cut off: Changed here by Keeper of the cart \(off\)/);
    expect(report.findings.find((f) => f.rule === 'own-large')).toMatchObject({ verdict: 'care' });
  });

  it.each([
    [{ ...CHANGE, rule: 'nothing' }, 'changes.0.rule'],
    [{ ...CHANGE, why: '' }, 'changes.0.why'],
    [{ ...CHANGE, by: ' ' }, 'changes.0.by'],
    [{ ...CHANGE, limit: -1 }, 'changes.0.limit'],
    [{ ...CHANGE, below: 500 }, 'changes.0.below'],
  ])('refuse %o and name the field', async (change, path) => {
    const { body } = await desk.put('/rules', { version: 1, changes: [change], own: [] }).expect(400);
    expect((body as { errors: { path: string }[] }).errors.map((e) => e.path)).toContain(path);
  });
  it('take each rule and each own id once', async () => {
    await desk.put('/rules', { version: 1, changes: [CHANGE, CHANGE], own: [] }).expect(400);
    await desk.put('/rules', { version: 1, changes: [], own: [OWN, OWN] }).expect(400);
    await desk.put('/rules', { version: 1, changes: [], own: [{ ...OWN, id: 'Large' }] }).expect(400);
  });
});

describe('tests by hand', () => {
  const test = (designId: number, part: Partial<HandTestInput> = {}): HandTestInput => ({
    designId,
    part: 'Cap',
    test: 'pull',
    passed: true,
    force: 92,
    by: 'Keeper of the cart',
    words: '',
    ...part,
  });

  it('are kept with who and when; one that fails calls back what is lent and lends no more of it', async () => {
    const { design } = await withDesign(desk, { copies: 2 });
    const made = (
      await desk.post('/builds', { designId: design.id, version: design.version, copies: 2 }).expect(201)
    ).body as { kits: { id: number; label: string }[] };
    const family = (await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls' }).expect(201))
      .body as { id: number };
    const lend = (at: number) =>
      desk.post('/loans', { kitId: made.kits[at]!.id, borrowerId: family.id, dueOn: '2026-12-08' });
    await lend(0).expect(201);
    expect((await desk.get('/recalls').expect(200)).body).toEqual([]);
    const failed = (await desk.post('/tests', test(design.id, { passed: false, force: 31 })).expect(201))
      .body;
    expect(failed).toMatchObject({ on: TODAY, by: 'Keeper of the cart', force: 31 });
    expect((await desk.get('/recalls').expect(200)).body).toMatchObject([
      {
        design: { id: design.id, name: 'Drop tub' },
        test: { part: 'Cap', test: 'pull', passed: false },
        kits: [{ label: made.kits[0]!.label, borrower: 'Amber Dory', dueOn: '2026-12-08' }],
        here: 1,
      },
    ]);
    const refused = (await lend(1).expect(422)).body as { detail: string };
    expect(refused.detail).toMatch(/is called back: its pull test failed on 2026-11-24 \(Cap\)/);
    // Another test says nothing of this one; the same one, passed, ends it.
    await desk.post('/tests', test(design.id, { test: 'drop' })).expect(201);
    await lend(1).expect(422);
    await desk.post('/tests', test(design.id)).expect(201);
    expect((await desk.get('/recalls').expect(200)).body).toEqual([]);
    await lend(1).expect(201);
  });
  it('stop every kit of several designs that holds one that failed', async () => {
    const { design } = await withDesign(desk, { copies: 1 });
    const kit = (
      await desk.post('/bundles', { name: 'Harbour bag', designs: [design.id], container: null }).expect(201)
    ).body as { id: number; version: number };
    const made = (
      await desk.post(`/bundles/${kit.id}/build`, { version: kit.version, copies: 1 }).expect(201)
    ).body as { kits: { id: number }[] };
    await desk.post('/tests', test(design.id, { passed: false })).expect(201);
    const family = (await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls' }).expect(201))
      .body as { id: number };
    await desk
      .post('/loans', { kitId: made.kits[0]!.id, borrowerId: family.id, dueOn: '2026-12-08' })
      .expect(422);
    expect((await desk.get(`/recalls?designId=${design.id}`).expect(200)).body).toMatchObject([{ here: 1 }]);
  });
  it('name the field that was not understood, and the design that there is not', async () => {
    const errors = async (body: object, status: number) =>
      ((await desk.post('/tests', body).expect(status)).body as { errors: { path: string }[] }).errors[0]!
        .path;
    expect(await errors(test(99), 422)).toBe('designId');
    expect(await errors({ ...test(1), test: 'kick' }, 400)).toBe('test');
    expect(await errors({ ...test(1), force: -3 }, 400)).toBe('force');
    expect(await errors({ ...test(1), by: '' }, 400)).toBe('by');
  });
  it('and what a family is allergic to stand before a loan', async () => {
    const { design } = await withDesign(desk, { copies: 1 });
    const materials = (await desk.get('/materials')).body as { id: number; name: string; version: number }[];
    const cap = materials.find((m) => m.name === 'Cap')!;
    const { kept: _, waiting: __, ...own } = cap as unknown as Record<string, unknown>;
    const changed = { ...own, allergens: ['wool'] };
    delete (changed as { id?: unknown }).id;
    await desk.put(`/materials/${cap.id}`, changed).expect(200);
    const made = (
      await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201)
    ).body as { kits: { id: number; label: string }[] };
    const family = (
      await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls', allergies: ['wool'] }).expect(201)
    ).body as { id: number; allergies: string[] };
    expect(family.allergies).toEqual(['wool']);
    const lend = () =>
      desk.post('/loans', { kitId: made.kits[0]!.id, borrowerId: family.id, dueOn: '2026-12-08' });
    expect(((await lend().expect(422)).body as { detail: string }).detail).toBe(
      `Amber Dory is allergic to what is in ${made.kits[0]!.label}: wool (Cap).`,
    );
    await desk
      .put(`/borrowers/${family.id}`, { name: 'Amber Dory', group: 'Gulls', allergies: [], version: 1 })
      .expect(200);
    // Two desks do not undo each other: who has not seen the latest changes nothing.
    const late = await desk
      .put(`/borrowers/${family.id}`, { name: 'Amber Dory', group: 'Gulls', allergies: ['egg'], version: 1 })
      .expect(409);
    expect((late.body as { current: { allergies: string[]; version: number } }).current).toMatchObject({
      allergies: [],
      version: 2,
    });
    await lend().expect(201);
    await desk.put('/borrowers/99', { name: 'X', group: 'Y', version: 1 }).expect(404);
    await desk.post('/borrowers', { name: 'Z', group: 'Y', allergies: ['cats'] }).expect(400);
  });
  it('go with a design that is deleted', async () => {
    const { design } = await withDesign(desk);
    await desk.post('/tests', test(design.id, { passed: false })).expect(201);
    await desk.del(`/designs/${design.id}`).expect(204);
    expect((await desk.get('/recalls').expect(200)).body).toEqual([]);
  });
});
