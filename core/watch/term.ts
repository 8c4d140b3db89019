import type { Day } from '../calendar/days.ts';
import { aloneIn, levelKey, type Watched } from './outcomes.ts';

/** A kit's count as it is on record: what was there, and what was filled from the shelf. */
export interface CountOnRecord {
  readonly kitId: number;
  readonly on: Day;
  /** It came after a loan. */
  readonly afterLoan: boolean;
  readonly parts: readonly {
    readonly name: string;
    readonly materialId: number | null;
    readonly due: number;
    readonly present: number;
    /** Of those that were missing, how many turned up since. */
    readonly found?: number | undefined;
  }[];
  readonly filled: readonly { readonly materialId: number; readonly quantity: number }[];
}

/** What went missing, by what it is. */
export interface Loss {
  readonly name: string;
  readonly materialId: number | null;
  readonly lost: number;
}

/**
 * Pieces that were there at one count and not at the next after a loan, within a time, by what they are, most first. What was
 * missing before is not lost again.
 *
 * @param counts of all time, oldest first: the count before says what was lent
 */
export function lossesIn(counts: readonly CountOnRecord[], from: Day, to: Day): Loss[] {
  const there = new Map<string, number>();
  const losses = new Map<string, { name: string; materialId: number | null; lost: number }>();
  for (const c of counts)
    for (const p of c.parts) {
      const key = `${c.kitId} ${p.name}`;
      const before = there.get(key) ?? p.due;
      const found = p.found ?? 0;
      // What turned up since was not lost.
      const gone = Math.max(0, before - p.present - found);
      const filled = c.filled
        .filter((f) => f.materialId === p.materialId)
        .reduce((n, f) => n + f.quantity, 0);
      there.set(key, Math.min(p.due, p.present + found + filled));
      if (gone === 0 || !c.afterLoan || c.on < from || c.on > to) continue;
      const of = String(p.materialId ?? p.name);
      const loss = losses.get(of) ?? { name: p.name, materialId: p.materialId, lost: 0 };
      loss.lost += gone;
      losses.set(of, loss);
    }
  return [...losses.values()].sort((a, b) => b.lost - a.lost || (a.name < b.name ? -1 : 1));
}

/** What notes of a time say of one design. */
export interface Learned {
  readonly designId: number;
  readonly sittings: number;
  readonly children: number;
  /** Levels that a child managed alone for the first time, all children together. */
  readonly newlyAlone: number;
  /** Sittings that were loved or fine, of those where that was noted. */
  readonly liked: readonly [good: number, noted: number];
}

/** What was learned within a time, by design, what brought most first. `notes` of all time, oldest first. */
export function learnedIn(notes: readonly Watched[], from: Day, to: Day): Learned[] {
  const alone = new Set<string>();
  interface Open {
    sittings: number;
    children: Set<string>;
    newlyAlone: number;
    liked: [number, number];
  }
  const designs = new Map<number, Open>();
  for (const n of notes) {
    const isIn = n.satOn >= from && n.satOn <= to;
    const of = designs.get(n.designId) ?? {
      sittings: 0,
      children: new Set<string>(),
      newlyAlone: 0,
      liked: [0, 0] as [number, number],
    };
    if (isIn) {
      designs.set(n.designId, of);
      of.sittings++;
      of.children.add(n.child);
      if (n.liked !== null) {
        of.liked[1]++;
        if (n.liked === 'loved it' || n.liked === 'fine') of.liked[0]++;
      }
    }
    for (const level of aloneIn(n)) {
      const key = `${n.child} ${levelKey({ designId: n.designId, level })}`;
      if (alone.has(key)) continue;
      alone.add(key);
      if (isIn) of.newlyAlone++;
    }
  }
  return [...designs]
    .map(([designId, d]) => ({
      designId,
      sittings: d.sittings,
      children: d.children.size,
      newlyAlone: d.newlyAlone,
      liked: d.liked,
    }))
    .sort((a, b) => b.newlyAlone - a.newlyAlone || b.sittings - a.sittings);
}

/** A level that a child manages alone, since when. */
export interface FirstAlone {
  readonly designId: number;
  readonly level: string;
  readonly since: Day;
}

/** Levels that a child managed alone up to a day, each with the first day, the latest last. `notes` of all time, oldest first. */
export function firstAlone(notes: readonly Watched[], child: string, to: Day): FirstAlone[] {
  const found = new Map<string, FirstAlone>();
  for (const n of notes) {
    if (n.child !== child || n.satOn > to) continue;
    for (const level of aloneIn(n)) {
      const key = levelKey({ designId: n.designId, level });
      if (!found.has(key)) found.set(key, { designId: n.designId, level, since: n.satOn });
    }
  }
  return [...found.values()];
}
