import ICAL from 'ical.js';
import type { Kit, Loan, Reservation, KitHistory, MissingPiece } from '../../../contract/lending.ts';
import type { Telling } from '../../../contract/telling.ts';
import { SHIPPED_MESSAGES } from '../../../core/lend/telling.ts';
import { pdfText, startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
let kits: { id: number; label: string }[];
const family: Record<string, number> = {};
beforeEach(async () => {
  desk = await startTest();
  const { design } = await withDesign(desk);
  const { body } = await desk
    .post('/builds', { designId: design.id, version: design.version, copies: 2 })
    .expect(201);
  ({ kits } = body as { kits: typeof kits });
  for (const name of ['Amber Dory', 'Teal Skiff', 'Grey Punt'])
    family[name] = (
      (await desk.post('/borrowers', { name, group: 'Gulls' }).expect(201)).body as { id: number }
    ).id;
});
afterEach(() => desk.close());

const lend = (kit: number, name: string, dueOn = '2026-12-08') =>
  desk.post('/loans', { kitId: kits[kit]!.id, borrowerId: family[name], dueOn });
const lent = async (kit: number, name: string, dueOn?: string) =>
  (await lend(kit, name, dueOn).expect(201)).body as Loan;
const reserve = (kit: number, name: string) =>
  desk.post('/reservations', { kitId: kits[kit]!.id, borrowerId: family[name] });
const back = async (loan: Loan) => {
  await desk.post(`/loans/${loan.id}/return`, { present: [1, 8], then: 'shelve' }).expect(200);
  await desk.post(`/kits/${loan.kitId}/state`, { to: 'cleaned' }).expect(200);
};

describe('a loan', () => {
  it('is renewed to a later day, not beyond a year, and not once it is over', async () => {
    const loan = await lent(0, 'Amber Dory');
    const renew = (dueOn: string) => desk.post(`/loans/${loan.id}/renew`, { dueOn });
    expect((await renew('2026-12-22').expect(200)).body).toMatchObject({ id: loan.id, dueOn: '2026-12-22' });
    expect((await renew('2028-01-01').expect(422)).body.errors[0].path).toBe('dueOn');
    await back(loan);
    await renew('2026-12-23').expect(409);
    await desk.post('/loans/99/renew', { dueOn: '2026-12-23' }).expect(404);
  });
  it('is handed on to the next family, counted and cleaned, or not at all', async () => {
    const loan = await lent(0, 'Amber Dory');
    const handOn = (part: object = {}) =>
      desk.post(`/loans/${loan.id}/hand-on`, {
        present: [1, 8],
        then: 'shelve',
        borrowerId: family['Teal Skiff'],
        dueOn: '2026-12-08',
        cleaned: true,
        ...part,
      });
    expect((await handOn({ cleaned: false }).expect(400)).body.errors[0].path).toBe('cleaned');
    // A family that there is not: the kit has not come back either.
    await handOn({ borrowerId: 99 }).expect(422);
    const [still] = (await desk.get('/kits?label=FB-001a')).body as Kit[];
    expect(still!.openLoan).toMatchObject({ id: loan.id, borrower: 'Amber Dory' });
    await handOn().expect(201);
    const [now] = (await desk.get('/kits?label=FB-001a')).body as Kit[];
    expect(now).toMatchObject({ toClean: false, openLoan: { borrower: 'Teal Skiff', dueOn: '2026-12-08' } });
    await handOn().expect(409);
  });
});

describe('the place’s own words', () => {
  const keep = (own: object, version = 1) => desk.put('/message-words', { version, own });
  it('stand in every message, the shipped ones where it has none', async () => {
    await lent(0, 'Amber Dory', '2026-11-26');
    const { body: before } = await desk.get('/message-words').expect(200);
    expect(before).toMatchObject({ version: 1, own: {}, shipped: { es: { hello: 'Hola, {family}:' } } });
    await keep({ en: { hello: 'Dear {family} of {place},', soonSubject: '' } }).expect(200);
    await keep({ en: { hello: 'Again' } }).expect(409);
    const [telling] = (await desk.get('/tellings').expect(200)).body as Telling[];
    expect(telling!.words).toMatch(/^Dear Amber Dory of Our cart,\n\nDrop tub \(FB-001a\) is due back/);
    expect(telling!.subject).toBe('Drop tub is due back soon');
  });
  it('make another language, once every part has words', async () => {
    await lent(0, 'Amber Dory', '2026-11-26');
    await desk.get('/tellings?language=pl').expect(422);
    const parts = Object.keys(SHIPPED_MESSAGES.en!);
    await keep({ pl: { hello: 'Czesc {family},' } }).expect(200);
    await desk.get('/tellings?language=pl').expect(422);
    await keep({ pl: Object.fromEntries(parts.map((p) => [p, `${p} po polsku`])) }, 2).expect(200);
    const [telling] = (await desk.get('/tellings?language=pl').expect(200)).body as Telling[];
    expect(telling).toMatchObject({ language: 'pl', subject: 'soonSubject po polsku' });
  });
  it('say which mark a part does not know', async () => {
    const { body } = await keep({ en: { ready: '{kit} is here, {name}' } }).expect(400);
    expect(body).toMatchObject({
      errors: [{ path: 'own.en.ready', message: 'does not know {name}; expected {kit}, {label}, {day}' }],
    });
    await keep({ xx: { hello: 'Hello' } }).expect(400);
  });
});

describe('what is short when a kit comes back', () => {
  const come = async (body: object) =>
    desk.post(`/loans/${(await lent(0, 'Amber Dory')).id}/return`, { present: [1, 6], ...body });
  const kit = async () => ((await desk.get('/kits?label=FB-001a')).body as Kit[])[0]!;
  const cap = (c: Kit) => c.parts.find((p) => p.name === 'Cap')!;
  const told = async (language = 'en') =>
    ((await desk.get(`/tellings?language=${language}`).expect(200)).body as Telling[]).filter((t) =>
      t.items.some((i) => i.of === 'short'),
    );

  it('is asked back of its family, without what is spoiled, until it turns up', async () => {
    await (
      await come({ spoiled: [0, 1], then: 'ask back' })
    ).body;
    expect(await kit()).toMatchObject({ repair: true });
    const [message] = await told();
    expect(message).toMatchObject({
      borrower: 'Amber Dory',
      subject: 'Something of Drop tub may still be with you',
      told: null,
    });
    expect(message!.words).toContain('Drop tub (FB-001a) came back on 24 Nov without 1 × Cap.');
    expect((await told('es'))[0]!.words).toContain('volvió el 24 nov sin 1 × Cap');
    const by = { borrowerId: family['Amber Dory'], by: 'said', language: 'en' };
    await desk.post('/tellings', by).expect(201);
    expect((await told())[0]!.told).toMatchObject({ by: 'said' });
    await desk.post(`/kits/${kits[0]!.id}/found`, { part: 1, count: 2 }).expect(200);
    expect(await told()).toEqual([]);
    expect(await kit()).toMatchObject({ repair: false });
  });

  it('is written off: the kit goes on with fewer, and one that turns up belongs again', async () => {
    const { body } = await come({ then: 'write off' });
    expect(cap(body as Kit)).toMatchObject({ due: 6, present: 6, writtenOff: 2 });
    await desk.post(`/kits/${kits[0]!.id}/state`, { to: 'cleaned' }).expect(200);
    const again = await lent(0, 'Grey Punt');
    await desk.post(`/loans/${again.id}/return`, { present: [1, 7], then: 'shelve' }).expect(422);
    await desk.post(`/loans/${again.id}/return`, { present: [1, 6], then: 'shelve' }).expect(200);
    const missing = (await desk.get('/pieces/missing').expect(200)).body as MissingPiece[];
    expect(missing).toMatchObject([{ label: 'FB-001a', name: 'Cap', missing: 2 }]);
    await desk.post(`/kits/${kits[0]!.id}/found`, { part: 1, count: 3 }).expect(422);
    const found = await desk.post(`/kits/${kits[0]!.id}/found`, { part: 1, count: 1 }).expect(200);
    expect(cap(found.body as Kit)).toMatchObject({ due: 7, present: 7, writtenOff: 1 });
    const history = (await desk.get(`/kits/${kits[0]!.id}/history`)).body as KitHistory;
    expect(history.loans[1]!.count).toMatchObject({ outcome: 'write off' });
  });

  it('keeps a kit from being kept ready for somebody until it is whole', async () => {
    const counted = (then: string) =>
      desk.post(`/kits/${kits[0]!.id}/count`, { present: [1, 7], then }).expect(200);
    await counted('shelve');
    expect((await reserve(0, 'Teal Skiff').expect(201)).body).toMatchObject({ ready: 'FB-001b' });
    await counted('write off');
    const [kept] = (await desk.get('/reservations').expect(200)).body as Reservation[];
    expect(kept).toMatchObject({ ready: 'FB-001a' });
  });

  it('is refused where it cannot be: by field', async () => {
    const path = async (body: object) =>
      ((await come(body)).body as { errors: { path: string }[] }).errors[0]!.path;
    const loanFree = async () => {
      const open = (await kit()).openLoan;
      if (open) await desk.post(`/loans/${open.id}/return`, { present: [1, 8], then: 'shelve' }).expect(200);
      await desk.post(`/kits/${kits[0]!.id}/state`, { to: 'cleaned' }).expect(200);
    };
    expect(await path({ spoiled: [0, 3], then: 'repair' })).toBe('spoiled.1');
    await loanFree();
    expect(await path({ spoiled: [0], then: 'repair' })).toBe('spoiled');
    await loanFree();
    expect(await path({ spoiled: [0, 2], then: 'ask back' })).toBe('then');
    await loanFree();
    expect(await path({ present: [0, 8], then: 'write off' })).toBe('present.0');
    await loanFree();
    const inHouse = { present: [1, 7], then: 'ask back' };
    expect((await desk.post(`/kits/${kits[0]!.id}/count`, inHouse).expect(400)).body.errors[0].path).toBe(
      'then',
    );
  });
});

describe('a piece that turns up', () => {
  it('goes home to the kit that misses it, and mends it when it is the last one', async () => {
    const loan = await lent(0, 'Amber Dory');
    const [{ parts }] = (await desk.get('/kits?label=FB-001a')).body as [Kit];
    const cap = parts.findIndex((p) => p.name === 'Cap');
    const present = parts.map((p, i) => (i === cap ? p.due - 2 : p.due));
    await desk.post(`/loans/${loan.id}/return`, { present, then: 'repair' }).expect(200);
    const missing = async () => (await desk.get('/pieces/missing').expect(200)).body as MissingPiece[];
    expect(await missing()).toEqual([
      {
        kitId: kits[0]!.id,
        label: 'FB-001a',
        kit: 'Drop tub',
        part: cap,
        name: 'Cap',
        materialId: parts[cap]!.materialId,
        missing: 2,
        isHere: true,
      },
    ]);
    const found = (count: number, part = cap) => desk.post(`/kits/${kits[0]!.id}/found`, { part, count });
    await found(3).expect(422);
    await found(1, 77).expect(422);
    expect((await found(1).expect(200)).body).toMatchObject({ repair: true });
    expect((await found(1).expect(200)).body).toMatchObject({ repair: false });
    expect(await missing()).toEqual([]);
    await desk.post('/kits/999/found', { part: 0, count: 1 }).expect(404);
    const history = (await desk.get(`/kits/${kits[0]!.id}/history`)).body as KitHistory;
    expect(history.events[0]!.what).toBe('1 × Cap turned up');
  });
  it('waits while its kit is with a family', async () => {
    const counted = (then: string) => desk.post(`/kits/${kits[1]!.id}/count`, { present: [1, 7], then });
    await counted('shelve').expect(200);
    // Nothing is lent before it is whole.
    const short = await lend(1, 'Grey Punt').expect(422);
    expect((short.body as { detail: string }).detail).toBe('FB-001b is 1 × Cap short.');
    await counted('write off').expect(200);
    await lent(1, 'Grey Punt');
    const { body } = await desk.get('/pieces/missing').expect(200);
    expect((body as MissingPiece[])[0]).toMatchObject({ label: 'FB-001b', isHere: false });
    const refused = await desk.post(`/kits/${kits[1]!.id}/found`, { part: 1, count: 1 }).expect(409);
    expect((refused.body as { detail: string }).detail).toContain('Grey Punt');
  });
});

it('a term is on paper: loans, what went missing at its price, what was learned', async () => {
  const [{ parts }] = (await desk.get('/kits?label=FB-001a')).body as [Kit];
  const shop = (await desk.post('/suppliers', { name: 'Pier', delivery: 0 }).expect(201)).body as {
    id: number;
  };
  const cap = parts.find((p) => p.name === 'Cap')!.materialId!;
  await desk
    .post('/offers', {
      supplierId: shop.id,
      name: 'Caps, 10',
      price: 250,
      contents: [{ materialId: cap, quantity: 10 }],
    })
    .expect(201);
  const loan = await lent(0, 'Amber Dory');
  await lent(1, 'Teal Skiff');
  await desk.post(`/loans/${loan.id}/return`, { present: [1, 5], then: 'shelve' }).expect(200);
  const { designId } = ((await desk.get('/kits')).body as Kit[])[0]!;
  await desk
    .post('/notes', {
      designId,
      child: 'G-04',
      level: 'Loose slot',
      bits: 6,
      seconds: 40,
      count: 8,
      of: 'caps',
      help: 'none',
      liked: 'fine',
      words: '',
      satOn: '2026-11-20',
      before: [],
    })
    .expect(201);
  await desk
    .post('/tests', {
      designId,
      part: 'Cap',
      test: 'pull',
      passed: false,
      force: 40,
      by: 'Keeper',
      words: 'came off',
    })
    .expect(201);
  const overridden = await desk.post('/loans', {
    kitId: ((await desk.get('/kits?label=FB-001a')).body as [Kit])[0].id,
    borrowerId: loan.borrowerId,
    dueOn: '2026-12-08',
  });
  // What is called back is not lent, whatever is said.
  expect(overridden.status).toBeGreaterThanOrEqual(400);
  const text = (await pdfText(desk, '/term.pdf?from=2026-09-01&to=2026-11-30')).replace(/\s+/g, ' ');
  expect(text).toMatch(
    /Family loans late still out pieces missing Amber Dory \(\w+\) 1 0 0 3 Teal Skiff \(\w+\) 1 0 1 0/,
  );
  expect(text).toContain('Nothing was lent against a stop of the check.');
  expect(text).toContain('24 Nov, Drop tub: pull test of Cap failed at 40 N, by Keeper: came off.');
  expect(text).toMatch(
    /Called back on 24 Nov: FB-001a Drop tub \(its pull test failed on 2026-11-24 \(Cap\); it is here\), FB-001b Drop tub \(.*; with Teal Skiff\)\./,
  );
  expect(text).toContain('2 loans of 2 kits to 2 families; none was late. 2 kits were made.');
  // Three caps at 2.50 for ten.
  expect(text).toContain('3 pieces went missing, worth €0.75.');
  expect(text).toMatch(/Drop tub 2 2 0 1/);
  expect(text).toMatch(/Cap 3 €0\.75 Together 3 €0\.75/);
  expect(text).toContain('1 child was watched; 1 level was managed alone for the first time.');
  expect(text).toMatch(/Drop tub \(picking up and letting go\) 1 1 1 1 of 1/);
  await desk.get('/term.pdf?from=2026-11-30&to=2026-09-01').expect(400);
  await desk.get('/term.pdf?from=2026-09-01').expect(400);
  const empty = await pdfText(desk, '/term.pdf?from=2020-01-01&to=2020-03-01&paper=Letter');
  for (const words of [
    'Nothing was lent',
    'Nothing went missing',
    'No sitting was noted',
    'No test by hand that was noted failed.',
  ])
    expect(empty).toContain(words);
});

describe('several kits to one family', () => {
  it('go all together or not at all', async () => {
    const together = (borrower: string, ...at: number[]) =>
      desk.post('/loans/together', {
        kitIds: at.map((i) => kits[i]!.id),
        borrowerId: family[borrower],
        dueOn: '2026-12-08',
      });
    const out = await lent(1, 'Grey Punt');
    await together('Amber Dory', 0, 1).expect(409);
    const [first] = (await desk.get('/kits?label=FB-001a')).body as Kit[];
    expect(first!.openLoan).toBeNull();
    await back(out);
    expect((await together('Amber Dory', 0, 1).expect(201)).body).toHaveLength(2);
    await together('Amber Dory', 0, 0).expect(400);
  });
});

describe('a kit that is kept for a family', () => {
  it('goes to nobody else while no other of its kind is in', async () => {
    const first = await lent(0, 'Amber Dory');
    const kept = (await reserve(0, 'Teal Skiff').expect(201)).body as Reservation;
    // Another of the kind hangs on the rail: that one is ready.
    expect(kept).toMatchObject({ borrower: 'Teal Skiff', kit: 'Drop tub', ready: 'FB-001b' });
    await reserve(1, 'Teal Skiff').expect(409);
    const refused = await lend(1, 'Grey Punt').expect(409);
    expect(refused.body.detail).toMatch(/FB-001b is kept for Teal Skiff/);
    // With both in, one may go.
    await back(first);
    const other = await lent(0, 'Grey Punt');
    await back(other);
    await lent(1, 'Teal Skiff');
    expect((await desk.get('/reservations')).body).toEqual([]);
  });
  it('is not renewed by who has it longest, unless the reservation is dropped', async () => {
    const [a, b] = [await lent(0, 'Amber Dory'), await lent(1, 'Grey Punt')];
    const { id } = (await reserve(0, 'Teal Skiff').expect(201)).body as Reservation;
    const renew = (loan: Loan = a) => desk.post(`/loans/${loan.id}/renew`, { dueOn: '2026-12-22' });
    expect((await renew().expect(409)).body.errors[0].path).toBe('borrowerId');
    // One waits: the kit that is due first is for them, the other may stay out.
    await renew(b).expect(200);
    await desk.del(`/reservations/${id}`).expect(204);
    await desk.del(`/reservations/${id}`).expect(404);
    await renew().expect(200);
  });
});

describe('telling families', () => {
  const list = async (query = '') => (await desk.get(`/tellings${query}`).expect(200)).body as Telling[];
  it('says what is due soon and what is kept and in, each family once', async () => {
    await lent(0, 'Amber Dory', '2026-11-26');
    await reserve(1, 'Teal Skiff').expect(201);
    const found = await list();
    expect(found.map((t) => [t.borrower, t.items.map((i) => i.of), t.told])).toEqual([
      ['Amber Dory', ['soon'], null],
      ['Teal Skiff', ['ready'], null],
    ]);
    expect(found[0]!.words).toBe(
      'Hello Amber Dory,\n\nDrop tub (FB-001a) is due back on 26 Nov. If you want it longer, ask us.\n\nThank you. Our cart.',
    );
    expect(found[1]!.subject).toBe('Drop tub is here for you');
    const [spanish] = await list('?language=es');
    expect(spanish).toMatchObject({ language: 'es', subject: 'Drop tub tiene que volver pronto' });
    await desk.get('/tellings?language=xx').expect(400);
  });
  it('is on record, and asked for again when something else stands', async () => {
    await lent(0, 'Amber Dory', '2026-11-26');
    const tell = { borrowerId: family['Amber Dory'], by: 'said' };
    expect((await desk.post('/tellings', tell).expect(201)).body).toMatchObject({
      told: { on: '2026-11-24', by: 'said' },
    });
    expect((await list())[0]!.told).toEqual({ on: '2026-11-24', by: 'said' });
    await lent(1, 'Amber Dory', '2026-11-25');
    expect((await list())[0]!.told).toBeNull();
    expect((await desk.get(`/borrowers/${family['Amber Dory']}/told`)).body).toMatchObject([{ by: 'said' }]);
    await desk.post('/tellings', { ...tell, borrowerId: family['Grey Punt'] }).expect(404);
    await desk.post('/tellings', { ...tell, by: 'shouted' }).expect(400);
  });
  it('comes as pages, as a mail to be sent and as a calendar', async () => {
    await lent(0, 'Amber Dory', '2026-11-26');
    const pdf = await desk.get('/tellings/all.pdf').expect(200);
    expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    const id = family['Amber Dory']!;
    const mail = await desk.get(`/tellings/${id}/mail.eml?language=es`).responseType('blob').expect(200);
    const text = (mail.body as Buffer).toString();
    expect(text).toMatch(/^X-Unsent: 1\r$/m);
    expect(text).toMatch(/^Subject: .*volver pronto/m);
    expect(text).not.toMatch(/^(To|From):/m);
    const calendar = await desk.get(`/borrowers/${id}/due.ics`).responseType('blob').expect(200);
    const [event] = new ICAL.Component(
      ICAL.parse((calendar.body as Buffer).toString()) as unknown[],
    ).getAllSubcomponents('vevent');
    expect(event!.getFirstPropertyValue('dtstart')!.toString()).toBe('2026-11-26');
    expect(event!.getFirstPropertyValue('summary')).toMatch(/Drop tub \(FB-001a\) is due back/);
    await desk.get(`/tellings/${family['Grey Punt']!}/mail.eml`).expect(404);
    await desk.get('/borrowers/99/due.ics').expect(404);
  });
});
