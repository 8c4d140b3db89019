import type { EntityManager } from '@mikro-orm/core';
import type { Note as NoteJson, NoteInput } from '../../../contract/lending.ts';
import { NoteRow, type Note } from '../../db/entities.ts';
import { findDesign } from '../shape/service.ts';
import { notFound } from '../../problem.ts';

const noteJson = (n: Note): NoteJson => ({
  id: n.id,
  designId: n.design.id,
  design: n.design.name,
  child: n.child,
  rung: n.rung,
  bits: n.bits,
  seconds: n.seconds,
  pieces: n.pieces,
  help: n.help as NoteJson['help'],
  words: n.words,
  satOn: n.satOn,
});

export async function listNotes(em: EntityManager): Promise<NoteJson[]> {
  return (await em.find(NoteRow, {}, { populate: ['design'], orderBy: { satOn: 'desc', id: 'desc' } })).map(
    noteJson,
  );
}

export async function addNote(em: EntityManager, input: NoteInput): Promise<NoteJson> {
  const { designId, ...rest } = input;
  const design = await findDesign(em, designId);
  const note = em.create(NoteRow, { ...rest, design });
  await em.flush();
  return noteJson(note);
}

export async function removeNote(em: EntityManager, id: number): Promise<void> {
  if ((await em.nativeDelete(NoteRow, { id })) === 0) throw notFound(`note ${id}`);
}
