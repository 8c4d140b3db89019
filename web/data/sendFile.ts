import type { Problem } from '../../contract/common.ts';
import { ApiError } from './api.ts';
import { useSignedOut } from './session.ts';
import { text } from './text.ts';

/** How a file goes: what it is, who is told how far it has come (a share, 0 to 1), and what headers it needs besides. */
interface Way {
  readonly type: string;
  readonly told?: (share: number) => void;
  readonly headers?: Readonly<Record<string, string>>;
}

/** A file to the desk, as it is, telling how far it has come: `fetch` does not tell that of what it sends. */
export const sendFile = <T>(path: string, file: Blob, { type, told, headers = {} }: Way): Promise<T> =>
  new Promise((resolve, reject) => {
    const fail = (status: number, detail: string): void =>
      reject(new ApiError({ type: 'about:blank', title: text('notReached'), status, detail, errors: [] }));
    const request = new XMLHttpRequest();
    request.open('POST', `/api${path}`);
    for (const [name, value] of Object.entries({ 'content-type': type, ...headers }))
      request.setRequestHeader(name, value);
    request.upload.addEventListener('progress', (e) => {
      if (e.lengthComputable && e.total > 0) told?.(e.loaded / e.total);
    });
    request.addEventListener('error', () => fail(0, text('lineBrokeBeforeWhole')));
    request.addEventListener('load', () => {
      if (request.status === 401) useSignedOut.getState().set(true);
      try {
        const body: unknown = JSON.parse(request.responseText);
        if (request.status >= 200 && request.status < 300) resolve(body as T);
        else reject(new ApiError(body as Problem));
      } catch {
        fail(request.status, text('answerCouldNotRead', { status: request.status }));
      }
    });
    request.send(file);
  });
