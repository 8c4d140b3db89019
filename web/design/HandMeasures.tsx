import type { ReactNode } from 'react';
import { styled } from 'styled-components';
import type { Hand } from '../../core/child/hand.ts';
import { text } from './text.ts';

/** What is measured of a hand, in the order in which it is asked. */
export type Measure = Exclude<keyof Hand, 'side' | 'oneHanded'>;

const FINGERS = [
  [42, 60, 15, 42],
  [46, 42, 38, 12],
  [56, 40, 56, 7],
  [66, 41, 73, 12],
  [75, 46, 94, 26],
] as const;

/** A spread hand: each finger a round stroke, once for its edge and once for its inside. */
const SpreadHand = () => (
  <g strokeLinecap="round">
    {(['edge', 'skin'] as const).map((layer) => (
      <g key={layer} className={layer}>
        {FINGERS.map(([x1, y1, x2, y2]) => (
          <line key={x2} x1={x1} y1={y1} x2={x2} y2={y2} />
        ))}
        <rect x={43} y={42} width={33} height={36} rx={10} />
      </g>
    ))}
  </g>
);

const Arrow = ({ from, to }: { from: readonly [number, number]; to: readonly [number, number] }) => (
  <line
    className="arrow"
    x1={from[0]}
    y1={from[1]}
    x2={to[0]}
    y2={to[1]}
    markerStart="url(#hand-end)"
    markerEnd="url(#hand-end)"
  />
);

const PICTURES: Readonly<Record<Measure, ReactNode>> = {
  span: (
    <>
      <SpreadHand />
      <Arrow from={[13, 36]} to={[96, 20]} />
    </>
  ),
  opening: (
    <>
      <SpreadHand />
      <Arrow from={[12, 36]} to={[34, 8]} />
    </>
  ),
  breadth: (
    <>
      <SpreadHand />
      <Arrow from={[41, 52]} to={[78, 52]} />
    </>
  ),
  fingers: (
    <>
      <SpreadHand />
      <Arrow from={[56, 40]} to={[56, 4]} />
    </>
  ),
  finger: (
    <>
      <SpreadHand />
      <line className="band" x1={35} y1={29} x2={49} y2={25} />
    </>
  ),
  force: (
    <>
      <path className="body" d="M22 82h76l-8-20H30z" />
      <rect className="body" x={34} y={54} width={52} height={6} rx={3} />
      <circle className="body" cx={60} cy={72} r={6} />
      <path className="figure" d="M100 20C88 18 72 22 66 30s-14 10-16 16 2 8 8 7 20-7 26-11" />
      <path className="figure" d="M100 36c-8 4-14 6-16 6" />
      <Arrow from={[26, 26]} to={[26, 50]} />
    </>
  ),
  reach: (
    <>
      <path className="figure" d="M30 78V38M30 78h26v10M30 46l48 2" />
      <circle className="figure" cx={30} cy={24} r={10} />
      <circle className="figure" cx={83} cy={48} r={5} />
      <path className="table" d="M50 58h62" />
      <Arrow from={[30, 40]} to={[84, 40]} />
    </>
  ),
  standing: (
    <>
      <path className="figure" d="M46 58V32M46 58l-9 26M46 58l9 26M46 38l-14 12M46 38l14 12" />
      <circle className="figure" cx={46} cy={20} r={9} />
      <path className="table" d="M20 85h76M20 10h76" />
      <Arrow from={[84, 12]} to={[84, 83]} />
    </>
  ),
};

const List = styled.dl`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 12px;
  margin: 8px 0 0;
  div {
    display: grid;
    gap: 4px;
    align-content: start;
  }
  dt {
    font-weight: 700;
    font-size: 14px;
  }
  dd {
    margin: 0;
    font-size: 13.5px;
    line-height: 1.35;
  }
  svg {
    width: 120px;
    height: 90px;
    background: var(--linen);
    border-radius: 10px;
  }
  .edge {
    stroke: var(--ink);
    stroke-width: 12;
    fill: var(--ink);
  }
  .edge rect {
    stroke-width: 3;
  }
  .skin {
    stroke: var(--paper);
    stroke-width: 9;
    fill: var(--paper);
  }
  .skin rect {
    stroke: none;
  }
  .figure {
    stroke: var(--ink);
    stroke-width: 3;
    fill: none;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .body {
    stroke: var(--ink);
    stroke-width: 2;
    fill: var(--paper);
  }
  .table {
    stroke: var(--slate);
    stroke-width: 2;
  }
  .band {
    stroke: var(--fox);
    stroke-width: 5;
  }
  .arrow {
    stroke: var(--fox-deep);
    stroke-width: 2.5;
  }
`;

/** How each measure is taken: a picture, and one sentence. */
export function HowToMeasure({ labels }: { labels: readonly (readonly [Measure, string])[] }) {
  return (
    <details>
      <summary>{text('howMeasured')}</summary>
      <List>
        {labels.map(([measure, label]) => (
          <div key={measure}>
            <svg viewBox="0 0 120 90" aria-hidden>
              <defs>
                <marker id="hand-end" markerWidth={7} markerHeight={7} refX={3.5} refY={3.5}>
                  <circle cx={3.5} cy={3.5} r={1.6} fill="var(--fox-deep)" />
                </marker>
              </defs>
              {PICTURES[measure]}
            </svg>
            <dt>{label}</dt>
            <dd>{text(`measure_${measure}`)}</dd>
          </div>
        ))}
      </List>
    </details>
  );
}
