import { z } from 'zod';
import { Router } from 'express';
import { childCode, childInput } from '../../../contract/children.ts';
import { noteInput } from '../../../contract/lending.ts';
import { childPageQuery } from '../../../contract/watching.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { ProblemError, read, readId } from '../../problem.ts';
import { sendPage } from '../../paging.ts';
import { forgetBytes } from '../files/waiting.ts';
import { childData, eraseChild } from './erase.ts';
import { forgetChild, keepChild, listChildren } from './children.ts';
import { reading } from '../reads.ts';
import { watchedChildren, watchedGroups } from './page.ts';
import * as watch from './service.ts';
import { may, mayRead } from '../../people/door.ts';

export function watchRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = Router();
  r.get('/children', mayRead, async (_req, res) => void res.json(await listChildren(em(), today())));
  r.put('/children/:code', may('lends', 'changed a child’s measures'), async (req, res) => {
    const code = read(childCode, req.params.code);
    const input = read(childInput, req.body);
    res.json(await inTransaction((m) => keepChild(m, code, input, today())));
  });
  r.delete('/children/:code', may('lends', 'deleted a child’s measures'), async (req, res) => {
    const code = read(childCode, req.params.code);
    await inTransaction((m) => forgetChild(m, code));
    res.status(204).end();
  });
  r.get('/notes/children', mayRead, async (_req, res) => void res.json(await watchedChildren(em())));
  r.get('/children/:code/data', may('keeps'), async (req, res) => {
    const code = read(childCode, req.params.code);
    res.attachment('child.json').json(await childData(em(), code));
  });
  r.post('/children/:code/erase', may('keeps', 'erased a child'), async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    const code = read(childCode, req.params.code);
    await inTransaction((m) => eraseChild(m, code));
    await forgetBytes(em());
    res.status(204).end();
  });
  r.get('/children/:code/page', mayRead, async (req, res) => {
    const child = read(childCode, req.params.code);
    const { skill } = read(childPageQuery, req.query);
    res.json(await reading(serverContext, abortOnClose(res))('childPage', child, skill));
  });
  r.get('/children/:code/page.pdf', mayRead, async (req, res) => {
    const child = read(childCode, req.params.code);
    const { skill } = read(childPageQuery, req.query);
    const m = em();
    const page = await reading(serverContext, abortOnClose(res))('childPage', child, skill);
    const { items: notes } = await watch.listNotes(m, watch.noteQuery.parse({ child, limit: 200 }));
    const { name, locale, paper } = await m.findOneOrFail(PlaceRow, { id: 1 });
    const of = { page, notes, place: name, today: today(), locale };
    sendPaper(res, 'child.pdf', await papersFor(workerPool, res)('childPage', of, paper as Paper));
  });
  r.get('/groups', mayRead, async (_req, res) => void res.json(await watchedGroups(em())));
  r.get('/groups/:group/page', mayRead, async (req, res) => {
    const group = read(childCode, req.params.group);
    res.json(await reading(serverContext, abortOnClose(res))('groupPage', group));
  });
  r.get('/notes', mayRead, async (req, res) => {
    sendPage(req, res, await watch.listNotes(em(), read(watch.noteQuery, req.query)));
  });
  r.get('/notes/summary', mayRead, async (_req, res) => void res.json(await watch.notesSummary(em())));
  r.post('/notes', may('lends', 'wrote a note'), async (req, res) => {
    const input = read(noteInput, req.body);
    if (input.satOn > today())
      throw new ProblemError(400, 'satOn: lies in the future', [
        { path: 'satOn', message: `expected ${today()} or earlier` },
      ]);
    res.status(201).json(await inTransaction((m) => watch.addNote(m, input)));
  });
  r.delete('/notes/:id', may('lends', 'deleted a note'), async (req, res) => {
    const id = readId(req.params.id, 'note');
    await inTransaction((m) => watch.removeNote(m, id));
    res.status(204).end();
  });
  return r;
}
