import loadHighs from 'highs';
import type { SolveLp } from './price/purchase.ts';

/** HiGHS to proof of optimum, for tests of integer programs. */
export async function loadSolver(): Promise<SolveLp> {
  const highs = await loadHighs();
  return (lp) => {
    const found = highs.solve(lp, { mip_rel_gap: 0, mip_abs_gap: 0.5, output_flag: false });
    if (found.Status === 'Optimal')
      return {
        status: 'optimal',
        values: Object.fromEntries(
          Object.entries(found.Columns as Record<string, { Primal: number }>).map(([k, c]) => [k, c.Primal]),
        ),
      };
    return { status: found.Status === 'Infeasible' ? 'infeasible' : 'unproved' };
  };
}
