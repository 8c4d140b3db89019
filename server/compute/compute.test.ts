import request from 'supertest';
import { startTest, type TestDesk } from '../testing.ts';

let desk: TestDesk;
beforeAll(async () => {
  desk = await startTest();
});
afterAll(() => desk.close());

describe('answers', () => {
  it('small parts', async () => {
    const { body } = await desk
      .post('/compute/small-parts', { shape: { kind: 'sphere', diameter: 31.7 } })
      .expect(200);
    expect(body).toMatchObject({ fits: true, clearance: 0, verdict: 'stop' });
    expect(body.bounds[0]).toBeLessThanOrEqual(body.bounds[1]);
  });
  it('passage', async () => {
    const { body } = await desk
      .post('/compute/passage', {
        piece: { kind: 'cylinder', diameter: 38, length: 14 },
        opening: { kind: 'slot', length: 42, width: 17 },
      })
      .expect(200);
    expect(body).toMatchObject({ passes: true, waysIn: 1, ways: 2 });
    expect(body.gap).toBeCloseTo(3, 2);
  });
  it('purchase, proved by HiGHS', async () => {
    const { body } = await desk
      .post('/compute/purchase', {
        needs: [{ material: 'a', quantity: 7 }],
        offers: [
          { id: 'five', supplier: 's', price: 300, contents: [{ material: 'a', quantity: 5 }] },
          { id: 'one', supplier: 's', price: 100, contents: [{ material: 'a', quantity: 1 }] },
        ],
        delivery: [{ supplier: 's', price: 50 }],
      })
      .expect(200);
    expect(body).toMatchObject({
      status: 'optimal',
      total: 550,
      packs: [
        { offer: 'five', count: 1 },
        { offer: 'one', count: 2 },
      ],
    });
  });
  it('challenge', async () => {
    const { body } = await desk
      .post('/compute/challenge', { moves: [{ distance: 200, tolerance: 25, choices: 4 }] })
      .expect(200);
    expect(body).toEqual({ bits: [6], total: 6 });
  });
});

describe('bad input gets a problem that names the field', () => {
  it.each([
    ['/compute/small-parts', { shape: { kind: 'sphere', diameter: -3 } }, 'shape.diameter'],
    ['/compute/small-parts', { shape: { kind: 'box', length: 1, width: 2 } }, 'shape.height'],
    ['/compute/small-parts', { shape: null }, 'shape'],
    ['/compute/small-parts', [], ''],
    [
      '/compute/small-parts',
      {
        shape: {
          kind: 'sheet',
          thickness: 1,
          outline: [
            [0, 0],
            [10, 10],
            [10, 0],
            [0, 10],
          ],
        },
      },
      'shape.outline',
    ],
    [
      '/compute/small-parts',
      {
        shape: {
          kind: 'sheet',
          thickness: 1,
          outline: [
            [0, 0],
            [10, 10],
          ],
        },
      },
      'shape.outline',
    ],
    [
      '/compute/small-parts',
      {
        shape: {
          kind: 'sheet',
          thickness: 1,
          outline: Array.from({ length: 10_000 }, (_, i) => [i % 100, Math.floor(i / 100)]),
        },
      },
      'shape.outline',
    ],
    [
      '/compute/passage',
      { piece: { kind: 'sphere', diameter: 3 }, opening: { kind: 'slot', length: 3 } },
      'opening.width',
    ],
    [
      '/compute/passage',
      {
        piece: { kind: 'sphere', diameter: 3 },
        opening: { kind: 'star', points: 2, outerDiameter: 9, innerDiameter: 4 },
      },
      'opening.points',
    ],
    [
      '/compute/passage',
      { piece: { kind: 'sphere', diameter: '3' }, opening: { kind: 'round', diameter: 4 } },
      'piece.diameter',
    ],
    ['/compute/purchase', { needs: [{ material: 'a', quantity: -2 }], offers: [] }, 'needs.0.quantity'],
    ['/compute/challenge', { moves: [{ distance: 3, tolerance: 0 }] }, 'moves.0.tolerance'],
    ['/compute/challenge', { moves: [] }, 'moves'],
  ])('%s %#', async (path, body, field) => {
    const r = await desk
      .post(path, body)
      .expect(400)
      .expect('content-type', /application\/problem\+json/);
    expect(r.body).toMatchObject({ status: 400, title: expect.any(String), detail: expect.any(String) });
    expect(r.body.errors.map((e: { path: string }) => e.path)).toContain(field);
  });

  it('NaN is not JSON', async () => {
    const r = await request(desk.app)
      .post('/api/compute/small-parts')
      .set('content-type', 'application/json')
      .send('{"shape":{"kind":"sphere","diameter":NaN}}')
      .expect(400);
    expect(r.body.errors[0].message).toMatch(/not JSON/);
  });
  it('a body of 20 MB is too large', async () => {
    const r = await request(desk.app)
      .post('/api/compute/small-parts')
      .set('content-type', 'application/json')
      .send(`{"shape":"${'x'.repeat(20_000_000)}"}`)
      .expect(413);
    expect(r.headers['content-type']).toMatch(/problem\+json/);
  });
  it.each(['text/plain', 'application/x-www-form-urlencoded', 'application/xml'])(
    '%s is the wrong media type',
    async (type) => {
      const r = await request(desk.app)
        .post('/api/compute/small-parts')
        .set('content-type', type)
        .send('shape=1')
        .expect(415);
      expect(r.body.errors[0].path).toBe('content-type');
    },
  );
  it('an odd encoding or charset is refused, not a fault', async () => {
    await request(desk.app)
      .post('/api/compute/challenge')
      .set('content-type', 'application/json; charset=latin1')
      .send('{}')
      .expect(415);
    await request(desk.app)
      .post('/api/compute/challenge')
      .set('content-type', 'application/json')
      .set('content-encoding', 'magic')
      .send('{}')
      .expect(415);
  });
  it('keys that reach for the prototype are only unknown fields', async () => {
    await request(desk.app)
      .post('/api/compute/small-parts')
      .set('content-type', 'application/json')
      .send('{"__proto__":{"a":1},"shape":{"kind":"sphere","diameter":3}}')
      .expect(400);
    expect(({} as { a?: number }).a).toBeUndefined();
  });
  it('an unknown address is a problem too', async () => {
    const r = await desk.get('/nothing').expect(404);
    expect(r.headers['content-type']).toMatch(/problem\+json/);
    await request(desk.app).get('/api/%E0%A4%A').expect(404);
  });
});
