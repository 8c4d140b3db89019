import type { EntityManager } from '@mikro-orm/core';
import type { Child, ChildInput } from '../../../contract/children.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { monthsOld } from '../../../core/child/age.ts';
import type { Allergy } from '../../../core/lend/allergies.ts';
import { ChildRow, DesignRow, type ChildStored } from '../../db/entities.ts';
import { notFound, ProblemError } from '../../problem.ts';

/** A child as it is told: its age by today. */
const childJson = (c: ChildStored, today: Day): Child => ({
  code: c.code,
  version: c.version,
  hand: c.hand,
  likes: c.likes,
  age: monthsOld(c, today),
  born: c.born ?? null,
  mouths: c.mouths,
  allergies: [...c.allergies] as Allergy[],
});

export async function listChildren(em: EntityManager, today: Day): Promise<Child[]> {
  return (await em.find(ChildRow, {}, { orderBy: { code: 'asc' }, limit: 2000 })).map((c) =>
    childJson(c, today),
  );
}

/** Keeps a child's measures and what the check needs of it; who overwrites has seen the latest. */
export async function keepChild(
  em: EntityManager,
  code: string,
  { version, age, ...input }: ChildInput,
  today: Day,
): Promise<Child> {
  const row = await em.findOne(ChildRow, { code });
  if (row && row.version !== version)
    throw new ProblemError(
      409,
      `${code} was measured meanwhile.`,
      [{ path: 'version', message: `is stale: it is ${row.version} now` }],
      childJson(row, today),
    );
  const told = age === undefined ? {} : { age, ageOn: today };
  if (!row) {
    const made = em.create(ChildRow, {
      code,
      version: 1,
      ...input,
      born: input.born ?? null,
      age: null,
      ageOn: null,
      ...told,
      mouths: input.mouths ?? false,
      allergies: input.allergies ?? [],
    });
    await em.flush();
    return childJson(made, today);
  }
  // An age that was read and sent back as it was goes on growing from the day it was told.
  const isSame = age !== undefined && age === monthsOld({ age: row.age, ageOn: row.ageOn }, today);
  em.assign(row, { ...input, ...(isSame ? {} : told) }, { mergeObjectProperties: false });
  await em.flush();
  return childJson(row, today);
}

/** Forgets a child's measures; designs that were fitted keep their dials, nameless. */
export async function forgetChild(em: EntityManager, code: string): Promise<void> {
  const row = await em.findOne(ChildRow, { code });
  if (!row) throw notFound(`child “${code.slice(0, 40)}”`);
  await em.nativeUpdate(DesignRow, { child: code }, { child: null });
  await em.removeAndFlush(row);
}
