import { asMeasured } from '../../core/materials/material.ts';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { restOf, supply, type BenchDesign, type Supply } from '../../core/needs/supply.ts';
import {
  loadPattern,
  patternOf,
  type AnyAt,
  type AnyDials,
  type Chosen,
  type Counts,
  type DialSpec,
  type Drawing,
  type Fit,
  type Need,
  type OpenPattern,
  type Show,
  type Step,
} from '../../core/patterns/index.ts';
import { ownFactor } from '../../core/plan/minutes.ts';
import type { OwnTimes } from '../../core/plan/ownMinutes.ts';
import { handsOn, orderSteps } from '../../core/plan/order.ts';
import type { Opening } from '../../core/passage/opening.ts';
import { words } from '../data/api.ts';

/** What follows from a design at once. */
export interface Light {
  readonly pattern: OpenPattern;
  readonly at: AnyAt & { readonly dials: AnyDials };
  readonly title: string;
  /** What it is called until somebody names it. */
  readonly called: string;
  readonly counts: Counts;
  readonly specs: DialSpec[];
  readonly draw: (fit?: Fit) => Drawing;
  /** Worked out when somebody asks: no dial shows them. */
  readonly steps: (kits?: number) => readonly Step[];
  /** What its steps take up and nothing is chosen for. */
  readonly unlisted: () => readonly string[];
  readonly show: Show;
}

const measured = new WeakMap<readonly MaterialRow[], Map<number, MaterialRow>>();
/** A shelf by number, each with its measured sizes; made once for a list. */
export function shelfOf(materials: readonly MaterialRow[]): ReadonlyMap<number, MaterialRow> {
  let found = measured.get(materials);
  if (!found) measured.set(materials, (found = new Map(materials.map((m) => [m.id, asMeasured(m)]))));
  return found;
}

export function chosenOf(design: Pick<Design, 'materials'>, materials: readonly MaterialRow[]): Chosen {
  const shelf = shelfOf(materials);
  return Object.fromEntries(
    Object.entries(design.materials).map(([role, ids]) => [role, ids.flatMap((id) => shelf.get(id) ?? [])]),
  );
}

/** The design as its pattern sees it. */
export const atOf = (
  design: Pick<Design, 'dials' | 'materials' | 'approach' | 'ageFrom'>,
  materials: readonly MaterialRow[],
): AnyAt => ({
  dials: design.dials,
  chosen: chosenOf(design, materials),
  approach: design.approach,
  ageFrom: design.ageFrom,
});

/** What a note counts of a design, in its pattern's word; pieces where it cannot be read. Its pattern must be loaded. */
export function countsOf(design: Design, materials: readonly MaterialRow[]): Counts {
  try {
    return patternOf(design.pattern).counts(atOf(design, materials));
  } catch {
    return { of: 'pieces', one: 'piece', number: 0 };
  }
}

/** The openings that a design cuts, mm. */
export async function openingsOf(design: Design, materials: readonly MaterialRow[]): Promise<Opening[]> {
  try {
    return (await loadPattern(design.pattern))
      .features(atOf(design, materials))
      .flatMap((f) => (f.kind === 'opening' ? [f.opening] : []));
  } catch {
    return [];
  }
}

/** What is there for so many kits of a design: the same answer at every station. */
export function supplyFor(options: {
  needs: readonly Need[];
  copies: number;
  materials: readonly MaterialRow[];
  bench: readonly BenchDesign[];
  designId: number;
}): Supply {
  const shelf = shelfOf(options.materials);
  return supply({ ...options, kept: (id) => shelf.get(id)?.kept ?? 0 });
}

/** What one kit takes of the shelf, and what of that is there for the batch. Laying parts out takes a while: no dial waits for it. */
export interface Needed {
  readonly needs: readonly Need[];
  readonly supply: Supply;
}

/** The same for a station without dials, or the words why a part cannot be cut. */
export function neededOf(
  { pattern, at }: Pick<Light, 'pattern' | 'at'>,
  design: Design,
  materials: readonly MaterialRow[],
  bench: readonly BenchDesign[],
): Needed | { problem: string } {
  try {
    const needs = pattern.needs(at);
    return {
      needs,
      supply: supplyFor({ needs, copies: restOf(design), materials, bench, designId: design.id }),
    };
  } catch (error) {
    return { problem: words(error) };
  }
}

/** Minutes of hands-on work for the rest of a batch, as this place takes them; 0 where the steps cannot be read. */
export function handsOnOf(light: Light, design: Design, own: OwnTimes): number {
  try {
    return handsOn(orderSteps(light.steps(), restOf(design), ownFactor(own, design.pattern))).total;
  } catch {
    return 0;
  }
}

/** Light work, or the words why the design cannot be read. */
export function lightOf(design: Design, materials: readonly MaterialRow[]): Light | { problem: string } {
  try {
    const pattern = patternOf(design.pattern);
    // A design kept before a dial came has no value for it: the pattern knows what was meant.
    const at = { ...atOf(design, materials), dials: pattern.check(design.dials) };
    return {
      pattern,
      at,
      title: pattern.title(at),
      called: pattern.called(at),
      counts: pattern.counts(at),
      specs: pattern.specs(at),
      draw: (fit) => pattern.draw(at, fit),
      steps: (kits) => pattern.steps({ ...at, kits }),
      unlisted: () => pattern.plan(at).unlisted ?? [],
      show: pattern.show(at),
    };
  } catch (error) {
    return { problem: words(error) };
  }
}
