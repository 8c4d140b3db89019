import ICAL from 'ical.js';
import type { BatchRow, BatchWork } from '../../../contract/batches.ts';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import type { PurchaseAnswer } from '../../../core/price/purchase.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import { clockOf } from '../../../core/plan/batch.ts';
import { pdfText, startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
let batch: BatchWork;
let plan: BenchPlan;
beforeAll(async () => {
  desk = await startTest();
  // Five tubs are wanted and six are kept; of caps there are too few.
  const { design, cap } = await withDesign(desk, { copies: 5 });
  const shop = (await desk.post('/suppliers', { name: 'Slipway stores', delivery: 250 }).expect(201))
    .body as {
    id: number;
  };
  await desk
    .post('/offers', {
      supplierId: shop.id,
      name: '=Caps, 18',
      price: 210,
      contents: [{ materialId: cap.id, quantity: 18 }],
    })
    .expect(201);
  const made = (
    await desk
      .post('/batches', {
        name: 'Five tubs',
        items: [{ designId: design.id, bundleId: null, copies: 5 }],
        days: {
          makers: [{ name: 'Ann', windows: [{ day: '2026-11-28', from: 600, to: 780 }] }],
          childFree: [{ day: '2026-11-28', from: 660, to: 780 }],
          singles: [],
          pins: {},
        },
      })
      .expect(201)
  ).body as BatchRow;
  batch = (await desk.get(`/batches/${made.id}`).expect(200)).body as BatchWork;
  plan = (await desk.get(`/batches/${made.id}/plan`).expect(200)).body as BenchPlan;
});
afterAll(() => desk.close());

const textOf = (path: string): Promise<string> => pdfText(desk, path);

it('every number of the plan and the bill stands on paper as it does on screen', async () => {
  const text = (await textOf(`/batches/${batch.id}/papers.pdf`)).replace(/\s+/g, ' ');
  expect(text).toContain('Five tubs');
  expect(text).toContain(`at ${clockOf(plan.makespan!)}.`);
  expect(text).toContain('No plan ends sooner.');
  for (const p of plan.plan.filter((x) => x.maker !== null)) {
    const t = batch.tasks.find((x) => x.id === p.task)!;
    expect(text).toContain(clockOf(p.start));
    expect(text).toContain(formatMinutes(t.minutes));
  }
  for (const l of batch.bill) expect(text).toContain(`${l.name} ${l.wanted} ${l.kept} ${l.short}`);
  // Sheet and template of the design follow, and at the end its count card.
  expect(text).toContain('Show it');
  expect(text).toMatch(/What is in this kit Drop tub Count the pieces/);
  expect(text).toMatch(/50 mm on paper/);
  expect(text).not.toMatch(/U\+|undefined|NaN/);
});

it('what is to be bought is the proved purchase, by shop, and no spreadsheet runs it', async () => {
  const short = batch.bill.find((l) => l.short > 0)!;
  expect(short).toMatchObject({ name: 'Cap', wanted: 40, short: 13 });
  const csv = (await desk.get(`/batches/${batch.id}/shopping.csv`).expect(200)).text;
  expect(csv.trim().split('\n')).toEqual([
    'shop,pack,packs,price,currency',
    'Slipway stores,"\'=Caps, 18",1,2.10,EUR',
    'Slipway stores,Delivery,,2.50,EUR',
  ]);
  const text = await textOf(`/batches/${batch.id}/shopping.pdf?paper=Letter`);
  expect(text).toContain('Slipway stores');
  expect(text).toMatch(/Together\s+€4\.60/);
  const answer = (
    await desk
      .post('/compute/purchase', {
        needs: [{ material: 'Cap', quantity: 40 }],
        stock: [{ material: 'Cap', quantity: 27 }],
        offers: [{ id: 'a', supplier: 's', price: 210, contents: [{ material: 'Cap', quantity: 18 }] }],
        delivery: [{ supplier: 's', price: 250 }],
      })
      .expect(200)
  ).body as PurchaseAnswer;
  expect(answer.total).toBe(460);
});

it('the plan is a calendar file that another reader reads, hour for hour', async () => {
  const { text } = await desk.get(`/batches/${batch.id}/plan.ics`).expect(200);
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
  const hands = plan.plan.filter((p) => p.maker !== null);
  expect(events).toHaveLength(hands.length);
  expect(new Set(events.map((e) => e.getFirstPropertyValue('uid'))).size).toBe(hands.length);
  events.forEach((e, i) => {
    const start = e.getFirstPropertyValue('dtstart') as ICAL.Time;
    expect([start.toString().slice(0, 10), 60 * start.hour + start.minute]).toEqual([
      '2026-11-28',
      Math.floor(hands[i]!.start),
    ]);
    expect(start.zone.tzid).toBe('floating');
  });
});

it('a page for donors adds up: materials at their rates, work where the place counts it, packs to buy', async () => {
  const { today: _, ...place } = (await desk.get('/place')).body as Record<string, unknown>;
  const without = (await textOf('/designs/1/donors.pdf?copies=12')).replace(/\s+/g, ' ');
  expect(without).toContain('What 12 kits cost');
  // 96 caps at (2.10 + 2.50) / 18 each; tubs are saved.
  expect(without).toMatch(/Tub 12 saved/);
  expect(without).toMatch(/Cap 96 €24\.53/);
  expect(without).toContain('€2.04 a kit, for materials');
  await desk.put('/place', { ...place, hourly: 1200 }).expect(200);
  const work = (await textOf('/designs/1/donors.pdf?copies=12')).replace(/\s+/g, ' ');
  expect(work).toMatch(/at €12\.00 an hour/);
  expect(work).toContain('for materials and adult work');
  await desk.put('/place', { ...place, hourly: -1 }).expect(400);
});

it('says why there is no calendar yet, and what a query may hold', async () => {
  const { version, name, items } = batch;
  await desk
    .put(`/batches/${batch.id}`, {
      version,
      name,
      items: items.map(({ name: _, ...i }) => i),
      days: { ...batch.days, makers: [] },
    })
    .expect(200);
  const { body } = await desk.get(`/batches/${batch.id}/plan.ics`).expect(422);
  expect((body as { detail: string }).detail).toMatch(/Nobody makes it yet/);
  await desk.get(`/batches/${batch.id}/papers.pdf?paper=A3`).expect(400);
  await desk.get('/batches/99/papers.pdf').expect(404);
});
