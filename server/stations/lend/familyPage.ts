import type { EntityManager } from '@mikro-orm/core';
import type { FamilyChild, FamilyPage, HasOut } from '../../../contract/lending.ts';
import { daysBetween, type Day } from '../../../core/calendar/days.ts';
import { monthsOld } from '../../../core/child/age.ts';
import { ChildRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { recalledKits } from '../check/service.ts';
import { oneFamily } from './borrowers.ts';
import { listReservations } from './reserve.ts';
import { toldTo } from './telling.ts';
import { plannedFor } from './termPlan/service.ts';

/** What a family has out, what is due first. */
export async function outWith(em: EntityManager, borrowerId: number, today: Day): Promise<HasOut[]> {
  const recalled = await recalledKits(em);
  const out = await rows<Omit<HasOut, 'daysLate' | 'recalled'> & { kitId: number }>(
    em,
    'select l.id as loanId, k.id as kitId, k.label, coalesce(bundle.name, d.name) as kit, l.lent_on as lentOn, l.due_on as dueOn from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.borrower_id = ? and l.returned_on is null order by l.due_on, l.id',
    [borrowerId],
  );
  return out.map(({ kitId, ...o }) => ({
    ...o,
    daysLate: Math.max(0, daysBetween(o.dueOn, today)),
    recalled: recalled.get(kitId) ?? null,
  }));
}

/** The children of a family by their codes, with what was seen of each. */
async function childrenOf(em: EntityManager, codes: readonly string[], today: Day): Promise<FamilyChild[]> {
  const known = new Map((await em.find(ChildRow, { code: { $in: [...codes] } })).map((c) => [c.code, c]));
  const notes = new Map(
    (
      await rows<{ child: string; n: number; last: Day }>(
        em,
        'select child, count(*) as n, max(sat_on) as last from note where child in (select value from json_each(?)) group by child',
        [JSON.stringify(codes)],
      )
    ).map((n) => [n.child, n]),
  );
  return codes.map((code) => {
    const child = known.get(code);
    return {
      code,
      age: child ? monthsOld(child, today) : null,
      mouths: child?.mouths ?? false,
      allergies: child?.allergies ?? [],
      isMeasured: child ? Object.values(child.hand).some((v) => v !== null && v !== undefined) : false,
      notes: notes.get(code)?.n ?? 0,
      lastSat: notes.get(code)?.last ?? null,
    };
  });
}

/**
 * All that stands of one family today; what it had is in its history.
 *
 * @throws ProblemError 404 where there is no such family
 */
export async function familyPage(em: EntityManager, id: number, today: Day): Promise<FamilyPage> {
  const family = await oneFamily(em, id, today);
  const kept = (await listReservations(em, today)).filter((r) => r.borrowerId === id);
  return {
    family,
    has: await outWith(em, id, today),
    planned: (await plannedFor(em, id)).filter((p) => p.due >= today),
    kept: kept.map(({ id: of, kit, madeOn, ready }) => ({ id: of, kit, madeOn, ready })),
    told: await toldTo(em, id),
    children: await childrenOf(em, family.children, today),
  };
}
