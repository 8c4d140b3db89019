/** An answer that is an error, as RFC 9457 problem details. */
export class ProblemError extends Error {
  readonly status: number;
  readonly errors: { path: string; message: string }[];
  readonly current: unknown;
  /** Seconds after which a caller may try again, where that is known. */
  retryAfter?: number;
  constructor(
    status: number,
    detail: string,
    errors: { path: string; message: string }[] = [],
    current?: unknown,
  ) {
    super(detail);
    this.status = status;
    this.errors = errors;
    this.current = current;
  }
}

export const notFound = (what: string): ProblemError => new ProblemError(404, `There is no ${what}.`);
