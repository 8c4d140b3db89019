import { styled } from 'styled-components';
import { shortDay } from '../../data/style.ts';
import type { LookAnswer } from '../../../core/gather/lookOver.ts';
import type { MaterialInput, Sizes } from '../../../core/materials/material.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { Button } from '../../parts/Button.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { Form } from '../../parts/Form.tsx';
import { Quiet, Row } from '../../parts/Panel.tsx';
import { SewnButton } from '../../shell/Verdict.tsx';
import { MeasuredFields } from './MeasuredFields.tsx';
import { sizeWords } from './words.ts';
import { text } from './text.ts';

const Outcome = styled.div<{ $kind: 'clear' | 'care' | 'stop' }>`
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  gap: 10px;
  align-items: start;
  background: var(--${(p) => p.$kind}-tint);
  border-radius: 10px;
  padding: 11px 12px;
  min-height: 92px;
  b {
    font: 800 17px/1.2 var(--display);
    display: block;
  }
  p {
    font-size: 14px;
  }
`;
/** Most finds are as usual: the fields stay folded until one is not. */
const Measured = styled.details`
  summary {
    cursor: pointer;
    min-height: 36px;
    display: list-item;
    line-height: 36px;
    font-weight: 600;
  }
  div {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    margin: 4px 0 6px;
  }
`;
/** The verdict's button for each outcome of a look-over. */
export const KIND = { keep: 'clear', 'clean first': 'care', rest: 'care', never: 'stop' } as const;
const TITLE = {
  keep: text('keep'),
  'clean first': text('cleanFirst'),
  rest: text('quarantine2'),
  never: text('neverOnShelf2'),
} as const;

/** What becomes of a find, how many of it, and measured how: sent with Enter or one press. */
export const Becomes = ({
  answer,
  material,
  unit,
  quantity,
  onQuantity,
  sizes,
  onSizes,
  pending,
  onTake,
}: {
  answer: LookAnswer;
  material: MaterialInput;
  unit: LengthUnit;
  quantity: number | null;
  onQuantity(n: number | null): void;
  sizes: Sizes;
  onSizes(sizes: Sizes): void;
  pending: boolean;
  onTake(): void;
}) => (
  <>
    <Outcome $kind={KIND[answer.outcome]} role="status" aria-label={text('outcome')}>
      <SewnButton kind={KIND[answer.outcome]} size={34} />
      <span>
        <b>
          {TITLE[answer.outcome]}
          {answer.until && text('until', { until: shortDay(answer.until) })}
        </b>
        {answer.reasons.length === 0 ? (
          <p>{text('cleanDryWhole')}</p>
        ) : (
          answer.reasons.map((r) => <p key={r.words}>{r.words}</p>)
        )}
      </span>
    </Outcome>
    <Form onSubmit={onTake}>
      <Row>
        <div style={{ width: 96 }}>
          <CountField
            label={material.unit === 'mm' ? text('howManyMm') : text('howMany')}
            value={quantity}
            onChange={onQuantity}
          />
        </div>
        <Button type="submit" isDisabled={pending} style={{ alignSelf: 'end' }}>
          {answer.outcome === 'never' ? text('refuse') : text('saveFind')}
        </Button>
      </Row>
      <Measured key={material.name}>
        <summary>{text('measured2')}</summary>
        <div>
          <MeasuredFields material={material} sizes={sizes} unit={unit} onChange={onSizes} />
        </div>
        <Quiet>{text('leftEmptyCountsAs', { material: sizeWords(material, unit) })}</Quiet>
      </Measured>
    </Form>
  </>
);
