import type { FindAnswer, Lot } from '../../../contract/lots.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import { DesignRow } from '../../db/entities.ts';
import { atOf, chosenFor } from '../shape/service.ts';
import { onShelf } from './shelf.ts';
import { CAP, startTest, TODAY, TUB, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const find = async (body: object): Promise<FindAnswer> =>
  (await desk.post('/finds', { quantity: 1, look: {}, ...body }).expect(201)).body as FindAnswer;
const materialNamed = async (name: string) =>
  ((await desk.get('/materials')).body as { id: number; name: string; kept: number; waiting: number }[]).find(
    (m) => m.name === name,
  )!;

describe('a find', () => {
  it('of the catalogue brings its material along, and the next goes to the same', async () => {
    const a = await find({ catalogue: 'milk-cap', quantity: 5, from: 'Teal Skiff' });
    expect(a).toMatchObject({ outcome: 'keep', material: 'Milk-bottle cap' });
    expect(a.lot).toMatchObject({ quantity: 5, came: 5, from: 'Teal Skiff', state: 'ready', cameOn: TODAY });
    const b = await find({ catalogue: 'milk-cap', quantity: 2 });
    expect(b.lot.materialId).toBe(a.lot.materialId);
    expect(await materialNamed('Milk-bottle cap')).toMatchObject({ kept: 7, waiting: 0 });
  });
  it('waits, rests or is refused by what was seen, and counts only when it is ready', async () => {
    await find({ catalogue: 'yogurt-tub', look: { clean: 'sticky' }, quantity: 2 });
    await find({ catalogue: 'yogurt-tub', look: { held: 'raw meat or fish' } });
    const rest = await find({ catalogue: 'toilet-tube', look: { held: 'toilet roll' }, quantity: 3 });
    expect(rest).toMatchObject({ outcome: 'rest', until: '2026-11-27' });
    expect(await materialNamed('Yogurt tub, 500 g')).toMatchObject({ kept: 0, waiting: 2 });
    expect(await materialNamed('Toilet-roll tube')).toMatchObject({ kept: 0, waiting: 3 });
    // What rested is on the shelf by itself when its day has come.
    const ready = await onShelf(desk.serverContext.em(), '2026-11-27');
    expect(ready.get(rest.lot.materialId)).toEqual({ kept: 3, waiting: 0, clean: true });
  });
  it('goes by the local policy of the place', async () => {
    const place = (await desk.get('/place')).body as Record<string, unknown>;
    const { today: _, id: __, ...fields } = place;
    await desk.put('/place', { ...fields, eggCartons: 'never', toiletRolls: 'keep' }).expect(200);
    expect(await find({ catalogue: 'egg-carton', look: { held: 'eggs' } })).toMatchObject({
      outcome: 'never',
    });
    expect(await find({ catalogue: 'toilet-tube', look: { held: 'toilet roll' } })).toMatchObject({
      outcome: 'keep',
    });
  });
  it.each([
    [{ quantity: 1, look: {} }, 400, 'materialId'],
    [{ quantity: 0, look: {}, catalogue: 'milk-cap' }, 400, 'quantity'],
    [{ quantity: 1, look: { clean: 'shiny' }, catalogue: 'milk-cap' }, 400, 'look.clean'],
    [{ quantity: 1, look: {}, catalogue: 'dragon-scale' }, 422, 'catalogue'],
    [{ quantity: 1, look: {}, catalogue: 'milk-cap', sizes: { length: 5 } }, 422, 'sizes.length'],
    [{ quantity: 1, look: {}, catalogue: 'milk-cap', cameOn: '2026-11-25' }, 422, 'cameOn'],
    [{ quantity: 1, look: {}, catalogue: 'milk-cap', cameOn: '2026-02-30' }, 400, 'cameOn'],
  ])('names what is wrong %#', async (body, status, path) => {
    const r = await desk.post('/finds', body).expect(status);
    expect((r.body as { errors: { path: string }[] }).errors.map((e) => e.path)).toContain(path);
    expect((await desk.get('/lots')).body).toEqual([]);
  });
});

describe('lots', () => {
  it('are cleaned, counted and measured, each against its latest state', async () => {
    const { lot } = await find({ catalogue: 'yogurt-tub', look: { clean: 'dusty' }, quantity: 4 });
    const cleaned = (await desk.put(`/lots/${lot.id}`, { version: lot.version, state: 'ready' }).expect(200))
      .body as Lot;
    expect(cleaned.state).toBe('ready');
    const stale = await desk.put(`/lots/${lot.id}`, { version: lot.version, quantity: 1 }).expect(409);
    expect((stale.body as { current: Lot }).current).toMatchObject({ state: 'ready', quantity: 4 });
    await desk
      .put(`/lots/${lot.id}`, { version: cleaned.version, quantity: 3, sizes: { diameter: 97, height: 112 } })
      .expect(200);
    expect(await materialNamed('Yogurt tub, 500 g')).toMatchObject({
      kept: 3,
      measured: { most: { diameter: 97, height: 112 }, least: { diameter: 97, height: 112 } },
    });
    await desk.put(`/lots/${lot.id}`, { version: 3, quantity: 9 }).expect(422);
    await desk.put(`/lots/${lot.id}`, { version: 3, state: 'resting' }).expect(400);
  });
  it('are used up the oldest first, never what waits', async () => {
    const { id } = (await desk.post('/materials', { ...CAP, kept: 0 }).expect(201)).body as { id: number };
    const old = await find({ materialId: id, quantity: 3, cameOn: '2026-10-01' });
    await find({ materialId: id, quantity: 5, look: { clean: 'sticky' }, cameOn: '2026-09-01' });
    const late = await find({ materialId: id, quantity: 4 });
    await desk.post(`/materials/${id}/stock`, { by: -5 }).expect(200);
    const left = (await desk.get(`/lots?material=${id}`)).body as Lot[];
    expect(left.map((l) => [l.id, l.quantity])).toEqual([
      [late.lot.id, 2],
      [late.lot.id - 1, 5],
      [old.lot.id, 0],
    ]);
    const r = await desk.post(`/materials/${id}/stock`, { by: -3 }).expect(422);
    expect((r.body as { detail: string }).detail).toBe('Only 2 of Cap are kept.');
  });
  it('entered by mistake are taken back, unless some were used', async () => {
    const { lot } = await find({ catalogue: 'milk-cap', quantity: 3 });
    await desk.post(`/materials/${lot.materialId}/stock`, { by: -1 }).expect(200);
    await desk.del(`/lots/${lot.id}`).expect(409);
    const other = await find({ catalogue: 'milk-cap', quantity: 3 });
    await desk.del(`/lots/${other.lot.id}`).expect(204);
    await desk.del(`/lots/${other.lot.id}`).expect(404);
    expect(await materialNamed('Milk-bottle cap')).toMatchObject({ kept: 2 });
  });
  it('measured larger than nominal change what a design is made for', async () => {
    const { cap, design } = await withDesign(desk);
    await find({ materialId: cap.id, quantity: 2, sizes: { diameter: 41 } });
    const {
      dials,
      version: _,
      id: __,
      made: ___,
      ...rest
    } = (await desk.get(`/designs/${design.id}`)).body as {
      dials: object;
    } & Record<string, unknown>;
    // A slot of 40 mm let the nominal cap of 38 through; now it is known to be too short by a hair.
    const kept = await desk.post('/designs', { ...rest, dials: { ...dials, length: 40 } }).expect(201);
    const sheet = await desk.serverContext
      .em()
      .findOneOrFail(DesignRow, { id: (kept.body as { id: number }).id });
    const { chosen } = await chosenFor(desk.serverContext.em(), sheet.materials, TODAY);
    expect((await loadPattern('drop-through')).fit(atOf(sheet, chosen))).toMatchObject({
      verdict: 'stop',
      headline: 'Does not go through',
    });
    const shelf = await materialNamed('Cap');
    expect(shelf).toMatchObject({ kept: 29, measured: { most: { diameter: 41 } } });
  });
  it('are made into kits all or nothing', async () => {
    const { tub, design } = await withDesign(desk);
    await desk.post('/builds', { designId: design.id, version: design.version, copies: 2 }).expect(201);
    expect(await materialNamed('Cap')).toMatchObject({ kept: 11 });
    await desk.post('/builds', { designId: design.id, version: design.version, copies: 2 }).expect(422);
    expect(await materialNamed('Tub')).toMatchObject({ id: tub.id, kept: TUB.kept - 2 });
  });
});
