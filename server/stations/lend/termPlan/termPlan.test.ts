import ICAL from 'ical.js';
import type {
  PlannedNow,
  TermBest,
  TermChoice,
  TermMended,
  TermPlanPage,
} from '../../../../contract/termPlan.ts';
import { CAP, pdfText, startTest, withDesign, type TestDesk } from '../../../testing.ts';

let desk: TestDesk;
let kits: { id: number; label: string }[];
let designId: number;
const family: Record<string, number> = {};
beforeEach(async () => {
  desk = await startTest();
  const { design } = await withDesign(desk);
  designId = design.id;
  const made = await desk
    .post('/builds', { designId: design.id, version: design.version, copies: 2 })
    .expect(201);
  ({ kits } = made.body as { kits: typeof kits });
  for (const name of ['Amber Dory', 'Teal Skiff', 'Grey Punt'])
    family[name] = (
      (await desk.post('/borrowers', { name, group: 'Gulls' }).expect(201)).body as { id: number }
    ).id;
});
afterEach(() => desk.close());

const SHAPE = { name: 'Winter', from: '2026-12-01', weeks: 4, every: 2, stays: 2, cleanDays: 1 };
const begin = async (names: string[], part: object = {}): Promise<number> =>
  (
    (
      await desk
        .post('/term-plans', { ...SHAPE, ...part, borrowers: names.map((n) => family[n]) })
        .expect(201)
    ).body as { id: number }
  ).id;
const look = async (id: number) => (await desk.get(`/term-plans/${id}`).expect(200)).body as TermPlanPage;
const plan = async (id: number, version: number) =>
  (await desk.post(`/term-plans/${id}/plan`, { version }).expect(200)).body as {
    page: TermPlanPage;
    best: TermBest;
  };
const loansOf = (page: TermPlanPage) =>
  page.families.flatMap((f) => f.loans.map((l) => `${f.name} ${l.day} ${l.label}`));
const faultsOf = (page: TermPlanPage) => page.families.flatMap((f) => f.loans.flatMap((l) => l.faults));
/** What is sent back to change a plan by hand. */
const sent = ({ families, starts: _s, points: _p, id: _i, ...rest }: TermPlanPage) => ({
  ...rest,
  borrowers: families.map((f) => f.id),
  entries: families.flatMap((f) =>
    f.loans.map(({ borrowerId, week, kitId, kept }) => ({ borrowerId, week, kitId, kept })),
  ),
});

const mend = async (id: number, version: number) =>
  (await desk.post(`/term-plans/${id}/mend`, { version }).expect(200)).body as TermMended;

describe('a plan that keeps its word', () => {
  it('is mended with the fewest loans changed, which are told, and whose slips alone are printed', async () => {
    const id = await begin(['Amber Dory', 'Teal Skiff'], { weeks: 2 });
    const { page } = await plan(id, 1);
    const gone = page.families[0]!.loans[0]!;
    const stays = page.families[1]!.loans[0]!;
    // Another family keeps it for longer than the plan knew.
    const away = await desk.post('/loans', {
      kitId: gone.kitId,
      borrowerId: family['Grey Punt'],
      dueOn: '2027-02-01',
    });
    expect(away.status).toBe(201);
    const faulty = await look(id);
    expect(faultsOf(faulty)).toHaveLength(1);
    const mended = await mend(id, faulty.version);
    expect(mended.isLeast).toBe(true);
    expect(mended.changed).toEqual([
      {
        borrowerId: gone.borrowerId,
        family: page.families[0]!.name,
        week: 0,
        day: '2026-12-01',
        before: { label: gone.label, kit: gone.kit },
        after: null,
      },
    ]);
    expect(faultsOf(mended.page)).toEqual([]);
    expect(loansOf(mended.page)).toEqual([`${page.families[1]!.name} 2026-12-01 ${stays.label}`]);
    await desk.post(`/term-plans/${id}/mend`, { version: faulty.version }).expect(409);
    const slips = (loan: { borrowerId: number }): Promise<string> =>
      pdfText(desk, `/term-plans/${id}/slips.pdf?places=${loan.borrowerId}-0`);
    expect(await slips(stays)).toContain(stays.label);
    expect(await slips(gone)).toContain('Nothing is planned yet.');
    await desk.get(`/term-plans/${id}/slips.pdf?places=all`).expect(400);
  });

  it('says what would mend a fault, what a family still has, and what it really had', async () => {
    const id = await begin(['Amber Dory'], { weeks: 4, from: '2026-11-24' });
    await plan(id, 1);
    // It gets the other kit, a day before that was planned for the second change of hands.
    const { families } = await look(id);
    const planned = families[0]!.loans[0]!;
    const other = kits.find((k) => k.id !== planned.kitId)!;
    await desk
      .post('/loans', { kitId: other.id, borrowerId: family['Amber Dory'], dueOn: '2026-12-20' })
      .expect(201);
    const page = await look(id);
    const own = page.families[0]!;
    expect(own.had).toMatchObject([{ week: 0, label: other.label, returnedOn: null }]);
    expect(own.loans[0]!.faults).toEqual([`Amber Dory had ${planned.kit} before.`]);
    expect(own.loans[0]!.notes).toEqual([`Amber Dory has ${other.label} until 20 Dec: they would have two.`]);
    expect(own.loans[0]!.mend).toBeNull();
    const choices = (await desk.get(`/term-plans/${id}/choices?borrower=${own.id}&week=0`).expect(200))
      .body as TermChoice[];
    expect(choices.map((c) => [c.faults.length > 0, c.isAgain])).toEqual([[true, true]]);
    const again = await desk.put(`/term-plans/${id}`, {
      ...sent(page),
      entries: [{ borrowerId: own.id, week: 0, kitId: planned.kitId, kept: true, again: true }],
    });
    expect(faultsOf(again.body as TermPlanPage)).toEqual([]);
    expect((again.body as TermPlanPage).families[0]!.loans[0]).toMatchObject({ again: true, kept: true });
  });

  it('leaves out weeks that are closed', async () => {
    const id = await begin(['Amber Dory', 'Teal Skiff'], { every: 1, stays: 1, weeks: 4, closed: [1, 2] });
    const { page } = await plan(id, 1);
    expect(page.closed).toEqual([1, 2]);
    expect(page.starts.map((s) => s.week)).toEqual([0, 3]);
    expect(page.families.flatMap((f) => f.loans).filter((l) => l.week === 0)).toMatchObject([
      { due: '2026-12-22' },
      { due: '2026-12-22' },
    ]);
    await desk.post('/term-plans', { ...SHAPE, closed: [99], borrowers: [family['Amber Dory']] }).expect(400);
  });
});

describe('the plan of a term', () => {
  it('gives each family something new, proved, with no kit in two places', async () => {
    const id = await begin(['Amber Dory', 'Teal Skiff', 'Grey Punt'], { weeks: 8 });
    const { page, best } = await plan(id, 1);
    expect(best).toMatchObject({ isProved: true, loans: 3 });
    expect(page).toMatchObject({ version: 2, points: best.points });
    expect(faultsOf(page)).toEqual([]);
    expect(page.families.map((f) => f.loans.length)).toEqual([1, 1, 1]);
    expect((await desk.get('/term-plans')).body).toMatchObject([
      { id, name: 'Winter', families: 3, loans: 3 },
    ]);
    expect((await desk.get(`/term-plans/${id}/best`)).body).toEqual(best);
  });

  it('leaves out what a family had before, is allergic to, or what the check stops for the youngest at home', async () => {
    // A cap that goes into the cylinder, for children who are past that, with wool on it.
    const small = { ...CAP, name: 'Small cap', sizes: { diameter: 28, height: 10 }, allergens: ['wool'] };
    const piece = ((await desk.post('/materials', small).expect(201)).body as { id: number }).id;
    const { materials, ...drop } = (await desk.get(`/designs/${designId}`)).body as {
      materials: { container: number[] };
    };
    const { id: _, version: __, made: ___, ...like } = drop as Record<string, unknown>;
    const own = await desk
      .post('/designs', {
        ...like,
        name: 'Small drop',
        ageFrom: 40,
        ageTo: 60,
        materials: { ...materials, piece: [piece] },
      })
      .expect(201);
    const made = (await desk.post('/builds', { designId: own.body.id, version: 1, copies: 3 }).expect(201))
      .body as {
      kits: { id: number }[];
    };
    await desk
      .post('/loans', { kitId: kits[0]!.id, borrowerId: family['Amber Dory'], dueOn: '2026-11-30' })
      .expect(201);
    await desk.put(`/borrowers/${family['Amber Dory']}`, {
      name: 'Amber Dory',
      group: 'Seals',
      youngest: 44,
      version: 1,
    });
    await desk.put(`/borrowers/${family['Teal Skiff']}`, {
      name: 'Teal Skiff',
      group: 'Gulls',
      youngest: 14,
      version: 1,
    });
    const id = await begin(['Amber Dory', 'Teal Skiff', 'Grey Punt']);
    const { page } = await plan(id, 1);
    const [amber, teal, grey] = page.families;
    expect(amber!.now).toMatchObject([{ label: 'FB-001a', dueOn: '2026-11-30', dull: null }]);
    expect(amber!.loans.map((l) => l.kit)).toEqual(['Small drop']);
    expect(teal).toMatchObject({ youngest: 14, isYoungestTold: true });
    expect(teal!.loans.map((l) => l.kit)).toEqual(['Drop tub']);
    // The group's youngest stands in where a family did not say.
    expect(grey).toMatchObject({ youngest: 18, isYoungestTold: false });
    expect(grey!.loans.map((l) => l.kit)).toEqual(['Drop tub']);
    const against = async (name: string) =>
      (
        (await desk.get(`/term-plans/${id}/choices?borrower=${family[name]}&week=2`).expect(200))
          .body as TermChoice[]
      )
        .flatMap((c) => c.faults)
        .join(' ');
    expect(await against('Amber Dory')).toContain('Amber Dory had Drop tub before.');
    expect(await against('Teal Skiff')).toMatch(/The check says stop for 14 months: /);
    const wool = { name: 'Amber Dory', group: 'Seals', youngest: 44, allergies: ['wool'], version: 2 };
    await desk.put(`/borrowers/${family['Amber Dory']}`, wool).expect(200);
    expect(faultsOf(await look(id))).toEqual(['Amber Dory is allergic to what is in it: wool (Small cap).']);
    expect(made.kits).toHaveLength(3);
  });

  it('is moved by hand, looked over again, and planned round what was set', async () => {
    const id = await begin(['Amber Dory', 'Teal Skiff']);
    const { page } = await plan(id, 1);
    const one = kits[0]!.id;
    const moved = {
      ...sent(page),
      entries: [
        { borrowerId: family['Amber Dory'], week: 0, kitId: one, kept: true },
        { borrowerId: family['Teal Skiff'], week: 0, kitId: one, kept: true },
      ],
    };
    const seen = (await desk.put(`/term-plans/${id}`, moved).expect(200)).body as TermPlanPage;
    expect(faultsOf(seen)).toEqual(['FB-001a is with Amber Dory until 15 Dec.']);
    expect((await desk.put(`/term-plans/${id}`, moved).expect(409)).body.errors[0].path).toBe('version');
    await desk.post(`/term-plans/${id}/plan`, { version: page.version }).expect(409);
    const freed = { ...moved, version: seen.version, entries: moved.entries.slice(0, 1) };
    const again = (await desk.put(`/term-plans/${id}`, freed).expect(200)).body as TermPlanPage;
    const round = await plan(id, again.version);
    expect(faultsOf(round.page)).toEqual([]);
    expect(loansOf(round.page)).toContain('Amber Dory 2026-12-01 FB-001a');
    expect(round.best.loans).toBe(2);
  });

  it('gives a kit first to those who reserved it, in the plan and beside it', async () => {
    await desk.post(`/kits/${kits[1]!.id}/state`, { to: 'retired' }).expect(200);
    const reserve = { kitId: kits[0]!.id, borrowerId: family['Teal Skiff'] };
    const { id: kept } = (await desk.post('/reservations', reserve).expect(201)).body as { id: number };
    const id = await begin(['Amber Dory', 'Teal Skiff'], { weeks: 6 });
    const { page } = await plan(id, 1);
    expect(loansOf(page)).toEqual(['Amber Dory 2026-12-29 FB-001a', 'Teal Skiff 2026-12-01 FB-001a']);
    expect(page.families[1]!.loans[0]!.reason).toMatch(/^reserved by them; /);
    const moved = {
      ...sent(page),
      entries: [{ borrowerId: family['Amber Dory'], week: 0, kitId: kits[0]!.id, kept: true }],
    };
    const seen = (await desk.put(`/term-plans/${id}`, moved).expect(200)).body as TermPlanPage;
    expect(faultsOf(seen)).toEqual(['Teal Skiff reserved Drop tub on 24 Nov and has it first.']);
    // The desk says the same.
    const lend = { kitId: kits[0]!.id, borrowerId: family['Amber Dory'], dueOn: '2026-12-08' };
    expect((await desk.post('/loans', lend).expect(409)).body.detail).toContain('Teal Skiff');
    await desk.del(`/reservations/${kept}`).expect(204);
    expect(faultsOf(await look(id))).toEqual([]);
    // Somebody outside the plan has it for as long as kits stay, and then it is cleaned.
    await desk.post('/reservations', { ...reserve, borrowerId: family['Grey Punt'] }).expect(201);
    expect(faultsOf(await look(id))).toEqual([
      'FB-001a is kept for Grey Punt first; back, clean and rested from 9 Dec on.',
    ]);
  });

  it('sees at a later look what happened to a kit', async () => {
    const id = await begin(['Amber Dory']);
    const { page } = await plan(id, 1);
    const { kitId, label } = page.families[0]!.loans[0]!;
    await desk.post(`/kits/${kitId}/count`, { present: [1, 3], then: 'repair' }).expect(200);
    expect(faultsOf(await look(id))).toEqual([`${label} is in repair.`]);
    await desk.post(`/kits/${kitId}/state`, { to: 'retired' }).expect(200);
    expect(faultsOf(await look(id))).toEqual([`${label} is retired.`]);
  });

  it('knows what a room has that bores its children', async () => {
    await desk
      .post('/loans', { kitId: kits[0]!.id, borrowerId: family['Grey Punt'], dueOn: '2026-12-20' })
      .expect(201);
    await desk.put(`/borrowers/${family['Grey Punt']}`, {
      name: 'Gull room',
      group: 'Gulls',
      children: ['G-04'],
      version: 1,
    });
    const note = {
      designId,
      child: 'G-04',
      level: 'Close slot',
      bits: 9,
      seconds: 30,
      count: 8,
      of: 'pieces',
    };
    await desk
      .post('/notes', { ...note, help: 'none', liked: 'bored', words: '', satOn: '2026-11-20' })
      .expect(201);
    const id = await begin(['Grey Punt'], { every: 1, stays: 4 });
    expect((await look(id)).families[0]!.now).toMatchObject([
      { label: 'FB-001a', dull: '“bored” at the last sitting' },
    ]);
  });

  it('tells the desk what is to be lent in these days, until it is', async () => {
    const shape = { ...SHAPE, from: '2026-11-23', borrowers: [family['Amber Dory'], family['Teal Skiff']] };
    const id = await begin(['Amber Dory', 'Teal Skiff'], { from: '2026-11-23' });
    const entries = shape.borrowers.map((borrowerId, i) => ({
      borrowerId,
      week: 0,
      kitId: kits[i]!.id,
      kept: true,
    }));
    await desk.put(`/term-plans/${id}`, { ...shape, version: 1, entries }).expect(200);
    const now = async () => (await desk.get('/term-plans/now').expect(200)).body as PlannedNow[];
    const [first, second] = await now();
    expect(first).toMatchObject({
      plan: 'Winter',
      borrower: 'Amber Dory',
      kit: 'Drop tub',
      day: '2026-11-23',
      due: '2026-12-07',
    });
    await desk
      .post('/loans', { kitId: first!.kitId, borrowerId: first!.borrowerId, dueOn: first!.due })
      .expect(201);
    expect(await now()).toEqual([second]);
    // What was lent is no fault of the plan, and is not had before by it.
    const page = await look(id);
    expect(page.families.map((f) => f.loans.map((l) => [l.state, l.faults]))).toEqual([
      [['lent', []]],
      [['missed', []]],
    ]);
    await begin(['Grey Punt'], { from: '2026-12-01' });
    expect(await now()).toEqual([second]);
  });

  it('goes out as a table, a calendar and slips', async () => {
    const id = await begin(['Amber Dory', 'Teal Skiff']);
    await plan(id, 1);
    const table = (await desk.get(`/term-plans/${id}/plan.csv`).expect(200)).text;
    expect(table).toMatch(/^day,family,group,label,kit,due,reason,against\r\n2026-12-01,/);
    expect(table.trim().split('\r\n')).toHaveLength(3);
    const { text } = await desk.get(`/term-plans/${id}/plan.ics`).expect(200);
    const events = new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent');
    expect(events.map((e) => String(e.getFirstPropertyValue('dtstart')))).toEqual([
      '2026-12-01',
      '2026-12-15',
    ]);
    expect(String(events[0]!.getFirstPropertyValue('description'))).toContain(
      'Out: Amber Dory, Drop tub (FB-001',
    );
    const paper = await pdfText(desk, `/term-plans/${id}/slips.pdf`);
    expect(paper).toContain('Teal Skiff');
    expect(paper).toContain('From 1 Dec. Please bring it back on 15 Dec');
    expect(await pdfText(desk, `/term-plans/${id}/slips.pdf?language=es`)).toContain(
      'Desde el 1 dic. Por favor, tráiganlo de vuelta el 15',
    );
    await desk.get(`/term-plans/${id}/slips.pdf?language=xx`).expect(400);
    // No slip for what cannot be lent like this.
    const { kitId } = (await look(id)).families[1]!.loans[0]!;
    await desk.post(`/kits/${kitId}/state`, { to: 'retired' }).expect(200);
    const fewer = await pdfText(desk, `/term-plans/${id}/slips.pdf`);
    expect(fewer).not.toContain('Teal Skiff');
    expect(fewer).toContain('1 loan has no slip: something stands against it.');
  });

  it('refuses what is no plan, by field', async () => {
    const path = async (body: object, status = 400) =>
      (
        (
          await desk
            .post('/term-plans', { ...SHAPE, borrowers: [family['Amber Dory']], ...body })
            .expect(status)
        ).body as { errors: { path: string }[] }
      ).errors[0]!.path;
    expect(await path({ weeks: 0 })).toBe('weeks');
    expect(await path({ borrowers: [] })).toBe('borrowers');
    expect(await path({ borrowers: [99] }, 422)).toBe('borrowers.0');
    expect(await path({ weeks: 26, every: 1, borrowers: Array.from({ length: 30 }, (_, i) => i + 1) })).toBe(
      'borrowers',
    );
    await desk.get('/term-plans/99').expect(404);
    const id = await begin(['Amber Dory']);
    await desk.get(`/term-plans/${id}/choices?borrower=99&week=0`).expect(404);
    await desk.get(`/term-plans/${id}/choices?week=0`).expect(400);
    const twice = { borrowerId: family['Amber Dory'], week: 0, kitId: 1, kept: true };
    const body = { ...SHAPE, borrowers: [family['Amber Dory']], version: 1, entries: [twice, twice] };
    await desk.put(`/term-plans/${id}`, body).expect(400);
    await desk.del(`/term-plans/${id}`).expect(204);
    await desk.get(`/term-plans/${id}`).expect(404);
  });
});
