import { Router } from 'express';
import type { ServerContext } from '../../serverContext.ts';
import { copyRoutes } from './copyRoutes.ts';
import { familyRoutes } from './familyRoutes.ts';
import { kitRoutes } from './kitRoutes.ts';
import { lastingRoutes } from './lastingRoutes.ts';
import { loanRoutes } from './loanRoutes.ts';
import { reservationRoutes } from './reservationRoutes.ts';
import { tellingRoutes } from './tellingRoutes.ts';

/** All doors of Lend, one router a resource. */
export function lendRoutes(serverContext: ServerContext): Router {
  const r = Router();
  for (const routes of [
    copyRoutes,
    kitRoutes,
    familyRoutes,
    loanRoutes,
    reservationRoutes,
    tellingRoutes,
    lastingRoutes,
  ])
    r.use(routes(serverContext));
  return r;
}
