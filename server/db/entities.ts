import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import type { PlaceRules } from '../../core/safety/rules.ts';
import type { Hand } from '../../core/child/hand.ts';
import type { KeepOutArea, Keeping, Risks, Trait } from '../../core/materials/material.ts';
import type { TermEntry } from '../../core/lend/term/termProblem.ts';
import type { OwnMessages } from '../../core/lend/telling.ts';
import type { PersonRole } from '../../contract/people.ts';
import type { BatchItem } from '../../contract/batches.ts';
import type { Progress } from '../../core/plan/progress.ts';
import type { BenchDays } from '../../core/plan/batch.ts';
import type { ContentJson, FilledJson, Hazards, PartJson, RungDoneJson, SizesJson } from './json.ts';

export const PlaceRow = defineEntity({
  name: 'PlaceRow',
  tableName: 'place',
  properties: {
    id: p.integer().primary(),
    version: p.integer().version(),
    name: p.string(),
    lengthUnit: p.string(),
    market: p.string(),
    approach: p.string(),
    paper: p.string(),
    loanDays: p.integer(),
    toiletRolls: p.string(),
    eggCartons: p.string(),
    restDays: p.integer(),
    currency: p.string(),
    locale: p.string(),
    /** Languages that families are written to in. */
    languages: p.json<string[]>(),
    /** What it has made of the rules of the check. */
    rules: p.json<PlaceRules>(),
    /** Whom a family rings. */
    phone: p.string(),
    /** What an hour of adult work counts for, minor units. */
    hourly: p.integer().nullable(),
    /** What families are told in the place's own words, by language. */
    messages: p.json<OwnMessages>(),
    /** Whether everybody has to sign in on this machine too. */
    signIn: p.boolean(),
    /** What tells this place from every other, whatever it is called. */
    identity: p.string(),
  },
});

/** Who changed which rule, when and why. */
export const RuleLogRow = defineEntity({
  name: 'RuleLogRow',
  tableName: 'rule_log',
  properties: {
    id: p.integer().primary().autoincrement(),
    on: p.string().fieldName('changed_on'),
    by: p.string().fieldName('changed_by'),
    why: p.string(),
    what: p.string(),
  },
});

export const MaterialRow = defineEntity({
  name: 'MaterialRow',
  tableName: 'material',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    form: p.string(),
    solid: p.string().nullable(),
    sizes: p.json<SizesJson>(),
    unit: p.string(),
    materialClass: p.string(),
    give: p.float(),
    hazards: p.json<Hazards>(),
    colour: p.string(),
    mass: p.float().nullable(),
    cleaning: p.string().nullable(),
    allergens: p.json<string[]>().nullable(),
    /** What it can do or is. */
    traits: p.json<Trait[]>().nullable(),
    /** Which way grain or flutes run. */
    grain: p.string().nullable(),
    /** Places of its panels that nothing is cut over. */
    keepOut: p.json<KeepOutArea[]>().nullable(),
    /** How long it keeps: hours out, days closed. */
    keeping: p.json<Keeping>().nullable(),
    /** What was measured of a magnet, tried of a battery door, or the length of a string. */
    risks: p.json<Risks>().nullable(),
    catalogue: p.string().nullable(),
    /** Minor units each, or a metre. */
    worth: p.integer().nullable(),
  },
});

/** What came in at one time from one family, in one condition. The count on the shelf is the sum of its lots. */
export const LotRow = defineEntity({
  name: 'LotRow',
  tableName: 'lot',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    material: () => p.manyToOne(MaterialRow),
    /** How many are left, and how many came. */
    quantity: p.integer(),
    came: p.integer(),
    cameOn: p.string(),
    fromCode: p.string(),
    state: p.string(),
    readyOn: p.string().nullable(),
    reason: p.string(),
    /** Measured sizes in mm; they override the nominal. */
    sizes: p.json<SizesJson>(),
    look: p.json<Record<string, unknown>>().nullable(),
  },
});

export const SupplierRow = defineEntity({
  name: 'SupplierRow',
  tableName: 'supplier',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    delivery: p.integer(),
    /** Delivery is free from this sum on, minor units. */
    freeFrom: p.integer().nullable(),
  },
});

export const OfferRow = defineEntity({
  name: 'OfferRow',
  tableName: 'offer',
  properties: {
    id: p.integer().primary().autoincrement(),
    name: p.string(),
    version: p.integer().version(),
    supplier: () => p.manyToOne(SupplierRow),
    price: p.integer(),
    contents: p.json<ContentJson[]>(),
    /** The pack's key in the shop's list, where it comes from there. */
    shopKey: p.string().nullable(),
  },
});

/** A price as it was seen on a day. */
const PriceSeenRow = defineEntity({
  name: 'PriceSeenRow',
  tableName: 'price_seen',
  properties: {
    id: p.integer().primary().autoincrement(),
    offer: () => p.manyToOne(OfferRow),
    seenOn: p.string(),
    price: p.integer(),
    inStock: p.boolean(),
  },
});

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
export const KitRow = defineEntity({
  name: 'KitRow',
  tableName: 'kit',
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
    kit: () => p.manyToOne(KitRow),
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

export const CopyRow = defineEntity({
  name: 'CopyRow',
  tableName: 'copy',
  properties: {
    id: p.integer().primary().autoincrement(),
    label: p.string().unique(),
    design: () => p.manyToOne(DesignRow),
    /** The kit of several designs that it is; null for a kit of its one design. */
    kit: () => p.manyToOne(KitRow).nullable(),
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
export const CopyEventRow = defineEntity({
  name: 'CopyEventRow',
  tableName: 'copy_event',
  properties: {
    id: p.integer().primary().autoincrement(),
    copy: () => p.manyToOne(CopyRow),
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
    copy: () => p.manyToOne(CopyRow),
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
    copy: () => p.manyToOne(CopyRow),
    loan: () => p.manyToOne(LoanRow).nullable(),
    countedOn: p.string(),
    /** The parts as they were counted, before anything was filled. */
    parts: p.json<PartJson[]>(),
    outcome: p.string(),
    filled: p.json<FilledJson[]>(),
  },
});

export const NoteRow = defineEntity({
  name: 'NoteRow',
  tableName: 'note',
  properties: {
    id: p.integer().primary().autoincrement(),
    design: () => p.manyToOne(DesignRow),
    child: p.string(),
    rung: p.string(),
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
    /** Rungs done in the sitting before this one, in order. */
    before: p.json<RungDoneJson[]>(),
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
    kit: () => p.manyToOne(KitRow).nullable(),
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

/** Somebody who works here, by the name they sign in with. */
export const PersonRow = defineEntity({
  name: 'PersonRow',
  tableName: 'person',
  properties: {
    id: p.integer().primary().autoincrement(),
    name: p.string(),
    role: p.string().$type<PersonRole>(),
    /** A slow hash with its own salt, never the password. */
    password: p.string(),
    isOff: p.boolean(),
    madeOn: p.string(),
  },
});

/** Somebody signed in at a screen; known by the hash of what its cookie holds. Times in ms since 1970. */
export const SessionRow = defineEntity({
  name: 'SessionRow',
  tableName: 'session',
  properties: {
    id: p.string().primary(),
    person: () => p.manyToOne(PersonRow),
    madeAt: p.integer(),
    usedAt: p.integer(),
  },
});

/** What somebody did: who, when and what was asked. */
const DeedRow = defineEntity({
  name: 'DeedRow',
  tableName: 'deed',
  properties: {
    id: p.integer().primary().autoincrement(),
    at: p.integer(),
    who: p.string(),
    asked: p.string(),
    /** What was done, in words. */
    did: p.string(),
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
  },
});

export const entities = [
  PlaceRow,
  MaterialRow,
  LotRow,
  SupplierRow,
  OfferRow,
  PriceSeenRow,
  DesignRow,
  ChildRow,
  HandTestRow,
  RuleLogRow,
  BuildRow,
  BatchRow,
  StepTimeRow,
  KitRow,
  GivenRow,
  CopyRow,
  CopyEventRow,
  BorrowerRow,
  LoanRow,
  CountRow,
  NoteRow,
  ReservationRow,
  TellingRow,
  PersonRow,
  SessionRow,
  DeedRow,
  TermPlanRow,
  OutboxRow,
];

export type Material = InferEntity<typeof MaterialRow>;
export type Lot = InferEntity<typeof LotRow>;
export type Design = InferEntity<typeof DesignRow>;
export type Borrower = InferEntity<typeof BorrowerRow>;
export type ChildStored = InferEntity<typeof ChildRow>;
export type Copy = InferEntity<typeof CopyRow>;
export type KitStored = InferEntity<typeof KitRow>;
export type Batch = InferEntity<typeof BatchRow>;
export type TermPlanStored = InferEntity<typeof TermPlanRow>;
export type Loan = InferEntity<typeof LoanRow>;
export type Note = InferEntity<typeof NoteRow>;
export type PersonStored = InferEntity<typeof PersonRow>;
