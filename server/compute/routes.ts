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
import type { ComputeDoor } from './door.ts';
import { FIGURES, type FigureName } from './figures.ts';
import { hungUp } from './hungUp.ts';
import { mayRead } from '../people/door.ts';

/** The computations for anyone who can send JSON. */
export function computeRoutes(door: ComputeDoor): Router {
  const r = Router();
  r.post('/small-parts', mayRead, async (req, res) => {
    const { shape } = read(smallPartsRequest, req.body);
    res.json(await door.run({ kind: 'small-parts', shape }, hungUp(res)));
  });
  r.post('/passage', mayRead, async (req, res) => {
    const { piece, opening } = read(passageRequest, req.body);
    res.json(await door.run({ kind: 'passage', piece, opening }, hungUp(res)));
  });
  r.post('/purchase', mayRead, async (req, res) => {
    const request = read(purchaseRequest, req.body);
    res.json(await door.run({ kind: 'purchase', request }, hungUp(res)));
  });
  r.post('/choice', mayRead, async (req, res) => {
    const request = read(choiceRequest, req.body);
    res.json(await door.run({ kind: 'choice', request }, hungUp(res)));
  });
  r.post('/packing', mayRead, async (req, res) => {
    const request = read(packingRequest, req.body);
    res.json(await door.run({ kind: 'packing', request }, hungUp(res)));
  });
  r.post('/cut-lengths', mayRead, async (req, res) => {
    const request = read(cutLengthsRequest, req.body);
    res.json(await door.run({ kind: 'cut-lengths', request }, hungUp(res)));
  });
  r.post('/cut-sheets', mayRead, async (req, res) => {
    const request = read(cutSheetsRequest, req.body);
    res.json(await door.run({ kind: 'cut-sheets', request }, hungUp(res)));
  });
  r.post('/schedule', mayRead, async (req, res) => {
    const request = read(scheduleRequest, req.body);
    res.json(await door.run({ kind: 'schedule', request }, hungUp(res)));
  });
  r.post('/rasch', mayRead, async (req, res) => {
    const { responses } = read(raschRequest, req.body);
    res.json(await door.run({ kind: 'rasch', responses }, hungUp(res)));
  });
  for (const [name, { request }] of Object.entries(FIGURES))
    r.post(`/${name}`, mayRead, async (req, res) => {
      const job = { kind: 'figure', name: name as FigureName, request: read(request, req.body) } as const;
      res.json(await door.run(job, hungUp(res)));
    });
  return r;
}
