import { Router } from 'express';
import {
  answerQuery,
  answersQuery,
  historyQuery,
  foundInput,
  countInHouseInput,
  stateInput,
} from '../../../contract/lending.ts';
import type { ServerContext } from '../../serverContext.ts';
import { read, readId } from '../../problem.ts';
import { answerFor, NOBODY_TOLD, shortAnswers, whoIs } from '../check/askKit.ts';
import * as families from './borrowers.ts';
import { sendPage } from '../../paging.ts';
import { copyQuery, lendingSummary, listCopies } from './copies.ts';
import { kitHistory } from './history.ts';
import { returnPiece } from './found.ts';
import { changeState } from './states.ts';
import * as lend from './service.ts';
import { may, mayRead } from '../../people/door.ts';

/** Single kits on the rail: where each stands, its counts, its history. */
export function copyRoutes({ em, inTransaction, today }: ServerContext): Router {
  const r = Router();
  r.get('/copies', mayRead, async (req, res) => {
    sendPage(req, res, await listCopies(em(), read(copyQuery, req.query), today()));
  });
  r.get('/copies/summary', mayRead, async (_req, res) => void res.json(await lendingSummary(em(), today())));
  r.post('/copies/:id/count', may('lends', 'counted a kit'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(countInHouseInput, req.body);
    res.json(await inTransaction((m) => lend.countInHouse(m, id, input, today())));
  });
  r.post('/copies/:id/state', may('lends', 'changed the state of a kit'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(stateInput, req.body);
    res.json(await inTransaction((m) => changeState(m, id, input, today())));
  });
  r.get('/copies/answers', mayRead, async (req, res) => {
    const { ids } = read(answersQuery, req.query);
    res.json(await shortAnswers(em(), ids.split(',').map(Number), today()));
  });
  r.get('/copies/:id/answer', mayRead, async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const { borrowerId } = read(answerQuery, req.query);
    const m = em();
    const family = borrowerId === undefined ? null : await families.familyNamed(m, borrowerId);
    const who = family ? await whoIs(m, family, today()) : NOBODY_TOLD;
    res.json(await answerFor(m, id, who, today()));
  });
  r.get('/copies/:id/history', mayRead, async (req, res) => {
    const id = readId(req.params.id, 'kit');
    res.json(await kitHistory(em(), id, read(historyQuery, req.query).limit));
  });
  r.post('/copies/:id/found', may('lends', 'put a piece back that turned up'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(foundInput, req.body);
    res.json(await inTransaction((m) => returnPiece(m, id, input, today())));
  });
  return r;
}
