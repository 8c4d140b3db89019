import { loadPattern } from '../../../core/patterns/index.ts';
import { kinds, material } from '../../../core/testing.ts';
import { startTest, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const base = { unit: 'each', give: 0, hazards: [], colour: '#BFA070' };
const TUBE = {
  ...base,
  name: 'Kitchen tube',
  form: 'tube',
  sizes: { diameter: 44, length: 279, wall: 0.6 },
  kept: 5,
  materialClass: 'card',
};
const DOWEL = {
  ...base,
  name: 'Dowel',
  form: 'piece',
  solid: 'rod',
  sizes: { diameter: 20, length: 300 },
  kept: 5,
  materialClass: 'wood',
};
type Row = { id: number; name: string; kept: number; form: string; sizes: { length?: number } };
const shelf = async (): Promise<Row[]> => (await desk.get('/materials').expect(200)).body as Row[];

async function rings(number: number, post: number): Promise<number> {
  const tube = (await desk.post('/materials', TUBE).expect(201)).body as Row;
  const dowel = (await desk.post('/materials', DOWEL).expect(201)).body as Row;
  const stack = await loadPattern('stack');
  const chosen = kinds({ post: material(2, DOWEL), part: material(1, TUBE) });
  const start = stack.defaults({ approach: 'prepared shelf', ageFrom: 30, chosen });
  const design = {
    name: 'Ring post',
    pattern: 'stack',
    forGroup: 'Gulls',
    ageFrom: 30,
    ageTo: 40,
    skill: 'Two hands together',
    approach: 'prepared shelf',
    copies: 2,
    onBench: true,
    dials: { ...start, number, height: 38, loss: 1, post },
    materials: { part: [tube.id], post: [dowel.id] },
  };
  return ((await desk.post('/designs', design).expect(201)).body as { id: number }).id;
}

it('what is left of a tube goes back on the shelf under its length, shorter ends do not', async () => {
  const designId = await rings(4, 200);
  // Two kits: eight rings of 38 with a saw of 1. Seven fill the first tube (272 of 279); one leaves 279 − 38 − 1 = 240.
  // Two posts of 200 leave 300 − 200 − 1 = 99 of a dowel each.
  const made = (await desk.post('/builds', { designId, version: 1, copies: 2 }).expect(201)).body as {
    offcuts: { name: string; count: number }[];
  };
  expect(made.offcuts).toEqual(
    expect.arrayContaining([
      { name: 'Kitchen tube, off-cut 240 mm', count: 1 },
      { name: 'Dowel, off-cut 99 mm', count: 2 },
    ]),
  );
  expect(made.offcuts).toHaveLength(2);
  const all = await shelf();
  expect(all.find((m) => m.name === 'Kitchen tube')!.kept).toBe(3);
  expect(all.find((m) => m.name === 'Kitchen tube, off-cut 240 mm')).toMatchObject({
    kept: 1,
    form: 'tube',
    sizes: { length: 240, diameter: 44 },
  });
  // The same length again is more of the same.
  await desk.post(`/designs/${designId}/batch`, { version: 1, copies: 1 }).expect(200);
  await desk.post('/builds', { designId, version: 2, copies: 1 }).expect(201);
  expect((await shelf()).find((m) => m.name === 'Dowel, off-cut 99 mm')!.kept).toBe(3);
});
