import type { EntityManager } from '@mikro-orm/core';
import type { Copy as CopyJson, FoundInput, MissingPiece } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { CopyEventRow, CopyRow, LoanRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { copyOf } from './copies.ts';

/** Parts that kits are short of, kits in the house first: where a piece that turned up may belong. */
export const listMissing = async (em: EntityManager): Promise<MissingPiece[]> =>
  (
    await rows<Omit<MissingPiece, 'isHere'> & { isHere: number }>(
      em,
      `select c.id as copyId, c.label, coalesce(k.name, d.name) as kit, cast(p.key as integer) as part, json_extract(p.value, '$.name') as name, json_extract(p.value, '$.materialId') as materialId, json_extract(p.value, '$.due') - json_extract(p.value, '$.present') + coalesce(json_extract(p.value, '$.writtenOff'), 0) as missing, l.id is null as isHere from copy c join design d on d.id = c.design_id left join kit k on k.id = c.kit_id left join loan l on l.copy_id = c.id and l.returned_on is null join json_each(c.parts) p where c.retired_on is null and json_extract(p.value, '$.present') < json_extract(p.value, '$.due') + coalesce(json_extract(p.value, '$.writtenOff'), 0) order by l.id is not null, name, c.label limit 500`,
    )
  ).map((m) => ({ ...m, isHere: m.isHere !== 0 }));

/**
 * A piece that turned up goes home: into the kit that misses it. A kit that is whole again is out of repair.
 *
 * @throws ProblemError 409 while the kit is lent, 422 where it misses no such piece
 */
export async function returnPiece(
  em: EntityManager,
  copyId: number,
  { part, count }: FoundInput,
  today: Day,
): Promise<CopyJson> {
  const copy = await em.findOne(CopyRow, { id: copyId });
  if (!copy) throw notFound(`kit ${copyId}`);
  const out = await em.findOne(LoanRow, { copy: copyId, returnedOn: null }, { populate: ['borrower'] });
  if (out)
    throw new ProblemError(
      409,
      `${copy.label} is with ${out.borrower.name}; put it in when it comes back.`,
      [{ path: 'id', message: 'expected a kit that is in the house' }],
      await copyOf(em, copyId),
    );
  const of = copy.parts[part];
  // What was written off belongs again once it is there.
  const misses = of ? of.due - of.present + (of.writtenOff ?? 0) : 0;
  if (!of || count > misses)
    throw new ProblemError(
      422,
      of ? `${copy.label} misses ${misses} of ${of.name}.` : `${copy.label} has no such part.`,
      [
        {
          path: of ? 'count' : 'part',
          message: of ? `expected at most ${misses}` : 'expected a part of it',
        },
      ],
    );
  const more = Math.max(0, of.present + count - of.due);
  copy.parts = copy.parts.map((p, i) =>
    i === part
      ? {
          ...p,
          present: p.present + count,
          due: p.due + more,
          ...(more > 0 ? { writtenOff: (p.writtenOff ?? 0) - more } : {}),
        }
      : p,
  );
  if (copy.parts.every((p) => p.present >= p.due)) copy.repair = false;
  em.create(CopyEventRow, { copy, on: today, what: `${count} × ${of.name} turned up`, by: '', why: '' });
  await em.flush();
  return (await copyOf(em, copyId))!;
}
