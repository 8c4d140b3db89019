import { useState } from 'react';
import { Label } from 'react-aria-components/Label';
import { Slider, SliderThumb, SliderTrack } from 'react-aria-components/Slider';
import { styled } from 'styled-components';
import { formatLength, parseLength, type LengthUnit } from '../../core/measure/length.ts';
import type { DialSpec } from '../../core/patterns/kernel.ts';

const Styled = styled(Slider)`
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
}: {
  spec: Exclude<DialSpec, { kind: 'choice' }>;
  value: number;
  unit: LengthUnit;
  onChange(v: number): void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const print = (v: number): string =>
    spec.kind === 'length' ? formatLength(v, unit) : spec.kind === 'angle' ? `${v}°` : String(v);
  const read = (text: string): number => {
    if (spec.kind === 'length') return parseLength(text, unit);
    const n = Number(text.replace('°', '').trim());
    if (!Number.isFinite(n) || text.trim() === '' || (spec.kind === 'count' && !Number.isInteger(n)))
      throw new RangeError(`expected a number from ${spec.min} to ${spec.max}`);
    return n;
  };
  const commit = (): void => {
    if (typed === null) return;
    try {
      const v = read(typed);
      if (v < spec.min || v > spec.max)
        throw new RangeError(`expected ${print(spec.min)} to ${print(spec.max)}`);
      onChange(v);
      setError(null);
      setTyped(null);
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
    }
  };
  const step = spec.kind === 'count' ? 1 : spec.step;
  const held = Math.min(spec.max, Math.max(spec.min, value));
  return (
    <Styled
      value={held}
      minValue={spec.min}
      maxValue={spec.max}
      step={step}
      onChange={(v) => onChange(Array.isArray(v) ? v[0]! : v)}
    >
      <Label>{spec.label}</Label>
      <input
        className="type"
        aria-label={`${spec.label}, typed`}
        data-bad={error !== null}
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
        onBlur={() => {
          commit();
          if (error === null) setTyped(null);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') commit();
          if (e.key === 'Escape') {
            setTyped(null);
            setError(null);
          }
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
      {error && <em role="alert">{error}</em>}
    </Styled>
  );
}
