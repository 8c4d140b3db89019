import type { EntityManager } from '@mikro-orm/core';
import type { Kit as KitJson, FoundInput, MissingPiece } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { CountRow, KitEventRow, KitRow, LoanRow, type Kit } from '../../db/entities.ts';
import type { PartJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { kitOf } from './kits.ts';

/** Parts that kits are short of, kits in the house first: where a piece that turned up may belong. */
export const listMissing = async (em: EntityManager): Promise<MissingPiece[]> =>
  (
    await rows<Omit<MissingPiece, 'isHere'> & { isHere: number }>(
      em,
      `select k.id as kitId, k.label, coalesce(bundle.name, d.name) as kit, cast(p.key as integer) as part, json_extract(p.value, '$.name') as name, json_extract(p.value, '$.materialId') as materialId, json_extract(p.value, '$.due') - json_extract(p.value, '$.present') + coalesce(json_extract(p.value, '$.writtenOff'), 0) as missing, l.id is null as isHere from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id left join loan l on l.kit_id = k.id and l.returned_on is null join json_each(k.parts) p where k.retired_on is null and json_extract(p.value, '$.present') < json_extract(p.value, '$.due') + coalesce(json_extract(p.value, '$.writtenOff'), 0) order by l.id is not null, name, k.label limit 500`,
    )
  ).map((m) => ({ ...m, isHere: m.isHere !== 0 }));

const namesOf = (p: PartJson): string => `${p.materialId ?? ''} ${p.name}`;

/** The counts since it went missing say that it turned up: it is lost in no figure any more. */
async function markFound(em: EntityManager, kit: Kit, part: number, count: number): Promise<void> {
  const of = namesOf(kit.parts[part]!);
  const counts = await em.find(CountRow, { kit: kit.id }, { orderBy: { id: 'desc' } });
  for (const c of counts) {
    const at = c.parts.find((p) => namesOf(p) === of);
    const short = at ? at.due - at.present + (at.writtenOff ?? 0) - (at.found ?? 0) : 0;
    if (short <= 0) return;
    c.parts = c.parts.map((p) => (p === at ? { ...p, found: (p.found ?? 0) + Math.min(count, short) } : p));
  }
}

/**
 * A piece that turned up goes home: into the kit that misses it. A kit that is whole again is out of repair.
 *
 * @throws ProblemError 409 while the kit is lent, 422 where it misses no such piece
 */
export async function returnPiece(
  em: EntityManager,
  kitId: number,
  { part, count }: FoundInput,
  today: Day,
): Promise<KitJson> {
  const kit = await em.findOne(KitRow, { id: kitId });
  if (!kit) throw notFound(`kit ${kitId}`);
  const out = await em.findOne(LoanRow, { kit: kitId, returnedOn: null }, { populate: ['borrower'] });
  if (out)
    throw new ProblemError(
      409,
      `${kit.label} is with ${out.borrower.name}; put it in when it comes back.`,
      [{ path: 'id', message: 'expected a kit that is in the house' }],
      await kitOf(em, kitId),
    );
  const of = kit.parts[part];
  // What was written off belongs again once it is there.
  const misses = of ? of.due - of.present + (of.writtenOff ?? 0) : 0;
  if (!of || count > misses)
    throw new ProblemError(
      422,
      of ? `${kit.label} misses ${misses} of ${of.name}.` : `${kit.label} has no such part.`,
      [
        {
          path: of ? 'count' : 'part',
          message: of ? `expected at most ${misses}` : 'expected a part of it',
        },
      ],
    );
  const more = Math.max(0, of.present + count - of.due);
  kit.parts = kit.parts.map((p, i) =>
    i === part
      ? {
          ...p,
          present: p.present + count,
          due: p.due + more,
          ...(more > 0 ? { writtenOff: (p.writtenOff ?? 0) - more } : {}),
        }
      : p,
  );
  await markFound(em, kit, part, count);
  if (kit.parts.every((p) => p.present >= p.due)) kit.repair = false;
  em.create(KitEventRow, { kit, on: today, what: `${count} × ${of.name} turned up`, by: '', why: '' });
  await em.flush();
  return (await kitOf(em, kitId))!;
}
