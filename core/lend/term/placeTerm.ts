import { isAway, type Column, type PoolOf, type Pools } from './termProgram.ts';
import {
  firstInLine,
  freeAfter,
  placeKey,
  startDay,
  termStarts,
  type TermEntry,
  type TermProblem,
} from './termProblem.ts';

/** Columns that go together, the largest share of the relaxed answer first, then the most points. */
export function byShare(
  problem: TermProblem,
  pools: Pools,
  columns: readonly Column[],
  held: readonly TermEntry[],
  poolOf: PoolOf,
  share: (i: number) => number,
): Column[] {
  const { shape, kits } = problem;
  const starts = termStarts(shape);
  const kindOf = new Map(kits.map((k) => [k.kitId, k.kind]));
  const poolById = new Map(kits.map((k) => [k.kitId, poolOf(k)]));
  /** By pool: how many are left at each change of hands. */
  const left = new Map(
    [...pools].map(([pool, list]) => [
      pool,
      starts.map((week) => list.filter((k) => k.freeFrom <= startDay(shape, week)).length),
    ]),
  );
  const away = (pool: string, at: number): number[] =>
    starts.flatMap((_, r) => (isAway(problem, at, r, pools.get(pool)![0]!.idleDays) ? [r] : []));
  for (const e of held) {
    const pool = poolById.get(e.kitId);
    if (pool !== undefined && pools.has(pool) && !problem.settled?.has(placeKey(e)))
      for (const r of away(pool, starts.indexOf(e.week))) left.get(pool)![r]!--;
  }
  const has = new Map(
    problem.borrowers.map((b) => [b, { at: new Set<number>(), designs: new Set<number>() }]),
  );
  const chosen: Column[] = [];
  const order = columns.map((c, i) => ({ c, share: share(i) }));
  order.sort((a, b) => b.share - a.share || b.c.points - a.c.points);
  /** Whether everybody who waits for it has it by then. */
  const isServed = (c: Column): boolean =>
    firstInLine(problem.borrowers, c.kind, c.borrower).every(
      (b) =>
        chosen.some((o) => o.borrower === b && o.kind === c.kind && o.at <= c.at) ||
        held.some((e) => e.borrowerId === b.id && kindOf.get(e.kitId) === c.kind && e.week <= starts[c.at]!),
    );
  const take = (c: Column, most: number): void => {
    const own = has.get(c.borrower)!;
    if (own.at.size > most || own.at.has(c.at) || c.designs.some((d) => own.designs.has(d))) return;
    const gone = away(c.pool, c.at);
    const there = left.get(c.pool)!;
    if (gone.some((r) => there[r]! <= 0) || !isServed(c)) return;
    for (const r of gone) there[r]!--;
    own.at.add(c.at);
    for (const d of c.designs) own.designs.add(d);
    chosen.push(c);
  };
  for (const { c, share: s } of order) if (s > 0.5) take(c, starts.length);
  // Whoever has fewest comes first.
  for (let most = 0; most < starts.length; most++) for (const { c } of order) take(c, most);
  return chosen;
}

/** Which kit of its pool each one is: in the order they go out, the first that is free. */
export function placed(
  problem: TermProblem,
  pools: Pools,
  chosen: readonly Column[],
  held: readonly TermEntry[],
  poolOf: PoolOf,
): TermEntry[] {
  const { shape, kits } = problem;
  const starts = termStarts(shape);
  const poolById = new Map(kits.map((k) => [k.kitId, poolOf(k)]));
  const wanted = [
    ...held.map((e) => ({ ...e, pool: poolById.get(e.kitId) ?? '' })),
    ...chosen.map((c) => ({
      borrowerId: c.borrower.id,
      week: starts[c.at]!,
      pool: c.pool,
      kitId: null,
      kept: false,
    })),
  ].sort((a, b) => a.week - b.week || Number(b.kept) - Number(a.kept) || a.borrowerId - b.borrowerId);
  const free = new Map([...pools.values()].flat().map((k) => [k.kitId, k.freeFrom]));
  return wanted.map(({ pool, kitId, ...e }) => {
    const { week } = e;
    if (problem.settled?.has(placeKey(e))) return { ...e, kitId: kitId! };
    const day = startDay(shape, week);
    const list = pools.get(pool) ?? [];
    const open = list.filter((k) => free.get(k.kitId)! <= day);
    const kit = open.find((k) => k.kitId === kitId) ?? open[0] ?? list[0];
    const id = open.length > 0 ? kit!.kitId : (kitId ?? kit!.kitId);
    if (kit && open.length > 0) free.set(id, freeAfter(shape, week, kit.idleDays));
    return { ...e, kitId: id };
  });
}
