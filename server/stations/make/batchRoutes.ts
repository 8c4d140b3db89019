import { stringify } from 'csv-stringify/sync';
import { Router, type Response } from 'express';
import { z } from 'zod';
import { madeInput, makingInput, makingUpdate, progressInput } from '../../../contract/batches.ts';
import { hindranceWords } from '../../../core/plan/planWords.ts';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import { moneyNumber } from '../../../core/measure/money.ts';
import type { PurchaseAnswer } from '../../../core/price/purchase.ts';
import { PlaceRow } from '../../db/entities.ts';
import { papersFor, papersTogether, sendPaper } from '../../compute/paper.ts';
import type { Shopping } from '../../formats/batchSheets.ts';
import { benchCalendar } from '../../formats/benchCalendar.ts';
import { harmless } from '../../formats/csv.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import type { ServerContext } from '../../serverContext.ts';
import { reading } from '../reads.ts';
import { ProblemError } from '../../problem.ts';
import * as batches from './batches.ts';
import { ownTimes } from './ownTimes.ts';
import { made, progress } from './batchWork.ts';
import { Doors } from '../../people/door.ts';

const paperQuery = z.strictObject({
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
});

export function batchRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/batches',
    {
      about:
        'designs and kits made together; one of `designId` and `bundleId` is null. `days` are `{makers: [{name, windows: [{day, from, to}]}], childFree, singles, pins}`, minutes of the day. The answer of one has its bill, cut plans, tasks and own minutes',
    },
    () => batches.listBatches(em()),
  );
  r.post(
    '/batches',
    {
      about: 'see `GET /batches`',
      role: 'designer',
      does: 'changed a batch',
      body: makingInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => batches.addBatch(m, input)),
  );
  r.get(
    '/step-times',
    {
      about:
        'minutes of steps as this place takes them, by pattern and step with a blank between, as in `lace punch`: `{factor, low, high, times}`, over the usual, with the interval in which 19 of 20 would be right; a step that was never timed has none',
    },
    () => ownTimes(em()),
  );
  const read = (res: Response) => reading(serverContext, abortOnClose(res));
  r.get('/batches/:id', { about: 'see `GET /batches`', id: 'batch' }, async ({ res, id }) => {
    const { materials: _, designs: __, ...work } = await read(res)('batch', id);
    return work;
  });
  r.put(
    '/batches/:id',
    {
      about: 'see `GET /batches`',
      role: 'designer',
      does: 'changed a batch',
      id: 'batch',
      body: makingUpdate,
    },
    ({ id, body: input }) => inTransaction((m) => batches.updateBatch(m, id, input)),
  );
  r.delete(
    '/batches/:id',
    { about: 'see `GET /batches`', role: 'designer', does: 'changed a batch', id: 'batch' },
    async ({ id }) => {
      await inTransaction((m) => batches.removeBatch(m, id));
    },
  );
  r.post(
    '/batches/:id/progress',
    {
      about: 'a step at the bench; what is said twice changes nothing. `at` is in ms since 1970',
      role: 'designer',
      does: 'did a step at the bench',
      id: 'batch',
      body: progressInput,
    },
    ({ id, body: input }) => inTransaction((m) => progress(m, id, input, today())),
  );
  r.post(
    '/batches/:id/made',
    {
      about: 'takes everything off the shelf, what was spoiled too, and labels the kits, all or nothing',
      role: 'designer',
      does: 'finished a batch',
      isUndoable: true,
      id: 'batch',
      body: madeInput,
    },
    ({ id, body: input }) => inTransaction((m) => made(m, id, input, today())),
  );
  const planOf = async ({ designs, own, days, tasks }: batches.Opened, res: Response): Promise<BenchPlan> => {
    const plan = (await workerPool.run(
      { kind: 'bench-plan', request: { designs, own, days } },
      abortOnClose(res),
    )) as BenchPlan;
    // As the steps are called for all the kits.
    return plan.noPlan ? { ...plan, reason: hindranceWords(plan.noPlan.hindrance, tasks) } : plan;
  };
  const file = (work: batches.Opened, what: string): string =>
    `${
      work.name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '') || 'batch'
    }-${what}`;
  r.get(
    '/batches/:id/plan',
    {
      about:
        'the plan as `schedule` answers it, from midnight of the `zero` day; as a calendar (RFC 5545, floating times); everything on paper in order; what to buy by shop',
      id: 'batch',
    },
    async ({ res, id }) => planOf(await read(res)('batch', id), res),
  );
  r.get(
    '/batches/:id/plan.ics',
    { about: 'the plan of the day as a calendar (RFC 5545)', id: 'batch' },
    async ({ res, id }) => {
      const work = await read(res)('batch', id);
      const plan = await planOf(work, res);
      if (!plan.feasible) throw new ProblemError(422, plan.reason!);
      res
        .type('text/calendar')
        .attachment(file(work, 'plan.ics'))
        .send(benchCalendar(work, plan, today()));
    },
  );
  const shopping = async (work: batches.Opened, res: Response): Promise<Shopping> => {
    const request = await read(res)('batchPurchase', work);
    const answer = (await workerPool.run({ kind: 'purchase', request }, abortOnClose(res))) as PurchaseAnswer;
    return read(res)('batchShopping', work, answer);
  };
  r.get(
    '/batches/:id/shopping.pdf',
    { about: 'what to buy, shop by shop, as PDF', id: 'batch', query: paperQuery },
    async ({ res, id, query: { paper } }) => {
      const work = await read(res)('batch', id);
      const sheet = await read(res)('batchSheet', work, await planOf(work, res));
      const pdf = await papersFor(workerPool, res)(
        'shopping',
        sheet,
        await shopping(work, res),
        paper ?? sheet.paper,
      );
      sendPaper(res, file(work, 'shopping.pdf'), pdf);
    },
  );
  r.get(
    '/batches/:id/shopping.csv',
    { about: 'what to buy, as a table', id: 'batch' },
    async ({ res, id }) => {
      const work = await read(res)('batch', id);
      const { lines } = await shopping(work, res);
      const place = await em().findOneOrFail(PlaceRow, { id: 1 });
      res
        .type('text/csv')
        .attachment(file(work, 'shopping.csv'))
        .send(
          stringify([
            ['shop', 'pack', 'packs', 'price', 'currency'],
            ...lines.map((l) => [
              harmless(l.shop),
              harmless(l.pack),
              l.isDelivery ? '' : l.packs,
              moneyNumber(l.price, place.currency),
              place.currency,
            ]),
          ]),
        );
    },
  );
  r.get(
    '/batches/:id/papers.pdf',
    { about: 'everything on paper in the order of the day, as PDF', id: 'batch', query: paperQuery },
    async ({ res, id, query: { paper } }) => {
      const work = await read(res)('batch', id);
      const sheet = await read(res)('batchSheet', work, await planOf(work, res));
      const parts = await read(res)('batchPapers', sheet, await shopping(work, res), paper ?? sheet.paper);
      sendPaper(res, file(work, 'papers.pdf'), await papersTogether(workerPool, res, work.name, parts));
    },
  );
  return r.router;
}
