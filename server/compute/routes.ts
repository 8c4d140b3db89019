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
  r.post(
    '/small-parts',
    {
      about:
        '`{shape}`: sphere, box, cylinder, ring, cone, ellipsoid (full axes), sheet: `{fits, clearance, bounds, pose, verdict}`. Slacks are measured at right angles to wall, rim and slanted bottom; `pose` takes a point p of the piece, about its own centre, to rotation · p + position, the rim at z = 0. `bounds` encloses the true clearance; `fits` is null when it straddles 0, and the verdict is then `stop`, as for a small part',
      body: smallPartsRequest,
    },
    ({ res, body: { shape } }) => workerPool.run({ kind: 'small-parts', shape }, abortOnClose(res)),
  );
  r.post(
    '/passage',
    {
      about:
        "`{piece, opening}`: round, slot (a rectangle), star (tips on `outerDiameter`), polygon: `{passes, gap, gapAlong, gapAcross, waysIn, ways, waysInNamed, shadow}`. `gap` is twice the largest inset; when it does not pass, twice the outset that is missing (a convex opening's sides move out and keep their corners sharp, a dented one grows by distance); along and across are the opening's extents less the shadow's",
      body: passageRequest,
    },
    ({ res, body: { piece, opening } }) =>
      workerPool.run({ kind: 'passage', piece, opening }, abortOnClose(res)),
  );
  r.post(
    '/purchase',
    {
      about:
        '`{needs, stock, offers, delivery}`: `{status, total, packs, leftover, lacking}`, proved by HiGHS',
      body: purchaseRequest,
    },
    ({ res, body: request }) => workerPool.run({ kind: 'purchase', request }, abortOnClose(res)),
  );
  r.post(
    '/choice',
    {
      about:
        '`{designs: [{id, skill?, most, worth?, needs}], stock, aim: copies or skills, budget?, offers?, delivery?}`: `{status, copies: [{design, count}], total, skills, leftover, packs, spent}`, proved by HiGHS; `skills` covers most skills first, then makes most copies',
      body: choiceRequest,
    },
    ({ res, body: request }) => workerPool.run({ kind: 'choice', request }, abortOnClose(res)),
  );
  r.post(
    '/packing',
    {
      about:
        "`{container: {length, width, height}, items: [{id, length, width, height, count?, upright?}]}`; at most 200 boxes in all: `{fits, placements: [{id, x, y, z, length, width, height}], reason}`: boxes turned by right angles, `upright` ones about their height alone. true with a packing that was checked, false with a proof named in `reason`, null when two seconds were not enough. Where the boxes have exactly the container's volume: by colouring, or by filling from the corner on",
      body: packingRequest,
    },
    ({ res, body: request }) => workerPool.run({ kind: 'packing', request }, abortOnClose(res)),
  );
  r.post(
    '/cut-lengths',
    {
      about:
        '`{stock: [{length, available?}], parts: [{length, count}], loss, lossAfterEvery?, aim?: count or length}`; mm. The loss lies between two parts, after every part too with `lossAfterEvery`: `{status, count, total, plans: [{stock, times, cuts: [{length, count}]}], offcuts: [{length, count}]}`, proved by HiGHS over every way to cut one piece; fewest pieces first and then least length, or least length. An offcut has lost the cut that parts it',
      body: cutLengthsRequest,
    },
    ({ res, body: request }) => workerPool.run({ kind: 'cut-lengths', request }, abortOnClose(res)),
  );
  r.post(
    '/cut-sheets',
    {
      about:
        "`{sheets: [{width, height, available?, keepOut?: [outline]}], parts: [{id, outline, count, turn: any, right or none, mirror?}], gap, layout?: free or guillotine}`; mm, at most 600 parts: `{sheets: [{sheet, placements: [{id, x, y, turn, mirrored}]}], used, bound}`. A part's outline is mirrored (x to −x) where said, turned by `turn` degrees, then moved by x and y. A layout that can be cut, not the least there is; `bound` is the least by area",
      body: cutSheetsRequest,
    },
    ({ res, body: request }) => workerPool.run({ kind: 'cut-sheets', request }, abortOnClose(res)),
  );
  r.post(
    '/schedule',
    {
      about:
        '`{tasks: [{id, minutes, kind: active or passive, after, blade?, child?, makers?, tools?, like?}], makers: {name: [[from, to], …]}, childFree: [[from, to], …]}`, minutes from one zero. An active task lies unsplit inside one window of one maker, one with a blade inside one child-free window too, a child’s own outside them; `tools` are such that there is one of; `like` names work that is kept together where it costs no time: `{feasible, makespan, bound, plan: [{task, maker or null, start, end}], reason}`; proved the soonest where bound and makespan are the same',
      body: scheduleRequest,
    },
    ({ res, body: request }) => workerPool.run({ kind: 'schedule', request }, abortOnClose(res)),
  );
  r.post(
    '/rasch',
    {
      about:
        '`{responses: [[0, 1 or null, …], …]}`, a row a child, a column a level: `{difficulties, sd, abilities: [{mean, sd}], logLikelihood}`: marginal maximum likelihood, abilities normal about 0, expected a posteriori',
      body: raschRequest,
    },
    ({ res, body: { responses } }) => workerPool.run({ kind: 'rasch', responses }, abortOnClose(res)),
  );
  for (const [name, { request, about }] of Object.entries(FIGURES))
    r.post(`/${name}`, { about, body: request }, ({ res, body }) => {
      const job = { kind: 'figure', name: name as FigureName, request: body } as const;
      return workerPool.run(job, abortOnClose(res));
    });
  return r.router;
}
