import { styled } from 'styled-components';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import type { Placed } from '../../../core/plan/order.ts';
import { text } from './text.ts';

/** A bar for the batch: work, blades, and what dries meanwhile. */
const Bar = styled.div`
  display: grid;
  gap: 4px;
  .lane {
    position: relative;
    height: 22px;
    background: var(--linen);
    border-radius: 5px;
    overflow: hidden;
  }
  .lane i {
    position: absolute;
    top: 0;
    bottom: 0;
    background: var(--mat);
    border-right: 1px solid var(--paper);
  }
  .lane i.blade {
    background: repeating-linear-gradient(45deg, var(--stop) 0 6px, #7e1020 6px 9px);
  }
  .dry i {
    background: var(--tape-shade);
  }
  small {
    color: var(--slate);
    font-size: 12.5px;
    display: flex;
    justify-content: space-between;
  }
`;

/** The steps of one person on a line, and what dries meanwhile below it. */
export function OnePerson({ placed, elapsed }: { placed: readonly Placed[]; elapsed: number }) {
  const width = (minutes: number): string => `${elapsed > 0 ? (100 * minutes) / elapsed : 0}%`;
  return (
    <Bar aria-hidden>
      <div className="lane">
        {placed.map((p) => (
          <i
            key={p.step.id}
            className={p.step.blade ? 'blade' : ''}
            style={{ left: width(p.start), width: width(p.minutes) }}
          />
        ))}
      </div>
      <div className="lane dry">
        {placed
          .filter((p) => p.step.drying > 0)
          .map((p) => (
            <i key={p.step.id} style={{ left: width(p.end), width: width(p.step.drying) }} />
          ))}
      </div>
      <small>
        <span>{text('workThenDrying')}</span>
        <span>{text('allDAfter', { elapsed: formatMinutes(elapsed) })}</span>
      </small>
    </Bar>
  );
}
