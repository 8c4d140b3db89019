import { z } from 'zod';
import { PatternError } from '../patterns/kernel.ts';
import { UnprovedError, type SolveLp } from '../price/purchase.ts';
import { fewestBins } from './fewest.ts';

/** A length that is cut or cut from, mm: a board, a roll of paper, a reel. */
export const length = z
  .number({ error: 'expected a length in mm' })
  .min(0.01, 'must be at least 0.01 mm')
  .max(1_000_000, 'must be at most 1,000,000 mm');
const count = z
  .number({ error: 'expected a number' })
  .int('expected a whole number')
  .min(0, 'must not be negative')
  .max(100_000, 'must be at most 100,000');
export const cutLengthsRequest = z.strictObject({
  /** Stock lengths, mm, and how many there are; any number where nothing is said. */
  stock: z
    .array(z.strictObject({ length, available: count.optional() }), {
      error: 'expected a list of lengths',
    })
    .min(1, 'expected at least one stock length')
    .max(20, 'may have at most 20 stock lengths'),
  parts: z
    .array(z.strictObject({ length, count }), { error: 'expected a list of parts' })
    .min(1, 'expected at least one part')
    .max(60, 'may have at most 60 lengths'),
  /** What a saw or scissors take, mm: between two parts, or after every part too. */
  loss: z
    .number({ error: 'expected mm' })
    .min(0, 'must not be negative')
    .max(1000, 'must be at most 1,000 mm'),
  lossAfterEvery: z.boolean({ error: 'expected true or false' }).optional(),
  /** Fewest stock pieces first, or least length of stock. */
  aim: z.enum(['count', 'length'], { error: 'expected count or length' }).optional(),
});
export type CutLengthsRequest = z.infer<typeof cutLengthsRequest>;

interface LengthPlan {
  /** Length of the stock piece, mm. */
  readonly stock: number;
  readonly times: number;
  readonly cuts: readonly { readonly length: number; readonly count: number }[];
}
export interface CutLengthsAnswer {
  readonly status: 'optimal';
  readonly count: number;
  /** Length of stock taken, mm. */
  readonly total: number;
  readonly plans: readonly LengthPlan[];
  /** What is left of each, longest first, mm. */
  readonly offcuts: readonly { readonly length: number; readonly count: number }[];
}

const EPS = 1e-7;
/** More ways to cut than this are not listed; the question is too large to be proved. */
const MOST_PATTERNS = 40_000;

/** So many parts at most are put into stock lengths one by one; more are asked of the integer program. */
const ONE_BY_ONE = 400;

/** The fewest of one stock length, where the search for them is a proof; null where it is none. */
function provedWays(
  parts: readonly { length: number; count: number }[],
  { stock, room, loss }: { stock: number; room: number; loss: number },
): Way[] | null {
  if (parts.reduce((n, p) => n + p.count, 0) > ONE_BY_ONE) return null;
  const kinds = parts.flatMap((p, k) => Array.from({ length: p.count }, () => k));
  const { bins, isLeast } = fewestBins(
    kinds.map((k) => parts[k]!.length + loss),
    room,
  );
  if (!isLeast) return null;
  return bins.map((bin) => ({
    stock,
    counts: parts.map((_, k) => bin.filter((i) => kinds[i] === k).length),
  }));
}

interface Way {
  readonly stock: number;
  readonly counts: readonly number[];
}

/**
 * Every way to cut one stock piece into which no further part goes: a longest-first walk. `room` is the stock with one
 * loss more where none is lost after the last part.
 */
function waysOf(
  stock: number,
  room: number,
  parts: readonly { length: number; count: number }[],
  loss: number,
  out: Way[],
): void {
  const counts = parts.map(() => 0);
  const least = Math.min(...parts.filter((p) => p.count > 0).map((p) => p.length + loss));
  const walk = (at: number, left: number): void => {
    if (at === parts.length) {
      // A way that leaves room for a part that is wanted is never better than the one that takes it.
      const more = parts.some((p, i) => counts[i]! < p.count && p.length + loss <= left + EPS);
      if (!more && counts.some((c) => c > 0)) {
        if (out.length >= MOST_PATTERNS)
          throw new UnprovedError(
            `there are more than ${MOST_PATTERNS.toLocaleString('en')} ways to cut one piece; expected fewer different lengths`,
          );
        out.push({ stock, counts: [...counts] });
      }
      return;
    }
    const p = parts[at]!;
    const most = Math.min(p.count, Math.floor((left + EPS) / (p.length + loss)));
    for (let n = most; n >= 0; n--) {
      counts[at] = n;
      walk(at + 1, left - n * (p.length + loss));
    }
    counts[at] = 0;
  };
  if (room + EPS >= least) walk(0, room);
}

/**
 * Parts cut from stock lengths, proven: fewest stock pieces and then least length (`aim: "count"`), or least length. From
 * one stock length by the search that Make goes by; from several, and where that search proves nothing, by an integer
 * program over all ways to cut one piece (Gilmore and Gomory 1961, the ways listed rather than generated).
 *
 * @param request lengths in mm
 * @throws PatternError when a part is longer than every stock piece or there is too little stock; UnprovedError when it
 *   could not be proved
 */
export function cutLengths(request: CutLengthsRequest, solve: SolveLp): CutLengthsAnswer {
  const { loss } = request;
  // Equal lengths are one part, longest first.
  const wanted = new Map<number, number>();
  for (const p of request.parts) if (p.count > 0) wanted.set(p.length, (wanted.get(p.length) ?? 0) + p.count);
  const parts = [...wanted].map(([length, n]) => ({ length, count: n })).sort((a, b) => b.length - a.length);
  if (parts.length === 0) return { status: 'optimal', count: 0, total: 0, plans: [], offcuts: [] };
  const end = request.lossAfterEvery ? 0 : loss;
  const longest = Math.max(...request.stock.map((s) => s.length));
  if (parts[0]!.length + (request.lossAfterEvery ? loss : 0) > longest + EPS)
    throw new PatternError(
      `parts.${request.parts.findIndex((p) => p.length === parts[0]!.length)}.length`,
      `${parts[0]!.length} mm is longer than the longest stock, ${longest} mm`,
    );
  const ways: Way[] = [];
  const stocks = new Map<number, number>();
  for (const s of request.stock)
    stocks.set(s.length, (stocks.get(s.length) ?? 0) + (s.available ?? Infinity));
  const [[only, most]] = [...stocks] as [[number, number]];
  if (stocks.size === 1) {
    const proved = provedWays(parts, { stock: only, room: only + end, loss });
    if (proved && proved.length <= most)
      return answerOf(
        parts,
        proved,
        proved.map(() => 1),
        { loss, lossAfterEvery: request.lossAfterEvery ?? false },
      );
  }
  for (const length of stocks.keys()) waysOf(length, length + end, parts, loss, ways);
  const x = (i: number): string => `x${i}`;
  const covers = parts.map(
    (p, k) =>
      ` c${k}: ${ways.flatMap((w, i) => (w.counts[k]! > 0 ? [`${w.counts[k]} ${x(i)}`] : [])).join(' + ')} >= ${p.count}`,
  );
  const limits = [...stocks].flatMap(([length, there], k) => {
    const own = ways.flatMap((w, i) => (w.stock === length ? [x(i)] : []));
    return Number.isFinite(there) && own.length > 0 ? [` s${k}: ${own.join(' + ')} <= ${there}`] : [];
  });
  const program = (goal: string, more: readonly string[]): string =>
    [
      'Minimize',
      ` goal: ${goal}`,
      'Subject To',
      ...covers,
      ...limits,
      ...more,
      'General',
      ` ${ways.map((_, i) => x(i)).join(' ')}`,
      'End',
    ].join('\n');
  const run = (goal: string, more: readonly string[] = []): number[] => {
    const found = solve(program(goal, more));
    if (found.status === 'infeasible')
      throw new PatternError('stock', 'there is too little stock for all the parts; expected more of it');
    if (found.status !== 'optimal') throw new UnprovedError('the least could not be proved in time');
    return ways.map((_, i) => Math.round(found.values[x(i)] ?? 0));
  };
  const one = ways.map((_, i) => x(i)).join(' + ');
  // Hundredths of a millimetre, so that a proof within one is a proof.
  const long = ways.map((w, i) => `${Math.round(w.stock * 100)} ${x(i)}`).join(' + ');
  const aim = request.aim ?? 'count';
  let times = run(aim === 'count' ? one : long);
  if (aim === 'count' && stocks.size > 1) {
    const n = times.reduce((a, b) => a + b, 0);
    times = run(long, [` n: ${one} = ${n}`]);
  }
  return answerOf(parts, ways, times, { loss, lossAfterEvery: request.lossAfterEvery ?? false });
}

/** The plans as they are cut, without what would be cut over the number wanted. */
function answerOf(
  parts: readonly { length: number; count: number }[],
  ways: readonly Way[],
  times: readonly number[],
  { loss, lossAfterEvery }: { loss: number; lossAfterEvery: boolean },
): CutLengthsAnswer {
  const over = parts.map((p, k) => ways.reduce((n, w, i) => n + w.counts[k]! * times[i]!, 0) - p.count);
  const plans = new Map<string, { stock: number; counts: number[]; times: number }>();
  ways.forEach((w, i) => {
    for (let t = 0; t < times[i]!; t++) {
      const counts = w.counts.map((c, k) => {
        const less = Math.min(c, Math.max(0, over[k]!));
        over[k]! -= less;
        return c - less;
      });
      const key = JSON.stringify([w.stock, counts]);
      const there = plans.get(key);
      if (there) there.times++;
      else plans.set(key, { stock: w.stock, counts, times: 1 });
    }
  });
  const offcuts = new Map<number, number>();
  const list = [...plans.values()].map((p): LengthPlan => {
    const cuts = p.counts.flatMap((count, k) => (count > 0 ? [{ length: parts[k]!.length, count }] : []));
    const n = cuts.reduce((sum, c) => sum + c.count, 0);
    const used =
      cuts.reduce((sum, c) => sum + c.length * c.count, 0) + loss * (lossAfterEvery ? n : Math.max(0, n - 1));
    // The last cut, where something is left over, costs a loss too.
    const left = p.stock - used;
    const rest = lossAfterEvery || left < EPS ? left : Math.max(0, left - loss);
    const tidy = Math.round(rest * 1e6) / 1e6;
    if (tidy > 0) offcuts.set(tidy, (offcuts.get(tidy) ?? 0) + p.times);
    return { stock: p.stock, times: p.times, cuts };
  });
  return {
    status: 'optimal',
    count: list.reduce((n, p) => n + p.times, 0),
    total: list.reduce((n, p) => n + p.times * p.stock, 0),
    plans: list,
    offcuts: [...offcuts].map(([length, n]) => ({ length, count: n })).sort((a, b) => b.length - a.length),
  };
}
