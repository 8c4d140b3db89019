import { shortDay } from '../../calendar/days.ts';
import {
  dueDay,
  firstInLine,
  freeAfter,
  isNotNew,
  placeKey,
  startDay,
  termStarts,
  type TermEntry,
  type TermProblem,
} from './termProblem.ts';

/** Entries by what is wrong with them, in words; entries without a fault are not in it. */
export type TermFaults = ReadonlyMap<TermEntry, readonly string[]>;

/**
 * Looks a plan over, however it came about: in use, free by then, in one place, clean and rested, new to the family, nothing
 * against their allergies or the youngest at home.
 *
 * @param locale how days are written (BCP 47)
 */
export function checkTerm(
  { shape, kits, borrowers, settled }: TermProblem,
  entries: readonly TermEntry[],
  locale?: string,
): TermFaults {
  const starts = new Set(termStarts(shape));
  const byId = new Map(kits.map((k) => [k.kitId, k]));
  const families = new Map(borrowers.map((b) => [b.id, b]));
  const faults = new Map<TermEntry, string[]>();
  const say = (e: TermEntry, words: string): void => void faults.set(e, [...(faults.get(e) ?? []), words]);
  const day = (d: string): string => shortDay(d, locale);
  const isOfKind = (e: TermEntry, kind: string): boolean => byId.get(e.kitId)?.kind === kind;
  const uses = new Map<number, TermEntry[]>();
  const seen = new Set<string>();
  for (const e of [...entries].sort((a, b) => a.week - b.week)) {
    // What was lent, or not, is over: how its kit stands is in the kit's own state.
    if (settled?.has(placeKey(e))) continue;
    const kit = byId.get(e.kitId);
    const family = families.get(e.borrowerId);
    if (!family) {
      say(e, 'This family is not in the plan.');
      continue;
    }
    if (!kit) {
      say(e, 'There is no such kit any more.');
      continue;
    }
    if (!starts.has(e.week)) say(e, 'Nothing changes hands in this week.');
    if (seen.has(placeKey(e))) say(e, `${family.name} has another kit from this week on.`);
    seen.add(placeKey(e));
    if (kit.notLent !== null) say(e, `${kit.label} ${kit.notLent}.`);
    else if (kit.freeFrom > startDay(shape, e.week))
      say(
        e,
        `${kit.keptFor === null ? `${kit.label} is` : `${kit.label} is kept for ${kit.keptFor} first;`} back, clean and rested from ${day(kit.freeFrom)} on.`,
      );
    const against = family.against.get(kit.kind);
    if (against) say(e, against);
    if (!e.again && isNotNew(kit, family)) say(e, `${family.name} had ${kit.name} before.`);
    for (const first of firstInLine(borrowers, kit.kind, family))
      if (!entries.some((o) => o.borrowerId === first.id && o.week <= e.week && isOfKind(o, kit.kind)))
        say(
          e,
          `${first.name} reserved ${kit.name} on ${day(first.waitsFor.get(kit.kind)!)} and has it first.`,
        );
    for (const other of uses.get(kit.kitId) ?? [])
      if (freeAfter(shape, other.week, kit.idleDays) > startDay(shape, e.week)) {
        const who = families.get(other.borrowerId)!.name;
        const due = dueDay(shape, other.week);
        say(
          e,
          due > startDay(shape, e.week)
            ? `${kit.label} is with ${who} until ${day(due)}.`
            : `${kit.label} comes back from ${who} on ${day(due)}; it is clean and rested from ${day(freeAfter(shape, other.week, kit.idleDays))} on.`,
        );
      }
    uses.set(kit.kitId, [...(uses.get(kit.kitId) ?? []), e]);
  }
  for (const b of borrowers) {
    const own = entries
      .filter((e) => e.borrowerId === b.id && settled?.get(placeKey(e)) !== 'missed')
      .sort((a, c) => a.week - c.week);
    own.forEach((e, i) => {
      if (settled?.has(placeKey(e))) return;
      const kit = byId.get(e.kitId);
      const before = own
        .slice(0, i)
        .find((o) => kit && byId.get(o.kitId)?.designs.some((d) => kit.designs.includes(d)));
      if (kit && before && !e.again)
        say(e, `${b.name} has ${byId.get(before.kitId)!.name} from ${day(startDay(shape, before.week))} on.`);
    });
  }
  return faults;
}
