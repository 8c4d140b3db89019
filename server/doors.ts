import { pino } from 'pino';
import { makeApp } from './app.ts';
import { openDb } from './db/open.ts';
import { makeServerContext } from './serverContext.ts';
import { doorTables } from './openApi.ts';
import { doorsOf } from './people/doorsOf.ts';

/** Prints every door as JSON: method, address, and what it says of itself; with `tables` as the tables of docs/api.md. */
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
const app = makeApp(serverContext, null);
console.log(process.argv.includes('tables') ? doorTables(app) : JSON.stringify(doorsOf(app)));
await db.close();
