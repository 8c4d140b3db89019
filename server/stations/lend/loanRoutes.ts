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
import { read, readId } from '../../problem.ts';
import { SLIP_LANGUAGES } from '../../../core/lend/term/slipWords.ts';
import { loanSlip } from './slip.ts';
import * as lend from './service.ts';
import { may, mayRead } from '../../people/door.ts';
import { overriding } from './overriding.ts';

const slipQuery = z.strictObject({
  language: z.enum(SLIP_LANGUAGES, { error: `expected one of ${SLIP_LANGUAGES.join(', ')}` }).optional(),
});

/** Loans, from lending to the return. */
export function loanRoutes({ em, inTransaction, today, workerPool }: ServerContext): Router {
  const r = Router();
  r.post('/loans', may('lends', 'lent a kit'), async (req, res) => {
    const input = overriding(res, read(loanInput, req.body));
    res.status(201).json(await inTransaction((m) => lend.lend(m, input, today())));
  });
  r.post('/loans/together', may('lends', 'lent kits together'), async (req, res) => {
    const { copyIds, ...input } = overriding(res, read(loansInput, req.body));
    res.status(201).json(
      await inTransaction(async (m) => {
        const loans: Loan[] = [];
        for (const copyId of copyIds) loans.push(await lend.lend(m, { ...input, copyId }, today()));
        return loans;
      }),
    );
  });
  r.get('/loans/:id/slip.pdf', mayRead, async (req, res) => {
    const { language } = read(slipQuery, req.query);
    const id = readId(req.params.id, 'loan');
    sendPaper(res, `slip-${id}.pdf`, await loanSlip(em(), id, language, papersFor(workerPool, res)));
  });
  r.post('/loans/:id/renew', may('lends', 'renewed a loan'), async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const { dueOn } = read(renewInput, req.body);
    res.json(await inTransaction((m) => lend.renew(m, id, dueOn, today())));
  });
  r.post('/loans/:id/hand-on', may('lends', 'handed a kit on'), async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const input = overriding(res, read(handOnInput, req.body));
    res.status(201).json(await inTransaction((m) => lend.handOn(m, id, input, today())));
  });
  r.post('/loans/:id/return', may('lends', 'took a kit back'), async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const input = read(returnInput, req.body);
    res.json(await inTransaction((m) => lend.takeBack(m, id, input, today())));
  });
  return r;
}
