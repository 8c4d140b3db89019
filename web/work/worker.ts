import { expose } from 'comlink';
import { loadPattern, type AnyAt, type AnyDials, type Fit, type Level } from '../../core/patterns/index.ts';
import type { Scene } from '../../core/drawing/mark.ts';
import { growing } from '../../core/drawing/stepPictures.ts';
import type { Material } from '../../core/materials/material.ts';
import { supply, type BenchDesign, type Supply } from '../../core/needs/supply.ts';
import { checkContainer } from '../../core/packing/container.ts';
import { orderSteps } from '../../core/plan/order.ts';
import type { OwnTimes } from '../../core/plan/ownMinutes.ts';
import { suggest } from '../../core/plan/suggest.ts';
import type { Wish } from '../../core/plan/suggestion.ts';
import type { Market, PlaceRules } from '../../core/safety/rules.ts';
import { smallestChanges } from '../../core/safety/smallestChange.ts';
import {
  checkFeatures,
  type CheckOptions,
  type SafetyReport,
  type TestDone,
} from '../../core/safety/check.ts';

const kept = new Map<string, unknown>();
/** The last few hundred answers: a dial goes back and forth over the same places. */
function once<T>(key: string, make: () => T): T {
  if (kept.has(key)) return kept.get(key) as T;
  const made = make();
  if (kept.size > 300) kept.delete(kept.keys().next().value!);
  kept.set(key, made);
  return made;
}

/** What is asked about a design. */
export interface Ask extends AnyAt {
  readonly pattern: string;
  readonly dials: AnyDials;
  readonly market: Market;
  readonly rules: PlaceRules;
  readonly mouths: boolean;
  readonly tests: readonly TestDone[];
  readonly lookedOver: boolean | null;
}

/** What is kept, by material, and every design that speaks for it. */
export interface ShelfNow {
  readonly kept: readonly (readonly [number, number])[];
  readonly bench: readonly BenchDesign[];
}
/** As it was told last, with the number it was told under. */
let shelf: { number: number; kept: ReadonlyMap<number, number>; bench: readonly BenchDesign[] } | null = null;

const key = (a: Ask): string => JSON.stringify([a.pattern, a.dials, a.chosen, a.approach, a.ageFrom]);

const optionsOf = (a: Ask): CheckOptions => ({
  market: a.market,
  rules: a.rules,
  mouths: a.mouths,
  tests: a.tests,
  lookedOver: a.lookedOver,
  youngest: a.ageFrom,
});

export const bench = {
  fit: async (a: Ask): Promise<Fit> => {
    const pattern = await loadPattern(a.pattern);
    return once(`fit ${key(a)}`, () => pattern.fit(a));
  },
  levels: async (a: Ask): Promise<Level<AnyDials>[]> => {
    const pattern = await loadPattern(a.pattern);
    return once(`levels ${key(a)}`, () => pattern.levels(a));
  },
  safety: async (a: Ask): Promise<SafetyReport> => {
    const pattern = await loadPattern(a.pattern);
    const by = optionsOf(a);
    return once(`safety ${JSON.stringify(by)} ${key(a)}`, () => checkFeatures(pattern.features(a), by));
  },
  /** What would clear a finding, with the least of each kind of change. */
  changes: async (a: Ask, rule: string, shelf: readonly Material[]) => {
    const pattern = await loadPattern(a.pattern);
    const options = optionsOf(a);
    return once(`changes ${rule} ${JSON.stringify([options, shelf])} ${key(a)}`, () =>
      smallestChanges({ pattern, at: a, rule, options, shelf }),
    );
  },
  /** Told once whenever it changes, since it is large: `supply` then names it by its number. */
  shelf: (number: number, now: ShelfNow): void => {
    shelf = { number, kept: new Map(now.kept), bench: now.bench };
  },
  /** What is there for so many kits of a design; null where this worker was not told of the shelf. */
  supply: async (a: Ask, of: { shelf: number; copies: number; designId: number }): Promise<Supply | null> => {
    const pattern = await loadPattern(a.pattern);
    if (shelf?.number !== of.shelf) return null;
    const { kept, bench: designs } = shelf;
    const needs = once(`needs ${key(a)}`, () => pattern.needs(a));
    return supply({ ...of, needs, kept: (id) => kept.get(id) ?? 0, bench: designs });
  },
  /** The small picture of a design. */
  picture: async (a: AnyAt & { pattern: string }): Promise<Scene> => {
    const pattern = await loadPattern(a.pattern);
    return once(`picture ${JSON.stringify(a)}`, () => pattern.draw(a).picture);
  },
  /** What a design looks like at a step of its making; as it is in the end before anything of it can be seen. */
  pictureAt: async (a: AnyAt & { pattern: string }, step: string): Promise<Scene> => {
    const pattern = await loadPattern(a.pattern);
    const things = once(`growing ${JSON.stringify(a)}`, () => {
      const order = orderSteps(pattern.steps(a), 1).map((p) => p.step.id);
      const { scene, picture } = pattern.draw(a);
      return { at: growing(scene, order), picture };
    });
    const thing = things.at.get(step)?.picture;
    return thing && thing.marks.length > 0 ? thing : things.picture;
  },
  suggest: (
    family: string,
    wish: Wish,
    materials: readonly Material[],
    free: readonly (readonly [number, number])[],
    own: OwnTimes,
    most: number,
  ) =>
    once(`suggest ${JSON.stringify([family, wish, materials, free, own, most])}`, () =>
      suggest(wish, { materials, free: new Map(free), families: [family], own, most }),
    ),
  container: (o: Parameters<typeof checkContainer>[0]) =>
    once(`container ${JSON.stringify(o)}`, () => checkContainer(o)),
};
export type Bench = typeof bench;

expose(bench);
