import { useState } from 'react';
import type { DialSpec } from '../../../core/patterns/kernel.ts';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { text } from './text.ts';

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
  const isAllowed = typed === null || new RegExp(`^(?:${spec.allowed ?? '.*'})$`, 'u').test(typed);
  const problem = isAllowed ? undefined : text('expected', { hint: spec.hint ?? text('lettersOrNumerals') });
  const commit = (): void => {
    if (typed === null || !isAllowed) return;
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
    <Form onSubmit={commit}>
      <TextField
        label={spec.label}
        value={typed ?? value}
        onChange={setTyped}
        onBlur={commit}
        error={problem}
        hint={spec.hint ?? ''}
      />
    </Form>
  );
}
