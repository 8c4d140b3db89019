import { Router } from 'express';
import {
  choiceQuery,
  planAgain,
  slipQuery,
  termPlanInput,
  termPlanUpdate,
} from '../../../../contract/termPlan.ts';
import { slipLanguages } from '../../../../core/lend/term/slipWords.ts';
import { hungUp } from '../../../compute/hungUp.ts';
import { PlaceRow } from '../../../db/entities.ts';
import { csvRows } from '../../../formats/csv.ts';
import { papersFor, sendPaper } from '../../../compute/paper.ts';
import { termCalendar } from '../../../formats/termCalendar.ts';
import type { Inside } from '../../../inside.ts';
import { ProblemError, read, readId } from '../../../problem.ts';
import * as plans from './service.ts';

export function termPlanRoutes({ em, inTransaction, today, door }: Inside): Router {
  const r = Router();
  const looking = () => ({ em: em(), door, today: today() });
  const idOf = (text: string | undefined): number => readId(text, 'term plan');
  r.get('/term-plans', async (_req, res) => void res.json(await plans.listTermPlans(em())));
  r.post('/term-plans', async (req, res) => {
    const input = read(termPlanInput, req.body);
    res.status(201).json(await inTransaction((m) => plans.addTermPlan(m, input)));
  });
  r.get('/term-plans/now', async (_req, res) => void res.json(await plans.plannedNow(em(), today())));
  r.get('/term-plans/:id', async (req, res) => {
    res.json(await plans.lookAtPlan(looking(), idOf(req.params.id)));
  });
  r.put('/term-plans/:id', async (req, res) => {
    const id = idOf(req.params.id);
    const input = read(termPlanUpdate, req.body);
    await inTransaction((m) => plans.updateTermPlan(m, id, input));
    res.json(await plans.lookAtPlan(looking(), id));
  });
  r.delete('/term-plans/:id', async (req, res) => {
    const id = idOf(req.params.id);
    await inTransaction((m) => plans.removeTermPlan(m, id));
    res.status(204).end();
  });
  r.post('/term-plans/:id/plan', async (req, res) => {
    const id = idOf(req.params.id);
    const { version } = read(planAgain, req.body);
    const best = await plans.bestPlan(looking(), id, hungUp(res));
    if (best.version !== version)
      throw new ProblemError(409, 'The plan was changed meanwhile.', [
        { path: 'version', message: `is stale: it is ${best.version} now` },
      ]);
    await inTransaction((m) => plans.keepPlanned(m, id, { version, entries: best.plan.entries }));
    res.json({ page: await plans.lookAtPlan(looking(), id), best: plans.asBest(best.plan) });
  });
  r.get('/term-plans/:id/best', async (req, res) => {
    res.json(plans.asBest((await plans.bestPlan(looking(), idOf(req.params.id), hungUp(res))).plan));
  });
  r.get('/term-plans/:id/choices', async (req, res) => {
    res.json(await plans.choicesFor(looking(), idOf(req.params.id), read(choiceQuery, req.query)));
  });
  r.get('/term-plans/:id/slips.pdf', async (req, res) => {
    const { paper, language } = read(slipQuery, req.query);
    const page = await plans.lookAtPlan(looking(), idOf(req.params.id));
    const place = await em().findOneOrFail(PlaceRow, { id: 1 });
    const pdf = await papersFor(door, res)(
      'termSlips',
      page,
      place,
      paper ?? (place.paper as 'A4' | 'Letter'),
      language ?? slipLanguages(place.languages)[0]!,
    );
    sendPaper(res, 'term-slips.pdf', pdf);
  });
  r.get('/term-plans/:id/plan.ics', async (req, res) => {
    const page = await plans.lookAtPlan(looking(), idOf(req.params.id));
    const { name } = await em().findOneOrFail(PlaceRow, { id: 1 });
    res
      .type('text/calendar')
      .attachment('term.ics')
      .send(termCalendar(page, name, today()));
  });
  r.get('/term-plans/:id/plan.csv', async (req, res) => {
    const page = await plans.lookAtPlan(looking(), idOf(req.params.id));
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
