import { Router } from 'express';
import { z } from 'zod';
import { borrowerInput, borrowerUpdate, historyQuery } from '../../../contract/lending.ts';
import type { ServerContext } from '../../serverContext.ts';
import { read, readId } from '../../problem.ts';
import * as families from './borrowers.ts';
import { sendPage } from '../../paging.ts';
import { familyHistory } from './history.ts';
import { forgetBytes } from '../files/waiting.ts';
import { eraseFamily } from './erase.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { reading } from '../reads.ts';
import { dueCalendar } from '../../formats/calendars.ts';
import { toldTo } from './telling.ts';
import { may, mayRead } from '../../people/door.ts';
import { fileName } from './fileName.ts';

/** Families, what they had, and what is given out or erased of theirs. */
export function familyRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today } = serverContext;
  const r = Router();
  r.get('/borrowers/:id/data', may('keeps'), async (req, res) => {
    const id = readId(req.params.id, 'family');
    res
      .attachment(`family-${id}.json`)
      .json(await reading(serverContext, abortOnClose(res))('familyData', id));
  });
  r.post('/borrowers/:id/erase', may('keeps', 'erased a family'), async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    const id = readId(req.params.id, 'family');
    await inTransaction((m) => eraseFamily(m, id, today()));
    await forgetBytes(em());
    res.status(204).end();
  });
  r.get('/borrowers/:id/history', mayRead, async (req, res) => {
    const id = readId(req.params.id, 'family');
    res.json(await familyHistory(em(), id, read(historyQuery, req.query).limit));
  });
  r.get('/borrowers/:id/told', mayRead, async (req, res) => {
    res.json(await toldTo(em(), readId(req.params.id, 'family')));
  });
  r.get('/borrowers/:id/due.ics', mayRead, async (req, res) => {
    const id = readId(req.params.id, 'family');
    const { family, place, loans } = await reading(serverContext, abortOnClose(res))('dueDays', id);
    res
      .type('text/calendar')
      .attachment(`${fileName(family, 'family')}-due.ics`)
      .send(dueCalendar(loans, place, today()));
  });
  r.get('/borrowers', mayRead, async (req, res) => {
    sendPage(req, res, await families.listBorrowers(em(), read(families.borrowerQuery, req.query), today()));
  });
  r.post('/borrowers', may('lends', 'added a family'), async (req, res) => {
    const input = read(borrowerInput, req.body);
    res.status(201).json(await inTransaction((m) => families.addBorrower(m, input, today())));
  });
  r.put('/borrowers/:id', may('lends', 'changed a family'), async (req, res) => {
    const id = readId(req.params.id, 'family');
    const input = read(borrowerUpdate, req.body);
    res.json(await inTransaction((m) => families.updateBorrower(m, id, input, today())));
  });
  return r;
}
