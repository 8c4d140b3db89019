import { Router } from 'express';
import {
  challengeRequest,
  choiceRequest,
  packingRequest,
  passageRequest,
  purchaseRequest,
  smallPartsRequest,
} from '../../contract/compute.ts';
import { challenge } from '../../core/challenge/bits.ts';
import { read } from '../problem.ts';
import type { ComputeDoor } from './door.ts';

/** The computations for anyone who can send JSON. */
export function computeRoutes(door: ComputeDoor): Router {
  const r = Router();
  r.post('/small-parts', async (req, res) => {
    const { shape } = read(smallPartsRequest, req.body);
    res.json(await door.run({ kind: 'small-parts', shape }));
  });
  r.post('/passage', async (req, res) => {
    const { piece, opening } = read(passageRequest, req.body);
    res.json(await door.run({ kind: 'passage', piece, opening }));
  });
  r.post('/purchase', async (req, res) => {
    res.json(await door.run({ kind: 'purchase', request: read(purchaseRequest, req.body) }));
  });
  r.post('/choice', async (req, res) => {
    res.json(await door.run({ kind: 'choice', request: read(choiceRequest, req.body) }));
  });
  r.post('/packing', async (req, res) => {
    res.json(await door.run({ kind: 'packing', request: read(packingRequest, req.body) }));
  });
  r.post('/challenge', (req, res) => {
    res.json(challenge(read(challengeRequest, req.body).moves));
  });
  return r;
}
