import type { RequestHandler } from 'express';
import { ProblemError } from './problemError.ts';
import { OWN_NAMES, plainHost } from './settings.ts';

/** Listening on all addresses names none of them. */
const ANY = ['0.0.0.0', '::'];

const nameOf = (host: string): string | null => {
  try {
    return plainHost(new URL(`http://${host}`).hostname);
  } catch {
    return null;
  }
};

export interface Names {
  readonly host: string;
  readonly hosts: readonly string[];
}

/**
 * Only requests that name this server are answered: a page elsewhere can have its own name point at this machine, and
 * would then read and write here as if it were ours.
 */
export function ownHost({ host, hosts }: Names): RequestHandler {
  const names = new Set([...OWN_NAMES, ...hosts, ...(ANY.includes(host) ? [] : [host])]);
  return (req, _res, next) => {
    const name = nameOf(req.headers.host ?? '');
    if (name === null || !names.has(name))
      throw new ProblemError(
        403,
        `This server does not answer to “${(req.headers.host ?? '').slice(0, 80)}”; name it in FOX_HOSTS.`,
        [{ path: 'host', message: `expected one of ${[...names].join(', ')}` }],
      );
    next();
  };
}

/** Refuses what a page of another origin sends: its origin is told by the browser, or that it is foreign. */
export function ownOrigin({ hosts }: Pick<Names, 'hosts'>): RequestHandler {
  return (req, _res, next) => {
    const { origin } = req.headers;
    const site = req.headers['sec-fetch-site'];
    const isForeignSite = site === 'cross-site' || site === 'same-site';
    let foreign = isForeignSite;
    if (origin !== undefined) {
      let at: URL | null = null;
      try {
        at = new URL(origin);
      } catch {
        // “null” and worse.
      }
      // A proxy may ask under a name of its own; the page is still at the usual port of the name it is known by.
      const isNamed = at !== null && hosts.includes(plainHost(at.hostname)) && at.port === '';
      foreign = isForeignSite || !(at !== null && (at.host === req.headers.host || isNamed));
    }
    if (foreign)
      throw new ProblemError(403, 'Another page may not call this server.', [
        {
          path: origin === undefined ? 'sec-fetch-site' : 'origin',
          message: 'expected this server’s own page',
        },
      ]);
    next();
  };
}
