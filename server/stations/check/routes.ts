import { Router } from 'express';
import { z } from 'zod';
import { handTestInput, rulesUpdate, testsQuery } from '../../../contract/checking.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { notFound } from '../../problem.ts';
import { reading } from '../reads.ts';
import { addTest, keepRules, recalls, rulesHere } from './service.ts';
import { Doors } from '../../people/door.ts';

export function checkRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/rules',
    {
      about:
        "what the check goes by: `{version, market, rules: {changes, own}, list, log, tests}`; `PUT` `{version, changes: [{rule, off, limit, below, verdict, remedy, by, why}], own: [{id, title, measure, breaks, limit, below, verdict, remedy, by, why}]}` with the place's version. Every difference goes on record",
    },
    () => rulesHere(em(), today()),
  );
  r.put(
    '/rules',
    { about: 'see `GET /rules`', role: 'manager', does: 'changed a rule', body: rulesUpdate },
    ({ body: input }) => inTransaction((m) => keepRules(m, input, today())),
  );
  r.post(
    '/tests',
    {
      about:
        'a test by hand on a finished kit; it holds for kits made with the same dials and materials, for 180 days or 10 loans of one kit, and the last of each test on each part of those counts. Passed under the asked force, or with none, it clears nothing',
      role: 'lender',
      does: 'tested by hand',
      body: handTestInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => addTest(m, input, today())),
  );
  const asked = z.strictObject({
    paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  });
  for (const kind of ['design', 'bundle'] as const) {
    r.get(
      `/${kind}s/:id/check`,
      { about: 'what was found, as one thing in one home: the youngest of all decides', id: kind },
      ({ res, id }) => reading(serverContext, abortOnClose(res))('check', kind, id),
    );
    for (const [path, paperName, about] of [
      ['check-sheet', 'checkSheet', 'everything that was checked, tested by hand and not checked, as PDF'],
      [
        'family-check',
        'familyCheck',
        'whether a child could choke on it, in plain words for a family, as PDF',
      ],
    ] as const)
      r.get(
        `/${kind}s/:id/${path}.pdf`,
        { about, id: kind, query: asked },
        async ({ res, id, query: { paper } }) => {
          const sheet = await reading(serverContext, abortOnClose(res))('checkSheet', kind, id);
          const name = sheet.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || kind;
          const pdf = await papersFor(workerPool, res)(paperName, sheet, paper ?? sheet.paper);
          sendPaper(res, `${name}-${path}.pdf`, pdf);
        },
      );
  }
  r.get(
    '/designs/:id/recall.pdf',
    { about: 'see `GET /recalls`', id: 'design', query: asked },
    async ({ res, id, query: { paper } }) => {
      const m = em();
      const [recall] = await recalls(m, id);
      if (!recall) throw notFound(`recall of design ${id}`);
      const place = await m.findOneOrFail(PlaceRow, { id: 1 });
      const letters = { recall, place: place.name, phone: place.phone, today: today(), locale: place.locale };
      const size = paper ?? (place.paper as 'A4' | 'Letter');
      sendPaper(res, `recall-${id}.pdf`, await papersFor(workerPool, res)('recall', letters, size));
    },
  );
  r.get(
    '/recalls',
    {
      about:
        'designs whose last test failed, with the kits that are out; those kits are not lent until it is passed. `GET /designs/:id/recall.pdf` is a letter to each family',
      query: testsQuery,
    },
    ({ query: { designId } }) => recalls(em(), designId),
  );
  return r.router;
}
