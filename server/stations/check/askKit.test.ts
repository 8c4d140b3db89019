import type { Bundle } from '../../../contract/bundles.ts';
import type { KitAnswer, Loan } from '../../../contract/lending.ts';
import { rows } from '../../db/rows.ts';
import { CAP, pdfText, startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

/** Buttons of 28 mm, for children from four years: small parts, and rightly so for them. */
const BUTTON = { ...CAP, name: 'Button', sizes: { diameter: 28, height: 4 } };
const DUE = '2026-12-08';

async function buttons() {
  const { design, cap } = await withDesign(desk, { ageFrom: 48, ageTo: 72, copies: 2 });
  const piece = ((await desk.post('/materials', BUTTON).expect(201)).body as { id: number }).id;
  const {
    id,
    made: _,
    ...body
  } = (await desk.get(`/designs/${design.id}`)).body as Record<string, unknown> & {
    id: number;
    materials: Record<string, number[]>;
  };
  const now = (
    await desk
      .put(`/designs/${id}`, { ...body, materials: { ...body.materials, piece: [piece] } })
      .expect(200)
  ).body as { version: number };
  const { kits } = (await desk.post('/builds', { designId: id, version: now.version, copies: 2 }).expect(201))
    .body as { kits: { id: number; label: string }[] };
  return { id, cap, piece, kits };
}
const family = async (part: object) =>
  (
    (await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Porpoises', ...part }).expect(201)).body as {
      id: number;
    }
  ).id;
const ask = async (kitId: number, borrowerId?: number) =>
  (await desk.get(`/kits/${kitId}/answer${borrowerId ? `?borrowerId=${borrowerId}` : ''}`).expect(200))
    .body as KitAnswer;

describe('the check, asked wherever a kit meets a child,', () => {
  it('refuses a loan that it stops, with its finding, and says the same beforehand', async () => {
    const { kits } = await buttons();
    const young = await family({ youngest: 13 });
    expect(await ask(kits[0]!.id)).toMatchObject({ verdict: 'care', youngest: 48, isTold: false });
    const answer = await ask(kits[0]!.id, young);
    expect(answer).toMatchObject({ verdict: 'stop', youngest: 13, isTold: true, isFirstLoan: true });
    expect(answer.reasons[0]).toMatchObject({ verdict: 'stop', rule: 'small-part' });
    // Before its first loan the tests that nobody did are named.
    expect(answer.untested[0]!.tests).toContain('pull');
    const { body } = await desk
      .post('/loans', { kitId: kits[0]!.id, borrowerId: young, dueOn: DUE })
      .expect(422);
    expect(body.errors[0].path).toBe('override');
    expect(body.detail).toMatch(
      /The check says stop for FB-001a with Teal Skiff, youngest 13 months\. Small parts/,
    );
    await desk.post('/reservations', { kitId: kits[0]!.id, borrowerId: young }).expect(422);
    await desk
      .post('/loans/together', { kitIds: kits.map((c) => c.id), borrowerId: young, dueOn: DUE })
      .expect(422);
    expect((await desk.get('/kits/summary')).body).toMatchObject({ out: 0 });
  });

  it('is overridden with a reason, which stays on the loan and stands on its slip', async () => {
    const { kits } = await buttons();
    const young = await family({ youngest: 13 });
    const wish = { kitId: kits[0]!.id, borrowerId: young, dueOn: DUE };
    for (const [override, path] of [
      [{ why: 'short', by: 'Keeper' }, 'override.why'],
      [{ why: 'The older one has it at the clinic' }, 'override.by'],
    ] as const) {
      const { body } = await desk.post('/loans', { ...wish, override }).expect(400);
      expect(body.errors[0].path).toBe(path);
    }
    const override = { why: 'The older one has it at the clinic', by: 'Keeper' };
    const loan = (await desk.post('/loans', { ...wish, override }).expect(201)).body as Loan;
    expect(loan.override).toMatchObject(override);
    expect(loan.override!.of).toMatch(/^Small parts: /);
    const slip = (await pdfText(desk, `/loans/${loan.id}/slip.pdf`)).replace(/\s+/g, ' ');
    expect(slip).toMatch(
      /The check says stop for somebody at home\. Lent all the same by Keeper: The older one/,
    );
    const past = (await desk.get(`/borrowers/${young}/history`)).body as { loans: Loan[] };
    expect(past.loans[0]!.override).toMatchObject(override);
    // A reason where nothing stops it stays off the record.
    const older = await family({ name: 'Amber Dory', youngest: 60 });
    const other = { kitId: kits[1]!.id, borrowerId: older, dueOn: DUE, override };
    expect(((await desk.post('/loans', other).expect(201)).body as Loan).override).toBeNull();
  });

  it('needs somebody who may design, where people sign in', async () => {
    const { kits } = await buttons();
    const young = await family({ youngest: 13 });
    await desk.post('/session/first', { name: 'Head', password: 'quiet harbour' }).expect(201);
    const inAs = async (name: string, role: string) => {
      const head = await desk.post('/session', { name: 'Head', password: 'quiet harbour' }).expect(201);
      const cookie = (head.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
      await desk
        .post('/people', { name, password: 'another harbour', role })
        .set('cookie', cookie)
        .expect(201);
      const own = await desk.post('/session', { name, password: 'another harbour' }).expect(201);
      return (own.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
    };
    const wish = {
      kitId: kits[0]!.id,
      borrowerId: young,
      dueOn: DUE,
      override: { why: 'The older one has it at the clinic', by: 'somebody else' },
    };
    const lends = await inAs('Desk', 'lender');
    const { body } = await desk.post('/loans', wish).set('cookie', lends).expect(403);
    expect(body.errors[0].path).toBe('override');
    const designs = await inAs('Maker', 'designer');
    const loan = (await desk.post('/loans', wish).set('cookie', designs).expect(201)).body as Loan;
    // On record is who it was, not who was typed.
    expect(loan.override!.by).toBe('Maker');
  });

  it('refuses to give away what it stops, and a reason given all the same stays with the kit', async () => {
    const { id } = await buttons();
    const bundle = (
      await desk.post('/bundles', { name: 'Bag', designs: [id], container: null, youngest: 13 }).expect(201)
    ).body as Bundle;
    expect(bundle.givenAgainst).toEqual([]);
    const wish = { version: bundle.version, families: 1, prepared: true };
    const { body } = await desk.post(`/bundles/${bundle.id}/give`, wish).expect(422);
    expect(body.errors[0].path).toBe('override');
    const override = { why: 'No child under four lives there', by: 'Keeper' };
    await desk.post(`/bundles/${bundle.id}/give`, { ...wish, override }).expect(201);
    const [now] = (await desk.get('/bundles').expect(200)).body as Bundle[];
    expect(now).toMatchObject({ givenTo: 1, givenAgainst: [{ ...override, families: 1 }] });
    expect(now!.givenAgainst[0]!.of).toMatch(/^Small parts: /);
  });

  it('goes by the kit as it was made, not as its design is now', async () => {
    const { id, cap, kits } = await buttons();
    const {
      made: _,
      id: __,
      ...body
    } = (await desk.get(`/designs/${id}`)).body as {
      materials: Record<string, number[]>;
      made: number;
      id: number;
    };
    await desk
      .put(`/designs/${id}`, { ...body, materials: { ...body.materials, piece: [cap.id] } })
      .expect(200);
    const young = await family({ youngest: 20 });
    expect((await ask(kits[0]!.id, young)).verdict).toBe('stop');
    // Of the design as it is now nothing is a small part.
    const report = (await desk.get(`/designs/${id}/check`).expect(200)).body as {
      findings: { rule: string; verdict: string }[];
    };
    expect(report.findings.find((f) => f.rule === 'small-part')!.verdict).toBe('clear');
  });

  it('knows everybody at home: ages that grow, who mouths, what children are allergic to', async () => {
    const { kits } = await buttons();
    const born = await family({ born: '2026-03', children: ['P-02'] });
    expect(await ask(kits[0]!.id, born)).toMatchObject({ verdict: 'stop', youngest: 7 });
    const mouths = await family({ name: 'Grey Punt', youngest: 50, mouths: true });
    expect(await ask(kits[0]!.id, mouths)).toMatchObject({ verdict: 'stop', youngest: 35 });
    const older = await family({ name: 'Red Ketch', youngest: 50, children: ['P-07'] });
    expect((await ask(kits[0]!.id, older)).verdict).toBe('care');
    const hand = { side: 'right', oneHanded: false };
    await desk.put('/children/P-07', { hand, likes: '', age: 20 }).expect(200);
    expect(await ask(kits[0]!.id, older)).toMatchObject({ verdict: 'stop', youngest: 20 });
    const { body } = await desk.get('/children').expect(200);
    expect(body).toMatchObject([{ code: 'P-07', age: 20, version: 1 }]);
  });

  it('is told of many kits at once, in short', async () => {
    const { kits } = await buttons();
    const { body } = await desk.get(`/kits/answers?ids=${kits.map((c) => c.id).join(',')}`).expect(200);
    expect(body).toMatchObject(kits.map((c) => ({ id: c.id, verdict: 'care' })));
    await desk.get('/kits/answers?ids=x').expect(400);
    await desk.get('/kits/999/answer').expect(404);
  });
});

describe('a test by hand', () => {
  const eyes = { ...CAP, name: 'Eye', sizes: { diameter: 11, height: 2.5 } };
  const pull = (designId: number, force: number | null) => ({
    designId,
    part: 'Eye',
    test: 'pull',
    passed: true,
    force,
    by: 'Keeper',
    words: '',
  });
  it('clears nothing under the asked force, and only for its time and number of loans', async () => {
    const { design } = await withDesign(desk, { copies: 1 });
    const eye = ((await desk.post('/materials', eyes).expect(201)).body as { id: number }).id;
    const ball = (
      await desk
        .post('/materials', { ...CAP, name: 'Ball', form: 'piece', solid: 'ball', sizes: { diameter: 66 } })
        .expect(201)
    ).body as { id: number };
    const {
      made: _,
      id,
      ...body
    } = (await desk.get(`/designs/${design.id}`)).body as Record<string, unknown> & {
      id: number;
    };
    const item = (
      await desk.post('/materials', { ...CAP, name: 'Large cap', sizes: { diameter: 60, height: 14 } })
    ).body as { id: number };
    const dials = {
      goal: 'feed',
      slit: 68,
      crossed: false,
      wall: 3.5,
      pieces: 4,
      dice: 0,
      force: 0,
      eyes: 'glued',
    };
    await desk
      .put(`/designs/${id}`, {
        ...body,
        pattern: 'feed-the-mouth',
        dials,
        materials: { ball: [ball.id], item: [item.id], eyes: [eye] },
      })
      .expect(200);
    const attached = async () =>
      (
        (await desk.get(`/designs/${id}/check`).expect(200)).body as {
          findings: { rule: string; verdict: string; words: string }[];
        }
      ).findings.find((f) => f.rule === 'attached')!;
    expect((await attached()).verdict).toBe('stop');
    for (const [force, verdict] of [
      [5, 'stop'],
      [null, 'stop'],
      [92, 'care'],
    ] as const) {
      await desk.post('/tests', pull(id, force)).expect(201);
      expect([force, (await attached()).verdict]).toEqual([force, verdict]);
    }
    expect((await attached()).words).toMatch(/That counts to 2027-05-23, or 10 loans of one kit\./);
    await desk.close();
  });

  it('is found among any number of others, and answers only its own part', async () => {
    const { design } = await withDesign(desk, { copies: 1 });
    await desk.post('/tests', { ...pull(design.id, 10), part: 'Cap', passed: false }).expect(201);
    await desk.serverContext.inTransaction(async (m) => {
      for (let i = 0; i < 60; i++)
        await rows(
          m,
          `insert into hand_test (design_id, part, test, passed, force, done_on, done_by, words, made_as) ${Array.from({ length: 100 }, () => `select ${design.id}, 'Tub', 'drop', 1, null, '2026-11-24', 'Keeper', '', 'other'`).join(' union all ')}`,
        );
    });
    expect((await desk.get('/recalls').expect(200)).body).toHaveLength(1);
    const { tests } = (await desk.get('/rules').expect(200)).body as { tests: unknown[] };
    // The last of each kind on each part of things made alike, not every one.
    expect(tests).toHaveLength(2);
  });
});
