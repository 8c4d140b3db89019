import { Router } from 'express';
import { childCode, childInput } from '../../../contract/children.ts';
import { noteInput, noteUpdate } from '../../../contract/notes.ts';
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

const inTheFuture = (today: string): ProblemError =>
  new ProblemError(400, 'satOn: lies in the future', [
    { path: 'satOn', message: `expected ${today} or earlier` },
  ]);

export function watchRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/children',
    {
      about:
        "children by code: `hand` has `span`, `opening`, `reach`, `standing`, `finger` in mm, `force` in N, as measured, `side` and `oneHanded`. `DELETE` forgets the measures; designs fitted to the child stay, without its code. A design's `child` is such a code",
    },
    () => listChildren(em(), today()),
  );
  r.put(
    '/children/:code',
    { about: 'see `GET /children`', role: 'lender', does: 'changed a child’s measures', body: childInput },
    ({ req, body: input }) => {
      const code = read(childCode, req.params.code);
      return inTransaction((m) => keepChild(m, code, input, today()));
    },
  );
  r.delete(
    '/children/:code',
    { about: 'see `GET /children`', role: 'lender', does: 'deleted a child’s measures' },
    async ({ req }) => {
      const code = read(childCode, req.params.code);
      await inTransaction((m) => forgetChild(m, code));
    },
  );
  r.get(
    '/notes/children',
    { about: 'children that notes speak of, the latest first: `[{child, notes, lastOn}]`' },
    () => watchedChildren(em()),
  );
  r.get(
    '/children/:code/data',
    { about: 'see `GET /borrowers/:id/data`', role: 'manager' },
    async ({ req, res }) => {
      const code = read(childCode, req.params.code);
      res.attachment('child.json').json(await childData(em(), code));
    },
  );
  r.post(
    '/children/:code/erase',
    { about: 'see `GET /borrowers/:id/data`', role: 'manager', does: 'erased a child', body: NOTHING },
    async ({ req }) => {
      const code = read(childCode, req.params.code);
      await inTransaction((m) => eraseChild(m, code));
      await forgetBytes(em());
    },
  );
  r.get(
    '/children/:code/page',
    {
      about:
        'what notes say of a child: ability in logits, for each level of what it tried the chance of managing alone with its interval, and what to offer next of the kits that are in, clean and whole (`whatNext`: `next`, `easier`, `other`, each with its reason)',
      query: childPageQuery,
    },
    ({ req, res, query: { skill } }) => {
      const child = read(childCode, req.params.code);
      return reading(serverContext, abortOnClose(res))('childPage', child, skill);
    },
  );
  r.get(
    '/children/:code/page.pdf',
    { about: 'what was seen of a child and what next, as PDF', query: childPageQuery },
    async ({ req, res, query: { skill } }) => {
      const child = read(childCode, req.params.code);
      const m = em();
      const page = await reading(serverContext, abortOnClose(res))('childPage', child, skill);
      const { items: notes } = await watch.listNotes(m, watch.noteQuery.parse({ child, limit: 200 }));
      const { name, locale, paper } = await m.findOneOrFail(PlaceRow, { id: 1 });
      const of = { page, notes, place: name, today: today(), locale };
      sendPaper(res, 'child.pdf', await papersFor(workerPool, res)('childPage', of, paper as Paper));
    },
  );
  r.get(
    '/groups',
    {
      about:
        'groups of children, by their codes up to the dash; who is where on which ladder, what none of them manages or most find dull, and which designs without a kit would suit them',
    },
    () => watchedGroups(em()),
  );
  r.get('/groups/:group/page', { about: 'see `GET /groups`' }, ({ req, res }) => {
    const group = read(childCode, req.params.group);
    return reading(serverContext, abortOnClose(res))('groupPage', group);
  });
  r.get(
    '/notes',
    {
      about:
        'watched sittings: `seconds` or `count` (or both) with `of`, what was counted; `before` lists the levels done before it in the same sitting, `[{level, bits, seconds, count}]`; `help` is none, shown once, verbal prompt, hand on wrist or hand over hand; `tries` and how many were `managed`, `liked` is loved it, fine, bored, refused or null',
      query: watch.noteQuery,
      isPage: true,
    },
    ({ query }) => watch.listNotes(em(), query),
  );
  r.get('/notes/summary', { about: 'see `GET /notes`' }, () => watch.notesSummary(em()));
  r.post(
    '/notes',
    {
      about: 'see `GET /notes`',
      role: 'lender',
      does: 'wrote a note',
      isUndoable: true,
      body: noteInput,
      status: 201,
    },
    ({ body: input }) => {
      if (input.satOn > today()) throw inTheFuture(today());
      return inTransaction((m) => watch.addNote(m, input));
    },
  );
  r.put(
    '/notes/:id',
    {
      about: 'see `GET /notes`; with the `version` that was read, else 409',
      role: 'lender',
      does: 'corrected a note',
      isUndoable: true,
      id: 'note',
      body: noteUpdate,
    },
    ({ id, body: input }) => {
      if (input.satOn > today()) throw inTheFuture(today());
      return inTransaction((m) => watch.changeNote(m, id, input));
    },
  );
  r.delete(
    '/notes/:id',
    { about: 'see `GET /notes`', role: 'lender', does: 'deleted a note', isUndoable: true, id: 'note' },
    async ({ id }) => {
      await inTransaction((m) => watch.removeNote(m, id));
    },
  );
  return r.router;
}
