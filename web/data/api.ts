import type { Problem } from '../../contract/common.ts';

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
  title: 'Not reached',
  status: 0,
  detail,
  errors: [],
});

async function call<T>(path: string, init: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch {
    throw new ApiError(
      offline('Fox Button does not answer. Is it still running? What you see is kept on this screen.'),
    );
  }
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response
    .json()
    .catch(() => offline(`The answer could not be read (${response.status}).`));
  if (!response.ok) throw new ApiError(answer as Problem);
  return answer as T;
}

/** One call to the desk; throws ApiError with the problem, also when nobody answers. */
export const api = <T>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<T> =>
  call<T>(path, {
    method,
    ...(body === undefined
      ? {}
      : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });

/** A CSV file to the desk, as it is. */
export const sendFile = <T>(path: string, file: Blob): Promise<T> =>
  call<T>(path, { method: 'POST', headers: { 'content-type': 'text/csv' }, body: file });

/** Words for a person, whatever was thrown. */
export const words = (error: unknown): string => (error instanceof Error ? error.message : String(error));
