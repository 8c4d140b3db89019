import { CAP, DIALS, startTest, TODAY, TUB, withDesign, type TestDesk } from '../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const kept = async (id: number): Promise<number> =>
  (await desk.get('/materials')).body.find((m: { id: number }) => m.id === id).kept;

describe('gather', () => {
  it('keeps a material as it was measured', async () => {
    const made = (await desk.post('/materials', CAP).expect(201)).body;
    expect(made).toMatchObject({ ...CAP, version: 1 });
    expect((await desk.get('/materials')).body).toEqual([made]);
  });
  it.each([
    [{ kept: -1 }, 'kept'],
    [{ kept: 2.5 }, 'kept'],
    [{ sizes: { diameter: 38 } }, 'sizes.height'],
    [{ sizes: { diameter: 0, height: 3 } }, 'sizes.diameter'],
    [{ form: 'piece' }, 'solid'],
    [{ name: '  ' }, 'name'],
    [{ hazards: ['dragons'] }, 'hazards.0'],
    [{ shelf: 3 }, 'shelf'],
  ])('refuses %j, naming the field', async (part, field) => {
    const r = await desk.post('/materials', { ...CAP, ...part }).expect(400);
    expect(r.body.errors.map((e: { path: string }) => e.path)).toContain(field);
    expect((await desk.get('/materials')).body).toEqual([]);
  });
  it('does not keep two materials of one name', async () => {
    await desk.post('/materials', CAP).expect(201);
    await desk.post('/materials', { ...CAP, name: 'cap' }).expect(409);
  });
  it('tells a stale writer what is there now', async () => {
    const { id } = (await desk.post('/materials', CAP)).body;
    await desk.put(`/materials/${id}`, { ...CAP, colour: '#112233', version: 1 }).expect(200);
    const r = await desk.put(`/materials/${id}`, { ...CAP, version: 1 }).expect(409);
    expect(r.body.current).toMatchObject({ colour: '#112233', version: 2 });
    // A count is never overwritten: it changes by what comes in and goes out.
    const counted = await desk.put(`/materials/${id}`, { ...CAP, kept: 99, version: 2 }).expect(409);
    expect(counted.body.errors[0].path).toBe('kept');
    await desk.put(`/materials/${id}`, CAP).expect(400);
  });
  it('adds and uses up, never below nothing', async () => {
    const { id } = (await desk.post('/materials', CAP)).body;
    expect((await desk.post(`/materials/${id}/stock`, { by: -7 }).expect(200)).body.kept).toBe(20);
    expect((await desk.post(`/materials/${id}/stock`, { by: -21 }).expect(422)).body.errors[0].path).toBe(
      'by',
    );
    await desk.post(`/materials/${id}/stock`, { by: 0 }).expect(400);
    expect(await kept(id)).toBe(20);
  });
  it('loses nothing when twenty come in at once', async () => {
    const { id } = (await desk.post('/materials', { ...CAP, kept: 0 })).body;
    await Promise.all(
      Array.from({ length: 20 }, () => desk.post(`/materials/${id}/stock`, { by: 1 }).expect(200)),
    );
    expect(await kept(id)).toBe(20);
  });
  it('keeps packs of what is on the shelf, and the shelf from losing what is in a pack', async () => {
    const cap = (await desk.post('/materials', CAP)).body;
    const supplier = (await desk.post('/suppliers', { name: 'Pier', delivery: 350 }).expect(201)).body;
    const pack = {
      name: 'Caps, 18',
      supplierId: supplier.id,
      price: 210,
      contents: [{ materialId: cap.id, quantity: 18 }],
    };
    const offer = (await desk.post('/offers', pack).expect(201)).body;
    await desk.post('/offers', { ...pack, contents: [{ materialId: 999, quantity: 1 }] }).expect(422);
    await desk.post('/offers', { ...pack, supplierId: 999 }).expect(422);
    expect(
      (await desk.put(`/offers/${offer.id}`, { ...pack, price: 190, version: 1 }).expect(200)).body.price,
    ).toBe(190);
    expect((await desk.del(`/materials/${cap.id}`).expect(409)).body.detail).toMatch(/Caps, 18/);
    await desk.del(`/offers/${offer.id}`).expect(204);
    // What came in is on record: it never goes with its material.
    expect((await desk.del(`/materials/${cap.id}`).expect(409)).body.detail).toMatch(
      /1 lot on record, 27 of it/,
    );
    const [lot] = (await desk.get(`/lots?material=${cap.id}`)).body as { id: number }[];
    await desk.del(`/lots/${lot!.id}`).expect(204);
    await desk.del(`/materials/${cap.id}`).expect(204);
    await desk.del(`/materials/${cap.id}`).expect(404);
  });
});

describe('shape', () => {
  it('refuses dials and materials that the pattern cannot read', async () => {
    const { tub, cap, design } = await withDesign(desk);
    const body = {
      name: 'X',
      pattern: 'drop-through',
      forGroup: 'Gulls',
      ageFrom: 18,
      ageTo: 30,
      skill: 'Pincer and release',
      copies: 1,
      approach: 'prepared shelf',
      dials: DIALS,
      materials: { container: [tub.id], piece: [cap.id] },
    };
    const path = async (part: object): Promise<string[]> =>
      (await desk.post('/designs', { ...body, ...part })).body.errors.map((e: { path: string }) => e.path);
    expect(await path({ dials: { ...DIALS, width: -1 } })).toEqual(['dials.width']);
    expect(await path({ materials: { container: [tub.id] } })).toEqual(['materials.piece']);
    expect(await path({ materials: { container: [cap.id], piece: [cap.id] } })).toEqual([
      'materials.container',
    ]);
    expect(await path({ materials: { container: [tub.id], piece: [999] } })).toEqual(['materials.piece']);
    expect(await path({ materials: { container: [tub.id], piece: [cap.id], hat: [cap.id] } })).toEqual([
      'materials.hat',
    ]);
    expect(await path({ pattern: 'magic' })).toEqual(['pattern']);
    expect(await path({ ageTo: 18 })).toEqual(['ageTo']);
    expect((await desk.get('/designs')).body).toHaveLength(1);
    await desk.get(`/designs/${design.id}`).expect(200);
    await desk.get('/designs/abc').expect(404);
    await desk.get('/designs/99999999999999').expect(404);
  });
  it('gives a stale screen the other version instead of overwriting it', async () => {
    const { design } = await withDesign(desk);
    const { id, version, ...rest } = design as never as Record<string, unknown> & {
      id: number;
      version: number;
    };
    const first = await desk
      .put(`/designs/${id}`, { ...rest, dials: { ...DIALS, width: 18 }, version })
      .expect(200);
    expect(first.body.version).toBe(2);
    const second = await desk
      .put(`/designs/${id}`, { ...rest, dials: { ...DIALS, width: 25 }, version })
      .expect(409);
    expect(second.body.current).toMatchObject({ version: 2, dials: { width: 18 } });
    expect((await desk.get(`/designs/${id}`)).body.dials.width).toBe(18);
  });
  it('of ten screens with one version, one wins', async () => {
    const { design } = await withDesign(desk);
    const { id, version, ...rest } = design as never as Record<string, unknown> & {
      id: number;
      version: number;
    };
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, i) => desk.put(`/designs/${id}`, { ...rest, copies: i + 1, version })),
    );
    expect(answers.map((r) => r.status).sort()).toEqual([200, ...Array<number>(9).fill(409)]);
  });
});

describe('make', () => {
  it('takes the stock and labels the kits, all or nothing', async () => {
    const { tub, cap, design } = await withDesign(desk);
    const r = await desk.post('/builds', { designId: design.id, version: 1, copies: 3 }).expect(201);
    expect(r.body.kits.map((c: { label: string }) => c.label)).toEqual(['FB-001a', 'FB-001b', 'FB-001c']);
    expect([await kept(tub.id), await kept(cap.id)]).toEqual([3, 3]);
    const short = await desk.post('/builds', { designId: design.id, version: 1, copies: 1 }).expect(422);
    expect(short.body.detail).toMatch(/5 × Cap short/);
    expect([await kept(tub.id), await kept(cap.id)]).toEqual([3, 3]);
    expect((await desk.get('/kits')).body).toHaveLength(3);
  });
  it('does not build a version that has moved on', async () => {
    const { design } = await withDesign(desk);
    const { id, version, ...rest } = design as never as Record<string, unknown> & {
      id: number;
      version: number;
    };
    await desk.put(`/designs/${id}`, { ...rest, copies: 5, version }).expect(200);
    await desk.post('/builds', { designId: id, version, copies: 1 }).expect(409);
  });
});

describe('lend', () => {
  const lendable = async () => {
    const { cap, design } = await withDesign(desk);
    const built = (await desk.post('/builds', { designId: design.id, version: 1, copies: 2 })).body.kits as {
      id: number;
      label: string;
    }[];
    const family = async (name: string): Promise<number> =>
      (await desk.post('/borrowers', { name, group: 'Gulls' }).expect(201)).body.id as number;
    return { cap, design, built, teal: await family('Teal Skiff'), grey: await family('Grey Punt') };
  };
  const kitNow = async (id: number) =>
    (await desk.get('/kits')).body.find((c: { id: number }) => c.id === id);

  it('two desks at once: one wins, the other is told who has it', async () => {
    const { built, teal, grey } = await lendable();
    const answers = await Promise.all(
      [teal, grey].map((borrowerId) =>
        desk.post('/loans', { kitId: built[0]!.id, borrowerId, dueOn: '2026-12-08' }),
      ),
    );
    expect(answers.map((r) => r.status).sort()).toEqual([201, 409]);
    const lost = answers.find((r) => r.status === 409)!.body;
    expect(lost.detail).toMatch(/FB-001a is with (Teal Skiff|Grey Punt) until 2026-12-08/);
    expect(lost.current.openLoan.borrower).toMatch(/Teal Skiff|Grey Punt/);
  });
  it('takes it back whole', async () => {
    const { built, teal } = await lendable();
    const loan = (await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn: '2026-12-08' }))
      .body;
    await desk.post(`/loans/${loan.id}/return`, { present: [1, 8], then: 'shelve' }).expect(200);
    expect(await kitNow(built[0]!.id)).toMatchObject({ openLoan: null, repair: false, lastCounted: TODAY });
    expect(
      (await desk.post(`/loans/${loan.id}/return`, { present: [1, 8], then: 'shelve' }).expect(409)).body
        .detail,
    ).toMatch(/came back on/);
  });
  it('records a missing piece, fills it from spares', async () => {
    const { cap, built, teal } = await lendable();
    expect(await kept(cap.id)).toBe(11);
    const loan = (await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn: '2026-12-08' }))
      .body;
    const back = await desk.post(`/loans/${loan.id}/return`, { present: [1, 6], then: 'fill' }).expect(200);
    expect(back.body.parts.map((p: { present: number }) => p.present)).toEqual([1, 8]);
    expect(await kept(cap.id)).toBe(9);
  });
  it('does not fill from an empty drawer, and the kit stays out', async () => {
    const { cap, built, teal } = await lendable();
    await desk.post(`/materials/${cap.id}/stock`, { by: -11 }).expect(200);
    const loan = (await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn: '2026-12-08' }))
      .body;
    expect(
      (await desk.post(`/loans/${loan.id}/return`, { present: [1, 7], then: 'fill' }).expect(422)).body
        .detail,
    ).toMatch(/0 of Cap are free on the shelf; 1 are missing/);
    expect((await kitNow(built[0]!.id)).openLoan).not.toBeNull();
    expect((await kitNow(built[0]!.id)).parts[1].present).toBe(8);
  });
  it('puts it in repair, lends it to nobody, and mends it', async () => {
    const { built, teal } = await lendable();
    const loan = (await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn: '2026-12-08' }))
      .body;
    await desk.post(`/loans/${loan.id}/return`, { present: [1, 7], then: 'repair' }).expect(200);
    await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn: '2026-12-08' }).expect(422);
    await desk.post(`/kits/${built[0]!.id}/count`, { present: [1, 7], then: 'fill' }).expect(200);
    expect(await kitNow(built[0]!.id)).toMatchObject({ repair: false, toClean: true });
    await desk.post(`/kits/${built[0]!.id}/state`, { to: 'cleaned' }).expect(200);
    await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn: '2026-12-08' }).expect(201);
  });
  it.each([
    [{ present: [1], then: 'shelve' }, 422, 'present'],
    [{ present: [1, 9], then: 'shelve' }, 422, 'present.1'],
    [{ present: [1, -1], then: 'shelve' }, 400, 'present.1'],
    [{ present: [1, 8], then: 'burn' }, 400, 'then'],
  ])('refuses the count %j', async (body, status, field) => {
    const { built, teal } = await lendable();
    const loan = (await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn: '2026-12-08' }))
      .body;
    const r = await desk.post(`/loans/${loan.id}/return`, body).expect(status);
    expect(r.body.errors[0].path).toBe(field);
  });
  it.each(['2026-11-23', '2028-01-01', '2026-02-30', 'soon'])(
    'refuses %s as the day it is due',
    async (dueOn) => {
      const { built, teal } = await lendable();
      const r = await desk.post('/loans', { kitId: built[0]!.id, borrowerId: teal, dueOn });
      expect([400, 422]).toContain(r.status);
      expect(r.body.errors[0].path).toBe('dueOn');
    },
  );
});

describe('watch, place and the tape', () => {
  it('keeps notes, newest first, and none from tomorrow', async () => {
    const { design } = await withDesign(desk);
    const note = {
      designId: design.id,
      child: 'G-04',
      level: 'Close slot',
      bits: 11.5,
      seconds: 90,
      count: 8,
      of: 'pieces',
      help: 'none',
      words: '',
      satOn: TODAY,
    };
    await desk.post('/notes', { ...note, satOn: '2026-11-20' }).expect(201);
    const climbed = [{ level: 'Loose slot', bits: 9.5, seconds: 60, count: null }];
    await desk.post('/notes', { ...note, before: climbed }).expect(201);
    expect((await desk.get('/notes')).body.map((n: { before: unknown }) => n.before)).toEqual([climbed, []]);
    expect(
      (await desk.post('/notes', { ...note, before: [{ ...climbed[0], bits: -1 }] }).expect(400)).body
        .errors[0].path,
    ).toBe('before.0.bits');
    expect((await desk.get('/notes')).body.map((n: { satOn: string }) => n.satOn)).toEqual([
      TODAY,
      '2026-11-20',
    ]);
    expect(
      (await desk.post('/notes', { ...note, satOn: '2026-11-25' }).expect(400)).body.errors[0].path,
    ).toBe('satOn');
    expect((await desk.post('/notes', { ...note, seconds: 0 }).expect(400)).body.errors[0].path).toBe(
      'seconds',
    );
    expect((await desk.del(`/designs/${design.id}`).expect(409)).body.detail).toMatch(/has notes/);
  });
  it('changes the place, from its latest version only', async () => {
    const { today, id: _, ...place } = (await desk.get('/place').expect(200)).body;
    expect(today).toBe(TODAY);
    const saved = (await desk.put('/place', { ...place, lengthUnit: 'in' }).expect(200)).body;
    expect(saved).toMatchObject({ lengthUnit: 'in', version: place.version + 1 });
    await desk.put('/place', { ...place, lengthUnit: 'mm' }).expect(409);
    await desk.put('/place', { ...place, version: saved.version, lengthUnit: 'cubit' }).expect(400);
  });
  it('counts what is so', async () => {
    const { design } = await withDesign(desk);
    const built = (await desk.post('/builds', { designId: design.id, version: 1, copies: 2 })).body.kits;
    const family = (await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls' })).body;
    await desk.post('/loans', { kitId: built[0].id, borrowerId: family.id, dueOn: TODAY }).expect(201);
    expect((await desk.get('/tape')).body).toEqual({
      gather: { kept: 2 },
      shape: { designs: 1 },
      check: { designs: 1 },
      price: { offers: 0 },
      make: { made: 2 },
      lend: { out: 1, late: 0 },
      watch: { notes: 0 },
    });
  });
  it('has a second tub nowhere', async () => {
    await desk.post('/materials', TUB).expect(201);
    await desk.post('/materials', TUB).expect(409);
  });
});
