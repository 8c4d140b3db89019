import request from 'supertest';
import type { FilePreview } from '../../../contract/files.ts';
import { harmless, separatorOf, unharmed } from '../../formats/csv.ts';
import { CAP, startTest, TUB, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const preview = (kind: string, text: string | Buffer, type = 'text/csv') =>
  request(desk.app).post(`/api/files/${kind}/preview`).set('content-type', type).send(text);
const bring = async (kind: string, text: string): Promise<FilePreview> => {
  const p = (await preview(kind, text).expect(200)).body as FilePreview;
  expect(p.faults).toEqual([]);
  await desk.post('/files/confirm', { id: p.id }).expect(200);
  return p;
};
const out = async (kind: string, from: TestDesk = desk): Promise<string> =>
  (
    await from
      .get(`/files/${kind}.csv`)
      .expect(200)
      .expect('content-type', /text\/csv/)
  ).text;

const CEREAL_BOX = {
  ...TUB,
  name: 'Cereal box',
  sizes: { length: 190, width: 60, height: 290, wall: 0.5 },
  materialClass: 'card',
  grain: 'across',
  keepOut: [
    { panel: 'front', why: 'print', left: 0, top: 0, width: 190, height: 140.5 },
    { panel: 'left side', why: 'hole', left: 20, top: 30, width: 15, height: 15 },
  ],
};
const DOUGH = { ...TUB, name: 'Salt dough', form: 'consumable', sizes: {}, materialClass: 'food' };

describe('a spreadsheet’s habits', () => {
  it('semicolons, byte order mark, decimal commas, quoted breaks and inch marks are read right', async () => {
    const text = [
      '\ufeffName;Form;Diameter;Height;Wall;Class;Give',
      '"Cheese-box\nlid";disc;"4 1/4""";1,8 cm;1,5;card;0,05',
      '',
      'Cap; disc ;38;14;;plastic;0',
    ].join('\r\n');
    const p = await bring('materials', text);
    expect(p).toMatchObject({ rows: 2, adds: 2, changes: 0, faulty: 0 });
    const [cap, lid] = (await desk.get('/materials')).body as { name: string; sizes: object; give: number }[];
    expect(lid).toMatchObject({
      name: 'Cheese-box lid',
      sizes: { diameter: 107.95, height: 18, wall: 1.5 },
      give: 0.05,
    });
    expect(cap).toMatchObject({ name: 'Cap', sizes: { diameter: 38, height: 14 } });
  });
  it('tells the separator by the header, quotes apart', () => {
    expect(separatorOf('a,b,c')).toBe(',');
    expect(separatorOf('"a,b,c";d')).toBe(';');
    expect(separatorOf('a\tb\tc')).toBe('\t');
  });
});

describe('the letters of a file', () => {
  const body = 'name,form,diameter,height\nKäselid,disc,30,9\n';
  it.each([
    ['UTF-8', Buffer.from(body)],
    ['UTF-8', Buffer.from(`\ufeff${body}`)],
    ['Windows-1252', Buffer.from(body, 'latin1')],
    ['UTF-16', Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(body, 'utf16le')])],
    ['UTF-16', Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(body, 'utf16le')]).swap16()],
  ])('are read right: %s %#', async (encoding, bytes) => {
    const p = (await preview('materials', bytes).expect(200)).body as FilePreview;
    expect(p).toMatchObject({ encoding, rows: 1, faulty: 0 });
    expect(p.sample[0]![0]).toBe('Käselid');
  });
  it('that no text has are refused with their place, however late they come', async () => {
    const long = Buffer.concat([Buffer.from(`name,form\n${'Lid,disc\n'.repeat(40_000)}`), Buffer.from([0])]);
    const r = await preview('materials', long).expect(415);
    expect((r.body as { detail: string }).detail).toMatch(`byte ${long.length} is binary data`);
    // The server lives, and the next file is read.
    await preview('materials', body).expect(200);
  });
});

describe('a hostile file', () => {
  // Each of these once held everybody up for ten seconds to two minutes; how long they take now the bench shows.
  it.each([
    ['blank rows', `name,form\n${',,\n'.repeat(20_000)}`, 400, /no rows under its header/],
    ['line feeds', `name,form\n${'\n'.repeat(1_000_000)}`, 400, /no rows under its header/],
    ['a quote left open', `name,form\n"${'x,disc\n'.repeat(1_400_000)}`, 413, /quote is left open/],
    [
      'too many columns',
      `name,form\n${`${','.repeat(100_000)}\n`.repeat(20)}`,
      413,
      /row 2 has 100001 cells/,
    ],
    ['too long a cell', `name,form\n${'x'.repeat(30_000)},disc`, 413, /a cell of row 2/],
  ] as const)('of %s is refused whole, with the reason', async (_, text, status, words) => {
    const r = await preview('materials', text).expect(status);
    expect((r.body as { detail: string }).detail).toMatch(words);
  });
});

describe('the preview', () => {
  it('shows each faulty row with its reason, and nothing can be confirmed', async () => {
    const text = [
      'name,form,diameter,height,unit',
      'Lid,disc,thirty,9,each',
      'Cap,disc,38,14,each',
      'cap,disc,38,14,each',
      'Tub,vessel,95,110,each',
      '=1+1,disc,30,9,each',
      'Wide,disc,30,,dozen',
      'Long,disc,30,9,each,more',
    ].join('\n');
    const p = (await preview('materials', text).expect(200)).body as FilePreview;
    expect(p).toMatchObject({ rows: 7, faulty: 6 });
    expect(p.faults.map((f) => [f.row, f.column])).toEqual([
      [2, 'diameter'],
      [4, 'name'],
      [5, 'form'],
      [6, 'name'],
      [7, 'unit'],
      [8, 'unit'],
    ]);
    expect(p.faults[0]).toMatchObject({ value: 'thirty', message: expect.stringContaining('not a length') });
    await desk.post('/files/confirm', { id: p.id }).expect(404);
    expect((await desk.get('/materials')).body).toEqual([]);
  });
  it('names what a form lacks', async () => {
    const p = (await preview('materials', 'name,form,height\nLid,disc,9').expect(200)).body as FilePreview;
    expect(p.faults).toEqual([
      { row: 2, column: 'diameter', value: '', message: 'a disc needs its diameter in mm' },
    ]);
  });
  it.each([
    ['name,shape\nA,disc', 400, 'file.form'],
    ['name,form,name\nA,disc,B', 400, 'file.name'],
    ['name,form', 400, 'file'],
    ['', 400, 'file'],
    [Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 1, 2]), 415, 'file'],
    [Buffer.from([0xff, 0xfe, 0x41, 0xd8, 0x41]), 415, 'file'],
    [Buffer.from('name,form\nCaf\x81,disc', 'latin1'), 415, 'file'],
    [','.repeat(3_000_000), 413, 'file'],
    [`name,form\n${'x'.repeat(300_000)},disc`, 413, 'file'],
  ])('refuses what is no shelf %#', async (text, status, path) => {
    const r = await preview('materials', text)
      .expect(status)
      .expect('content-type', /problem\+json/);
    expect((r.body as { errors: { path: string }[] }).errors.map((e) => e.path)).toContain(path);
  });
  it('refuses the wrong media type and kind', async () => {
    await preview('materials', 'name,form\nA,disc', 'application/json').expect(415);
    await preview('kites', 'a\nb').expect(404);
    await desk.post('/files/confirm', { id: 'nothing' }).expect(400);
  });
});

describe('out and in again', () => {
  const shelf = async (): Promise<void> => {
    const minus = {
      ...TUB,
      name: '-Tub, "wide" =1',
      catalogue: 'yogurt-tub',
      mass: 17.25,
      cleaning: 'wash',
      allergens: ['milk'],
      hazards: ['sharp edge'],
    };
    const { id } = (await desk.post('/materials', minus).expect(201)).body as { id: number };
    await desk.post('/materials', { ...CAP, name: "'=quoted", give: 0.125, kept: 3 }).expect(201);
    await desk.post('/materials', CEREAL_BOX).expect(201);
    await desk.post('/materials', { ...DOUGH, keeping: { out: 2.5, closed: 14 } }).expect(201);
    await desk
      .post('/finds', {
        materialId: id,
        quantity: 4,
        from: '@skiff',
        cameOn: '2026-10-31',
        sizes: { diameter: 96.53, height: 111 },
        look: { clean: 'sticky', gap: 2.5, closes: 'yes' },
      })
      .expect(201);
    await desk
      .post('/finds', { catalogue: 'toilet-tube', quantity: 9, look: { held: 'toilet roll' } })
      .expect(201);
    const s = (await desk.post('/suppliers', { name: 'Pier; old', delivery: 350 }).expect(201)).body as {
      id: number;
    };
    await desk
      .post('/offers', {
        name: 'Mixed',
        supplierId: s.id,
        price: 1005,
        contents: [
          { materialId: id, quantity: 2 },
          { materialId: id + 1, quantity: 18 },
        ],
      })
      .expect(201);
  };
  it('says in a file what of a box cannot be cut, and which of it was not understood', async () => {
    await shelf();
    const files = await out('materials');
    expect(files).toContain('across,front print 0 0 190 140.5; left side hole 20 30 15 15,');
    expect(files).toContain(',2.5,14,');
    const faults = async (keepOut: string) =>
      (
        (
          await preview(
            'materials',
            `name,form,length,width,wall,keep_out\nPanel,sheet,100,80,1,${keepOut}\n`,
          )
        ).body as FilePreview
      ).faults.map((f) => `${f.column}: ${f.message}`);
    expect(await faults('sheet print 0 0 90 70')).toEqual([]);
    expect(await faults('sheet print 0 0 90')).toEqual([
      'keep_out: “sheet print 0 0 90” is no place; expected one like front print 0 0 190 80',
    ]);
    expect(await faults('front print 0 0 9 9')).toEqual([
      expect.stringContaining('keep_out: a sheet has no such panel'),
    ]);
    expect(await faults('sheet hole 50 0 60 10')).toEqual([
      'keep_out: reaches beyond the panel; expected at most 100 × 80 mm',
    ]);
  });
  it('loses nothing, cell for cell', async () => {
    await shelf();
    const files = { materials: await out('materials'), lots: await out('lots'), offers: await out('offers') };
    expect(files.materials).toContain('"\'-Tub, ""wide"" =1"');
    for (const line of files.materials.split('\r\n').slice(1)) expect(line).not.toMatch(/(^|,)"?[=+@-][^\d]/);
    const first = desk;
    desk = await startTest();
    for (const kind of ['materials', 'lots', 'offers'] as const) await bring(kind, files[kind]);
    expect(await out('materials')).toBe(files.materials);
    expect(await out('lots')).toBe(files.lots);
    expect(await out('offers')).toBe(files.offers);
    // Once more into the same place changes, and adds nothing.
    const again = await bring('lots', files.lots);
    expect(again).toMatchObject({ adds: 0, changes: 6 });
    expect(await out('lots')).toBe(files.lots);
    await first.close();
  });
  it('makes cells harmless and back', () => {
    for (const text of ['=1', '+1', '-1', '@a', "'=1", "''+x", '\tx', 'plain', "'plain", '']) {
      expect(harmless(text)).not.toMatch(/^[=+\-@\t\r]/);
      expect(unharmed(harmless(text))).toBe(text);
    }
  });
  it('writes all or nothing', async () => {
    await desk.post('/materials', CAP).expect(201);
    const rows = Array.from({ length: 1200 }, () => 'Cap,1,2026-11-01').join('\n');
    const p = (await preview('lots', `material,quantity,came_on\n${rows}`).expect(200)).body as FilePreview;
    const [cap] = (await desk.get('/materials')).body as { id: number; version: number }[];
    const { id, version } = cap!;
    await desk.put(`/materials/${id}`, { ...CAP, kept: undefined, name: 'Other', version }).expect(200);
    const r = await desk.post('/files/confirm', { id: p.id }).expect(409);
    expect((r.body as { detail: string }).detail).toMatch(/nothing was written/);
    expect((await desk.get('/lots')).body).toHaveLength(1);
  });
  it('checks lots and offers row by row', async () => {
    await desk.post('/materials', CAP).expect(201);
    const lots = (
      await preview(
        'lots',
        'material,quantity,came,came_on,state,ready_on,clean,length\nCap,5,3,2026-11-01,ready,,clean,\nBox,1,1,2026-11-01,ready,,,\nCap,1,1,1.11.2026,ready,,,\nCap,1,1,2026-11-01,resting,,,\nCap,1,1,2026-11-01,ready,,shiny,9',
      ).expect(200)
    ).body as FilePreview;
    expect(lots.faults.map((f) => [f.row, f.column])).toEqual([
      [2, 'quantity'],
      [3, 'material'],
      [4, 'came_on'],
      [5, 'ready_on'],
      [6, 'length'],
      [6, 'clean'],
    ]);
    const offers = (
      await preview(
        'offers',
        'supplier,pack,price,material,quantity\nPier,Caps,"2,40",Cap,18\nPier,Caps,2.40,Cap,18\n,Caps,free,Cap,0',
      ).expect(200)
    ).body as FilePreview;
    expect(offers.faults.map((f) => [f.row, f.column])).toEqual([
      [3, 'supplier'],
      [4, 'supplier'],
      [4, 'price'],
      [4, 'quantity'],
    ]);
  });
  it('shows before anything is written where rows of one pack disagree', async () => {
    await desk.post('/materials', CAP).expect(201);
    await desk.post('/materials', TUB).expect(201);
    const rows = [
      'Pier,3.50,Both,9.90,Cap,18,',
      'Pier,3.50,Both,9.80,Tub,2,',
      'pier,4.00,Caps,2.40,Cap,18,a',
      'Loft,4.00,Caps,2.40,Cap,18,b',
    ];
    const p = (
      await preview(
        'offers',
        `supplier,delivery,pack,price,material,quantity,shop_key\n${rows.join('\n')}`,
      ).expect(200)
    ).body as FilePreview;
    expect(p.faults.map((f) => [f.row, f.column, f.message])).toEqual([
      [3, 'price', 'row 2 says “9.90” for the same; expected one price'],
      [4, 'delivery', 'row 2 says “3.50” for the same; expected one delivery'],
    ]);
  });
  it('brings many new packs, each with its price of the day, and takes over changed ones', async () => {
    await desk.post('/materials', CAP).expect(201);
    const file = (from: number, price: string): string =>
      `supplier,pack,price,material,quantity\n${Array.from({ length: 1100 }, (_, i) => `Pier,Pack ${from + i},${price},Cap,${1 + (i % 40)}`).join('\n')}`;
    expect(await bring('offers', file(0, '2.40'))).toMatchObject({ adds: 1100, changes: 0 });
    expect(await bring('offers', file(550, '2.60'))).toMatchObject({ adds: 550, changes: 550 });
    const offers = (await desk.get('/offers')).body as { id: number; name: string; price: number }[];
    expect(offers).toHaveLength(1650);
    expect(new Set(offers.map((o) => o.id)).size).toBe(1650);
    const seen = (await desk.get('/prices')).body as { offerId: number; price: number }[];
    // One look a day: the later price stands, for every pack and its own id.
    expect(seen).toHaveLength(1650);
    const priceOf = new Map(seen.map((x) => [x.offerId, x.price]));
    for (const o of offers) {
      expect(o.price).toBe(Number(o.name.slice(5)) < 550 ? 240 : 260);
      expect(priceOf.get(o.id)).toBe(o.price);
    }
    // A pack added by hand afterwards gets a number of its own.
    const { id: supplierId } = ((await desk.get('/suppliers')).body as { id: number }[])[0]!;
    const material = ((await desk.get('/materials')).body as { id: number }[])[0]!.id;
    const more = (
      await desk
        .post('/offers', {
          supplierId,
          name: 'By hand',
          price: 100,
          contents: [{ materialId: material, quantity: 1 }],
        })
        .expect(201)
    ).body as { id: number };
    expect(offers.some((o) => o.id === more.id)).toBe(false);
  });
});
