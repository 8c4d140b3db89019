import { designFile } from '../../../contract/designFile.ts';
import { asMaterial, entryOf } from '../../../core/catalogue/index.ts';
import { SLOT_DIALS } from '../../../core/testing.ts';
import { startTest, TUB, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
let other: TestDesk;
beforeAll(async () => {
  desk = await startTest();
  other = await startTest();
});
afterAll(async () => {
  await desk.close();
  await other.close();
});

const CAP = {
  name: 'Cap',
  form: 'disc',
  sizes: { diameter: 38, height: 14, wall: 1.4 },
  unit: 'each',
  kept: 20,
  materialClass: 'plastic',
  give: 0,
  hazards: [],
  colour: '#B0451A',
};
const madeAt = async (at: TestDesk) => {
  const tub = (await at.post('/materials', TUB).expect(201)).body.id as number;
  const cap = (await at.post('/materials', CAP).expect(201)).body.id as number;
  const design = {
    name: 'Drop tub',
    pattern: 'drop-through',
    forGroup: 'Gulls',
    ageFrom: 36,
    ageTo: 60,
    skill: 'Pincer and release',
    approach: 'graded play',
    copies: 3,
    dials: SLOT_DIALS,
    materials: { container: [tub], piece: [cap] },
  };
  return (await at.post('/designs', design).expect(201)).body as { id: number; dials: object };
};
const fileOf = async (at: TestDesk, id: number) => (await at.get(`/designs/${id}/file`).expect(200)).body;
const look = (file: unknown, status = 200) => other.post('/designs/file/look', { file }).expect(status);
const open = (file: unknown, status = 201, takeNearest = false) =>
  other.post('/designs/file', { file, takeNearest }).expect(status);

let file: ReturnType<typeof designFile.parse>;
beforeAll(async () => {
  const { id } = await madeAt(desk);
  file = await fileOf(desk, id);
});

it('carries what of a find cannot be cut, its grain and how long it keeps', async () => {
  const box = {
    ...TUB,
    name: 'Printed box',
    sizes: { length: 190, width: 60, height: 290, wall: 0.5 },
    materialClass: 'card',
    grain: 'across',
    keepOut: [{ panel: 'back', why: 'hole', left: 5, top: 6, width: 70, height: 80 }],
    keeping: { closed: 30 },
  };
  const { id: container } = (await desk.post('/materials', box).expect(201)).body as { id: number };
  const { id: piece } = (await desk.post('/materials', { ...CAP, name: 'Cap of the box' }).expect(201))
    .body as { id: number };
  const { id: made } = (
    await desk
      .post('/designs', {
        name: 'Drop box',
        pattern: 'drop-through',
        forGroup: 'Gulls',
        ageFrom: 36,
        ageTo: 60,
        skill: 'Pincer and release',
        approach: 'graded play',
        copies: 1,
        dials: SLOT_DIALS,
        materials: { container: [container], piece: [piece] },
      })
      .expect(201)
  ).body as { id: number };
  const whole = await fileOf(desk, made);
  expect(JSON.stringify(whole)).toContain('"keepOut":[{"panel":"back","why":"hole"');
  await open(whole);
  const there = ((await other.get('/materials')).body as { name: string }[]).find(
    (m) => m.name === 'Printed box',
  );
  const { grain, keepOut, keeping } = box;
  expect(there).toMatchObject({ grain, keepOut, keeping, kept: 0 });
});

it('carries a design to another place and back: nothing is lost', async () => {
  expect(designFile.parse(file)).toEqual(file);
  const told = (await look(file)).body;
  expect(told).toMatchObject({ name: 'Drop tub', patternName: 'Drop-through', nearest: [], isThere: false });
  expect(told.materials.map((m: { id: number | null }) => m.id)).toEqual([null, null]);
  const made = (await open(file)).body;
  expect(made).toMatchObject({ copies: 3, made: 0, onBench: false });
  expect(await fileOf(other, made.id)).toEqual(file);
  // What came with it is on the shelf now, none kept, and is not added twice.
  expect((await look(file)).body.materials.every((m: { id: number | null }) => m.id !== null)).toBe(true);
  const count = (await other.get('/materials')).body.length;
  await open(file);
  expect((await other.get('/materials')).body).toHaveLength(count);
  expect((await other.get('/materials')).body.every((m: { kept: number }) => m.kept === 0)).toBe(true);
});

it('names what is as the catalogue has it by its key, what was changed whole', async () => {
  const { id } = (await desk.post('/materials', asMaterial(entryOf('milk-cap')!)).expect(201)).body;
  const tub = (await desk.get('/materials')).body.find((m: { name: string }) => m.name === 'Tub').id;
  const design = { ...file.design, name: 'By key', materials: { container: [tub], piece: [id] } };
  const made = (await desk.post('/designs', design).expect(201)).body;
  const { materials } = (await fileOf(desk, made.id)).design;
  expect(materials.piece).toEqual([{ catalogue: 'milk-cap' }]);
  expect(materials.container[0]).toMatchObject({ name: 'Tub', form: 'container' });
});

it('a material of the same name but other sizes is another one', async () => {
  const larger = structuredClone(file) as typeof file & {
    design: { materials: { piece: { sizes: object }[] } };
  };
  larger.design.materials.piece[0]!.sizes = { diameter: 40, height: 14, wall: 1.4 };
  const made = (await open(larger)).body;
  const shelf = (await other.get('/materials')).body as { id: number; name: string }[];
  expect(shelf.find((m) => m.id === made.materials.piece[0])!.name).toBe('Cap, 2');
});

it('carries an older version forward: one material a role, the approach among the dials', async () => {
  const { approach, ...design } = file.design;
  const old = {
    file: 'fox-button-design',
    version: 1,
    design: {
      ...design,
      dials: { ...design.dials, approach },
      materials: Object.fromEntries(Object.entries(design.materials).map(([r, [m]]) => [r, m])),
    },
  };
  expect((await look(old)).body).toMatchObject({ version: 1, nearest: [] });
  const made = (await open(old)).body;
  expect(made).toMatchObject({ approach: 'graded play', dials: file.design.dials });
});

it('reads the version before as it stands, and takes no child’s code from a file', async () => {
  expect((await look({ ...file, version: 2 })).body).toMatchObject({ version: 2, nearest: [] });
  const coded = { ...file, design: { ...file.design, child: 'P-02' } };
  expect((await look(coded, 400)).body.errors[0].path).toMatch(/design/);
});

it('refuses a newer one with a clear word', async () => {
  const answer = (await look({ ...file, version: 5 }, 422)).body;
  expect(answer.detail).toMatch(/from a newer Fox Button; this one reads up to 4/);
  expect(answer.errors[0].path).toBe('file.version');
});

it('offers the nearest where dials are out of range, and takes it only when asked', async () => {
  const far = {
    ...file,
    design: { ...file.design, dials: { ...file.design.dials, pieces: 900, tool: 'teeth', glitter: true } },
  };
  const { nearest } = (await look(far)).body as { nearest: { dial: string; is: unknown }[] };
  const byDial = Object.fromEntries(nearest.map((n) => [n.dial, n.is]));
  expect(byDial.pieces).toBeLessThan(900);
  expect(byDial.tool).toBe('fingers');
  expect('glitter' in byDial).toBe(true);
  expect((await open(far, 422)).body.errors.map((e: { path: string }) => e.path)).toContain(
    'design.dials.pieces',
  );
  const made = (await open(far, 201, true)).body;
  expect(made.dials).toMatchObject({ pieces: byDial.pieces, tool: 'fingers' });
  expect(made.dials).not.toHaveProperty('glitter');
});

describe('what is hostile is told', () => {
  const deep = (n: number): unknown => JSON.parse('['.repeat(n) + ']'.repeat(n));
  it.each([
    ['too deep', () => ({ ...file, design: { ...file.design, dials: { a: deep(4000) } } }), 422, 'file'],
    [
      'too large',
      () => ({ ...file, design: { ...file.design, dials: { a: 'x'.repeat(300_000) } } }),
      422,
      'file',
    ],
    [
      'an unknown family',
      () => ({ ...file, design: { ...file.design, pattern: 'trebuchet' } }),
      422,
      'design.pattern',
    ],
    ['no version', () => ({ file: 'fox-button-design', design: file.design }), 422, 'file.version'],
    ['another file', () => ({ ...file, file: 'recipe' }), 400, 'file'],
    [
      'an unknown role',
      () => ({ ...file, design: { ...file.design, materials: { anchor: [] } } }),
      422,
      'design.materials.anchor',
    ],
    [
      'an unknown key',
      () => ({
        ...file,
        design: {
          ...file.design,
          materials: { ...file.design.materials, piece: [{ catalogue: 'moon-rock' }] },
        },
      }),
      422,
      'design.materials.piece.0.catalogue',
    ],
    ['a list', () => [1, 2], 422, 'file.version'],
    ['nothing', () => null, 422, 'file.version'],
  ] as [string, () => unknown, number, string][])('%s', async (_, of, status, path) => {
    const before = (await other.get('/designs')).body.length;
    for (const answer of [await look(of(), status), await open(of(), status)])
      expect(answer.body.errors[0].path).toBe(path);
    expect((await other.get('/designs')).body).toHaveLength(before);
  });
});

it('publishes the schema that a file must keep to', async () => {
  const schema = (await desk.get('/schemas/design').expect(200)).body;
  expect(schema.properties.version.const).toBe(4);
  expect(Object.keys(schema.properties.design.properties)).toEqual(
    expect.arrayContaining(Object.keys(file.design)),
  );
});
