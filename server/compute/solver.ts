import loadHighs from 'highs';
import type { SolveLp } from '../../core/price/purchase.ts';

/** HiGHS in this thread; it blocks while it solves, so the server keeps it in a worker. Loaded at the first call. */
export function makeSolver(): { ready: () => Promise<void>; solve: (seconds: number) => SolveLp } {
  let highs: Awaited<ReturnType<typeof loadHighs>> | null = null;
  const ready = async (): Promise<void> => {
    highs ??= await loadHighs();
  };
  const solve =
    (seconds: number): SolveLp =>
    (lp) => {
      if (!highs) return { status: 'unproved' };
      try {
        const found = highs.solve(lp, {
          mip_rel_gap: 0,
          mip_abs_gap: 0.99,
          mip_feasibility_tolerance: 1e-9,
          time_limit: seconds,
          output_flag: false,
        });
        const values = Object.fromEntries(
          Object.entries(found.Columns as Record<string, { Primal?: number }>).map(([k, c]) => [
            k,
            c.Primal ?? 0,
          ]),
        );
        if (found.Status === 'Optimal') return { status: 'optimal', values };
        if (found.Status === 'Infeasible') return { status: 'infeasible' };
        return found.Status === 'Time limit reached'
          ? { status: 'unproved', values }
          : { status: 'unproved' };
      } catch {
        // The module's memory cannot be trusted after an abort: the next job loads it anew.
        highs = null;
        return { status: 'unproved' };
      }
    };
  return { ready, solve };
}
