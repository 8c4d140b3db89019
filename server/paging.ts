import type { Request, Response } from 'express';
import { pageOf } from '../contract/common.ts';
import { ProblemError } from './problem.ts';

export { pageOf };

const refuse = (): ProblemError =>
  new ProblemError(400, 'after: expected the cursor of a page', [
    { path: 'after', message: 'expected a cursor as the Link header of a page gives it' },
  ]);

/** A cursor that is an id alone; `none` where there is no cursor. */
export function idCursor(after: string | undefined, none: number): number {
  if (after === undefined) return none;
  if (!/^\d{1,12}$/.test(after)) throw refuse();
  return Number(after);
}

/** A cursor of a text and an id that tells equal ones apart; null where there is no cursor. */
export function textCursor(after: string | undefined): readonly [string, number] | null {
  if (after === undefined) return null;
  const at = after.lastIndexOf('~');
  const id = after.slice(at + 1);
  if (at < 0 || !/^\d{1,12}$/.test(id)) throw refuse();
  return [after.slice(0, at), Number(id)];
}
export const textCursorOf = (text: string, id: number): string => `${text}~${id}`;

/** Where a page ends. */
export interface PageEnd {
  readonly limit: number;
  /** How many entries match in all. */
  readonly total: number;
  /** How many are on this page. */
  readonly count: number;
  /** The cursor after the last entry; null where there is none. */
  readonly next: string | null;
}

/**
 * Says what a page leaves out: `X-Total-Count` how many there are in all, and `Link` (RFC 8288) with rel="next" how to go
 * on where there may be more.
 */
export function setPage(req: Request, res: Response, page: PageEnd): void {
  res.set('x-total-count', String(page.total));
  if (page.next === null || page.count < page.limit) return;
  const query = new URLSearchParams(req.query as Record<string, string>);
  query.set('after', page.next);
  res.set('link', `<${req.baseUrl}${req.path}?${query.toString()}>; rel="next"`);
}

/** Sends a page of a list as an array. */
export function sendPage(
  req: Request,
  res: Response,
  { items, ...page }: { readonly items: readonly unknown[] } & Omit<PageEnd, 'count'>,
): void {
  setPage(req, res, { ...page, count: items.length });
  res.json(items);
}
