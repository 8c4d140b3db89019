// How long others wait meanwhile: one small question after the other, asked from a thread of its own, as from another
// desk; in the thread that makes the load it would wait for that thread, too.
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';

if (!isMainThread) {
  const waits = [];
  /** When each was asked, ms since 1970. */
  const asked = [];
  let over = false;
  parentPort.once('message', () => (over = true));
  while (!over) {
    const from = performance.now();
    asked.push(performance.timeOrigin + from);
    const answer = await fetch(`${workerData}/api/suppliers`).catch(() => null);
    await answer?.text();
    waits.push(answer?.ok ? performance.now() - from : Infinity);
    await new Promise((go) => setTimeout(go, 5));
  }
  parentPort.postMessage({ waits, asked });
}

export async function othersWait(url, work) {
  const asking = new Worker(new URL(import.meta.url), { workerData: url });
  const told = new Promise((done, failed) => asking.once('message', done).once('error', failed));
  let result;
  try {
    result = await work();
  } finally {
    asking.postMessage('over');
  }
  const { waits, asked } = await told;
  return {
    result,
    waits,
    worst: () => waits.reduce((a, b) => Math.max(a, b), 0),
    /** When each was asked, ms as this thread's performance tells them. */
    asked: asked.map((at) => at - performance.timeOrigin),
  };
}
export const share = (waits, at) =>
  [...waits].sort((a, b) => a - b)[Math.min(waits.length - 1, Math.floor(waits.length * at))] ?? 0;
