import type { EntityManager } from '@mikro-orm/core';
import type { Logger } from 'pino';
import type { Day } from '../core/calendar/days.ts';
import type { ComputeDoor } from './compute/door.ts';
import type { Db } from './db/open.ts';

/** What every station needs of the server. */
export interface Inside {
  /** A fresh entity manager for reading. */
  em(): EntityManager;
  /** All or nothing. One at a time: SQLite has one writer, and a read-then-write must not see another's half. */
  inTransaction<T>(work: (em: EntityManager) => Promise<T>): Promise<T>;
  today(): Day;
  readonly door: ComputeDoor;
  readonly log: Logger;
}

export function makeInside(options: {
  db: Db;
  door: ComputeDoor;
  log: Logger;
  fixedToday: Day | null;
}): Inside {
  let last: Promise<unknown> = Promise.resolve();
  const localDay = (): Day => {
    const d = new Date();
    return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
  };
  return {
    em: () => options.db.em.fork(),
    inTransaction: (work) => {
      const run = last.then(() => options.db.em.fork().transactional(work));
      last = run.catch(() => {});
      return run;
    },
    today: () => options.fixedToday ?? localDay(),
    door: options.door,
    log: options.log,
  };
}
