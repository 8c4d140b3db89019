import { useState } from 'react';
import { styled } from 'styled-components';
import { formatLength, type LengthUnit } from '../../../core/measure/length.ts';
import type { Gauged } from '../../../core/safety/check.ts';
import { Gauge } from '../../drawing/Gauge.tsx';
import { OverMat } from '../../drawing/OverMat.tsx';
import { text } from './text.ts';

const Legend = styled(OverMat)`
  strong {
    font-family: var(--display);
    display: block;
  }
  span {
    color: #cfe0d6;
  }
  label {
    display: flex;
    gap: 10px;
    align-items: center;
    margin-top: 4px;
  }
  input {
    flex: 1;
    min-width: 0;
    accent-color: var(--fox);
  }
`;
const Pieces = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 6px;
`;

/** What the cylinder says of a piece, as one would tell a parent. */
function Said({ of, unit }: { of: Gauged; unit: LengthUnit }) {
  const { answer, name } = of;
  if (answer.fits === false)
    return (
      <>
        <strong>{text('tooLargeGo', { clearance: formatLength(-answer.clearance, unit) })}</strong>
        <span>{text('bestAllWaysRound', { what: formatLength(-answer.bounds[1], unit) })}</span>
      </>
    );
  if (answer.fits)
    return (
      <>
        <strong>{text('goesSpareSmallPart', { clearance: formatLength(answer.clearance, unit) })}</strong>
        <span>{text('wayShown', { name })}</span>
      </>
    );
  return (
    <>
      <strong>{text('tooCloseCall')}</strong>
      <span>{text('treatedAsSmallPart')}</span>
    </>
  );
}

/** Each piece in the test cylinder in its best pose, to be looked at from all round. */
export function Turned({ gauged, unit }: { gauged: readonly Gauged[]; unit: LengthUnit }) {
  const [shown, setShown] = useState(0);
  const [turn, setTurn] = useState(0);
  const one = gauged[shown] ?? gauged[0]!;
  return (
    <Gauge
      shape={one.shape}
      answer={one.answer}
      name={one.name}
      unit={unit}
      turn={turn}
      over={
        <Legend>
          {gauged.length > 1 && (
            <Pieces role="group" aria-label={text('pieces')}>
              {gauged.map((g, i) => (
                <button
                  key={`${g.name}${i}`}
                  type="button"
                  aria-pressed={g === one}
                  onClick={() => setShown(i)}
                >
                  {g.name}
                </button>
              ))}
            </Pieces>
          )}
          <Said of={one} unit={unit} />
          <label>
            {text('lookFrom')}
            <input
              type="range"
              min={0}
              max={355}
              step={5}
              value={turn}
              aria-valuetext={text('degreesRound', { turn })}
              onChange={(e) => setTurn(e.target.valueAsNumber)}
            />
            <span>{turn}°</span>
          </label>
        </Legend>
      }
    />
  );
}
