import { styled } from 'styled-components';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import type { Placed } from '../../../core/plan/order.ts';
import { Quiet } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const Step = styled.li`
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto;
  gap: 2px 10px;
  padding: 9px 0;
  border-top: 1px dashed var(--seam);
  font-size: 14px;
  &:first-child {
    border-top: 0;
  }
  > b {
    font: 800 22px/1.1 var(--display);
    color: var(--fox);
  }
  h3 {
    font-size: 15.5px;
  }
  .when {
    text-align: right;
    font: 700 15px/1.3 var(--display);
    white-space: nowrap;
  }
  .who {
    display: flex;
    gap: 6px;
    justify-content: flex-end;
    margin-top: 3px;
    font: 600 12.5px/1 var(--body);
  }
  .who span {
    padding: 4px 8px;
    border-radius: 20px;
    background: var(--linen);
  }
  .who .blade {
    background: var(--stop-tint);
    color: var(--stop);
    font-weight: 700;
  }
  .who .child {
    background: var(--clear-tint);
    color: var(--clear);
  }
  @media (max-width: 640px) {
    grid-template-columns: 28px minmax(0, 1fr);
    .side {
      grid-column: 2;
      .when {
        text-align: left;
      }
      .who {
        justify-content: flex-start;
      }
    }
  }
`;
/** A step as it is done at the bench: what, with what, by whom, how long. */
export function StepItem({ placed: p, number, unit }: { placed: Placed; number: number; unit: LengthUnit }) {
  return (
    <Step>
      <b>{number}</b>
      <div>
        <h3>{inUnit(p.step.title, unit)}</h3>
        <p>{inUnit(p.step.words, unit)}</p>
        {p.step.tools.length > 0 && <Quiet>{text('with', { tools: p.step.tools.join(', ') })}</Quiet>}{' '}
        {p.step.drying > 0 && <Quiet>{text('thenDryGoOn', { drying: formatMinutes(p.step.drying) })}</Quiet>}
      </div>
      <div className="side">
        <div className="when">{formatMinutes(p.minutes)}</div>
        <div className="who">
          {p.step.blade && <span className="blade">{text('blade')}</span>}
          <span className={p.step.who === 'child' ? 'child' : ''}>
            {p.step.who === 'child'
              ? text('childsStep')
              : p.step.who === 'adult'
                ? 'adult'
                : text('adultOrChild')}
          </span>
        </div>
      </div>
    </Step>
  );
}
