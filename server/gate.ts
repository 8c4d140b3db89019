/** How long those who are answered already may go on before a file is exchanged under them, ms. */
const PATIENCE = 1500;

/** Who is being answered, and whether others may come in: while a file is exchanged they wait before the door. */
export class Gate {
  private inside = 0;
  private shut: Promise<void> | null = null;
  private readonly emptied = new Set<() => void>();

  /** Lets somebody in, once it is open; what comes back is called when they were answered. */
  async enter(): Promise<() => void> {
    while (this.shut) await this.shut;
    this.inside++;
    let isGone = false;
    return () => {
      if (isGone) return;
      isGone = true;
      this.inside--;
      for (const told of this.emptied) told();
    };
  }

  /**
   * Shuts, lets those inside end for a while, runs something and opens again, whatever came of it.
   *
   * @param own how many of those inside wait for this themselves
   */
  async whileShut<T>(own: number, work: () => Promise<T>): Promise<T> {
    while (this.shut) await this.shut;
    let open = (): void => {};
    this.shut = new Promise((go) => (open = go));
    try {
      await this.empty(own);
      return await work();
    } finally {
      this.shut = null;
      open();
    }
  }

  private empty(own: number): Promise<void> {
    if (this.inside <= own) return Promise.resolve();
    return new Promise((resolve) => {
      const done = (): void => {
        clearTimeout(timer);
        this.emptied.delete(told);
        resolve();
      };
      const told = (): void => {
        if (this.inside <= own) done();
      };
      const timer = setTimeout(done, PATIENCE);
      this.emptied.add(told);
    });
  }
}
