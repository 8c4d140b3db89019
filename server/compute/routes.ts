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
import { read } from '../problem.ts';
import type { WorkerPool } from './workerPool.ts';
import { FIGURES, type FigureName } from './figures.ts';
import { abortOnClose } from './abortOnClose.ts';
import { mayRead } from '../people/door.ts';

/** The computations for anyone who can send JSON. */
export function computeRoutes(workerPool: WorkerPool): Router {
  const r = Router();
  r.post('/small-parts', mayRead, async (req, res) => {
    const { shape } = read(smallPartsRequest, req.body);
    res.json(await workerPool.run({ kind: 'small-parts', shape }, abortOnClose(res)));
  });
  r.post('/passage', mayRead, async (req, res) => {
    const { piece, opening } = read(passageRequest, req.body);
    res.json(await workerPool.run({ kind: 'passage', piece, opening }, abortOnClose(res)));
  });
  r.post('/purchase', mayRead, async (req, res) => {
    const request = read(purchaseRequest, req.body);
    res.json(await workerPool.run({ kind: 'purchase', request }, abortOnClose(res)));
  });
  r.post('/choice', mayRead, async (req, res) => {
    const request = read(choiceRequest, req.body);
    res.json(await workerPool.run({ kind: 'choice', request }, abortOnClose(res)));
  });
  r.post('/packing', mayRead, async (req, res) => {
    const request = read(packingRequest, req.body);
    res.json(await workerPool.run({ kind: 'packing', request }, abortOnClose(res)));
  });
  r.post('/cut-lengths', mayRead, async (req, res) => {
    const request = read(cutLengthsRequest, req.body);
    res.json(await workerPool.run({ kind: 'cut-lengths', request }, abortOnClose(res)));
  });
  r.post('/cut-sheets', mayRead, async (req, res) => {
    const request = read(cutSheetsRequest, req.body);
    res.json(await workerPool.run({ kind: 'cut-sheets', request }, abortOnClose(res)));
  });
  r.post('/schedule', mayRead, async (req, res) => {
    const request = read(scheduleRequest, req.body);
    res.json(await workerPool.run({ kind: 'schedule', request }, abortOnClose(res)));
  });
  r.post('/rasch', mayRead, async (req, res) => {
    const { responses } = read(raschRequest, req.body);
    res.json(await workerPool.run({ kind: 'rasch', responses }, abortOnClose(res)));
  });
  for (const [name, { request }] of Object.entries(FIGURES))
    r.post(`/${name}`, mayRead, async (req, res) => {
      const job = { kind: 'figure', name: name as FigureName, request: read(request, req.body) } as const;
      res.json(await workerPool.run(job, abortOnClose(res)));
    });
  return r;
}
