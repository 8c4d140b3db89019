import { Router } from 'express';
import { z } from 'zod';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { read, readId } from '../../problem.ts';
import { reading } from '../reads.ts';
import { ownMessages, outboxInput, tellingInput } from '../../../contract/telling.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { tellingMail } from '../../formats/tellingMail.ts';
import { keepMessages, keepTelling, messageWords, oneTelling, tellingQuery } from './telling.ts';
import { deliver, dropMail, listOutbox, mailFile, postMails } from './outbox.ts';
import { may, mayRead } from '../../people/door.ts';
import { fileName } from './fileName.ts';

/** What families are told, and the mails that carry it. */
export function tellingRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = Router();
  r.get('/tellings', mayRead, async (req, res) => {
    res.json(
      await reading(serverContext, abortOnClose(res))('tellings', read(tellingQuery, req.query).language),
    );
  });
  r.post('/tellings', may('lends', 'told a family'), async (req, res) => {
    const input = read(tellingInput, req.body);
    res.status(201).json(await inTransaction((m) => keepTelling(m, input, today())));
  });
  r.get('/tellings/all.pdf', mayRead, async (req, res) => {
    const m = em();
    const { language } = read(tellingQuery, req.query);
    const { name, locale, paper } = await m.findOneOrFail(PlaceRow, { id: 1 });
    const pdf = await papersFor(workerPool, res)(
      'telling',
      await reading(serverContext, abortOnClose(res))('tellings', language),
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
  r.get('/outbox', mayRead, async (_req, res) => void res.json(await listOutbox(em(), serverContext.mail)));
  r.post('/outbox', may('lends', 'mailed families'), async (req, res) => {
    const input = read(outboxInput, req.body);
    await inTransaction((m) => postMails(m, input, today()));
    await deliver(serverContext);
    res.status(201).json(await listOutbox(em(), serverContext.mail));
  });
  r.post('/outbox/deliver', may('lends', 'sent the mails that wait'), async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    await deliver(serverContext);
    res.json(await listOutbox(em(), serverContext.mail));
  });
  r.get('/outbox/:id/mail.eml', mayRead, async (req, res) => {
    const id = readId(req.params.id, 'mail');
    res
      .type('message/rfc822')
      .attachment(`mail-${id}.eml`)
      .send(await mailFile(em(), id, serverContext.mail.from));
  });
  r.delete('/outbox/:id', may('lends', 'took a mail back'), async (req, res) => {
    const id = readId(req.params.id, 'mail');
    await inTransaction((m) => dropMail(m, id));
    res.status(204).end();
  });
  r.get('/message-words', mayRead, async (_req, res) => void res.json(await messageWords(em())));
  r.put('/message-words', may('keeps', 'changed what families are told'), async (req, res) => {
    const input = read(ownMessages, req.body);
    res.json(await inTransaction((m) => keepMessages(m, input)));
  });
  return r;
}
