import { defineEntity, p } from '@mikro-orm/core';
import type { PlaceRules } from '../../../core/safety/rules.ts';
import type { OwnMessages } from '../../../core/lend/telling.ts';

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
    /** Whether what is only simulated (shop, scanner, scale, outbox) is shown. */
    simulated: p.boolean(),
    /** What a heading of a file meant, by kind of file: remembered for the next one. */
    fileColumns: p.json<Record<string, Record<string, string>>>(),
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

/** A file that was taken in: the same one again is recognised. */
export const FileTakenRow = defineEntity({
  name: 'FileTakenRow',
  tableName: 'file_taken',
  properties: {
    id: p.integer().primary().autoincrement(),
    /** SHA-256 of its bytes, hex. */
    digest: p.string(),
    kind: p.string(),
    name: p.string(),
    on: p.string().fieldName('taken_on'),
    added: p.integer(),
    changed: p.integer(),
  },
});
