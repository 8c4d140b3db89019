import { recordChanges } from './undo/record.ts';
import { keepDone } from './undo/log.ts';
import { whoAsks } from './people/who.ts';
import type { EntityManager } from '@mikro-orm/core';
import type { Logger } from 'pino';
import type { Day } from '../core/calendar/days.ts';
import type { WorkerPool } from './compute/workerPool.ts';
import { isBusy } from './db/busy.ts';
import type { Committed } from './db/committed.ts';
import type { Db } from './db/open.ts';
import { rows } from './db/rows.ts';
import { simulatedMail, type MailDoor } from './devices/mail.ts';
import { Gate } from './gate.ts';
import { isInAuditLog, recordInAuditLog } from './people/auditLog.ts';
import { ProblemError } from './problemError.ts';

/** What every station needs of the server. */
export interface ServerContext {
  /** A fresh entity manager for reading. */
  em(): EntityManager;
  /** All or nothing. One at a time: SQLite has one writer, and a read-then-write must not see another's half. */
  inTransaction<T>(work: (em: EntityManager) => Promise<T>): Promise<T>;
  /** Runs something while nobody writes: what is begun ends first, and who comes meanwhile is told to try again. */
  whileNobodyWrites<T>(work: () => Promise<T>): Promise<T>;
  /** Puts another file in the place of the one in use, while nobody writes; who reads waits before the door. */
  exchange(put: () => void): Promise<void>;
  /** Whom it is being answered, and the door before which others wait while a file is exchanged. */
  readonly gate: Gate;
  /** How often the file in use was exchanged: a connection of an earlier one sees what is gone. */
  exchanges(): number;
  /** Changes that were acknowledged before this start and are not in the file; see Committed. */
  lost(): number;
  /** Goes on with what the file holds. */
  acceptLoss(): void;
  today(): Day;
  /** Where the place's file lies; null where it is in memory. */
  readonly folder: string | null;
  readonly workerPool: WorkerPool;
  readonly mail: MailDoor;
  readonly log: Logger;
  /** Other machines can ask this server: nobody in without signing in. */
  readonly isBeyond: boolean;
  /** What the first manager has to type then; printed on the server's own screen. */
  readonly setUpCode: string | null;
}

/** How long a transaction is tried again while another program writes, and the pause between two tries, ms. */
const PATIENCE = 4000;
const PAUSE = 100;

/**
 * Takes the right to write before anything is read: a transaction that reads first and writes later fails for good once
 * another program has written in between, and would keep its old view of the file.
 *
 * @returns how many changes the file has had with this one
 */
async function begin(em: EntityManager): Promise<number> {
  const [now] = await rows<{ changes: number }>(
    em,
    'update committed set changes = changes + 1 returning changes',
  );
  return now!.changes;
}

/** Does what was asked, and keeps how it is undone where its door says that it can be. */
async function recorded<T>(em: EntityManager, work: (em: EntityManager) => Promise<T>, day: Day): Promise<T> {
  const asking = whoAsks();
  if (!asking?.undoable) return work(em);
  const { done, changes } = await recordChanges(em, () => work(em));
  if (changes.length > 0)
    asking.doneId = await keepDone(em, { who: asking.who ?? '', ...asking.undoable }, changes, day);
  return done;
}

/** Seconds after which somebody may try again who came while writing was closed. */
const CLOSED_FOR = 2;

export function makeServerContext(options: {
  db: Db;
  workerPool: WorkerPool;
  log: Logger;
  fixedToday: Day | null;
  folder?: string | null;
  mail?: MailDoor;
  isBeyond?: boolean;
  setUpCode?: string | null;
  committed?: Committed | null;
}): ServerContext {
  let last: Promise<unknown> = Promise.resolve();
  let isClosed = false;
  let exchanges = 0;
  const gate = new Gate();
  const { committed = null } = options;
  const localDay = (): Day => {
    const d = new Date();
    return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
  };
  const today = (): Day => options.fixedToday ?? localDay();
  const patiently = async <T>(work: (em: EntityManager) => Promise<T>): Promise<T> => {
    const until = Date.now() + PATIENCE;
    for (;;)
      try {
        let changes = 0;
        const result = await options.db.em.fork().transactional(async (em) => {
          changes = await begin(em);
          const done = await recorded(em, work, today());
          await recordInAuditLog(em);
          return done;
        });
        committed?.write({ changes });
        isInAuditLog();
        return result;
      } catch (error) {
        if (!isBusy(error)) throw error;
        options.log.warn({ err: error }, 'another program is writing to the place');
        // What was refused stays half-begun in its connection, which then neither commits nor sees what is new.
        await options.db.reconnect();
        if (Date.now() > until) throw error;
        await new Promise((go) => setTimeout(go, PAUSE));
      }
  };
  return {
    em: () => options.db.em.fork(),
    inTransaction: (work) => {
      if (isClosed)
        return Promise.reject(
          Object.assign(
            new ProblemError(
              503,
              'The place is being put back and cannot be written to; nothing was changed. Try again in a moment.',
            ),
            { retryAfter: CLOSED_FOR },
          ),
        );
      const run = last.then(() => patiently(work));
      last = run.catch(() => {});
      return run;
    },
    whileNobodyWrites: async (work) => {
      if (isClosed)
        throw new ProblemError(503, 'Another copy is being put back just now; try again in a moment.');
      isClosed = true;
      try {
        await last;
        return await work();
      } finally {
        isClosed = false;
      }
    },
    exchange: (put) =>
      // Whoever asked for it is inside, too.
      gate.whileShut(1, async () => {
        const connection = options.db.em.getConnection();
        await rows(options.db.em.fork(), 'pragma wal_checkpoint(TRUNCATE)');
        await connection.close();
        try {
          put();
        } finally {
          await connection.connect();
          exchanges++;
          const [now] = await rows<{ changes: number }>(
            options.db.em.fork(),
            'select changes from committed',
          );
          committed?.write({ changes: now!.changes });
        }
      }),
    gate,
    exchanges: () => exchanges,
    lost: () => committed?.lost ?? 0,
    acceptLoss: () => committed?.write({ lost: 0 }),
    today,
    folder: options.folder ?? null,
    workerPool: options.workerPool,
    mail: options.mail ?? simulatedMail(),
    log: options.log,
    isBeyond: options.isBeyond ?? false,
    setUpCode: options.setUpCode ?? null,
  };
}
