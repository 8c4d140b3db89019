import type { Response } from 'supertest';
import { CAP, startTest, TUB, withDesign, type TestDesk } from '../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());
const body = async <T>(path: string): Promise<T> => (await desk.get(path).expect(200)).body as T;
type Material = { id: number; kept: number };
const kept = async (id: number): Promise<number> =>
  (await body<Material[]>('/materials')).find((m) => m.id === id)!.kept;

describe('one truth about stock', () => {
  it('a design builds from what others on the bench leave, and is told who holds the rest', async () => {
    const { tub, cap, design } = await withDesign(desk);
    // 27 caps: another design on the bench holds sixteen, so one kit of eight goes, not three.
    const other: Record<string, unknown> = {
      ...(await body<Record<string, unknown>>(`/designs/${design.id}`)),
      name: 'Squeeze seal',
    };
    const { id: _, version: __, ...rest } = other;
    await desk.post('/designs', { ...rest, copies: 2 }).expect(201);
    const refused = await desk.post('/builds', { designId: design.id, version: 1, copies: 2 }).expect(422);
    expect((refused.body as { detail: string }).detail).toBe(
      '5 × Cap short: make 1 kit now, or use 5 in each kit. Squeeze seal holds 16.',
    );
    expect((refused.body as { errors: unknown }).errors).toEqual([
      { path: 'copies', message: 'expected at most 1' },
    ]);
    await desk.post('/builds', { designId: design.id, version: 1, copies: 1 }).expect(201);
    expect([await kept(tub.id), await kept(cap.id)]).toEqual([TUB.kept - 1, CAP.kept - 8]);
  });
  it('tells what each design needs, and why one cannot be read', async () => {
    const { tub, cap, design } = await withDesign(desk);
    type Needs = { id: number; problem: string | null; needs: { materialId: number; quantity: number }[] };
    const [one] = await body<Needs[]>('/designs/needs');
    expect(one).toMatchObject({ id: design.id, problem: null });
    expect(one!.needs.map((n) => [n.materialId, n.quantity])).toEqual([
      [tub.id, 1],
      [cap.id, 8],
    ]);
    const { id: _, ...put } = await body<{ id: number }>(`/designs/${design.id}`);
    await desk.put(`/designs/${design.id}`, { ...put, ageFrom: 19 }).expect(200);
    // A cap that has become a tub is no piece any more.
    const row = (await body<{ id: number }[]>('/materials')).find((m) => m.id === cap.id)!;
    const { id: __, kept: ___, waiting: ____, ...material } = row as Record<string, unknown>;
    await desk.put(`/materials/${cap.id}`, { ...material, form: 'container', sizes: TUB.sizes }).expect(200);
    const [now] = await body<Needs[]>('/designs/needs');
    expect(now).toMatchObject({ needs: [], problem: expect.stringMatching(/Cap is a container/) });
  });
  it('kits that are made stop speaking for stock, and the next batch begins when it is asked for', async () => {
    const { design } = await withDesign(desk);
    const {
      id: _,
      version: __,
      ...rest
    } = await body<{ id: number; version: number }>(`/designs/${design.id}`);
    const second = (await desk.post('/designs', { ...rest, name: 'Second', copies: 1 }).expect(201)).body as {
      id: number;
    };
    // 27 caps, two kits of eight wanted first: eleven are left for the second, one kit.
    await desk.post('/builds', { designId: design.id, version: 1, copies: 2 }).expect(201);
    expect(await body(`/designs/${design.id}`)).toMatchObject({ copies: 2, made: 2, version: 1 });
    // Before, the first still held sixteen of the eleven, and this was refused.
    await desk.post('/builds', { designId: second.id, version: 1, copies: 1 }).expect(201);
    const next = await desk.post(`/designs/${design.id}/batch`, { version: 1, copies: 3 }).expect(200);
    expect(next.body).toMatchObject({ copies: 3, made: 0, version: 2 });
    await desk.post(`/designs/${design.id}/batch`, { version: 1, copies: 3 }).expect(409);
  });
  it('what is made is no wish: saving a design cannot undo it', async () => {
    const { design } = await withDesign(desk);
    const stale = await body<{ id: number; version: number }>(`/designs/${design.id}`);
    await desk.post('/builds', { designId: design.id, version: 1, copies: 1 }).expect(201);
    const { id: _, ...put } = stale;
    await desk.put(`/designs/${design.id}`, put).expect(200);
    expect(await body(`/designs/${design.id}`)).toMatchObject({ made: 1 });
  });
  it('what was clean when it came is not washed again', async () => {
    const { cap, design } = await withDesign(desk);
    const steps = async (): Promise<string> =>
      (await desk.get(`/designs/${design.id}/build-sheet.pdf`).expect(200)).headers['content-type']!;
    expect(await steps()).toMatch(/pdf/);
    // The counted stock has no look-over: it is not known to be clean.
    expect(
      (await body<(Material & { clean?: boolean })[]>('/materials')).find((m) => m.id === cap.id)!.clean,
    ).toBeUndefined();
    const [lot] = await body<{ id: number; version: number }[]>(`/lots?material=${cap.id}`);
    await desk.put(`/lots/${lot!.id}`, { version: lot!.version, quantity: 0 }).expect(200);
    await desk.post('/finds', { materialId: cap.id, quantity: 9, look: { clean: 'sticky' } }).expect(201);
    const [dirty] = await body<{ id: number; version: number }[]>(`/lots?material=${cap.id}`);
    await desk.put(`/lots/${dirty!.id}`, { version: dirty!.version, state: 'ready' }).expect(200);
    expect(await body<object[]>('/materials')).toContainEqual(
      expect.objectContaining({ id: cap.id, kept: 9, clean: true }),
    );
  });
});

describe('what was missing stays readable', () => {
  it('a kit’s history and a family’s say what was counted, what was filled and from whom it came', async () => {
    const { cap, design } = await withDesign(desk);
    await desk
      .post('/finds', { materialId: cap.id, quantity: 4, from: 'Teal Skiff', cameOn: '2026-01-02', look: {} })
      .expect(201);
    const built = (await desk.post('/builds', { designId: design.id, version: 1, copies: 1 })).body as {
      kits: { id: number }[];
    };
    const family = (await desk.post('/borrowers', { name: 'Grey Punt', group: 'Gulls' })).body as {
      id: number;
    };
    const kitId = built.kits[0]!.id;
    const loan = (await desk.post('/loans', { kitId, borrowerId: family.id, dueOn: '2026-12-01' })).body as {
      id: number;
    };
    await desk.post(`/loans/${loan.id}/return`, { present: [1, 6], then: 'fill' }).expect(200);
    // Filled meanwhile: the kit shows nothing missing, its history does.
    const history = await body<{ loans: { count: Record<string, unknown> }[]; counts: unknown[] }>(
      `/kits/${kitId}/history`,
    );
    expect(history.loans[0]).toMatchObject({
      borrower: 'Grey Punt',
      count: {
        parts: [
          { name: 'Tub', due: 1, present: 1 },
          { name: 'Cap', due: 8, present: 6 },
        ],
        outcome: 'fill',
        filled: [{ name: 'Cap', quantity: 2, lots: [{ quantity: 2, from: '' }] }],
      },
    });
    expect(await body(`/borrowers/${family.id}/history`)).toMatchObject({
      loans: [{ label: 'FB-001a', count: { outcome: 'fill' } }],
    });
    await desk.post(`/kits/${kitId}/count`, { present: [1, 7], then: 'repair' }).expect(200);
    expect((await body<{ counts: unknown[] }>(`/kits/${kitId}/history`)).counts).toHaveLength(2);
    await desk.get('/kits/999/history').expect(404);
    await desk.get('/borrowers/999/history').expect(404);
  });
  it('is filled only from stock that no design on the bench holds', async () => {
    const { design } = await withDesign(desk, { copies: 3 });
    await desk.post('/builds', { designId: design.id, version: 1, copies: 1 }).expect(201);
    // 19 caps are kept and the rest of the batch holds sixteen: three are free.
    const count = (missing: number) =>
      desk.post('/kits/1/count', { present: [1, 8 - missing], then: 'fill' });
    const refused = await count(4).expect(422);
    expect((refused.body as { detail: string }).detail).toBe(
      '3 of Cap are free on the shelf; 4 are missing.',
    );
    await count(3).expect(200);
  });
});

describe('long lists', () => {
  const all = async (path: string): Promise<{ pages: number; items: { id: number }[]; total: number }> => {
    const items: { id: number }[] = [];
    let [next, pages, total]: [string | null, number, number] = [path, 0, 0];
    while (next !== null) {
      const r: Response = await desk.get(next.replace(/^\/api/, '')).expect(200);
      pages++;
      total = Number(r.headers['x-total-count']);
      items.push(...(r.body as { id: number }[]));
      next = /<([^>]+)>; rel="next"/.exec(r.headers.link ?? '')?.[1] ?? null;
    }
    return { pages, items, total };
  };
  it('come page by page, every entry once, and say how many there are', async () => {
    const { design } = await withDesign(desk, {
      copies: 1,
      dials: { ...(await import('../testing.ts')).DIALS, pieces: 1 },
    });
    await desk.post('/builds', { designId: design.id, version: 1, copies: 6 }).expect(201);
    for (let i = 0; i < 11; i++) {
      await desk
        .post('/borrowers', { name: `Boat ${String(i).padStart(2, '0')}`, group: 'Gulls' })
        .expect(201);
      await desk
        .post('/notes', {
          designId: design.id,
          child: `G-0${i % 3}`,
          level: 'Close',
          bits: 8,
          seconds: 20,
          count: 4,
          of: 'pieces',
          help: 'verbal prompt',
          words: '',
          satOn: `2026-11-${String(1 + (i % 4)).padStart(2, '0')}`,
        })
        .expect(201);
      await desk.post('/materials/2/stock', { by: 1 }).expect(200);
    }
    for (const [path, count, pages] of [
      ['/kits?limit=4', 6, 2],
      ['/notes?limit=4', 11, 3],
      ['/borrowers?limit=5', 11, 3],
      ['/lots?limit=5', 13, 3],
      ['/designs?limit=1', 1, 2],
      ['/materials?limit=1', 2, 3],
      ['/suppliers?limit=3', 0, 1],
      ['/offers?limit=3', 0, 1],
      ['/prices?limit=3', 0, 1],
    ] as const) {
      const read = await all(path);
      expect([
        path,
        read.items.length,
        new Set(read.items.map((x) => x.id)).size,
        read.total,
        read.pages,
      ]).toEqual([path, count, count, count, pages]);
    }
    expect(await body('/notes/summary')).toEqual({ notes: 11, children: 3 });
    expect((await all('/notes?child=G-01&limit=2')).items).toHaveLength(4);
    for (const path of [
      '/kits?after=x',
      '/notes?after=1',
      '/lots?limit=0',
      '/kits?limit=9999',
      '/kits?standing=lost',
      '/notes?colour=1',
    ])
      expect([path, (await desk.get(path)).status]).toEqual([path, 400]);
  });
  it('of kits are found by label, family, standing and skill; the room is counted in one query', async () => {
    const { design } = await withDesign(desk);
    await desk.post('/builds', { designId: design.id, version: 1, copies: 3 }).expect(201);
    const family = (await desk.post('/borrowers', { name: 'Grey Punt', group: 'Gulls' })).body as {
      id: number;
    };
    await desk.post('/loans', { kitId: 1, borrowerId: family.id, dueOn: '2026-11-25' }).expect(201);
    const labels = async (query: string): Promise<string[]> =>
      (await body<{ label: string }[]>(`/kits?${query}`)).map((c) => c.label);
    expect(await labels('label=FB-001b')).toEqual(['FB-001b']);
    expect(await labels('q=grey')).toEqual(['FB-001a']);
    expect(await labels('q=%25')).toEqual([]);
    expect(await labels('standing=in')).toEqual(['FB-001b', 'FB-001c']);
    expect(await labels('order=due')).toEqual(['FB-001a']);
    expect(await labels('skill=Hand%20strength')).toEqual([]);
    expect(await body('/kits/summary')).toEqual({
      kits: 3,
      out: 1,
      late: 0,
      repair: 0,
      toClean: 0,
      resting: 0,
      recalled: 0,
      retired: 0,
      skills: [{ skill: 'Pincer and release', kits: 3 }],
    });
  });
});

it('families are written to in languages that the papers can be printed in', async () => {
  const { today: _, ...place } = await body<Record<string, unknown>>('/place');
  expect(place.languages).toEqual(['en']);
  const put = (languages: unknown) => desk.put('/place', { ...place, languages });
  await put([]).expect(400);
  await put(['en', 'en']).expect(400);
  await put(['xx']).expect(400);
  await put('en').expect(400);
  expect((await put(['es', 'en']).expect(200)).body).toMatchObject({ languages: ['es', 'en'] });
});

it('money is the place’s own, in files too', async () => {
  const { cap } = await withDesign(desk);
  const { today: _, ...place } = await body<Record<string, unknown>>('/place');
  await desk.put('/place', { ...place, currency: 'XYZ' }).expect(400);
  await desk.put('/place', { ...place, locale: 'nowhere at all' }).expect(400);
  await desk.put('/place', { ...place, currency: 'JPY', locale: 'ja-JP' }).expect(200);
  const supplier = (await desk.post('/suppliers', { name: 'Pier', delivery: 350 })).body as { id: number };
  await desk
    .post('/offers', {
      name: 'Caps',
      supplierId: supplier.id,
      price: 210,
      contents: [{ materialId: cap.id, quantity: 18 }],
    })
    .expect(201);
  // Yen have no minor unit: 210 is 210, not 2.10.
  expect((await desk.get('/files/offers.csv')).text).toMatch(/Pier,350,Caps,210,Cap,18/);
});
