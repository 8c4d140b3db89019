// The desk at 2,000 kits with 50,000 events and at ten times that: each answer at most 1.3 times as slow.
import { join } from 'node:path';
import Database from 'libsql';
import { dueOn, FILE, newPlace, openServer, post } from './place.mjs';

const BUDGET = 1.3;
const ROUNDS = 60;

/** Fills loans that came back, their counts and cleanings, up to so many events in all. */
export function fillEvents(file, events) {
  const db = new Database(file);
  const kits = db
    .prepare("select id from kit where label like 'FB-9%'")
    .all()
    .map((c) => c.id);
  const parts = JSON.stringify([
    { materialId: 1, name: 'Tub', use: 'part', due: 1, present: 1, takes: 1 },
    { materialId: 2, name: 'Cap', use: 'piece', due: 8, present: 8, takes: 1 },
  ]);
  const loan = db.prepare(
    "insert into loan (kit_id, borrower_id, lent_on, due_on, returned_on, counted, outcome) values (?, ?, ?, ?, ?, ?, 'shelve')",
  );
  const count = db.prepare(
    "insert into \"count\" (kit_id, loan_id, counted_on, parts, outcome, filled) values (?, ?, ?, ?, 'shelve', '[]')",
  );
  const event = db.prepare(
    "insert into kit_event (kit_id, done_on, what, done_by, why) values (?, ?, 'cleaned', '', '')",
  );
  db.exec('begin');
  for (let i = 0; i < events / 3; i++) {
    const [copy, day] = [kits[i % kits.length], `2025-${String(1 + (i % 12)).padStart(2, '0')}-1${i % 10}`];
    const { lastInsertRowid } = loan.run(copy, 2 + (i % 11), day, day, day, parts);
    count.run(copy, lastInsertRowid, day, parts);
    event.run(copy, day);
  }
  db.exec('commit');
  // What cannot be washed rests for days: a kit of a design that can be.
  const [one] = db
    .prepare(
      "select label, id from kit where label like 'FB-9%' and design_id not in (select d.id from design d, json_each(d.materials) r, json_each(r.value) v join material m on m.id = v.value where coalesce(m.cleaning, '') = 'rest' or m.material_class in ('card', 'paper', 'fabric', 'wood', 'string', 'natural', 'food', 'foam')) and id not in (select kit_id from loan where returned_on is null) order by id desc limit 1",
    )
    .all();
  const totals = db
    .prepare(
      'select (select count(*) from kit) as kits, (select count(*) from loan) + (select count(*) from "count") + (select count(*) from kit_event) as events',
    )
    .all()[0];
  db.close();
  return { ...one, ...totals };
}

const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];

/** A desk with so many kits and events, and what is asked of it, by name. */
async function deskWith(kits, events) {
  const folder = newPlace(kits);
  const { label, id, ...totals } = fillEvents(join(folder, FILE), events);
  const server = await openServer(folder);
  const read = (path) => fetch(`${server.url}/api${path}`).then((r) => r.text());
  const due = dueOn();
  const asks = {
    'a page of kits': () => read('/kits?limit=100'),
    'late ones, a page': () => read('/kits?standing=late&order=due&limit=50'),
    'figures of the lending room': () => read('/kits/summary'),
    'kits of a skill': () => read('/kits?limit=100&skill=Hand%20strength'),
    'those due next': () => read('/kits?order=due&limit=50'),
    'a family typed': () => read('/kits?limit=200&q=Amber%20Dory'),
    'a kit’s name typed': () => read('/kits?limit=200&q=drop'),
    'a label scanned': () => read(`/kits?label=${label}`),
    'a kit’s history': () => read(`/kits/${id}/history`),
    'lent, taken back and cleaned': async () => {
      const r = await post(server.url, '/loans', { kitId: id, borrowerId: 1, dueOn: due });
      const loan = await r.json();
      if (r.status !== 201) throw new Error(loan.detail);
      await post(server.url, `/loans/${loan.id}/return`, { present: [1, 8], then: 'shelve' });
      await post(server.url, `/kits/${id}/state`, { to: 'cleaned', by: '', why: '' });
    },
  };
  return { server, totals, asks };
}

const timed = async (ask) => {
  const began = performance.now();
  await ask();
  return performance.now() - began;
};

export async function hold() {
  const few = await deskWith(2000, 50_000);
  const many = await deskWith(20_000, 500_000);
  console.log(
    `Lists: ${few.totals.kits} kits and ${few.totals.events} events, then ${many.totals.kits} and ${many.totals.events}; median ms`,
  );
  let over = 0;
  for (const name of Object.keys(few.asks)) {
    const [short, long] = [[], []];
    // In turns, so that a machine that slows down slows both.
    for (let i = 0; i < ROUNDS + 5; i++) {
      const both = [await timed(few.asks[name]), await timed(many.asks[name])];
      if (i < 5) continue;
      short.push(both[0]);
      long.push(both[1]);
    }
    const [a, b] = [median(short), median(long)];
    if (b / a > BUDGET) over++;
    console.log(
      `  ${name.padEnd(30)} ${a.toFixed(1)} and ${b.toFixed(1)}, ratio ${(b / a).toFixed(2)} (budget ${BUDGET})`,
    );
  }
  await few.server.stop();
  await many.server.stop();
  if (over > 0) throw new Error(`${over} answers of the desk grow with the house`);
}
