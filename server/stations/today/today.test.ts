import type { TodayLine, TodayPage } from '../../../contract/today.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { rows } from '../../db/rows.ts';
import { pdfText, startTest, TODAY, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
let design: { id: number; version: number };
let kits: { id: number; label: string }[];
let family: number;
beforeEach(async () => {
  desk = await startTest();
  ({ design } = await withDesign(desk));
  const made = await desk
    .post('/builds', { designId: design.id, version: design.version, copies: 2 })
    .expect(201);
  ({ kits } = made.body as { kits: typeof kits });
  const input = { name: 'Teal Skiff', group: 'Gulls', children: ['G-04'] };
  family = ((await desk.post('/borrowers', input).expect(201)).body as { id: number }).id;
});
afterEach(() => desk.close());

const now = async (): Promise<TodayPage> => (await desk.get('/today').expect(200)).body as TodayPage;
const later = async (): Promise<TodayPage> => (await desk.get('/today/later').expect(200)).body as TodayPage;
const of = (page: TodayPage, kind: TodayLine['kind']): TodayLine[] =>
  page.lines.filter((l) => l.kind === kind);
const labels = (lines: readonly TodayLine[]): string[][] => lines.map((l) => l.kits.map((k) => k.label));
const lend = async (kit: number, dueOn: string): Promise<number> =>
  ((await desk.post('/loans', { kitId: kit, borrowerId: family, dueOn }).expect(201)).body as { id: number })
    .id;
describe('today', () => {
  it('names the tests that a first loan waits for, and nothing else of kits that are in', async () => {
    const { lines, day } = await now();
    expect(day).toBe(TODAY);
    expect(lines.map((l) => l.kind)).toEqual(['test']);
    expect(lines[0]).toMatchObject({ design: { id: design.id, name: 'Drop tub' } });
    expect(lines[0]!.words).toMatch(/drop test/);
    await lend(kits[0]!.id, addDays(TODAY, 14));
    // It was lent: there is no first loan to wait for.
    expect((await now()).lines).toEqual([]);
  });
  it('has what is due today and what is overdue, until it is back', async () => {
    await lend(kits[0]!.id, TODAY);
    const late = await lend(kits[1]!.id, addDays(TODAY, 1));
    const em = desk.serverContext.em();
    await rows(em, 'update loan set lent_on = ?, due_on = ? where id = ?', [
      addDays(TODAY, -20),
      addDays(TODAY, -6),
      late,
    ]);
    const page = await now();
    expect(labels(of(page, 'due'))).toEqual([[kits[0]!.label]]);
    expect(of(page, 'late')).toMatchObject([
      { family: { name: 'Teal Skiff' }, kits: [{ label: kits[1]!.label }], day: addDays(TODAY, -6) },
    ]);
    // Both are told of, once for the family.
    const [tell] = of(await later(), 'tell');
    expect(tell).toMatchObject({ family: { name: 'Teal Skiff' } });
    expect(tell!.words).toContain(`(${kits[1]!.label}): overdue`);
  });
  it('asks for cleaning, and for a note on the kit that came back, until both are done', async () => {
    const loan = await lend(kits[0]!.id, addDays(TODAY, 14));
    const [kit] = (await desk.get(`/kits?label=${kits[0]!.label}`).expect(200)).body as {
      parts: { due: number }[];
    }[];
    const present = kit!.parts.map((p) => p.due);
    await desk.post(`/loans/${loan}/return`, { present, then: 'shelve' }).expect(200);
    expect(labels(of(await now(), 'clean'))).toEqual([[kits[0]!.label]]);
    expect(of(await later(), 'note')).toMatchObject([
      { words: 'G-04', design: { id: design.id }, family: { name: 'Teal Skiff' }, day: TODAY },
    ]);
    await desk.post(`/kits/${kits[0]!.id}/state`, { to: 'cleaned' }).expect(200);
    expect(of(await now(), 'clean')).toEqual([]);
    await rows(
      desk.serverContext.em(),
      "insert into note (design_id, child, level, bits, seconds, counted_of, help, words, sat_on) values (?, 'G-04', 'Close slot', 10, 40, 'pieces', 'none', '', ?)",
      [design.id, TODAY],
    );
    expect(of(await later(), 'note')).toEqual([]);
  });
  it('lays out what a term has planned, all of a family at once, and says what hinders it', async () => {
    const shape = { name: 'Winter', from: TODAY, weeks: 4, every: 2, stays: 2, cleanDays: 1 };
    const { id } = (await desk.post('/term-plans', { ...shape, borrowers: [family] }).expect(201)).body as {
      id: number;
    };
    await desk.post(`/term-plans/${id}/plan`, { version: 1 }).expect(200);
    const [line] = of(await now(), 'lend');
    expect(line).toMatchObject({ family: { id: family }, words: 'Winter' });
    const [kit] = line!.kits;
    expect(kit!.why).toBeNull();
    await rows(desk.serverContext.em(), 'update kit set to_clean = 1 where id = ?', [kit!.id]);
    expect(of(await now(), 'lend')[0]!.kits[0]!.why).toBe('to clean');
    await rows(desk.serverContext.em(), 'update kit set to_clean = 0 where id = ?', [kit!.id]);
    await desk
      .post('/loans/together', { kitIds: [kit!.id], borrowerId: family, dueOn: line!.day })
      .expect(201);
    expect(of(await now(), 'lend')).toEqual([]);
  });
  it('has sessions, what runs short for them, and finds that rested long enough', async () => {
    const days = { makers: [], childFree: [{ day: TODAY, from: 780, to: 870 }], singles: [], pins: {} };
    const items = [{ designId: design.id, bundleId: null, copies: 8 }];
    await desk.post('/batches', { name: 'Nap making', items, days }).expect(201);
    expect(of(await now(), 'session')).toMatchObject([{ words: 'Nap making', day: TODAY, steps: 0 }]);
    expect(of(await later(), 'short').map((l) => l.words)).toContain('4 × Tub');
    const em = desk.serverContext.em();
    const lot = (ready: string) =>
      rows(
        em,
        "insert into lot (material_id, quantity, came, came_on, state, ready_on, sizes) values ((select max(id) from material), 3, 3, ?, 'resting', ?, '{}')",
        [addDays(TODAY, -9), ready],
      );
    await lot(TODAY);
    await lot(addDays(TODAY, 1));
    expect(of(await now(), 'quarantine')).toMatchObject([{ words: '3 × Cap', day: TODAY, version: 1 }]);
  });
  it('lists what is called back first, says how many more there are, and prints one page', async () => {
    await lend(kits[0]!.id, addDays(TODAY, 14));
    const failed = {
      designId: design.id,
      part: 'Cap',
      test: 'pull',
      passed: false,
      force: 40,
      by: 'Ann',
      words: '',
    };
    await desk.post('/tests', failed).expect(201);
    await rows(
      desk.serverContext.em(),
      "insert into kit (label, design_id, parts, to_clean) select 'C-' || value, ?, '[]', 1 from json_each(?)",
      [design.id, JSON.stringify(Array.from({ length: 45 }, (_, i) => i))],
    );
    const page = await now();
    expect(page.lines[0]).toMatchObject({ kind: 'called back', kits: [{ label: kits[0]!.label }] });
    expect(of(page, 'clean')).toHaveLength(40);
    expect(page.counts).toEqual({ clean: 45 });
    const text = (await pdfText(desk, '/today.pdf')).replace(/\s+/g, ' ');
    expect(text).toContain('Called back: get these back first');
    expect(text).toContain(`Teal Skiff: Drop tub (${kits[0]!.label})`);
    expect(text).toContain('and 5 more, on the screen');
    expect((await desk.get('/today.pdf?paper=A3').expect(400)).body.errors[0].path).toBe('paper');
  });
});
