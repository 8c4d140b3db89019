import { memo } from 'react';
import { styled } from 'styled-components';
import type { Load } from '../../../core/challenge/load.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { factValue } from '../../../core/patterns/factWords.ts';
import type { Fit, Show } from '../../../core/patterns/index.ts';
import { Quiet } from '../../parts/Panel.tsx';
import { WhatIsDifficulty } from '../../parts/WhatIs.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { partsOf } from './loadWords.ts';
import { ShowIt } from './ShowIt.tsx';
import { text } from './text.ts';

const Facts = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(92px, 1fr));
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 10px;
  > div {
    padding: 8px 11px;
    border-left: 1px solid var(--seam);
    display: grid;
    align-content: start;
    gap: 2px;
    font-size: 13.5px;
    line-height: 1.3;
  }
  > div:first-child {
    border-left: 0;
  }
  > .say {
    grid-column: span 2;
  }
  b {
    font: 700 17px/1.25 var(--display);
  }
  @media (max-width: 700px) {
    grid-template-columns: 1fr 1fr;
  }
`;

/** What the pattern computes of the design, with units; then how hard it is and how to show it. */
export const FactStrip = memo(function FactStrip({
  fit,
  load,
  show,
  title,
  unit,
}: {
  fit: Fit | null;
  load: Load | null;
  show: Show;
  /** What the child does, over the words that show it. */
  title: () => string;
  unit: LengthUnit;
}) {
  return (
    <Facts>
      <div>
        <Quiet>{text('fit')}</Quiet>
        <span aria-live="polite">{fit ? <Verdict kind={fit.verdict} word={fit.headline} /> : '…'}</span>
      </div>
      <div>
        <Quiet>{text('difficulty')}</Quiet>
        <b>{fit === null ? '…' : load === null ? text('nDoesNotWork') : load.total.toFixed(1)}</b>
        <WhatIsDifficulty parts={load && partsOf(load)} />
      </div>
      {fit?.facts
        .filter((f) => !f.onMat)
        .slice(0, 3)
        .map((f) => (
          <div key={f.id}>
            <Quiet>{f.label}</Quiet>
            <b>{factValue(f, unit)}</b>
          </div>
        ))}
      <div className="say">
        <Quiet>{text('show')}</Quiet>
        <span>{show.say}</span>
        <span>
          <ShowIt title={title} show={show} unit={unit} />
        </span>
      </div>
    </Facts>
  );
});
