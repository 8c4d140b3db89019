import {
  usuallyServes,
  type AnyDials,
  type Approach,
  type BenchTool,
  type Chosen,
  type OpenPattern,
  type Role,
  type Skill,
} from '../patterns/index.ts';
import { extentsOf, shapeOf, type Material } from '../materials/material.ts';
import type { Market, PlaceRules } from '../safety/rules.ts';
import { checkFeatures } from '../safety/check.ts';
import { makeable, type KitsKnown, type Makeable } from './makeable.ts';

export interface PatternMade extends Makeable {
  readonly pattern: string;
  readonly name: string;
  /** The skill it serves first. */
  readonly skill: Skill;
  /** Material by role. */
  readonly materials: Readonly<Record<string, readonly number[]>>;
  readonly chosen: Chosen;
  readonly dials: AnyDials;
  /** What the check says to take care of, by title; nothing it says stop to is offered. */
  readonly cautions: readonly string[];
}

/** So many sets of materials are tried for a pattern, whatever the number of its roles; the fullest bins come first. */
const MOST_TRIES = 400;
const MOST_PER_ROLE = 30;
/** A piece that fails this often is left: most of what speaks against it goes with it into any container. */
const TRIES_PER_PIECE = 3;

/**
 * For a pattern, what could be started from the free stock alone: materials for each role it must have, with the dials its
 * approach begins with, most copies first, and only where the design does what it is meant to (its own fit is clear) and
 * the check says stop to nothing for the youngest. At most `most`, no two with the same material in the last such role, and
 * those of unlike materials before those that share one, so that the choice is a choice.
 *
 * @param options.ageFrom the youngest who will use it, months
 */
export function fromFreeStock(options: {
  pattern: OpenPattern;
  materials: readonly Material[];
  free: ReadonlyMap<number, number>;
  approach: Approach;
  ageFrom: number;
  market: Market;
  rules?: PlaceRules | undefined;
  most: number;
  /** What it is to practise: it begins as it does so; left out, as it usually begins. */
  skill?: Skill | undefined;
  /** Tools that are not at hand. */
  without?: readonly BenchTool[] | undefined;
}): PatternMade[] {
  const { pattern, free } = options;
  const required = pattern.roles.filter((r) => r.least > 0);
  const found = begun(options, required, {});
  // What may stay empty is filled only where nothing comes of the rest: a web wants its sticks.
  return found.length > 0
    ? found
    : begun(options, required, furnished(pattern, options.materials, free, options.ageFrom));
}

/** For roles that may stay empty and usually do not, one material each: one that it usually is made of, else the most. */
function furnished(
  pattern: OpenPattern,
  materials: readonly Material[],
  free: ReadonlyMap<number, number>,
  ageFrom: number,
): Record<string, readonly Material[]> {
  const chosen: Record<string, readonly Material[]> = {};
  const there = (m: Material): number => free.get(m.id) ?? 0;
  for (const r of pattern.roles.filter((x) => x.least === 0 && x.usual.length > 0)) {
    const isUsual = (m: Material): boolean => m.catalogue !== undefined && r.usual.includes(m.catalogue);
    const taken = Object.values(chosen).flat();
    const [first] = materials
      .filter((m) => there(m) > 0 && usuallyServes(r, m, ageFrom) && !taken.includes(m))
      .sort((a, b) => Number(isUsual(b)) - Number(isUsual(a)) || there(b) - there(a));
    if (first) chosen[r.id] = [first];
  }
  return chosen;
}

function begun(
  options: Parameters<typeof fromFreeStock>[0],
  roles: readonly Role[],
  besides: Record<string, readonly Material[]>,
): PatternMade[] {
  const { pattern, free } = options;
  const perRole = Math.max(
    2,
    Math.min(MOST_PER_ROLE, Math.floor(MOST_TRIES ** (1 / Math.max(1, roles.length)))),
  );
  const volume = (m: Material): number => {
    const shape = shapeOf(m);
    return shape ? extentsOf(shape).reduce((a, b) => a * b, 1) : 0;
  };
  const volumes = new Map(options.materials.map((m) => [m.id, volume(m)]));
  const known: KitsKnown = new Map();
  const candidates = roles.map((r) =>
    options.materials
      .filter((m) => (free.get(m.id) ?? 0) > 0 && usuallyServes(r, m, options.ageFrom))
      .sort(
        (a, b) => (free.get(b.id) ?? 0) - (free.get(a.id) ?? 0) || volumes.get(b.id)! - volumes.get(a.id)!,
      )
      .slice(0, perRole),
  );
  const found: (Omit<PatternMade, 'cautions'> & { readonly isCut: boolean })[] = [];
  const walk = (at: number, chosen: Record<string, readonly Material[]>): void => {
    if (at < roles.length) {
      for (const m of candidates[at]!)
        if (!Object.values(chosen).flat().includes(m)) walk(at + 1, { ...chosen, [roles[at]!.id]: [m] });
      return;
    }
    try {
      const { approach, ageFrom, without, skill } = options;
      const usual = pattern.defaults({ approach, chosen, ageFrom, without });
      const dials = skill ? pattern.practising({ approach, chosen, ageFrom, dials: usual }, skill) : usual;
      if (!dials) return;
      const needs = pattern.needs({ dials, chosen, approach, ageFrom });
      const state = makeable(needs, (id) => free.get(id) ?? 0, known);
      if (state.copies > 0)
        found.push({
          ...state,
          pattern: pattern.id,
          name: pattern.name,
          skill: pattern.practises({ dials, chosen, approach, ageFrom })[0] ?? pattern.skills[0]!,
          materials: Object.fromEntries(
            Object.entries(chosen).map(([role, kinds]) => [role, kinds.map((m) => m.id)]),
          ),
          chosen,
          dials,
          isCut: needs.some((n) => n.cuts !== undefined && n.use === 'piece'),
        });
    } catch {
      // These two do not go together: the pattern has said so.
    }
  };
  walk(0, besides);
  // Pieces that are there whole come before those that would have to be cut first.
  found.sort((a, b) => Number(a.isCut) - Number(b.isCut) || b.copies - a.copies);
  const kept: PatternMade[] = [];
  // Where nothing must be there, what was put in stands for it.
  const tried = roles.length > 0 ? roles.map((r) => r.id) : Object.keys(besides).slice(0, 1);
  const last = tried.at(-1);
  if (last === undefined) return [];
  const tries = new Map<number, number>();
  const shares = (f: Pick<PatternMade, 'materials'>, roleIds: readonly string[]): boolean =>
    kept.some((k) => roleIds.some((r) => k.materials[r]![0] === f.materials[r]![0]));
  for (const apart of [tried, [last]])
    for (const { isCut: _, ...f } of found) {
      if (kept.length >= options.most) return kept;
      const before = tries.get(f.materials[last]![0]!) ?? 0;
      if (before >= TRIES_PER_PIECE || shares(f, apart)) continue;
      tries.set(f.materials[last]![0]!, before + 1);
      const cautions = cautionsOf(f, pattern, options);
      if (cautions) kept.push({ ...f, cautions });
    }
  return kept;
}

/** What to take care of of a design that does what it is meant to; null when it does not, or when the check says stop. */
function cautionsOf(
  f: Pick<PatternMade, 'dials' | 'chosen'>,
  pattern: OpenPattern,
  {
    approach,
    ageFrom,
    market,
    rules,
  }: { approach: Approach; ageFrom: number; market: Market; rules?: PlaceRules | undefined },
): string[] | null {
  try {
    const at = { dials: f.dials, chosen: f.chosen, approach, ageFrom };
    if (pattern.fit(at).verdict !== 'clear') return null;
    const { findings } = checkFeatures(pattern.features(at), { youngest: ageFrom, market, rules });
    if (findings.some((x) => x.verdict === 'stop')) return null;
    return [...new Set(findings.filter((x) => x.verdict === 'care').map((x) => x.title))];
  } catch {
    // The pattern has said what does not go together.
    return null;
  }
}
