import type { Note } from '../../../contract/notes.ts';
import type { ChildPage, GroupPage } from '../../../contract/watching.ts';
import { pdfText, startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
let design: { id: number; version: number };
beforeEach(async () => {
  desk = await startTest();
  ({ design } = await withDesign(desk));
});
afterEach(() => desk.close());

const note = (part: object = {}) => ({
  designId: design.id,
  child: 'G-04',
  level: 'Close slot',
  bits: 11.5,
  seconds: 40,
  count: 2,
  of: 'pieces',
  help: 'none',
  words: '',
  satOn: '2026-11-20',
  ...part,
});
const add = async (part: object = {}) => (await desk.post('/notes', note(part)).expect(201)).body as Note;
const page = async (query = '', child = 'G-04') =>
  (await desk.get(`/children/${child}/page${query}`).expect(200)).body as ChildPage;

describe('a note of several tries', () => {
  it('says how many were managed and how it was liked; what is left out is one try, managed', async () => {
    expect(await add()).toMatchObject({ tries: 1, managed: 1, liked: null });
    expect(await add({ tries: 2, help: 'hand on wrist', liked: 'loved it' })).toMatchObject({
      tries: 2,
      managed: 2,
      liked: 'loved it',
    });
    await add({ tries: 3, managed: 0 });
    const listed = (await desk.get('/notes')).body as Note[];
    expect(listed.map((n) => [n.tries, n.managed])).toEqual([
      [3, 0],
      [2, 2],
      [1, 1],
    ]);
  });
  it('refuses more managed than tried, and names the field', async () => {
    const refused = await desk.post('/notes', note({ tries: 2, managed: 3 })).expect(422);
    expect(refused.body.errors).toEqual([
      { path: 'managed', message: 'expected at most 2, as many as were tried' },
    ]);
    const path = async (part: object) =>
      (await desk.post('/notes', note(part)).expect(400)).body.errors[0].path as string;
    expect(await path({ tries: 0 })).toBe('tries');
    expect(await path({ liked: 'meh' })).toBe('liked');
  });
});

describe('the page of a child', () => {
  it('is of what was noted, with every level of what was tried', async () => {
    await add();
    await add({ child: 'S-02', help: 'verbal prompt' });
    const found = await page();
    expect(found).toMatchObject({
      child: 'G-04',
      notes: 1,
      rests: { children: 2, answers: 2, isGuess: true },
    });
    const close = found.levels.find((r) => r.level === 'Close slot')!;
    expect(close).toMatchObject({ alone: 1, isMeasured: false, design: 'Drop tub' });
    expect(found.levels.every((r) => r.low < r.chance && r.chance < r.high)).toBe(true);
    // More bits, less likely.
    const byBits = [...found.levels].sort((a, b) => a.bits - b.bits).map((r) => r.chance);
    expect(byBits).toEqual([...byBits].sort((a, b) => b - a));
    expect(close.chance).toBeGreaterThan(
      (await page('', 'S-02')).levels.find((r) => r.level === 'Close slot')!.chance,
    );
    expect((await desk.get('/notes/children')).body).toEqual([
      { child: 'G-04', notes: 1, lastOn: '2026-11-20' },
      { child: 'S-02', notes: 1, lastOn: '2026-11-20' },
    ]);
  });
  it('offers only what can be taken now: in, clean and whole', async () => {
    await add();
    expect((await page()).whatNext.next).toBeNull();
    const { body } = await desk
      .post('/builds', { designId: design.id, version: design.version, copies: 1 })
      .expect(201);
    const [kit] = (body as { kits: { id: number; label: string }[] }).kits;
    const offered = (await page()).whatNext;
    expect(offered).toMatchObject({ skill: 'Pincer and release', next: { label: kit!.label } });
    expect(offered.next!.bits).toBeGreaterThan(11.4);
    expect((await page('?skill=Hand strength')).whatNext).toMatchObject({
      next: null,
      other: { skill: 'Pincer and release' },
    });
    const family = (await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls' }).expect(201))
      .body as {
      id: number;
    };
    await desk.post('/loans', { kitId: kit!.id, borrowerId: family.id, dueOn: '2026-12-08' }).expect(201);
    expect((await page()).whatNext.next).toBeNull();
  });
  it('stands a child who needed less help higher', async () => {
    await add({ child: 'G-01', help: 'verbal prompt' });
    await add({ child: 'G-02', help: 'hand over hand' });
    await add({ child: 'G-03', help: 'none', tries: 2, managed: 0 });
    const mean = async (child: string) => (await page('', child)).ability.mean;
    expect(await mean('G-01')).toBeGreaterThan(await mean('G-02'));
    // Not managed alone says nothing of how far help would go.
    expect(await mean('G-01')).toBeGreaterThan(await mean('G-03'));
  });
  it('finds difficulties once enough children have tried', async () => {
    const levels = ['Wide mouth', 'Loose slot', 'Close slot'];
    for (let c = 0; c < 8; c++)
      for (const [k, level] of levels.entries())
        await add({ child: `C-${c}`, level, bits: 8 + 2 * k, help: c > 2 * k ? 'none' : 'hand on wrist' });
    const found = await page('', 'C-5');
    expect(found.rests).toMatchObject({ children: 8, answers: 24, levels: 3, isGuess: false });
    // A hand on the wrist was all that was needed, every time: it helps more than is usual.
    expect(found.rests.help[1]).toBeGreaterThan(2);
    const chance = (name: string) => found.levels.find((r) => r.level === name)!;
    expect(chance('Wide mouth').chance).toBeGreaterThan(chance('Close slot').chance);
    expect(chance('Close slot').isMeasured).toBe(true);
  });
  it('is none of a child that nobody watched, and asks for a skill there is', async () => {
    await desk.get('/children/nobody/page').expect(404);
    await add();
    expect((await desk.get('/children/G-04/page?skill=Juggling').expect(400)).body.errors[0].path).toBe(
      'skill',
    );
  });
});

describe('the page of a group', () => {
  it('shows its children only, and what to make of what has no kit yet', async () => {
    await add();
    await add({ child: 'G-07', help: 'verbal prompt' });
    await add({ child: 'S-02' });
    expect((await desk.get('/groups')).body).toEqual([
      { group: 'G', children: 2, notes: 2 },
      { group: 'S', children: 1, notes: 1 },
    ]);
    const group = async () => (await desk.get('/groups/G/page').expect(200)).body as GroupPage;
    const found = await group();
    expect(found).toMatchObject({
      group: 'G',
      children: ['G-04', 'G-07'],
      designs: [
        {
          design: 'Drop tub',
          places: [
            { child: 'G-04', alone: 'Close slot' },
            { child: 'G-07', alone: null, last: 'Close slot' },
          ],
        },
      ],
      make: [{ design: 'Drop tub', suits: 2 }],
    });
    await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201);
    expect((await group()).make).toEqual([]);
    await desk.get('/groups/Q/page').expect(404);
  });
});

it('the page on paper says what the screen says', async () => {
  await add({ words: 'Wanted the tub shaken', liked: 'loved it' });
  await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201);
  const found = await page();
  const text = (await pdfText(desk, '/children/G-04/page.pdf')).replace(/\s+/g, ' ');
  expect(text).toContain(`${found.whatNext.next!.design}, “${found.whatNext.next!.level}”`);
  for (const r of found.levels) expect(text).toContain(r.level);
  expect(text).toContain('Wanted the tub shaken');
  expect(text).toMatch(/not a diagnosis/);
  await desk.get('/children/nobody/page.pdf').expect(404);
});
