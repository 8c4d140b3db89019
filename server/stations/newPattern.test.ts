import type { Design } from '../../contract/designs.ts';
import type { Kit } from '../../contract/lending.ts';
import { addPattern } from '../../core/patterns/index.ts';
import { CAP, startTest, type TestDesk } from '../testing.ts';

// One line, as a pattern of the house has it; everything below is what the house does with it.
addPattern('ring-mat', async () => (await import('../../core/testingPattern/index.ts')).ringMat);

let desk: TestDesk;
beforeAll(async () => {
  desk = await startTest();
});
afterAll(() => desk.close());

it('a pattern that nothing else knows goes from shelf to note', async () => {
  const cap = (await desk.post('/materials', CAP).expect(201)).body as { id: number };
  const card = (
    await desk
      .post('/materials', {
        name: 'Card',
        form: 'sheet',
        sizes: { length: 297, width: 210, wall: 0.3 },
        unit: 'each',
        kept: 2,
        materialClass: 'card',
        give: 0,
        hazards: [],
        colour: '#ffffff',
      })
      .expect(201)
  ).body as { id: number };
  const design = (
    await desk
      .post('/designs', {
        name: 'Rings',
        pattern: 'ring-mat',
        forGroup: 'Seals',
        ageFrom: 36,
        ageTo: 48,
        skill: 'Pincer and release',
        approach: 'prepared shelf',
        copies: 4,
        dials: { lids: 5, loose: 10 },
        materials: { lid: [cap.id], card: [card.id] },
      })
      .expect(201)
  ).body as Design;
  const wrong = await desk.put(`/designs/${design.id}`, {
    ...design,
    id: undefined,
    dials: { lids: 50, loose: 10 },
  });
  expect([wrong.status, wrong.body.errors[0].path]).toEqual([422, 'dials.lids']);

  const asked = (
    await desk.post('/compute/pattern', { pattern: 'ring-mat', materials: { lid: [cap.id] } }).expect(200)
  ).body;
  expect(asked.fit.facts).toEqual([
    { id: 'ring', label: 'Ring', value: 48, unit: 'mm', onMat: true },
    { id: 'usualFrom', label: 'Most children begin it at (children differ)', value: '12–24 months' },
  ]);
  expect(asked.safety.gauged).toHaveLength(1);

  const svg = (await desk.get(`/designs/${design.id}/template.svg`).expect(200)).body.toString() as string;
  expect(svg.match(/class="draw"/g)).toHaveLength(5);
  const sheet = await desk.get(`/designs/${design.id}/build-sheet.pdf`).expect(200);
  expect((sheet.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');

  // Four cards of 140 × 100 go on one sheet of 297 × 210: a batch takes one, as a single kit does.
  await desk.post('/builds', { designId: design.id, version: 1, copies: 4 }).expect(201);
  const shelf = (await desk.get('/materials')).body as { id: number; kept: number }[];
  expect(shelf.find((m) => m.id === card.id)!.kept).toBe(1);
  expect(shelf.find((m) => m.id === cap.id)!.kept).toBe(7);
  const [kit] = (await desk.get('/kits')).body as Kit[];
  expect(kit!.parts).toEqual([
    { materialId: cap.id, name: 'Cap', use: 'piece', due: 5, present: 5, takes: 1 },
    { materialId: null, name: 'Ring card', use: 'part', due: 1, present: 1, takes: 1 },
  ]);
  const count = (present: number[], then: string) => desk.post(`/kits/${kit!.id}/count`, { present, then });
  // A made part is not on the shelf: it is not filled from there.
  expect((await count([5, 0], 'fill').expect(422)).body.detail).toMatch(/Ring card is made/);
  await count([4, 1], 'fill').expect(200);
  await desk
    .post('/notes', {
      designId: design.id,
      child: 'G-04',
      level: '8 over',
      bits: 6,
      seconds: null,
      count: 5,
      of: 'lids',
      help: 'none',
      words: '',
      satOn: '2026-11-24',
    })
    .expect(201);
  expect((await desk.get('/notes')).body[0]).toMatchObject({ seconds: null, count: 5, of: 'lids' });
});
