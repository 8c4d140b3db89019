/** Wrong guesses that are let through before each has to wait. */
const FREE = 5;
const LONGEST = 15 * 60_000;
/** Forgotten after this, ms. */
const FORGOTTEN = 60 * 60_000;
const MOST_KEYS = 10_000;

interface Tries {
  wrong: number;
  last: number;
}

/** Guessing made slow: after five wrong ones each costs twice the wait of the one before, by name and by address. */
export class Throttle {
  private readonly tries = new Map<string, Tries>();
  private readonly now: () => number;

  constructor(now: () => number = Date.now) {
    this.now = now;
  }

  /** How long the next try has to wait, ms; 0 where it need not. */
  wait(keys: readonly string[]): number {
    const now = this.now();
    return Math.max(
      0,
      ...keys.map((key) => {
        const t = this.tries.get(key);
        if (!t || t.wrong < FREE || now - t.last > FORGOTTEN) return 0;
        return t.last + Math.min(LONGEST, 1000 * 2 ** (t.wrong - FREE)) - now;
      }),
    );
  }

  wrong(keys: readonly string[]): void {
    const now = this.now();
    for (const key of keys) {
      const before = this.tries.get(key);
      const wrong = before && now - before.last <= FORGOTTEN ? before.wrong + 1 : 1;
      this.tries.delete(key);
      this.tries.set(key, { wrong, last: now });
    }
    // The oldest go first: filling the list up must not make the newest forgotten.
    while (this.tries.size > MOST_KEYS) this.tries.delete(this.tries.keys().next().value!);
  }

  right(keys: readonly string[]): void {
    for (const key of keys) this.tries.delete(key);
  }
}
