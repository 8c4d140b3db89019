import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';

/** Entries that go out together. */
const AT_ONCE = 200;

async function* parts(list: AsyncIterable<unknown>, first: IteratorResult<unknown>): AsyncGenerator<string> {
  if (first.done) {
    yield '[]';
    return;
  }
  let held = [JSON.stringify(first.value)];
  let mark = '[';
  for await (const entry of list) {
    held.push(JSON.stringify(entry));
    if (held.length < AT_ONCE) continue;
    yield mark + held.join(',');
    mark = ',';
    held = [];
  }
  yield held.length === 0 ? ']' : `${mark}${held.join(',')}]`;
}

/**
 * Sends a list as a JSON array part by part, so that a long one is never held whole as text. The first entry is fetched
 * before anything is sent: what fails by then is still told as a problem.
 */
export async function sendList(res: Response, list: AsyncGenerator<unknown>): Promise<void> {
  const first = await list.next();
  res.type('json');
  await pipeline(Readable.from(parts(list, first)), res);
}
