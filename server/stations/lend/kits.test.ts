import type { Kit } from '../../../contract/lending.ts';
import { startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => (desk = await startTest()));
afterEach(() => desk.close());

/** So many kits of a design, straight into the file; every third is out with a family, where one is named. */
async function fill(designId: number, kits: number, borrowerId?: number): Promise<void> {
  const run = (sql: string) => desk.serverContext.em().getConnection().execute(sql);
  const numbers = `with recursive n(i) as (select 1 union all select i + 1 from n where i < ${kits})`;
  await run(
    `${numbers} insert into kit (label, design_id, repair, parts, last_counted) select 'FB-9' || printf('%05d', i), ${designId}, 0, '[]', '2026-11-01' from n`,
  );
  if (borrowerId === undefined) return;
  await run(
    `insert into loan (kit_id, borrower_id, lent_on, due_on) select id, ${borrowerId}, '2026-11-01', '2026-12-' || printf('%02d', 1 + id % 28) from kit where id % 3 = 0`,
  );
}
const list = async (query: string) => {
  const { body, headers } = await desk.get(`/kits?${query}`).expect(200);
  return {
    labels: (body as Kit[]).map((c) => c.label),
    days: (body as Kit[]).map((c) => c.openLoan?.dueOn),
    total: Number(headers['x-total-count']),
    next: /after=([^&>]+)/.exec(String(headers.link))?.[1],
  };
};
/** All pages of a list, one after the other. */
async function pages(query: string) {
  const labels: string[] = [];
  const days: (string | undefined)[] = [];
  for (let next: string | undefined = ''; next !== undefined;) {
    const page = await list(`${query}&limit=500${next === '' ? '' : `&after=${next}`}`);
    labels.push(...page.labels);
    days.push(...page.days);
    next = page.labels.length === 500 ? page.next : undefined;
  }
  return { labels, days };
}

it('many kits with one name come page by page, in their order, each once, and as many as it says', async () => {
  const { design } = await withDesign(desk);
  const family = (await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls' }).expect(201)).body as {
    id: number;
  };
  await fill(design.id, 1300, family.id);
  const named = await pages('q=drop%20tub');
  expect(named.labels).toHaveLength(1300);
  expect(named.labels).toEqual([...named.labels].sort());
  expect((await list('q=drop%20tub&limit=5')).total).toBe(1300);
  // A kit that has the name and is with a family that has it too is one kit.
  expect((await list('q=r&limit=5')).total).toBe(1300);
  const hers = await pages('q=amber');
  expect(hers.labels).toHaveLength(433);
  expect((await list('q=amber&limit=5')).total).toBe(433);
  expect((await list('q=nothing%20like%20it')).total).toBe(0);
  const due = await pages('order=due');
  expect(due.labels).toHaveLength(433);
  expect(due.days).toEqual([...due.days].sort());
  expect((await list('order=due&limit=5')).total).toBe(433);
  expect((await list('order=due&label=FB-900003')).total).toBe(1);
  // One that was retired while it was out hangs nowhere.
  await desk.serverContext
    .em()
    .getConnection()
    .execute("update kit set retired_on = '2026-11-20' where id = 3");
  expect((await list('order=due&limit=5')).total).toBe(432);
  expect((await pages('order=due')).labels).toHaveLength(432);
  expect((await list('q=amber&limit=5')).total).toBe(432);
});

it('a total goes on being right while kits are retired and come back', async () => {
  const { design } = await withDesign(desk);
  await fill(design.id, 6);
  const { body } = await desk.get('/kits?limit=10').expect(200);
  const [one] = body as Kit[];
  expect((await list('limit=1')).total).toBe(6);
  await desk.post(`/kits/${one!.id}/state`, { to: 'retired', by: '', why: '' }).expect(200);
  expect((await list('limit=1')).total).toBe(5);
  expect((await list('skill=Pincer%20and%20release&limit=1')).total).toBe(5);
  await desk.post(`/kits/${one!.id}/state`, { to: 'in use', by: '', why: '' }).expect(200);
  expect((await list('limit=1')).total).toBe(6);
});
