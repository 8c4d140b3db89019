import type { Verdict } from '../patterns/kernel.ts';
import { skillPlain } from '../patterns/skillWords.ts';
import { chanceAt, isKnownChance, type Ability, type Chance, type LadderModel } from './ladderModel.ts';
import { isAlone, LIKED, managedAlone, type Watched } from './outcomes.ts';

/** The chance of managing alone that stretches without discouraging (common practice: about seven in ten), and of a tired day. */
export const STRETCH = 0.7;
const TIRED = 0.9;
/** Sittings in a row on one level, no slower and no higher, after which it bores. */
const UNCHANGED = 3;

/** A level of a design of which a kit is in, clean and whole. */
export interface Candidate {
  readonly designId: number;
  readonly design: string;
  readonly skill: string;
  readonly level: string;
  readonly bits: number;
  /** A kit that can be taken now. */
  readonly label: string;
  /** What the check says of it for this child, and why it stops it. */
  readonly check: {
    readonly verdict: Verdict;
    /** The first thing that was found, and what it is called; null where nothing was. */
    readonly title: string | null;
    readonly words: string | null;
  };
}
export interface Suggestion extends Candidate, Chance {
  readonly reason: string;
}
export interface WhatNext {
  /** What it serves. */
  readonly skill: string;
  /** Best first, then easier for a tired day, then another skill; null where nothing fits. */
  readonly next: Suggestion | null;
  readonly easier: Suggestion | null;
  readonly other: Suggestion | null;
  /** Designs that are left out since they bore, with why. */
  readonly bored: readonly { readonly design: number; readonly why: string }[];
  /** Designs that are left out since the check stops them for this child, with why. */
  readonly stopped: readonly { readonly design: string; readonly label: string; readonly why: string }[];
}

/** Why a design bores this child, or null: said so, liked less and less, or faster and unchanged. `notes` of one child, oldest first. */
export function boredOf(notes: readonly Watched[], designId: number): string | null {
  const own = notes.filter((n) => n.designId === designId);
  const last = own.at(-1);
  if (!last) return null;
  if (last.liked === 'bored' || last.liked === 'refused') return `“${last.liked}” at the last sitting`;
  const said = own.flatMap((n) => (n.liked === null ? [] : [LIKED.indexOf(n.liked)])).slice(-UNCHANGED);
  // From loved to fine is one step, and one step is a mood: it takes three sittings, never better, worse by the end.
  if (said.length === UNCHANGED && said.every((x, i) => i === 0 || x >= said[i - 1]!) && said[2]! > said[0]!)
    return `liked less over the last ${UNCHANGED} sittings`;
  const recent = own.slice(-UNCHANGED);
  if (recent.length < UNCHANGED || new Set(recent.map((n) => n.level)).size > 1) return null;
  const pace = recent.map((n) => (n.seconds !== null && n.count ? n.seconds / n.count : null));
  const isFaster = pace.every((s, i) => s !== null && (i === 0 || s < pace[i - 1]!));
  return isFaster && recent.every((n) => managedAlone(n) === 1)
    ? `faster each time on the same level, ${UNCHANGED} sittings in a row`
    : null;
}

/** Fewer notes on a child than this, and what is said of it is a guess, however many the place has (common practice). */
const GUESSED = 6;
const ten = (chance: number): number => Math.round(10 * chance);
/** How likely it is managed alone, with the interval and what it rests on; or that nobody knows. */
const likely = (c: Chance, what: string, notes: number): string =>
  isKnownChance(c)
    ? `about ${ten(c.chance)} in 10 to manage ${what} alone (between ${ten(c.low)} and ${ten(c.high)} in 10; ${notes} ${notes === 1 ? 'note' : 'notes'})`
    : `how likely ${what} is managed alone is not known yet (${notes} ${notes === 1 ? 'note' : 'notes'})`;
const begun = (words: string): string => words.replace(/^./, (x) => x.toUpperCase());

/** What the last of some sittings showed, in words. */
function lastWords(notes: readonly Watched[]): string | null {
  const last = notes.at(-1);
  if (!last) return null;
  const how =
    managedAlone(last) === 1
      ? 'was managed alone'
      : isAlone(last.help)
        ? 'was not yet managed'
        : `was done with ${last.help === 'verbal prompt' ? 'a verbal prompt' : last.help}`;
  return `“${last.level}” ${how}`;
}

/**
 * What to offer a child next: the level whose chance of managing alone is nearest to seven in ten and that serves the skill,
 * of what is in and clean. What bores is left out, for something else of the same skill. A suggestion, never a diagnosis.
 *
 * @param notes the child's own, oldest first
 */
export function whatNext(options: {
  notes: readonly Watched[];
  candidates: readonly Candidate[];
  model: LadderModel;
  /** The child's at a skill. */
  ability: (skill: string) => Ability;
  /** What the child's notes leave unknown of a design's pattern, logits; nothing where it is left out. */
  doubt?: (c: Candidate) => number;
  /** The aim. */
  skill: string;
  nameOf: (designId: number) => string;
  skillOf: (designId: number) => string | undefined;
}): WhatNext {
  const { notes, candidates, model, ability, skill, nameOf, skillOf } = options;
  const boring = new Map<number, string>();
  for (const id of new Set(candidates.map((c) => c.designId))) {
    const why = boredOf(notes, id);
    if (why) boring.set(id, why);
  }
  const rated = candidates
    .filter((c) => !boring.has(c.designId) && c.check.verdict !== 'stop')
    .map((c) => ({ ...c, ...chanceAt(ability(c.skill), model.difficulty(c), options.doubt?.(c)) }));
  const nearest = (list: typeof rated, wish: number): (typeof rated)[number] | null =>
    list.reduce<(typeof rated)[number] | null>(
      (best, c) => (best === null || Math.abs(c.chance - wish) < Math.abs(best.chance - wish) ? c : best),
      null,
    );
  const served = rated.filter((c) => c.skill === skill);
  // What is no harder than a level of the same design that was managed alone is for a tired day.
  const done = new Map<number, number>();
  for (const n of notes)
    if (managedAlone(n) === 1) done.set(n.designId, Math.max(done.get(n.designId) ?? 0, n.bits));
  const isOpen = (c: Candidate): boolean => c.bits > (done.get(c.designId) ?? -1) + 1e-6;
  const next = nearest(served.filter(isOpen), STRETCH);
  const tired = served.filter((c) => next === null || c.chance > next.chance + 0.05);
  const easier = nearest(tired, TIRED);
  const other = nearest(
    rated.filter((c) => c.skill !== skill && isOpen(c)),
    STRETCH,
  );
  const guess =
    notes.length < GUESSED || model.isGuess
      ? ` A guess: ${notes.length < GUESSED ? 'few notes on this child' : 'too few notes'} yet.`
      : '';
  const said = (
    c: (typeof rated)[number] | null,
    words: (c: (typeof rated)[number]) => string,
  ): Suggestion | null => c && { ...c, reason: `${words(c)}${guess}` };
  /** The last sitting on the design itself, else on another of the skill. */
  const because = (c: Candidate): string => {
    const own = lastWords(notes.filter((n) => n.designId === c.designId));
    if (own) return `${own}; `;
    const near = notes.filter((n) => skillOf(n.designId) === c.skill);
    const before = lastWords(near);
    return before ? `${nameOf(near.at(-1)!.designId)}, ${before}; ` : '';
  };
  const instead = [...boring].filter(([id]) =>
    candidates.some((c) => c.designId === id && c.skill === skill),
  );
  return {
    skill,
    next: said(next, (c) =>
      instead.length > 0 && !notes.some((n) => n.designId === c.designId)
        ? `Something else for the same skill: ${likely(c, 'it', notes.length)}.`
        : begun(`${because(c)}${likely(c, 'this', notes.length)}.`),
    ),
    easier: said(easier, (c) => begun(`${likely(c, 'it', notes.length)}.`)),
    other: said(other, (c) => `${skillPlain(c.skill)}: ${likely(c, 'it', notes.length)}.`),
    bored: [...boring].map(([design, why]) => ({ design, why })),
    stopped: [
      ...new Map(
        candidates
          .filter((c) => c.check.verdict === 'stop')
          .map((c) => [
            c.designId,
            { design: c.design, label: c.label, why: (c.check.title ?? 'stopped').toLowerCase() },
          ]),
      ).values(),
    ],
  };
}
