import type { EntityManager } from '@mikro-orm/core';
import {
  carriedForward,
  FILE_VERSION,
  bundleFile,
  type DesignFile,
  type DesignFileLook,
  type BundleFile,
  type BundleFileLook,
} from '../../../contract/designFile.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { MaterialKind } from '../../../core/materials/material.ts';
import { MaterialRow, type Design, type Material } from '../../db/entities.ts';
import { read } from '../../problem.ts';

import {
  catalogueKind,
  designIn,
  fault,
  inFile,
  onThisShelf,
  opened,
  put,
  told,
  versionOf,
  writeFile,
  type Understood,
} from './designFile.ts';

/** A kit with its designs and what it is packed into, to be carried to another place. */
export async function writeBundleFile(
  em: EntityManager,
  kit: {
    readonly name: string;
    readonly container: number | null;
    readonly designs: readonly Design[];
    readonly words: Readonly<Record<string, string>>;
  },
): Promise<BundleFile> {
  const designs: DesignFile['design'][] = [];
  for (const d of kit.designs) designs.push((await writeFile(em, d)).design);
  const container = kit.container === null ? null : await em.findOne(MaterialRow, { id: kit.container });
  return {
    file: 'fox-button-kit',
    version: FILE_VERSION,
    kit: {
      name: kit.name,
      container: container && inFile(container),
      designs,
      ...(Object.keys(kit.words).length > 0 ? { words: kit.words } : {}),
    },
  };
}

interface BundleUnderstood {
  readonly name: string;
  readonly words: BundleFile['kit']['words'];
  readonly container: { readonly kind: MaterialKind; readonly row: Material | null } | null;
  readonly designs: readonly Understood[];
}

async function bundleUnderstood(em: EntityManager, raw: unknown): Promise<BundleUnderstood> {
  const version = versionOf(raw);
  const { kit } = read(bundleFile, carriedForward(raw));
  const designs: Understood[] = [];
  for (const design of kit.designs) designs.push(await designIn(em, { design }, version));
  const { name, words } = kit;
  if (kit.container === null) return { name, words, container: null, designs };
  const kind = 'name' in kit.container ? kit.container : catalogueKind(kit.container.catalogue);
  if (!kind)
    throw fault('kit.container.catalogue', 'is no key of the catalogue; expected one, or a whole material');
  return { name, words, container: { kind, row: await onThisShelf(em, kind) }, designs };
}

/** What a kit's file brings, told before anything is written. */
export async function lookAtBundle(em: EntityManager, raw: unknown): Promise<BundleFileLook> {
  const { name, container, designs } = await bundleUnderstood(em, raw);
  const looks: DesignFileLook[] = [];
  for (const d of designs) looks.push(await told(em, d));
  return {
    name,
    container: container && {
      role: 'Packed into',
      name: container.row?.name ?? container.kind.name,
      id: container.row?.id ?? null,
    },
    designs: looks,
  };
}

/** Opens a kit's file: its designs beside those that are here, and what the kit is made of. All or nothing. */
export async function openBundleFile(
  em: EntityManager,
  raw: unknown,
  takeNearest: boolean,
  today: Day,
): Promise<{ name: string; designs: number[]; container: number | null; words: BundleFile['kit']['words'] }> {
  const { name, words, container, designs } = await bundleUnderstood(em, raw);
  const ids: number[] = [];
  // One after the other: what a design puts on the shelf is there for the next, which is met with it again.
  for (const d of designs) {
    const again = await designIn(em, { design: d.design }, d.version);
    ids.push((await opened(em, again, takeNearest, today)).id);
  }
  const packedIn =
    container && ((await onThisShelf(em, container.kind))?.id ?? (await put(em, container.kind, today)));
  return { name, designs: ids, container: packedIn, words };
}
