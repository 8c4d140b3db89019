import { challenge } from '../challenge/bits.ts';
import type { Market, PlaceRules } from '../safety/rules.ts';
import { checkFeatures } from '../safety/check.ts';
import { loadPattern, PatternError, type Approach, type Chosen } from './index.ts';
import { usualMaterials } from './usual.ts';

/** A design that is asked about without being kept: what is left out takes the pattern's usual. */
export interface PatternRequest {
  readonly pattern: string;
  readonly dials?: Readonly<Record<string, unknown>> | undefined;
  readonly materials: Chosen;
  readonly approach: Approach;
  readonly ageFrom: number;
  readonly market: Market;
  readonly rules?: PlaceRules | undefined;
}

/**
 * Everything that a pattern derives from a design: fit, plan, moves, levels, drawing and the check of its features.
 *
 * @throws PatternError naming the dial or the material
 */
export async function patternAnswer(request: PatternRequest) {
  const pattern = await loadPattern(request.pattern);
  const roles = new Set(pattern.roles.map((r) => r.id));
  for (const role of Object.keys(request.materials))
    if (!roles.has(role))
      throw new PatternError(
        `materials.${role}`,
        `is no role of ${pattern.name}; expected one of ${[...roles].join(', ')}`,
      );
  const { approach, ageFrom, market, rules } = request;
  const chosen = { ...usualMaterials(pattern.roles), ...request.materials };
  const start = pattern.defaults({ approach, ageFrom, chosen });
  const at = { approach, ageFrom, chosen, dials: pattern.check({ ...start, ...request.dials }) };
  const fit = pattern.fit(at);
  const { detail: _, ...said } = fit;
  const plan = pattern.plan(at);
  const moves = pattern.moves(at, fit);
  return {
    dials: at.dials,
    title: pattern.title(at),
    fit: said,
    needs: pattern.needs(at),
    unlisted: plan.unlisted ?? [],
    cuts: plan.cuts,
    steps: plan.steps,
    moves,
    bits: challenge(moves).total,
    counts: pattern.counts(at),
    features: pattern.features(at),
    levels: pattern.levels(at).map(({ fit: { detail: __, ...f }, ...r }) => ({ ...r, fit: f })),
    drawing: pattern.draw(at, fit),
    show: pattern.show(at),
    safety: checkFeatures(pattern.features(at), { youngest: ageFrom, market, rules }),
  };
}
