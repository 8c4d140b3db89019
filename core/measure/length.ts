/** How a place writes lengths. Everything inside is mm. */
export type LengthUnit = 'mm' | 'in';

const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
  '″': 25.4,
  '”': 25.4,
  "''": 25.4,
};
const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/**
 * Reads a length as people write it: `38`, `3.8 cm`, `3,8cm`, `1 1/2"`, `1-1/2 in`, `1½″`, `0.04 m`.
 *
 * @param unit what a bare number means
 * @returns mm
 * @throws RangeError saying what was expected
 */
export function parseLength(text: string, unit: LengthUnit): number {
  const fail = (): never => {
    throw new RangeError(`“${text.trim().slice(0, 40)}” is not a length; write it like 38, 3.8 cm or 1 1/2"`);
  };
  const spaced = text
    .trim()
    .toLowerCase()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (c) => ` ${VULGAR[c]}`);
  const match =
    /^(?:(\d+(?:[.,]\d+)?|[.,]\d+)(?![\d/]))?(?:[\s-]*(\d+)\s*[/⁄]\s*(\d+))?\s*(mm|cm|m|in|inch|inches|"|″|”|'')?\.?$/.exec(
      spaced.trim(),
    );
  if (!match || (match[1] === undefined && match[2] === undefined)) return fail();
  const whole = match[1] === undefined ? 0 : Number(match[1].replace(',', '.'));
  const [over, under] = [Number(match[2] ?? 0), Number(match[3] ?? 1)];
  if (under === 0) return fail();
  const per = MM_PER[match[4] ?? unit]!;
  const mm = (whole + over / under) * per;
  if (!Number.isFinite(mm)) return fail();
  return Math.round(mm * 1e6) / 1e6;
}

/** The number alone: mm to a tenth, inches as whole and sixteenths. */
export function lengthNumber(mm: number, unit: LengthUnit): string {
  if (unit === 'mm') return trim(mm.toFixed(1));
  const sign = mm < 0 ? '−' : '';
  const sixteenths = Math.round((Math.abs(mm) / 25.4) * 16);
  const whole = Math.floor(sixteenths / 16);
  let [n, d] = [sixteenths % 16, 16];
  while (n > 0 && n % 2 === 0) [n, d] = [n / 2, d / 2];
  if (n === 0) return `${sixteenths === 0 ? '' : sign}${whole}`;
  return `${sign}${whole > 0 ? `${whole} ` : ''}${n}/${d}`;
}

/** A length with its unit, as printed beside a drawing. */
export const formatLength = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? `${lengthNumber(mm, unit)} mm` : `${lengthNumber(mm, unit)}″`;

/**
 * A sentence with its lengths in the place's unit: families and rules write millimetres. What is too short to be written
 * in sixteenths stays as it is.
 *
 * @example inUnit('Keep 12.7 mm of lid all round.', 'in') // => 'Keep 1/2″ of lid all round.'
 */
export function inUnit(text: string, unit: LengthUnit): string {
  if (unit === 'mm') return text;
  return text.replace(/((?:\d+(?:\.\d+)? × )*\d+(?:\.\d+)?) mm(?![²³\w])/g, (whole, numbers: string) => {
    const said = numbers.split(' × ').map((n) => lengthNumber(Number(n), unit));
    return said.includes('0') ? whole : said.map((n) => `${n}″`).join(' × ');
  });
}

const trim = (s: string): string => s.replace(/\.0$/, '').replace(/^-0$/, '0').replace(/^-/, '−');
