import { ProblemError } from '../problemError.ts';

interface Waiting {
  readonly start: () => void;
}

export interface LaneLimits {
  /** How many are at work at once. */
  readonly atOnce: number;
  /** How many of one asker, and of all, may wait. */
  readonly mostOfOne?: number;
  readonly mostWaiting?: number;
  /** How long anybody waits for a place, ms. */
  readonly patience?: number;
}

/**
 * Places at work shared fairly: those who wait are taken in turn by who asks, so that somebody with sixty questions keeps
 * nobody waiting who has one. Who leaves is not begun.
 */
export class FairLane {
  private readonly waiting = new Map<string, Waiting[]>();
  private count = 0;
  private free: number;
  private readonly mostOfOne: number;
  private readonly mostWaiting: number;
  private readonly patience: number;

  constructor(limits: LaneLimits) {
    this.free = limits.atOnce;
    this.mostOfOne = limits.mostOfOne ?? 64;
    this.mostWaiting = limits.mostWaiting ?? 256;
    this.patience = limits.patience ?? 120_000;
  }

  /**
   * Runs something when a place is free.
   *
   * @throws ProblemError 429 where this asker has too many waiting, 503 where all have or the wait was too long
   */
  async run<T>(asker: string, signal: AbortSignal | undefined, work: () => Promise<T>): Promise<T> {
    await this.place(asker, signal);
    try {
      return await work();
    } finally {
      this.free++;
      this.next();
    }
  }

  private place(asker: string, signal: AbortSignal | undefined): Promise<void> {
    if (signal?.aborted) return Promise.reject(gone());
    if (this.free > 0) {
      this.free--;
      return Promise.resolve();
    }
    const own = this.waiting.get(asker) ?? [];
    if (own.length >= this.mostOfOne)
      return Promise.reject(
        new ProblemError(
          429,
          `${own.length} computations of yours are waiting already; try again when some of them have ended.`,
          [{ path: '', message: `expected at most ${this.mostOfOne} at once` }],
        ),
      );
    if (this.count >= this.mostWaiting)
      return Promise.reject(
        new ProblemError(503, 'Too many computations are waiting; try again in a moment.'),
      );
    return new Promise<void>((resolve, reject) => {
      const done = (): void => {
        clearTimeout(timer);
        signal?.removeEventListener('abort', leave);
      };
      const entry: Waiting = {
        start: () => {
          done();
          resolve();
        },
      };
      const drop = (error: Error): void => {
        done();
        const list = this.waiting.get(asker) ?? [];
        const left = list.filter((w) => w !== entry);
        if (left.length === list.length) return;
        this.count--;
        if (left.length === 0) this.waiting.delete(asker);
        else this.waiting.set(asker, left);
        reject(error);
      };
      const leave = (): void => drop(gone());
      const timer = setTimeout(
        () =>
          drop(
            new ProblemError(
              503,
              `It has waited ${Math.round(this.patience / 1000)} s for its turn and was not begun; try again in a moment.`,
            ),
          ),
        this.patience,
      );
      signal?.addEventListener('abort', leave, { once: true });
      this.waiting.set(asker, [...own, entry]);
      this.count++;
    });
  }

  /** Gives a free place to the asker whose turn it is. */
  private next(): void {
    if (this.free === 0) return;
    const [first] = this.waiting;
    if (!first) return;
    const [asker, [entry, ...left]] = first;
    // Behind all others for the next turn.
    this.waiting.delete(asker);
    if (left.length > 0) this.waiting.set(asker, left);
    this.count--;
    this.free--;
    entry!.start();
  }
}

const gone = (): ProblemError => new ProblemError(503, 'The caller hung up; the computation was ended.');
