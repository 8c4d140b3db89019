import type { SolveLp } from '../../price/purchase.ts';
import { checkTerm } from './checkTerm.ts';
import { placed } from './placeTerm.ts';
import { byKit, columnsOf, poolsOf, programOf, type Column } from './termProgram.ts';
import {
  firstInLine,
  freeAfter,
  placeKey,
  startDay,
  termStarts,
  type TermEntry,
  type TermProblem,
} from './termProblem.ts';

/** A place of a plan whose kit is another than before; null for none. */
export interface TermChange {
  readonly borrowerId: number;
  readonly week: number;
  readonly before: number | null;
  readonly after: number | null;
}

/** What differs between two plans, by week. */
export function changesOf(before: readonly TermEntry[], after: readonly TermEntry[]): TermChange[] {
  const was = new Map(before.map((e) => [placeKey(e), e]));
  const is = new Map(after.map((e) => [placeKey(e), e]));
  return [...new Map([...was, ...is]).values()]
    .map((e) => ({
      borrowerId: e.borrowerId,
      week: e.week,
      before: was.get(placeKey(e))?.kitId ?? null,
      after: is.get(placeKey(e))?.kitId ?? null,
    }))
    .filter((c) => c.before !== c.after)
    .sort((a, b) => a.week - b.week || a.borrowerId - b.borrowerId);
}

/** A plan that was mended; `isLeast` where it is proved that no plan without a fault differs in fewer loans. */
export interface MendedTerm {
  readonly entries: readonly TermEntry[];
  readonly isLeast: boolean;
}

/**
 * The plan without faults that differs in the fewest loans from the one on paper, and among those the one of most points.
 *
 * Only loans with a fault, and those that they are in the way of, can be worth a change: giving back any other leaves a plan
 * without a fault that differs in one less. Those are left open, kit by kit since a slip names the kit, and two programs are
 * solved: the most loans that stay as they are, then the most points with so many. An empty place stays empty, unless filling
 * it serves somebody who reserved first.
 *
 * What was set by hand, was lent, or is past stays, with its fault if it has one.
 */
export function mendTerm(problem: TermProblem, before: readonly TermEntry[], solve: SolveLp): MendedTerm {
  const { settled } = problem;
  const isFixed = (e: TermEntry): boolean => e.kept || settled?.has(placeKey(e)) === true;
  const open = openPlaces(problem, before, isFixed);
  const past = before.filter((e) => settled?.get(placeKey(e)) === 'missed');
  const known = new Set(problem.kits.map((k) => k.kitId));
  const stays = before.filter((e) => !open.has(placeKey(e)) && !past.includes(e));
  const held = stays.filter((e) => known.has(e.kitId));
  const others = stays.filter((e) => !known.has(e.kitId));
  const pools = poolsOf(problem.kits, byKit);
  const was = new Map(before.map((e) => [placeKey(e), e.kitId]));
  const starts = termStarts(problem.shape);
  const keyOf = (c: Column): string => placeKey({ borrowerId: c.borrower.id, week: starts[c.at]! });
  const kitOf = (c: Column): number => pools.get(c.pool)![0]!.kitId;
  const columns = columnsOf(problem, pools, held).filter((c) => open.has(keyOf(c)));
  /** One for a loan that stays, one less for a place that was empty. */
  const stayed = (c: Column): number => {
    const kit = was.get(keyOf(c));
    return kit === undefined ? -1 : kit === kitOf(c) ? 1 : 0;
  };
  const done = (chosen: readonly Column[]): TermEntry[] => [
    ...past,
    ...others,
    ...placed(problem, pools, chosen, held, byKit),
  ];
  if (columns.length === 0) return { entries: done([]), isLeast: true };
  const taken = (values: Readonly<Record<string, number>>): Column[] =>
    columns.filter((_, i) => (values[`x${i}`] ?? 0) > 0.5);
  const most = solve(programOf(problem, pools, columns, held, byKit, true, { count: stayed }));
  if (most.status === 'optimal') {
    const least = taken(most.values).reduce((n, c) => n + stayed(c), 0);
    const best = solve(programOf(problem, pools, columns, held, byKit, true, { atLeast: least, of: stayed }));
    const chosen = best.status === 'optimal' ? taken(best.values) : taken(most.values);
    return { entries: done(chosen), isLeast: true };
  }
  // Without an answer what has a fault is left out until nothing has.
  let left: readonly TermEntry[] = before;
  for (;;) {
    const faults = checkTerm(problem, left);
    const next = left.filter((e) => isFixed(e) || !faults.has(e));
    if (next.length === left.length) return { entries: left, isLeast: false };
    left = next;
  }
}

/** Places that may change: loans with a fault, whatever each of them is in the way of, and those who are first in line. */
function openPlaces(
  problem: TermProblem,
  before: readonly TermEntry[],
  isFixed: (e: TermEntry) => boolean,
): Set<string> {
  const { shape, kits, borrowers } = problem;
  const byId = new Map(kits.map((k) => [k.kitId, k]));
  const open = new Set<string>();
  const starts = termStarts(shape);
  for (const e of checkTerm(problem, before).keys()) {
    const kit = byId.get(e.kitId);
    const family = borrowers.find((b) => b.id === e.borrowerId);
    const line = kit && family ? firstInLine(borrowers, kit.kind, family) : [];
    for (const o of before) {
      const other = byId.get(o.kitId);
      const isSame = o.kitId === e.kitId && kit !== undefined && overlaps(o.week, e.week, kit.idleDays);
      const isTwice = o.borrowerId === e.borrowerId && other?.designs.some((d) => kit?.designs.includes(d));
      const isInLine = line.length > 0 && other?.kind === kit?.kind;
      if (o === e || isSame || isTwice || isInLine) open.add(placeKey(o));
    }
    for (const first of line) for (const week of starts) open.add(placeKey({ borrowerId: first.id, week }));
  }
  function overlaps(a: number, b: number, idleDays: number): boolean {
    return freeAfter(shape, Math.min(a, b), idleDays) > startDay(shape, Math.max(a, b));
  }
  for (const e of before) if (isFixed(e)) open.delete(placeKey(e));
  return open;
}
