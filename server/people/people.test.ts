import { jest } from '@jest/globals';
import request from 'supertest';
import type { AuditEntry, Person, Session } from '../../contract/people.ts';
import { startTest, type TestDesk } from '../testing.ts';
import { isPassword, keptPassword } from './passwords.ts';
import { suffices } from './roles.ts';
import { Throttle } from './throttle.ts';

const WORD = 'seaweed on the slipway';
let desk: TestDesk;
afterEach(() => desk?.close());

const cookieOf = (answer: { headers: Record<string, unknown> }): string =>
  ((answer.headers['set-cookie'] as string[] | undefined) ?? []).map((c) => c.split(';')[0]!).join('; ');
/** Asks with a cookie. */
const as = (cookie: string) => ({
  get: (path: string) => desk.get(path).set('cookie', cookie),
  post: (path: string, body: unknown) => desk.post(path, body).set('cookie', cookie),
  put: (path: string, body: unknown) => desk.put(path, body).set('cookie', cookie),
  del: (path: string) => desk.del(path).set('cookie', cookie),
});
const beyond = async () => {
  desk = await startTest({ isBeyond: true, setUpCode: '1234-5678-9012' });
  const first = await desk.post('/session/first', { name: 'Keeper', password: WORD, code: '1234-5678-9012' });
  return cookieOf(first);
};
const signIn = (name: string, password = WORD) => desk.post('/session', { name, password });

describe('on this machine', () => {
  it('nobody has to sign in until the place wants it, and never without a manager', async () => {
    desk = await startTest();
    expect((await desk.get('/session').expect(200)).body).toEqual({
      needed: false,
      isFixed: false,
      person: null,
      isFirst: true,
      lost: 0,
    } satisfies Session);
    await desk.get('/materials').expect(200);
    await desk.put('/people/sign-in', { needed: true }).expect(422);
    await desk.post('/people', { name: 'Reader', password: WORD, role: 'viewer' }).expect(422);
    const cookie = cookieOf(
      await desk.post('/session/first', { name: 'Keeper', password: WORD }).expect(201),
    );
    await desk.get('/materials').expect(200);
    await as(cookie).put('/people/sign-in', { needed: true }).expect(200);
    expect((await desk.get('/materials').expect(401)).body.errors[0].path).toBe('session');
    await as(cookie).get('/materials').expect(200);
    await desk.get('/health').expect(200);
    // The place is not told of it: its form knows nothing of signing in.
    expect((await as(cookie).get('/place').expect(200)).body).not.toHaveProperty('signIn');
    await as(cookie).put('/people/sign-in', { needed: false }).expect(200);
    await desk.get('/materials').expect(200);
  });
});

describe('beyond this machine', () => {
  it('nobody is let in, and the first manager only with the code on the server’s screen', async () => {
    desk = await startTest({ isBeyond: true, setUpCode: '1234-5678-9012' });
    for (const path of ['/materials', '/place', '/borrowers', '/people', '/backups', '/tape'])
      await desk.get(path).expect(401);
    await desk.post('/loans', { kitId: 1, borrowerId: 1, dueOn: '2026-12-01' }).expect(401);
    await desk.post('/session/first', { name: 'Guest', password: WORD }).expect(403);
    await desk.post('/session/first', { name: 'Guest', password: WORD, code: '0000-0000-0000' }).expect(403);
    await desk.post('/session/first', { name: 'Keeper', password: 'short' }).expect(400);
    await desk.post('/session/first', { name: 'Manager of all', password: 'manager of all' }).expect(400);
    await desk.post('/session/first', { name: 'Keeper', password: WORD, code: '1234-5678-9012' }).expect(201);
    await desk.post('/session/first', { name: 'Second', password: WORD, code: '1234-5678-9012' }).expect(409);
  });
  it('cannot be made to do without', async () => {
    const cookie = await beyond();
    await as(cookie).put('/people/sign-in', { needed: false }).expect(422);
  });
});

describe('roles', () => {
  it('let each do what their role says and no more', async () => {
    const manager = await beyond();
    for (const role of ['viewer', 'lender', 'designer'] as const)
      await as(manager).post('/people', { name: role, password: WORD, role }).expect(201);
    const [reads, lends, designs] = await Promise.all(
      ['viewer', 'lender', 'designer'].map(async (n) => as(cookieOf(await signIn(n).expect(201)))),
    );
    const family = { name: 'Teal Skiff', group: 'Gulls', allergies: [] };
    await reads!.get('/borrowers').expect(200);
    await reads!.post('/borrowers', family).expect(403);
    await lends!.post('/borrowers', family).expect(201);
    await lends!.post('/suppliers', { name: 'Pier', delivery: 0 }).expect(403);
    await designs!.post('/suppliers', { name: 'Pier', delivery: 0 }).expect(201);
    const { today: _, ...place } = (await designs!.get('/place').expect(200)).body as Record<string, unknown>;
    await designs!.put('/place', place).expect(403);
    await designs!.get('/people').expect(403);
    await designs!.get('/backups').expect(403);
    await designs!.post('/people', { name: 'Friend', password: WORD, role: 'manager' }).expect(403);
    // Written in another way, a door asks for no less.
    for (const path of ['/PEOPLE', '/Backups', '/People/', '/AUDIT-LOG'])
      await designs!.get(path).expect(403);
    await designs!.post('/People', { name: 'Friend', password: WORD, role: 'manager' }).expect(403);
    await designs!.post('/Borrowers/1/ERASE', {}).expect(403);
    await as(manager).post('/people', { name: 'KEEPER', password: WORD, role: 'viewer' }).expect(409);
    await as(manager).put('/place', place).expect(200);
    // Everybody's families and notes at once are for a manager, as one family's or one child's are.
    for (const kind of ['families', 'notes']) {
      await designs!.get(`/files/${kind}.csv`).expect(403);
      await as(manager).get(`/files/${kind}.csv`).expect(200);
    }
    await reads!.get('/files/materials.csv').expect(200);
    // A file of a kit may be looked at by whoever may read, as one of a design may.
    for (const kind of ['bundles', 'designs'])
      expect([400, 422]).toContain((await reads!.post(`/${kind}/file/look`, { file: {} })).status);
    await reads!.post('/bundles/file', { file: {} }).expect(403);
  });
  it('let everybody change their own password, and find them however their name is written', async () => {
    const manager = await beyond();
    for (const role of ['viewer', 'lender', 'designer'] as const) {
      await as(manager)
        .post('/people', { name: `Who ${role}`, password: WORD, role })
        .expect(201);
      const cookie = cookieOf(await signIn(`WHO ${role}`).expect(201));
      const next = `${WORD} ${role}`;
      await as(cookie).put('/session/password', { old: WORD, password: next }).expect(204);
      expect((await signIn(`who ${role}`, next).expect(201)).body.person.name).toBe(`Who ${role}`);
    }
  });
  it('are worth more one after the other', () => {
    expect(suffices('lender', 'designer')).toBe(false);
    expect(suffices('manager', 'viewer')).toBe(true);
  });
  it('never leave the place without a manager, and somebody who is turned off is out at once', async () => {
    const manager = await beyond();
    const [own] = (await as(manager).get('/people')).body as Person[];
    await as(manager).put(`/people/${own!.id}`, { role: 'viewer', isOff: false }).expect(422);
    await as(manager).put(`/people/${own!.id}`, { role: 'manager', isOff: true }).expect(422);
    const other = (
      await as(manager).post('/people', { name: 'Helper', password: WORD, role: 'lender' }).expect(201)
    ).body as Person;
    await as(manager).post('/people', { name: 'Helper', password: WORD, role: 'lender' }).expect(409);
    const helper = cookieOf(await signIn('Helper'));
    await as(helper).get('/borrowers').expect(200);
    await as(manager).put(`/people/${other.id}`, { role: 'lender', isOff: true }).expect(200);
    await as(helper).get('/borrowers').expect(401);
    await signIn('Helper').expect(401);
  });
});

describe('attacks', () => {
  afterEach(() => jest.restoreAllMocks());
  /** Stops the clock: how long a slow machine takes for a guess must not count as its wait. */
  const beyondAtOnce = () => {
    jest.spyOn(Date, 'now').mockReturnValue(Date.now());
    return beyond();
  };
  it('guessing gets slower and slower, for a name that is nobody’s too', async () => {
    await beyondAtOnce();
    for (const name of ['Keeper', 'Nobody']) {
      const answers: number[] = [];
      for (let i = 0; i < 8; i++) answers.push((await signIn(name, `guess number ${i}`)).status);
      expect(answers.filter((s) => s === 401).length).toBeLessThanOrEqual(5);
      expect(answers.at(-1)).toBe(429);
    }
    // The right password has to wait as well: the answer must not tell it apart.
    const { status, body } = await signIn('Keeper');
    expect(status).toBe(429);
    expect((body as { detail: string }).detail).toMatch(/Try again in \d+ s/);
  });
  it('guessing many at once is no way round it', async () => {
    await beyondAtOnce();
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, i) => signIn('Keeper', `guess number ${i}`)),
    );
    expect(answers.filter((a) => a.status === 401).length).toBeLessThanOrEqual(5);
  });
  it('a session that was planted before is not the one that is signed in', async () => {
    await beyond();
    const planted = 'fox-session=planted-by-somebody-else';
    const answer = await as(planted).post('/session', { name: 'Keeper', password: WORD }).expect(201);
    expect(cookieOf(answer)).not.toBe(planted);
    await as(planted).get('/people').expect(401);
    await as(cookieOf(answer)).get('/people').expect(200);
    // Signing in again ends the session before.
    const again = await as(cookieOf(answer)).post('/session', { name: 'Keeper', password: WORD });
    await as(cookieOf(answer)).get('/people').expect(401);
    await as(cookieOf(again)).get('/people').expect(200);
  });
  it('a stolen cookie is worth nothing after signing out or a new password', async () => {
    const manager = await beyond();
    const other = cookieOf(await signIn('Keeper'));
    await as(other).del('/session').expect(204);
    await as(other).get('/people').expect(401);
    const stolen = cookieOf(await signIn('Keeper'));
    await as(manager)
      .put('/session/password', { old: 'not it at all', password: 'another long one' })
      .expect(403);
    const fresh = await as(manager)
      .put('/session/password', { old: WORD, password: 'another long one' })
      .expect(204);
    await as(stolen).get('/people').expect(401);
    await as(manager).get('/people').expect(401);
    await as(cookieOf(fresh)).get('/people').expect(200);
    await signIn('Keeper').expect(401);
    await signIn('Keeper', 'another long one').expect(201);
  });
  it('another site’s page is refused, whatever cookie the browser would send', async () => {
    const manager = await beyond();
    const family = { name: 'Teal Skiff', group: 'Gulls', allergies: [] };
    await as(manager).post('/borrowers', family).set('origin', 'https://elsewhere.test').expect(403);
    await as(manager).post('/borrowers', family).set('sec-fetch-site', 'cross-site').expect(403);
    await as(manager).get('/people').set('sec-fetch-site', 'same-site').expect(403);
    await as(manager).post('/borrowers', family).expect(201);
  });
  it('the cookie is read by no script and sent to no other site, and over TLS only where there is TLS', async () => {
    desk = await startTest();
    const flags = (answer: { headers: Record<string, unknown> }) =>
      (answer.headers['set-cookie'] as string[])[0]!;
    const plain = flags(await desk.post('/session/first', { name: 'Keeper', password: WORD }));
    expect(plain).toMatch(/HttpOnly/);
    expect(plain).toMatch(/SameSite=Strict/);
    expect(plain).not.toMatch(/Secure/);
    const behind = await signIn('Keeper').set('x-forwarded-proto', 'https').expect(201);
    expect(flags(behind)).toMatch(/Secure/);
  });
  it('the file keeps no password and no cookie', async () => {
    const manager = await beyond();
    const kept = JSON.stringify(
      await desk.serverContext
        .em()
        .getConnection()
        .execute('select p.password, s.id from person p, session s'),
    );
    expect(kept).not.toContain(WORD);
    expect(kept).not.toContain(manager.split('=')[1]!);
    expect(kept).toMatch(/scrypt\$65536\$8\$1/);
  });
});

it('a password is told from others, with its own salt each time', async () => {
  const [a, b] = await Promise.all([keptPassword(WORD), keptPassword(WORD)]);
  expect(a).not.toBe(b);
  expect(await isPassword(WORD, a)).toBe(true);
  expect(await isPassword(`${WORD} `, a)).toBe(false);
  expect(await isPassword(WORD, 'plain text')).toBe(false);
  // Written in another way by the keyboard, it is the same password.
  expect(await isPassword('cafe\u0301 au quai', await keptPassword('café au quai'))).toBe(true);
});

it('waits double from the fifth wrong guess on, forgets after an hour, and after a right one', () => {
  let now = 0;
  const t = new Throttle(() => now);
  for (let i = 0; i < 5; i++) t.wrong(['a']);
  expect(t.wait(['a'])).toBe(1000);
  t.wrong(['a']);
  t.wrong(['a']);
  expect(t.wait(['a', 'b'])).toBe(4000);
  expect(t.wait(['b'])).toBe(0);
  for (let i = 0; i < 30; i++) t.wrong(['a']);
  expect(t.wait(['a'])).toBe(15 * 60_000);
  now = 61 * 60_000;
  expect(t.wait(['a'])).toBe(0);
  t.wrong(['a']);
  t.right(['a']);
  expect(t.wait(['a'])).toBe(0);
});

it('who did what is on record, once for each thing that was done', async () => {
  const manager = await beyond();
  await as(manager).post('/people', { name: 'Helper', password: WORD, role: 'lender' }).expect(201);
  const helper = cookieOf(await signIn('Helper'));
  const family = { name: 'Teal Skiff', group: 'Gulls', allergies: [] };
  await as(helper).post('/borrowers', family).expect(201);
  await as(helper).post('/borrowers', family).expect(409);
  await as(helper).get('/borrowers').expect(200);
  const log = (await as(manager).get('/audit-log').expect(200)).body as AuditEntry[];
  expect(log.map((d) => [d.who, d.did])).toEqual([
    ['Helper', 'added a family'],
    ['Helper', 'signed in'],
    ['Keeper', 'added somebody'],
    ['Keeper', 'set the place up'],
  ]);
  for (const name of ['Two\nlines', 'Two\u2028lines'])
    await as(manager).post('/people', { name, password: WORD, role: 'viewer' }).expect(400);
  expect((await as(manager).get(`/audit-log?before=${log[0]!.id}&limit=1`)).body).toHaveLength(1);
  await as(manager).get('/audit-log?limit=0').expect(400);
});

it('answers only its own page, with and without a session', async () => {
  const manager = await beyond();
  await request(desk.app).get('/api/people').set('host', 'elsewhere.test').set('cookie', manager).expect(403);
});
