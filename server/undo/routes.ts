import { Router } from 'express';
import { z } from 'zod';
import { undoInput } from '../../contract/undo.ts';
import { idCursor, pageOf } from '../paging.ts';
import { Doors, personIn } from '../people/door.ts';
import type { ServerContext } from '../serverContext.ts';
import { listDone, undo } from './log.ts';

const doneQuery = z.strictObject(pageOf(200, 50));

/** What was done today, and its way back. */
export function undoRoutes({ em, inTransaction, today }: ServerContext): Router {
  const r = new Doors();
  r.get(
    '/done',
    {
      about:
        'what was done today and can be undone: `{id, at, who, did, about, undone}`, the latest first; an answer to such a change names its id in the header `X-Undo`',
      query: doneQuery,
      isPage: true,
    },
    ({ query }) =>
      listDone(em(), { limit: query.limit, before: idCursor(query.after, Number.MAX_SAFE_INTEGER) }, today()),
  );
  r.post(
    '/done/:id/undo',
    {
      about:
        'puts back what a change of today left: the shelf, kits and figures are as before, and what was done stays on record with who undid it and why; 409 where something else rests on it, 403 for who might not have done it',
      role: 'lender',
      does: 'undid something',
      id: 'change',
      body: undoInput,
    },
    ({ res, id, body }) => {
      const person = personIn(res);
      return inTransaction((m) =>
        undo(m, id, { by: person?.name ?? body.by, why: body.why, role: person?.role }, today()),
      );
    },
  );
  return r.router;
}
