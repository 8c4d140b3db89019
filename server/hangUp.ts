const CODES = new Set(['ECONNRESET', 'ECONNABORTED', 'EPIPE', 'ERR_STREAM_PREMATURE_CLOSE', 'ABORT_ERR']);

/** Whether an error only says that whoever asked has gone: nothing went wrong here. */
export const isHangUp = (error: unknown): boolean => {
  const { code, type, name } = (error ?? {}) as { code?: unknown; type?: unknown; name?: unknown };
  return CODES.has(String(code)) || type === 'request.aborted' || name === 'AbortError';
};
