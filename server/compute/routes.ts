import { Router } from 'express';
import {
  challengeRequest,
  choiceRequest,
  criticalPathRequest,
  cutLengthsRequest,
  cutSheetsRequest,
  dotsRequest,
  ellipseRequest,
  halvingRequest,
  packingRequest,
  passageRequest,
  pointsRequest,
  purchaseRequest,
  raschRequest,
  scheduleRequest,
  slitRequest,
  smallPartsRequest,
  staplesRequest,
  webRequest,
} from '../../contract/compute.ts';
import { renewalRequest, sparesRequest, survivalRequest } from '../../contract/durability.ts';
import { challenge } from '../../core/challenge/bits.ts';
import { halved } from '../../core/cut/halving.ts';
import { criticalPath } from '../../core/plan/criticalPath.ts';
import { renewal } from '../../core/durability/renewal.ts';
import { sparesFor } from '../../core/durability/spares.ts';
import { medianOf, survivalSteps } from '../../core/durability/survival.ts';
import { weibullFit } from '../../core/durability/weibull.ts';
import { ellipsePerimeter } from '../../core/geometry/ellipse.ts';
import { staplesRound } from '../../core/geometry/rim.ts';
import { webThread } from '../../core/geometry/web.ts';
import { evenly, lengthOf } from '../../core/outline/along.ts';
import { dotsIn } from '../../core/outline/dots.ts';
import { SHAPES } from '../../core/outline/shapes.ts';
import { slit } from '../../core/passage/slit.ts';
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
  r.post('/cut-lengths', async (req, res) => {
    const request = read(cutLengthsRequest, req.body);
    res.json(await door.run({ kind: 'cut-lengths', request }, hungUp(res)));
  });
  r.post('/cut-sheets', async (req, res) => {
    const request = read(cutSheetsRequest, req.body);
    res.json(await door.run({ kind: 'cut-sheets', request }, hungUp(res)));
  });
  r.post('/schedule', async (req, res) => {
    const request = read(scheduleRequest, req.body);
    res.json(await door.run({ kind: 'schedule', request }, hungUp(res)));
  });
  r.post('/critical-path', (req, res) => {
    res.json(criticalPath(read(criticalPathRequest, req.body)));
  });
  r.post('/rasch', async (req, res) => {
    const { responses } = read(raschRequest, req.body);
    res.json(await door.run({ kind: 'rasch', responses }, hungUp(res)));
  });
  r.post('/survival', (req, res) => {
    const { times, events, confidence } = read(survivalRequest, req.body);
    const steps = survivalSteps(times, events, confidence);
    res.json({ steps, median: medianOf(steps), weibull: weibullFit(times, events) });
  });
  r.post('/renewal', (req, res) => void res.json(renewal(read(renewalRequest, req.body))));
  r.post('/spares', (req, res) => void res.json(sparesFor(read(sparesRequest, req.body))));
  r.post('/points', (req, res) => {
    const { outline, count, closed } = read(pointsRequest, req.body);
    res.json({ length: lengthOf(outline, closed), points: evenly(outline, count, closed) });
  });
  r.post('/slit', (req, res) => {
    res.json(slit(read(slitRequest, req.body)));
  });
  r.post('/dots', (req, res) => {
    const { outline, diameter, dot, gap } = read(dotsRequest, req.body);
    const within =
      outline ?? SHAPES.circle.points().map(([x, y]) => [(x * diameter!) / 2, (y * diameter!) / 2] as const);
    const centres = dotsIn(within, { dot, gap });
    res.json({ count: centres.length, centres });
  });
  r.post('/ellipse', (req, res) => {
    const { fullAxis1, fullAxis2 } = read(ellipseRequest, req.body);
    res.json({ perimeter: ellipsePerimeter(fullAxis1, fullAxis2) });
  });
  r.post('/web', (req, res) => {
    res.json(webThread(read(webRequest, req.body)));
  });
  r.post('/staples', (req, res) => {
    const { rimDiameter, smallestFiller, stapleWidth } = read(staplesRequest, req.body);
    res.json(staplesRound(rimDiameter, smallestFiller, stapleWidth));
  });
  r.post('/halving', (req, res) => {
    const { width, height, thickness, times } = read(halvingRequest, req.body);
    res.json(halved(width, height, thickness, times));
  });
  r.post('/challenge', (req, res) => {
    res.json(challenge(read(challengeRequest, req.body).moves));
  });
  return r;
}
