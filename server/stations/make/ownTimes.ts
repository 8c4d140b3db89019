import type { EntityManager } from '@mikro-orm/core';
import { ownMinutes, type OwnTimes } from '../../../core/plan/ownMinutes.ts';
import { rows } from '../../db/rows.ts';

/** Times of the place that count, the latest. */
const LATEST = 5000;

/** The place's own minutes, by pattern and step with a blank between, as in `lace punch`; none where it has timed none. */
export async function ownTimes(em: EntityManager): Promise<OwnTimes> {
  const list = await rows<{ key: string; usual: number; minutes: number }>(
    em,
    `select pattern || ' ' || step as key, usual, minutes from step_time order by id desc limit ${LATEST}`,
  );
  const by = new Map<string, { usual: number; minutes: number }[]>();
  for (const { key, ...t } of list) by.set(key, [...(by.get(key) ?? []), t]);
  return Object.fromEntries(
    [...by].flatMap(([key, times]) => {
      const own = ownMinutes(times);
      return own ? [[key, own] as const] : [];
    }),
  );
}
