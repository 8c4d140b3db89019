import { extentsOf } from '../materials/material.ts';
import { widestRod } from '../passage/opening.ts';
import type { Feature } from '../patterns/kernel.ts';
import { atLeast, atMost, mm, type Bench } from './judging.ts';
import { MEASURES, type MeasureId, type OwnRule, type Rule } from './rules.ts';

/** The number that a place's own rule looks at, and of what; null where the feature has none. */
function measured(id: MeasureId, f: Feature): { value: number; of: string } | null {
  const is = <K extends Feature['kind']>(
    kind: K,
    value: (f: Extract<Feature, { kind: K }>) => number,
    of: (f: Extract<Feature, { kind: K }>) => string,
  ) => {
    if (f.kind !== kind) return null;
    const it = f as Extract<Feature, { kind: K }>;
    return { value: value(it), of: of(it) };
  };
  switch (id) {
    case 'piece longest':
      return is(
        'piece',
        (p) => Math.max(...extentsOf(p.shape)),
        (p) => p.name,
      );
    case 'piece thinnest':
      return is(
        'piece',
        (p) => Math.min(...extentsOf(p.shape)),
        (p) => p.name,
      );
    case 'piece count':
      return is(
        'piece',
        (p) => p.count,
        (p) => p.name,
      );
    case 'opening rod':
      return is(
        'opening',
        (o) => widestRod(o.opening),
        (o) => o.where,
      );
    case 'cord free':
      return is(
        'cord',
        (c) => c.free,
        (c) => c.name,
      );
    case 'cord loop':
      return is(
        'cord',
        (c) => c.loop,
        (c) => c.name,
      );
    case 'post height':
      return is(
        'post',
        (p) => p.height,
        (p) => p.name,
      );
    case 'post diameter':
      return is(
        'post',
        (p) => p.diameter,
        (p) => p.name,
      );
    case 'bag mouth':
      return is(
        'bag',
        (b) => b.mouth,
        (b) => b.name,
      );
    case 'mass':
      return is(
        'heavy',
        (h) => h.mass,
        (h) => h.name,
      );
  }
}

/** Applies a place's own rule to every feature that has its number. */
export function measuresOf(own: OwnRule, on: Bench): void {
  const { looksAt, unit, label } = MEASURES[own.measure];
  const rule: Rule = {
    id: own.id,
    market: 'own',
    looksAt,
    title: own.title,
    below: own.below,
    limit: own.limit,
    unit,
    verdict: own.verdict,
    older: 'care',
    source: `rule of this place, by ${own.by}: ${own.why}`,
    mark: 'common practice',
    year: null,
    remedy: own.remedy,
  };
  const said = (x: number): string => (unit === 'mm' ? mm(x) : unit === 'g' ? `${Math.round(x)} g` : `${x}`);
  for (const f of on.features) {
    const found = measured(own.measure, f);
    if (!found) continue;
    const { value, of } = found;
    const isBroken = own.breaks === 'over' ? value > own.limit : value < own.limit;
    const at = {
      where: of,
      measured: own.breaks === 'over' ? atMost(value, own.limit, unit) : atLeast(value, own.limit, unit),
    };
    const words = `${of}: ${label.toLowerCase()} ${said(value)}, ${own.breaks === 'over' ? 'at most' : 'at least'} ${said(own.limit)} here.`;
    if (isBroken) on.broken(rule, { ...at, words });
    else on.clear(rule, { ...at, words });
  }
}
