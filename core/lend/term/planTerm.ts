import type { SolveLp } from '../../price/purchase.ts';
import { byShare, placed } from './placeTerm.ts';
import { byKind, columnsOf, poolsOf, levelPoints, programOf, type Column } from './termProgram.ts';
import {
  placeKey,
  placePoints,
  pointsOf,
  servedPoints,
  termStarts,
  type TermBorrower,
  type TermEntry,
  type TermProblem,
} from './termProblem.ts';

/** A plan with how good it is: `points` of at most `bound`; proved where no other plan has more. */
export interface TermPlan {
  readonly entries: readonly TermEntry[];
  readonly points: number;
  readonly bound: number;
  readonly isProved: boolean;
}

/** With more columns than this the whole program is not tried: it did not end in ten seconds. */
const LARGE = 4000;

/**
 * Who gets which kit in which week, as an integer program: a column says that a family gets a kind of kit at a change of
 * hands. Each family has one at a time and no design twice or again; who reserved a kind has it first; of each kind no more are out, being cleaned or at rest
 * than there are by then. More kits for whoever has fewest come first (a concave sum, so that it needs no whole numbers),
 * then what each is worth to whom. Kits of a kind are alike: which one is told apart afterwards, which always comes out,
 * since those there are never get fewer (colouring of intervals). Points are whole: a bound within less than one is a proof.
 * Where the solver comes to none in its time, or would not, the program without whole numbers gives the bound; the plan is
 * the best of what its answer takes at all, in whole numbers.
 *
 * @param kept entries set by hand, or lent already: they stay, and everything else is planned round them
 */
export function planTerm(problem: TermProblem, kept: readonly TermEntry[], solve: SolveLp): TermPlan {
  const { shape, kits, borrowers } = problem;
  const starts = termStarts(shape);
  const byId = new Map(kits.map((k) => [k.kitId, k]));
  const pools = poolsOf(kits, byKind);
  const held = kept.filter(
    (e) =>
      byId.has(e.kitId) &&
      borrowers.some((b) => b.id === e.borrowerId) &&
      problem.settled?.get(placeKey(e)) !== 'missed',
  );
  const columns = columnsOf(problem, pools, held);
  const model = (of: readonly Column[], whole: boolean): string =>
    programOf(problem, pools, of, held, byKind, whole);
  const plan = (chosen: readonly Column[]): TermEntry[] => placed(problem, pools, chosen, held, byKind);
  const worth = (entries: readonly TermEntry[]): number => pointsOf(problem, entries);
  if (columns.length === 0) {
    const entries = plan([]);
    return { entries, points: worth(entries), bound: worth(entries), isProved: true };
  }
  const whole = columns.length > LARGE ? null : solve(model(columns, true));
  if (whole?.status === 'optimal') {
    const entries = plan(columns.filter((_, i) => (whole.values[`x${i}`] ?? 0) > 0.5));
    return { entries, points: worth(entries), bound: worth(entries), isProved: true };
  }
  const relaxed = solve(model(columns, false));
  const share = (i: number): number => (relaxed.status === 'optimal' ? (relaxed.values[`x${i}`] ?? 0) : 0);
  // Whole numbers among what the relaxed answer takes at all come out soon, and near to it.
  const few = columns.filter((_, i) => share(i) > 1e-6);
  const among = few.length > 0 ? solve(model(few, true)) : null;
  const tried = [byShare(problem, pools, columns, held, byKind, share)];
  if (among && among.status !== 'infeasible' && among.values) {
    const { values } = among;
    tried.push(few.filter((_, i) => (values[`x${i}`] ?? 0) > 0.5));
  }
  const entries = tried
    .map((chosen) => plan(chosen))
    .reduce((best, next) => (worth(next) > worth(best) ? next : best));
  const points = worth(entries);
  const bound =
    relaxed.status === 'optimal'
      ? Math.floor(
          columns.reduce((n, _, i) => n + share(i) * columns[i]!.points, 0) +
            Object.entries(relaxed.values).reduce(
              (n, [name, v]) => n + (name.startsWith('y') ? v * levelPoints(name, starts.length) : 0),
              0,
            ) +
            keptPoints(problem, held) +
            1e-6,
        )
      : borrowers.reduce((n, b) => n + mostFor(b, starts.length), 0);
  return { entries, points, bound: Math.max(points, bound), isProved: points >= bound };
}

/** What kept entries are worth besides how many a family has. */
function keptPoints(problem: TermProblem, held: readonly TermEntry[]): number {
  const counted = new Map<number, number>();
  for (const e of held) counted.set(e.borrowerId, (counted.get(e.borrowerId) ?? 0) + 1);
  const rounds = termStarts(problem.shape).length;
  let served = 0;
  for (const n of counted.values()) for (let i = 1; i <= n; i++) served += servedPoints(rounds, i);
  return pointsOf(problem, held) - served;
}

/** More than a family could have: the best kit at every change of hands, at its best place. */
function mostFor(b: TermBorrower, rounds: number): number {
  const best = Math.max(
    0,
    ...[...b.worth.values()].map(
      (w) => w.points + Math.max(placePoints(w, 0, rounds), placePoints(w, rounds - 1, rounds)),
    ),
  );
  return Array.from({ length: rounds }, (_, i) => servedPoints(rounds, i + 1) + best).reduce(
    (a, c) => a + c,
    0,
  );
}
