import { z } from 'zod';
import type { DialSpec, Option } from './kernel.ts';

/** A dial that counts: a whole number from `least` to `most`; `of` says what is expected (“a number of pegs”). */
export const wholeNumber = (of: string, least: number, most: number) =>
  z
    .number({ error: `expected ${of}` })
    .int('must be a whole number')
    .min(least, least === 0 ? 'must not be negative' : `must be at least ${least}`)
    .max(most, `must be at most ${most.toLocaleString('en-GB')}`);

/** A dial that measures, from `least` to `most` of a unit (mm, degrees, grams) as it is written. */
export const measure = (unit: 'mm' | 'degrees' | 'g' | 'N' | 'h', least: number, most: number) => {
  const sign = unit === 'degrees' ? '°' : ` ${unit}`;
  return z
    .number({ error: `expected ${{ g: 'grams', h: 'hours', N: 'N', mm: 'mm', degrees: 'degrees' }[unit]}` })
    .min(least, least === 0 ? 'must not be negative' : `must be at least ${least}${sign}`)
    .max(most, `must be at most ${most.toLocaleString('en-GB')}${sign}`);
};

/** A dial with a few words to choose from. */
export const oneOf = <const T extends string>(values: readonly T[]) =>
  z.enum(values, { error: `expected one of ${values.join(', ')}` });

export const onOff = z.boolean({ error: 'expected true or false' });

type NumberSpec = Extract<DialSpec, { kind: 'number' }>;
/** How a number looks on the bench: its range and step in its unit. */
export const number = (
  id: string,
  label: string,
  unit: NumberSpec['unit'],
  [min, max, step]: readonly [number, number, number],
  why?: string,
): NumberSpec => ({
  kind: 'number',
  id,
  label,
  unit,
  min,
  max,
  step,
  ...(why === undefined ? {} : { why }),
});

/** How words to choose from look on the bench; a plain word is its own label. */
export const choice = (
  id: string,
  label: string,
  options: readonly (Option | string)[],
): Extract<DialSpec, { kind: 'choice' }> => ({
  kind: 'choice',
  id,
  label,
  options: options.map((o) =>
    typeof o === 'string' ? { value: o, label: o[0]!.toUpperCase() + o.slice(1) } : o,
  ),
});
