import { useId, useState } from 'react';
import { Label } from 'react-aria-components/Label';
import { Slider, SliderThumb, SliderTrack } from 'react-aria-components/Slider';
import { styled } from 'styled-components';
import { parseLength, type LengthUnit } from '../../core/measure/length.ts';
import { factValue } from '../../core/patterns/factWords.ts';
import type { DialSpec } from '../../core/patterns/kernel.ts';
import { text } from './text.ts';

const Styled = styled(Slider)`
  contain: layout style;
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  align-items: center;
  font-size: 14px;
  label {
    font-weight: 600;
  }
  .type {
    width: 92px;
    text-align: right;
    border: 1px solid transparent;
    border-radius: 7px;
    background: transparent;
    font: 700 16px/1.2 var(--display);
    padding: 4px 6px;
    min-height: 32px;
  }
  .type:hover,
  .type:focus {
    border-color: var(--seam-strong);
    background: var(--oat);
  }
  .type[data-bad='true'] {
    border-color: var(--stop);
    color: var(--stop);
  }
  .track {
    grid-column: 1 / 3;
    height: 30px;
    position: relative;
    width: 100%;
    cursor: pointer;
  }
  .track::before {
    content: '';
    position: absolute;
    inset: 13px 0 auto;
    height: 4px;
    border-radius: 2px;
    background: var(--seam);
  }
  .fill {
    position: absolute;
    left: 0;
    top: 13px;
    height: 4px;
    border-radius: 2px;
    background: var(--fox);
  }
  .thumb {
    top: 50%;
    width: 22px;
    height: 22px;
    border-radius: 50%;
    background:
      radial-gradient(circle 1.6px at 8px 8px, var(--fox) 99%, transparent),
      radial-gradient(circle 1.6px at 11px 11px, var(--fox) 99%, transparent), var(--paper);
    border: 2px solid var(--fox);
  }
  .thumb::after {
    content: '';
    position: absolute;
    inset: -12px;
  }
  .thumb[data-dragging] {
    background-color: var(--fox-tint);
  }
  .thumb[data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
    border-radius: 50%;
  }
  small {
    grid-column: 1 / 3;
    font-size: 12.5px;
    line-height: 1.3;
    color: var(--slate);
  }
  em {
    grid-column: 1 / 3;
    color: var(--stop);
    font-style: normal;
    font-size: 12.5px;
  }
`;

/** A dial of a pattern: drag it, step it with the arrow keys, or type into its figure. */
export function Dial({
  spec,
  value,
  unit,
  onChange,
  isDisabled = false,
}: {
  spec: Extract<DialSpec, { kind: 'number' }>;
  value: number;
  unit: LengthUnit;
  onChange(v: number): void;
  isDisabled?: boolean;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [of, setOf] = useState(value);
  const errorId = useId();
  // The value moved by other means: what was typed before is no answer to it.
  if (of !== value) {
    setOf(value);
    if (typed !== null) setTyped(null);
  }
  const print = (v: number): string =>
    factValue({ id: spec.id, label: spec.label, value: v, unit: spec.unit }, unit);
  const read = (words: string): number => {
    if (spec.unit === 'mm') return parseLength(words, unit);
    const n = Number(words.replace(/(°|%|g|N|h|ml)\s*$/, '').trim());
    if (!Number.isFinite(n) || words.trim() === '' || (spec.unit === 'each' && !Number.isInteger(n)))
      throw new RangeError(text('expectedNumberFrom', { min: spec.min, max: spec.max }));
    return n;
  };
  /** What is typed as a value, or the words why it is none. */
  const meant = (words: string): { value: number } | { error: string } => {
    try {
      const v = read(words);
      if (v < spec.min - 1e-9 || v > spec.max + 1e-9)
        return { error: text('outside', { v: print(v), min: print(spec.min), max: print(spec.max) }) };
      return { value: v };
    } catch (e) {
      return { error: e instanceof Error ? e.message : String(e) };
    }
  };
  const said = typed === null ? null : meant(typed);
  // A dial whose range moved under it says so too.
  const outside =
    typed === null && (value < spec.min - 1e-9 || value > spec.max + 1e-9)
      ? text('outside2', { value: print(value), min: print(spec.min), max: print(spec.max) })
      : null;
  const error = said && 'error' in said ? said.error : outside;
  const commit = (): void => {
    if (!said || 'error' in said) return;
    setTyped(null);
    if (said.value !== value) onChange(said.value);
  };
  const held = Math.min(spec.max, Math.max(spec.min, value));
  return (
    <Styled
      value={held}
      minValue={spec.min}
      maxValue={spec.max}
      step={spec.step}
      isDisabled={isDisabled}
      onChange={(v) => onChange(Array.isArray(v) ? v[0]! : v)}
    >
      <Label>{spec.label}</Label>
      <input
        className="type"
        aria-label={text('typed', { spec: spec.label })}
        aria-invalid={error !== null}
        aria-describedby={error ? errorId : undefined}
        data-bad={error !== null}
        disabled={isDisabled}
        value={typed ?? print(value)}
        onFocus={(e) => {
          // What is typed next replaces the figure; a click would else only set the caret.
          const box = e.currentTarget;
          box.select();
          requestAnimationFrame(
            () => box === document.activeElement && box.value === print(value) && box.select(),
          );
        }}
        onChange={(e) => setTyped(e.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') commit();
          if (e.key === 'Escape') setTyped(null);
        }}
      />
      <SliderTrack className="track">
        {({ state }) => (
          <>
            <div className="fill" style={{ width: `${state.getThumbPercent(0) * 100}%` }} />
            <SliderThumb className="thumb" />
          </>
        )}
      </SliderTrack>
      {error && (
        <em role="alert" id={errorId}>
          {error}
        </em>
      )}
      {spec.why && !error && <small>{spec.why}</small>}
    </Styled>
  );
}
