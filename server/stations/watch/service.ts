import type { EntityManager } from '@mikro-orm/core';
import { z } from 'zod';
import type { Note as NoteJson, NoteInput, NotesSummary, NoteUpdate } from '../../../contract/notes.ts';
import { NoteRow, type Note } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { pageOf, textCursor, textCursorOf } from '../../paging.ts';
import { findDesign } from '../shape/service.ts';
import { notFound, ProblemError } from '../../problem.ts';

const noteJson = (n: Note): NoteJson => ({
  id: n.id,
  version: n.version,
  designId: n.design.id,
  design: n.design.name,
  child: n.child,
  level: n.level,
  bits: n.bits,
  seconds: n.seconds ?? null,
  count: n.count ?? null,
  of: n.of,
  help: n.help as NoteJson['help'],
  tries: n.tries,
  managed: n.managed,
  liked: (n.liked ?? null) as NoteJson['liked'],
  words: n.words,
  satOn: n.satOn,
  before: n.before,
});

export const noteQuery = z.strictObject({
  ...pageOf(1000, 500),
  design: z.coerce.number().int().positive('must be more than 0').optional(),
  child: z.string().trim().max(40).optional(),
});

interface Columns extends Omit<NoteJson, 'designId' | 'satOn' | 'before'> {
  before: string;
  design_id: number;
  sat_on: string;
}

/** A page of notes, the latest sitting first. */
export async function listNotes(em: EntityManager, query: z.infer<typeof noteQuery>) {
  const where: string[] = [];
  const params: unknown[] = [];
  if (query.design !== undefined) {
    where.push('n.design_id = ?');
    params.push(query.design);
  }
  if (query.child !== undefined) {
    where.push('n.child = ?');
    params.push(query.child);
  }
  const clause = (): string => (where.length > 0 ? ` where ${where.join(' and ')}` : '');
  const [all] = await rows<{ n: number }>(em, `select count(*) as n from note n${clause()}`, params);
  const at = textCursor(query.after);
  if (at) {
    where.push('(n.sat_on, n.id) < (?, ?)');
    params.push(...at);
  }
  const found = await rows<Columns>(
    em,
    `select n.id, n.design_id, d.name as design, n.child, n.level, n.bits, n.seconds, n.count, n.counted_of as "of", n.help, n.tries, n.managed, n.liked, n.words, n.sat_on, n.before from note n join design d on d.id = n.design_id${clause()} order by n.sat_on desc, n.id desc limit ?`,
    [...params, query.limit],
  );
  const last = found.at(-1);
  return {
    items: found.map(({ design_id: designId, sat_on: satOn, before, ...n }): NoteJson => ({
      ...n,
      designId,
      satOn,
      before: JSON.parse(before) as NoteJson['before'],
    })),
    limit: query.limit,
    total: all!.n,
    next: last ? textCursorOf(last.sat_on, last.id) : null,
  };
}

/** The notes in figures, counted where the rows lie. */
export async function notesSummary(em: EntityManager): Promise<NotesSummary> {
  const [found] = await rows<NotesSummary>(
    em,
    'select (select count(*) from note) as notes, (select count(*) from (select distinct child from note)) as children',
  );
  return found!;
}

/** The columns of a note; no more tries are managed than there were. */
async function noteColumns(em: EntityManager, { designId, ...rest }: NoteInput) {
  const managed = rest.managed ?? rest.tries;
  if (managed > rest.tries)
    throw new ProblemError(422, `managed: ${managed} of ${rest.tries} tries`, [
      { path: 'managed', message: `expected at most ${rest.tries}, as many as were tried` },
    ]);
  return { ...rest, managed, design: await findDesign(em, designId) };
}

export async function addNote(em: EntityManager, input: NoteInput): Promise<NoteJson> {
  const note = em.create(NoteRow, { version: 1, ...(await noteColumns(em, input)) });
  await em.flush();
  return noteJson(note);
}

/** Corrects a note, if the caller has seen its latest state; else the caller gets that state. */
export async function changeNote(em: EntityManager, id: number, input: NoteUpdate): Promise<NoteJson> {
  const { version, ...fields } = input;
  const note = await em.findOne(NoteRow, { id }, { populate: ['design'] });
  if (!note) throw notFound(`note ${id}`);
  if (note.version !== version)
    throw new ProblemError(
      409,
      `The note on ${note.child} was changed meanwhile.`,
      [{ path: 'version', message: `is stale: it is ${note.version} now` }],
      noteJson(note),
    );
  em.assign(note, await noteColumns(em, fields), { mergeObjectProperties: false });
  await em.flush();
  return noteJson(note);
}

export async function removeNote(em: EntityManager, id: number): Promise<void> {
  if ((await em.nativeDelete(NoteRow, { id })) === 0) throw notFound(`note ${id}`);
}
