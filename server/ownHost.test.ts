import request from 'supertest';
import { makeApp } from './app.ts';
import { startTest, type TestDesk } from './testing.ts';

let desk: TestDesk;
beforeAll(async () => {
  desk = await startTest();
});
afterAll(() => desk.close());
const get = (path: string, headers: Record<string, string>, app = desk.app) => {
  const r = request(app).get(path);
  for (const [k, v] of Object.entries(headers)) void r.set(k, v);
  return r;
};

describe('who is answered', () => {
  it.each([
    'evil.example',
    'evil.example:4310',
    'localhost.evil.example',
    '127.0.0.1.evil.example',
    '0.0.0.0',
    '',
  ])('not a page whose name %j points here', async (host) => {
    const r = await get('/api/notes', { host });
    expect([400, 403]).toContain(r.status);
    expect(r.text).not.toBe('[]');
    if (host) expect(r.body).toMatchObject({ status: 403, errors: [{ path: 'host' }] });
  });
  it.each(['127.0.0.1', 'localhost:4310', '[::1]:4310', 'LOCALHOST'])('this machine by its name %j', (host) =>
    get('/api/notes', { host }).expect(200),
  );
  it('the names it is given, and no others', async () => {
    const app = makeApp(desk.serverContext, null, { host: '192.168.7.2', hosts: ['cart.example'] });
    await get('/api/notes', { host: 'cart.example:443' }, app).expect(200);
    await get('/api/notes', { host: '192.168.7.2' }, app).expect(200);
    await get('/api/notes', { host: '192.168.7.3' }, app).expect(403);
    await get('/api/notes', { host: 'cart.example', origin: 'https://cart.example' }, app).expect(200);
    // Behind a proxy that asks under this machine's name; but no other port, and no other site.
    const own = { host: '127.0.0.1:4310', origin: 'https://cart.example' };
    await get('/api/notes', own, app).expect(200);
    await get('/api/notes', { ...own, origin: 'https://cart.example:8443' }, app).expect(403);
    await get('/api/notes', { ...own, 'sec-fetch-site': 'cross-site' }, app).expect(403);
    const told = async (headers: Record<string, string>) =>
      (await get('/api/notes', headers, app)).headers['strict-transport-security'];
    expect(await told({ ...own, 'x-forwarded-proto': 'https' })).toMatch(/^max-age=\d{7,}$/);
    expect(await told(own)).toBeUndefined();
  });
  it.each([
    [{ origin: 'http://evil.example' }],
    [{ origin: 'null' }],
    [{ origin: 'http://127.0.0.1:9999' }],
    [{ 'sec-fetch-site': 'cross-site' }],
    [{ 'sec-fetch-site': 'same-site' }],
  ])('no page of another origin: %j', async (headers) => {
    const r = await get('/api/notes', { host: '127.0.0.1:4310', ...headers }).expect(403);
    expect(r.headers['content-type']).toMatch(/problem\+json/);
  });
  it.each([
    [{ origin: 'http://127.0.0.1:4310' }],
    [{ 'sec-fetch-site': 'same-origin' }],
    [{ 'sec-fetch-site': 'none' }],
  ])('its own page: %j', (headers) => get('/api/notes', { host: '127.0.0.1:4310', ...headers }).expect(200));
  it('no foreign write, on any door', async () => {
    for (const path of ['/materials', '/files/materials/preview', '/shop/refresh', '/backups'])
      await request(desk.app)
        .post(`/api${path}`)
        .set('origin', 'http://evil.example')
        .set('content-type', path.startsWith('/files') ? 'text/csv' : 'application/json')
        .send('{}')
        .expect(403);
  });
  it('no plain text, which a foreign form could send without asking', async () => {
    for (const [method, path] of [
      ['post', '/materials'],
      ['post', '/files/materials/preview'],
      ['put', '/place'],
      ['delete', '/materials/1'],
    ] as const)
      await request(desk.app)[method](`/api${path}`).set('content-type', 'text/plain').send('{}').expect(415);
  });
});
