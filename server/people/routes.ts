import { timingSafeEqual } from 'node:crypto';
import { Router, type Request } from 'express';
import { z } from 'zod';
import {
  firstPerson,
  ownPassword,
  personInput,
  personUpdate,
  signIn,
  signInNeeded,
  type Person,
  type PersonRole,
  type Session,
} from '../../contract/people.ts';
import { PersonRow, PlaceRow } from '../db/entities.ts';
import type { ServerContext } from '../serverContext.ts';
import { notFound, ProblemError } from '../problem.ts';
import { listAuditLog } from './auditLog.ts';
import { isNeeded } from './guard.ts';
import { isPassword, keptPassword, NOBODY } from './passwords.ts';
import {
  begin,
  clearCookie,
  countPeople,
  end,
  endAll,
  lastSeen,
  personNamed,
  personOf,
  setCookie,
} from './sessions.ts';
import { Throttle } from './throttle.ts';
import { whoAsks } from './who.ts';
import { Doors } from './door.ts';

const wrong = (path: string, detail: string): ProblemError =>
  new ProblemError(401, detail, [{ path, message: 'expected the name and password of somebody here' }]);

const deedQuery = z.object({
  before: z.coerce
    .number({ error: 'expected a number' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .default(Number.MAX_SAFE_INTEGER),
  limit: z.coerce
    .number({ error: 'expected a number' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(500, 'must be at most 500')
    .default(50),
});

/** Who asks has just said who they are: the record names them. */
const isHere = (name: string): void => {
  const asking = whoAsks();
  if (asking) asking.who = name;
};

/** Compared in the same time whatever it is. */
const isSame = (a: string, b: string): boolean => {
  const [x, y] = [Buffer.from(a), Buffer.from(b)];
  return x.length === y.length && timingSafeEqual(x, y);
};

export function peopleRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today } = serverContext;
  const r = new Doors();
  const throttle = new Throttle();

  const sessionOf = async (req: Request): Promise<Session> => {
    const m = em();
    const person = await personOf(m, req, Date.now());
    return {
      needed: await isNeeded(serverContext),
      isFixed: serverContext.isBeyond,
      person: person && { id: person.id, name: person.name, role: person.role },
      isFirst: (await countPeople(m)) === 0,
      lost: serverContext.lost(),
    };
  };
  /** One more guess by this name and address, or how long it has to wait. */
  const keysOf = (req: Request, name: string): string[] => {
    // A name only from the same address: somebody who guesses elsewhere keeps nobody waiting who knows it here.
    const from = req.ip ?? '';
    const keys = [`name ${name.trim().toLowerCase()} from ${from}`, `address ${from}`];
    const wait = throttle.wait(keys);
    if (wait > 0)
      throw Object.assign(
        new ProblemError(429, `Too many wrong passwords. Try again in ${Math.ceil(wait / 1000)} s.`, [
          { path: 'password', message: `expected a pause of ${Math.ceil(wait / 1000)} s first` },
        ]),
        { retryAfter: Math.ceil(wait / 1000) },
      );
    return keys;
  };

  r.get(
    '/session',
    {
      about:
        "who is at this screen: `{needed, isFixed, person, isFirst, lost}`; in, out, the first manager, one's own password, whatever the role. A name is found however its letters are written. The cookie `fox-session` is HttpOnly and SameSite=Strict, Secure over TLS. 401 where somebody must sign in, 403 where their role is not enough, 429 after five wrong passwords from one address",
    },
    ({ req }) => sessionOf(req),
  );
  r.post(
    '/session',
    { about: 'see `GET /session`', does: 'signed in', body: signIn, status: 201 },
    async ({ req, res, body: { name, password } }) => {
      const keys = keysOf(req, name);
      // Counted as wrong until it is known to be right: many at once must not all be let through.
      throttle.wrong(keys);
      const found = await personNamed(em(), name);
      const isRight = await isPassword(password, found?.password ?? (await NOBODY));
      if (!found || !isRight || found.isOff) throw wrong('password', 'The name or the password is wrong.');
      throttle.right(keys);
      isHere(found.name);
      const token = await inTransaction(async (m) => {
        await end(m, req);
        return begin(m, found, Date.now());
      });
      setCookie(req, res, token);
      const { id, role } = found;
      return {
        needed: await isNeeded(serverContext),
        isFixed: serverContext.isBeyond,
        person: { id, name: found.name, role },
        isFirst: false,
        lost: serverContext.lost(),
      };
    },
  );
  r.delete('/session', { about: 'see `GET /session`', does: 'signed out' }, async ({ req, res }) => {
    await inTransaction((m) => end(m, req));
    clearCookie(req, res);
  });
  r.post(
    '/session/first',
    { about: 'see `GET /session`', does: 'set the place up', body: firstPerson, status: 201 },
    async ({ req, res, body: { name, password, code } }) => {
      if (serverContext.isBeyond) {
        const keys = keysOf(req, '');
        throttle.wrong(keys);
        if (serverContext.setUpCode === null || !isSame(code ?? '', serverContext.setUpCode))
          throw new ProblemError(403, 'The code is not the one that the server printed when it started.', [
            { path: 'code', message: 'expected the code of the server’s own screen' },
          ]);
        throttle.right(keys);
      }
      const refuseSecond = async (m: ReturnType<typeof em>): Promise<void> => {
        if ((await countPeople(m)) > 0)
          throw new ProblemError(409, 'Somebody keeps this place already.', [
            { path: 'name', message: 'expected a place that nobody was set up for' },
          ]);
      };
      // Before the slow hash too: nobody gets that for nothing.
      await refuseSecond(em());
      const kept = await keptPassword(password);
      isHere(name);
      const token = await inTransaction(async (m) => {
        await refuseSecond(m);
        const first = m.create(PersonRow, {
          name,
          role: 'manager',
          password: kept,
          isOff: false,
          madeOn: today(),
        });
        await m.flush();
        return begin(m, first, Date.now());
      });
      setCookie(req, res, token);
      return {
        needed: await isNeeded(serverContext),
        isFixed: serverContext.isBeyond,
        person: { id: 1, name, role: 'manager' },
        isFirst: false,
        lost: serverContext.lost(),
      };
    },
  );
  r.put(
    '/session/password',
    { about: 'see `GET /session`', does: 'changed their own password', body: ownPassword },
    async ({ req, res, body: { old, password } }) => {
      const person = await personOf(em(), req, Date.now());
      if (!person) throw wrong('session', 'Sign in first.');
      const keys = keysOf(req, person.name);
      throttle.wrong(keys);
      if (!(await isPassword(old, person.password)))
        throw new ProblemError(403, 'The old password is wrong.', [
          { path: 'old', message: 'expected the password until now' },
        ]);
      throttle.right(keys);
      const kept = await keptPassword(password);
      const token = await inTransaction(async (m) => {
        const row = await m.findOneOrFail(PersonRow, { id: person.id });
        row.password = kept;
        await endAll(m, person.id);
        return begin(m, row, Date.now());
      });
      setCookie(req, res, token);
    },
  );

  const people = async (): Promise<Person[]> => {
    const m = em();
    const seen = await lastSeen(m);
    return (await m.find(PersonRow, {}, { orderBy: { name: 'asc' } })).map((p) => ({
      id: p.id,
      name: p.name,
      role: p.role,
      isOff: p.isOff,
      madeOn: p.madeOn,
      lastSeen: seen.has(p.id) ? new Date(seen.get(p.id)!).toISOString() : null,
    }));
  };
  const one = async (id: number): Promise<Person> => (await people()).find((p) => p.id === id)!;
  r.get(
    '/people',
    {
      about:
        'who works here (`viewer`, `lender`, `designer` or `manager`, each with all that comes before it), whether everybody signs in, and who did what',
      role: 'manager',
    },
    () => people(),
  );
  r.post(
    '/people',
    {
      about: 'see `GET /people`',
      role: 'manager',
      does: 'added somebody',
      isOnesOwn: true,
      body: personInput,
      status: 201,
    },
    async ({ body: { name, password, role } }) => {
      const kept = await keptPassword(password);
      const id = await inTransaction(async (m) => {
        if ((await m.count(PersonRow, { name })) > 0)
          throw new ProblemError(409, `There is a ${name} here already.`, [
            { path: 'name', message: 'expected a name that nobody here has' },
          ]);
        if (role !== 'manager' && (await countPeople(m)) === 0)
          throw new ProblemError(422, 'The first person keeps the place.', [
            { path: 'role', message: 'expected keeps' },
          ]);
        const made = m.create(PersonRow, { name, role, password: kept, isOff: false, madeOn: today() });
        await m.flush();
        return made.id;
      });
      return one(id);
    },
  );
  /** There is always somebody who can let others in. */
  const refuseLast = async (m: ReturnType<typeof em>, but: number, role: PersonRole, isOff: boolean) => {
    if (role === 'manager' && !isOff) return;
    if ((await m.count(PersonRow, { role: 'manager', isOff: false, id: { $ne: but } })) === 0)
      throw new ProblemError(422, 'Somebody must keep this place.', [
        { path: 'role', message: 'expected another manager first' },
      ]);
  };
  r.put(
    '/people/sign-in',
    {
      about: 'see `GET /people`',
      role: 'manager',
      does: 'changed who may do what',
      isOnesOwn: true,
      body: signInNeeded,
    },
    async ({ req, body: { needed } }) => {
      await inTransaction(async (m) => {
        if (needed && (await m.count(PersonRow, { role: 'manager', isOff: false })) === 0)
          throw new ProblemError(422, 'Set somebody up first who keeps the place.', [
            { path: 'needed', message: 'expected a manager first' },
          ]);
        if (!needed && serverContext.isBeyond)
          throw new ProblemError(422, 'Other machines can reach this server: it cannot do without.', [
            { path: 'needed', message: 'expected true' },
          ]);
        (await m.findOneOrFail(PlaceRow, { id: 1 })).signIn = needed;
        await m.flush();
      });
      return sessionOf(req);
    },
  );
  r.put(
    '/people/:id',
    {
      about: 'see `GET /people`',
      role: 'manager',
      does: 'changed who may do what',
      isOnesOwn: true,
      id: 'person',
      body: personUpdate,
    },
    async ({ id, body: { role, isOff, password } }) => {
      const kept = password === undefined ? null : await keptPassword(password);
      await inTransaction(async (m) => {
        const row = await m.findOne(PersonRow, { id });
        if (!row) throw notFound(`person ${id}`);
        await refuseLast(m, id, role, isOff);
        m.assign(row, { role, isOff, ...(kept === null ? {} : { password: kept }) });
        await m.flush();
        if (isOff || kept !== null) await endAll(m, id);
      });
      return one(id);
    },
  );
  r.get(
    '/audit-log',
    { about: 'see `GET /people`', role: 'manager', query: deedQuery },
    ({ query: { before, limit } }) => listAuditLog(em(), before, limit),
  );
  return r.router;
}
