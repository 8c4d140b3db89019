import type { EntityManager } from '@mikro-orm/core';
import type { Deed } from '../../contract/people.ts';
import { DeedRow } from '../db/entities.ts';
import { rows } from '../db/rows.ts';
import { whoAsks } from './who.ts';

/** What a request does, in words, by method and address; the first that fits. */
const WORDS: readonly (readonly [RegExp, string])[] = [
  [/^POST \/loans\/\d+\/return$/, 'took a kit back'],
  [/^POST \/loans\/\d+\/renew$/, 'renewed a loan'],
  [/^POST \/loans\/\d+\/hand-on$/, 'handed a kit on'],
  [/^POST \/loans/, 'lent a kit'],
  [/^POST \/copies\/\d+\/count$/, 'counted a kit'],
  [/^POST \/copies\/\d+\/found$/, 'put a piece back that turned up'],
  [/^POST \/copies\/\d+\/state$/, 'changed the state of a kit'],
  [/^POST \/borrowers\/\d+\/erase$/, 'erased a family'],
  [/^POST \/children\/[^/]+\/erase$/, 'erased a child'],
  [/^POST \/borrowers$/, 'added a family'],
  [/^PUT \/borrowers/, 'changed a family'],
  [/^POST \/reservations$/, 'reserved a kit'],
  [/^DELETE \/reservations/, 'dropped a reservation'],
  [/^POST \/tellings$/, 'told a family'],
  [/^POST \/outbox/, 'mailed families'],
  [/^DELETE \/outbox/, 'took a mail back'],
  [/^(POST|PUT|DELETE) \/term-plans/, 'changed the plan of a term'],
  [/^POST \/notes$/, 'wrote a note'],
  [/^DELETE \/notes/, 'deleted a note'],
  [/^PUT \/children/, 'changed a child’s measures'],
  [/^DELETE \/children/, 'deleted a child’s measures'],
  [/^POST \/(finds|materials)/, 'put something on the shelf'],
  [/^(PUT|DELETE) \/(materials|lots)/, 'changed the shelf'],
  [/^POST \/purchases$/, 'took a purchase in'],
  [/^(POST|PUT|DELETE) \/(offers|suppliers|shop)/, 'changed packs and prices'],
  [/^POST \/builds$/, 'made kits'],
  [/^POST \/batches\/\d+\/progress$/, 'did a step at the bench'],
  [/^POST \/batches\/\d+\/made$/, 'finished a batch'],
  [/^(POST|PUT|DELETE) \/batches/, 'changed a batch'],
  [/^POST \/tests$/, 'tested by hand'],
  [/^(POST|PUT|DELETE) \/designs/, 'changed a design'],
  [/^(POST|PUT|DELETE) \/kits/, 'changed a kit of several designs'],
  [/^PUT \/place$/, 'changed the place'],
  [/^PUT \/message-words$/, 'changed what families are told'],
  [/^(POST|PUT) \/rules/, 'changed a rule'],
  [/^POST \/files\/confirm$/, 'took a file in'],
  [/^POST \/backups\/[^/]+\/restore$/, 'put a backup back'],
  [/^POST \/backups/, 'made a backup'],
  [/^POST \/people$/, 'added somebody'],
  [/^PUT \/people/, 'changed who may do what'],
  [/^POST \/session$/, 'signed in'],
];
export const deedWords = (asked: string): string =>
  WORDS.find(([p]) => p.test(asked))?.[1] ?? 'changed something';

/**
 * Called in every transaction: what was asked is on record with what it changed, or neither is. Where nobody has to sign in
 * there is nobody to name.
 */
export function recordDeed(em: EntityManager): void {
  const asking = whoAsks();
  if (!asking?.writes || asking.who === null || asking.isKept) return;
  em.create(DeedRow, { at: Date.now(), who: asking.who, asked: asking.asked });
}

/** Called once a transaction has come through: one request is one line, however often it writes. */
export function deedIsKept(): void {
  const asking = whoAsks();
  if (asking) asking.isKept = true;
}

/** What was done, the newest first. */
export async function listDeeds(em: EntityManager, before: number, limit: number): Promise<Deed[]> {
  const found = await rows<{ id: number; at: number; who: string; asked: string }>(
    em,
    'select id, at, who, asked from deed where id < ? order by id desc limit ?',
    [before, limit],
  );
  return found.map((d) => ({
    id: d.id,
    at: new Date(d.at).toISOString(),
    who: d.who,
    did: deedWords(d.asked),
    asked: d.asked,
  }));
}
