import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import type { Design } from '../../db/entities.ts';
import { atOf, chosenFor } from './service.ts';

/** A rung of a design's ladder, as lists and suggestions name it. */
export interface RungName {
  readonly name: string;
  readonly bits: number;
}

const ladders = new Map<string, readonly RungName[]>();
const MOST_LADDERS = 300;

/**
 * The rungs of a design, worked out once for its dials and materials, since lists are asked for often.
 *
 * @throws PatternError when the design cannot be read
 */
export async function ladderOf(em: EntityManager, d: Design, today: Day): Promise<readonly RungName[]> {
  const { chosen } = await chosenFor(em, d.materials, today);
  const key = JSON.stringify([d.pattern, d.dials, d.approach, d.ageFrom, chosen]);
  let rungs = ladders.get(key);
  if (!rungs) {
    rungs = (await loadPattern(d.pattern)).rungs(atOf(d, chosen)).map(({ name, bits }) => ({ name, bits }));
    if (ladders.size >= MOST_LADDERS) ladders.delete(ladders.keys().next().value!);
    ladders.set(key, rungs);
    // A place with many designs must not hold up everybody else.
    await new Promise((go) => setImmediate(go));
  }
  return rungs;
}
