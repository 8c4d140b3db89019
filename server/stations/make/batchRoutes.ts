import { Router } from 'express';
import {
  madeInput,
  makingInput,
  makingUpdate,
  progressInput,
  type BenchPlan,
} from '../../../contract/batches.ts';
import { scheduleOf } from '../../../core/plan/batch.ts';
import type { ScheduleAnswer } from '../../../core/plan/schedule.ts';
import { hungUp } from '../../compute/hungUp.ts';
import type { Inside } from '../../inside.ts';
import { read, readId } from '../../problem.ts';
import * as batches from './batches.ts';

export function batchRoutes({ em, inTransaction, today, door }: Inside): Router {
  const r = Router();
  r.get('/batches', async (_req, res) => void res.json(await batches.listBatches(em())));
  r.post('/batches', async (req, res) => {
    const input = read(makingInput, req.body);
    res.status(201).json(await inTransaction((m) => batches.addBatch(m, input)));
  });
  r.get('/batches/:id', async (req, res) => {
    const { materials: _, ...work } = await batches.openBatch(em(), readId(req.params.id, 'batch'), today());
    res.json(work);
  });
  r.put('/batches/:id', async (req, res) => {
    const id = readId(req.params.id, 'batch');
    const input = read(makingUpdate, req.body);
    res.json(await inTransaction((m) => batches.updateBatch(m, id, input)));
  });
  r.delete('/batches/:id', async (req, res) => {
    const id = readId(req.params.id, 'batch');
    await inTransaction((m) => batches.removeBatch(m, id));
    res.status(204).end();
  });
  r.post('/batches/:id/progress', async (req, res) => {
    const id = readId(req.params.id, 'batch');
    const input = read(progressInput, req.body);
    res.json(await inTransaction((m) => batches.progress(m, id, input, today())));
  });
  r.post('/batches/:id/made', async (req, res) => {
    const id = readId(req.params.id, 'batch');
    const input = read(madeInput, req.body);
    res.json(await inTransaction((m) => batches.made(m, id, input, today())));
  });
  r.get('/batches/:id/plan', async (req, res) => {
    const work = await batches.openBatch(em(), readId(req.params.id, 'batch'), today());
    const plan: BenchPlan =
      work.zero === null || work.days.makers.length === 0
        ? {
            feasible: false,
            makespan: null,
            bound: null,
            plan: [],
            reason: 'Nobody is at hand yet: say who makes it and when.',
            zero: null,
          }
        : {
            ...((await door.run(
              { kind: 'schedule', request: scheduleOf(work.tasks, work.days, work.zero) },
              hungUp(res),
            )) as ScheduleAnswer),
            zero: work.zero,
          };
    res.json(plan);
  });
  return r;
}
