import type { EntityManager } from '@mikro-orm/core';
import type { Logger } from 'pino';
import type { Day } from '../core/calendar/days.ts';
import type { ComputeDoor } from './compute/door.ts';
import { isBusy } from './db/busy.ts';
import type { Db } from './db/open.ts';
import { rows } from './db/rows.ts';
import { simulatedMail, type MailDoor } from './devices/mail.ts';
import { deedIsKept, recordDeed } from './people/deeds.ts';

/** What every station needs of the server. */
export interface Inside {
  /** A fresh entity manager for reading. */
  em(): EntityManager;
  /** All or nothing. One at a time: SQLite has one writer, and a read-then-write must not see another's half. */
  inTransaction<T>(work: (em: EntityManager) => Promise<T>): Promise<T>;
  today(): Day;
  /** Where the place's file lies; null where it is in memory. */
  readonly folder: string | null;
  readonly door: ComputeDoor;
  readonly mail: MailDoor;
  readonly log: Logger;
  /** Other machines can ask this server: nobody in without signing in. */
  readonly isBeyond: boolean;
  /** What the first keeper has to type then; printed on the server's own screen. */
  readonly setUpCode: string | null;
}

/** How long a transaction is tried again while another program writes, and the pause between two tries, ms. */
const PATIENCE = 4000;
const PAUSE = 100;

/**
 * Takes the right to write before anything is read: a transaction that reads first and writes later fails for good once
 * another program has written in between, and would keep its old view of the file.
 */
const begin = (em: EntityManager): Promise<unknown> => rows(em, 'delete from place where 0');

export function makeInside(options: {
  db: Db;
  door: ComputeDoor;
  log: Logger;
  fixedToday: Day | null;
  folder?: string | null;
  mail?: MailDoor;
  isBeyond?: boolean;
  setUpCode?: string | null;
}): Inside {
  let last: Promise<unknown> = Promise.resolve();
  const localDay = (): Day => {
    const d = new Date();
    return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
  };
  const patiently = async <T>(work: (em: EntityManager) => Promise<T>): Promise<T> => {
    const until = Date.now() + PATIENCE;
    for (;;)
      try {
        const result = await options.db.em.fork().transactional(async (em) => {
          await begin(em);
          const done = await work(em);
          recordDeed(em);
          return done;
        });
        deedIsKept();
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
      const run = last.then(() => patiently(work));
      last = run.catch(() => {});
      return run;
    },
    today: () => options.fixedToday ?? localDay(),
    folder: options.folder ?? null,
    door: options.door,
    mail: options.mail ?? simulatedMail(),
    log: options.log,
    isBeyond: options.isBeyond ?? false,
    setUpCode: options.setUpCode ?? null,
  };
}
