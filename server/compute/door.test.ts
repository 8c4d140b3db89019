import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { workerDoor, type ComputeDoor } from './door.ts';
import type { Job } from './jobs.ts';

/** A worker that does as the job's material names say: answers, fails, gives up or dies. */
const SCRIPT = `
import { parentPort } from 'node:worker_threads';
parentPort.on('message', async ({ job }) => {
  const word = job.request.needs[0].material;
  if (word === 'die') process.exit(3);
  if (word === 'fail') return parentPort.postMessage({ failed: 'it broke' });
  if (word === 'give up') return parentPort.postMessage({ answer: { unproved: 'not in time' } });
  await new Promise((r) => setTimeout(r, 20));
  parentPort.postMessage({ answer: { done: word } });
});`;

let folder: string;
let door: ComputeDoor;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'fox-door-'));
  writeFileSync(join(folder, 'worker.mjs'), SCRIPT);
  door = workerDoor(pathToFileURL(join(folder, 'worker.mjs')));
});
afterAll(async () => {
  await door.close();
  rmSync(folder, { recursive: true, force: true });
});
const ask = (word: string): Promise<unknown> =>
  door.run({
    kind: 'purchase',
    request: { needs: [{ material: word, quantity: 1 }], stock: [], offers: [], delivery: [] },
  } satisfies Job);

describe('the door to heavy work', () => {
  it('gives each its own answer, however many come at once', async () => {
    const words = Array.from({ length: 30 }, (_, i) => `job ${i}`);
    expect(await Promise.all(words.map(ask))).toEqual(words);
  });
  it('says when a computation gave up', async () => {
    await expect(ask('give up')).rejects.toMatchObject({ status: 422, message: 'not in time' });
  });
  it('lets a fault be a fault, and goes on', async () => {
    await expect(ask('fail')).rejects.toThrow('it broke');
    expect(await ask('next')).toBe('next');
  });
  it('starts a new worker for one that died', async () => {
    await Promise.all([1, 2, 3].map(() => expect(ask('die')).rejects.toMatchObject({ status: 422 })));
    expect(await Promise.all(['a', 'b', 'c'].map(ask))).toEqual(['a', 'b', 'c']);
  });
  it('turns away what it could only keep waiting', async () => {
    const all = await Promise.allSettled(Array.from({ length: 80 }, (_, i) => ask(`${i}`)));
    const refused = all.filter((r) => r.status === 'rejected');
    expect(refused.length).toBeGreaterThan(5);
    expect(refused[0]).toMatchObject({
      reason: { status: 422, message: expect.stringMatching(/try again/) },
    });
  });
});
