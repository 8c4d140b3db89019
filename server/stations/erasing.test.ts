import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import type { Backup } from '../../contract/place.ts';
import { eraseWords } from '../db/eraseWords.ts';
import { temporaryFolder } from '../temporary.ts';
import { startTest, withDesign, type TestDesk } from '../testing.ts';

/** A child’s code and a family’s name that nothing else has. */
const CHILD = 'Zq-77';
const FAMILY = 'Quillon Brig';

let folder: string;
let desk: TestDesk;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fox-erasing-'));
  desk = await startTest({ folder });
});
afterEach(async () => {
  await desk.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Files below a folder that hold some bytes, but for those that are left out. */
const holding = (at: string, words: string, but: RegExp): string[] =>
  readdirSync(at, { recursive: true, encoding: 'utf8' })
    .filter((name) => !but.test(name) && statSync(join(at, name)).isFile())
    .filter((name) => readFileSync(join(at, name)).includes(words));

it('nothing of somebody who was erased is left in a byte of the place', async () => {
  const { design, tub } = await withDesign(desk, { name: `Tub for ${CHILD}`, copies: 2, child: CHILD });
  const { body: built } = await desk.post('/builds', {
    designId: design.id,
    version: design.version,
    copies: 2,
  });
  const [kit] = (built as { kits: { id: number; label: string }[] }).kits;
  let written = 0;
  const put = async (asked: Promise<{ status: number; body: unknown }>): Promise<{ id: number }> => {
    const answer = await asked;
    expect([answer.status, answer.status < 300 ? null : answer.body]).toEqual([answer.status, null]);
    written++;
    return answer.body as { id: number };
  };
  const said = `${CHILD} of ${FAMILY} broke it`;
  const family = await put(
    desk.post('/borrowers', { name: FAMILY, group: 'Gulls', allergies: [], children: [CHILD] }),
  );
  await put(
    desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls', allergies: [], children: ['Zq-770'] }),
  );
  await put(
    desk.put(`/children/${CHILD}`, {
      hand: { span: 110, side: 'right', oneHanded: false },
      likes: said,
      age: 40,
      mouths: false,
      allergies: [],
    }),
  );
  await put(
    desk.post('/notes', {
      designId: design.id,
      child: CHILD,
      level: 'Loose slot',
      bits: 6,
      seconds: 40,
      count: 8,
      of: 'caps',
      help: 'none',
      words: said,
      satOn: '2026-11-20',
      before: [],
    }),
  );
  const loan = await put(desk.post('/loans', { kitId: kit!.id, borrowerId: family.id, dueOn: '2026-12-01' }));
  await put(desk.post('/tellings', { borrowerId: family.id, by: 'said', language: 'en' })).catch(
    () => undefined,
  );
  const plan = { name: `For ${FAMILY}`, from: '2026-12-08', weeks: 4, every: 2, stays: 2, cleanDays: 1 };
  await put(desk.post('/term-plans', { ...plan, borrowers: [family.id] }));
  await put(desk.post(`/loans/${loan.id}/return`, { present: [1, 8], then: 'shelve' }));
  await put(desk.post(`/kits/${kit!.id}/state`, { to: 'cleaned', by: FAMILY, why: said }));
  await put(
    desk.post('/bundles', {
      name: `Bag of ${CHILD}`,
      designs: [design.id],
      container: null,
      words: { en: said },
    }),
  );
  await put(
    desk.post('/tests', {
      designId: design.id,
      part: 'Cap',
      test: 'pull',
      passed: true,
      force: 100,
      by: FAMILY,
      words: said,
    }),
  );
  await put(
    desk.post('/finds', {
      materialId: tub.id,
      quantity: 3,
      from: FAMILY.slice(0, 20),
      sizes: {},
      look: {},
    }),
  );
  // A file that was read and waits to be confirmed.
  const csv = `name,group\n${FAMILY} two,Gulls\n`;
  const preview = await request(desk.app)
    .post('/api/files/families/preview')
    .set('content-type', 'text/csv')
    .send(csv);
  expect(preview.status).toBe(200);
  expect(holding(temporaryFolder(), FAMILY, /^$/).length).toBe(1);
  const made = (await desk.post('/backups', {}).expect(201)).body as Backup;
  expect(written).toBeGreaterThan(8);
  for (const word of [CHILD, FAMILY]) expect(holding(folder, word, /backups/).length).toBeGreaterThan(0);

  await desk.post(`/children/${CHILD}/erase`, {}).expect(204);
  await desk.post(`/borrowers/${family.id}/erase`, {}).expect(204);
  for (const word of [`${CHILD} `, `${CHILD}"`, FAMILY]) {
    expect([word, holding(folder, word, /backups/)]).toEqual([word, []]);
    expect(holding(temporaryFolder(), word, /^$/)).toEqual([]);
  }
  // Nobody else’s code was touched, though it begins alike.
  expect(JSON.stringify((await desk.get('/borrowers')).body)).toContain('Zq-770');
  // The copy from before holds it still: the list says until when, and it can be deleted.
  const [listed] = (await desk.get('/backups').expect(200)).body as Backup[];
  expect(listed).toMatchObject({ name: made.name, until: null });
  await desk.del(`/backups/${made.name}`).expect(204);
  await desk.del(`/backups/${made.name}`).expect(404);
  expect(holding(folder, FAMILY, /^$/)).toEqual([]);
});

it('a name is taken out as a word of its own alone', async () => {
  await desk.post('/bundles', {}).expect(400);
  for (const name of ['Teal', 'Tealight', 'Teal-2', '“Teal” and Teal'])
    await desk.post('/suppliers', { name, delivery: 0 }).expect(201);
  const run = (sql: string): Promise<{ why: string }[]> =>
    desk.serverContext.em().getConnection().execute(sql);
  for (const why of ['Teal', 'Tealight', 'Teal-2', '“Teal” and Teal'])
    await run(
      `insert into rule_log (changed_on, changed_by, why, what) values ('2026-11-20', 'x', '${why}', 'y')`,
    );
  await desk.serverContext.inTransaction((em) => eraseWords(em, 'Teal'));
  expect((await run('select why from rule_log order by id')).map((r) => r.why)).toEqual([
    'erased',
    'Tealight',
    'Teal-2',
    '“erased” and erased',
  ]);
  // What is bought names nobody.
  expect((await desk.get('/suppliers')).body).toHaveLength(4);
});
