import { defineEntity, p } from '@mikro-orm/core';
import type { TermEntry } from '../../../core/lend/term/termProblem.ts';
import type { FilledJson, PartJson } from '../json.ts';
import { BuildRow, DesignRow, BundleRow } from './makingRows.ts';

export const KitRow = defineEntity({
  name: 'KitRow',
  tableName: 'kit',
  properties: {
    id: p.integer().primary().autoincrement(),
    label: p.string().unique(),
    design: () => p.manyToOne(DesignRow),
    /** The kit of several designs that it is; null for a kit of its one design. */
    bundle: () => p.manyToOne(BundleRow).nullable(),
    build: () => p.manyToOne(BuildRow).nullable(),
    repair: p.boolean(),
    toClean: p.boolean().default(false),
    restsUntil: p.string().nullable(),
    retiredOn: p.string().nullable(),
    parts: p.json<PartJson[]>(),
    lastCounted: p.string().nullable(),
  },
});

/** A kit cleaned, retired or put back in use. */
export const KitEventRow = defineEntity({
  name: 'KitEventRow',
  tableName: 'kit_event',
  properties: {
    id: p.integer().primary().autoincrement(),
    kit: () => p.manyToOne(KitRow),
    on: p.string().fieldName('done_on'),
    what: p.string(),
    by: p.string().fieldName('done_by'),
    why: p.string(),
  },
});

export const BorrowerRow = defineEntity({
  name: 'BorrowerRow',
  tableName: 'borrower',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string().unique(),
    group: p.string().fieldName('group_name'),
    /** What somebody of the family is allergic to. */
    allergies: p.json<string[]>(),
    mail: p.string().nullable(),
    /** Of the youngest at home: an age, months, on a day, or a month of birth, YYYY-MM. */
    youngest: p.integer().nullable(),
    youngestOn: p.string().nullable(),
    born: p.string().nullable(),
    /** Somebody at home still puts things in the mouth. */
    mouths: p.boolean(),
    /** Language that it is written to in; null for the place's first. */
    language: p.string().nullable(),
    aim: p.string().nullable(),
    /** Code names of its children. */
    children: p.json<string[]>(),
    /** Since when nothing is known of it any more but its counts. */
    erasedOn: p.string().nullable(),
  },
});

export const LoanRow = defineEntity({
  name: 'LoanRow',
  tableName: 'loan',
  properties: {
    id: p.integer().primary().autoincrement(),
    kit: () => p.manyToOne(KitRow),
    borrower: () => p.manyToOne(BorrowerRow),
    lentOn: p.string(),
    dueOn: p.string(),
    returnedOn: p.string().nullable(),
    /** The parts as they were counted at the return. */
    counted: p.json<PartJson[]>().nullable(),
    outcome: p.string().nullable(),
    /** Who lent it against a stop of the check, why, and what the check had said. */
    overrideBy: p.string().nullable(),
    overrideWhy: p.string().nullable(),
    overrideOf: p.string().nullable(),
  },
});

/** A kit counted: at a return, at the end of a repair, or between loans. */
export const CountRow = defineEntity({
  name: 'CountRow',
  tableName: 'count',
  properties: {
    id: p.integer().primary().autoincrement(),
    kit: () => p.manyToOne(KitRow),
    loan: () => p.manyToOne(LoanRow).nullable(),
    countedOn: p.string(),
    /** The parts as they were counted, before anything was filled. */
    parts: p.json<PartJson[]>(),
    outcome: p.string(),
    filled: p.json<FilledJson[]>(),
  },
});

/** A kind of kit that is kept for a family: the next one of it that is in. */
export const ReservationRow = defineEntity({
  name: 'ReservationRow',
  tableName: 'reservation',
  properties: {
    id: p.integer().primary().autoincrement(),
    borrower: () => p.manyToOne(BorrowerRow),
    design: () => p.manyToOne(DesignRow),
    /** The kit of several designs that is kept; null for one of its one design. */
    bundle: () => p.manyToOne(BundleRow).nullable(),
    madeOn: p.string(),
    endedOn: p.string().nullable(),
    outcome: p.string().nullable(),
  },
});

/** What a family was told, when and how. */
export const TellingRow = defineEntity({
  name: 'TellingRow',
  tableName: 'telling',
  properties: {
    id: p.integer().primary().autoincrement(),
    borrower: () => p.manyToOne(BorrowerRow),
    toldOn: p.string(),
    about: p.json<string[]>(),
    by: p.string(),
    language: p.string(),
    words: p.string(),
  },
});

/** A mail to a family that waits for the mail server, or was taken by it. */
export const OutboxRow = defineEntity({
  name: 'OutboxRow',
  tableName: 'outbox',
  properties: {
    id: p.integer().primary().autoincrement(),
    borrower: () => p.manyToOne(BorrowerRow),
    to: p.string().fieldName('to_address'),
    subject: p.string(),
    words: p.string(),
    language: p.string(),
    about: p.json<string[]>(),
    state: p.string(),
    madeOn: p.string(),
    sentOn: p.string().nullable(),
    tries: p.integer(),
    problem: p.string().nullable(),
  },
});

/** Who gets which kit in which week of a term. */
export const TermPlanRow = defineEntity({
  name: 'TermPlanRow',
  tableName: 'term_plan',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    from: p.string().fieldName('from_day'),
    weeks: p.integer(),
    every: p.integer().fieldName('every_weeks'),
    stays: p.integer().fieldName('stays_weeks'),
    cleanDays: p.integer(),
    borrowers: p.json<number[]>(),
    entries: p.json<TermEntry[]>(),
    closed: p.json<number[]>(),
  },
});
