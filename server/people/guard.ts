import type { RequestHandler } from 'express';
import { PlaceRow } from '../db/entities.ts';
import type { ServerContext } from '../serverContext.ts';
import { ProblemError } from '../problem.ts';
import { countPeople, isStillUnsaid, personOf, touch } from './sessions.ts';
import { askedBy } from './who.ts';

/** Doors that stand open: whether the server lives, and the way in. */
const OPEN = /^\/(health|session(\/first)?)$/;

/** Whether somebody must be signed in: always where other machines can ask, else where the place wants it. */
export const isNeeded = async (serverContext: ServerContext): Promise<boolean> =>
  serverContext.isBeyond || (await serverContext.em().findOneOrFail(PlaceRow, { id: 1 })).signIn;

/** Nobody gets further who must be signed in and is not; what somebody may do there each door says itself. */
export function guard(serverContext: ServerContext): RequestHandler {
  return async (req, res, next) => {
    const asked = `${req.method} ${req.path}`.slice(0, 200);
    const writes = req.method !== 'GET' && req.method !== 'HEAD';
    const go = (who: string | null): void =>
      askedBy(
        {
          who,
          asked,
          from: who ?? `address ${req.ip ?? ''}`,
          writes,
          does: null,
          isKept: false,
          undoable: null,
          doneId: null,
        },
        next,
      );
    if (OPEN.test(req.path)) return go(null);
    const now = Date.now();
    const em = serverContext.em();
    const person = await personOf(em, req, now);
    if (person) {
      // Each door asks for the role that it needs; some ask more of what is in a request.
      res.locals.person = { role: person.role, name: person.name };
      // In its turn, and nobody waits for it: who reads is not held up by who writes.
      if (await isStillUnsaid(em, req, now))
        void serverContext
          .inTransaction((m) => touch(m, req, now))
          .catch((error: unknown) => serverContext.log.warn({ err: error }, 'a session was not kept alive'));
      return go(person.name);
    }
    if (await isNeeded(serverContext))
      throw new ProblemError(401, 'Sign in first.', [
        { path: 'session', message: 'expected somebody who is signed in' },
      ]);
    (res.locals as { isAnybodySetUp?: boolean }).isAnybodySetUp = (await countPeople(serverContext.em())) > 0;
    go(null);
  };
}
