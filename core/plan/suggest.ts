import { formatAges } from '../calendar/ages.ts';
import type { Material } from '../materials/material.ts';
import { loadPatterns, refusal, usuallyServes, type OpenPattern } from '../patterns/index.ts';
import { usualMaterials } from '../patterns/usual.ts';
import { within } from './within.ts';
import { fromFreeStock } from './patternsMade.ts';
import { ownFactor } from './minutes.ts';
import type { OwnTimes } from './ownMinutes.ts';
import { handsOn, orderSteps } from './order.ts';
import type { LeftOut, Suggestion, Wish } from './suggestion.ts';

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
 * @param options.most of one pattern, of unlike materials; 1 where nothing is said
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
    most?: number | undefined;
  },
): Promise<{ suggestions: Suggestion[]; left: LeftOut[] }> {
  const suggestions: Suggestion[] = [];
  const left: LeftOut[] = [];
  for (const pattern of await loadPatterns(options.families)) {
    if (!pattern.skills.includes(wish.skill)) continue;
    const { name } = pattern;
    const all = fromFreeStock({ ...options, ...wish, pattern, most: options.most ?? 1 });
    if (all.length === 0) {
      const why =
        missingRole(pattern, options.materials, wish.ageFrom) ??
        tooEarly(pattern, wish) ??
        'nothing free goes together without a stop';
      left.push({ name, why });
      continue;
    }
    const refused: string[] = [];
    const before = suggestions.length;
    for (const found of all) {
      const at = { dials: found.dials, chosen: found.chosen, approach: wish.approach, ageFrom: wish.ageFrom };
      const steps = pattern.steps(at);
      const { total } = handsOn(orderSteps(steps, 1, ownFactor(options.own ?? {}, pattern.id)));
      const blade = steps.some((s) => s.blade);
      const lacking = steps.flatMap((s) => s.tools).find((t) => wish.without.includes(t));
      if (blade && wish.without.includes('craft knife')) refused.push('it needs a blade');
      else if (lacking) refused.push(`it needs a ${lacking}`);
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
          quiet: pattern.quiet,
          tools: [...new Set(steps.flatMap((s) => s.tools))],
          cautions: found.cautions,
        });
    }
    if (suggestions.length === before) left.push({ name, why: refused[0]! });
  }
  return within({ suggestions, left }, wish);
}
