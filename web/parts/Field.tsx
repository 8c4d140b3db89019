import { useId, useState } from 'react';
import { FieldError } from 'react-aria-components/FieldError';
import { Input } from 'react-aria-components/Input';
import { Label } from 'react-aria-components/Label';
import { TextArea as AriaTextArea } from 'react-aria-components/TextArea';
import { TextField as AriaTextField } from 'react-aria-components/TextField';
import { styled } from 'styled-components';
import { lengthNumber, parseLength, type LengthUnit } from '../../core/measure/length.ts';
import { printMoney, readMoney } from '../data/style.ts';
import { text } from './text.ts';

const Styled = styled(AriaTextField)`
  display: grid;
  gap: 4px;
  min-width: 0;
  align-content: start;
  label {
    font-size: 14px;
    color: var(--ink);
    font-weight: 600;
  }
  small {
    color: var(--slate);
    font-size: 12.5px;
  }
`;
const Box = styled.div`
  display: flex;
  align-items: center;
  gap: 6px;
  border: 1.5px solid var(--seam-strong);
  border-radius: 9px;
  background: var(--paper);
  padding: 0 12px;
  min-height: 44px;
  &:focus-within {
    outline: 3px solid var(--ink);
    outline-offset: 1px;
  }
  &[data-bad='true'] {
    border-color: var(--stop);
  }
  input {
    border: 0;
    background: none;
    flex: 1;
    min-width: 0;
    width: 100%;
    outline: none;
    padding: 8px 0;
  }
  span {
    color: var(--slate);
    font-size: 13px;
  }
`;
export const Wrong = styled(FieldError)`
  color: var(--stop);
  font-size: 13px;
  font-weight: 600;
`;

interface TextProps {
  label: string;
  value: string;
  onChange(value: string): void;
  error?: string | null | undefined;
  hint?: string;
  suffix?: string;
  required?: boolean;
  inputMode?: 'numeric' | 'decimal' | 'text';
  type?: 'text' | 'search' | 'password';
  /** What a browser may fill in by itself; nothing unless said. */
  autoComplete?: 'username' | 'current-password' | 'new-password';
  onBlur?(): void;
  /** Enter is for this, and not for sending the form. */
  onEnter?(): void;
  autoFocus?: boolean;
  /** What is typed could not be read, so the value is still the one before it. */
  unread?: boolean;
  className?: string;
  placeholder?: string;
}

/** The one text field of the house. */
export function TextField({
  label,
  value,
  onChange,
  error,
  hint,
  suffix,
  required,
  inputMode,
  type = 'text',
  autoComplete,
  onBlur,
  onEnter,
  autoFocus,
  unread,
  className,
  placeholder,
}: TextProps) {
  return (
    <Styled
      value={value}
      onChange={onChange}
      isInvalid={!!error}
      isRequired={!!required}
      validationBehavior="aria"
      type={type}
      className={className}
      {...(unread ? { 'data-unread': true } : {})}
      {...(onBlur ? { onBlur } : {})}
      {...(onEnter
        ? {
            onKeyDown: (e) => {
              if (e.key !== 'Enter') return e.continuePropagation();
              e.preventDefault();
              onEnter();
            },
          }
        : {})}
    >
      <Label>{label}</Label>
      <Box data-bad={!!error}>
        <Input
          inputMode={inputMode}
          autoFocus={autoFocus}
          autoComplete={autoComplete ?? 'off'}
          placeholder={placeholder}
        />
        {suffix && <span aria-hidden>{suffix}</span>}
      </Box>
      {hint && !error && <small>{hint}</small>}
      <Wrong>{error}</Wrong>
    </Styled>
  );
}

const Area = styled(AriaTextArea)`
  border: 1.5px solid var(--seam-strong);
  border-radius: 9px;
  background: var(--paper);
  padding: 10px 12px;
  min-height: 96px;
  resize: vertical;
  font: inherit;
  line-height: 1.4;
  &:focus {
    outline: 3px solid var(--ink);
    outline-offset: 1px;
  }
`;
/** Several lines of text. */
export function TextArea({
  label,
  value,
  most,
  onChange,
}: {
  label: string;
  value: string;
  most: number;
  onChange(value: string): void;
}) {
  return (
    <Styled value={value} onChange={onChange} maxLength={most}>
      <Label>{label}</Label>
      <Area />
    </Styled>
  );
}

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
  value: number | null;
  onChange(n: number | null): void;
  error?: string | null | undefined;
}

/** A whole number to type. */
export const CountField = (props: CountProps) => (
  <TypedField {...props} print={String} parse={readCount} inputMode="numeric" />
);

const StepperBox = styled.div`
  display: inline-flex;
  align-items: stretch;
  border: 1.5px solid var(--seam-strong);
  border-radius: 10px;
  overflow: hidden;
  background: var(--paper);
  button {
    width: 44px;
    height: 44px;
    border: 0;
    background: var(--linen);
    font: 700 20px/1 var(--display);
    cursor: pointer;
  }
  button:disabled {
    color: var(--seam-strong);
    cursor: default;
  }
  output {
    min-width: 48px;
    display: grid;
    place-items: center;
    font: 700 17px/1 var(--display);
  }
  &[data-short='true'] output {
    color: var(--stop);
  }
`;
/** Counting with one finger: less, the number, more. */
export function Stepper({
  label,
  value,
  min = 0,
  max,
  onChange,
  short = false,
}: {
  label: string;
  value: number;
  min?: number;
  max: number;
  onChange(n: number): void;
  short?: boolean;
}) {
  const id = useId();
  return (
    <StepperBox role="group" aria-labelledby={id} data-short={short}>
      <span id={id} hidden>
        {label}
      </span>
      <button
        type="button"
        aria-label={text('less', { label })}
        disabled={value <= min}
        onClick={() => onChange(value - 1)}
      >
        −
      </button>
      <output aria-label={label}>{value}</output>
      <button
        type="button"
        aria-label={text('more', { label })}
        disabled={value >= max}
        onClick={() => onChange(value + 1)}
      >
        +
      </button>
    </StepperBox>
  );
}
