import { createHash, randomBytes } from 'node:crypto';
import { parse } from 'cookie';
import type { EntityManager } from '@mikro-orm/core';
import type { Request, Response } from 'express';
import { PersonRow, SessionRow, type PersonStored } from '../db/entities.ts';
import { rows } from '../db/rows.ts';

const COOKIE = 'fox-session';
/** Without a request for so long somebody is signed out, and after so long in any case, ms. */
const IDLE = 12 * 3_600_000;
const WHOLE = 14 * 24 * 3_600_000;
/** How often it is written down that somebody is still there, ms. */
const STILL = 5 * 60_000;

/** Only this is kept: who reads the file finds nothing to sign in with. */
const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url');
const tokenOf = (req: Request): string | null => parse(req.headers.cookie ?? '')[COOKIE] ?? null;

/** Whose session a request comes with; null where it has none, or one that is over. */
export async function personOf(em: EntityManager, req: Request, now: number): Promise<PersonStored | null> {
  const token = tokenOf(req);
  if (token === null || token.length > 100) return null;
  const session = await em.findOne(SessionRow, { id: hashOf(token) }, { populate: ['person'] });
  if (!session || now - session.usedAt > IDLE || now - session.madeAt > WHOLE) return null;
  const person = session.person as unknown as PersonStored;
  if (person.isOff) return null;
  return person;
}

/** Whether it should be written down that a session is still used. */
export async function isStillUnsaid(em: EntityManager, req: Request, now: number): Promise<boolean> {
  const token = tokenOf(req);
  return (
    token !== null && (await em.count(SessionRow, { id: hashOf(token), usedAt: { $lt: now - STILL } })) > 0
  );
}
export async function touch(em: EntityManager, req: Request, now: number): Promise<void> {
  const token = tokenOf(req);
  if (token !== null) await em.nativeUpdate(SessionRow, { id: hashOf(token) }, { usedAt: now });
}

/** A new session under a name that nobody had before, whatever cookie came along; old ones that are over are cleared away. */
export async function begin(em: EntityManager, person: PersonStored, now: number): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await em.nativeDelete(SessionRow, { usedAt: { $lt: now - IDLE } });
  em.create(SessionRow, { id: hashOf(token), person: person.id, madeAt: now, usedAt: now });
  await em.flush();
  return token;
}

export async function end(em: EntityManager, req: Request): Promise<void> {
  const token = tokenOf(req);
  if (token !== null) await em.nativeDelete(SessionRow, { id: hashOf(token) });
}

/** Ends every session of somebody. */
export const endAll = (em: EntityManager, personId: number): Promise<number> =>
  em.nativeDelete(SessionRow, { person: personId });

/** Read by no script, sent by no other site's page, and over TLS only where there is TLS. */
const options = (req: Request) =>
  ({ httpOnly: true, sameSite: 'strict', secure: req.secure, path: '/' }) as const;
export const setCookie = (req: Request, res: Response, token: string): unknown =>
  res.cookie(COOKIE, token, { ...options(req), maxAge: WHOLE });
export const clearCookie = (req: Request, res: Response): unknown => res.clearCookie(COOKIE, options(req));

/** When each was last seen, ms since 1970, by person. */
export async function lastSeen(em: EntityManager): Promise<Map<number, number>> {
  const seen = new Map<number, number>();
  for (const s of await em.find(SessionRow, {})) {
    const id = (s.person as unknown as { id: number }).id;
    seen.set(id, Math.max(seen.get(id) ?? 0, s.usedAt));
  }
  return seen;
}

/** How many are there at all, those that are off among them. */
/** Whoever has a name, however it is written: no two names here differ by their case alone. */
export async function personNamed(em: EntityManager, name: string): Promise<PersonStored | null> {
  const [found] = await rows<{ id: number }>(em, 'select id from person where name = ? collate nocase', [
    name,
  ]);
  return found ? em.findOne(PersonRow, { id: found.id }) : null;
}

export const countPeople = (em: EntityManager): Promise<number> => em.count(PersonRow, {});
