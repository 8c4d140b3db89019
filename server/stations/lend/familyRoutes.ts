import { familyPage } from './familyPage.ts';
import { Router } from 'express';
import { borrowerInput, borrowerUpdate, historyQuery, termQuery } from '../../../contract/lending.ts';
import type { ServerContext } from '../../serverContext.ts';
import * as families from './borrowers.ts';
import { familyHistory } from './history.ts';
import { forgetBytes } from '../files/waiting.ts';
import { eraseFamily } from './erase.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { reading, readingText } from '../reads.ts';
import { toldTo } from './telling.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import { Doors, NOTHING } from '../../people/door.ts';
import { fileName } from './fileName.ts';

/** Families, what they had, and what is given out or erased of theirs. */
export function familyRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/borrowers/:id/data',
    {
      about:
        'all that is known as one file; erased down to nameless counts, a family once it has brought everything back',
      role: 'manager',
      id: 'family',
    },
    async ({ res, id }) => {
      res.attachment(`family-${id}.json`);
      return readingText(serverContext, abortOnClose(res))('familyData', id);
    },
  );
  r.post(
    '/borrowers/:id/erase',
    {
      about: 'see `GET /borrowers/:id/data`',
      role: 'manager',
      does: 'erased a family',
      id: 'family',
      body: NOTHING,
    },
    async ({ id }) => {
      await inTransaction((m) => eraseFamily(m, id, today()));
      await forgetBytes(em());
    },
  );
  r.get(
    '/borrowers/:id/history',
    { about: 'see `POST /kits/:id/count`', id: 'family', query: historyQuery },
    ({ id, query }) => familyHistory(em(), id, query.limit),
  );
  r.get(
    '/borrowers/:id',
    {
      about:
        'all that stands of a family today: `{family, has, planned, kept, told, children}`; `has` what it has out with days overdue and why it is called back, `planned` from today on, `children` with the notes on each',
      id: 'family',
    },
    ({ id }) => familyPage(em(), id, today()),
  );
  r.get(
    '/borrowers/:id/page.pdf',
    {
      about:
        'a page that the family keeps, in its language: what it borrowed from `from` to `to`, and the levels that its children manage alone by then, with the first day of each',
      id: 'family',
      query: termQuery,
    },
    async ({ res, id, query: { from, to, paper } }) => {
      const size = paper ?? ((await em().findOneOrFail(PlaceRow, { id: 1 })).paper as Paper);
      const of = await reading(serverContext, abortOnClose(res))('borrowed', id, from, to);
      const pdf = await papersFor(workerPool, res)('borrowed', of, size);
      sendPaper(res, `${fileName(of.family, 'family')}-${from}-to-${to}.pdf`, pdf);
    },
  );
  r.get('/borrowers/:id/told', { about: 'see `GET /tellings/all.pdf`', id: 'family' }, ({ id }) =>
    toldTo(em(), id),
  );
  r.get(
    '/borrowers/:id/due.ics',
    { about: 'see `GET /tellings/all.pdf`', id: 'family' },
    async ({ res, id }) => {
      const { family, calendar } = await reading(serverContext, abortOnClose(res))('dueDays', id);
      res
        .type('text/calendar')
        .attachment(`${fileName(family, 'family')}-due.ics`)
        .send(calendar);
    },
  );
  r.get(
    '/borrowers',
    {
      about: 'families by name, those whose name or group has `q` in it',
      query: families.borrowerQuery,
      isPage: true,
    },
    ({ query }) => families.listBorrowers(em(), query, today()),
  );
  r.post(
    '/borrowers',
    {
      about: 'a new family',
      role: 'lender',
      does: 'added a family',
      body: borrowerInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => families.addBorrower(m, input, today())),
  );
  r.put(
    '/borrowers/:id',
    {
      about:
        'what is known of a family; `youngest` is an age today, months, that grows, `born` a month like `2025-10`; 409 where it was changed meanwhile',
      role: 'lender',
      does: 'changed a family',
      id: 'family',
      body: borrowerUpdate,
    },
    ({ id, body: input }) => inTransaction((m) => families.updateBorrower(m, id, input, today())),
  );
  return r.router;
}
