import { Router } from 'express';
import { reservationInput } from '../../../contract/lending.ts';
import type { ServerContext } from '../../serverContext.ts';
import { dropReservation, listReservations, reserve } from './reserve.ts';
import { Doors } from '../../people/door.ts';

/** Kits that are kept for a family. */
export function reservationRoutes({ em, inTransaction, today }: ServerContext): Router {
  const r = new Doors();
  r.get(
    '/reservations',
    {
      about:
        'kinds of kits that are kept for families, the first in line first; `ready` is the label of one that is in for it. The last ones that are in go to nobody else',
    },
    () => listReservations(em(), today()),
  );
  r.post(
    '/reservations',
    {
      about: 'see `GET /reservations`',
      role: 'lender',
      does: 'reserved a kit',
      isUndoable: true,
      body: reservationInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => reserve(m, input, today())),
  );
  r.delete(
    '/reservations/:id',
    {
      about: 'see `GET /reservations`',
      role: 'lender',
      does: 'dropped a reservation',
      isUndoable: true,
      id: 'reservation',
    },
    async ({ id }) => {
      await inTransaction((m) => dropReservation(m, id, today()));
    },
  );
  return r.router;
}
