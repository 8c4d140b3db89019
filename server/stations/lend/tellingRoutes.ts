import { Router } from 'express';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { reading, readingText } from '../reads.ts';
import { ownMessages, outboxInput, tellingInput } from '../../../contract/telling.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { tellingMail } from '../../formats/tellingMail.ts';
import { keepMessages, keepTelling, messageWords, oneTelling, tellingQuery } from './telling.ts';
import { deliver, dropMail, listOutbox, mailFile, postMails } from './outbox.ts';
import { Doors, NOTHING } from '../../people/door.ts';
import { fileName } from './fileName.ts';

/** What families are told, and the mails that carry it. */
export function tellingRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/tellings',
    {
      about:
        'what each family is to be told today (called back, late, came back short and asked back, due within three days, kept for it and in), with the words, and when it was told just that; `by` is printed (on paper, given to them), copied (in a message of one’s own), mailed or said (in person)',
      query: tellingQuery,
    },
    ({ res, query }) => readingText(serverContext, abortOnClose(res))('tellings', query.language),
  );
  r.post(
    '/tellings',
    {
      about: 'see `GET /tellings`',
      role: 'lender',
      does: 'told a family',
      isUndoable: true,
      body: tellingInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => keepTelling(m, input, today())),
  );
  r.get(
    '/tellings/all.pdf',
    {
      about:
        'a page each; a mail to be sent (RFC 5322, without whom it goes to); due days (RFC 5545); everything a family was told',
      query: tellingQuery,
    },
    async ({ res, query: { language } }) => {
      const m = em();
      const { name, locale, paper } = await m.findOneOrFail(PlaceRow, { id: 1 });
      const pdf = await papersFor(workerPool, res)(
        'telling',
        await reading(serverContext, abortOnClose(res))('tellings', language),
        { place: name, today: today(), locale },
        paper as Paper,
      );
      sendPaper(res, 'messages.pdf', pdf);
    },
  );
  r.get(
    '/tellings/:id/mail.eml',
    { about: 'a mail to be sent (RFC 5322, without whom it goes to)', id: 'family', query: tellingQuery },
    async ({ res, id, query: { language } }) => {
      const telling = await oneTelling(em(), id, today(), language);
      res
        .type('message/rfc822')
        .attachment(`${fileName(telling.borrower, 'family')}.eml`)
        .send(await tellingMail(telling));
    },
  );
  r.get(
    '/outbox',
    {
      about:
        'messages to families whose address is known, mailed at once; what the mail server (`FOX_SMTP`; else a simulated one, which refuses `@refused.example`) does not take waits and is tried again. What a real one took is on record as told; of the simulated one nothing is',
    },
    () => listOutbox(em(), serverContext.mail),
  );
  r.post(
    '/outbox',
    { about: 'see `GET /outbox`', role: 'lender', does: 'mailed families', body: outboxInput, status: 201 },
    async ({ body: input }) => {
      await inTransaction((m) => postMails(m, input, today()));
      await deliver(serverContext);
      return listOutbox(em(), serverContext.mail);
    },
  );
  r.post(
    '/outbox/deliver',
    { about: 'see `GET /outbox`', role: 'lender', does: 'sent the mails that wait', body: NOTHING },
    async () => {
      await deliver(serverContext);
      return listOutbox(em(), serverContext.mail);
    },
  );
  r.get('/outbox/:id/mail.eml', { about: 'see `GET /outbox`', id: 'mail' }, async ({ res, id }) => {
    res
      .type('message/rfc822')
      .attachment(`mail-${id}.eml`)
      .send(await mailFile(em(), id, serverContext.mail.from));
  });
  r.delete(
    '/outbox/:id',
    { about: 'see `GET /outbox`', role: 'lender', does: 'took a mail back', id: 'mail' },
    async ({ id }) => {
      await inTransaction((m) => dropMail(m, id));
    },
  );
  r.get(
    '/message-words',
    {
      about:
        "what messages are put together from: as shipped (en, es) and in the place's own words, with `{family}`, `{kit}`, `{label}`, `{day}`, `{place}` and `{phone}`; with the place's version",
    },
    () => messageWords(em()),
  );
  r.put(
    '/message-words',
    {
      about: 'see `GET /message-words`',
      role: 'manager',
      does: 'changed what families are told',
      body: ownMessages,
    },
    ({ body: input }) => inTransaction((m) => keepMessages(m, input)),
  );
  return r.router;
}
