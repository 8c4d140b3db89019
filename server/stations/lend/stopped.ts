import type { EntityManager } from '@mikro-orm/core';
import type { Override } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { Borrower, Kit } from '../../db/entities.ts';
import { ProblemError } from '../../problem.ts';
import { ALLERGIC, answerFor, whoIs } from '../check/askKit.ts';

/**
 * Asks the check of a kit for a family. What it stops is lent only with a reason.
 *
 * @returns what was found, where it is lent all the same; null where nothing stops it
 * @throws ProblemError 422 with each finding that stops it
 */
export async function stoppedFor(
  em: EntityManager,
  o: { readonly kit: Kit; readonly family: Borrower; readonly override?: Override | undefined },
  today: Day,
): Promise<string | null> {
  const answer = await answerFor(em, o.kit.id, await whoIs(em, o.family, today), today);
  const stops = answer.reasons.filter((r) => r.verdict === 'stop');
  if (stops.length === 0) return null;
  const words = stops.map((r) => `${r.title}: ${r.words}`);
  if (o.override) return words.join(' ').slice(0, 600);
  const [first] = stops;
  throw new ProblemError(
    422,
    first!.rule === 'allergy'
      ? first!.words.replace(ALLERGIC, () => `${o.family.name} is allergic to what is in ${o.kit.label}`)
      : `The check says stop for ${o.kit.label} with ${o.family.name}, youngest ${answer.youngest} months. ${words[0]!}`,
    stops.map((r) => ({
      path: r.rule === 'allergy' ? 'borrowerId' : 'override',
      message: `${r.title}: ${r.words} Expected another kit, or a reason of somebody who may design`,
    })),
    answer,
  );
}
