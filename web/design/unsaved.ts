import type { Design } from '../../contract/designs.ts';

/** A design whose last changes the server has not taken, with why; `theirs` is what it holds when another was first. */
export interface Unsaved {
  readonly draft: Design;
  readonly problem: string;
  readonly theirs: Design | null;
}
export type AllUnsaved = Readonly<Record<number, Unsaved>>;

/** Where they are kept: everybody's own apart, so that nobody sends what somebody else did. */
const keyOf = (who: string | null): string =>
  who === null ? 'fox-button.unsaved' : `fox-button.unsaved of ${who}`;

const isUnsaved = (x: unknown): x is Unsaved =>
  typeof x === 'object' &&
  x !== null &&
  typeof (x as Unsaved).draft?.id === 'number' &&
  typeof (x as Unsaved).draft.version === 'number' &&
  typeof (x as Unsaved).draft.dials === 'object';

/** What an earlier version kept: the approach among the dials, one material a role. */
function carriedForward(u: Unsaved): Unsaved {
  const forward = (d: Design): Design => {
    const { approach, ...dials } = d.dials;
    return {
      ...d,
      approach: d.approach ?? (approach as Design['approach']),
      dials: d.approach === undefined ? dials : d.dials,
      materials: Object.fromEntries(Object.entries(d.materials).map(([role, ids]) => [role, [ids].flat()])),
    };
  };
  return { ...u, draft: forward(u.draft), theirs: u.theirs && forward(u.theirs) };
}

/**
 * What this browser kept of designs that were not saved, through a reload too.
 *
 * @param who whose; null where nobody was signed in
 */
export function readUnsaved(who: string | null = null): AllUnsaved {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(keyOf(who)) ?? '{}');
    return Object.fromEntries(
      Object.values(read as Record<string, unknown>)
        .filter(isUnsaved)
        .map(carriedForward)
        .map((u) => [u.draft.id, u]),
    );
  } catch {
    return {};
  }
}

/** Keeps them in this browser. Where it keeps nothing (private windows), they last as long as the page. */
export function keepUnsaved(all: AllUnsaved, who: string | null = null): void {
  try {
    if (Object.keys(all).length === 0) localStorage.removeItem(keyOf(who));
    else localStorage.setItem(keyOf(who), JSON.stringify(all));
  } catch {
    // Nothing to be done: the page still holds them.
  }
}
