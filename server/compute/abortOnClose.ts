import type { Response } from 'express';

/** Aborted when the caller goes before the answer is sent: nobody needs it then. */
export function abortOnClose(res: Response): AbortSignal {
  const gone = new AbortController();
  res.once('close', () => {
    if (!res.writableFinished) gone.abort();
  });
  return gone.signal;
}
