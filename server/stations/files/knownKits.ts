import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { partsOfKit } from '../../../core/lend/kit.ts';
import { kitParts } from '../../../core/lend/parts.ts';
import { DesignRow, KitRow } from '../../db/entities.ts';
import type { PartJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';
import { worked } from '../lend/kits.ts';

/** What kits of one kind have in common. */
export interface KnownKind {
  readonly designId: number;
  readonly kitId: number | null;
  readonly parts: readonly PartJson[];
}
export interface KnownCopy extends KnownKind {
  readonly id: number;
  readonly kit: string;
  readonly isOut: boolean;
  /** The loan it is out with. */
  readonly loanId: number | null;
}

/** Every kit by its label, with its parts and whether it is out. */
export async function knownCopies(em: EntityManager): Promise<Map<string, KnownCopy>> {
  const found = await rows<{
    id: number;
    label: string;
    kit: string;
    designId: number;
    kitId: number | null;
    parts: string;
    loanId: number | null;
  }>(
    em,
    'select c.id, c.label, coalesce(k.name, d.name) as kit, c.design_id as designId, c.kit_id as kitId, c.parts, l.id as loanId from copy c join design d on d.id = c.design_id left join kit k on k.id = c.kit_id left join loan l on l.copy_id = c.id and l.returned_on is null',
  );
  return new Map(
    found.map((c) => [c.label, { ...c, parts: JSON.parse(c.parts) as PartJson[], isOut: c.loanId !== null }]),
  );
}

/** Designs and kits of several, by name, with the parts that a new kit of each has. */
export async function lendableKinds(em: EntityManager, today: Day): Promise<Map<string, KnownKind | null>> {
  const kinds = new Map<string, KnownKind | null>();
  const put = async (
    name: string,
    designs: readonly number[],
    kit: { id: number; container: number | null } | null,
  ): Promise<void> => {
    const key = name.toLowerCase();
    if (kinds.has(key)) return void kinds.set(key, null);
    const w = await worked(em, { designs, container: kit?.container ?? null }, today).catch(() => null);
    // What cannot be read has no kits.
    if (!w) return;
    const counted = kit ? partsOfKit(w.kit) : kitParts(w.kit[0]!.needs).map((k) => ({ ...k, for: [] }));
    const parts = counted.map(({ for: _, set: __, ...p }): PartJson => ({ ...p, present: p.due }));
    kinds.set(key, { designId: designs[0]!, kitId: kit?.id ?? null, parts });
    await new Promise((go) => setImmediate(go));
  };
  for (const d of await em.find(DesignRow, {}, { orderBy: { id: 'asc' } })) await put(d.name, [d.id], null);
  for (const k of await em.find(KitRow, {}, { orderBy: { id: 'asc' } }))
    await put(k.name, k.designs, { id: k.id, container: k.container ?? null });
  return kinds;
}
