import type { PartJson } from '../../db/json.ts';

/** Parts as a cell says them: `8 of 8 Cap, 1 of 1 Tub`. */
export const countedWords = (parts: readonly Pick<PartJson, 'name' | 'due' | 'present'>[]): string =>
  parts.map((p) => `${p.present} of ${p.due} ${p.name}`).join(', ');

/**
 * A cell of counts for a kit whose parts are known; a part that the cell does not name is all there.
 *
 * @throws RangeError saying what was expected
 */
export function readCounted(text: string, parts: readonly PartJson[]): PartJson[] {
  const said = new Map<string, number>();
  // A name may have a comma in it: a part begins with its figures.
  for (const piece of text.split(/,\s*(?=\d+ of \d+ )/)) {
    const m = /^\s*(\d{1,5}) of (\d{1,5}) (.+?)\s*$/.exec(piece);
    if (!m) throw new RangeError('expected counts like “8 of 8 Cap, 1 of 1 Tub”');
    const [, present, due, name] = m as unknown as [string, string, string, string];
    const part = parts.find((p) => p.name.toLowerCase() === name.toLowerCase());
    if (!part)
      throw new RangeError(
        `has no “${name.slice(0, 40)}”; expected ${parts
          .map((p) => p.name)
          .join(', ')
          .slice(0, 160)}`,
      );
    if (Number(due) !== part.due) throw new RangeError(`has ${part.due} of ${part.name}, not ${due}`);
    if (Number(present) > part.due) throw new RangeError(`expected at most ${part.due} of ${part.name}`);
    said.set(part.name, Number(present));
  }
  return parts.map((p) => ({ ...p, present: said.get(p.name) ?? p.due }));
}
