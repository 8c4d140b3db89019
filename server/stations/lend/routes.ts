import { Router } from 'express';
import { borrowerInput, loanInput, mendInput, returnInput } from '../../../contract/lending.ts';
import type { Inside } from '../../inside.ts';
import { read, readId } from '../../problem.ts';
import * as lend from './service.ts';

export function lendRoutes({ em, inTransaction, today }: Inside): Router {
  const r = Router();
  r.get('/copies', async (_req, res) => void res.json(await lend.listCopies(em())));
  r.post('/copies/:id/count', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(mendInput, req.body);
    res.json(await inTransaction((m) => lend.mend(m, id, input, today())));
  });
  r.get('/borrowers', async (_req, res) => void res.json(await lend.listBorrowers(em())));
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
