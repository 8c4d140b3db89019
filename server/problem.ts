import {
  UniqueConstraintViolationException,
  ForeignKeyConstraintViolationException,
  OptimisticLockError,
} from '@mikro-orm/core';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import type { z } from 'zod';
import type { Problem } from '../contract/common.ts';
import { strayTexts } from '../core/measure/text.ts';
import { UnprovedError } from '../core/price/purchase.ts';
import { PatternError } from '../core/patterns/kernel.ts';
import { isBusy, isFull } from './db/busy.ts';
import { isHangUp } from './hangUp.ts';
import { notFound, ProblemError } from './problemError.ts';

export { notFound, ProblemError };

const TITLES: Record<number, string> = {
  400: 'Not understood',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  408: 'Not all of it came',
  409: 'Changed or taken meanwhile',
  413: 'Too large',
  415: 'Wrong media type',
  422: 'Cannot be done',
  429: 'Too many tries',
  503: 'Busy',
};

/** The value as the schema sees it, or a 400 that names every field at fault. */
export function read<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value);
  const stray = parsed.success ? strayTexts(parsed.data) : [];
  if (parsed.success && stray.length === 0) return parsed.data;
  const errors = parsed.success
    ? stray.slice(0, 50)
    : parsed.error.issues.slice(0, 50).flatMap((issue) => {
        const at = issue.path.map(String).join('.');
        if (issue.code === 'unrecognized_keys')
          return issue.keys.map((k) => ({ path: at ? `${at}.${k}` : k, message: 'is not a field here' }));
        return [
          {
            path: at,
            message: issue.message.replace(/^Invalid (input|option): /, ''),
          },
        ];
      });
  throw new ProblemError(
    400,
    errors
      .map((e) => (e.path ? `${e.path}: ${e.message}` : e.message))
      .join('; ')
      .slice(0, 2000),
    errors,
  );
}

/** A whole number out of the address. */
export function readId(value: unknown, what: string): number {
  const text = String(value);
  if (!/^[1-9]\d{0,9}$/.test(text)) throw notFound(`${what} “${text.slice(0, 40)}”`);
  return Number(text);
}

/** Seconds after which a caller may try again. */
const RETRY_AFTER = 2;

export function sendProblem(res: Response, p: ProblemError): void {
  if (p.status === 503 || p.status === 429) res.set('retry-after', String(p.retryAfter ?? RETRY_AFTER));
  const body: Problem = {
    type: 'about:blank',
    title: TITLES[p.status] ?? 'Not done',
    status: p.status,
    detail: p.message,
    errors: p.errors,
    ...(p.current === undefined ? {} : { current: p.current }),
  };
  res.status(p.status).type('application/problem+json').send(JSON.stringify(body));
}

/** Whatever has a body must say that it is JSON, and what writes must have one. */
export const jsonOnly: RequestHandler = (req, res, next) => {
  const writes = req.method === 'POST' || req.method === 'PUT' || req.method === 'PATCH';
  if ((writes || req.is('*/*')) && !req.is('application/json')) {
    sendProblem(
      res,
      new ProblemError(415, 'Expected content-type application/json.', [
        { path: 'content-type', message: 'expected application/json' },
      ]),
    );
    return;
  }
  next();
};

function asProblem(error: unknown): ProblemError | null {
  if (error instanceof ProblemError) return error;
  if (error instanceof PatternError)
    return new ProblemError(422, error.message, [{ path: error.path, message: error.message }]);
  if (error instanceof UnprovedError)
    return new ProblemError(422, error.message, [{ path: 'offers', message: error.message }]);
  if (error instanceof OptimisticLockError)
    return new ProblemError(409, 'It was changed meanwhile; read it again.', [
      { path: 'version', message: 'is stale' },
    ]);
  if (error instanceof UniqueConstraintViolationException)
    return new ProblemError(409, 'That is taken already.', [{ path: 'name', message: 'is taken already' }]);
  if (error instanceof ForeignKeyConstraintViolationException)
    return new ProblemError(409, 'Something else still uses it.', []);
  if (isBusy(error))
    return new ProblemError(503, 'Another program is writing to this place; nothing was changed. Try again.');
  if (isFull(error))
    return new ProblemError(503, 'The disk is full; nothing was changed. Free some room, then try again.');
  const e = error as { status?: number; type?: string; message?: string };
  if (e?.type === 'entity.too.large')
    return new ProblemError(413, 'The body is over 1 MB; expected less.', [
      { path: '', message: 'must be at most 1 MB' },
    ]);
  if (e?.type === 'entity.parse.failed')
    return new ProblemError(400, 'The body is not JSON.', [
      { path: '', message: `not JSON: ${String(e.message).slice(0, 120)}` },
    ]);
  if (e?.type === 'encoding.unsupported' || e?.type === 'charset.unsupported')
    return new ProblemError(415, 'Expected UTF-8 JSON without encoding.', [
      { path: 'content-type', message: 'expected UTF-8 JSON' },
    ]);
  if (typeof e?.status === 'number' && e.status >= 400 && e.status < 500)
    return new ProblemError(e.status, 'The request could not be read.', [
      { path: '', message: String(e.message).slice(0, 120) },
    ]);
  return null;
}

/** Turns whatever was thrown into a problem; what nobody foresaw is logged whole and told in one line. */
export const problemHandler =
  (log: Logger): ErrorRequestHandler =>
  (error, req, res, _next) => {
    const known = asProblem(error);
    if (isHangUp(error)) log.info({ url: req.url }, 'whoever asked has gone');
    else if (!known) log.error({ err: error as unknown, url: req.url }, 'unforeseen error');
    if (res.headersSent) {
      res.destroy();
      return;
    }
    sendProblem(res, known ?? new ProblemError(500, 'Something went wrong here; nothing was changed.'));
  };
