import fc from 'fast-check';
import { addDays } from '../core/calendar/days.ts';
import { CAP, startTest, TODAY, TUB, withDesign, type TestDesk } from './testing.ts';

/**
 * Whatever comes to a door gets its result or a problem that names the field: each request below is well formed, then one
 * part of it is lost, doubled in name, or turned into something nobody would expect there.
 */
let desk: TestDesk;
let ids: Record<
  'tub' | 'cap' | 'design' | 'borrower' | 'supplier' | 'kit' | 'batch' | 'term' | 'lot' | 'offer' | 'bundle',
  number
>;
let valid: { method: 'post' | 'put'; path: string; body: Record<string, unknown> }[];

beforeAll(async () => {
  desk = await startTest();
  const { tub, cap, design } = await withDesign(desk, { copies: 1 });
  const made = async (path: string, body: unknown) =>
    (await desk.post(path, body).expect(201)).body as { id: number };
  const supplier = await made('/suppliers', { name: 'Slipway stores', delivery: 250 });
  const offerBody = {
    supplierId: supplier.id,
    name: 'Caps, 18',
    price: 210,
    contents: [{ materialId: cap.id, quantity: 18 }],
  };
  const offer = await made('/offers', offerBody);
  const find = await made('/finds', { materialId: cap.id, quantity: 4, look: {} });
  const lot = ((await desk.get('/lots')).body as { id: number }[])[0]!;
  expect(find).toBeDefined();
  const borrower = await made('/borrowers', { name: 'Teal Skiff', group: 'Gulls' });
  const bundle = await made('/bundles', { name: 'Two in one', designs: [design.id], container: null });
  const batchBody = {
    name: 'November making',
    items: [{ designId: design.id, bundleId: null, copies: 1 }],
    days: {
      makers: [{ name: 'Ann', windows: [{ day: TODAY, from: 780, to: 900 }] }],
      childFree: [{ day: TODAY, from: 780, to: 900 }],
      singles: ['scissors'],
      pins: { [`${design.id}:cut`]: { from: 800, maker: 'Ann' } },
    },
  };
  const batch = await made('/batches', batchBody);
  const termBody = {
    name: 'Winter',
    from: TODAY,
    weeks: 4,
    every: 2,
    stays: 2,
    cleanDays: 1,
    borrowers: [borrower.id],
  };
  const term = await made('/term-plans', termBody);
  const note = await made('/notes', {
    designId: design.id,
    child: 'Whelk',
    level: 'as it is',
    bits: 12,
    seconds: 60,
    count: 8,
    of: 'pieces',
    help: 'none',
    words: '',
    satOn: TODAY,
  });
  const build = (
    await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201)
  ).body as { kits: { id: number }[] };
  ids = {
    tub: tub.id,
    cap: cap.id,
    design: design.id,
    borrower: borrower.id,
    supplier: supplier.id,
    kit: build.kits[0]!.id,
    lot: lot.id,
    offer: offer.id,
    bundle: bundle.id,
    batch: batch.id,
    term: term.id,
  };
  const { body: bundleBody } = (await desk.get(`/bundles/${ids.bundle}/file`)) as { body: unknown };
  const { body: fileBody } = (await desk.get(`/designs/${design.id}/file`)) as { body: unknown };
  const kept = (await desk.get(`/designs/${design.id}`)).body as Record<string, unknown>;
  const { id: _, ...designBody } = kept;
  const { today: __, ...place } = (await desk.get('/place')).body as Record<string, unknown>;
  const box = { id: 'a', length: 30, width: 20, height: 10, count: 2, upright: true };
  valid = [
    {
      method: 'post',
      path: '/photo/stencil.pdf',
      body: { outline: { kind: 'shape', shape: 'leaf' }, longest: 80, paper: 'A4' },
    },
    { method: 'post', path: '/materials', body: { ...CAP, name: 'Second cap' } },
    { method: 'put', path: `/materials/${ids.tub}`, body: { ...TUB, version: 1 } },
    { method: 'post', path: `/materials/${ids.cap}/stock`, body: { by: 1 } },
    {
      method: 'post',
      path: '/finds',
      body: {
        materialId: ids.cap,
        quantity: 2,
        from: 'Teal Skiff',
        cameOn: TODAY,
        sizes: { diameter: 38 },
        look: { gap: 2, held: 'drink' },
      },
    },
    {
      method: 'put',
      path: `/lots/${ids.lot}`,
      body: { version: 1, quantity: 3, state: 'resting', readyOn: addDays(TODAY, 3) },
    },
    { method: 'post', path: '/batches', body: { ...batchBody, name: 'Second' } },
    { method: 'put', path: `/batches/${ids.batch}`, body: { ...batchBody, version: 1 } },
    {
      method: 'post',
      path: `/batches/${ids.batch}/progress`,
      body: { task: `${design.id}:wash`, did: 'begun', at: 1, minutes: null },
    },
    {
      method: 'post',
      path: `/batches/${ids.batch}/made`,
      body: { version: 1, spoiled: [{ materialId: ids.cap, quantity: 1 }] },
    },
    { method: 'post', path: '/purchases', body: { packs: [{ offerId: ids.offer, count: 1 }] } },
    { method: 'post', path: '/session', body: { name: 'Nobody', password: 'a long password' } },
    { method: 'post', path: '/session/first', body: { name: 'Keeper', password: 'a long password' } },
    {
      method: 'put',
      path: '/session/password',
      body: { old: 'a long password', password: 'another long one' },
    },
    {
      method: 'post',
      path: '/people',
      body: { name: 'Helper', password: 'a long password', role: 'lender' },
    },
    { method: 'put', path: '/people/1', body: { role: 'manager', isOff: false } },
    { method: 'post', path: '/suppliers', body: { name: 'Net loft crafts', delivery: 0 } },
    {
      method: 'put',
      path: `/suppliers/${ids.supplier}`,
      body: { name: 'Slipway stores', delivery: 250, freeFrom: 2000, version: 1 },
    },
    { method: 'post', path: '/offers', body: { ...offerBody, name: 'Caps again' } },
    { method: 'put', path: `/offers/${ids.offer}`, body: { ...offerBody, version: 1 } },
    { method: 'post', path: '/shop/packs', body: { key: 'sticks-100' } },
    { method: 'post', path: '/shop/refresh', body: {} },
    { method: 'post', path: '/designs', body: { ...designBody, version: undefined } },
    { method: 'put', path: `/designs/${ids.design}`, body: designBody },
    { method: 'post', path: '/designs/file/look', body: { file: fileBody } },
    { method: 'post', path: '/designs/file', body: { file: fileBody, takeNearest: true } },
    { method: 'post', path: '/bundles', body: { name: 'Grab bag', designs: [ids.design], container: null } },
    {
      method: 'put',
      path: `/bundles/${ids.bundle}`,
      body: { name: 'Two in one', designs: [ids.design], container: null, version: 1 },
    },
    { method: 'post', path: '/bundles/file/look', body: { file: bundleBody } },
    { method: 'post', path: '/bundles/file', body: { file: bundleBody, takeNearest: true } },
    { method: 'post', path: `/bundles/${ids.bundle}/build`, body: { version: 1, copies: 1 } },
    {
      method: 'put',
      path: '/children/G-02',
      body: { hand: { side: 'left', oneHanded: false, span: 110 }, likes: 'boats' },
    },
    {
      method: 'post',
      path: `/bundles/${ids.bundle}/give`,
      body: { version: 1, families: 1, prepared: true },
    },
    { method: 'post', path: `/designs/${ids.design}/batch`, body: { version: 1, copies: 2 } },
    { method: 'post', path: '/backups', body: {} },
    { method: 'post', path: '/builds', body: { designId: ids.design, version: 1, copies: 1 } },
    { method: 'put', path: '/place', body: place },
    {
      method: 'put',
      path: '/rules',
      body: {
        version: 1,
        changes: [
          {
            rule: 'cord',
            off: false,
            limit: 200,
            below: null,
            verdict: null,
            remedy: null,
            by: 'Keeper',
            why: 'Our own habit',
          },
        ],
        own: [
          {
            id: 'own-posts',
            title: 'Low posts',
            measure: 'post height',
            breaks: 'over',
            limit: 200,
            below: 48,
            verdict: 'care',
            remedy: 'Cut it shorter.',
            by: 'Keeper',
            why: 'Low tables',
          },
        ],
      },
    },
    {
      method: 'post',
      path: '/tests',
      body: {
        designId: ids.design,
        part: 'Cap',
        test: 'pull',
        passed: true,
        force: 91.5,
        by: 'Keeper',
        words: 'held',
      },
    },
    { method: 'post', path: '/borrowers', body: { name: 'Amber Dory', group: 'Seals' } },
    {
      method: 'put',
      path: `/borrowers/${ids.borrower}`,
      body: { version: 1, name: 'Teal Skiff', group: 'Gulls', allergies: ['milk'] },
    },
    {
      method: 'put',
      path: '/message-words',
      body: { version: 1, own: { en: { hello: 'Dear {family},' } } },
    },
    { method: 'post', path: '/outbox', body: { borrowerIds: [ids.borrower] } },
    { method: 'post', path: '/outbox/deliver', body: {} },
    { method: 'post', path: '/term-plans', body: { ...termBody, name: 'Second' } },
    { method: 'put', path: `/term-plans/${ids.term}`, body: { ...termBody, version: 1, entries: [] } },
    { method: 'post', path: `/term-plans/${ids.term}/plan`, body: { version: 1 } },
    { method: 'post', path: `/term-plans/${ids.term}/mend`, body: { version: 1 } },
    { method: 'post', path: `/kits/${ids.kit}/found`, body: { part: 0, count: 1 } },
    {
      method: 'post',
      path: '/loans/together',
      body: { kitIds: [ids.kit], borrowerId: ids.borrower, dueOn: '2026-12-01' },
    },
    {
      method: 'post',
      path: '/loans',
      body: { kitId: ids.kit, borrowerId: ids.borrower, dueOn: addDays(TODAY, 14) },
    },
    { method: 'post', path: '/loans/1/return', body: { present: [1, 8], then: 'shelve' } },
    { method: 'post', path: '/loans/1/renew', body: { dueOn: addDays(TODAY, 20) } },
    { method: 'post', path: '/done/1/undo', body: { why: 'the wrong family', by: 'Ann' } },
    {
      method: 'post',
      path: '/loans/1/hand-on',
      body: {
        present: [1, 8],
        then: 'fill',
        borrowerId: ids.borrower,
        dueOn: addDays(TODAY, 14),
        cleaned: true,
      },
    },
    { method: 'post', path: '/reservations', body: { kitId: ids.kit, borrowerId: ids.borrower } },
    { method: 'post', path: '/tellings', body: { borrowerId: ids.borrower, by: 'said', language: 'es' } },
    { method: 'post', path: `/kits/${ids.kit}/state`, body: { to: 'cleaned', by: '', why: '' } },
    { method: 'post', path: `/kits/${ids.kit}/count`, body: { present: [1, 8], then: 'shelve' } },
    {
      method: 'post',
      path: '/materials/starter',
      body: { kinds: [{ catalogue: 'milk-cap', quantity: 12 }] },
    },
    { method: 'post', path: '/materials/demo', body: {} },
    ...['/materials/list/look', '/materials/list'].map((path) => ({
      method: 'post' as const,
      path,
      body: {
        name: 'cupboard.csv',
        kinds: [{ material: { ...CAP, name: 'Listed cap' }, quantity: 3, cameOn: TODAY, from: '' }],
        columns: { item: 'name' },
      },
    })),
    {
      method: 'put',
      path: `/notes/${note.id}`,
      body: {
        version: 1,
        designId: design.id,
        child: 'Whelk',
        level: 'as it is',
        bits: 12,
        seconds: 60,
        count: 8,
        of: 'pieces',
        help: 'none',
        words: '',
        satOn: TODAY,
        tries: 1,
        managed: 1,
        liked: null,
        before: [],
      },
    },
    {
      method: 'post',
      path: '/notes',
      body: {
        designId: ids.design,
        child: 'Whelk',
        level: 'as it is',
        bits: 12,
        seconds: 60,
        count: 8,
        of: 'pieces',
        help: 'none',
        words: '',
        satOn: TODAY,
        tries: 2,
        managed: 1,
        liked: 'fine',
      },
    },
    { method: 'post', path: '/files/confirm', body: { id: 'no-such-preview' } },
    { method: 'post', path: '/compute/pattern', body: { pattern: 'lace', dials: { holes: 8 }, ageFrom: 36 } },
    {
      method: 'post',
      path: '/compute/schedule',
      body: {
        tasks: [{ id: 'cut', minutes: 5, kind: 'active', after: [], blade: true }],
        makers: { Ann: [[0, 60]] },
        childFree: [[0, 60]],
      },
    },
    {
      method: 'post',
      path: '/compute/critical-path',
      body: { tasks: [{ id: 'cut', minutes: 5, after: [] }] },
    },
    {
      method: 'post',
      path: '/compute/rasch',
      body: {
        responses: [
          [0, 1],
          [1, 0],
          [1, 1],
        ],
      },
    },
    {
      method: 'post',
      path: '/compute/cut-lengths',
      body: { stock: [{ length: 279 }], parts: [{ length: 38, count: 7 }], loss: 1 },
    },
    {
      method: 'post',
      path: '/compute/cut-sheets',
      body: {
        sheets: [{ width: 200, height: 100 }],
        parts: [
          {
            id: 'card',
            outline: [
              [0, 0],
              [90, 0],
              [90, 40],
              [0, 40],
            ],
            count: 2,
            turn: 'right',
          },
        ],
        gap: 1,
      },
    },
    {
      method: 'post',
      path: '/compute/points',
      body: {
        outline: [
          [0, 0],
          [10, 0],
          [10, 10],
        ],
        count: 4,
        closed: true,
      },
    },
    {
      method: 'post',
      path: '/compute/survival',
      body: { times: [3, 5, 8], events: [true, false, true], confidence: 'plain' },
    },
    {
      method: 'post',
      path: '/compute/renewal',
      body: { shape: 2, scale: 30, plannedCost: 1, failureCost: 5 },
    },
    {
      method: 'post',
      path: '/compute/spares',
      body: { lossesSeen: 3, loansSeen: 20, prior: { shape: 1, rate: 8 }, loansAhead: 30, probability: 0.9 },
    },
    { method: 'post', path: '/compute/ellipse', body: { fullAxis1: 60, fullAxis2: 40 } },
    {
      method: 'post',
      path: '/compute/web',
      body: {
        spokes: 5,
        rounds: 3,
        firstRadius: 10,
        spacing: 5,
        wraps: 1,
        section: { kind: 'round', diameter: 5 },
        course: 'spiral',
      },
    },
    {
      method: 'post',
      path: '/compute/staples',
      body: { rimDiameter: 230, smallestFiller: 8, stapleWidth: 12 },
    },
    { method: 'post', path: '/compute/halving', body: { width: 76, height: 76, thickness: 0.1, times: 4 } },
    { method: 'post', path: '/compute/slit', body: { slit: 4, rodDiameter: 2.5 } },
    { method: 'post', path: '/compute/dots', body: { diameter: 100, dot: 20, gap: 4 } },
    {
      method: 'post',
      path: '/compute/small-parts',
      body: { shape: { kind: 'box', length: 30, width: 20, height: 10 } },
    },
    {
      method: 'post',
      path: '/compute/small-parts',
      body: {
        shape: {
          kind: 'sheet',
          outline: [
            [0, 0],
            [40, 0],
            [20, 30],
          ],
          thickness: 2,
        },
      },
    },
    {
      method: 'post',
      path: '/compute/passage',
      body: {
        piece: { kind: 'cone', baseDiameter: 30, height: 40 },
        opening: { kind: 'star', points: 5, outerDiameter: 50, innerDiameter: 30 },
      },
    },
    {
      method: 'post',
      path: '/compute/purchase',
      body: {
        needs: [{ material: 'c', quantity: 20 }],
        stock: [],
        offers: [
          { id: 'o', supplier: 's', price: 210, limit: 4, contents: [{ material: 'c', quantity: 18 }] },
        ],
        delivery: [{ supplier: 's', price: 250 }],
      },
    },
    {
      method: 'post',
      path: '/compute/challenge',
      body: { moves: [{ distance: 200, tolerance: 3, choices: 2, ways: 4, waysIn: 2 }] },
    },
    {
      method: 'post',
      path: '/compute/choice',
      body: {
        aim: 'skills',
        stock: [{ material: 'c', quantity: 9 }],
        designs: [{ id: 'd', skill: 'Release', most: 4, worth: 1, needs: [{ material: 'c', quantity: 2 }] }],
      },
    },
    {
      method: 'post',
      path: '/compute/packing',
      body: { container: { length: 60, width: 60, height: 60 }, items: [box, { ...box, id: 'b' }] },
    },
  ];
});
afterAll(() => desk.close());

type Path = (string | number)[];
/** Every place in a body: of fields, of list entries, of the whole. */
function places(value: unknown, at: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [
    at,
    ...Object.entries(value).flatMap(([k, v]) => places(v, [...at, Array.isArray(value) ? Number(k) : k])),
  ];
}
/** A copy with another value at a place; undefined takes it out. */
function put(value: unknown, at: Path, by: unknown): unknown {
  if (at.length === 0) return by;
  const [key, ...rest] = at as [string | number, ...Path];
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }) as Record<
    string,
    unknown
  >;
  copy[key] = put(copy[key], rest, by);
  return copy;
}

const odd = fc.oneof(
  fc.constantFrom<unknown>(
    undefined,
    null,
    '',
    ' ',
    'NaN',
    '0x10',
    '=1+1',
    '1; drop table lot',
    '\u0000',
    '\ud800',
    '__proto__',
    'constructor',
    0,
    -0,
    -1,
    0.5,
    1e-320,
    5e-324,
    1e-200,
    1e15,
    Number.MAX_SAFE_INTEGER + 1,
    1e308,
    true,
    [],
    {},
    [[]],
    [null],
    { toString: 1 },
    '2026-02-31',
    '9999-12-31',
  ),
  fc.double({ noNaN: true, noDefaultInfinity: true }),
  fc.integer(),
  fc.string({ unit: 'binary', maxLength: 30 }),
  fc.constant('x'.repeat(20_000)),
  fc.array(fc.jsonValue({ maxDepth: 2 }), { maxLength: 5 }),
  fc.jsonValue({ maxDepth: 3 }),
);

/** Every door of a router that takes a body, as `post /path`, without where the router is mounted. */
function doorsOf(router: unknown): string[] {
  interface Layer {
    route?: { path: string; methods: Record<string, boolean> };
    handle?: { stack?: Layer[] };
  }
  const walk = (stack: readonly Layer[]): string[] =>
    stack.flatMap((l) =>
      l.route
        ? ['post', 'put', 'patch'].filter((m) => l.route!.methods[m]).map((m) => `${m} ${l.route!.path}`)
        : walk(l.handle?.stack ?? []),
    );
  return walk((router as { stack: Layer[] }).stack);
}

it('knows every door that takes a body', () => {
  const known = new Set(
    valid.flatMap((v) => {
      const path = v.path.replace(/^\/children\/.*/, '/children/:code').replace(/\d+/, ':id');
      return [`${v.method} ${path}`, `${v.method} ${path.replace(/^\/compute/, '')}`];
    }),
  );
  const doors = doorsOf((desk.app as unknown as { router: unknown }).router);
  expect(doors.length).toBeGreaterThan(25);
  // The file itself is no JSON; it has tests of its own.
  // What everything would be shut out by is asked in people.test.ts instead.
  const apart = [
    'post /files/:kind/preview',
    'post /photo/hand',
    'post /photo/measure',
    'post /photo/count',
    'put /people/sign-in',
    // It goes on without what was lost: asked in committed.test.ts.
    'post /integrity/lost/accept',
    'post /backups/:name/restore',
    'post /backups/file',
    'post /backups/:name/encrypted',
    'post /borrowers/:id/erase',
    'post /children/:code/erase',
  ];
  expect(doors.filter((d) => !apart.includes(d) && !known.has(d))).toEqual([]);
});

it('takes back what it gave, as it stands', async () => {
  const { today: _, ...place } = (await desk.get('/place')).body as Record<string, unknown>;
  await desk.put('/place', place).expect(200);
  const { id: design, ...body } = (await desk.get(`/designs/${ids.design}`)).body as { id: number };
  await desk.put(`/designs/${design}`, body).expect(200);
  const materials = (await desk.get('/materials')).body as { id: number }[];
  for (const { id, ...material } of materials) await desk.put(`/materials/${id}`, material).expect(200);
});

it('answers what is well formed', async () => {
  for (const v of valid.filter((x) => x.path.startsWith('/compute'))) {
    const r = await desk.post(v.path, v.body);
    expect([v.path, r.status]).toEqual([v.path, 200]);
  }
});

it('gives its result or a problem that names the field, and never breaks', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.nat().map((n) => valid[n % valid.length]!),
      fc.nat(),
      odd,
      fc.boolean(),
      async (door, where, value, more) => {
        const all = places(door.body);
        let body = put(door.body, all[where % all.length]!, value);
        if (more && typeof body === 'object' && body !== null && !Array.isArray(body))
          body = { ...body, ['__proto__x']: value };
        const r = await desk[door.method](door.path, body);
        expect(r.status).toBeLessThan(500);
        if (r.status < 400) return;
        expect(r.headers['content-type']).toMatch(/^application\/problem\+json/);
        const problem = r.body as {
          status: number;
          title: string;
          detail: string;
          errors: { path: string; message: string }[];
        };
        expect(problem.status).toBe(r.status);
        expect(problem.detail.length).toBeGreaterThan(5);
        expect(problem.detail.length).toBeLessThan(2100);
        if (r.status === 400) {
          expect(problem.errors.length).toBeGreaterThan(0);
          for (const e of problem.errors) expect(e.message).not.toMatch(/^Invalid/);
        }
        expect(JSON.stringify(problem)).not.toMatch(/node_modules|SQLITE|at \w+ \(/);
      },
    ),
    // The same at every run; another row of thousands in `npm run stress`.
    process.env.FOX_WHOLE === '1' ? { numRuns: 5000 } : { numRuns: 300, seed: 20261201 },
  );
});

it('is still in order afterwards: every list reads, no count has gone below nothing', async () => {
  for (const path of [
    '/materials',
    '/lots',
    '/offers',
    '/suppliers',
    '/designs',
    '/kits',
    '/borrowers',
    '/notes',
    '/prices',
    '/shop',
    '/batches',
    '/reservations',
    '/tellings',
    '/notes/children',
    '/place',
    '/tape',
  ])
    expect([path, (await desk.get(path)).status]).toEqual([path, 200]);
  const materials = (await desk.get('/materials')).body as { id: number; kept: number }[];
  const lots = (await desk.get('/lots')).body as { materialId: number; quantity: number; state: string }[];
  for (const m of materials) {
    const ready = lots.filter((l) => l.materialId === m.id && l.state === 'ready');
    // What is kept is what the ready lots hold, and nothing else.
    expect([m.id, m.kept]).toEqual([m.id, ready.reduce((n, l) => n + l.quantity, 0)]);
    expect(m.kept).toBeGreaterThanOrEqual(0);
  }
});
