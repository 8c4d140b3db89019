import { pino } from 'pino';
import { makeApp } from './app.ts';
import { openDb } from './db/open.ts';
import { makeInside } from './inside.ts';
import { doorsOf } from './people/doorsOf.ts';

/** Prints every door as JSON: method, address, and what it says of itself. */
const db = await openDb(':memory:');
const inside = makeInside({
  db,
  door: { hasReaders: false, run: () => Promise.reject(new Error('closed')), close: () => Promise.resolve() },
  log: pino({ level: 'silent' }),
  fixedToday: null,
});
console.log(JSON.stringify(doorsOf(makeApp(inside, null))));
await db.close();
