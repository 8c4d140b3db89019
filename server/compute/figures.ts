import type { z } from 'zod';
import {
  challengeRequest,
  criticalPathRequest,
  dotsRequest,
  ellipseRequest,
  halvingRequest,
  pointsRequest,
  slitRequest,
  staplesRequest,
  webRequest,
} from '../../contract/compute.ts';
import { renewalRequest, sparesRequest, survivalRequest } from '../../contract/durability.ts';
import { challenge } from '../../core/challenge/bits.ts';
import { halved } from '../../core/cut/halving.ts';
import { renewal } from '../../core/durability/renewal.ts';
import { sparesFor } from '../../core/durability/spares.ts';
import { incidences, medianOf, survivalSteps } from '../../core/durability/survival.ts';
import { weibullFit } from '../../core/durability/weibull.ts';
import { ellipsePerimeter } from '../../core/geometry/ellipse.ts';
import { staplesRound } from '../../core/geometry/rim.ts';
import { webThread } from '../../core/geometry/web.ts';
import { evenly, lengthOf } from '../../core/outline/along.ts';
import { dotsIn } from '../../core/outline/dots.ts';
import { SHAPES } from '../../core/outline/shapes.ts';
import { slit } from '../../core/passage/slit.ts';
import { criticalPath } from '../../core/plan/criticalPath.ts';

/** A figure with what it is asked with and how it is worked out. */
const figure = <S extends z.ZodType>(about: string, request: S, work: (request: z.output<S>) => unknown) => ({
  about,
  request: request as z.ZodType,
  work: work as (request: unknown) => unknown,
});

/** Figures that anyone may ask for, by the address of their door. */
export const FIGURES = {
  'critical-path': figure(
    '`{tasks: [{id, minutes, after}]}`: `{duration, tasks: {id: {earliestStart, earliestFinish, latestStart, latestFinish, totalFloat, freeFloat, critical}}}`',
    criticalPathRequest,
    criticalPath,
  ),
  survival: figure(
    '`{times, events, confidence: "log"|"log-log"|"plain"}`: `{steps: [{time, atRisk, events, survival, se, low, high}], median, weibull: {shape, scale, logLikelihood} or null}`: Kaplan–Meier with Greenwood\'s error and 95 % limits, and a Weibull fit with censoring. With `causes` (how each failed, or null) in place of `events` also `incidences: [{cause, steps: [{time, events, incidence}]}]`, by Aalen and Johansen',
    survivalRequest,
    ({ times, events, causes, confidence }) => {
      const failed = events ?? causes!.map((c) => c !== null);
      const steps = survivalSteps(times, failed, confidence);
      return {
        steps,
        median: medianOf(steps),
        weibull: weibullFit(times, failed),
        ...(causes ? { incidences: incidences(times, causes) } : {}),
      };
    },
  ),
  renewal: figure(
    '`{shape, scale, plannedCost, failureCost}`: `{age, costRate}`: the age of renewal that costs least; null where wear does not grow with age',
    renewalRequest,
    renewal,
  ),
  spares: figure(
    '`{lossesSeen, loansSeen, prior: {shape, rate}, loansAhead, probability}`: `{spares, expected}`',
    sparesRequest,
    sparesFor,
  ),
  points: figure(
    '`{outline, count, closed}`: `{length, points}` at equal steps: closed from the first corner, open with both ends',
    pointsRequest,
    ({ outline, count, closed }) => ({
      length: lengthOf(outline, closed),
      points: evenly(outline, count, closed),
    }),
  ),
  slit: figure(
    '`{slit, rodDiameter}`: `{admits, largestDiameter, grip, margin}`: a slit of length L opens to a loop of 2 L; margin is 2 L − π d',
    slitRequest,
    slit,
  ),
  dots: figure(
    '`{outline or diameter, dot, gap}`: `{count, centres}`; as many as are found to go in, at most 600',
    dotsRequest,
    ({ outline, diameter, dot, gap }) => {
      const within =
        outline ??
        SHAPES.circle.points().map(([x, y]) => [(x * diameter!) / 2, (y * diameter!) / 2] as const);
      const centres = dotsIn(within, { dot, gap });
      return { count: centres.length, centres };
    },
  ),
  ellipse: figure(
    '`{fullAxis1, fullAxis2}`: `{perimeter}`, by the elliptic integral',
    ellipseRequest,
    ({ fullAxis1, fullAxis2 }) => ({
      perimeter: ellipsePerimeter(fullAxis1, fullAxis2),
    }),
  ),
  web: figure(
    '`{spokes, rounds, firstRadius, spacing, wraps, section: {kind: round, diameter} or {kind: flat or oval, width, thickness}, course: rings or spiral}`: `{girth, spans, wraps, total}`: thread between the crossings, round the spokes, and both',
    webRequest,
    webThread,
  ),
  staples: figure(
    '`{rimDiameter, smallestFiller, stapleWidth}`: `{count, gap}`: the least number whose gaps along the rim are under the filler',
    staplesRequest,
    ({ rimDiameter, smallestFiller, stapleWidth }) => staplesRound(rimDiameter, smallestFiller, stapleWidth),
  ),
  halving: figure(
    '`{width, height, thickness, times}`: `{pieces, width, height, stack}`: halved across the longer side each time',
    halvingRequest,
    ({ width, height, thickness, times }) => halved(width, height, thickness, times),
  ),
  challenge: figure(
    '`{moves: [{distance, tolerance, choices?, ways?, waysIn?}]}`: `{bits, total}`; a reach never counts below 0 bits',
    challengeRequest,
    ({ moves }) => challenge(moves),
  ),
};
export type FigureName = keyof typeof FIGURES;
