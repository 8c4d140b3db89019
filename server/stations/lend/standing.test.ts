import type { Kit, LendingSummary } from '../../../contract/lending.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { standing, STANDINGS, type Standing } from '../../../core/lend/status.ts';
import { SLOT_DIALS } from '../../../core/testing.ts';
import { rows } from '../../db/rows.ts';
import { startTest, TODAY, withDesign, type TestDesk } from '../../testing.ts';
import { standingSql } from './standing.ts';

let desk: TestDesk;
beforeAll(async () => (desk = await startTest()));
afterAll(() => desk.close());

/** The same at every run (Park and Miller). */
function random(seed: number): (below: number) => number {
  let state = seed;
  return (below) => (state = (state * 48271) % 2147483647) % below;
}

it('lists, figures and single kits agree with the rules, whatever became of each kit', async () => {
  const { design, tub, cap } = await withDesign(desk, { copies: 2 });
  const another = {
    ...{ name: 'Another tub', pattern: 'drop-through', forGroup: 'Gulls', ageFrom: 18, ageTo: 30 },
    ...{ skill: 'Pincer and release', approach: 'prepared shelf', copies: 2, dials: SLOT_DIALS },
    materials: { container: [tub.id], piece: [cap.id] },
  };
  const other = (await desk.post('/designs', another).expect(201)).body as { id: number };
  const family = (await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls' }).expect(201)).body as {
    id: number;
  };
  await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201);
  // Its pull test failed since: the kit that was made is called back.
  await desk
    .post('/tests', {
      designId: design.id,
      part: 'Cap',
      test: 'pull',
      passed: false,
      force: 40,
      by: 'Ann',
      words: '',
    })
    .expect(201);
  const below = random(20261130);
  const em = desk.serverContext.em();
  const day = () => addDays(TODAY, below(9) - 4);
  for (let i = 0; i < 240; i++) {
    // Half of them are of the design that failed.
    const of = below(2) === 0 ? design.id : other.id;
    await rows(
      em,
      'insert into kit (label, design_id, repair, to_clean, rests_until, retired_on, parts) values (?, ?, ?, ?, ?, ?, ?)',
      [
        `T-${i}`,
        of,
        Number(below(4) === 0),
        Number(below(4) === 0),
        below(3) === 0 ? day() : null,
        below(6) === 0 ? day() : null,
        '[]',
      ],
    );
    if (below(3) === 0)
      await rows(
        em,
        'insert into loan (kit_id, borrower_id, lent_on, due_on) values ((select max(id) from kit), ?, ?, ?)',
        [family.id, addDays(TODAY, -20), day()],
      );
  }
  const by = new Map<Standing, number[]>(STANDINGS.map((s) => [s, []]));
  const recalled = new Map<number, string>();
  for (const { id, label } of await rows<{ id: number; label: string }>(
    em,
    'select id, label from kit order by id',
  )) {
    const [kit] = (await desk.get(`/kits?label=${label}`).expect(200)).body as [Kit];
    if (kit.recalled !== null) recalled.set(id, kit.recalled);
    by.get(standing(kit, TODAY).standing)!.push(id);
  }
  // Every standing is met, or nothing was tried.
  expect([...by].filter(([, kits]) => kits.length === 0)).toEqual([]);
  for (const [s, kits] of by) {
    const { body } = await desk.get(`/kits?standing=${encodeURIComponent(s)}&limit=1000`).expect(200);
    expect([s, (body as Kit[]).map((c) => c.id).sort((a, b) => a - b)]).toEqual([s, kits]);
  }
  const count = (s: Standing): number => by.get(s)!.length;
  expect((await desk.get('/kits/summary').expect(200)).body as LendingSummary).toMatchObject({
    out: count('out') + count('late'),
    late: count('late'),
    repair: count('repair'),
    toClean: count('to clean'),
    resting: count('resting'),
    recalled: count('recalled'),
    retired: count('retired'),
  });
  const { sql, params } = standingSql({ today: TODAY, recalled });
  for (const { id, stands } of await rows<{ id: number; stands: Standing }>(
    em,
    `select k.id, ${sql} as stands from kit k`,
    [...params],
  ))
    expect(by.get(stands)).toContain(id);
});
