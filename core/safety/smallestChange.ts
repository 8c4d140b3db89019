import { extentsOf, shapeOf, type Material } from '../materials/material.ts';
import type { AnyAt, AnyDials, Chosen, DialSpec, OpenPattern } from '../patterns/index.ts';
import { refusal, type DialUnit, type Feature, type Need, type Verdict } from '../patterns/kernel.ts';
import { checkFeatures, type CheckOptions, type Finding } from './check.ts';
import { RULES } from './ruleList.ts';
import { rulesOf } from './rules.ts';

/** One touch that clears a finding: a dial, a material or the age, and what it does besides. */
export interface Change {
  readonly kind: 'dial' | 'material' | 'age';
  /** The dial or the role. */
  readonly id: string;
  readonly label: string;
  readonly from: number | string;
  readonly to: number | string;
  readonly unit?: DialUnit | 'months';
  /** Numbers of the materials in a role as they would be. */
  readonly kinds?: readonly number[];
  /** Raw value of the dial. */
  readonly value?: unknown;
  /** Every nearer value of this dial was tried, and none clears it. */
  readonly isLeast: boolean;
  /** What is left of the finding; what the design then comes to. */
  readonly verdict: Verdict;
  readonly fit: { readonly verdict: Verdict; readonly headline: string };
  /** The whole load before and after; null where it does not do what it is meant to. */
  readonly load: readonly [number | null, number | null];
  /** What one kit then takes, to be priced. */
  readonly needs: readonly Need[];
}

/** More values of one dial are not tried: a finer one is told by its hundreds. */
const MOST_TRIED = 800;
/** Materials of the shelf that are tried in one role. */
const MOST_KINDS = 60;

const RANK: Record<Verdict, number> = { clear: 0, care: 1, stop: 2 };
const worstOf = (findings: readonly Finding[], rule: string): { rank: number; count: number } => {
  const ranks = findings.filter((f) => f.rule === rule).map((f) => RANK[f.verdict]);
  const rank = Math.max(0, ...ranks);
  return { rank, count: ranks.filter((r) => r === rank && r > 0).length };
};

/** Whether a design is better by a rule than it was, and stopped by nothing that did not stop it before. */
function isBetter(before: readonly Finding[], now: readonly Finding[], rule: string): boolean {
  const [was, is] = [worstOf(before, rule), worstOf(now, rule)];
  if (is.rank > was.rank || (is.rank === was.rank && is.count >= was.count)) return false;
  const stops = (list: readonly Finding[]): Set<string> =>
    new Set(list.filter((f) => f.verdict === 'stop').map((f) => f.rule));
  const stopped = stops(before);
  return [...stops(now)].every((r) => stopped.has(r));
}

/** Values of a number dial from the nearest outwards, to both sides. */
function* outwards(spec: Extract<DialSpec, { kind: 'number' }>, now: number): Generator<number> {
  const clean = (x: number): number => Math.round(x * 1e6) / 1e6;
  const low = spec.min + Math.floor((now - spec.min) / spec.step + 1e-9) * spec.step;
  for (let k = 0, tried = 0; tried < MOST_TRIED; k++) {
    const [down, up] = [low - k * spec.step, low + (k + 1) * spec.step];
    const there = [down, up].filter((x) => x >= spec.min - 1e-9 && x <= spec.max + 1e-9);
    if (there.length === 0) return;
    for (const x of there.sort((a, b) => Math.abs(a - now) - Math.abs(b - now)))
      if (Math.abs(x - now) > 1e-9) {
        tried++;
        yield clean(x);
      }
  }
}

interface Try {
  readonly at: AnyAt;
  readonly now: readonly Finding[];
}

/** How unlike two materials are: by their three extents, as shares. */
function unlike(a: Material, b: Material): number {
  const extents = (m: Material): readonly number[] => {
    const shape = shapeOf(m);
    if (shape) return extentsOf(shape);
    const { diameter = 0, length = diameter, width = diameter, height = 0 } = m.sizes;
    return [length, width, height];
  };
  const [x, y] = [extents(a), extents(b)];
  return x.reduce((n, v, i) => n + Math.abs(Math.log((v + 1) / (y[i]! + 1))), 0);
}

/**
 * For one finding the least change of each dial, of each material and of the age that makes it better and stops nothing
 * else. A number dial is tried from its own value outwards step by step, so the first that clears is the least; a material
 * from the most alike outwards.
 *
 * @param options.options how the design is checked; tests by hand stay what they are
 * @param options.shelf what could take a role, with how many are free
 * @returns the changes that leave the design doing what it is meant to first, then the smaller
 */
export function smallestChanges(options: {
  readonly pattern: OpenPattern;
  readonly at: AnyAt;
  readonly rule: string;
  readonly options: CheckOptions;
  readonly shelf: readonly Material[];
}): Change[] {
  const { pattern, rule, shelf } = options;
  const at: AnyAt = { ...options.at, dials: pattern.check(options.at.dials) };
  const { features, ...by } = { features: pattern.features(at), ...options.options };
  const before = checkFeatures(features, by).findings;
  // Most tries fail by the rule's own kind of feature: the rest is judged of those alone that do not.
  const looksAt = rulesOf(by.market, by.rules).find((r) => r.id === rule)?.looksAt;
  const own = (list: readonly Feature[]): Feature[] =>
    looksAt === 'piece' || looksAt === 'give'
      ? list.filter((f) => f.kind === 'piece' || f.kind === 'give' || f.kind === 'filler')
      : list.filter((f) => f.kind === looksAt);
  const mayClear = (there: readonly Feature[], youngest: number): boolean =>
    isBetter(before, checkFeatures(own(there), { ...by, youngest }).findings, rule);
  const tried = (there: AnyAt, youngest = by.youngest): Try | null => {
    try {
      const asked = { ...there, dials: pattern.check(there.dials) };
      const found = pattern.features(asked);
      if (!mayClear(found, youngest)) return null;
      const now = checkFeatures(found, { ...by, youngest }).findings;
      return isBetter(before, now, rule) ? { at: asked, now } : null;
    } catch {
      // The family has said what does not go together: no change.
      return null;
    }
  };
  const loadBefore = loadOf(pattern, at);
  const told = (
    change: Pick<Change, 'kind' | 'id' | 'label' | 'from' | 'to' | 'isLeast'> & Partial<Change>,
    { at: there, now }: Try,
  ): Change[] => {
    try {
      const { verdict, headline } = pattern.fit(there);
      const { rank } = worstOf(now, rule);
      return [
        {
          ...change,
          verdict: (['clear', 'care', 'stop'] as const)[rank]!,
          fit: { verdict, headline },
          load: [loadBefore, loadOf(pattern, there)],
          needs: pattern.needs(there),
        },
      ];
    } catch {
      return [];
    }
  };
  const dials = pattern.specs(at).flatMap((spec) => dialChanges(spec, at, tried, told));
  const materials = pattern.roles.flatMap((role) =>
    (at.chosen[role.id] ?? []).flatMap((own, i): Change[] => {
      const kinds = at.chosen[role.id]!;
      const others = shelf
        .filter((m) => m.kept > 0 && !kinds.some((k) => k.id === m.id) && refusal(role, m) === null)
        .sort((a, b) => unlike(a, own) - unlike(b, own))
        .slice(0, MOST_KINDS);
      for (const m of others) {
        const chosen: Chosen = { ...at.chosen, [role.id]: kinds.map((k, j) => (j === i ? m : k)) };
        const found = tried({ ...at, chosen });
        const change = found
          ? told(
              {
                kind: 'material',
                id: role.id,
                label: role.label,
                from: own.name,
                to: m.name,
                kinds: chosen[role.id]!.map((k) => k.id),
                isLeast: true,
              },
              found,
            )
          : [];
        // A material that the design cannot use is no help.
        if (change[0] && change[0].fit.verdict !== 'stop') return change;
      }
      return [];
    }),
  );
  const ages = [...new Set(RULES.flatMap((r) => r.below ?? []))]
    .filter((a) => a > at.ageFrom && a <= 96)
    .sort((a, b) => a - b);
  const age = ages.flatMap((ageFrom): Change[] => {
    const found = tried({ ...at, ageFrom }, ageFrom);
    return found
      ? told(
          {
            kind: 'age',
            id: 'ageFrom',
            label: 'Youngest',
            from: at.ageFrom,
            to: ageFrom,
            unit: 'months',
            isLeast: true,
          },
          found,
        )
      : [];
  });
  return [...dials, ...materials, ...age.slice(0, 1)].sort(
    (a, b) => RANK[a.fit.verdict] - RANK[b.fit.verdict] || RANK[a.verdict] - RANK[b.verdict],
  );
}

const loadOf = (pattern: OpenPattern, at: AnyAt): number | null => {
  try {
    return pattern.load(at, pattern.fit(at))?.total ?? null;
  } catch {
    return null;
  }
};

/** The least change of one dial: the nearest number, or each choice that clears. */
function dialChanges(
  spec: DialSpec,
  at: AnyAt,
  tried: (there: AnyAt) => Try | null,
  told: (
    change: Pick<Change, 'kind' | 'id' | 'label' | 'from' | 'to' | 'isLeast'> & Partial<Change>,
    found: Try,
  ) => Change[],
): Change[] {
  const own = at.dials as AnyDials;
  const now = own[spec.id];
  const to = (value: unknown): AnyAt => ({ ...at, dials: { ...own, [spec.id]: value } });
  const base = { kind: 'dial' as const, id: spec.id, label: spec.label };
  if (spec.kind === 'number' && typeof now === 'number') {
    for (const value of outwards(spec, now)) {
      const found = tried(to(value));
      if (found) return told({ ...base, from: now, to: value, value, unit: spec.unit, isLeast: true }, found);
    }
    return [];
  }
  if (spec.kind === 'choice')
    return spec.options
      .filter((o) => o.value !== now)
      .flatMap((o) => {
        const found = tried(to(o.value));
        const was = spec.options.find((x) => x.value === now)?.label ?? String(now);
        return found ? told({ ...base, from: was, to: o.label, value: o.value, isLeast: true }, found) : [];
      });
  if (spec.kind === 'switch') {
    const found = tried(to(!now));
    return found
      ? told({ ...base, from: now ? 'yes' : 'no', to: now ? 'no' : 'yes', value: !now, isLeast: true }, found)
      : [];
  }
  return [];
}
