import type { Problem } from '../../contract/common.ts';
import { ApiError } from './api.ts';

/**
 * A large file to the desk, as it is, telling how far it has come: `fetch` does not tell that of what it sends.
 *
 * @param told called with the share that was sent, 0 to 1
 */
export const sendLarge = <T>(
  path: string,
  file: Blob,
  type: string,
  told: (share: number) => void,
): Promise<T> =>
  new Promise((resolve, reject) => {
    const fail = (status: number, detail: string): void =>
      reject(new ApiError({ type: 'about:blank', title: 'Not reached', status, detail, errors: [] }));
    const request = new XMLHttpRequest();
    request.open('POST', `/api${path}`);
    request.setRequestHeader('content-type', type);
    request.upload.addEventListener('progress', (e) => {
      if (e.lengthComputable && e.total > 0) told(e.loaded / e.total);
    });
    request.addEventListener('error', () =>
      fail(0, 'The line broke before the whole file had come. Try again.'),
    );
    request.addEventListener('load', () => {
      try {
        const body: unknown = JSON.parse(request.responseText);
        if (request.status >= 200 && request.status < 300) resolve(body as T);
        else reject(new ApiError(body as Problem));
      } catch {
        fail(request.status, `The answer could not be read (${request.status}).`);
      }
    });
    request.send(file);
  });
