import { Router } from 'express';
import { childCode, childInput } from '../../../contract/children.ts';
import { noteInput } from '../../../contract/lending.ts';
import { childPageQuery } from '../../../contract/watching.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { ProblemError, read } from '../../problem.ts';
import { forgetBytes } from '../files/waiting.ts';
import { childData, eraseChild } from './erase.ts';
import { forgetChild, keepChild, listChildren } from './children.ts';
import { reading } from '../reads.ts';
import { watchedChildren, watchedGroups } from './page.ts';
import * as watch from './service.ts';
import { Doors, NOTHING } from '../../people/door.ts';

export function watchRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get('/children', {}, () => listChildren(em(), today()));
  r.put(
    '/children/:code',
    { role: 'lends', does: 'changed a child’s measures', body: childInput },
    ({ req, body: input }) => {
      const code = read(childCode, req.params.code);
      return inTransaction((m) => keepChild(m, code, input, today()));
    },
  );
  r.delete('/children/:code', { role: 'lends', does: 'deleted a child’s measures' }, async ({ req }) => {
    const code = read(childCode, req.params.code);
    await inTransaction((m) => forgetChild(m, code));
  });
  r.get('/notes/children', {}, () => watchedChildren(em()));
  r.get('/children/:code/data', { role: 'keeps' }, async ({ req, res }) => {
    const code = read(childCode, req.params.code);
    res.attachment('child.json').json(await childData(em(), code));
  });
  r.post(
    '/children/:code/erase',
    { role: 'keeps', does: 'erased a child', body: NOTHING },
    async ({ req }) => {
      const code = read(childCode, req.params.code);
      await inTransaction((m) => eraseChild(m, code));
      await forgetBytes(em());
    },
  );
  r.get('/children/:code/page', { query: childPageQuery }, ({ req, res, query: { skill } }) => {
    const child = read(childCode, req.params.code);
    return reading(serverContext, abortOnClose(res))('childPage', child, skill);
  });
  r.get('/children/:code/page.pdf', { query: childPageQuery }, async ({ req, res, query: { skill } }) => {
    const child = read(childCode, req.params.code);
    const m = em();
    const page = await reading(serverContext, abortOnClose(res))('childPage', child, skill);
    const { items: notes } = await watch.listNotes(m, watch.noteQuery.parse({ child, limit: 200 }));
    const { name, locale, paper } = await m.findOneOrFail(PlaceRow, { id: 1 });
    const of = { page, notes, place: name, today: today(), locale };
    sendPaper(res, 'child.pdf', await papersFor(workerPool, res)('childPage', of, paper as Paper));
  });
  r.get('/groups', {}, () => watchedGroups(em()));
  r.get('/groups/:group/page', {}, ({ req, res }) => {
    const group = read(childCode, req.params.group);
    return reading(serverContext, abortOnClose(res))('groupPage', group);
  });
  r.get('/notes', { query: watch.noteQuery, isPage: true }, ({ query }) => watch.listNotes(em(), query));
  r.get('/notes/summary', {}, () => watch.notesSummary(em()));
  r.post(
    '/notes',
    { role: 'lends', does: 'wrote a note', body: noteInput, status: 201 },
    ({ body: input }) => {
      if (input.satOn > today())
        throw new ProblemError(400, 'satOn: lies in the future', [
          { path: 'satOn', message: `expected ${today()} or earlier` },
        ]);
      return inTransaction((m) => watch.addNote(m, input));
    },
  );
  r.delete('/notes/:id', { role: 'lends', does: 'deleted a note', id: 'note' }, async ({ id }) => {
    await inTransaction((m) => watch.removeNote(m, id));
  });
  return r.router;
}
