import { Router } from 'express';
import type { ServerContext } from './serverContext.ts';
import { rows } from './db/rows.ts';
import { ProblemError } from './problem.ts';
import { Doors } from './people/door.ts';

/** How long the place's file may keep somebody waiting who asks whether the server lives, ms. */
const PATIENCE = 2000;

/** Whether the server lives and its place can be read: who reads it waits as long as everybody else does. */
export function healthRoutes({ em }: ServerContext): Router {
  const r = new Doors();
  r.get(
    '/health',
    {
      about:
        '`{ok: true}` while the place can be read; 503 with `Retry-After` where its file has not answered for 2 s',
    },
    async ({ res }) => {
      let timer: NodeJS.Timeout | undefined;
      const late = new Promise<'late'>((resolve) => {
        timer = setTimeout(() => resolve('late'), PATIENCE);
      });
      const asked = rows(em(), 'select id from place').then(
        () => 'read' as const,
        () => 'failed' as const,
      );
      const answer = await Promise.race([asked, late]);
      clearTimeout(timer);
      if (answer === 'read') res.json({ ok: true });
      else
        throw new ProblemError(
          503,
          answer === 'late'
            ? `The place’s file has not answered for ${PATIENCE / 1000} s; everybody waits.`
            : 'The place’s file cannot be read.',
        );
    },
  );
  return r.router;
}
