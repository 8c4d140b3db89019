import { asMeasured } from '../../core/materials/material.ts';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
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
  type Rung,
  type Show,
  type Step,
} from '../../core/patterns/index.ts';
import { handsOn, orderSteps, type Placed } from '../../core/plan/order.ts';
import type { Market } from '../../core/safety/rules.ts';
import type { SafetyReport } from '../../core/safety/check.ts';
import type { Opening } from '../../core/passage/opening.ts';
import { words } from '../data/api.ts';
import { workbench, type Ask } from '../work/door.ts';

/** What follows from a design at once. */
export interface Light {
  readonly pattern: OpenPattern;
  readonly at: AnyAt & { readonly dials: AnyDials };
  readonly title: string;
  readonly counts: Counts;
  readonly specs: DialSpec[];
  readonly draw: (fit?: Fit) => Drawing;
  readonly needs: Need[];
  readonly supply: Supply;
  readonly steps: readonly Step[];
  readonly placed: Placed[];
  readonly handsOn: { total: number; blade: number; elapsed: number };
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

/** The design as its family sees it. */
export const atOf = (
  design: Pick<Design, 'dials' | 'materials' | 'approach' | 'ageFrom'>,
  materials: readonly MaterialRow[],
): AnyAt => ({
  dials: design.dials,
  chosen: chosenOf(design, materials),
  approach: design.approach,
  ageFrom: design.ageFrom,
});

/** What a note counts of a design, in its family's word; pieces where it cannot be read. Its family must be loaded. */
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

/** Light work, or the words why the design cannot be read. */
export function lightOf(
  design: Design,
  materials: readonly MaterialRow[],
  bench: readonly BenchDesign[] = [],
): Light | { problem: string } {
  try {
    const pattern = patternOf(design.pattern);
    // A design kept before a dial came has no value for it: the family knows what was meant.
    const at = { ...atOf(design, materials), dials: pattern.check(design.dials) };
    const needs = pattern.needs(at);
    const steps = pattern.steps(at);
    const rest = restOf(design);
    const placed = orderSteps(steps, rest);
    return {
      pattern,
      at,
      title: pattern.title(at),
      counts: pattern.counts(at),
      specs: pattern.specs(at),
      draw: (fit) => pattern.draw(at, fit),
      needs,
      supply: supplyFor({ needs, copies: rest, materials, bench, designId: design.id }),
      steps,
      placed,
      handsOn: handsOn(placed),
      show: pattern.show(at),
    };
  } catch (error) {
    return { problem: words(error) };
  }
}

/** The count kept does not change how a piece fits. */
const sizesOnly = (chosen: Chosen): Chosen =>
  Object.fromEntries(
    Object.entries(chosen).map(([role, kinds]) => [
      role,
      kinds.map((m) => ({ ...m, kept: 0, waiting: 0, version: 0, clean: undefined, worth: undefined })),
    ]),
  );

interface Known {
  readonly fit: Fit | null;
  readonly bits: number | null;
  readonly rungs: Rung<AnyDials>[] | null;
  readonly safety: SafetyReport | null;
}
export interface Heavy extends Known {
  /** The fit belongs to dials that have moved on since. */
  readonly behind: boolean;
  /** Why the worker has no answer; `again` asks it once more. */
  readonly problem: string | null;
  readonly again: () => void;
}

/** A dial rests when nothing has moved for this long, ms. */
const RESTS = 120;

const NOTHING: Known = { fit: null, bits: null, rungs: null, safety: null };

/** What the worker is asked about a design: dials, materials and the youngest, nothing that leaves its answer as it is. */
function askOf(design: Design, materials: readonly MaterialRow[], market: Market): Ask {
  return {
    pattern: design.pattern,
    dials: design.dials,
    chosen: sizesOnly(chosenOf(design, materials)),
    approach: design.approach,
    ageFrom: design.ageFrom,
    market,
  };
}

/** Heavy work through the worker's door. While a dial moves only the newest wish is computed next. */
export function useHeavy(
  design: Design | null,
  materials: readonly MaterialRow[] | undefined,
  market: Market | undefined,
): Heavy {
  const [state, setState] = useState<{
    heavy: Known;
    id: number | null;
    of: Ask | null;
    problem: string | null;
  }>({ heavy: NOTHING, id: null, of: null, problem: null });
  const [tries, setTries] = useState(0);
  const busy = useRef(false);
  const wish = useRef<{ ask: Ask; id: number } | null>(null);
  // As words, so that a new name, another number of kits or a list read anew does not start the worker.
  const asked = design && materials && market ? JSON.stringify(askOf(design, materials, market)) : null;
  const ask = useMemo(() => (asked === null ? null : (JSON.parse(asked) as Ask)), [asked]);
  const id = design?.id ?? null;
  useEffect(() => {
    if (!ask || id === null) return;
    wish.current = { ask, id };
    if (busy.current) return;
    const run = async (): Promise<void> => {
      busy.current = true;
      while (wish.current) {
        const now = wish.current;
        wish.current = null;
        try {
          const door = workbench();
          const fit = await door.fit(now.ask);
          const bits = (await loadPattern(now.ask.pattern)).bits(now.ask, fit);
          // An answer is not as urgent as the next press.
          startTransition(() =>
            setState((s) => ({
              id: now.id,
              of: now.ask,
              problem: null,
              heavy: { ...(s.id === now.id ? s.heavy : NOTHING), fit, bits },
            })),
          );
          if (wish.current) continue;
          // While a dial is on the move its ladder and cautions can wait: they are asked for when it rests.
          await new Promise((go) => setTimeout(go, RESTS));
          if (wish.current) continue;
          const [safety, rungs] = [await door.safety(now.ask), await door.rungs(now.ask)];
          startTransition(() =>
            setState((s) => (s.id === now.id ? { ...s, heavy: { ...s.heavy, safety, rungs } } : s)),
          );
        } catch (error) {
          setState({ id: now.id, of: now.ask, heavy: NOTHING, problem: words(error) });
        }
      }
      busy.current = false;
    };
    void run();
  }, [ask, id, tries]);
  const again = useCallback(() => setTries((n) => n + 1), []);
  const own = state.id === id;
  const behind = !own || state.of !== ask;
  const { heavy, problem } = state;
  // One object as long as nothing in it moved, so that what shows it need not be drawn again.
  return useMemo(
    () => ({ ...(own ? heavy : NOTHING), behind, problem: own ? problem : null, again }),
    [own, heavy, behind, problem, again],
  );
}
