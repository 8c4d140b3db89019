import { useState } from 'react';
import { forceNumber, parseForce } from '../../core/measure/force.ts';
import { lengthNumber, parseLength, type LengthUnit } from '../../core/measure/length.ts';
import { printMoney, readMoney } from '../data/style.ts';
import { TextField, type TextProps } from './Field.tsx';
import { text } from './text.ts';

/** Text that stands for a value: keeps what was typed until it is read, and says why when it cannot be. */
function useTyped<T>(
  value: T | null,
  print: (v: T) => string,
  parse: (s: string) => T,
  onChange: (v: T | null) => void,
) {
  const shown = value === null ? '' : print(value);
  const [text, setText] = useState(shown);
  const [error, setError] = useState<string | null>(null);
  const [from, setFrom] = useState(shown);
  const means = (typed: string, printed: string): boolean => {
    try {
      return print(parse(typed)) === printed;
    } catch {
      return false;
    }
  };
  // The value moved from outside (a slider, a level): show it, unless what is typed means the same.
  if (shown !== from) {
    setFrom(shown);
    if (!means(text, shown)) {
      setText(shown);
      setError(null);
    }
  }
  return {
    text,
    error,
    type: (next: string) => {
      setText(next);
      if (next.trim() === '') {
        setError(null);
        onChange(null);
        return;
      }
      try {
        const read = parse(next);
        setError(null);
        onChange(read);
      } catch (e) {
        setError(e instanceof Error ? e.message : String(e));
      }
    },
  };
}

interface TypedProps<T> extends Pick<
  TextProps,
  'label' | 'error' | 'hint' | 'suffix' | 'inputMode' | 'required'
> {
  value: T | null;
  onChange(value: T | null): void;
  print(value: T): string;
  parse(text: string): T;
}
function TypedField<T>({ value, onChange, print, parse, error, ...rest }: TypedProps<T>) {
  const typed = useTyped(value, print, parse, onChange);
  return (
    <TextField
      {...rest}
      value={typed.text}
      onChange={typed.type}
      error={typed.error ?? error}
      unread={typed.error !== null}
    />
  );
}

interface LengthProps {
  label: string;
  mm: number | null;
  unit: LengthUnit;
  onChange(mm: number | null): void;
  error?: string | null | undefined;
}

/** The one length field: `1 1/2"`, `38`, `3.8 cm` all understood. */
export const LengthField = ({ mm, unit, ...rest }: LengthProps) => (
  <TypedField
    {...rest}
    value={mm}
    print={(v) => lengthNumber(v, unit)}
    parse={(s) => parseLength(s, unit)}
    suffix={unit}
    inputMode={unit === 'mm' ? 'decimal' : 'text'}
  />
);

interface ForceProps {
  label: string;
  newton: number | null;
  hint?: string;
  onChange(newton: number | null): void;
  error?: string | null | undefined;
}

/** The one force field: `24`, `2.4 kg`, `5 lb` all understood, kept in N. */
export const ForceField = ({ newton, ...rest }: ForceProps) => (
  <TypedField {...rest} value={newton} print={forceNumber} parse={parseForce} suffix="N" inputMode="text" />
);

interface MoneyProps {
  label: string;
  minor: number | null;
  onChange(minor: number | null): void;
}

/** A price in whole minor units, written with the places of the currency. */
export const MoneyField = ({ minor, ...rest }: MoneyProps) => (
  <TypedField {...rest} value={minor} print={printMoney} parse={readMoney} inputMode="decimal" />
);

const readCount = (s: string): number => {
  if (!/^\d{1,7}$/.test(s.trim())) throw new RangeError(text('expectedWholeNumber'));
  return Number(s.trim());
};

interface CountProps {
  label: string;
  suffix?: string;
  value: number | null;
  onChange(n: number | null): void;
  error?: string | null | undefined;
}

/** A whole number to type. */
export const CountField = (props: CountProps) => (
  <TypedField {...props} print={String} parse={readCount} inputMode="numeric" />
);
