import { Router } from 'express';
import { z } from 'zod';
import {
  handOnInput,
  loanInput,
  loansInput,
  type Loan,
  renewInput,
  returnInput,
} from '../../../contract/lending.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import type { ServerContext } from '../../serverContext.ts';
import { SLIP_LANGUAGES } from '../../../core/lend/term/slipWords.ts';
import { loanSlip } from './slip.ts';
import * as lend from './service.ts';
import { Doors } from '../../people/door.ts';
import { overriding } from './overriding.ts';

const slipQuery = z.strictObject({
  language: z.enum(SLIP_LANGUAGES, { error: `expected one of ${SLIP_LANGUAGES.join(', ')}` }).optional(),
});

/** Loans, from lending to the return. */
export function loanRoutes({ em, inTransaction, today, workerPool }: ServerContext): Router {
  const r = new Doors();
  r.post(
    '/loans',
    {
      about:
        'lending, of what is clean, whole and not called back; 422 with each finding where the check stops it for that family, unless somebody who may design gives a reason; `spoiled` says how many of those that are short are there but unfit; `then` is `shelve`, `fill` (from stock that is free), `repair`, `write off` (the kit goes on with fewer; one that turns up belongs again) or `ask back` (put aside, and its family is told)',
      role: 'lender',
      does: 'lent a kit',
      isUndoable: true,
      body: loanInput,
      status: 201,
    },
    ({ res, body }) => {
      const input = overriding(res, body);
      return inTransaction((m) => lend.lend(m, input, today()));
    },
  );
  r.post(
    '/loans/together',
    {
      about: 'see `POST /loans`',
      role: 'lender',
      does: 'lent kits together',
      isUndoable: true,
      body: loansInput,
      status: 201,
    },
    async ({ res, body }) => {
      const { kitIds, ...input } = overriding(res, body);
      return inTransaction(async (m) => {
        const loans: Loan[] = [];
        for (const kitId of kitIds) loans.push(await lend.lend(m, { ...input, kitId }, today()));
        return loans;
      });
    },
  );
  r.get(
    '/loans/:id/slip.pdf',
    { about: 'the slip of a loan; one against a stop of the check says so', id: 'loan', query: slipQuery },
    async ({ res, id, query: { language } }) => {
      sendPaper(res, `slip-${id}.pdf`, await loanSlip(em(), id, language, papersFor(workerPool, res)));
    },
  );
  r.post(
    '/loans/:id/renew',
    {
      about: 'a later day; refused for what is called back, and for what is kept for another family',
      role: 'lender',
      does: 'renewed a loan',
      isUndoable: true,
      id: 'loan',
      body: renewInput,
    },
    ({ id, body: { dueOn } }) => inTransaction((m) => lend.renew(m, id, dueOn, today())),
  );
  r.post(
    '/loans/:id/hand-on',
    {
      about: 'counted back, cleaned on the spot and lent on, all or nothing',
      role: 'lender',
      does: 'handed a kit on',
      isUndoable: true,
      id: 'loan',
      body: handOnInput,
      status: 201,
    },
    ({ res, id, body }) => {
      const input = overriding(res, body);
      return inTransaction((m) => lend.handOn(m, id, input, today()));
    },
  );
  r.post(
    '/loans/:id/return',
    {
      about: 'see `POST /loans`',
      role: 'lender',
      does: 'took a kit back',
      isUndoable: true,
      id: 'loan',
      body: returnInput,
    },
    ({ id, body: input }) => inTransaction((m) => lend.takeBack(m, id, input, today())),
  );
  return r.router;
}
