import type { EntityManager } from '@mikro-orm/core';
import { z } from 'zod';
import type { Borrower, BorrowerInput, BorrowerUpdate, ListedFamily } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { monthsOld } from '../../../core/child/age.ts';
import type { Allergy } from '../../../core/lend/allergies.ts';
import { rows } from '../../db/rows.ts';
import { pageOf, textCursor, textCursorOf } from '../../paging.ts';
import { BorrowerRow, type Borrower as BorrowerStored } from '../../db/entities.ts';
import { notFound, ProblemError } from '../../problem.ts';

/** The family that a body names. @throws ProblemError 422 where there is none */
export async function familyNamed(em: EntityManager, id: number) {
  const family = await em.findOne(BorrowerRow, { id, erasedOn: null });
  if (family) return family;
  throw new ProblemError(422, 'There is no such family.', [
    { path: 'borrowerId', message: 'expected a family of this place' },
  ]);
}

export const borrowerQuery = z.strictObject({
  ...pageOf(1000),
  /** Part of a code name or of a group. */
  q: z.string().trim().max(80, 'may have at most 80 characters').optional(),
});

/** A page of families by code name. */
export async function listBorrowers(em: EntityManager, query: z.infer<typeof borrowerQuery>, today: Day) {
  const q = `%${(query.q ?? '').replace(/[%_\\]/g, (c) => `\\${c}`)}%`;
  const matches = "(erased_on is null and (name like ? escape '\\' or group_name like ? escape '\\'))";
  const [all] = await rows<{ n: number }>(em, `select count(*) as n from borrower where ${matches}`, [q, q]);
  const at = textCursor(query.after) ?? ['', 0];
  const found = await rows<FamilyColumns & { has: number; late: number }>(
    em,
    `select id, version, name, group_name as "group", allergies, mail, youngest, youngest_on as "youngestOn", born, mouths, language, aim, children, (select count(*) from loan l where l.borrower_id = borrower.id and l.returned_on is null) as has, (select count(*) from loan l where l.borrower_id = borrower.id and l.returned_on is null and l.due_on < ?) as late from borrower where ${matches} and (name, id) > (?, ?) order by name, id limit ?`,
    [today, q, q, ...at, query.limit],
  );
  const items = found.map((b): ListedFamily => ({
    ...familyJson(
      {
        ...b,
        mouths: b.mouths !== 0,
        allergies: JSON.parse(b.allergies) as string[],
        children: JSON.parse(b.children) as string[],
      },
      today,
    ),
    has: b.has,
    late: b.late,
  }));
  const last = items.at(-1);
  return { items, limit: query.limit, total: all!.n, next: last ? textCursorOf(last.name, last.id) : null };
}

interface FamilyColumns {
  id: number;
  version: number;
  name: string;
  group: string;
  allergies: string;
  mail: string | null;
  youngest: number | null;
  youngestOn: string | null;
  born: string | null;
  mouths: number;
  language: string | null;
  aim: string | null;
  children: string;
}
type FamilyFacts = Omit<FamilyColumns, 'allergies' | 'children' | 'mouths'> & {
  readonly allergies: readonly string[];
  readonly children: readonly string[];
  readonly mouths: boolean;
};

/** A family as it is told: its youngest by today. */
const familyJson = (b: FamilyFacts, today: Day): Borrower => ({
  id: b.id,
  version: b.version,
  name: b.name,
  group: b.group,
  allergies: [...b.allergies] as Allergy[],
  mail: b.mail ?? null,
  youngest: monthsOld({ born: b.born, age: b.youngest, ageOn: b.youngestOn }, today),
  born: b.born ?? null,
  mouths: b.mouths,
  language: (b.language ?? null) as Borrower['language'],
  aim: (b.aim ?? null) as Borrower['aim'],
  children: [...b.children],
});
/** A family by its number. @throws ProblemError 404 where there is none, or it was erased */
export async function oneFamily(em: EntityManager, id: number, today: Day): Promise<Borrower> {
  const b = await em.findOne(BorrowerRow, { id, erasedOn: null });
  if (!b) throw notFound(`family ${id}`);
  return familyJson(factsOf(b), today);
}
const factsOf = (b: BorrowerStored): FamilyFacts => ({
  ...b,
  mail: b.mail ?? null,
  youngest: b.youngest ?? null,
  youngestOn: b.youngestOn ?? null,
  born: b.born ?? null,
  language: b.language ?? null,
  aim: b.aim ?? null,
});

/** What is left out of a change stays as it is known; an age that is told grows from today on. */
const agesOf = (input: Pick<BorrowerInput, 'youngest' | 'born'>, today: Day) => ({
  ...(input.youngest === undefined ? {} : { youngest: input.youngest, youngestOn: today }),
  ...(input.born === undefined ? {} : { born: input.born }),
});

export async function addBorrower(em: EntityManager, input: BorrowerInput, today: Day): Promise<Borrower> {
  const b = em.create(BorrowerRow, {
    ...input,
    version: 1,
    allergies: input.allergies ?? [],
    mail: input.mail ?? null,
    youngest: null,
    youngestOn: null,
    born: null,
    ...agesOf(input, today),
    mouths: input.mouths ?? false,
    language: input.language ?? null,
    aim: input.aim ?? null,
    children: input.children ?? [],
    erasedOn: null,
  });
  await em.flush();
  return familyJson(factsOf(b), today);
}

/** Changes what is known of a family; two desks that change it at once do not undo each other. */
export async function updateBorrower(
  em: EntityManager,
  id: number,
  { version, ...input }: BorrowerUpdate,
  today: Day,
): Promise<Borrower> {
  const b = await em.findOne(BorrowerRow, { id, erasedOn: null });
  if (!b) throw notFound(`family ${id}`);
  if (b.version !== version)
    throw new ProblemError(
      409,
      `${b.name} was changed meanwhile.`,
      [{ path: 'version', message: `is stale: it is ${b.version} now` }],
      familyJson(factsOf(b), today),
    );
  // An age that was read and sent back as it was goes on growing from the day it was told.
  const isSame =
    input.youngest !== undefined &&
    input.youngest === monthsOld({ age: b.youngest, ageOn: b.youngestOn }, today);
  const { youngest, ...others } = input;
  em.assign(
    b,
    { ...others, ...agesOf(isSame ? { born: input.born } : { youngest, born: input.born }, today) },
    { mergeObjectProperties: false },
  );
  await em.flush();
  return familyJson(factsOf(b), today);
}
