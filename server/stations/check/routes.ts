import { Router } from 'express';
import { handTestInput, rulesUpdate, testsQuery } from '../../../contract/checking.ts';
import type { Inside } from '../../inside.ts';
import { read } from '../../problem.ts';
import { addTest, keepRules, recalls, rulesHere } from './service.ts';

export function checkRoutes({ em, inTransaction, today }: Inside): Router {
  const r = Router();
  r.get('/rules', async (_req, res) => void res.json(await rulesHere(em())));
  r.put('/rules', async (req, res) => {
    const input = read(rulesUpdate, req.body);
    res.json(await inTransaction((m) => keepRules(m, input, today())));
  });
  r.post('/tests', async (req, res) => {
    const input = read(handTestInput, req.body);
    res.status(201).json(await inTransaction((m) => addTest(m, input, today())));
  });
  r.get('/recalls', async (req, res) => {
    const { designId } = read(testsQuery, req.query);
    res.json(await recalls(em(), designId));
  });
  return r;
}
