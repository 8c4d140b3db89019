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
import { suffices } from '../../people/roles.ts';
import { SLIP_LANGUAGES } from '../../../core/lend/term/slipWords.ts';
import { answerFor, NOBODY_TOLD, shortAnswers, whoIs } from '../check/askKit.ts';
import * as families from './borrowers.ts';
import { loanSlip } from './slip.ts';
import { sendPage } from '../../paging.ts';
import { copyQuery, lendingSummary, listCopies } from './copies.ts';
import { familyHistory, kitHistory } from './history.ts';
import { reading } from '../reads.ts';
import { bringHome } from './found.ts';
import { forgetBytes } from '../files/waiting.ts';
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
import { may, mayRead, personIn } from '../../people/door.ts';

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
  const { role, name } = personIn(res) ?? {};
  if (role !== undefined && !suffices(role, 'designs'))
    throw new ProblemError(403, `${name!} may not lend against the check: it needs somebody who designs.`, [
      { path: 'override', message: 'expected somebody who designs' },
    ]);
  return { ...input, override: { ...input.override, ...(name === undefined ? {} : { by: name }) } };
}

export function lendRoutes(inside: Inside): Router {
  const { em, inTransaction, today, door } = inside;
  const r = Router();
  r.get('/copies', mayRead, async (req, res) => {
    sendPage(req, res, await listCopies(em(), read(copyQuery, req.query), today()));
  });
  r.get('/copies/summary', mayRead, async (_req, res) => void res.json(await lendingSummary(em(), today())));
  r.post('/copies/:id/count', may('lends', 'counted a kit'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(mendInput, req.body);
    res.json(await inTransaction((m) => lend.mend(m, id, input, today())));
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
  r.get('/kits', mayRead, async (_req, res) => void res.json(await kits.listKits(em(), today())));
  r.get(
    '/kits/suggested',
    mayRead,
    async (_req, res) => void res.json(await kits.suggestKits(em(), today())),
  );
  r.post('/kits', may('designs', 'put a kit of several designs together'), async (req, res) => {
    const input = read(kitInput, req.body);
    res.status(201).json(await inTransaction((m) => kits.addKit(m, input, today())));
  });
  r.put('/kits/:id', may('designs', 'changed a kit of several designs'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(kitUpdate, req.body);
    res.json(await inTransaction((m) => kits.updateKit(m, id, input, today())));
  });
  r.delete('/kits/:id', may('designs', 'deleted a kit of several designs'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    await inTransaction((m) => kits.removeKit(m, id));
    res.status(204).end();
  });
  r.get('/kits/:id/labels.pdf', mayRead, async (req, res) => {
    const m = em();
    const { paper, ...on } = read(labelQuery, req.query);
    const { name, labels } = await kits.kitLabels(m, readId(req.params.id, 'kit'));
    const place = await m.findOneOrFail(PlaceRow, { id: 1 });
    const size = paper ?? (place.paper as 'A4' | 'Letter');
    const pdf = await papersFor(door, res)('labels', labels, size, on);
    sendPaper(res, `${fileName(name, 'kit')}-labels.pdf`, pdf);
  });
  r.get('/schemas/kit', mayRead, (_req, res) => {
    res.json(z.toJSONSchema(kitFile, { unrepresentable: 'any', io: 'input' }));
  });
  r.post('/kits/file/look', mayRead, async (req, res) => {
    res.json(await lookAtKit(em(), read(openFile, req.body).file));
  });
  r.post('/kits/file', may('designs', 'took a kit in from a file'), async (req, res) => {
    const { file, takeNearest } = read(openFile, req.body);
    res.status(201).json(await inTransaction((m) => kits.addKitFile(m, file, takeNearest, today())));
  });
  r.get('/kits/:id/file', mayRead, async (req, res) => {
    const file = await kits.kitFileOf(em(), readId(req.params.id, 'kit'));
    res.attachment(`${fileName(file.kit.name, 'kit')}.json`).json(file);
  });
  r.post('/kits/:id/give', may('lends', 'gave parts of a kit away'), async (req, res) => {
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
      r.get(`/${of}/:id/${path}.pdf`, mayRead, async (req, res) => {
        const id = readId(req.params.id, name);
        const paper = await paperFor(em(), id, read(paperQuery, req.query), today());
        const pdf = await papersFor(door, res)(paperName, paper);
        sendPaper(res, `${fileName(paper.name, name)}-${path}.pdf`, pdf);
      });
  r.post('/kits/:id/build', may('designs', 'made kits'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(kitBuild, req.body);
    res.status(201).json(await inTransaction((m) => kits.buildKit(m, id, input, today())));
  });
  r.get(
    '/lasting',
    mayRead,
    async (_req, res) => void res.json(await reading(inside, hungUp(res))('lasting')),
  );
  r.get('/borrowers/:id/data', may('keeps'), async (req, res) => {
    const id = readId(req.params.id, 'family');
    res.attachment(`family-${id}.json`).json(await familyData(em(), id));
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
    const { family, place, loans } = await dueDays(em(), readId(req.params.id, 'family'));
    res
      .type('text/calendar')
      .attachment(`${fileName(family, 'family')}-due.ics`)
      .send(dueCalendar(loans, place, today()));
  });
  r.get('/tellings', mayRead, async (req, res) => {
    res.json(await reading(inside, hungUp(res))('tellings', read(tellingQuery, req.query).language));
  });
  r.post('/tellings', may('lends', 'told a family'), async (req, res) => {
    const input = read(tellingInput, req.body);
    res.status(201).json(await inTransaction((m) => keepTelling(m, input, today())));
  });
  r.get('/tellings/all.pdf', mayRead, async (req, res) => {
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
  r.get('/tellings/:id/mail.eml', mayRead, async (req, res) => {
    const { language } = read(tellingQuery, req.query);
    const telling = await oneTelling(em(), readId(req.params.id, 'family'), today(), language);
    res
      .type('message/rfc822')
      .attachment(`${fileName(telling.borrower, 'family')}.eml`)
      .send(await tellingMail(telling));
  });
  r.get('/outbox', mayRead, async (_req, res) => void res.json(await listOutbox(em(), inside.mail)));
  r.post('/outbox', may('lends', 'mailed families'), async (req, res) => {
    const input = read(outboxInput, req.body);
    await inTransaction((m) => postMails(m, input, today()));
    await deliver(inside);
    res.status(201).json(await listOutbox(em(), inside.mail));
  });
  r.post('/outbox/deliver', may('lends', 'sent the mails that wait'), async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    await deliver(inside);
    res.json(await listOutbox(em(), inside.mail));
  });
  r.get('/outbox/:id/mail.eml', mayRead, async (req, res) => {
    const id = readId(req.params.id, 'mail');
    res
      .type('message/rfc822')
      .attachment(`mail-${id}.eml`)
      .send(await mailFile(em(), id, inside.mail.from));
  });
  r.delete('/outbox/:id', may('lends', 'took a mail back'), async (req, res) => {
    const id = readId(req.params.id, 'mail');
    await inTransaction((m) => dropMail(m, id));
    res.status(204).end();
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
  r.post('/loans', may('lends', 'lent a kit'), async (req, res) => {
    const input = overriding(res, read(loanInput, req.body));
    res.status(201).json(await inTransaction((m) => lend.lend(m, input, today())));
  });
  r.get('/term.pdf', mayRead, async (req, res) => {
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
  r.get('/message-words', mayRead, async (_req, res) => void res.json(await messageWords(em())));
  r.put('/message-words', may('keeps', 'changed what families are told'), async (req, res) => {
    const input = read(ownMessages, req.body);
    res.json(await inTransaction((m) => keepMessages(m, input)));
  });
  r.get(
    '/pieces/missing',
    mayRead,
    async (_req, res) => void res.json(await reading(inside, hungUp(res))('missing')),
  );
  r.post('/copies/:id/found', may('lends', 'put a piece back that turned up'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(foundInput, req.body);
    res.json(await inTransaction((m) => bringHome(m, id, input, today())));
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
    sendPaper(res, `slip-${id}.pdf`, await loanSlip(em(), id, language, papersFor(door, res)));
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
  r.get('/reservations', mayRead, async (_req, res) => void res.json(await listReservations(em(), today())));
  r.post('/reservations', may('lends', 'reserved a kit'), async (req, res) => {
    const input = read(reservationInput, req.body);
    res.status(201).json(await inTransaction((m) => reserve(m, input, today())));
  });
  r.delete('/reservations/:id', may('lends', 'dropped a reservation'), async (req, res) => {
    const id = readId(req.params.id, 'reservation');
    await inTransaction((m) => dropReservation(m, id, today()));
    res.status(204).end();
  });
  r.post('/loans/:id/return', may('lends', 'took a kit back'), async (req, res) => {
    const id = readId(req.params.id, 'loan');
    const input = read(returnInput, req.body);
    res.json(await inTransaction((m) => lend.takeBack(m, id, input, today())));
  });
  return r;
}
