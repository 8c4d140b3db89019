import type { PersonRole } from '../../contract/people.ts';
import { ROLES } from '../../contract/people.ts';
import { startTest, type TestDesk } from '../testing.ts';
import { doorsOf, type Found } from './doorsOf.ts';
import { suffices } from './roles.ts';

const WORD = 'seaweed on the slipway';
let desk: TestDesk;
afterEach(() => desk.close());

const doors = (): Found[] => doorsOf(desk.app);

const FILLED: Readonly<Record<string, string>> = {
  id: '1',
  code: 'G-99',
  group: 'G',
  kind: 'materials',
  name: 'fox-button-2026-01-01-000000.db',
};
const addressOf = (path: string): string => path.replace(/:(\w+)/g, (_, name: string) => FILLED[name]!);
const isOpen = (path: string): boolean => /^\/(health|session(\/first)?)$/.test(path);

it('every door says whom it opens to, and what is on record of who comes through', async () => {
  desk = await startTest();
  const all = doors();
  expect(all.length).toBeGreaterThan(150);
  for (const { method, path, rule } of all) {
    const door = `${method} ${path}`;
    expect([door, rule?.role]).toEqual([door, expect.stringMatching(/^(viewer|lender|designer|manager)$/)]);
    if (method === 'put' || method === 'delete')
      expect([door, rule!.does]).toEqual([door, expect.any(String)]);
    if (method === 'get') expect([door, rule!.does]).toEqual([door, null]);
    // What it takes, and for how long: a body of JSON is read by a schema, and an answer is not waited for without end.
    const takes = method === 'post' || method === 'put';
    expect([door, rule!.bytes > 0]).toEqual([door, takes]);
    if (takes && rule!.media === 'application/json')
      expect([door, rule!.body !== null]).toEqual([door, true]);
    if (rule!.seconds === null) expect(path).toMatch(/^\/files\/|^\/backups\/|^\/scale$/);
    else expect([door, rule!.seconds > 0 && rule!.seconds <= 600]).toEqual([door, true]);
    if (path.includes('/:id')) expect([door, rule!.id]).toEqual([door, expect.any(String)]);
    // What is not on record changes nothing.
    if (method === 'post' && rule!.does === null)
      expect(path).toMatch(/^\/compute\/|^\/photo\/|\/look$|\/suggest$|\/check$|\/preview$/);
  }
});

it('every door opens to each role that it names and to no other', async () => {
  desk = await startTest({ isBeyond: true, setUpCode: '1234-5678-9012' });
  const cookieOf = (answer: { headers: Record<string, unknown> }): string =>
    ((answer.headers['set-cookie'] as string[] | undefined) ?? []).map((c) => c.split(';')[0]!).join('; ');
  const manager = cookieOf(
    await desk.post('/session/first', { name: 'Keeper', password: WORD, code: '1234-5678-9012' }),
  );
  const cookies = new Map<PersonRole, string>();
  for (const role of ROLES) {
    await desk
      .post('/people', { name: `Who ${role}`, password: WORD, role })
      .set('cookie', manager)
      .expect(201);
    cookies.set(role, cookieOf(await desk.post('/session', { name: `Who ${role}`, password: WORD })));
  }
  const ask = async ({ method, path }: Found, cookie: string): Promise<number> => {
    const address = addressOf(path);
    const request =
      method === 'get'
        ? desk.get(address)
        : method === 'delete'
          ? desk.del(address)
          : desk[method](address, {});
    request.set('cookie', cookie);
    // What a scale says goes on for a while; that it began says enough.
    if (path === '/scale')
      request.buffer(false).parse((res, done) => {
        (res as unknown as { destroy(): void }).destroy();
        done(null, null);
      });
    return (await request).status;
  };
  // Going out comes last.
  const all = doors().sort(
    (a, b) =>
      Number(a.method === 'delete' && a.path === '/session') -
      Number(b.method === 'delete' && b.path === '/session'),
  );
  for (const door of all) {
    const { path, rule } = door;
    const said = `${door.method} ${path}`;
    if (!isOpen(path)) expect([said, await ask(door, '')]).toEqual([said, 401]);
    // The role itself, and the one before it: each is enough for what the ones before it are.
    for (const [role, cookie] of cookies) {
      const distance = ROLES.indexOf(role) - ROLES.indexOf(rule!.role);
      if (process.env.FOX_WHOLE !== '1' && distance !== 0 && distance !== -1) continue;
      const status = await ask(door, cookie);
      expect(status).toBeLessThan(500 + (status === 503 ? 4 : 0));
      if (!isOpen(path))
        expect([said, role, status === 403]).toEqual([said, role, !suffices(role, rule!.role)]);
    }
  }
});

it('once anybody is set up accounts are changed by who signed in, and what nobody signed in for is on record', async () => {
  desk = await startTest();
  await desk.post('/suppliers', { name: 'Pier', delivery: 0 }).expect(201);
  await desk.post('/session/first', { name: 'Keeper', password: WORD }).expect(201);
  for (const [path, body] of [
    ['/people', { name: 'Friend', password: WORD, role: 'manager' }],
    ['/people/1', { role: 'manager', isOff: false, password: WORD }],
    ['/people/sign-in', { needed: true }],
  ] as const)
    await (path === '/people' ? desk.post(path, body) : desk.put(path, body)).expect(401);
  await desk.put('/children/G-04', { hand: { span: 110 }, likes: '', version: 0 });
  await desk.post('/suppliers', { name: 'Slip', delivery: 0 }).expect(201);
  const list = (await desk.get('/audit-log').expect(200)).body as {
    who: string;
    did: string;
    asked: string;
  }[];
  expect(list.map((d) => [d.who, d.did])).toContainEqual(['nobody signed in', 'changed packs and prices']);
  expect(JSON.stringify(list)).not.toContain('G-04');
  expect(JSON.stringify(list)).not.toContain('Pier');
});
