import { lazy, Suspense, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { outlineDial, outlineName, type OutlineDial as Value } from '../../../core/outline/outline.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import type { DialSpec } from '../../../core/patterns/kernel.ts';
import { words } from '../../data/api.ts';
import { useOpenDesign } from '../../design/store.ts';
import { useWorkings } from '../../design/workings.ts';
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

const TracePhoto = lazy(async () => ({ default: (await import('../../photo/TracePhoto.tsx')).TracePhoto }));

/** What the dial of an outline's size goes between now, mm. */
function sizeRange(id: string): readonly [number, number] | null {
  const size = useWorkings.getState().light?.specs.find((s) => s.id === id);
  return size?.kind === 'number' ? [size.min, size.max] : null;
}

/** A dial that takes an outline: one of the shapes, a letter or numeral, a drawing of one's own as SVG, or a thing traced from a photo. */
export function OutlineDial({
  spec,
  value,
  unit,
  onChange,
  isDisabled,
}: {
  spec: Extract<DialSpec, { kind: 'outline' }>;
  value: unknown;
  unit: LengthUnit;
  onChange(v: Value): void;
  isDisabled: boolean;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const [isTracing, setTracing] = useState(false);
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
        <Button small plain onPress={() => setTracing(true)}>
          {text('fromPhoto')}
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
      {isTracing && (
        <Suspense fallback={null}>
          <TracePhoto
            around={spec.around}
            range={sizeRange(spec.size)}
            unit={unit}
            onClose={() => setTracing(false)}
            onTrace={(outline, longest) => {
              const { draft, change } = useOpenDesign.getState();
              // Both at once: an outline at another size is not the thing's own.
              if (draft) change({ dials: { ...draft.dials, [spec.id]: outline, [spec.size]: longest } });
              setProblem(null);
              setTracing(false);
            }}
          />
        </Suspense>
      )}
    </Box>
  );
}
