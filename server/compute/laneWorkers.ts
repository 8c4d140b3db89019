import { Piscina } from 'piscina';
import type { JobAnswer } from './jobAnswer.ts';
import type { Job } from './jobs.ts';
import type { Lane } from './lanes.ts';

/** Lanes whose workers hold an open database. Ended in the middle of a query, such a thread takes the process with it. */
const WITH_DATABASE: ReadonlySet<Lane> = new Set(['rows', 'copy', 'guest', 'designs', 'reading']);
/** How long a job goes on whose caller left, ms: most end by themselves, and their worker stays warm for the next. */
const GRACE = 2000;
/** So many workers may still be at a job that nobody waits for any more; then the lane waits for them. */
const MOST_LEFT = 2;

interface LaneOptions {
  readonly filename: string;
  readonly lane: Lane;
  readonly threads: number;
  readonly idleMs: number;
}

const gone = (): Error => Object.assign(new Error('The job was ended.'), { name: 'AbortError' });

/** The workers of a lane. */
export class LaneWorkers {
  private pool: Piscina;
  private readonly options: LaneOptions;
  /** What is at work, with the flag that asks it to end. */
  private readonly atWork = new Map<Promise<unknown>, Int32Array>();
  /** Told when a worker fails before it takes a job up: that is told to its pool only. */
  private readonly failed = new Set<(error: Error) => void>();
  private left = 0;

  constructor(options: LaneOptions) {
    this.options = options;
    this.pool = this.open();
  }

  private open(): Piscina {
    const { filename, threads, idleMs } = this.options;
    // None is kept for nothing: what a lane needs is loaded when it is first asked for.
    const pool = new Piscina({
      filename,
      minThreads: 0,
      maxThreads: threads,
      idleTimeout: idleMs,
      resourceLimits: { maxOldGenerationSizeMb: 1024 },
    });
    pool.on('error', () => {
      for (const reject of this.failed) reject(new Error('worker exited at its start'));
    });
    return pool;
  }

  /**
   * A job's answer.
   *
   * @param left aborted when the caller is gone
   * @param late aborted when the job's time is over
   * @throws an AbortError where one of them ended it
   */
  async run(job: Job, left: AbortSignal | undefined, late: AbortSignal): Promise<JobAnswer> {
    const ends = left ? AbortSignal.any([left, late]) : late;
    const { lane } = this.options;
    const isEnded = new Int32Array(new SharedArrayBuffer(4));
    let refuse: ((error: Error) => void) | undefined;
    const answer = new Promise<JobAnswer>((resolve, reject) => {
      refuse = reject;
      this.failed.add(reject);
      (
        this.pool.run(
          { job, lane, isEnded },
          WITH_DATABASE.has(lane) ? {} : { signal: ends },
        ) as Promise<JobAnswer>
      ).then(resolve, reject);
    }).finally(() => {
      this.failed.delete(refuse!);
      this.atWork.delete(settled);
    });
    const settled = answer.then(
      () => true,
      () => true,
    );
    this.atWork.set(settled, isEnded);
    if (!WITH_DATABASE.has(lane)) return answer;
    return Promise.race([answer, this.ended(ends, late, settled, isEnded)]);
  }

  /** Ends when the job is asked to end and no more of it is waited for; never otherwise. */
  private async ended(
    ends: AbortSignal,
    late: AbortSignal,
    settled: Promise<boolean>,
    isEnded: Int32Array,
  ): Promise<never> {
    if (!ends.aborted) await new Promise((end) => ends.addEventListener('abort', end, { once: true }));
    // The worker asks at its next query.
    Atomics.store(isEnded, 0, 1);
    const grace = late.aborted ? 0 : GRACE;
    const isDone = await Promise.race([
      settled,
      new Promise<false>((done) => setTimeout(() => done(false), grace).unref()),
    ]);
    if (!isDone && this.left >= MOST_LEFT) await settled;
    else if (!isDone) {
      // It ends by itself, in its own time; the lane goes on with a fresh worker.
      const old = this.pool;
      this.left++;
      this.pool = this.open();
      void settled.then(() => {
        this.left--;
        return old.destroy();
      });
    }
    throw gone();
  }

  async close(): Promise<void> {
    for (const isEnded of this.atWork.values()) Atomics.store(isEnded, 0, 1);
    if (WITH_DATABASE.has(this.options.lane))
      await Promise.race([
        Promise.all(this.atWork.keys()),
        new Promise((done) => setTimeout(done, 10_000).unref()),
      ]);
    await this.pool.destroy();
  }
}
