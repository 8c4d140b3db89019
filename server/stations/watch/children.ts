import type { EntityManager } from '@mikro-orm/core';
import type { Child, ChildInput } from '../../../contract/children.ts';
import { ChildRow, DesignRow } from '../../db/entities.ts';
import { notFound, ProblemError } from '../../problem.ts';

type Row = Child;
const childJson = ({ code, version, hand, likes }: Row): Child => ({ code, version, hand, likes });

export async function listChildren(em: EntityManager): Promise<Child[]> {
  return (await em.find(ChildRow, {}, { orderBy: { code: 'asc' }, limit: 2000 })).map(childJson);
}

/** Keeps a child's measures; who overwrites has seen the latest. */
export async function keepChild(
  em: EntityManager,
  code: string,
  { version, ...input }: ChildInput,
): Promise<Child> {
  const row = await em.findOne(ChildRow, { code });
  if (row && row.version !== version)
    throw new ProblemError(
      409,
      `${code} was measured meanwhile.`,
      [{ path: 'version', message: `is stale: it is ${row.version} now` }],
      childJson(row),
    );
  if (!row) {
    const made = em.create(ChildRow, { code, ...input, version: 1 });
    await em.flush();
    return childJson(made);
  }
  em.assign(row, input, { mergeObjectProperties: false });
  await em.flush();
  return childJson(row);
}

/** Forgets a child's measures; designs that were fitted keep their dials, nameless. */
export async function forgetChild(em: EntityManager, code: string): Promise<void> {
  const row = await em.findOne(ChildRow, { code });
  if (!row) throw notFound(`child “${code.slice(0, 40)}”`);
  await em.nativeUpdate(DesignRow, { child: code }, { child: null });
  await em.removeAndFlush(row);
}
