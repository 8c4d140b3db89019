import '../jitless.ts';
import { expose } from 'comlink';
import { patternOf, type AnyDials, type Chosen, type Fit, type Rung } from '../../core/patterns/index.ts';
import { checkContainer } from '../../core/packing/container.ts';
import { patternsFromStock } from '../../core/plan/patternsMade.ts';
import type { Market } from '../../core/safety/rules.ts';
import { checkFeatures, type SafetyReport } from '../../core/safety/check.ts';

const kept = new Map<string, unknown>();
/** The last few hundred answers: a dial goes back and forth over the same places. */
function once<T>(key: string, make: () => T): T {
  if (kept.has(key)) return kept.get(key) as T;
  const made = make();
  if (kept.size > 300) kept.delete(kept.keys().next().value!);
  kept.set(key, made);
  return made;
}

export interface Ask {
  readonly pattern: string;
  readonly dials: AnyDials;
  readonly chosen: Chosen;
  readonly youngest: number;
  readonly market: Market;
}

const key = (a: Ask): string => JSON.stringify([a.pattern, a.dials, a.chosen]);

export const bench = {
  fit: (a: Ask): Fit => once(`fit ${key(a)}`, () => patternOf(a.pattern).fit(a.dials, a.chosen)),
  rungs: (a: Ask): Rung<AnyDials>[] => {
    // The ladder follows from piece, lid, number and approach alone, not from where the opening's dials stand.
    const { pieces, approach } = a.dials;
    return once(`rungs ${JSON.stringify([a.pattern, a.chosen, pieces, approach])}`, () =>
      patternOf(a.pattern).rungs(a.dials, a.chosen),
    );
  },
  safety: (a: Ask): SafetyReport =>
    once(`safety ${a.youngest} ${a.market} ${key(a)}`, () =>
      checkFeatures(patternOf(a.pattern).features(a.dials, a.chosen), a),
    ),
  container: (o: Parameters<typeof checkContainer>[0]) =>
    once(`container ${JSON.stringify(o)}`, () => checkContainer(o)),
  fromStock: (
    o: Omit<Parameters<typeof patternsFromStock>[0], 'free'> & {
      free: readonly (readonly [number, number])[];
    },
  ) => once(`stock ${JSON.stringify(o)}`, () => patternsFromStock({ ...o, free: new Map(o.free) })),
};
export type Bench = typeof bench;

expose(bench);
