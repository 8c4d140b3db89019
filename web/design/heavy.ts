import { useEffect, useState } from 'react';
import type { Design } from '../../contract/designs.ts';
import type { Load } from '../../core/challenge/load.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { loadPattern, type AnyDials, type Chosen, type Fit, type Level } from '../../core/patterns/index.ts';
import type { SafetyReport } from '../../core/safety/check.ts';
import { lookedOverOf } from '../../core/safety/lookedOver.ts';
import { madeAs, testsThatCount } from '../../core/safety/handTests.ts';
import type { RulesHere } from '../../contract/checking.ts';
import { words } from '../data/api.ts';
import { workbench, type Ask } from '../work/door.ts';
import { chosenOf } from './derived.ts';

/** What the worker finds of a design. */
export interface Heavy {
  readonly fit: Fit | null;
  /** How difficult it is; null where it does not work. */
  readonly load: Load | null;
  readonly levels: readonly Level<AnyDials>[] | null;
  readonly safety: SafetyReport | null;
  /** The fit is of dials that have moved on since, and the next one keeps one waiting. */
  readonly behind: boolean;
  /** Why the worker has no answer; `again` asks it once more. */
  readonly problem: string | null;
  readonly again: () => void;
}

export const NOTHING: Heavy = {
  fit: null,
  load: null,
  levels: null,
  safety: null,
  behind: false,
  problem: null,
  again: () => {},
};

/** A dial rests when nothing has moved for this long, ms. */
const RESTS = 120;
/** An answer that comes sooner than this is not called late, ms. */
const LATE = 200;

/** The count kept does not change how a piece fits. */
const sizesOnly = (chosen: Chosen): Chosen =>
  Object.fromEntries(
    Object.entries(chosen).map(([role, kinds]) => [
      role,
      kinds.map((m) => ({ ...m, kept: 0, waiting: 0, version: 0, clean: undefined, worth: undefined })),
    ]),
  );

/** Whose rules, as the place has changed them, and what was tested by hand. */
export type CheckedBy = Pick<RulesHere, 'market' | 'rules' | 'tests'>;

/** What the worker is asked about a design: dials, materials and the youngest, nothing that leaves its answer as it is. */
export const askOf = (design: Design, materials: readonly MaterialRow[], by: CheckedBy): Ask => {
  const chosen = chosenOf(design, materials);
  const tests = by.tests.filter((t) => t.designId === design.id);
  return {
    pattern: design.pattern,
    dials: design.dials,
    chosen: sizesOnly(chosen),
    approach: design.approach,
    ageFrom: design.ageFrom,
    market: by.market,
    rules: by.rules,
    mouths: design.mouths ?? false,
    lookedOver: lookedOverOf(chosen),
    tests: tests.length === 0 ? tests : testsThatCount(tests, madeAs(design)),
  };
};

/** Once what was turned is on the screen: an answer does not hold up the frame that shows the press it answers. */
export const afterPaint = (then: () => void): void => void requestAnimationFrame(() => setTimeout(then));

/** Asks the worker about a design, again and again as it changes. */
export interface Asker {
  /** The design asked about from now on; nothing of another one is told any more. */
  about(
    design: Design | null,
    materials: readonly MaterialRow[] | undefined,
    by: CheckedBy | undefined,
  ): void;
}

/**
 * Heavy work through the worker's door. While a dial moves only the newest wish is computed next; its ladder and cautions
 * wait until it rests. `tell` is called with all that is known whenever that changes.
 */
export function asker(tell: (heavy: Heavy) => void): Asker {
  let wish: { ask: Ask; id: number } | null = null;
  let last: { ask: Ask; id: number; said: string } | null = null;
  let busy = false;
  let late: ReturnType<typeof setTimeout> | null = null;
  const again = (): void => {
    if (last) start(last);
  };
  const nothing: Heavy = { ...NOTHING, again };
  let heavy = nothing;
  let telling = false;
  const say = (part: Partial<Heavy>): void => {
    heavy = { ...heavy, ...part };
    if (telling) return;
    telling = true;
    afterPaint(() => {
      telling = false;
      tell(heavy);
    });
  };
  /** Another design, or none: at once, so that nothing of the last one is seen beside it. */
  const forget = (): void => {
    heavy = nothing;
    tell(heavy);
  };
  const inTime = (): void => {
    if (late) clearTimeout(late);
    late = null;
  };
  const isAbout = (id: number): boolean => last?.id === id;
  const run = async (): Promise<void> => {
    busy = true;
    while (wish) {
      const now = wish;
      wish = null;
      try {
        const door = workbench();
        const fit = await door.fit(now.ask);
        const load = (await loadPattern(now.ask.pattern)).load(now.ask, fit);
        if (!isAbout(now.id)) continue;
        if (!wish) inTime();
        say({ fit, load, problem: null, behind: wish !== null && heavy.behind });
        if (wish) continue;
        await new Promise((go) => setTimeout(go, RESTS));
        if (wish) continue;
        const [safety, levels] = [await door.safety(now.ask), await door.levels(now.ask)];
        if (isAbout(now.id)) say({ safety, levels });
      } catch (error) {
        inTime();
        if (isAbout(now.id)) say({ ...nothing, problem: words(error) });
      }
    }
    busy = false;
  };
  const start = (what: { ask: Ask; id: number }): void => {
    wish = what;
    late ??= setTimeout(() => {
      late = null;
      say({ behind: true });
    }, LATE);
    if (!busy) void run();
  };
  return {
    about: (design, materials, by) => {
      if (!design) {
        if (last) forget();
        last = null;
        return;
      }
      if (!materials || !by) return;
      const ask = askOf(design, materials, by);
      // As words, so that a new name, another number of kits or a list read anew does not start the worker.
      const said = JSON.stringify(ask);
      if (last?.id === design.id && last.said === said) return;
      if (last?.id !== design.id && heavy !== nothing) forget();
      last = { ask, id: design.id, said };
      start(last);
    },
  };
}

/** What the worker finds of a design, for a station that shows one beside its own work. */
export function useHeavy(
  design: Design | null,
  materials: readonly MaterialRow[] | undefined,
  by: CheckedBy | undefined,
): Heavy {
  const [heavy, setHeavy] = useState(NOTHING);
  const [ask] = useState(() => asker(setHeavy));
  useEffect(() => ask.about(design, materials, by), [ask, design, materials, by]);
  return heavy;
}
