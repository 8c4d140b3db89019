import { execFileSync } from 'node:child_process';
import { SLOT_DIALS } from '../../../core/testing.ts';
import type { Bundle } from '../../../contract/bundles.ts';
import { startTest, TUB, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const CAP = {
  name: 'Cap',
  form: 'disc',
  sizes: { diameter: 38, height: 14, wall: 1.4 },
  unit: 'each',
  kept: 40,
  materialClass: 'plastic',
  give: 0,
  hazards: [],
  colour: '#B0451A',
  mass: 3,
};
const CARD = {
  name: 'Card',
  form: 'sheet',
  sizes: { length: 297, width: 210, wall: 0.25 },
  unit: 'each',
  kept: 10,
  materialClass: 'card',
  give: 0,
  hazards: [],
  colour: '#E4DCC8',
  mass: 200,
};
/** A drop tub of eight caps and a count-out of six with 21 of the same caps, neither on the bench. */
async function two() {
  const made = async (path: string, body: unknown) =>
    (await desk.post(path, body).expect(201)).body as { id: number; version: number };
  const tub = await made('/materials', TUB);
  const cap = await made('/materials', CAP);
  const card = await made('/materials', CARD);
  const base = {
    forGroup: 'Gulls',
    ageFrom: 48,
    ageTo: 72,
    skill: 'Pincer and release',
    approach: 'grab bag',
    copies: 1,
    onBench: false,
  };
  const drop = await made('/designs', {
    ...base,
    name: 'Drop tub',
    pattern: 'drop-through',
    dials: SLOT_DIALS,
    materials: { container: [tub.id], piece: [cap.id] },
  });
  const count = await made('/designs', {
    ...base,
    name: 'Count pouch',
    pattern: 'count-out',
    dials: {
      from: 1,
      to: 6,
      shows: 'numeral',
      laid: 'all at once',
      tokens: 21,
      dice: 0,
      width: 70,
      height: 90,
    },
    materials: { token: [cap.id], card: [card.id] },
  });
  return { tub, cap, card, drop, count };
}
const shelf = async (id: number): Promise<number> =>
  ((await desk.get('/materials')).body as { id: number; kept: number }[]).find((m) => m.id === id)!.kept;

it('counts what its designs share once, names whose it is, and weighs it', async () => {
  const { drop, count, cap } = await two();
  const bundle = (
    await desk
      .post('/bundles', { name: 'Waiting bag', designs: [drop.id, count.id], container: null })
      .expect(201)
  ).body as Bundle;
  expect(bundle.designs.map((d) => d.name)).toEqual(['Drop tub', 'Count pouch']);
  expect(bundle.parts.find((p) => p.materialId === cap.id)).toMatchObject({
    due: 21,
    for: ['Drop tub', 'Count pouch'],
  });
  // 40 caps kept: one kit takes 21.
  expect(bundle).toMatchObject({ kitsNow: 1, first: 'Cap', made: 0, problem: null, carriedBy: 'child' });
  // Caps of 3 g; a sheet of card weighs 200 g a square metre; the tub’s mass is not known.
  expect(bundle.mass).toBe(Math.round(21 * 3 + 0.297 * 0.21 * 200));
  expect(bundle.unweighed).toEqual(['Tub']);
});

it('is made from the shelf all or nothing, labelled as one, lent and counted in like any other', async () => {
  const { drop, count, cap, tub } = await two();
  const bundle = (
    await desk.post('/bundles', { name: 'Waiting bag', designs: [drop.id, count.id], container: null })
  ).body as Bundle;
  const refused = (await desk.post(`/bundles/${bundle.id}/build`, { version: 1, copies: 2 }).expect(422))
    .body;
  expect(refused.errors[0]).toEqual({ path: 'copies', message: 'expected at most 1' });
  expect(await shelf(cap.id)).toBe(40);
  const made = (await desk.post(`/bundles/${bundle.id}/build`, { version: 1, copies: 1 }).expect(201)).body;
  expect(made.kits).toEqual([expect.objectContaining({ label: 'FB-K001a' })]);
  expect([await shelf(cap.id), await shelf(tub.id)]).toEqual([19, 5]);
  const [kit] = (await desk.get('/kits?label=FB-K001a')).body;
  expect(kit).toMatchObject({ design: 'Waiting bag', skill: 'Pincer and release' });
  const family = (await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls' })).body;
  const loan = (
    await desk.post('/loans', { kitId: kit.id, borrowerId: family.id, dueOn: '2026-12-08' }).expect(201)
  ).body;
  const present = kit.parts.map(
    (p: { due: number; materialId: number | null }) => p.due - (p.materialId === cap.id ? 2 : 0),
  );
  await desk.post(`/loans/${loan.id}/return`, { present, then: 'fill' }).expect(200);
  expect(await shelf(cap.id)).toBe(17);
  expect((await desk.get(`/borrowers/${family.id}/history`)).body.loans[0].design).toBe('Waiting bag');
  const labels = await desk.get(`/bundles/${bundle.id}/labels.pdf?paper=Letter`).expect(200);
  expect(labels.headers['content-disposition']).toContain('waiting-bag-labels.pdf');
  await desk.get(`/bundles/${bundle.id}/labels.pdf?paper=A3`).expect(400);
  // It is none of the drop tub’s own kits.
  expect((await desk.get(`/kits?design=${drop.id}`)).body).toEqual([]);
  expect((await desk.get('/bundles')).body[0].made).toBe(1);
});

it('keeps its designs, its name and its version', async () => {
  const { drop, count } = await two();
  const bundle = (
    await desk.post('/bundles', { name: 'Waiting bag', designs: [drop.id, count.id], container: null })
  ).body as Bundle;
  expect((await desk.del(`/designs/${count.id}`).expect(409)).body.detail).toMatch(/is in Waiting bag/);
  expect(
    (await desk.post('/bundles', { name: 'waiting bag', designs: [drop.id], container: null }).expect(409))
      .body.errors[0].path,
  ).toBe('name');
  const body = { name: 'Grab bag', designs: [drop.id], container: null };
  expect((await desk.put(`/bundles/${bundle.id}`, { ...body, version: 1 }).expect(200)).body).toMatchObject({
    name: 'Grab bag',
    version: 2,
  });
  expect(
    (await desk.put(`/bundles/${bundle.id}`, { ...body, version: 1 }).expect(409)).body.errors[0].path,
  ).toBe('version');
  await desk.del(`/bundles/${bundle.id}`).expect(204);
  await desk.del(`/designs/${count.id}`).expect(204);
});

it.each([
  ['no design', { name: 'Bag', designs: [], container: null }, 400, 'designs'],
  ['a design twice', { name: 'Bag', designs: [1, 1], container: null }, 400, 'designs'],
  ['an unknown design', { name: 'Bag', designs: [99], container: null }, 422, 'designs.0'],
  ['an unknown container', { name: 'Bag', designs: [1], container: 999 }, 422, 'container'],
] as const)('refuses %s', async (_, body, status, path) => {
  await two();
  expect((await desk.post('/bundles', body).expect(status)).body.errors[0].path).toBe(path);
});

it('goes out as a file and comes in at another place with its designs and materials', async () => {
  const { drop, count, tub } = await two();
  const bundle = (
    await desk.post('/bundles', { name: 'Waiting bag', designs: [drop.id, count.id], container: tub.id })
  ).body as Bundle;
  const file = (await desk.get(`/bundles/${bundle.id}/file`).expect(200)).body;
  const other = await startTest();
  const look = (await other.post('/bundles/file/look', { file }).expect(200)).body;
  expect(look).toMatchObject({ name: 'Waiting bag', container: { name: 'Tub', id: null } });
  expect(look.designs.map((d: { name: string }) => d.name)).toEqual(['Drop tub', 'Count pouch']);
  expect((await other.get('/designs')).body).toEqual([]);
  const made = (await other.post('/bundles/file', { file }).expect(201)).body as Bundle;
  expect(made.parts).toEqual(
    bundle.parts.map((p) => ({ ...p, materialId: p.materialId && (expect.any(Number) as number) })),
  );
  // The caps that both use came once, and the tub is the container too.
  expect((await other.get('/materials')).body).toHaveLength(3);
  expect((await other.get(`/bundles/${made.id}/file`)).body).toEqual(file);
  expect((await other.post('/bundles/file', { file }).expect(201)).body.name).toBe('Waiting bag, 2');
  expect(
    (await other.post('/bundles/file', { file: { ...file, version: 5 } }).expect(422)).body.detail,
  ).toMatch(/newer Fox Button/);
  expect(
    (await other.post('/bundles/file', { file: { ...file, file: 'fox-button-design' } }).expect(400)).body
      .errors[0].path,
  ).toBe('file');
  await other.close();
});

describe('a kit for families', () => {
  const bundle = async (words?: Record<string, string>): Promise<Bundle> => {
    const { drop, count } = await two();
    return (
      await desk
        .post('/bundles', { name: 'Grab bag', designs: [drop.id, count.id], container: null, words })
        .expect(201)
    ).body as Bundle;
  };
  /** The words of a paper, as a reader that is not ours finds them. */
  const wordsOf = async (path: string): Promise<string> => {
    const { body } = await desk
      .get(path)
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (c: Buffer) => parts.push(c));
        res.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200);
    return execFileSync('pdftotext', ['-layout', '-', '-'], { input: body as Buffer, encoding: 'utf8' });
  };

  it('gives parts away for good: as many times what is shared, nothing on the rail', async () => {
    const { id } = await bundle();
    const [before] = (await desk.get('/bundles').expect(200)).body as Bundle[];
    expect(before).toMatchObject({ id, givenTo: 0, made: 0 });
    expect(before!.designs.map((d) => d.levels.length > 2)).toEqual([true, true]);
    const cap = before!.parts.find((p) => p.name === 'Cap')!;
    const had = await shelf(cap.materialId!);
    await desk.post(`/bundles/${id}/give`, { version: 1, families: 2, prepared: true }).expect(422);
    const { body } = await desk
      .post(`/bundles/${id}/give`, { version: 1, families: 1, prepared: true })
      .expect(201);
    expect(body).toMatchObject({ families: 1 });
    expect(body.used).toContainEqual({ name: 'Cap', quantity: 21, unit: 'each' });
    expect(await shelf(cap.materialId!)).toBe(had - 21);
    const [after] = (await desk.get('/bundles').expect(200)).body as Bundle[];
    expect(after).toMatchObject({ givenTo: 1, made: 0 });
    expect((await desk.get('/kits').expect(200)).body).toEqual([]);
    // What families have been given stays known.
    await desk.del(`/bundles/${id}`).expect(409);
  });
  it('takes its own words along in its file, and a file of before has none', async () => {
    const { id } = await bundle({ es: 'Con calma.', en: 'Slowly.' });
    const { body: file } = await desk.get(`/bundles/${id}/file`).expect(200);
    expect(file).toMatchObject({ version: 4, kit: { words: { es: 'Con calma.', en: 'Slowly.' } } });
    const { body: again } = await desk.post('/bundles/file', { file }).expect(201);
    expect(again).toMatchObject({ name: 'Grab bag, 2', words: { es: 'Con calma.', en: 'Slowly.' } });
    const { words: _, ...before } = (file as { kit: Record<string, unknown> }).kit;
    const { body: old } = await desk
      .post('/bundles/file', { file: { ...file, version: 2, kit: before } })
      .expect(201);
    expect(old).toMatchObject({ name: 'Grab bag, 3', words: {} });
  });
  it('refuses what cannot be meant', async () => {
    const { id } = await bundle();
    const give = (body: object) => desk.post(`/bundles/${id}/give`, body);
    await give({ version: 1, families: 0, prepared: true }).expect(400);
    await give({ version: 1, families: 1 }).expect(400);
    await give({ version: 7, families: 1, prepared: false }).expect(409);
    await desk.get(`/bundles/${id}/picture-sheet.pdf?language=xx`).expect(400);
    await desk.get('/bundles/99/count-card.pdf').expect(404);
  });
  it('has a picture sheet: what to lay out, who cuts, how to play, what to mind', async () => {
    const { id } = await bundle();
    const prepared = await wordsOf(`/bundles/${id}/picture-sheet.pdf`);
    for (const words of [
      'Lay out',
      '21 × Cap',
      'Drop tub',
      'Count pouch',
      'Easier',
      'Take care',
      'done for you',
    ])
      expect(prepared).toContain(words);
    expect(prepared).not.toContain('an adult cuts');
    const atHome = await wordsOf(`/bundles/${id}/picture-sheet.pdf?prepared=no`);
    expect(atHome).toContain('an adult cuts, away from children');
    expect(atHome).not.toContain('done for you');
    expect(`${prepared}${atHome}`).not.toMatch(/\bsafe\b/i);
  });
  it('speaks Spanish from the steps to the cautions, after the place’s own words', async () => {
    const { id } = await bundle({ es: 'Pongan una tapa en cada punto.' });
    const sheet = await wordsOf(`/bundles/${id}/picture-sheet.pdf?language=es`);
    for (const words of [
      'Prepare',
      'De nuestra parte',
      'Pongan una tapa en cada punto.',
      'Meta cada pieza una vez',
      'Más fácil: Haga la abertura más ancha',
      'Cuidado · Borde cortado',
      'Pare mientras todavía va bien',
    ])
      expect(sheet).toContain(words);
    for (const english of ['Look for', 'the child', 'Cut edge', 'thumb and finger'])
      expect(sheet).not.toContain(english);
    // In a language that nobody wrote yet, the place's own words stand for the steps.
    const polish = await wordsOf(`/bundles/${id}/picture-sheet.pdf?language=pl`);
    expect(polish).toContain('Post every piece once');
    expect(await wordsOf(`/bundles/${id}/count-card.pdf?language=es`)).toContain('Cuente las piezas');
    expect(await wordsOf(`/bundles/${id}/count-card.pdf`)).toContain('Count the pieces');
  });
});

it('suggests quiet designs of one age that share their pieces', async () => {
  const { count } = await two();
  // A tub with a lid rattles; a shorter count is as quiet as the long one.
  expect((await desk.get('/bundles/suggested').expect(200)).body).toEqual([]);
  const { body: whole } = await desk.get(`/designs/${count.id}`);
  const {
    id: _,
    version: __,
    made: ___,
    ...long
  } = whole as {
    id: number;
    version: number;
    made: number;
    dials: object;
  };
  const short = { ...long, name: 'Short count', dials: { ...long.dials, to: 3, tokens: 6 } };
  const { id } = (await desk.post('/designs', short).expect(201)).body as { id: number };
  expect((await desk.get('/bundles/suggested').expect(200)).body).toEqual([
    {
      designs: [
        { id: count.id, name: 'Count pouch' },
        { id, name: 'Short count' },
      ],
      shared: [{ name: 'Cap', due: 21 }],
      saved: 6,
    },
  ]);
});
