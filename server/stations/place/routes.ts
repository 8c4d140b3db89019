import { Router } from 'express';
import { placeUpdate, type Tape } from '../../../contract/place.ts';
import { CopyRow, DesignRow, LoanRow, NoteRow, OfferRow, PlaceRow } from '../../db/entities.ts';
import type { Inside } from '../../inside.ts';
import { ProblemError, read } from '../../problem.ts';
import { onShelf } from '../gather/shelf.ts';

/** The place as it is told: there is one, so its number is nobody's business. */
const told = <T extends { id: number }>({ id: _, ...place }: T) => place;

export function placeRoutes({ em, inTransaction, today }: Inside): Router {
  const r = Router();
  r.get(
    '/place',
    async (_req, res) =>
      void res.json({ ...told(await em().findOneOrFail(PlaceRow, { id: 1 })), today: today() }),
  );
  r.put('/place', async (req, res) => {
    const { version, ...fields } = read(placeUpdate, req.body);
    const saved = await inTransaction(async (m) => {
      const row = await m.findOneOrFail(PlaceRow, { id: 1 });
      if (row.version !== version)
        throw new ProblemError(
          409,
          'The place was changed meanwhile.',
          [{ path: 'version', message: `is stale: it is ${row.version} now` }],
          told(row),
        );
      m.assign(row, fields);
      await m.flush();
      return told(row);
    });
    res.json({ ...saved, today: today() });
  });
  r.get('/tape', async (_req, res) => {
    const m = em();
    const designs = await m.count(DesignRow, {});
    const figures: Tape = {
      gather: { kept: [...(await onShelf(m, today())).values()].filter((s) => s.kept > 0).length },
      shape: { designs },
      check: { designs },
      price: { offers: await m.count(OfferRow, {}) },
      make: { made: await m.count(CopyRow, {}) },
      lend: {
        out: await m.count(LoanRow, { returnedOn: null }),
        late: await m.count(LoanRow, { returnedOn: null, dueOn: { $lt: today() } }),
      },
      watch: { notes: await m.count(NoteRow, {}) },
    };
    res.json(figures);
  });
  return r;
}
