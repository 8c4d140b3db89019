import type { EntityManager } from '@mikro-orm/core';
import MailComposer from 'nodemailer/lib/mail-composer/index.js';
import type { Outbox, OutboxMail } from '../../../contract/telling.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { isRefusal, type MailDoor } from '../../devices/mail.ts';
import { BorrowerRow, OutboxRow, TellingRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import type { ServerContext } from '../../serverContext.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { aboutOf, listTellings } from './telling.ts';

const MOST_SHOWN = 200;
/** Mails that go out in one go. */
const MOST_AT_ONCE = 200;

export async function listOutbox(em: EntityManager, mail: MailDoor): Promise<Outbox> {
  const mails = await rows<OutboxMail>(
    em,
    'select o.id, o.borrower_id as borrowerId, b.name as borrower, o.to_address as "to", o.subject, o.state, o.made_on as madeOn, o.sent_on as sentOn, o.tries, o.problem from outbox o join borrower b on b.id = o.borrower_id order by o.id desc limit ?',
    [MOST_SHOWN],
  );
  return { isSimulated: mail.isSimulated, from: mail.from, mails };
}

/** Puts what families are to be told into the outbox, all of it or none; one that waits there already is not put twice. */
export async function postMails(
  em: EntityManager,
  input: { readonly borrowerIds: readonly number[]; readonly language?: string | undefined },
  today: Day,
): Promise<void> {
  const list = await listTellings(em, today, input.language);
  for (const [i, id] of input.borrowerIds.entries()) {
    const path = `borrowerIds.${i}`;
    const telling = list.find((t) => t.borrowerId === id);
    if (!telling)
      throw new ProblemError(422, `There is nothing to tell family ${id} today.`, [
        { path, message: 'expected a family that there is something to tell' },
      ]);
    if (telling.mail === null)
      throw new ProblemError(422, `No address is known of ${telling.borrower}.`, [
        { path, message: 'expected a family whose address is known' },
      ]);
    const about = aboutOf(telling.items);
    const waits = await em.find(OutboxRow, { borrower: id, state: 'waiting' });
    if (waits.some((w) => JSON.stringify(w.about) === JSON.stringify(about))) continue;
    em.create(OutboxRow, {
      borrower: em.getReference(BorrowerRow, id),
      to: telling.mail,
      subject: telling.subject,
      words: telling.words,
      language: telling.language,
      about,
      state: 'waiting',
      madeOn: today,
      sentOn: null,
      tries: 0,
      problem: null,
    });
  }
  await em.flush();
}

/** Takes a mail back that has not gone out. */
export async function dropMail(em: EntityManager, id: number): Promise<void> {
  const mail = await em.findOne(OutboxRow, { id });
  if (!mail) throw notFound(`mail ${id}`);
  if (mail.state !== 'waiting')
    throw new ProblemError(409, 'This mail went out already.', [
      { path: 'id', message: 'expected a mail that waits' },
    ]);
  await em.removeAndFlush(mail);
}

interface Waiting {
  readonly id: number;
  readonly to: string;
  readonly subject: string;
  readonly words: string;
  readonly language: string;
}
const idOf = (id: number): string => `<outbox-${id}@fox-button>`;
const WAITING =
  'select id, to_address as "to", subject, words, language from outbox where state = \'waiting\' order by id limit ?';

/** Deliveries that run, by server: two at once would send a mail twice. */
const running = new WeakMap<ServerContext, Promise<void>>();

/**
 * Sends what waits, one after the other; what a mail server took is on record as told, of a simulated one nothing is. What it did not take waits on, with
 * the reason. A mail is sent before that is written: after a fall in between it goes out again under the same id.
 */
export function deliver(serverContext: ServerContext): Promise<void> {
  const run = (running.get(serverContext) ?? Promise.resolve()).then(() => deliverNow(serverContext));
  running.set(
    serverContext,
    run.catch(() => {}),
  );
  return run;
}

async function deliverNow({ em, inTransaction, mail, today, log }: ServerContext): Promise<void> {
  for (const w of await rows<Waiting>(em(), WAITING, [MOST_AT_ONCE])) {
    let problem: string | null = null;
    let isReached = true;
    try {
      await mail.send({ ...w, messageId: idOf(w.id) });
    } catch (error) {
      problem = (error instanceof Error ? error.message : String(error)).slice(0, 300);
      isReached = isRefusal(error);
      log.warn({ err: error, mail: w.id }, 'a mail was not taken');
    }
    await inTransaction(async (m) => {
      const row = await m.findOne(OutboxRow, { id: w.id });
      // Taken back or erased while it was under way.
      if (!row || row.state !== 'waiting') return;
      m.assign(row, {
        tries: row.tries + 1,
        problem,
        ...(problem === null ? { state: 'sent', sentOn: today() } : {}),
      });
      // A simulated server passes nothing on: nobody is told by it.
      if (problem === null && !mail.isSimulated)
        m.create(TellingRow, {
          borrower: row.borrower,
          toldOn: today(),
          about: row.about,
          by: 'mailed',
          language: row.language,
          words: row.words,
        });
    });
    // Whoever pressed the button does not wait for the same silence once a mail.
    if (!isReached) return;
  }
}

/** A mail of the outbox as it goes, or went, out (RFC 5322). */
export async function mailFile(em: EntityManager, id: number, from: string): Promise<Buffer> {
  const row = await em.findOne(OutboxRow, { id });
  if (!row) throw notFound(`mail ${id}`);
  return new MailComposer({
    from,
    to: row.to,
    subject: row.subject,
    text: row.words,
    messageId: idOf(row.id),
    headers: { 'Content-Language': row.language },
  })
    .compile()
    .build();
}
