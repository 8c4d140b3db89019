import type { EntityManager } from '@mikro-orm/core';
import { stopIfEnded } from './ended.ts';

/** Rows of a query in SQL, within the caller's transaction. */
export const rows = async <T>(
  em: EntityManager,
  sql: string,
  params: readonly unknown[] = [],
): Promise<T[]> => {
  stopIfEnded();
  return (await em.getConnection().execute(sql, [...params], 'all', em.getTransactionContext())) as T[];
};
