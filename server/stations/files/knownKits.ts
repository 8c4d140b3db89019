import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { partsOfBundle } from '../../../core/lend/bundle.ts';
import { kitParts } from '../../../core/lend/parts.ts';
import { DesignRow, BundleRow } from '../../db/entities.ts';
import type { PartJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';
import { worked } from '../lend/bundles.ts';

/** What kits of one kind have in common. */
export interface KnownKind {
  readonly designId: number;
  readonly bundleId: number | null;
  readonly parts: readonly PartJson[];
}
export interface KnownKit extends KnownKind {
  readonly id: number;
  readonly kit: string;
  readonly isOut: boolean;
  /** The loan it is out with. */
  readonly loanId: number | null;
}

/** Every kit by its label, with its parts and whether it is out. */
export async function knownKits(em: EntityManager): Promise<Map<string, KnownKit>> {
  const found = await rows<{
    id: number;
    label: string;
    kit: string;
    designId: number;
    bundleId: number | null;
    parts: string;
    loanId: number | null;
  }>(
    em,
    'select k.id, k.label, coalesce(bundle.name, d.name) as kit, k.design_id as designId, k.bundle_id as bundleId, k.parts, l.id as loanId from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id left join loan l on l.kit_id = k.id and l.returned_on is null',
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
    bundle: { id: number; container: number | null } | null,
  ): Promise<void> => {
    const key = name.toLowerCase();
    if (kinds.has(key)) return void kinds.set(key, null);
    const w = await worked(em, { designs, container: bundle?.container ?? null }, today).catch(() => null);
    // What cannot be read has no kits.
    if (!w) return;
    const counted = bundle
      ? partsOfBundle(w.bundle)
      : kitParts(w.bundle[0]!.needs).map((k) => ({ ...k, for: [] }));
    const parts = counted.map(({ for: _, set: __, ...p }): PartJson => ({ ...p, present: p.due }));
    kinds.set(key, { designId: designs[0]!, bundleId: bundle?.id ?? null, parts });
    await new Promise((go) => setImmediate(go));
  };
  for (const d of await em.find(DesignRow, {}, { orderBy: { id: 'asc' } })) await put(d.name, [d.id], null);
  for (const k of await em.find(BundleRow, {}, { orderBy: { id: 'asc' } }))
    await put(k.name, k.designs, { id: k.id, container: k.container ?? null });
  return kinds;
}
