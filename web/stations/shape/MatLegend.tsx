import { memo } from 'react';
import { styled } from 'styled-components';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { factValue } from '../../../core/patterns/factWords.ts';
import type { AnyDials, Fit, Level } from '../../../core/patterns/index.ts';
import { useWorkings } from '../../design/workings.ts';
import { Button } from '../../parts/Button.tsx';
import { text } from './text.ts';

const Legend = styled.div`
  position: absolute;
  right: 14px;
  bottom: 12px;
  width: 200px;
  font-size: 13.5px;
  line-height: 1.35;
  background: rgba(29, 74, 67, 0.88);
  border-radius: 8px;
  padding: 8px 10px;
  &[data-behind] {
    opacity: 0.65;
  }
  strong {
    font-family: var(--display);
    display: block;
  }
  .quiet {
    color: #cfe0d6;
  }
  /* On a narrow mat it lies along the foot, below the drawing. */
  @container (max-width: 619px) {
    left: 14px;
    width: auto;
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 12px;
    strong {
      grid-column: 1 / 3;
    }
  }
  .verdict span {
    color: #fff;
  }
`;

/** On the mat: chalk on green. */
const Retry = styled(Button)`
  margin-top: 6px;
  background: var(--chalk);
  border-color: var(--chalk);
  color: var(--ink);
`;

function FactLines({ fit, unit }: { fit: Fit; unit: LengthUnit }) {
  return fit.facts
    .filter((f) => f.onMat)
    .map((f) => (
      <div key={f.id} className="quiet">
        {f.label} <b>{factValue(f, unit)}</b>
      </div>
    ));
}

/** What the pattern says of the drawing, beside it: its headline and the facts that belong there. */
export const MatLegend = memo(function MatLegend({
  level,
  unit,
}: {
  level: Level<AnyDials> | null;
  unit: LengthUnit;
}) {
  const { fit, behind, problem, again } = useWorkings((s) => s.heavy);
  if (level)
    return (
      <Legend>
        <strong>{text('level', { level: level.name })}</strong>
        <div className="quiet">{level.grip}</div>
        <FactLines fit={level.fit} unit={unit} />
      </Legend>
    );
  if (problem)
    return (
      <Legend role="alert">
        <strong>{text('fitCouldNotWorked')}</strong>
        <div className="quiet">{problem}</div>
        <Retry small onPress={again}>
          {text('tryAgain')}
        </Retry>
      </Legend>
    );
  if (!fit)
    return (
      <Legend>
        <span className="quiet">{text('trying')}</span>
      </Legend>
    );
  return (
    <Legend data-behind={behind || undefined}>
      <strong>{fit.headline}</strong>
      <FactLines fit={fit} unit={unit} />
    </Legend>
  );
});
