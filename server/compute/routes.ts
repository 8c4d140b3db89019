import { Router } from 'express';
import {
  choiceRequest,
  cutLengthsRequest,
  cutSheetsRequest,
  packingRequest,
  passageRequest,
  purchaseRequest,
  raschRequest,
  scheduleRequest,
  smallPartsRequest,
} from '../../contract/compute.ts';
import type { WorkerPool } from './workerPool.ts';
import { FIGURES, type FigureName } from './figures.ts';
import { abortOnClose } from './abortOnClose.ts';
import { Doors } from '../people/door.ts';

/** The computations for anyone who can send JSON. */
export function computeRoutes(workerPool: WorkerPool): Router {
  const r = new Doors();
  r.post('/small-parts', { body: smallPartsRequest }, ({ res, body: { shape } }) =>
    workerPool.run({ kind: 'small-parts', shape }, abortOnClose(res)),
  );
  r.post('/passage', { body: passageRequest }, ({ res, body: { piece, opening } }) =>
    workerPool.run({ kind: 'passage', piece, opening }, abortOnClose(res)),
  );
  r.post('/purchase', { body: purchaseRequest }, ({ res, body: request }) =>
    workerPool.run({ kind: 'purchase', request }, abortOnClose(res)),
  );
  r.post('/choice', { body: choiceRequest }, ({ res, body: request }) =>
    workerPool.run({ kind: 'choice', request }, abortOnClose(res)),
  );
  r.post('/packing', { body: packingRequest }, ({ res, body: request }) =>
    workerPool.run({ kind: 'packing', request }, abortOnClose(res)),
  );
  r.post('/cut-lengths', { body: cutLengthsRequest }, ({ res, body: request }) =>
    workerPool.run({ kind: 'cut-lengths', request }, abortOnClose(res)),
  );
  r.post('/cut-sheets', { body: cutSheetsRequest }, ({ res, body: request }) =>
    workerPool.run({ kind: 'cut-sheets', request }, abortOnClose(res)),
  );
  r.post('/schedule', { body: scheduleRequest }, ({ res, body: request }) =>
    workerPool.run({ kind: 'schedule', request }, abortOnClose(res)),
  );
  r.post('/rasch', { body: raschRequest }, ({ res, body: { responses } }) =>
    workerPool.run({ kind: 'rasch', responses }, abortOnClose(res)),
  );
  for (const [name, { request }] of Object.entries(FIGURES))
    r.post(`/${name}`, { body: request }, ({ res, body }) => {
      const job = { kind: 'figure', name: name as FigureName, request: body } as const;
      return workerPool.run(job, abortOnClose(res));
    });
  return r.router;
}
