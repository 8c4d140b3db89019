import { Router } from 'express';
import { z } from 'zod';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import { Doors } from '../../people/door.ts';
import type { ServerContext } from '../../serverContext.ts';
import { reading } from '../reads.ts';

const paperQuery = z.strictObject({
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
});

export function todayRoutes(serverContext: ServerContext): Router {
  const r = new Doors();
  r.get(
    '/today',
    {
      about:
        'what is to be done today, in the order of the day: `{day, lines: [{kind, family, kits: [{id, label, name, why}], design, day, id, version, words}], counts}`; `kind` is called back, lend, late, due, kept, clean, quarantine, test or session. At most 40 lines of a kind; `counts` says how many there are where that is more',
    },
    ({ res }) => reading(serverContext, abortOnClose(res))('todayNow'),
  );
  r.get(
    '/today/later',
    { about: 'as `GET /today`, what takes longer to find: of kind tell, note and short' },
    ({ res }) => reading(serverContext, abortOnClose(res))('todayLater'),
  );
  r.get(
    '/today.pdf',
    { about: 'what is to be done today on one page for the wall, as PDF', query: paperQuery },
    async ({ res, query: { paper } }) => {
      const read = reading(serverContext, abortOnClose(res));
      const [now, later] = [await read('todayNow'), await read('todayLater')];
      const place = await serverContext.em().findOneOrFail(PlaceRow, { id: 1 });
      const pdf = await papersFor(serverContext.workerPool, res)('today', {
        place: place.name,
        day: now.day,
        locale: place.locale,
        paper: paper ?? (place.paper as Paper),
        lines: [...now.lines, ...later.lines],
        counts: { ...now.counts, ...later.counts },
      });
      sendPaper(res, `today-${now.day}.pdf`, pdf);
    },
  );
  return r.router;
}
