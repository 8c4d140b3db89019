import type { Borrower, Kit, Loan } from '../../contract/lending.ts';
import { startTest, withDesign, type TestDesk } from '../testing.ts';

let desk: TestDesk;
let kit: Kit;
let family: Borrower;
beforeEach(async () => {
  desk = await startTest();
  const { design } = await withDesign(desk, { copies: 2 });
  const { body } = await desk
    .post('/builds', { designId: design.id, version: design.version, copies: 2 })
    .expect(201);
  const [made] = (body as { kits: { id: number }[] }).kits;
  kit = ((await desk.get('/kits').expect(200)).body as Kit[]).find((c) => c.id === made!.id)!;
  family = (
    await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls', allergies: ['milk'] }).expect(201)
  ).body as Borrower;
  await desk
    .post('/notes', {
      designId: design.id,
      child: 'G-04',
      level: 'Loose slot',
      bits: 6,
      seconds: 40,
      count: 8,
      of: 'caps',
      help: 'none',
      words: 'Sang while posting.',
      satOn: '2026-11-20',
      before: [],
    })
    .expect(201);
});
afterEach(() => desk.close());

/** Everything that the place's file says of somebody. */
const whole = async (): Promise<string> => {
  const run = (sql: string) => desk.serverContext.em().getConnection().execute(sql) as Promise<unknown[]>;
  const tables = (await run(
    "select name from sqlite_master where type = 'table' and name not like 'sqlite_%'",
  )) as {
    name: string;
  }[];
  const all = await Promise.all(tables.map((t) => run(`select * from "${t.name}"`)));
  return JSON.stringify(all);
};

it('a family has all that is known of it, and is erased down to its counts', async () => {
  const lend = { kitId: kit.id, borrowerId: family.id, dueOn: '2026-12-08' };
  const loan = (await desk.post('/loans', lend).expect(201)).body as Loan;
  await desk.post('/tellings', { borrowerId: family.id, by: 'said', language: 'en' });
  const term = { name: 'Winter', from: '2026-12-08', weeks: 4, every: 2, stays: 2, cleanDays: 1 };
  const plan = (await desk.post('/term-plans', { ...term, borrowers: [family.id] }).expect(201)).body as {
    id: number;
  };
  const place = { borrowerId: family.id, week: 2, kitId: kit.id, kept: true };
  await desk
    .put(`/term-plans/${plan.id}`, { ...term, version: 1, borrowers: [family.id], entries: [place] })
    .expect(200);
  const { body: known } = await desk.get(`/borrowers/${family.id}/data`).expect(200);
  expect(known).toMatchObject({
    planned: [{ plan: 'Winter', day: '2026-12-22', due: '2027-01-05', label: kit.label, kit: 'Drop tub' }],
    waiting: [],
    family: { name: 'Teal Skiff', group: 'Gulls', allergies: ['milk'] },
    loans: [{ lentOn: '2026-11-24', label: kit.label }],
  });
  const refused = await desk.post(`/borrowers/${family.id}/erase`, {}).expect(409);
  expect((refused.body as { detail: string }).detail).toContain(kit.label);
  const present = kit.parts.map((p) => p.due);
  await desk.post(`/loans/${loan.id}/return`, { present, then: 'shelve' }).expect(200);
  await desk.post(`/kits/${kit.id}/state`, { to: 'cleaned', by: 'Keeper' }).expect(200);
  // What is on record goes out as CSV, page by page.
  const csv = async (kind: string) =>
    (await desk.get(`/files/${kind}.csv`).expect(200)).text.replace('\ufeff', '').trim().split('\r\n');
  expect((await csv('loans')).join('\n').split('\n')).toEqual([
    'loan,label,kit,family,lent_on,due_on,returned_on,outcome,counted',
    expect.stringMatching(
      /^\d+,FB-001a,Drop tub,Teal Skiff,2026-11-24,2026-12-08,2026-11-24,.*,"1 of 1 Tub, 8 of 8 Cap"$/,
    ),
  ]);
  for (const kind of ['kits', 'counts', 'events']) expect((await csv(kind)).join('\n')).toContain('FB-001a');
  await desk.get('/files/secrets.csv').expect(404);
  await desk.post(`/borrowers/${family.id}/erase`, {}).expect(204);
  const left = await whole();
  for (const word of ['Teal Skiff', 'Gulls', 'milk']) {
    // The design is made for the group of that name: the family's own is gone.
    if (word !== 'Gulls') expect(left).not.toContain(word);
  }
  expect((await desk.get('/borrowers').expect(200)).body).toEqual([]);
  for (const path of ['data', 'erase'] as const)
    await (
      path === 'data'
        ? desk.get(`/borrowers/${family.id}/data`)
        : desk.post(`/borrowers/${family.id}/erase`, {})
    ).expect(404);
  await desk.post('/loans', lend).expect(422);
  // What the kit lasts rests on is still there.
  const history = (await desk.get(`/kits/${kit.id}/history`).expect(200)).body as { loans: unknown[] };
  expect(history.loans).toHaveLength(1);
  // The name is free for another family.
  await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls', allergies: [] }).expect(201);
});

it('a child has all that is known of it, and is erased down to its times', async () => {
  await desk
    .put('/children/G-04', { version: 0, hand: { span: 110 }, likes: 'boats and songs' })
    .then((r) => r);
  await desk
    .post('/borrowers', { name: 'Amber Dory', group: 'Gulls', children: ['G-05', 'G-04'] })
    .expect(201);
  const { body: known } = await desk.get('/children/G-04/data').expect(200);
  expect(known).toMatchObject({ code: 'G-04', notes: [{ seconds: 40, words: 'Sang while posting.' }] });
  await desk.post('/children/G-04/erase', {}).expect(204);
  const left = await whole();
  for (const word of ['G-04', 'Sang', 'boats']) expect(left).not.toContain(word);
  // Its family is not told by it any more, but by its other children.
  const families = (await desk.get('/borrowers').expect(200)).body as { name: string; children: string[] }[];
  expect(families.find((f) => f.name === 'Amber Dory')!.children).toEqual(['G-05']);
  expect(left).toMatch(/erased-[0-9a-f]{12}/);
  expect((await desk.get('/notes/children').expect(200)).body).toEqual([]);
  await desk.get('/children/G-04/data').expect(404);
  expect((await desk.get('/files/notes.csv').expect(200)).text).not.toContain('erased');
  // Nobody can be given the name of nobody.
  await desk.get('/children/erased-1/data').expect(400);
});
