import type { Problem } from '../../contract/common.ts';
import { useSignedOut } from './session.ts';
import { text } from './text.ts';

/** The name that a file comes with. */
function nameIn(disposition: string | null, href: string): string {
  const encoded = /filename\*=UTF-8''([^;]+)/i.exec(disposition ?? '')?.[1];
  const plain = /filename="?([^";]+)"?/i.exec(disposition ?? '')?.[1];
  return encoded ? decodeURIComponent(encoded) : (plain ?? href.split('?')[0]!.split('/').at(-1)!);
}

/**
 * Fetches a paper and gives it to the browser to keep.
 *
 * @returns the file's name
 * @throws Error saying why there is none, in the server's words
 */
export async function fetchPaper(href: string): Promise<string> {
  const answer = await fetch(href).catch(() => {
    throw new Error(text('notReached'));
  });
  if (answer.status === 401) useSignedOut.getState().set(true);
  if (!answer.ok) {
    const problem = (await answer.json().catch(() => null)) as Problem | null;
    throw new Error(
      problem?.detail ?? problem?.title ?? text('answerCouldNotRead', { status: answer.status }),
    );
  }
  const name = nameIn(answer.headers.get('content-disposition'), href);
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await answer.blob());
  link.download = name;
  link.click();
  // Long enough for any browser to have begun.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
  return name;
}
