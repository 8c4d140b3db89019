import { chanceAt, type Ability, type LadderModel } from './ladderModel.ts';
import { managedAlone, type Watched } from './outcomes.ts';
import { boredOf, STRETCH } from './whatNext.ts';

/** The group a child belongs to: its code up to the dash, as `G` of `G-04`; all of a code without one. */
export const groupOf = (child: string): string => child.split('-')[0]!;

/** Where a child stands at a design. */
interface GroupPlace {
  readonly child: string;
  /** The hardest level managed alone; null where none was yet. */
  readonly alone: string | null;
  /** The level of the latest sitting. */
  readonly last: string;
}
/** A design as a group meets it. */
export interface GroupDesign {
  readonly designId: number;
  readonly places: readonly GroupPlace[];
  /** Everybody needs help at every level so far, or most find it dull. */
  readonly says: 'too hard' | 'dull' | null;
}

/** So many of a group must have tried something before it says anything of the group. */
const LEAST_TRIED = 2;

/** Who is where on which ladder. `notes` of the children of one group, oldest first. */
export function groupDesigns(notes: readonly Watched[]): GroupDesign[] {
  /** By design and child, each in the order of the notes. */
  const byDesign = new Map<number, Map<string, Watched[]>>();
  for (const n of notes) {
    const children = byDesign.get(n.designId) ?? new Map<string, Watched[]>();
    byDesign.set(n.designId, children);
    const theirs = children.get(n.child) ?? [];
    children.set(n.child, theirs);
    theirs.push(n);
  }
  return [...byDesign].map(([designId, children]) => {
    const places = [...children].map(([child, theirs]): GroupPlace => {
      const best = theirs
        .filter((n) => managedAlone(n) === 1)
        .reduce<Watched | null>((a, n) => (a === null || n.bits > a.bits ? n : a), null);
      return { child, alone: best?.level ?? null, last: theirs.at(-1)!.level };
    });
    const bored = [...children.values()].filter((theirs) => boredOf(theirs, designId) !== null).length;
    const says =
      places.length < LEAST_TRIED
        ? null
        : places.every((p) => p.alone === null)
          ? 'too hard'
          : 2 * bored > places.length
            ? 'dull'
            : null;
    return { designId, places, says };
  });
}

/** A design of which a group has no kit, and how many of its children one of its levels would suit. */
export interface ToMake {
  readonly designId: number;
  readonly level: string;
  /** Children for whom a level of it lies near seven in ten. */
  readonly suits: number;
}
/** A level suits from half to nine in ten: it stretches and does not discourage (common practice). */
const SUITS = [0.5, 0.9] as const;

/** What to make next for a group: designs that suit most of its children, those with the nearest level first. */
export function toMake(
  children: readonly string[],
  candidates: readonly {
    readonly designId: number;
    readonly level: string;
    readonly bits: number;
    readonly skill: string;
  }[],
  model: LadderModel,
  ability: (child: string, skill: string) => Ability,
  doubt: (child: string, level: { readonly designId: number; readonly level: string }) => number = () => 0,
): ToMake[] {
  const rated = candidates.map((c) => {
    const chances = children.map(
      (child) => chanceAt(ability(child, c.skill), model.difficulty(c), doubt(child, c)).chance,
    );
    return {
      designId: c.designId,
      level: c.level,
      suits: chances.filter((p) => p >= SUITS[0] && p <= SUITS[1]).length,
      off: chances.reduce((n, p) => n + Math.abs(p - STRETCH), 0),
    };
  });
  const best = new Map<number, (typeof rated)[number]>();
  for (const r of rated) {
    const before = best.get(r.designId);
    if (!before || r.suits > before.suits || (r.suits === before.suits && r.off < before.off))
      best.set(r.designId, r);
  }
  return [...best.values()]
    .filter((r) => r.suits > 0)
    .sort((a, b) => b.suits - a.suits || a.off - b.off)
    .map(({ designId, level, suits }) => ({ designId, level, suits }));
}
