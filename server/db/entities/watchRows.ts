import { defineEntity, p } from '@mikro-orm/core';
import type { Hand } from '../../../core/child/hand.ts';
import type { LevelDoneJson } from '../json.ts';
import { DesignRow } from './makingRows.ts';

/** A child under a code name, with its hand as it was measured. */
export const ChildRow = defineEntity({
  name: 'ChildRow',
  tableName: 'child',
  properties: {
    code: p.string().primary(),
    version: p.integer().version(),
    hand: p.json<Hand>(),
    likes: p.string(),
    /** Month of birth, YYYY-MM; or an age on a day, months. */
    born: p.string().nullable(),
    age: p.integer().nullable(),
    ageOn: p.string().nullable(),
    /** Still puts things in the mouth. */
    mouths: p.boolean(),
    allergies: p.json<string[]>(),
  },
});

export const NoteRow = defineEntity({
  name: 'NoteRow',
  tableName: 'note',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    design: () => p.manyToOne(DesignRow),
    child: p.string(),
    level: p.string(),
    bits: p.float(),
    seconds: p.float().nullable(),
    count: p.integer().nullable(),
    /** What was counted, in the family's word. */
    of: p.string().fieldName('counted_of'),
    help: p.string(),
    /** Tries in the sitting, how many of them were managed, and how it was liked. */
    tries: p.integer(),
    managed: p.integer(),
    liked: p.string().nullable(),
    words: p.string(),
    satOn: p.string(),
    /** Levels done in the sitting before this one, in order. */
    before: p.json<LevelDoneJson[]>(),
  },
});
