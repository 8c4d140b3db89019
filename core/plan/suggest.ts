import { formatAges } from '../calendar/ages.ts';
import type { Scene } from '../drawing/mark.ts';
import type { Material } from '../materials/material.ts';
import {
  loadPatterns,
  refusal,
  usuallyServes,
  type AnyDials,
  type Approach,
  type BenchTool,
  type OpenPattern,
  type Skill,
} from '../patterns/index.ts';
import { usualMaterials } from '../patterns/usual.ts';
import type { Market, PlaceRules } from '../safety/rules.ts';
import { bestFirst } from './bestFirst.ts';
import { fromFreeStock } from './patternsMade.ts';
import { ownFactor } from './minutes.ts';
import type { OwnTimes } from './ownMinutes.ts';
import { handsOn, orderSteps } from './order.ts';

/** What a practitioner asks for: a skill, for whom, with what is at hand. */
export interface Wish {
  readonly skill: Skill;
  /** The youngest who will use it, months. */
  readonly ageFrom: number;
  readonly approach: Approach;
  readonly market: Market;
  readonly rules?: PlaceRules | undefined;
  /** Tools that are not at hand; without a craft knife nothing with a blade is offered. */
  readonly without: readonly BenchTool[];
  readonly quiet: boolean;
  /** Most minutes of hands-on work for one kit; null for any. */
  readonly minutes: number | null;
}

export interface Suggestion {
  readonly pattern: string;
  /** Where the skill stands among those that the pattern is for: 0 for the one it practises most. */
  readonly rank: number;
  readonly name: string;
  readonly does: string;
  readonly materials: Readonly<Record<string, readonly number[]>>;
  readonly dials: AnyDials;
  readonly picture: Scene;
  /** Kits the free stock gives, and what runs out first. */
  readonly kits: number;
  readonly first: string | null;
  /** Hands-on minutes of one kit, and how many steps are an adult's and a child's own. */
  readonly minutes: number;
  readonly adultSteps: number;
  readonly childSteps: number;
  readonly blade: boolean;
  readonly tools: readonly BenchTool[];
  readonly cautions: readonly string[];
}

/** A pattern that serves the skill but cannot be started so, with the reason. */
export interface LeftOut {
  readonly name: string;
  readonly why: string;
}

const missingRole = (
  pattern: OpenPattern,
  materials: readonly Material[],
  ageFrom: number,
): string | null => {
  const lacking = (does: (r: OpenPattern['roles'][number], m: Material) => boolean) =>
    pattern.roles.find((r) => r.least > 0 && !materials.some((m) => does(r, m)));
  const none = lacking((r, m) => refusal(r, m) === null);
  if (none) return `nothing on the shelf can be its ${none.label.toLowerCase()}`;
  const unusual = lacking((r, m) => usuallyServes(r, m, ageFrom));
  return unusual ? `nothing on the shelf usually serves as its ${unusual.label.toLowerCase()}` : null;
};

/** Why a pattern waits for an older child, as it begins from the usual materials and practises what is asked for; null where it does not. */
function tooEarly(pattern: OpenPattern, { approach, ageFrom, skill }: Wish): string | null {
  const chosen = usualMaterials(pattern.roles);
  const start = { approach, ageFrom, chosen };
  const at = { ...start, dials: pattern.defaults(start) };
  const [from, to] = pattern.usualFrom({ ...at, dials: pattern.practising(at, skill) ?? at.dials });
  return ageFrom < from ? `most children begin it at ${formatAges(from, to)}` : null;
}

/**
 * Patterns that serve a skill, started from the free stock: what practises it most first, then most kits. Those that cannot be are named with why.
 *
 * @param options.free stock that no design on the bench speaks for
 * @param options.own the place's own minutes, by pattern and step
 * @param options.patterns those that are tried, all where nothing is said
 */
export async function suggest(
  wish: Wish,
  options: {
    materials: readonly Material[];
    free: ReadonlyMap<number, number>;
    families?: readonly string[] | undefined;
    own?: OwnTimes | undefined;
  },
): Promise<{ suggestions: Suggestion[]; left: LeftOut[] }> {
  const suggestions: Suggestion[] = [];
  const left: LeftOut[] = [];
  for (const pattern of await loadPatterns(options.families)) {
    if (!pattern.skills.includes(wish.skill)) continue;
    const { name } = pattern;
    if (wish.quiet && !pattern.quiet) {
      left.push({ name, why: 'it makes a noise' });
      continue;
    }
    const [found] = fromFreeStock({ ...options, ...wish, pattern, most: 1 });
    if (!found) {
      const why =
        missingRole(pattern, options.materials, wish.ageFrom) ??
        tooEarly(pattern, wish) ??
        'nothing free goes together without a stop';
      left.push({ name, why });
      continue;
    }
    const at = { dials: found.dials, chosen: found.chosen, approach: wish.approach, ageFrom: wish.ageFrom };
    const steps = pattern.steps(at);
    const { total } = handsOn(orderSteps(steps, 1, ownFactor(options.own ?? {}, pattern.id)));
    const blade = steps.some((s) => s.blade);
    const lacking = steps.flatMap((s) => s.tools).find((t) => wish.without.includes(t));
    if (blade && wish.without.includes('craft knife')) left.push({ name, why: 'it needs a blade' });
    else if (lacking) left.push({ name, why: `it needs a ${lacking}` });
    else if (wish.minutes !== null && total > wish.minutes)
      left.push({ name, why: `one kit takes ${Math.ceil(total)} minutes` });
    else
      suggestions.push({
        pattern: pattern.id,
        rank: pattern.skills.indexOf(wish.skill),
        name,
        does: pattern.does({}),
        materials: found.materials,
        dials: found.dials,
        picture: pattern.draw(at).picture,
        kits: found.copies,
        first: found.first?.name ?? null,
        minutes: total,
        adultSteps: steps.filter((s) => s.who === 'adult').length,
        childSteps: steps.filter((s) => s.who === 'child').length,
        blade,
        tools: [...new Set(steps.flatMap((s) => s.tools))],
        cautions: found.cautions,
      });
  }
  return { suggestions: suggestions.sort(bestFirst), left };
}
