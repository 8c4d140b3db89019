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
  r.get('/rules', {}, () => rulesHere(em(), today()));
  r.put('/rules', { role: 'keeps', does: 'changed a rule', body: rulesUpdate }, ({ body: input }) =>
    inTransaction((m) => keepRules(m, input, today())),
  );
  r.post(
    '/tests',
    { role: 'lends', does: 'tested by hand', body: handTestInput, status: 201 },
    ({ body: input }) => inTransaction((m) => addTest(m, input, today())),
  );
  const asked = z.strictObject({
    paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  });
  for (const kind of ['design', 'kit'] as const) {
    r.get(`/${kind}s/:id/check`, { id: kind }, ({ res, id }) =>
      reading(serverContext, abortOnClose(res))('check', kind, id),
    );
    for (const [path, paperName] of [
      ['check-sheet', 'checkSheet'],
      ['family-check', 'familyCheck'],
    ] as const)
      r.get(
        `/${kind}s/:id/${path}.pdf`,
        { id: kind, query: asked },
        async ({ res, id, query: { paper } }) => {
          const sheet = await reading(serverContext, abortOnClose(res))('checkSheet', kind, id);
          const name = sheet.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || kind;
          const pdf = await papersFor(workerPool, res)(paperName, sheet, paper ?? sheet.paper);
          sendPaper(res, `${name}-${path}.pdf`, pdf);
        },
      );
  }
  r.get('/designs/:id/recall.pdf', { id: 'design', query: asked }, async ({ res, id, query: { paper } }) => {
    const m = em();
    const [recall] = await recalls(m, id);
    if (!recall) throw notFound(`recall of design ${id}`);
    const place = await m.findOneOrFail(PlaceRow, { id: 1 });
    const letters = { recall, place: place.name, phone: place.phone, today: today(), locale: place.locale };
    const size = paper ?? (place.paper as 'A4' | 'Letter');
    sendPaper(res, `recall-${id}.pdf`, await papersFor(workerPool, res)('recall', letters, size));
  });
  r.get('/recalls', { query: testsQuery }, ({ query: { designId } }) => recalls(em(), designId));
  return r.router;
}
