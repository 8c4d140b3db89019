import { useRef, useState } from 'react';
import { styled } from 'styled-components';
import { outlineDial, outlineName, type OutlineDial as Value } from '../../../core/outline/outline.ts';
import type { DialSpec } from '../../../core/patterns/kernel.ts';
import { words } from '../../data/api.ts';
import { Button } from '../../parts/Button.tsx';
import { Select } from '../../parts/Select.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Notice, Quiet, Row } from '../../parts/Panel.tsx';
import { readSvg } from './readSvg.ts';
import { text } from './text.ts';

const Box = styled.div`
  display: grid;
  gap: 6px;
  .pair {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 96px;
    gap: 8px;
    align-items: end;
  }
`;

/** A dial that takes an outline: one of the shapes, a letter or numeral, or a drawing of one's own as SVG. */
export function OutlineDial({
  spec,
  value,
  onChange,
  isDisabled,
}: {
  spec: Extract<DialSpec, { kind: 'outline' }>;
  value: unknown;
  onChange(v: Value): void;
  isDisabled: boolean;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const read = outlineDial.safeParse(value);
  const now = read.success ? read.data : null;
  if (isDisabled)
    return (
      <div>
        <b>{spec.label}</b> {now ? outlineName(now) : ''}
      </div>
    );
  const take = async (picked: File | undefined): Promise<void> => {
    if (!picked) return;
    try {
      onChange(readSvg(await picked.text(), picked.name));
      setProblem(null);
    } catch (e) {
      setProblem(words(e));
    } finally {
      if (file.current) file.current.value = '';
    }
  };
  return (
    <Box>
      <div className="pair">
        <Select
          label={spec.label}
          placeholder={now && now.kind !== 'shape' ? outlineName(now) : text('choose')}
          value={now?.kind === 'shape' ? now.shape : null}
          onChange={(shape) => {
            setProblem(null);
            onChange({ kind: 'shape', shape: shape as Extract<Value, { kind: 'shape' }>['shape'] });
          }}
          options={spec.options.map((o) => ({ value: o.value, label: o.label }))}
        />
        <TextField
          label={text('orLetter')}
          value={now?.kind === 'letter' ? now.letter : ''}
          onChange={(typed) => {
            const letter = typed.trim().slice(-1);
            if (letter === '') return;
            const next = outlineDial.safeParse({ kind: 'letter', letter });
            if (next.success) onChange(next.data);
            setProblem(next.success ? null : text('expectedLetterFromZ'));
          }}
        />
      </div>
      <Row>
        <Button small plain onPress={() => file.current?.click()}>
          {text('ownDrawingSvg')}
        </Button>
        {now?.kind === 'own' && <Quiet>{outlineName(now)}</Quiet>}
      </Row>
      <input
        ref={file}
        type="file"
        accept=".svg,image/svg+xml"
        hidden
        aria-label={text('ownDrawingAsSvg')}
        onChange={(e) => void take(e.currentTarget.files?.[0])}
      />
      {problem && <Notice tone="stop">{problem}</Notice>}
    </Box>
  );
}
