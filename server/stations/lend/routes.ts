import { Router } from 'express';
import { borrowerInput, historyQuery, loanInput, mendInput, returnInput } from '../../../contract/lending.ts';
import type { Inside } from '../../inside.ts';
import { read, readId } from '../../problem.ts';
import { sendPage } from '../../paging.ts';
import { copyQuery, lendingSummary, listCopies } from './copies.ts';
import { familyHistory, kitHistory } from './history.ts';
import * as lend from './service.ts';

export function lendRoutes({ em, inTransaction, today }: Inside): Router {
  const r = Router();
  r.get('/copies', async (req, res) => {
    sendPage(req, res, await listCopies(em(), read(copyQuery, req.query), today()));
  });
  r.get('/copies/summary', async (_req, res) => void res.json(await lendingSummary(em(), today())));
  r.post('/copies/:id/count', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(mendInput, req.body);
    res.json(await inTransaction((m) => lend.mend(m, id, input, today())));
  });
  r.get('/copies/:id/history', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    res.json(await kitHistory(em(), id, read(historyQuery, req.query).limit));
  });
  r.get('/borrowers/:id/history', async (req, res) => {
    const id = readId(req.params.id, 'family');
    res.json(await familyHistory(em(), id, read(historyQuery, req.query).limit));
  });
  r.get('/borrowers', async (req, res) => {
    sendPage(req, res, await lend.listBorrowers(em(), read(lend.borrowerQuery, req.query)));
  });
  r.post('/borrowers', async (req, res) => {
    const input = read(borrowerInput, req.body);
    res.status(201).json(await inTransaction((m) => lend.addBorrower(m, input)));
  });
  r.post('/loans', async (req, res) => {
    const input = read(loanInput, req.body);
    res.status(201).json(await inTransaction((m) => lend.lend(m, input, today())));
  });
  r.post('/loans/:id/return', async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const input = read(returnInput, req.body);
    res.json(await inTransaction((m) => lend.takeBack(m, id, input, today())));
  });
  return r;
}
