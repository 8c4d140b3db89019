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
import { hungUp } from './hungUp.ts';

/** The computations for anyone who can send JSON. */
export function computeRoutes(door: ComputeDoor): Router {
  const r = Router();
  r.post('/small-parts', async (req, res) => {
    const { shape } = read(smallPartsRequest, req.body);
    res.json(await door.run({ kind: 'small-parts', shape }, hungUp(res)));
  });
  r.post('/passage', async (req, res) => {
    const { piece, opening } = read(passageRequest, req.body);
    res.json(await door.run({ kind: 'passage', piece, opening }, hungUp(res)));
  });
  r.post('/purchase', async (req, res) => {
    const request = read(purchaseRequest, req.body);
    res.json(await door.run({ kind: 'purchase', request }, hungUp(res)));
  });
  r.post('/choice', async (req, res) => {
    const request = read(choiceRequest, req.body);
    res.json(await door.run({ kind: 'choice', request }, hungUp(res)));
  });
  r.post('/packing', async (req, res) => {
    const request = read(packingRequest, req.body);
    res.json(await door.run({ kind: 'packing', request }, hungUp(res)));
  });
  r.post('/challenge', (req, res) => {
    res.json(challenge(read(challengeRequest, req.body).moves));
  });
  return r;
}
