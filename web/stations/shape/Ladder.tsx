import { memo } from 'react';
import { styled } from 'styled-components';
import { WhatIsLevel } from '../../parts/WhatIs.tsx';
import type { Line } from '../../../core/challenge/line.ts';
import type { AnyDials, Level } from '../../../core/patterns/index.ts';
import { factValue } from '../../../core/patterns/factWords.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { ScenePicture } from '../../drawing/ScenePicture.tsx';
import { Button } from '../../parts/Button.tsx';
import { partsOf } from './loadWords.ts';
import { text } from './text.ts';

const Strip = styled.div`
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr);
  gap: 8px;
  align-items: stretch;
  > p {
    color: var(--slate);
    font-size: 13px;
    line-height: 1.25;
    align-self: center;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(98px, 1fr));
    gap: 7px;
  }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Card = styled.li<{ $on: boolean; $mine: boolean }>`
  display: grid;
  position: relative;
  border: 1px solid ${(p) => (p.$on ? 'var(--ink)' : p.$mine ? 'var(--fox)' : 'var(--seam)')};
  border-radius: 10px;
  background: ${(p) => (p.$on ? 'var(--ink)' : 'var(--paper)')};
  color: ${(p) => (p.$on ? 'var(--paper)' : 'var(--ink)')};
  overflow: hidden;
  > button.pick {
    display: grid;
    grid-template-columns: 30px minmax(0, 1fr);
    gap: 3px 5px;
    align-items: center;
    align-content: center;
    text-align: left;
    padding: 7px 6px;
    border: 0;
    background: none;
    cursor: pointer;
    min-height: 58px;
  }
  > button.pick:focus-visible {
    outline-offset: -4px;
    outline-color: var(--fox);
  }
  b {
    font: 700 13px/1.15 var(--display);
    grid-column: 1 / 3;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  em {
    font: 700 11px/1 var(--body);
    color: ${(p) => (p.$on ? 'var(--tape)' : 'var(--fox-deep)')};
  }
  small {
    font-size: 11.5px;
    letter-spacing: -0.02em;
    white-space: nowrap;
    color: ${(p) => (p.$on ? '#d9e4de' : 'var(--slate)')};
    line-height: 1.2;
    display: block;
  }
  .picture {
    display: grid;
    place-items: center;
    width: 30px;
    height: 34px;
    border-radius: 8px;
    background: var(--linen);
  }
`;

interface Props {
  /** Why there are none. */
  problem: string | null;
  levels: readonly Level<AnyDials>[] | null;
  chosen: string | null;
  /** The level that the design as it stands is nearest to. */
  nearest: string | null;
  line: Line | null;
  onChoose(id: string | null): void;
  onAdopt(level: Level<AnyDials>): void;
  busy: boolean;
  unit: LengthUnit;
}

/** The ladder, easier to harder; each level can be looked at on the mat and taken over as a design of its own. */
export const Ladder = memo(function Ladder({
  levels,
  problem,
  chosen,
  nearest,
  line,
  onChoose,
  onAdopt,
  busy,
  unit,
}: Props) {
  if (problem && !levels) return null;
  if (!levels)
    return (
      <Strip>
        <p>{text('easierHarder')}</p>
        <small>{text('workingOutLadder')}</small>
      </Strip>
    );
  const open = levels.find((r) => r.id === chosen);
  return (
    <>
      <Strip>
        <p>
          {text('easier')}
          <br />
          {text('harder2')}
          <br />
          <WhatIsLevel />
        </p>
        <ol aria-label={text('easierHarder')}>
          {levels.map((r) => {
            const on = r.id === chosen;
            const mine = r.id === nearest;
            const seconds = line ? line.intercept + line.slope * r.bits : null;
            return (
              <Card key={r.id} $on={on} $mine={mine}>
                <button
                  className="pick"
                  type="button"
                  aria-pressed={on}
                  onClick={() => onChoose(on ? null : r.id)}
                >
                  <b>{r.name}</b>
                  <span className="picture">
                    <ScenePicture scene={r.picture} width={28} />
                  </span>
                  <span>
                    <small>{r.load.total.toFixed(1)}</small>
                    {seconds !== null && line && seconds > 0 && (
                      <small>
                        {seconds.toFixed(0)} ± {line.halfWidth(r.bits).toFixed(0)} s
                      </small>
                    )}
                    {mine && <em>{text('yours')}</em>}
                  </span>
                </button>
              </Card>
            );
          })}
        </ol>
      </Strip>
      {open && (
        <div style={{ display: 'flex', gap: '6px 12px', alignItems: 'center', flexWrap: 'wrap' }}>
          <small style={{ fontSize: 13.5 }}>
            {open.differs.length === 0
              ? text('sameDialsAsYours')
              : text('differsFromYours', {
                  differs: open.differs.map((f) => `${f.label} ${factValue(f, unit)}`).join(', '),
                })}{' '}
            {text('asksFor', { total: open.load.total.toFixed(1), parts: partsOf(open.load) })}
          </small>
          <Button small isDisabled={busy} onPress={() => onAdopt(open)}>
            {text('makeNewDesign', { open: open.name })}
          </Button>
        </div>
      )}
    </>
  );
});
