import { defineEntity, p } from '@mikro-orm/core';
import type { BatchItem } from '../../../contract/batches.ts';
import type { Progress } from '../../../core/plan/progress.ts';
import type { BenchDays } from '../../../core/plan/batch.ts';
import type { ContentJson } from '../json.ts';

export const DesignRow = defineEntity({
  name: 'DesignRow',
  tableName: 'design',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    pattern: p.string(),
    forGroup: p.string(),
    ageFrom: p.integer(),
    ageTo: p.integer(),
    skill: p.string(),
    approach: p.string(),
    /** Kits wanted in the batch, and made of them so far. */
    copies: p.integer(),
    made: p.integer(),
    dials: p.json<Record<string, unknown>>(),
    materials: p.json<Record<string, number[]>>(),
    /** Whether its next batch is being made, and so speaks for stock. */
    onBench: p.boolean(),
    /** Code of the child it is fitted to; null for a design that is for a group. */
    child: p.string().nullable(),
    /** Somebody who will use it still puts things in the mouth. */
    mouths: p.boolean(),
    /** Whether somebody named it; else its name follows what it is. */
    ownName: p.boolean(),
  },
});

/** A test done by hand on a finished kit of a design. */
export const HandTestRow = defineEntity({
  name: 'HandTestRow',
  tableName: 'hand_test',
  properties: {
    id: p.integer().primary().autoincrement(),
    design: () => p.manyToOne(DesignRow),
    part: p.string(),
    test: p.string(),
    passed: p.boolean(),
    /** N. */
    force: p.float().nullable(),
    on: p.string().fieldName('done_on'),
    by: p.string().fieldName('done_by'),
    words: p.string(),
    /** How the tested thing was made. */
    madeAs: p.string(),
  },
});

export const BuildRow = defineEntity({
  name: 'BuildRow',
  tableName: 'build',
  properties: {
    id: p.integer().primary().autoincrement(),
    design: () => p.manyToOne(DesignRow),
    copies: p.integer(),
    builtOn: p.string(),
    /** What was taken from the shelf. */
    used: p.json<ContentJson[]>(),
    /** How each design of it was made, by design: what tests by hand hold for. */
    madeAs: p.json<Record<string, string>>(),
  },
});

/** Several designs and kits that are made together. */
export const BatchRow = defineEntity({
  name: 'BatchRow',
  tableName: 'batch',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    state: p.string(),
    items: p.json<BatchItem[]>(),
    days: p.json<BenchDays>(),
    progress: p.json<Progress>(),
    madeOn: p.string().nullable(),
    /** What was taken off the shelf, spoiled parts too. */
    used: p.json<ContentJson[]>(),
    /** Off-cuts that were put back. */
    left: p.json<{ name: string; count: number }[]>().fieldName('offcuts'),
    labels: p.json<string[]>(),
  },
});

/** How long a step took once. */
export const StepTimeRow = defineEntity({
  name: 'StepTimeRow',
  tableName: 'step_time',
  properties: {
    id: p.integer().primary().autoincrement(),
    batch: () => p.manyToOne(BatchRow),
    task: p.string(),
    pattern: p.string(),
    step: p.string(),
    /** As usual for so many kits, and as it took, minutes. */
    usual: p.float(),
    minutes: p.float(),
    on: p.string().fieldName('done_on'),
  },
});

/** A kit of one or several designs: what is lent as one. */
export const BundleRow = defineEntity({
  name: 'BundleRow',
  tableName: 'bundle',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    designs: p.json<number[]>(),
    container: p.integer().nullable(),
    /** What the place tells families itself, by language. */
    words: p.json<Record<string, string>>(),
    /** Youngest at home who will get hold of it, months. */
    youngest: p.integer().nullable(),
  },
});

/** Parts of a kit handed over for good, to be made at home. */
export const GivenRow = defineEntity({
  name: 'GivenRow',
  tableName: 'given',
  properties: {
    id: p.integer().primary().autoincrement(),
    bundle: () => p.manyToOne(BundleRow),
    families: p.integer(),
    /** Whether everything with a blade or heat was done beforehand. */
    prepared: p.boolean(),
    givenOn: p.string(),
    /** What was taken from the shelf. */
    used: p.json<ContentJson[]>(),
    /** Who gave it against a stop of the check, why, and what the check had said. */
    overrideBy: p.string().nullable(),
    overrideWhy: p.string().nullable(),
    overrideOf: p.string().nullable(),
  },
});
