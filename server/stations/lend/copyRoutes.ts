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
import { answerFor, NOBODY_TOLD, shortAnswers, whoIs } from '../check/askKit.ts';
import * as families from './borrowers.ts';
import { copyQuery, lendingSummary, listCopies } from './copies.ts';
import { kitHistory } from './history.ts';
import { returnPiece } from './found.ts';
import { changeState } from './states.ts';
import * as lend from './service.ts';
import { Doors } from '../../people/door.ts';

/** Single kits on the rail: where each stands, its counts, its history. */
export function copyRoutes({ em, inTransaction, today }: ServerContext): Router {
  const r = new Doors();
  r.get('/copies', { query: copyQuery, isPage: true }, ({ query }) => listCopies(em(), query, today()));
  r.get('/copies/summary', {}, () => lendingSummary(em(), today()));
  r.post(
    '/copies/:id/count',
    { role: 'lends', does: 'counted a kit', id: 'kit', body: countInHouseInput },
    ({ id, body: input }) => inTransaction((m) => lend.countInHouse(m, id, input, today())),
  );
  r.post(
    '/copies/:id/state',
    { role: 'lends', does: 'changed the state of a kit', id: 'kit', body: stateInput },
    ({ id, body: input }) => inTransaction((m) => changeState(m, id, input, today())),
  );
  r.get('/copies/answers', { query: answersQuery }, ({ query: { ids } }) =>
    shortAnswers(em(), ids.split(',').map(Number), today()),
  );
  r.get('/copies/:id/answer', { id: 'kit', query: answerQuery }, async ({ id, query: { borrowerId } }) => {
    const m = em();
    const family = borrowerId === undefined ? null : await families.familyNamed(m, borrowerId);
    const who = family ? await whoIs(m, family, today()) : NOBODY_TOLD;
    return answerFor(m, id, who, today());
  });
  r.get('/copies/:id/history', { id: 'kit', query: historyQuery }, ({ id, query }) =>
    kitHistory(em(), id, query.limit),
  );
  r.post(
    '/copies/:id/found',
    { role: 'lends', does: 'put a piece back that turned up', id: 'kit', body: foundInput },
    ({ id, body: input }) => inTransaction((m) => returnPiece(m, id, input, today())),
  );
  return r.router;
}
