import { Router, type Response } from 'express';
import { z } from 'zod';
import {
  answerQuery,
  answersQuery,
  borrowerInput,
  borrowerUpdate,
  handOnInput,
  historyQuery,
  loanInput,
  loansInput,
  foundInput,
  type Loan,
  type Override,
  mendInput,
  renewInput,
  reservationInput,
  returnInput,
  stateInput,
} from '../../../contract/lending.ts';
import { day } from '../../../contract/common.ts';
import { daysBetween } from '../../../core/calendar/days.ts';
import { kitBuild, kitGiving, kitInput, kitUpdate, paperQuery } from '../../../contract/kits.ts';
import { labelSheet } from '../../../core/print/labelSheet.ts';
import { hungUp } from '../../compute/hungUp.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import { kitFile, openFile } from '../../../contract/designFile.ts';
import { lookAtKit } from '../shape/designFile.ts';
import type { Inside } from '../../inside.ts';
import { ProblemError, read, readId } from '../../problem.ts';
import type { PersonRole } from '../../../contract/people.ts';
import { may } from '../../people/roles.ts';
import { SLIP_LANGUAGES } from '../../../core/lend/term/slipWords.ts';
import { answerFor, NOBODY_TOLD, shortAnswers, whoIs } from '../check/askKit.ts';
import * as families from './borrowers.ts';
import { loanSlip } from './slip.ts';
import { sendPage } from '../../paging.ts';
import { copyQuery, lendingSummary, listCopies } from './copies.ts';
import { familyHistory, kitHistory } from './history.ts';
import { reading } from '../reads.ts';
import { bringHome } from './found.ts';
import { eraseFamily, familyData } from './erase.ts';
import { designFamilyPaper, familyPaper } from './familyPaper.ts';
import * as kits from './kits.ts';
import { ownMessages, outboxInput, tellingInput } from '../../../contract/telling.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { dueCalendar } from '../../formats/calendars.ts';
import { tellingMail } from '../../formats/tellingMail.ts';
import {
  dueDays,
  keepMessages,
  keepTelling,
  messageWords,
  oneTelling,
  tellingQuery,
  toldTo,
} from './telling.ts';
import { deliver, dropMail, listOutbox, mailFile, postMails } from './outbox.ts';
import { dropReservation, listReservations, reserve } from './reserve.ts';
import { changeState } from './states.ts';
import * as lend from './service.ts';

const fileName = (name: string, otherwise: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || otherwise;

const labelQuery = z.strictObject({
  ...labelSheet.shape,
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
});

const termQuery = z
  .strictObject({
    from: day,
    to: day,
    paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  })
  .refine((q) => q.from <= q.to, { path: ['to'], message: 'must not be before the term begins' })
  .refine((q) => daysBetween(q.from, q.to) <= 400, { path: ['to'], message: 'must be within 400 days' });

const slipQuery = z.strictObject({
  language: z.enum(SLIP_LANGUAGES, { error: `expected one of ${SLIP_LANGUAGES.join(', ')}` }).optional(),
});

/** A stop is overridden only by somebody who may design; where nobody has to sign in, by whoever says who it is. */
function overriding<T extends { readonly override?: Override | undefined }>(res: Response, input: T): T {
  if (!input.override) return input;
  const { role, name } = (res.locals as { person?: { role: PersonRole; name: string } }).person ?? {};
  if (role !== undefined && !may(role, 'designs'))
    throw new ProblemError(403, `${name!} may not lend against the check: it needs somebody who designs.`, [
      { path: 'override', message: 'expected somebody who designs' },
    ]);
  return { ...input, override: { ...input.override, ...(name === undefined ? {} : { by: name }) } };
}

export function lendRoutes(inside: Inside): Router {
  const { em, inTransaction, today, door } = inside;
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
  r.post('/copies/:id/state', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(stateInput, req.body);
    res.json(await inTransaction((m) => changeState(m, id, input, today())));
  });
  r.get('/copies/answers', async (req, res) => {
    const { ids } = read(answersQuery, req.query);
    res.json(await shortAnswers(em(), ids.split(',').map(Number), today()));
  });
  r.get('/copies/:id/answer', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const { borrowerId } = read(answerQuery, req.query);
    const m = em();
    const family = borrowerId === undefined ? null : await families.familyNamed(m, borrowerId);
    const who = family ? await whoIs(m, family, today()) : NOBODY_TOLD;
    res.json(await answerFor(m, id, who, today()));
  });
  r.get('/copies/:id/history', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    res.json(await kitHistory(em(), id, read(historyQuery, req.query).limit));
  });
  r.get('/kits', async (_req, res) => void res.json(await kits.listKits(em(), today())));
  r.get('/kits/suggested', async (_req, res) => void res.json(await kits.suggestKits(em(), today())));
  r.post('/kits', async (req, res) => {
    const input = read(kitInput, req.body);
    res.status(201).json(await inTransaction((m) => kits.addKit(m, input, today())));
  });
  r.put('/kits/:id', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(kitUpdate, req.body);
    res.json(await inTransaction((m) => kits.updateKit(m, id, input, today())));
  });
  r.delete('/kits/:id', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    await inTransaction((m) => kits.removeKit(m, id));
    res.status(204).end();
  });
  r.get('/kits/:id/labels.pdf', async (req, res) => {
    const m = em();
    const { paper, ...on } = read(labelQuery, req.query);
    const { name, labels } = await kits.kitLabels(m, readId(req.params.id, 'kit'));
    const place = await m.findOneOrFail(PlaceRow, { id: 1 });
    const size = paper ?? (place.paper as 'A4' | 'Letter');
    const pdf = await papersFor(door, res)('labels', labels, size, on);
    sendPaper(res, `${fileName(name, 'kit')}-labels.pdf`, pdf);
  });
  r.get('/schemas/kit', (_req, res) => {
    res.json(z.toJSONSchema(kitFile, { unrepresentable: 'any', io: 'input' }));
  });
  r.post('/kits/file/look', async (req, res) => {
    res.json(await lookAtKit(em(), read(openFile, req.body).file));
  });
  r.post('/kits/file', async (req, res) => {
    const { file, takeNearest } = read(openFile, req.body);
    res.status(201).json(await inTransaction((m) => kits.addKitFile(m, file, takeNearest, today())));
  });
  r.get('/kits/:id/file', async (req, res) => {
    const file = await kits.kitFileOf(em(), readId(req.params.id, 'kit'));
    res.attachment(`${fileName(file.kit.name, 'kit')}.json`).json(file);
  });
  r.post('/kits/:id/give', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = overriding(res, read(kitGiving, req.body));
    res.status(201).json(await inTransaction((m) => kits.giveKit(m, id, input, today())));
  });
  for (const [path, paperName] of [
    ['picture-sheet', 'pictureSheet'],
    ['count-card', 'countCard'],
  ] as const)
    for (const [of, name, paperFor] of [
      ['kits', 'kit', familyPaper],
      ['designs', 'design', designFamilyPaper],
    ] as const)
      r.get(`/${of}/:id/${path}.pdf`, async (req, res) => {
        const id = readId(req.params.id, name);
        const paper = await paperFor(em(), id, read(paperQuery, req.query), today());
        const pdf = await papersFor(door, res)(paperName, paper);
        sendPaper(res, `${fileName(paper.name, name)}-${path}.pdf`, pdf);
      });
  r.post('/kits/:id/build', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(kitBuild, req.body);
    res.status(201).json(await inTransaction((m) => kits.buildKit(m, id, input, today())));
  });
  r.get('/lasting', async (_req, res) => void res.json(await reading(inside, hungUp(res))('lasting')));
  r.get('/borrowers/:id/data', async (req, res) => {
    const id = readId(req.params.id, 'family');
    res.attachment(`family-${id}.json`).json(await familyData(em(), id));
  });
  r.post('/borrowers/:id/erase', async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    const id = readId(req.params.id, 'family');
    await inTransaction((m) => eraseFamily(m, id, today()));
    res.status(204).end();
  });
  r.get('/borrowers/:id/history', async (req, res) => {
    const id = readId(req.params.id, 'family');
    res.json(await familyHistory(em(), id, read(historyQuery, req.query).limit));
  });
  r.get('/borrowers/:id/told', async (req, res) => {
    res.json(await toldTo(em(), readId(req.params.id, 'family')));
  });
  r.get('/borrowers/:id/due.ics', async (req, res) => {
    const { family, place, loans } = await dueDays(em(), readId(req.params.id, 'family'));
    res
      .type('text/calendar')
      .attachment(`${fileName(family, 'family')}-due.ics`)
      .send(dueCalendar(loans, place, today()));
  });
  r.get('/tellings', async (req, res) => {
    res.json(await reading(inside, hungUp(res))('tellings', read(tellingQuery, req.query).language));
  });
  r.post('/tellings', async (req, res) => {
    const input = read(tellingInput, req.body);
    res.status(201).json(await inTransaction((m) => keepTelling(m, input, today())));
  });
  r.get('/tellings/all.pdf', async (req, res) => {
    const m = em();
    const { language } = read(tellingQuery, req.query);
    const { name, locale, paper } = await m.findOneOrFail(PlaceRow, { id: 1 });
    const pdf = await papersFor(door, res)(
      'telling',
      await reading(inside, hungUp(res))('tellings', language),
      { place: name, today: today(), locale },
      paper as Paper,
    );
    sendPaper(res, 'messages.pdf', pdf);
  });
  r.get('/tellings/:id/mail.eml', async (req, res) => {
    const { language } = read(tellingQuery, req.query);
    const telling = await oneTelling(em(), readId(req.params.id, 'family'), today(), language);
    res
      .type('message/rfc822')
      .attachment(`${fileName(telling.borrower, 'family')}.eml`)
      .send(await tellingMail(telling));
  });
  r.get('/outbox', async (_req, res) => void res.json(await listOutbox(em(), inside.mail)));
  r.post('/outbox', async (req, res) => {
    const input = read(outboxInput, req.body);
    await inTransaction((m) => postMails(m, input, today()));
    await deliver(inside);
    res.status(201).json(await listOutbox(em(), inside.mail));
  });
  r.post('/outbox/deliver', async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    await deliver(inside);
    res.json(await listOutbox(em(), inside.mail));
  });
  r.get('/outbox/:id/mail.eml', async (req, res) => {
    const id = readId(req.params.id, 'mail');
    res
      .type('message/rfc822')
      .attachment(`mail-${id}.eml`)
      .send(await mailFile(em(), id, inside.mail.from));
  });
  r.delete('/outbox/:id', async (req, res) => {
    const id = readId(req.params.id, 'mail');
    await inTransaction((m) => dropMail(m, id));
    res.status(204).end();
  });
  r.get('/borrowers', async (req, res) => {
    sendPage(req, res, await families.listBorrowers(em(), read(families.borrowerQuery, req.query), today()));
  });
  r.post('/borrowers', async (req, res) => {
    const input = read(borrowerInput, req.body);
    res.status(201).json(await inTransaction((m) => families.addBorrower(m, input, today())));
  });
  r.put('/borrowers/:id', async (req, res) => {
    const id = readId(req.params.id, 'family');
    const input = read(borrowerUpdate, req.body);
    res.json(await inTransaction((m) => families.updateBorrower(m, id, input, today())));
  });
  r.post('/loans', async (req, res) => {
    const input = overriding(res, read(loanInput, req.body));
    res.status(201).json(await inTransaction((m) => lend.lend(m, input, today())));
  });
  r.get('/term.pdf', async (req, res) => {
    const { from, to, paper } = read(termQuery, req.query);
    const m = em();
    const size = paper ?? ((await m.findOneOrFail(PlaceRow, { id: 1 })).paper as 'A4' | 'Letter');
    const pdf = await papersFor(door, res)(
      'termReport',
      await reading(inside, hungUp(res))('termReport', from, to),
      size,
    );
    sendPaper(res, `term-${from}-to-${to}.pdf`, pdf);
  });
  r.get('/message-words', async (_req, res) => void res.json(await messageWords(em())));
  r.put('/message-words', async (req, res) => {
    const input = read(ownMessages, req.body);
    res.json(await inTransaction((m) => keepMessages(m, input)));
  });
  r.get('/pieces/missing', async (_req, res) => void res.json(await reading(inside, hungUp(res))('missing')));
  r.post('/copies/:id/found', async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(foundInput, req.body);
    res.json(await inTransaction((m) => bringHome(m, id, input, today())));
  });
  r.post('/loans/together', async (req, res) => {
    const { copyIds, ...input } = overriding(res, read(loansInput, req.body));
    res.status(201).json(
      await inTransaction(async (m) => {
        const loans: Loan[] = [];
        for (const copyId of copyIds) loans.push(await lend.lend(m, { ...input, copyId }, today()));
        return loans;
      }),
    );
  });
  r.get('/loans/:id/slip.pdf', async (req, res) => {
    const { language } = read(slipQuery, req.query);
    const id = readId(req.params.id, 'loan');
    sendPaper(res, `slip-${id}.pdf`, await loanSlip(em(), id, language, papersFor(door, res)));
  });
  r.post('/loans/:id/renew', async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const { dueOn } = read(renewInput, req.body);
    res.json(await inTransaction((m) => lend.renew(m, id, dueOn, today())));
  });
  r.post('/loans/:id/hand-on', async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const input = overriding(res, read(handOnInput, req.body));
    res.status(201).json(await inTransaction((m) => lend.handOn(m, id, input, today())));
  });
  r.get('/reservations', async (_req, res) => void res.json(await listReservations(em(), today())));
  r.post('/reservations', async (req, res) => {
    const input = read(reservationInput, req.body);
    res.status(201).json(await inTransaction((m) => reserve(m, input, today())));
  });
  r.delete('/reservations/:id', async (req, res) => {
    const id = readId(req.params.id, 'reservation');
    await inTransaction((m) => dropReservation(m, id, today()));
    res.status(204).end();
  });
  r.post('/loans/:id/return', async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const input = read(returnInput, req.body);
    res.json(await inTransaction((m) => lend.takeBack(m, id, input, today())));
  });
  return r;
}
