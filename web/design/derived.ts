import { asMeasured } from '../../core/materials/material.ts';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { challenge } from '../../core/challenge/bits.ts';
import { supply, type Supply } from '../../core/needs/short.ts';
import {
  patternOf,
  type AnyDials,
  type Chosen,
  type DialSpec,
  type Fit,
  type Layout,
  type Need,
  type OpenPattern,
  type Rung,
  type Show,
  type Step,
} from '../../core/patterns/index.ts';
import { handsOn, orderSteps, type Placed } from '../../core/plan/order.ts';
import type { SafetyReport } from '../../core/safety/check.ts';
import { words } from '../data/api.ts';
import { workbench, type Ask } from '../work/door.ts';

/** What follows from a design at once. */
export interface Light {
  readonly pattern: OpenPattern;
  readonly chosen: Chosen;
  readonly specs: DialSpec[];
  readonly layout: (fit?: Fit) => Layout;
  readonly needs: Need[];
  readonly supply: Supply;
  readonly steps: Step[];
  readonly placed: Placed[];
  readonly handsOn: { total: number; blade: number; elapsed: number };
  readonly show: Show;
}

export function chosenOf(design: Design, materials: readonly MaterialRow[]): Chosen {
  return Object.fromEntries(
    Object.entries(design.materials).map(([role, id]) => {
      const m = materials.find((x) => x.id === id);
      return [role, m && asMeasured(m)];
    }),
  );
}

/** Light work, or the words why the design cannot be read. */
export function lightOf(design: Design, materials: readonly MaterialRow[]): Light | { problem: string } {
  try {
    const pattern = patternOf(design.pattern);
    const chosen = chosenOf(design, materials);
    const needs = pattern.needs(design.dials, chosen);
    const steps = pattern.steps(design.dials, chosen);
    const placed = orderSteps(steps, design.copies);
    return {
      pattern,
      chosen,
      specs: pattern.dialSpecs(design.dials, chosen),
      layout: (fit) => pattern.layout(design.dials, chosen, fit),
      needs,
      supply: supply({ needs, copies: design.copies, shelf: new Map(materials.map((m) => [m.id, m])) }),
      steps,
      placed,
      handsOn: handsOn(placed),
      show: pattern.show(design.dials, chosen),
    };
  } catch (error) {
    return { problem: words(error) };
  }
}

/** The count kept does not change how a piece fits. */
const sizesOnly = (chosen: Chosen): Chosen =>
  Object.fromEntries(
    Object.entries(chosen).map(([role, m]) => [role, m && { ...m, kept: 0, waiting: 0, version: 0 }]),
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
}

const NOTHING: Known = { fit: null, bits: null, rungs: null, safety: null };

/** Heavy work through the worker's door. While a dial moves only the newest wish is computed next. */
export function useHeavy(design: Design | null, materials: readonly MaterialRow[] | undefined): Heavy {
  const [state, setState] = useState<{ heavy: Known; id: number | null; of: Ask | null }>({
    heavy: NOTHING,
    id: null,
    of: null,
  });
  const busy = useRef(false);
  const wish = useRef<{ ask: Ask; id: number } | null>(null);
  // As words, so that a new name, another number of kits or a list read anew does not start the worker.
  const asked =
    design && materials
      ? JSON.stringify({
          pattern: design.pattern,
          dials: design.dials,
          chosen: sizesOnly(chosenOf(design, materials)),
          youngest: design.ageFrom,
        })
      : null;
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
          const bits = challenge(patternOf(now.ask.pattern).moves(now.ask.dials, now.ask.chosen, fit)).total;
          setState((s) => ({
            id: now.id,
            of: now.ask,
            heavy: { ...(s.id === now.id ? s.heavy : NOTHING), fit, bits },
          }));
          if (wish.current) continue;
          const [safety, rungs] = [await door.safety(now.ask), await door.rungs(now.ask)];
          setState((s) => (s.id === now.id ? { ...s, heavy: { ...s.heavy, safety, rungs } } : s));
        } catch {
          setState({ id: now.id, of: now.ask, heavy: NOTHING });
        }
      }
      busy.current = false;
    };
    void run();
  }, [ask, id]);
  return state.id === id ? { ...state.heavy, behind: state.of !== ask } : { ...NOTHING, behind: true };
}
