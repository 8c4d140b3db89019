import type { PartJson } from '../../db/json.ts';

/** How many belong to a kit as it was made: what was written off later is told beside it. */
const madeOf = (p: Pick<PartJson, 'due' | 'writtenOff'>): number => p.due + (p.writtenOff ?? 0);
const aside = (n: number | undefined, what: string): string => (n ? ` (${n} ${what})` : '');

/** Parts as a cell says them: `6 of 8 Cap (1 spoiled) (1 written off), 1 of 1 Tub`. */
export const countedWords = (
  parts: readonly Pick<PartJson, 'name' | 'due' | 'present' | 'spoiled' | 'writtenOff'>[],
): string =>
  parts
    .map(
      (p) =>
        `${p.present} of ${madeOf(p)} ${p.name}${aside(p.spoiled, 'spoiled')}${aside(p.writtenOff, 'written off')}`,
    )
    .join(', ');

const CELL = /^\s*(\d{1,5}) of (\d{1,5}) (.+?)(?: \((\d{1,5}) spoiled\))?(?: \((\d{1,5}) written off\))?\s*$/;

/**
 * A cell of counts for a kit whose parts are known; a part that the cell does not name is all there.
 *
 * @throws RangeError saying what was expected
 */
export function readCounted(text: string, parts: readonly PartJson[]): PartJson[] {
  const said = new Map<string, { present: number; spoiled: number; writtenOff: number }>();
  // A name may have a comma in it: a part begins with its figures.
  for (const piece of text.split(/,\s*(?=\d+ of \d+ )/)) {
    const m = CELL.exec(piece);
    if (!m) throw new RangeError('expected counts like “8 of 8 Cap, 1 of 1 Tub”');
    const name = m[3]!;
    const [present, made, spoiled, off] = [m[1], m[2], m[4], m[5]].map((n) => Number(n ?? 0)) as [
      number,
      number,
      number,
      number,
    ];
    const part = parts.find((p) => p.name.toLowerCase() === name.toLowerCase());
    if (!part)
      throw new RangeError(
        `has no “${name.slice(0, 40)}”; expected ${parts
          .map((p) => p.name)
          .join(', ')
          .slice(0, 160)}`,
      );
    if (made !== madeOf(part)) throw new RangeError(`has ${madeOf(part)} of ${part.name}, not ${made}`);
    if (present + spoiled + off > made) throw new RangeError(`expected at most ${made} of ${part.name}`);
    said.set(part.name, { present, spoiled, writtenOff: off });
  }
  return parts.map((part) => {
    const { spoiled: _, writtenOff: __, ...p } = part;
    const made = madeOf(part);
    const told = said.get(p.name) ?? { present: made, spoiled: 0, writtenOff: 0 };
    return {
      ...p,
      due: made - told.writtenOff,
      present: told.present,
      ...(told.spoiled > 0 ? { spoiled: told.spoiled } : {}),
      ...(told.writtenOff > 0 ? { writtenOff: told.writtenOff } : {}),
    };
  });
}
