import { Router, type Response } from 'express';
import {
  choiceQuery,
  planAgain,
  slipQuery,
  termPlanInput,
  termPlanUpdate,
  type TermMended,
  type TermPlanPage,
} from '../../../../contract/termPlan.ts';
import type { MendedTerm } from '../../../../core/lend/term/mendTerm.ts';
import type { TermPlan } from '../../../../core/lend/term/planTerm.ts';
import { slipLanguages } from '../../../../core/lend/term/slipWords.ts';
import { abortOnClose } from '../../../compute/abortOnClose.ts';
import { PlaceRow } from '../../../db/entities.ts';
import { csvRows } from '../../../formats/csv.ts';
import { papersFor, sendPaper } from '../../../compute/paper.ts';
import type { ServerContext } from '../../../serverContext.ts';
import { ProblemError } from '../../../problem.ts';
import { reading, readingText } from '../../reads.ts';
import * as plans from './service.ts';
import { Doors } from '../../../people/door.ts';

/** A plan with the loans alone that are named, as `family-week` with commas between; all where none are. */
function onlyPlaces(page: TermPlanPage, places: string | undefined): TermPlanPage {
  if (places === undefined) return page;
  const wanted = new Set(places.split(','));
  return {
    ...page,
    families: page.families.map((f) => ({
      ...f,
      loans: f.loans.filter((l) => wanted.has(`${l.borrowerId}-${l.week}`)),
    })),
  };
}

export function termPlanRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  const look = (id: number, res: Response): Promise<TermPlanPage> =>
    reading(serverContext, abortOnClose(res))('termPlan', id);
  /** The best plan round what was set by hand. */
  const bestPlan = async (id: number, res: Response): Promise<{ plan: TermPlan; version: number }> => {
    const { version, problem, kept } = await reading(serverContext, abortOnClose(res))('termProblem', id);
    const job = { kind: 'term', problem, kept } as const;
    return { plan: (await workerPool.run(job, abortOnClose(res))) as TermPlan, version };
  };
  const refuseStale = (is: number, version: number): void => {
    if (is !== version)
      throw new ProblemError(409, 'The plan was changed meanwhile.', [
        { path: 'version', message: `is stale: it is ${is} now` },
      ]);
  };
  r.get(
    '/term-plans',
    { about: 'plans of terms; a look at one says of every loan what stands against it today' },
    () => plans.listTermPlans(em()),
  );
  r.post(
    '/term-plans',
    {
      about: 'see `GET /term-plans`',
      role: 'lender',
      does: 'changed the plan of a term',
      body: termPlanInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => plans.addTermPlan(m, input)),
  );
  r.get(
    '/term-plans/now',
    { about: 'loans that plans have for the change of hands that is on now and that were not made yet' },
    () => plans.plannedNow(em(), today()),
  );
  r.get('/term-plans/:id', { about: 'see `GET /term-plans`', id: 'term plan' }, ({ res, id }) =>
    readingText(serverContext, abortOnClose(res))('termPlan', id),
  );
  r.put(
    '/term-plans/:id',
    {
      about: 'see `GET /term-plans`',
      id: 'term plan',
      role: 'lender',
      does: 'changed the plan of a term',
      body: termPlanUpdate,
    },
    async ({ res, id, body: input }) => {
      await inTransaction((m) => plans.updateTermPlan(m, id, input));
      return look(id, res);
    },
  );
  r.delete(
    '/term-plans/:id',
    { about: 'see `GET /term-plans`', id: 'term plan', role: 'lender', does: 'changed the plan of a term' },
    async ({ id }) => {
      await inTransaction((m) => plans.removeTermPlan(m, id));
    },
  );
  r.post(
    '/term-plans/:id/plan',
    {
      about:
        'the best plan round what was set by hand, with its points, a bound and whether it is proved; one kit of each kind for a place, with what speaks for and against it',
      id: 'term plan',
      role: 'lender',
      does: 'changed the plan of a term',
      body: planAgain,
    },
    async ({ res, id, body: { version } }) => {
      const best = await bestPlan(id, res);
      refuseStale(best.version, version);
      const { entries } = best.plan;
      const changed = await inTransaction((m) =>
        plans.keepPlanned(m, id, { version, entries, today: today() }),
      );
      return { page: await look(id, res), best: plans.asBest(best.plan), changed };
    },
  );
  r.post(
    '/term-plans/:id/mend',
    {
      about:
        'the plan without faults that differs in the fewest loans from the one there is; answers with what changed, and whether fewer is proved to be impossible. What was set by hand stays',
      id: 'term plan',
      role: 'lender',
      does: 'changed the plan of a term',
      body: planAgain,
    },
    async ({ res, id, body: { version } }): Promise<TermMended> => {
      const of = await reading(serverContext, abortOnClose(res))('termProblem', id);
      refuseStale(of.version, version);
      const job = { kind: 'mend-term', problem: of.problem, before: of.before } as const;
      const { entries, isLeast } = (await workerPool.run(job, abortOnClose(res))) as MendedTerm;
      const changed = await inTransaction((m) =>
        plans.keepPlanned(m, id, { version, entries, today: today() }),
      );
      return { page: await look(id, res), changed, isLeast };
    },
  );
  r.get(
    '/term-plans/:id/best',
    { about: 'see `POST /term-plans/:id/plan`', id: 'term plan' },
    async ({ res, id }) => plans.asBest((await bestPlan(id, res)).plan),
  );
  r.get(
    '/term-plans/:id/choices',
    { about: 'see `POST /term-plans/:id/plan`', id: 'term plan', query: choiceQuery },
    ({ res, id, query }) => reading(serverContext, abortOnClose(res))('termChoices', id, query),
  );
  r.get(
    '/term-plans/:id/slips.pdf',
    {
      about: 'a slip a loan that nothing stands against, a calendar (RFC 5545), a table',
      id: 'term plan',
      query: slipQuery,
    },
    async ({ res, id, query: { paper, language, places } }) => {
      const page = onlyPlaces(await look(id, res), places);
      const place = await em().findOneOrFail(PlaceRow, { id: 1 });
      const pdf = await papersFor(workerPool, res)(
        'termSlips',
        page,
        place,
        paper ?? (place.paper as 'A4' | 'Letter'),
        language ?? slipLanguages(place.languages)[0]!,
      );
      sendPaper(res, 'term-slips.pdf', pdf);
    },
  );
  r.get(
    '/term-plans/:id/plan.ics',
    { about: 'the plan as a calendar (RFC 5545)', id: 'term plan' },
    async ({ res, id }) => {
      const page = await look(id, res);
      const { name } = await em().findOneOrFail(PlaceRow, { id: 1 });
      res
        .type('text/calendar')
        .attachment('term.ics')
        .send((await import('../../../formats/termCalendar.ts')).termCalendar(page, name, today()));
    },
  );
  r.get(
    '/term-plans/:id/plan.csv',
    { about: 'the plan as a table', id: 'term plan' },
    async ({ res, id }) => {
      const page = await look(id, res);
      const loans = page.families.flatMap((f) =>
        f.loans.map((l) => [l.day, f.name, f.group, l.label, l.kit, l.due, l.reason, l.faults.join(' ')]),
      );
      loans.sort((a, b) => (a[0]! < b[0]! ? -1 : a[0]! > b[0]! ? 1 : 0));
      res
        .type('text/csv')
        .attachment('term.csv')
        .send(csvRows([['day', 'family', 'group', 'label', 'kit', 'due', 'reason', 'against'], ...loans]));
    },
  );
  return r.router;
}
