import { forgetDone } from '../../undo/log.ts';
import { randomBytes } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { BorrowerRow, OutboxRow, ReservationRow, TellingRow } from '../../db/entities.ts';
import { keepTrace } from '../../db/erasure.ts';
import { eraseWords } from '../../db/eraseWords.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { familyHistory } from './history.ts';
import { plannedFor } from './termPlan/service.ts';

/** Loans in one file; a family that had more has them by page. */
const MOST = 10_000;

async function familyKnown(em: EntityManager, id: number) {
  const family = await em.findOne(BorrowerRow, { id });
  if (!family || family.erasedOn) throw notFound(`family ${id}`);
  return family;
}

/** Everything that is known of a family, to hand over. */
export async function familyData(em: EntityManager, id: number) {
  const family = await familyKnown(em, id);
  const { name, group, allergies, mail, youngest, youngestOn, born, mouths, language, aim, children } =
    family;
  const { loans } = await familyHistory(em, id, MOST);
  const reservations = await rows(
    em,
    'select r.made_on as madeOn, r.ended_on as endedOn, r.outcome, coalesce(bundle.name, d.name) as kit from reservation r join design d on d.id = r.design_id left join bundle on bundle.id = r.bundle_id where r.borrower_id = ? order by r.id',
    [id],
  );
  const told = await rows(
    em,
    'select told_on as toldOn, "by", language, words from telling where borrower_id = ? order by id',
    [id],
  );
  const waiting = await rows(
    em,
    'select made_on as madeOn, to_address as toAddress, subject, language, words from outbox where borrower_id = ? and state = ? order by id',
    [id, 'waiting'],
  );
  return {
    family: {
      name,
      group,
      allergies,
      mail,
      youngest,
      youngestOn,
      born,
      mouths,
      language,
      aim,
      children,
    },
    loans,
    reservations,
    planned: await plannedFor(em, id),
    told,
    waiting,
  };
}

/**
 * Takes a family's name, group, allergies and every word that was sent to it away. Its loans and counts stay, nameless:
 * what kits last rests on them.
 *
 * @param o.isOutToo though it still has a kit: in a copy from before it brought it back
 * @throws ProblemError 409 while it still has a kit
 */
export async function eraseFamily(
  em: EntityManager,
  id: number,
  today: Day,
  o: { readonly isOutToo?: boolean } = {},
): Promise<void> {
  const family = await familyKnown(em, id);
  const [out] = await rows<{ label: string }>(
    em,
    'select k.label from loan l join kit k on k.id = l.kit_id where l.borrower_id = ? and l.returned_on is null limit 1',
    [id],
  );
  if (out && !o.isOutToo)
    throw new ProblemError(409, `${family.name} still has ${out.label}.`, [
      { path: 'id', message: 'expected a family that has brought everything back' },
    ]);
  await em.nativeUpdate(
    ReservationRow,
    { borrower: id, endedOn: null },
    { endedOn: today, outcome: 'dropped' },
  );
  await forgetDone(em, { family: id });
  await keepTrace(em, 'family', id);
  await em.nativeDelete(TellingRow, { borrower: id });
  await em.nativeDelete(OutboxRow, { borrower: id });
  // Why something was lent against the check may tell who they are; that it was stays.
  await rows(
    em,
    "update loan set override_why = 'erased', override_of = '' where borrower_id = ? and override_why is not null",
    [id],
  );
  const { name } = family;
  em.assign(
    family,
    {
      name: `erased ${randomBytes(6).toString('hex')}`,
      group: '',
      allergies: [],
      mail: null,
      youngest: null,
      youngestOn: null,
      born: null,
      mouths: false,
      language: null,
      aim: null,
      children: [],
      erasedOn: today,
    },
    { mergeObjectProperties: false },
  );
  await em.flush();
  await eraseWords(em, name);
}
