import type { RequestHandler } from 'express';
import { sendProblem } from './problem.ts';
import { ProblemError } from './problemError.ts';

/** How long a body may bring nothing, ms: however slow a line is, something comes. */
const STALL = 30_000;

/**
 * Ends a request whose body has stopped coming, and says so. However long it takes otherwise: 2 GB by a slow line are let
 * come in.
 *
 * @param patience ms
 */
export function endsStalled(patience = STALL): RequestHandler {
  return (req, res, next) => {
    let timer: NodeJS.Timeout | undefined;
    const done = (): void => {
      clearTimeout(timer);
    };
    const end = (): void => {
      // What has come and waits to be read is not missing: it is this side that is slow.
      if (req.readableLength > 0) return begin();
      done();
      if (!res.headersSent)
        sendProblem(
          res,
          new ProblemError(408, `Nothing came for ${patience / 1000} s; the rest of the body is missing.`, [
            { path: '', message: 'expected the rest of the body' },
          ]),
        );
      res.once('finish', () => req.destroy());
    };
    const begin = (): void => {
      clearTimeout(timer);
      timer = setTimeout(end, patience);
      timer.unref();
    };
    const length = Number(req.headers['content-length'] ?? 0);
    if (length > 0 || req.headers['transfer-encoding'] !== undefined) {
      begin();
      // Watched without taking anything away: a stream that somebody pipes tells of each piece.
      const push = req.push.bind(req);
      req.push = (chunk: unknown, ...of) => {
        // All of it has come, whoever reads it when.
        if (chunk === null) done();
        else begin();
        return push(chunk, ...of);
      };
      req.once('end', done);
      req.once('close', done);
    }
    next();
  };
}
