import { hangsOver } from './hangs.ts';
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
import { kitQuery, lendingSummary, listKits } from './kits.ts';
import { kitHistory } from './history.ts';
import { returnPiece } from './found.ts';
import { changeState } from './states.ts';
import * as lend from './service.ts';
import { Doors } from '../../people/door.ts';

/** Single kits on the rail: where each stands, its counts, its history. */
export function kitRoutes({ em, inTransaction, today }: ServerContext): Router {
  const r = new Doors();
  r.get(
    '/kits',
    { about: 'kits as they stand; the lending room in figures', query: kitQuery, isPage: true },
    ({ query }) => listKits(em(), query, today()),
  );
  r.get('/kits/summary', { about: 'see `GET /kits`' }, () => lendingSummary(em(), today()));
  r.post(
    '/kits/:id/count',
    {
      about: 'a count in the house; loans and counts, what was missing, filled, and from which lots',
      role: 'lender',
      does: 'counted a kit',
      isUndoable: true,
      id: 'kit',
      body: countInHouseInput,
    },
    ({ id, body: input }) => inTransaction((m) => lend.countInHouse(m, id, input, today())),
  );
  r.post(
    '/kits/:id/state',
    {
      about:
        'what is done with a kit in the house, on record. A kit that came back is lent again once it is cleaned, and has rested where part of it cannot be washed',
      role: 'lender',
      does: 'changed the state of a kit',
      isUndoable: true,
      id: 'kit',
      body: stateInput,
    },
    ({ id, body: input }) => inTransaction((m) => changeState(m, id, input, today())),
  );
  r.get('/kits/answers', { about: 'see `GET /kits/:id/answer`', query: answersQuery }, ({ query: { ids } }) =>
    shortAnswers(em(), ids.split(',').map(Number), today()),
  );
  r.get(
    '/kits/:id/answer',
    {
      about:
        'what the check says of a kit, as it was made, for who will have it: `{verdict, youngest, isTold, reasons, untested, isFirstLoan, hangs}`, `hangs` what else is to be known before it is lent: something overdue, planned or kept for another family, made before its design was changed; in short, of many, for the ages they are made for',
      id: 'kit',
      query: answerQuery,
    },
    async ({ id, query: { borrowerId } }) => {
      const m = em();
      const family = borrowerId === undefined ? null : await families.familyNamed(m, borrowerId);
      const who = family ? await whoIs(m, family, today()) : NOBODY_TOLD;
      return {
        ...(await answerFor(m, id, who, today())),
        hangs: await hangsOver(m, id, family?.id ?? null, today()),
      };
    },
  );
  r.get(
    '/kits/:id/history',
    { about: 'see `POST /kits/:id/count`', id: 'kit', query: historyQuery },
    ({ id, query }) => kitHistory(em(), id, query.limit),
  );
  r.post(
    '/kits/:id/found',
    {
      about: 'see `GET /pieces/missing`',
      role: 'lender',
      does: 'put a piece back that turned up',
      isUndoable: true,
      id: 'kit',
      body: foundInput,
    },
    ({ id, body: input }) => inTransaction((m) => returnPiece(m, id, input, today())),
  );
  return r.router;
}
