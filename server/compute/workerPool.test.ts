import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { startWorkerPool, type WorkerPool } from './workerPool.ts';
import type { Job } from './jobs.ts';

/** A worker that does as the job's material names say: answers, fails, gives up, sleeps or dies; in which lane it is told. */
const SCRIPT = `
import { threadId } from 'node:worker_threads';
let held = 0;
export default async ({ job, lane, isEnded }) => {
  const word = job.request.needs[0].material;
  if (word === 'die') process.exit(3);
  if (word === 'fail') throw new Error('it broke');
  if (word === 'give up') return { unproved: 'not in time' };
  if (word === 'slow' && lane === 'dial') return { unproved: 'not in time' };
  if (word === 'lane') return { done: lane };
  if (word === 'slow') await new Promise((r) => setTimeout(r, 1500));
  if (word === 'spin') for (;;) held++;
  if (word === 'thread') return { done: threadId };
  if (word === 'reads') {
    while (Atomics.load(isEnded, 0) === 0) await new Promise((r) => setTimeout(r, 5));
    throw new Error('ended by itself');
  }
  if (word === 'deaf') await new Promise((r) => setTimeout(r, 6000));
  await new Promise((r) => setTimeout(r, 20));
  return { done: word };
};`;

let folder: string;
let workerPool: WorkerPool;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'fox-door-'));
  writeFileSync(join(folder, 'worker.mjs'), SCRIPT);
  workerPool = startWorkerPool(pathToFileURL(join(folder, 'worker.mjs')));
});
afterAll(async () => {
  await workerPool.close();
  rmSync(folder, { recursive: true, force: true });
});
const ask = (word: string): Promise<unknown> =>
  workerPool.run({
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
  it('starts a new worker for one that died, and says that it broke off', async () => {
    await Promise.all(
      [1, 2, 3].map(() =>
        expect(ask('die')).rejects.toMatchObject({
          status: 503,
          message: expect.stringMatching(/broke off/),
        }),
      ),
    );
    expect(await Promise.all(['a', 'b', 'c'].map(ask))).toEqual(['a', 'b', 'c']);
  });
  it('keeps a whole day’s questions of one asker waiting, and turns away what is more', async () => {
    const all = await Promise.allSettled(Array.from({ length: 80 }, (_, i) => ask(`${i}`)));
    const refused = all.filter((r) => r.status === 'rejected');
    expect(refused.length).toBe(80 - 65);
    expect(refused[0]).toMatchObject({
      reason: { status: 429, message: expect.stringMatching(/try again/) },
    });
  });
  it('begins a job’s time when its work begins, however long it waited', async () => {
    const strict = startWorkerPool(pathToFileURL(join(folder, 'worker.mjs')), {
      seconds: { dial: 8, solver: 8 },
      solvers: 1,
    });
    const job = (material: string): Job => ({
      kind: 'purchase',
      request: { needs: [{ material, quantity: 1 }], stock: [], offers: [], delivery: [] },
    });
    // Seven of 1.5 s one after the other end after 10 s: the last has waited longer than it may work.
    expect(await Promise.all(Array.from({ length: 7 }, () => strict.run(job('slow'))))).toHaveLength(7);
    await strict.close();
  }, 120_000);
  it('does not let a copy of the place, a paper or rows of a file wait behind solvers', async () => {
    const long = Promise.all(Array.from({ length: 4 }, () => ask('slow')));
    const lane = (job: object): Promise<unknown> =>
      workerPool.run({ ...job, request: { needs: [{ material: 'lane' }] } } as unknown as Job);
    const kinds = [
      { kind: 'backup' },
      { kind: 'paper' },
      { kind: 'read', name: 'rowsOfFile' },
      { kind: 'read', name: 'needs' },
    ];
    expect(await Promise.all(kinds.map(lane))).toEqual(['copy', 'paper', 'rows', 'designs']);
    expect(await Promise.race([long, Promise.resolve('still at it')])).toBe('still at it');
    await long;
  });
  it('lets no small question wait behind long ones', async () => {
    const long = Promise.all(Array.from({ length: 8 }, () => ask('slow')));
    const from = performance.now();
    expect(await ask('lane')).toBe('dial');
    // Eight long ones take six seconds on two threads.
    const waited = performance.now() - from;
    expect(await Promise.race([long, Promise.resolve('still at it')])).toBe('still at it');
    expect(waited).toBeLessThan(3000);
    expect(await long).toEqual(Array.from({ length: 8 }, () => 'slow'));
  });
  it('ends the job of a caller who hung up', async () => {
    const gone = new AbortController();
    const job = {
      kind: 'purchase',
      request: { needs: [{ material: 'spin', quantity: 1 }], stock: [], offers: [], delivery: [] },
    } satisfies Job;
    const asked = workerPool.run(job, gone.signal);
    setTimeout(() => gone.abort(), 300);
    await expect(asked).rejects.toMatchObject({ status: 503, message: expect.stringMatching(/hung up/) });
    expect(await ask('next')).toBe('next');
  });
  it('asks what holds a database to end instead of ending it, which would take the server with it', async () => {
    const read = (material: string, signal?: AbortSignal): Promise<unknown> =>
      workerPool.run(
        { kind: 'read', name: 'lasting', request: { needs: [{ material }] } } as unknown as Job,
        signal,
      );
    const left = async (material: string, words: RegExp): Promise<void> => {
      const gone = new AbortController();
      const asked = read(material, gone.signal);
      setTimeout(() => gone.abort(), 100);
      await expect(asked).rejects.toThrow(words);
    };
    const thread = await read('thread');
    // One that ends when it is asked to leaves its worker to the next.
    await left('reads', /ended by itself/);
    expect(await read('thread')).toBe(thread);
    // Behind one that goes on nobody waits: a fresh worker takes over.
    await left('deaf', /hung up/);
    expect(await read('thread')).not.toBe(thread);
  });
  it('is not opened without its script, so that nothing starts over and over', () => {
    expect(() => startWorkerPool(pathToFileURL(join(folder, 'gone.mjs')))).toThrow(/missing/);
  });
  it('tries a worker that breaks at its start once for each question, not over and over', async () => {
    writeFileSync(
      join(folder, 'broken.mjs'),
      `import { appendFileSync } from 'node:fs';\nappendFileSync(${JSON.stringify(join(folder, 'starts'))}, 'x');\nthrow new Error('no start');`,
    );
    const broken = startWorkerPool(pathToFileURL(join(folder, 'broken.mjs')));
    const job = {
      kind: 'purchase',
      request: { needs: [{ material: 'a', quantity: 1 }], stock: [], offers: [], delivery: [] },
    } satisfies Job;
    await expect(broken.run(job)).rejects.toThrow();
    await new Promise((r) => setTimeout(r, 1500));
    // Once and once more for each of the two lanes; in a loop it was eighteen in four seconds.
    expect(readFileSync(join(folder, 'starts'), 'utf8').length).toBeLessThanOrEqual(4);
    await broken.close();
  });
});
