import { memo } from 'react';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import type { DialSpec } from '../../../core/patterns/index.ts';
import { useOpenDesign } from '../../design/store.ts';
import { Choice } from '../../parts/Choice.tsx';
import { Dial } from '../../parts/Dial.tsx';
import { OutlineDial } from './OutlineDial.tsx';
import { TextDial } from './TextDial.tsx';
import { text } from './text.ts';

interface Props {
  spec: DialSpec;
  value: unknown;
  unit: LengthUnit;
  preview: boolean;
}

/** One dial of the open design, whatever its kind; drawn again only when its own range or value moves. */
export const DialField = memo(
  function DialField({ spec, value, unit, preview }: Props) {
    const set = (v: unknown): void => useOpenDesign.getState().dial(spec.id, v);
    switch (spec.kind) {
      case 'choice':
        return (
          <Choice
            label={spec.label}
            options={spec.options.map((o) => (o.why ? { ...o, why: inUnit(o.why, unit) } : o))}
            value={String(value)}
            onChange={set}
            isDisabled={preview}
          />
        );
      case 'switch':
        return (
          <Choice
            label={spec.label}
            options={[
              { value: 'true', label: text('yes'), ...(spec.why === undefined ? {} : { why: spec.why }) },
              { value: 'false', label: text('no'), ...(spec.why === undefined ? {} : { why: spec.why }) },
            ]}
            value={String(value)}
            onChange={(v) => set(v === 'true')}
            isDisabled={preview}
          />
        );
      case 'text':
        return <TextDial spec={spec} value={String(value)} onChange={set} isDisabled={preview} />;
      case 'outline':
        return <OutlineDial spec={spec} value={value} unit={unit} onChange={set} isDisabled={preview} />;
      case 'number':
        return (
          <Dial
            spec={spec}
            unit={unit}
            value={Math.min(spec.max, Math.max(spec.min, Number(value)))}
            onChange={set}
            isDisabled={preview}
          />
        );
    }
  },
  (a, b) =>
    (a.value === b.value || JSON.stringify(a.value) === JSON.stringify(b.value)) &&
    a.unit === b.unit &&
    a.preview === b.preview &&
    (a.spec === b.spec || JSON.stringify(a.spec) === JSON.stringify(b.spec)),
);
