import { Router, type Response } from 'express';
import {
  choiceQuery,
  planAgain,
  slipQuery,
  termPlanInput,
  termPlanUpdate,
  type TermPlanPage,
} from '../../../../contract/termPlan.ts';
import type { TermPlan } from '../../../../core/lend/term/planTerm.ts';
import { slipLanguages } from '../../../../core/lend/term/slipWords.ts';
import { abortOnClose } from '../../../compute/abortOnClose.ts';
import { PlaceRow } from '../../../db/entities.ts';
import { csvRows } from '../../../formats/csv.ts';
import { papersFor, sendPaper } from '../../../compute/paper.ts';
import { termCalendar } from '../../../formats/termCalendar.ts';
import type { ServerContext } from '../../../serverContext.ts';
import { ProblemError, read, readId } from '../../../problem.ts';
import { reading } from '../../reads.ts';
import * as plans from './service.ts';
import { may, mayRead } from '../../../people/door.ts';

export function termPlanRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = Router();
  const look = (id: number, res: Response): Promise<TermPlanPage> =>
    reading(serverContext, abortOnClose(res))('termPlan', id);
  /** The best plan round what was set by hand. */
  const bestPlan = async (id: number, res: Response): Promise<{ plan: TermPlan; version: number }> => {
    const { version, ...of } = await reading(serverContext, abortOnClose(res))('termProblem', id);
    return { plan: (await workerPool.run({ kind: 'term', ...of }, abortOnClose(res))) as TermPlan, version };
  };
  const idOf = (text: unknown): number => readId(text, 'term plan');
  r.get('/term-plans', mayRead, async (_req, res) => void res.json(await plans.listTermPlans(em())));
  r.post('/term-plans', may('lends', 'changed the plan of a term'), async (req, res) => {
    const input = read(termPlanInput, req.body);
    res.status(201).json(await inTransaction((m) => plans.addTermPlan(m, input)));
  });
  r.get(
    '/term-plans/now',
    mayRead,
    async (_req, res) => void res.json(await plans.plannedNow(em(), today())),
  );
  r.get('/term-plans/:id', mayRead, async (req, res) => {
    res.json(await look(idOf(req.params.id), res));
  });
  r.put('/term-plans/:id', may('lends', 'changed the plan of a term'), async (req, res) => {
    const id = idOf(req.params.id);
    const input = read(termPlanUpdate, req.body);
    await inTransaction((m) => plans.updateTermPlan(m, id, input));
    res.json(await look(id, res));
  });
  r.delete('/term-plans/:id', may('lends', 'changed the plan of a term'), async (req, res) => {
    const id = idOf(req.params.id);
    await inTransaction((m) => plans.removeTermPlan(m, id));
    res.status(204).end();
  });
  r.post('/term-plans/:id/plan', may('lends', 'changed the plan of a term'), async (req, res) => {
    const id = idOf(req.params.id);
    const { version } = read(planAgain, req.body);
    const best = await bestPlan(id, res);
    if (best.version !== version)
      throw new ProblemError(409, 'The plan was changed meanwhile.', [
        { path: 'version', message: `is stale: it is ${best.version} now` },
      ]);
    await inTransaction((m) => plans.keepPlanned(m, id, { version, entries: best.plan.entries }));
    res.json({ page: await look(id, res), best: plans.asBest(best.plan) });
  });
  r.get('/term-plans/:id/best', mayRead, async (req, res) => {
    res.json(plans.asBest((await bestPlan(idOf(req.params.id), res)).plan));
  });
  r.get('/term-plans/:id/choices', mayRead, async (req, res) => {
    res.json(
      await reading(serverContext, abortOnClose(res))(
        'termChoices',
        idOf(req.params.id),
        read(choiceQuery, req.query),
      ),
    );
  });
  r.get('/term-plans/:id/slips.pdf', mayRead, async (req, res) => {
    const { paper, language } = read(slipQuery, req.query);
    const page = await look(idOf(req.params.id), res);
    const place = await em().findOneOrFail(PlaceRow, { id: 1 });
    const pdf = await papersFor(workerPool, res)(
      'termSlips',
      page,
      place,
      paper ?? (place.paper as 'A4' | 'Letter'),
      language ?? slipLanguages(place.languages)[0]!,
    );
    sendPaper(res, 'term-slips.pdf', pdf);
  });
  r.get('/term-plans/:id/plan.ics', mayRead, async (req, res) => {
    const page = await look(idOf(req.params.id), res);
    const { name } = await em().findOneOrFail(PlaceRow, { id: 1 });
    res
      .type('text/calendar')
      .attachment('term.ics')
      .send(termCalendar(page, name, today()));
  });
  r.get('/term-plans/:id/plan.csv', mayRead, async (req, res) => {
    const page = await look(idOf(req.params.id), res);
    const loans = page.families.flatMap((f) =>
      f.loans.map((l) => [l.day, f.name, f.group, l.label, l.kit, l.due, l.reason, l.faults.join(' ')]),
    );
    loans.sort((a, b) => (a[0]! < b[0]! ? -1 : a[0]! > b[0]! ? 1 : 0));
    res
      .type('text/csv')
      .attachment('term.csv')
      .send(csvRows([['day', 'family', 'group', 'label', 'kit', 'due', 'reason', 'against'], ...loans]));
  });
  return r;
}
