import { useState } from 'react';
import type { DialSpec } from '../../../core/patterns/kernel.ts';
import { TextField } from '../../parts/Field.tsx';

/** A dial of letters or words: what is typed counts when the field is left, or on Enter. */
export function TextDial({
  spec,
  value,
  onChange,
  isDisabled,
}: {
  spec: Extract<DialSpec, { kind: 'text' }>;
  value: string;
  onChange(v: string): void;
  isDisabled: boolean;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [of, setOf] = useState(value);
  if (of !== value) {
    setOf(value);
    setTyped(null);
  }
  const commit = (): void => {
    if (typed === null) return;
    setTyped(null);
    if (typed !== value) onChange(typed.slice(0, spec.most));
  };
  if (isDisabled)
    return (
      <div>
        <b>{spec.label}</b> {value}
      </div>
    );
  return (
    <div onBlur={commit} onKeyDown={(e) => e.key === 'Enter' && commit()}>
      <TextField label={spec.label} value={typed ?? value} onChange={setTyped} hint={spec.hint ?? ''} />
    </div>
  );
}
