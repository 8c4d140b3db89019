import type { EntityManager } from '@mikro-orm/core';
import type { HelpSteps } from '../../../core/watch/helpSteps.ts';
import { ladderModel, levelAnswers, toFit, type LadderModel } from '../../../core/watch/ladderModel.ts';
import { outcomesOf, type Watched } from '../../../core/watch/outcomes.ts';
import type { RaschAnswer } from '../../../core/watch/rasch.ts';
import type { WorkerPool } from '../../compute/workerPool.ts';
import type { Job } from '../../compute/jobs.ts';
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
    `select * from (select id, child, design_id, level, bits, help, seconds, count, tries, managed, liked, sat_on, before from note order by sat_on desc, id desc limit ${MOST_NOTES}) order by sat_on, id`,
  );
  return found.map(({ design_id: designId, sat_on: satOn, before, ...n }) => ({
    ...n,
    designId,
    satOn,
    before: JSON.parse(before) as Watched['before'],
  }));
}

type Asked = Extract<Job, { kind: 'rasch' | 'help-steps' }>;
/** The last answers, by what they are of: a page that is looked at again has no reason to wait. */
const last = new Map<Asked['kind'], { said: string; answer: unknown }>();

async function answerTo(
  job: Asked,
  workerPool: WorkerPool,
  signal: AbortSignal | undefined,
): Promise<unknown> {
  const said = JSON.stringify(job);
  const known = last.get(job.kind);
  if (known?.said === said) return known.answer;
  const answer = await workerPool.run(job, signal);
  last.set(job.kind, { said, answer });
  return answer;
}

/** Everybody's notes with the model that they make. */
export async function modelled(em: EntityManager, workerPool: WorkerPool, signal: AbortSignal | undefined) {
  const notes = await watched(em);
  const outcomes = outcomesOf(notes);
  const fit = toFit(outcomes);
  const patterns = new Map(
    (await rows<{ id: number; pattern: string }>(em, 'select id, pattern from design')).map((d) => [
      d.id,
      d.pattern,
    ]),
  );
  const patternOf = (designId: number): string | undefined => patterns.get(designId);
  const levels = ladderModel(
    outcomes,
    fit && ((await answerTo({ kind: 'rasch', responses: fit.responses }, workerPool, signal)) as RaschAnswer),
    patternOf,
  );
  const children = levelAnswers(outcomes, levels);
  const help = (await answerTo(
    { kind: 'help-steps', children, spread: levels.spread },
    workerPool,
    signal,
  )) as HelpSteps;
  const model: LadderModel = { ...levels, help };
  return { notes, outcomes, model, patternOf };
}
