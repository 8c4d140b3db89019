import { forgetDone } from '../../undo/log.ts';
import { randomBytes } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/core';
import { ERASED } from '../../../contract/children.ts';
import { ChildRow, DesignRow, NoteRow } from '../../db/entities.ts';
import { keepTrace } from '../../db/erasure.ts';
import { eraseWords } from '../../db/eraseWords.ts';
import { rows } from '../../db/rows.ts';
import { notFound } from '../../problem.ts';

/** Everything that is known of a child by its code, to hand over. */
export async function childData(em: EntityManager, code: string) {
  const child = await em.findOne(ChildRow, { code });
  const notes = await rows<{ before: string }>(
    em,
    'select d.name as design, n.level, n.bits, n.seconds, n.count, n.counted_of as "of", n.help, n.tries, n.managed, n.liked, n.words, n.sat_on as satOn, n.before from note n join design d on d.id = n.design_id where n.child = ? order by n.id',
    [code],
  );
  const fitted = await rows(em, 'select name, dials from design where child = ? order by id', [code]);
  if (!child && notes.length === 0 && fitted.length === 0) throw notFound(`child “${code.slice(0, 40)}”`);
  return {
    code,
    hand: child?.hand ?? null,
    likes: child?.likes ?? '',
    age: child?.age ?? null,
    ageOn: child?.ageOn ?? null,
    born: child?.born ?? null,
    mouths: child?.mouths ?? false,
    allergies: child?.allergies ?? [],
    notes: notes.map((n) => ({ ...n, before: JSON.parse(n.before) as unknown })),
    fitted,
  };
}

/**
 * Takes a child's code, measures and every word of its notes away. What was timed and counted stays under a name that
 * nobody has: how hard levels are rests on it.
 */
export async function eraseChild(em: EntityManager, code: string): Promise<void> {
  await childData(em, code);
  await forgetDone(em, { code });
  await keepTrace(em, 'child', code);
  const nobody = `${ERASED}${randomBytes(6).toString('hex')}`;
  await em.nativeUpdate(NoteRow, { child: code }, { child: nobody, words: '' });
  await em.nativeUpdate(DesignRow, { child: code }, { child: null });
  await rows(
    em,
    'update borrower set children = (select json_group_array(value) from json_each(children) where value <> ?) where exists (select 1 from json_each(children) where value = ?)',
    [code, code],
  );
  await em.nativeDelete(ChildRow, { code });
  await eraseWords(em, code);
}
