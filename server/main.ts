import { randomInt } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { makeApp } from './app.ts';
import { startWorkerPool } from './compute/workerPool.ts';
import { lockFolder } from './db/lock.ts';
import { clearLeftovers } from './db/backup.ts';
import { Committed } from './db/committed.ts';
import { closeDb, openDb, readyFolder } from './db/open.ts';
import { rows } from './db/rows.ts';
import { smtpMail } from './devices/mail.ts';
import { isHangUp } from './hangUp.ts';
import { makeServerContext } from './serverContext.ts';
import { deliver } from './stations/lend/outbox.ts';
import { readSettings, type Settings } from './settings.ts';
import { countPeople } from './people/sessions.ts';
import { folderError, StartError } from './startError.ts';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

/** One sentence for whoever started it, and the end. */
function giveUp(error: unknown): never {
  if (error instanceof StartError) console.error(error.message);
  else console.error(error);
  process.exit(1);
}

function listenError(error: NodeJS.ErrnoException, { port, host }: Settings): StartError | Error {
  switch (error.code) {
    case 'EADDRINUSE':
      return new StartError(`Port ${port} is taken; set PORT to another.`);
    case 'EACCES':
      return new StartError(`Port ${port} may not be used by this user; set PORT to one from 1024 up.`);
    case 'EADDRNOTAVAIL':
    case 'ENOTFOUND':
    case 'EAI_AGAIN':
    case 'EINVAL':
      return new StartError(`HOST is “${host}”, which is no address of this machine; try 127.0.0.1.`);
    default:
      return error;
  }
}

function keysOf({ cert, key }: NonNullable<Settings['tls']>): { cert: Buffer; key: Buffer } {
  const file = (path: string, what: string): Buffer => {
    try {
      return readFileSync(path);
    } catch {
      throw new StartError(`${what} is “${path}”, which cannot be read; expected a PEM file.`);
    }
  };
  return { cert: file(cert, 'FOX_TLS_CERT'), key: file(key, 'FOX_TLS_KEY') };
}

/** Lets everything go; what a transaction had begun is rolled back with its connection. */
let close: () => Promise<void> = () => Promise.resolve();

async function start(): Promise<void> {
  const settings = readSettings(process.env);
  const { folder } = settings;
  // Runs from dist/server, where the build puts the worker and, beside it, the interface.
  const workerPool = startWorkerPool(new URL('./worker.js', import.meta.url));
  readyFolder(folder);
  const lock = await lockFolder(folder, {
    lost: (error) => {
      log.fatal({ err: error }, 'the lock on the folder was lost');
      console.error(`The lock on ${folder} was lost to another Fox Button; this one ends.`);
      process.exit(1);
    },
    waiting: () =>
      console.error('Fox Button was not stopped properly last time; taking over in a few seconds.'),
  }).catch((error: unknown) => {
    throw folderError(folder, error);
  });
  clearLeftovers(folder);
  const db = await openDb(folder).catch(async (error: unknown) => {
    await lock.release();
    throw error;
  });
  const setUpCode =
    settings.isBeyond && (await countPeople(db.em.fork())) === 0
      ? Array.from({ length: 12 }, () => randomInt(10))
          .join('')
          .replace(/(\d{4})(?=\d)/g, '$1-')
      : null;
  const [found] = await rows<{ changes: number }>(db.em.fork(), 'select changes from committed');
  const committed = new Committed(folder, found!.changes);
  if (committed.lost > 0)
    console.error(
      `${committed.lost} changes that were acknowledged are not in the file in ${folder}: its end was torn off, or an older one was put in its place. The copies are listed under Place; put one back that has them, or go on there with what is left.`,
    );
  const serverContext = makeServerContext({
    db,
    committed,
    workerPool,
    log,
    fixedToday: settings.fixedToday,
    folder,
    ...(settings.smtp ? { mail: smtpMail(settings.smtp) } : {}),
    isBeyond: settings.isBeyond,
    setUpCode,
  });
  const web = fileURLToPath(new URL('../web', import.meta.url));
  const app = makeApp(serverContext, web, settings);
  const server = settings.tls ? createTlsServer(keysOf(settings.tls), app) : createServer(app);
  // A request's head comes at once; its body may take as long as it comes on: doors of files watch that themselves.
  server.headersTimeout = 30_000;
  server.requestTimeout = 0;

  /** The day's own copy of everything, soon after the start and then by the hour: a server that runs on has one too. */
  const daily = (): void => {
    workerPool
      .run({ kind: 'backup', folder, now: new Date().toISOString(), daily: true })
      .catch((error: unknown) => log.error({ err: error }, 'the daily backup was not made'));
  };
  setTimeout(daily, 20_000).unref();
  setInterval(daily, 3_600_000).unref();

  /** What the mail server did not take is tried again by itself. */
  const mails = (): void => {
    deliver(serverContext).catch((error: unknown) => log.error({ err: error }, 'the outbox was not sent'));
  };
  setTimeout(mails, 10_000).unref();
  setInterval(mails, 300_000).unref();

  close = async () => {
    server.closeAllConnections();
    await Promise.allSettled([workerPool.close(), closeDb(db)]);
    await lock.release();
  };
  /** Finish what is being answered, close the file, go. */
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    const end = async (): Promise<void> => {
      await Promise.allSettled([workerPool.close(), closeDb(db)]);
      await lock.release();
      process.exit(0);
    };
    server.close(() => void end());
    server.closeIdleConnections();
    setTimeout(() => void end(), 3000).unref();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  // Whoever started this server as a child of its own is gone: do not stay behind unseen.
  process.on('disconnect', stop);

  server.on('error', (error) => {
    const told = listenError(error, settings);
    void lock.release().then(() => giveUp(told));
  });
  server.listen(settings.port, settings.host, () => {
    const at = server.address();
    const name = settings.host.includes(':') ? `[${settings.host}]` : settings.host;
    console.log(
      `Fox Button is at ${settings.tls ? 'https' : 'http'}://${name}:${typeof at === 'object' && at ? at.port : settings.port} with its data in ${folder}`,
    );
    // Whoever started it as a child of its own waits for this.
    process.send?.('listening');
    if (setUpCode !== null)
      console.log(`Nobody is set up yet. Whoever keeps this place needs this code once: ${setUpCode}`);
    if (settings.isBeyond && !settings.tls)
      console.log('Other machines can reach it: put TLS in front, or set FOX_TLS_CERT and FOX_TLS_KEY.');
  });
}

/**
 * What nobody caught leaves this process in a state that nobody knows: it is logged whole, what was begun is rolled back, and
 * the process ends; whoever watches over it starts it anew. Somebody who went while being answered is none of that.
 */
let isEnding = false;
const last = (error: unknown): void => {
  if (isHangUp(error)) {
    log.info({ err: error }, 'whoever asked has gone');
    return;
  }
  log.fatal({ err: error }, 'unforeseen; this process ends');
  console.error('Something went wrong that nobody foresaw; Fox Button ends and keeps what was saved.');
  if (isEnding) process.exit(1);
  isEnding = true;
  setTimeout(() => process.exit(1), 3000).unref();
  void close().finally(() => process.exit(1));
};
process.on('unhandledRejection', last);
process.on('uncaughtException', last);

await start().catch(giveUp);
