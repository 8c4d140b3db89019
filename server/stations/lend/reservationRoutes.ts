import { Router } from 'express';
import { reservationInput } from '../../../contract/lending.ts';
import type { ServerContext } from '../../serverContext.ts';
import { read, readId } from '../../problem.ts';
import { dropReservation, listReservations, reserve } from './reserve.ts';
import { may, mayRead } from '../../people/door.ts';

/** Kits that are kept for a family. */
export function reservationRoutes({ em, inTransaction, today }: ServerContext): Router {
  const r = Router();
  r.get('/reservations', mayRead, async (_req, res) => void res.json(await listReservations(em(), today())));
  r.post('/reservations', may('lends', 'reserved a kit'), async (req, res) => {
    const input = read(reservationInput, req.body);
    res.status(201).json(await inTransaction((m) => reserve(m, input, today())));
  });
  r.delete('/reservations/:id', may('lends', 'dropped a reservation'), async (req, res) => {
    const id = readId(req.params.id, 'reservation');
    await inTransaction((m) => dropReservation(m, id, today()));
    res.status(204).end();
  });
  return r;
}
