import {
  firstInLine,
  freeAfter,
  isNotNew,
  placeKey,
  placePoints,
  servedPoints,
  startDay,
  termStarts,
  type TermBorrower,
  type TermEntry,
  type TermKit,
  type TermProblem,
} from './termProblem.ts';

/** One possible loan: a column of the program. */
export interface Column {
  readonly borrower: TermBorrower;
  readonly kind: string;
  /** Kits that are taken for alike: those of the kind, or one of them. */
  readonly pool: string;
  /** Which change of hands. */
  readonly at: number;
  readonly points: number;
  readonly designs: readonly number[];
}

/** What a kit is taken for in a program: any of its kind, or itself. */
export type PoolOf = (kit: Pick<TermKit, 'kind' | 'kitId'>) => string;
export const byKind: PoolOf = (kit) => kit.kind;
export const byKit: PoolOf = (kit) => `kit ${kit.kitId}`;

/** Kits by what they are taken for: those that can be lent, those that are free first in front. */
export type Pools = ReadonlyMap<string, readonly TermKit[]>;
export function poolsOf(kits: readonly TermKit[], poolOf: PoolOf): Pools {
  const pools = new Map<string, TermKit[]>();
  for (const k of kits) if (k.notLent === null) pools.set(poolOf(k), [...(pools.get(poolOf(k)) ?? []), k]);
  for (const list of pools.values())
    list.sort((a, b) => (a.freeFrom < b.freeFrom ? -1 : a.freeFrom > b.freeFrom ? 1 : a.kitId - b.kitId));
  return pools;
}

/** Every loan that is possible at all, besides those that are kept. */
export function columnsOf(
  { shape, borrowers }: TermProblem,
  pools: Pools,
  held: readonly TermEntry[],
): Column[] {
  const starts = termStarts(shape);
  const byId = new Map([...pools.values()].flat().map((k) => [k.kitId, k]));
  const columns: Column[] = [];
  for (const borrower of borrowers) {
    const own = held.filter((e) => e.borrowerId === borrower.id);
    const taken = new Set(own.map((e) => e.week));
    const planned = new Set(own.flatMap((e) => byId.get(e.kitId)?.designs ?? []));
    for (const [pool, list] of pools) {
      const { designs, kind } = list[0]!;
      const worth = borrower.worth.get(kind);
      if (!worth || borrower.against.has(kind) || isNotNew({ kind, designs }, borrower)) continue;
      if (designs.some((d) => planned.has(d))) continue;
      starts.forEach((week, at) => {
        if (taken.has(week) || list[0]!.freeFrom > startDay(shape, week)) return;
        columns.push({
          borrower,
          kind,
          pool,
          at,
          designs,
          points: worth.points + placePoints(worth, at, starts.length),
        });
      });
    }
  }
  return columns;
}

/** Points of a level's column, by its name: `y3_2` is the second kit of the fourth family. */
export const levelPoints = (name: string, rounds: number): number =>
  servedPoints(rounds, Number(name.split('_')[1]));

/** Whether a kit that goes out at change `s` is not yet free again at change `r`. */
export function isAway(problem: TermProblem, s: number, r: number, idleDays: number): boolean {
  const starts = termStarts(problem.shape);
  return s <= r && freeAfter(problem.shape, starts[s]!, idleDays) > startDay(problem.shape, starts[r]!);
}

/** What is best instead of the points, or what the points are held to: a figure of each column, in sum. */
export type Instead =
  | { readonly count: (c: Column) => number }
  | { readonly atLeast: number; readonly of: (c: Column) => number };

const terms = (list: readonly (readonly [number, string])[]): string =>
  list.map(([n, x], i) => `${n < 0 ? '- ' : i > 0 ? '+ ' : ''}${Math.abs(n)} ${x}`).join(' ');

/** The program as CPLEX LP text, of some columns, with whole numbers or without. */
export function programOf(
  problem: TermProblem,
  pools: Pools,
  columns: readonly Column[],
  held: readonly TermEntry[],
  poolOf: PoolOf,
  whole: boolean,
  instead?: Instead,
): string {
  const { shape, borrowers, kits } = problem;
  const starts = termStarts(shape);
  const rounds = starts.length;
  const kindOf = new Map(kits.map((k) => [k.kitId, k.kind]));
  const isFirst = (e: TermEntry, first: TermBorrower, c: Column): boolean =>
    e.borrowerId === first.id && kindOf.get(e.kitId) === c.kind && e.week <= starts[c.at]!;
  const sum = (list: readonly number[]): string => list.map((i) => `x${i}`).join(' + ');
  const all = columns.map((_, i) => i);
  const rows: string[] = [];
  const levels: string[] = [];
  borrowers.forEach((b, k) => {
    const own = all.filter((i) => columns[i]!.borrower === b);
    if (own.length === 0) return;
    for (let at = 0; at < rounds; at++) {
      const here = own.filter((i) => columns[i]!.at === at);
      if (here.length > 1) rows.push(` w${k}_${at}: ${sum(here)} <= 1`);
    }
    for (const d of new Set(own.flatMap((i) => columns[i]!.designs))) {
      const here = own.filter((i) => columns[i]!.designs.includes(d));
      if (here.length > 1) rows.push(` d${k}_${d}: ${sum(here)} <= 1`);
    }
    const before = held.filter((e) => e.borrowerId === b.id).length;
    const ys = Array.from({ length: Math.max(1, rounds) }, (_, g) => `y${k}_${g + 1}`);
    levels.push(...ys);
    rows.push(` l${k}: ${ys.join(' + ')} - ${own.map((i) => `x${i}`).join(' - ')} = ${before}`);
  });
  [...pools].forEach(([pool, list], k) => {
    const { idleDays } = list[0]!;
    const own = new Set(kits.filter((c) => poolOf(c) === pool).map((c) => c.kitId));
    for (let r = 0; r < rounds; r++) {
      const out = all.filter(
        (i) => columns[i]!.pool === pool && isAway(problem, columns[i]!.at, r, idleDays),
      );
      const there = list.filter((c) => c.freeFrom <= startDay(shape, starts[r]!)).length;
      // What was lent is out, or back, in the state of its kit already.
      const spoken = held.filter(
        (e) =>
          !problem.settled?.has(placeKey(e)) &&
          own.has(e.kitId) &&
          isAway(problem, starts.indexOf(e.week), r, idleDays),
      ).length;
      if (out.length > Math.max(0, there - spoken))
        rows.push(` k${k}_${r}: ${sum(out)} <= ${Math.max(0, there - spoken)}`);
    }
  });
  columns.forEach((c, i) => {
    for (const first of firstInLine(borrowers, c.kind, c.borrower)) {
      if (held.some((e) => isFirst(e, first, c))) continue;
      const before = all.filter(
        (j) => columns[j]!.borrower === first && columns[j]!.kind === c.kind && columns[j]!.at <= c.at,
      );
      rows.push(` f${i}_${first.id}: x${i}${before.map((j) => ` - x${j}`).join('')} <= 0`);
    }
  });
  const figures = (of: (c: Column) => number): (readonly [number, string])[] =>
    columns.map((c, i) => [of(c), `x${i}`]);
  if (instead && 'atLeast' in instead)
    rows.push(` least: ${terms(figures(instead.of))} >= ${instead.atLeast}`);
  const goal =
    instead && 'count' in instead
      ? figures(instead.count)
      : [
          ...figures((c) => c.points),
          ...levels.map((y): readonly [number, string] => [levelPoints(y, rounds), y]),
        ];
  return [
    'Maximize',
    ` goal: ${terms(goal)}`,
    'Subject To',
    ...rows,
    'Bounds',
    ...levels.map((y) => ` 0 <= ${y} <= 1`),
    ...(whole ? ['Binary', ` ${sum(all).replaceAll(' + ', ' ')}`] : all.map((i) => ` 0 <= x${i} <= 1`)),
    'End',
  ].join('\n');
}
