import { UNDO_HEADER } from '../../contract/undo.ts';
import type { Problem } from '../../contract/common.ts';
import { useSignedOut } from './session.ts';
import { text } from './text.ts';

/** What went wrong, in the server's words. */
export class ApiError extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

const offline = (detail: string): Problem => ({
  type: 'about:blank',
  title: text('notReached'),
  status: 0,
  detail,
  errors: [],
});

const notReached = (): ApiError => new ApiError(offline(text('foxButtonDoesNot')));

const doneIds = new WeakMap<object, number>();
/** What a change can be undone by, from its answer; undefined where it cannot. */
export const doneIdOf = (answer: unknown): number | undefined =>
  typeof answer === 'object' && answer !== null ? doneIds.get(answer) : undefined;

async function answer<T>(path: string, init: RequestInit): Promise<{ body: T; headers: Headers | null }> {
  let response: Response;
  try {
    response = await fetch(path.startsWith('/api/') ? path : `/api${path}`, init);
  } catch {
    throw notReached();
  }
  if (response.status === 204) return { body: undefined as T, headers: null };
  const body: unknown = await response
    .json()
    .catch(() => offline(text('answerCouldNotRead', { status: response.status })));
  if (response.status === 401 && !path.startsWith('/session')) useSignedOut.getState().set(true);
  if (!response.ok) throw new ApiError(body as Problem);
  const done = Number(response.headers?.get(UNDO_HEADER) ?? NaN);
  if (done > 0 && typeof body === 'object' && body !== null) doneIds.set(body, done);
  return { body: body as T, headers: response.headers ?? null };
}
const call = async <T>(path: string, init: RequestInit): Promise<T> => (await answer<T>(path, init)).body;

export interface Page<T> {
  readonly items: T[];
  /** How many there are in all. */
  readonly total: number;
  /** The address of the page that follows; null on the last one. */
  readonly next: string | null;
}

/** One page of a list, with where it goes on (RFC 8288). */
export async function apiPage<T>(path: string): Promise<Page<T>> {
  const { body, headers } = await answer<T[]>(path, { method: 'GET' });
  const next = /<([^>]+)>;\s*rel="next"/.exec(headers?.get('link') ?? '')?.[1] ?? null;
  return { items: body, total: Number(headers?.get('x-total-count') ?? body.length), next };
}

/** A whole list, page after page. */
export async function apiList<T>(path: string): Promise<T[]> {
  const first = await apiPage<T>(path);
  const all = first.items;
  for (let { next } = first; next !== null;) {
    const page: Page<T> = await apiPage<T>(next);
    all.push(...page.items);
    next = page.next;
  }
  return all;
}

/** One call to the desk; throws ApiError with the problem, also when nobody answers. */
export const api = <T>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<T> =>
  call<T>(path, {
    method,
    ...(body === undefined
      ? {}
      : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });

/** A file that the desk makes of what it is told, for the browser to keep under a name. */
export async function fetchFile(path: string, body: unknown, name: string): Promise<void> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  } catch {
    throw notReached();
  }
  if (response.status === 401) useSignedOut.getState().set(true);
  if (!response.ok) throw new ApiError((await response.json()) as Problem);
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await response.blob());
  link.download = name;
  link.click();
  // The browser has begun to keep it when the click returns.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}

/** Words for a person, whatever was thrown. */
export const words = (error: unknown): string => (error instanceof Error ? error.message : String(error));
