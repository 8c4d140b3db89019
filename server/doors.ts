import { pino } from 'pino';
import { makeApp } from './app.ts';
import { openDb } from './db/open.ts';
import { makeServerContext } from './serverContext.ts';
import { doorsOf } from './people/doorsOf.ts';

/** Prints every door as JSON: method, address, and what it says of itself. */
const db = await openDb(':memory:');
const serverContext = makeServerContext({
  db,
  workerPool: {
    hasReaders: false,
    run: () => Promise.reject(new Error('closed')),
    close: () => Promise.resolve(),
  },
  log: pino({ level: 'silent' }),
  fixedToday: null,
});
console.log(JSON.stringify(doorsOf(makeApp(serverContext, null))));
await db.close();
