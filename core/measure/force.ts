/** Standard gravity, m/s², and the avoirdupois pound, kg (ISO 80000-3; international yard and pound agreement, 1959). */
const G = 9.80665;
const POUND = 0.45359237;

const NEWTON_PER: Readonly<Record<string, number>> = {
  n: 1,
  kg: G,
  kgf: G,
  g: G / 1000,
  lb: G * POUND,
  lbs: G * POUND,
  lbf: G * POUND,
};

/**
 * Reads a force as a scale or a pinch gauge shows it: `24`, `24 N`, `2.4 kg`, `2,4kg`, `5 lb`, `400 g`; a bare number is N.
 *
 * @returns N
 * @throws RangeError saying what was expected
 * @example parseForce('5 lb') // => 22.241108
 */
export function parseForce(text: string): number {
  const match = /^(\d+(?:[.,]\d+)?|[.,]\d+)\s*(n|kgf?|g|lb[sf]?)?\.?$/.exec(text.trim().toLowerCase());
  if (!match)
    throw new RangeError(
      `“${text.trim().slice(0, 40)}” is not a force; write it like 24, 24 N, 2.4 kg or 5 lb`,
    );
  const newton = Number(match[1]!.replace(',', '.')) * NEWTON_PER[match[2] ?? 'n']!;
  return Math.round(newton * 1e6) / 1e6;
}

const trim = (n: number): string => String(Math.round(10 * n) / 10);

/** The number alone, N to a tenth. */
export const forceNumber = (newton: number): string => trim(newton);

/**
 * A force in every way that somebody may have measured it.
 *
 * @param newton N
 * @example forceWords(24) // => '24 N (2.4 kg, 5.4 lb)'
 */
export const forceWords = (newton: number): string =>
  `${trim(newton)} N (${trim(newton / G)} kg, ${trim(newton / (G * POUND))} lb)`;
