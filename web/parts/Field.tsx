import { useId } from 'react';
import { FieldError } from 'react-aria-components/FieldError';
import { Input } from 'react-aria-components/Input';
import { Label } from 'react-aria-components/Label';
import { TextArea as AriaTextArea } from 'react-aria-components/TextArea';
import { TextField as AriaTextField } from 'react-aria-components/TextField';
import { styled } from 'styled-components';
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

export interface TextProps {
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
