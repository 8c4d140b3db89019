import type { FamilyPage, KitAnswer, ListedFamily } from '../../../contract/lending.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { rows } from '../../db/rows.ts';
import { DIALS, pdfText, startTest, TODAY, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
let design: { id: number; version: number };
let kits: { id: number; label: string }[];
let [skiff, dory] = [0, 0];
beforeAll(async () => {
  desk = await startTest();
  ({ design } = await withDesign(desk));
  const made = await desk
    .post('/builds', { designId: design.id, version: design.version, copies: 2 })
    .expect(201);
  ({ kits } = made.body as { kits: typeof kits });
  const add = async (input: object): Promise<number> =>
    ((await desk.post('/borrowers', input).expect(201)).body as { id: number }).id;
  skiff = await add({ name: 'Teal Skiff', group: 'Gulls', children: ['G-04', 'G-05'] });
  dory = await add({ name: 'Amber Dory', group: 'Gulls' });
  await desk.post('/reservations', { kitId: kits[1]!.id, borrowerId: dory }).expect(201);
  await desk.post('/loans', { kitId: kits[0]!.id, borrowerId: skiff, dueOn: addDays(TODAY, 7) }).expect(201);
  await rows(desk.serverContext.em(), 'update loan set lent_on = ?, due_on = ?', [
    addDays(TODAY, -20),
    addDays(TODAY, -6),
  ]);
  await desk
    .put('/children/G-04', {
      hand: { span: 110, side: 'left', oneHanded: false },
      likes: '',
      age: 22,
      allergies: ['gluten'],
    })
    .expect(200);
  await desk
    .post('/notes', {
      ...{ designId: design.id, child: 'G-04', level: 'Close slot', bits: 9, seconds: 40, count: 8 },
      ...{ of: 'pieces', help: 'none', tries: 1, words: '', satOn: TODAY },
    })
    .expect(201);
});
afterAll(() => desk.close());

describe('a page that a family keeps', () => {
  const of = async (id: number, query: string): Promise<string> =>
    (await pdfText(desk, `/borrowers/${id}/page.pdf?${query}`)).replace(/\s+/g, ' ');
  const time = `from=${addDays(TODAY, -30)}&to=${TODAY}`;

  it('says what they borrowed and what their children do alone since when', async () => {
    const words = await of(skiff, time);
    expect(words).toContain('What Teal Skiff borrowed');
    expect(words).toContain('Drop tub: since 4 Nov, at home now');
    expect(words).toContain('What G-04 can do now');
    expect(words).toContain('Drop tub, “Close slot”: alone since 24 Nov · new in this time');
    expect(words).toContain('Nothing was noted of G-05 in this time.');
    expect(words).toContain('not a diagnosis');
    const before = await of(skiff, `from=${addDays(TODAY, -90)}&to=${addDays(TODAY, -60)}`);
    expect(before).toContain('Nothing was borrowed in this time.');
    expect(before).toContain('Nothing was noted of G-04 in this time.');
    expect(await of(dory, time)).toContain('No child of this family is named in the notes here.');
  });

  it('is in the language of the family, the names of levels too', async () => {
    const { family } = (await desk.get(`/borrowers/${skiff}`).expect(200)).body as FamilyPage;
    const { id, ...own } = family;
    await desk.put(`/borrowers/${id}`, { ...own, language: 'es' }).expect(200);
    const words = await of(skiff, time);
    expect(words).toContain('Lo que Teal Skiff tomó prestado');
    expect(words).toMatch(/Drop tub, «[^»]+»: sin ayuda desde el 24 nov/);
    expect(words).not.toContain('Close slot');
    const now = (await desk.get(`/borrowers/${skiff}`).expect(200)).body as FamilyPage;
    await desk.put(`/borrowers/${id}`, { ...own, version: now.family.version, language: null }).expect(200);
  });

  it('refuses a time that ends before it begins, and a family that is not there', async () => {
    await desk.get(`/borrowers/${skiff}/page.pdf?from=${TODAY}&to=${addDays(TODAY, -1)}`).expect(400);
    await desk.get(`/borrowers/9999/page.pdf?${time}`).expect(404);
  });
});

describe('a family', () => {
  it('is one page: what it has and since when, what is kept, its children and their notes', async () => {
    const page = (await desk.get(`/borrowers/${skiff}`).expect(200)).body as FamilyPage;
    expect(page.has).toMatchObject([
      { label: kits[0]!.label, kit: 'Drop tub', lentOn: addDays(TODAY, -20), daysLate: 6, recalled: null },
    ]);
    expect(page.children).toMatchObject([
      { code: 'G-04', age: 22, allergies: ['gluten'], isMeasured: true, notes: 1, lastSat: TODAY },
      { code: 'G-05', age: null, isMeasured: false, notes: 0, lastSat: null },
    ]);
    const other = (await desk.get(`/borrowers/${dory}`).expect(200)).body as FamilyPage;
    expect(other.has).toEqual([]);
    expect(other.kept).toMatchObject([{ kit: 'Drop tub', ready: kits[1]!.label }]);
    await desk.get('/borrowers/999').expect(404);
  });
  it('is listed with how much it has and what of it is overdue', async () => {
    const list = (await desk.get('/borrowers').expect(200)).body as ListedFamily[];
    expect(list.map((b) => [b.name, b.has, b.late])).toEqual([
      ['Amber Dory', 0, 0],
      ['Teal Skiff', 1, 1],
    ]);
  });
});

describe('what hangs over a loan', () => {
  const hangs = async (borrowerId: number): Promise<readonly string[]> =>
    ((await desk.get(`/kits/${kits[1]!.id}/answer?borrowerId=${borrowerId}`).expect(200)).body as KitAnswer)
      .hangs;
  it('is said before it: overdue elsewhere, kept for another, made before a change', async () => {
    expect(await hangs(dory)).toEqual([]);
    expect(await hangs(skiff)).toEqual([
      `They still have Drop tub (${kits[0]!.label}), overdue since 18 Nov.`,
      'It is kept for Amber Dory.',
    ]);
    await rows(desk.serverContext.em(), 'update design set dials = ? where id = ?', [
      JSON.stringify({ ...DIALS, fill: 0.5 }),
      design.id,
    ]);
    expect(await hangs(dory)).toEqual([
      'It was made before Drop tub was changed: count and check it as it is, not as the design says now.',
    ]);
  });
  it('is said of what a plan has for another family soon', async () => {
    const plan = {
      ...{ name: 'Winter', from: TODAY, weeks: 4, every: 2, stays: 2, cleanDays: 1 },
      borrowers: [dory],
    };
    const { body } = await desk.post('/term-plans', plan);
    const { id } = body as { id: number };
    await rows(desk.serverContext.em(), 'update term_plan set entries = ? where id = ?', [
      JSON.stringify([{ borrowerId: dory, week: 0, kitId: kits[1]!.id, kept: true }]),
      id,
    ]);
    expect((await hangs(skiff)).some((h) => h.startsWith('It is planned for Amber Dory from '))).toBe(true);
    expect((await hangs(dory)).some((h) => h.startsWith('It is planned'))).toBe(false);
  });
});
