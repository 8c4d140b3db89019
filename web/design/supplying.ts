import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { restOf, type BenchDesign, type Supply } from '../../core/needs/supply.ts';
import { words } from '../data/api.ts';
import { workbench } from '../work/door.ts';
import { afterPaint, askOf, type CheckedBy } from './heavy.ts';
import { text } from './text.ts';

/** What the worker finds that a design takes of the shelf, or why it cannot be cut. */
export interface Supplied {
  readonly supply: Supply | null;
  readonly problem: string | null;
}
export const NOT_YET: Supplied = { supply: null, problem: null };

interface Wish {
  readonly design: Design;
  readonly materials: readonly MaterialRow[];
  readonly by: CheckedBy;
  readonly bench: readonly BenchDesign[];
}

/** Tells one shelf from the next: as lists they are made anew only when something in them moved. */
let told = 0;

/**
 * Asks the worker what a design takes of the shelf and what of that is there, again and again as it changes; of many
 * wishes only the newest is answered. Laying parts on sheets is slow, so no press of a dial waits for it.
 */
export function supplier(tell: (supplied: Supplied) => void): { about(wish: Wish | null): void } {
  let wish: Wish | null = null;
  let last: Wish | null = null;
  let shelf: Pick<Wish, 'materials' | 'bench'> | null = null;
  let number = 0;
  let busy = false;
  const answer = async ({ design, materials, by, bench }: Wish): Promise<Supply> => {
    const door = workbench();
    const isNew = shelf?.materials !== materials || shelf.bench !== bench;
    if (isNew) {
      shelf = { materials, bench };
      number = ++told;
    }
    const of = { shelf: number, copies: restOf(design), designId: design.id };
    const ask = askOf(design, materials, by);
    let found = isNew ? null : await door.supply(ask, of);
    // A worker that was started anew meanwhile knows of no shelf either.
    for (let tries = 0; !found && tries < 2; tries++) {
      await door.shelf(number, { kept: materials.map((m) => [m.id, m.kept]), bench });
      found = await door.supply(ask, of);
    }
    if (!found) throw new Error(text('whatOnShelfCould'));
    return found;
  };
  const run = async (): Promise<void> => {
    busy = true;
    while (wish) {
      const now = wish;
      wish = null;
      const said = await answer(now).then(
        (supply): Supplied => ({ supply, problem: null }),
        (error: unknown): Supplied => ({ supply: null, problem: words(error) }),
      );
      if (last?.design.id === now.design.id)
        afterPaint(() => {
          if (last?.design.id === now.design.id) tell(said);
        });
    }
    busy = false;
  };
  return {
    about: (next) => {
      if (next?.design.id !== last?.design.id) tell(NOT_YET);
      last = wish = next;
      if (next && !busy) void run();
    },
  };
}
