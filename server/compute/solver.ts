import loadHighs from 'highs';
import type { SolveLp } from '../../core/price/purchase.ts';

/** HiGHS in this thread; it blocks while it solves, so the server keeps it in a worker. */
export async function makeSolver(seconds: number): Promise<SolveLp> {
  let highs = await loadHighs();
  let broken = false;
  const solve: SolveLp = (lp) => {
    if (broken) return { status: 'unproved' };
    try {
      const found = highs.solve(lp, {
        mip_rel_gap: 0,
        mip_abs_gap: 0.99,
        mip_feasibility_tolerance: 1e-9,
        time_limit: seconds,
        output_flag: false,
      });
      if (found.Status === 'Optimal')
        return {
          status: 'optimal',
          values: Object.fromEntries(
            Object.entries(found.Columns as Record<string, { Primal: number }>).map(([k, c]) => [
              k,
              c.Primal,
            ]),
          ),
        };
      return found.Status === 'Infeasible' ? { status: 'infeasible' } : { status: 'unproved' };
    } catch {
      // The module's memory cannot be trusted after an abort: load it anew for the next one.
      broken = true;
      void loadHighs().then((h) => {
        highs = h;
        broken = false;
      });
      return { status: 'unproved' };
    }
  };
  return solve;
}
