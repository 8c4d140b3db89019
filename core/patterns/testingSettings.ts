import { usualMaterials } from './usual.ts';
import { APPROACHES, type AnyAt, type OpenPattern } from './index.ts';

/**
 * For tests: a pattern as it begins in each approach, its levels, and each of its dials in turn at every choice and at its
 * ends and its middle; without what the pattern says does not work or cannot be.
 */
export function settingsOf(p: OpenPattern, ageFrom = 48): AnyAt[] {
  return APPROACHES.flatMap((approach) => {
    const start = { approach, ageFrom, chosen: usualMaterials(p.roles) };
    const at: AnyAt = { ...start, dials: p.defaults(start) };
    const turned = p.specs(at).flatMap((spec) => {
      const values =
        spec.kind === 'number'
          ? [spec.min, spec.min + spec.step * Math.round((spec.max - spec.min) / spec.step / 2), spec.max]
          : spec.kind === 'switch'
            ? [true, false]
            : spec.kind === 'choice'
              ? spec.options.map((o) => o.value)
              : [];
      return values.flatMap((value): AnyAt[] => {
        const there = { ...at, dials: { ...(at.dials as object), [spec.id]: value } };
        try {
          return p.fit(there).verdict === 'stop' ? [] : [there];
        } catch {
          return [];
        }
      });
    });
    return [at, ...p.levels(at).map((l) => ({ ...at, dials: l.dials })), ...turned];
  });
}
