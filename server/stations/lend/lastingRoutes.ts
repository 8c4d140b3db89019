import { Router } from 'express';
import { termQuery } from '../../../contract/lending.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { reading, readingText } from '../reads.ts';
import { Doors } from '../../people/door.ts';

/** What becomes of kits over a term: what lasts, what is missing, the report. */
export function lastingRoutes(serverContext: ServerContext): Router {
  const { em, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/lasting',
    {
      about:
        'how long each kind of piece lasts, from the counts after loans: lives in loans, lost or still in use, and the stated prior',
    },
    ({ res }) => readingText(serverContext, abortOnClose(res))('lasting'),
  );
  r.get(
    '/term.pdf',
    {
      about:
        'a term on paper: loans by kit and by family, late ones, what was lent against the check and why, tests that failed and kits called back today, what went missing at the rates of Price, and levels that were managed alone for the first time',
      query: termQuery,
    },
    async ({ res, query: { from, to, paper } }) => {
      const m = em();
      const size = paper ?? ((await m.findOneOrFail(PlaceRow, { id: 1 })).paper as 'A4' | 'Letter');
      const pdf = await papersFor(workerPool, res)(
        'termReport',
        await reading(serverContext, abortOnClose(res))('termReport', from, to),
        size,
      );
      sendPaper(res, `term-${from}-to-${to}.pdf`, pdf);
    },
  );
  r.get(
    '/pieces/missing',
    {
      about:
        'parts that kits are short of; a piece that turned up goes into the kit that misses it, which is out of repair once it is whole',
    },
    ({ res }) => readingText(serverContext, abortOnClose(res))('missing'),
  );
  return r.router;
}
