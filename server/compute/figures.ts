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
import { medianOf, survivalSteps } from '../../core/durability/survival.ts';
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
const figure = <S extends z.ZodType>(request: S, work: (request: z.output<S>) => unknown) => ({
  request: request as z.ZodType,
  work: work as (request: unknown) => unknown,
});

/** Figures that anyone may ask for, by the address of their door. */
export const FIGURES = {
  'critical-path': figure(criticalPathRequest, criticalPath),
  survival: figure(survivalRequest, ({ times, events, confidence }) => {
    const steps = survivalSteps(times, events, confidence);
    return { steps, median: medianOf(steps), weibull: weibullFit(times, events) };
  }),
  renewal: figure(renewalRequest, renewal),
  spares: figure(sparesRequest, sparesFor),
  points: figure(pointsRequest, ({ outline, count, closed }) => ({
    length: lengthOf(outline, closed),
    points: evenly(outline, count, closed),
  })),
  slit: figure(slitRequest, slit),
  dots: figure(dotsRequest, ({ outline, diameter, dot, gap }) => {
    const within =
      outline ?? SHAPES.circle.points().map(([x, y]) => [(x * diameter!) / 2, (y * diameter!) / 2] as const);
    const centres = dotsIn(within, { dot, gap });
    return { count: centres.length, centres };
  }),
  ellipse: figure(ellipseRequest, ({ fullAxis1, fullAxis2 }) => ({
    perimeter: ellipsePerimeter(fullAxis1, fullAxis2),
  })),
  web: figure(webRequest, webThread),
  staples: figure(staplesRequest, ({ rimDiameter, smallestFiller, stapleWidth }) =>
    staplesRound(rimDiameter, smallestFiller, stapleWidth),
  ),
  halving: figure(halvingRequest, ({ width, height, thickness, times }) =>
    halved(width, height, thickness, times),
  ),
  challenge: figure(challengeRequest, ({ moves }) => challenge(moves)),
};
export type FigureName = keyof typeof FIGURES;
