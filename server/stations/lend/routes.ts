import { Router } from 'express';
import type { ServerContext } from '../../serverContext.ts';
import { kitRoutes } from './kitRoutes.ts';
import { familyRoutes } from './familyRoutes.ts';
import { bundleRoutes } from './bundleRoutes.ts';
import { lastingRoutes } from './lastingRoutes.ts';
import { loanRoutes } from './loanRoutes.ts';
import { reservationRoutes } from './reservationRoutes.ts';
import { tellingRoutes } from './tellingRoutes.ts';

/** All doors of Lend, one router a resource. */
export function lendRoutes(serverContext: ServerContext): Router {
  const r = Router();
  for (const routes of [
    kitRoutes,
    bundleRoutes,
    familyRoutes,
    loanRoutes,
    reservationRoutes,
    tellingRoutes,
    lastingRoutes,
  ])
    r.use(routes(serverContext));
  return r;
}
