import type { EntityManager } from '@mikro-orm/core';
import { ladderModel, toFit } from '../../../core/watch/ladderModel.ts';
import { outcomesOf, type Watched } from '../../../core/watch/outcomes.ts';
import type { RaschAnswer, Response } from '../../../core/watch/rasch.ts';
import type { ComputeDoor } from '../../compute/door.ts';
import { rows } from '../../db/rows.ts';

/** Notes that difficulties are found from; older ones say less of the designs as they are now. */
const MOST_NOTES = 20_000;

interface Columns extends Omit<Watched, 'designId' | 'satOn' | 'before'> {
  design_id: number;
  sat_on: string;
  before: string;
}

/** Notes as the watching sees them, the oldest first. */
export async function watched(em: EntityManager): Promise<Watched[]> {
  const found = await rows<Columns>(
    em,
    `select * from (select id, child, design_id, rung, bits, help, seconds, count, tries, managed, liked, sat_on, before from note order by sat_on desc, id desc limit ${MOST_NOTES}) order by sat_on, id`,
  );
  return found.map(({ design_id: designId, sat_on: satOn, before, ...n }) => ({
    ...n,
    designId,
    satOn,
    before: JSON.parse(before) as Watched['before'],
  }));
}

/** The last fit, by the answers it is of: a page that is looked at again has no reason to wait. */
let lastFit: { said: string; answer: RaschAnswer } | null = null;

async function fittedTo(
  responses: readonly (readonly Response[])[],
  door: ComputeDoor,
  signal: AbortSignal | undefined,
): Promise<RaschAnswer> {
  const said = JSON.stringify(responses);
  if (lastFit?.said === said) return lastFit.answer;
  const answer = (await door.run({ kind: 'rasch', responses }, signal)) as RaschAnswer;
  lastFit = { said, answer };
  return answer;
}

/** Everybody's notes with the model that they make. */
export async function modelled(em: EntityManager, door: ComputeDoor, signal: AbortSignal | undefined) {
  const notes = await watched(em);
  const outcomes = outcomesOf(notes);
  const fit = toFit(outcomes);
  return {
    notes,
    outcomes,
    model: ladderModel(outcomes, fit && (await fittedTo(fit.responses, door, signal))),
  };
}
