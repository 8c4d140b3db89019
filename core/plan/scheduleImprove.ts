import { EPS, type Found, type Problem } from './scheduleProblem.ts';

/** What a plan is tried in: its orders read as plans. */
interface Improvable {
  readonly p: Problem;
  decode(sequence: readonly number[], maker: readonly number[]): Found | null;
  quick(sequence: readonly number[], maker: readonly number[]): { end: number; uneven: number } | null;
}

/** Tries other makers and other orders of a plan, and begins again from the best after a while without gain. */
export function improved(search: Improvable, plan: Found, bound: number, late: () => boolean): Found {
  const { p } = search;
  const active = p.order.filter((i) => p.active[i]);
  if (active.length < 2) return plan;
  // A fixed seed: the same batch gets the same plan.
  let seed = 12345;
  const random = (n: number): number => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return Math.floor((seed / 2147483648) * n);
  };
  interface Tried {
    readonly sequence: readonly number[];
    readonly maker: readonly number[];
    readonly end: number;
    readonly uneven: number;
  }
  const sequence = [...active].sort((a, b) => plan.start[a]! - plan.start[b]!);
  let now: Tried = { sequence, maker: plan.maker, end: plan.end, uneven: Infinity };
  let best = now;
  let idle = 0;
  for (let round = 0; best.end > bound + EPS; round++) {
    if (round % 64 === 0 && late()) break;
    const order = [...now.sequence];
    const makers = [...now.maker];
    for (let k = 0; k <= (idle > 400 ? 3 : 0); k++) {
      const [a, b] = [random(order.length), random(order.length)];
      const kind = random(3);
      if (kind === 0) order.splice(b, 0, ...order.splice(a, 1));
      else if (kind === 1) makers[order[a]!] = random(p.hands.length);
      else {
        const [x, y] = [order[a]!, order[b]!];
        [makers[x], makers[y]] = [makers[y]!, makers[x]!];
      }
    }
    const found = search.quick(order, makers);
    idle++;
    if (!found || found.end > now.end + (idle > 400 ? 1e9 : EPS)) continue;
    if (idle <= 400 && found.end > now.end - EPS && found.uneven > now.uneven + EPS) continue;
    now = { sequence: order, maker: makers, ...found };
    if (now.end < best.end - EPS) {
      best = now;
      idle = 0;
    } else if (idle > 400) idle = 0;
  }
  return (best.end < plan.end - EPS ? search.decode(best.sequence, best.maker) : null) ?? plan;
}

/** How often a maker goes from one kind of work to another. */
function changes(p: Problem, f: Found): number {
  let n = 0;
  p.hands.forEach((_, m) => {
    const own = f.maker.flatMap((x, i) => (x === m ? [i] : [])).sort((a, b) => f.start[a]! - f.start[b]!);
    own.forEach((i, k) => {
      if (k > 0 && p.like[i] !== p.like[own[k - 1]!]) n++;
    });
  });
  return n;
}

/** Like work together, as far as it costs no time: one task after another is tried at every place of the order. */
export function together(search: Improvable, plan: Found, late: () => boolean): Found {
  const { p } = search;
  if (p.like.every((l) => l === null)) return plan;
  let best = plan;
  let [fewest, isBetter] = [changes(p, plan), true];
  while (isBetter && !late()) {
    isBetter = false;
    const sequence = p.minutes
      .map((_, i) => i)
      .filter((i) => p.active[i])
      .sort((a, b) => best.start[a]! - best.start[b]! || p.order.indexOf(a) - p.order.indexOf(b));
    for (let a = 0; a < sequence.length && !isBetter; a++)
      for (let b = 0; b < sequence.length && !isBetter && !late(); b++) {
        if (a === b) continue;
        const moved = [...sequence];
        moved.splice(b, 0, ...moved.splice(a, 1));
        const found = search.decode(moved, best.maker);
        if (!found || found.end > plan.end + EPS) continue;
        const n = changes(p, found);
        if (n >= fewest) continue;
        [best, fewest, isBetter] = [found, n, true];
      }
  }
  return best;
}
