import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import type { Feature } from '../../../core/patterns/feature.ts';
import { loadPattern, type OpenPattern } from '../../../core/patterns/index.ts';
import type { Design } from '../../db/entities.ts';
import { atOf, chosenFor } from './service.ts';

/** A level of a design's ladder, as lists and suggestions name it. */
export interface LevelName {
  readonly name: string;
  readonly bits: number;
}

/** Designs whose answers are remembered. */
const MOST = 300;

/**
 * Something that follows from a design's dials and materials, worked out once for them, since lists ask for it often.
 *
 * @throws PatternError when the design cannot be read
 */
function remembered<T>(workOut: (pattern: OpenPattern, at: ReturnType<typeof atOf>) => T) {
  const known = new Map<string, T>();
  return async (em: EntityManager, d: Design, today: Day): Promise<T> => {
    const { chosen } = await chosenFor(em, d.materials, today);
    const key = JSON.stringify([d.pattern, d.dials, d.approach, d.ageFrom, chosen]);
    let found = known.get(key);
    if (found === undefined) {
      found = workOut(await loadPattern(d.pattern), atOf(d, chosen));
      if (known.size >= MOST) known.delete(known.keys().next().value!);
      known.set(key, found);
      // A place with many designs must not hold up everybody else.
      await new Promise((go) => setImmediate(go));
    }
    return found;
  };
}

/** The levels of a design. */
export const ladderOf = remembered((pattern, at): readonly LevelName[] =>
  pattern.levels(at).map(({ name, bits }) => ({ name, bits })),
);

/** What the check looks at of a design. */
export const featuresOf = remembered((pattern, at): readonly Feature[] => pattern.features(at));
