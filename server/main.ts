import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { day } from '../contract/common.ts';
import { makeApp } from './app.ts';
import { workerDoor } from './compute/door.ts';
import { closeDb, openDb } from './db/open.ts';
import { makeInside } from './inside.ts';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
const port = Number(process.env.PORT ?? 4310);
const host = process.env.HOST ?? '127.0.0.1';
const folder = process.env.FOX_DATA ?? 'data';
const fixedToday = process.env.FOX_TODAY ? day.parse(process.env.FOX_TODAY) : null;
if (!Number.isInteger(port) || port < 0 || port > 65_535)
  throw new Error(`PORT is “${process.env.PORT}”; expected 0 to 65535`);

// Runs from dist/server, where the build puts the worker and, beside it, the interface.
const here = import.meta.url;
const db = await openDb(folder);
const door = workerDoor(new URL('./worker.js', here));
const inside = makeInside({ db, door, log, fixedToday });
const server = createServer(makeApp(inside, fileURLToPath(new URL('../web', here))));
server.requestTimeout = 30_000;
server.listen(port, host, () => {
  const at = server.address();
  console.log(
    `Fox Button is at http://${host}:${typeof at === 'object' && at ? at.port : port} with its data in ${folder}`,
  );
});
server.on('error', (error) => {
  console.error(
    (error as NodeJS.ErrnoException).code === 'EADDRINUSE'
      ? `Port ${port} is taken; set PORT to another.`
      : error,
  );
  process.exit(1);
});

/** Finish what is being answered, close the file, go. */
const stop = (): void => {
  server.close(() => void Promise.all([door.close(), closeDb(db)]).then(() => process.exit(0)));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 3000).unref();
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
