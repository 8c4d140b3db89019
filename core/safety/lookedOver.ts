import type { Chosen } from '../patterns/kernel.ts';

/** Whether everything that held something before was clean when its lot was looked over; null where nothing did. */
export function lookedOverOf(chosen: Chosen): boolean | null {
  const held = Object.values(chosen)
    .flat()
    .filter((m) => m.form === 'container');
  return held.length === 0 ? null : held.every((m) => m.clean === true);
}
