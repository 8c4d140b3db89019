import { memo } from 'react';
import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import type { Mark } from '../../core/drawing/mark.ts';
import { itemsOf } from './items.ts';

/**
 * The one drawing of a core layout. `px` is the size of a screen pixel in mm; a small picture on paper leaves out figures,
 * and its openings show the paper.
 */
export const Marks = memo(function Marks({
  marks,
  px,
  unit,
  on = 'mat',
}: {
  marks: readonly Mark[];
  px: number;
  unit: LengthUnit;
  on?: 'mat' | 'paper';
}) {
  const counts = { dimension: 0, words: 0 };
  return itemsOf(marks, px, on).map((m) => {
    if (m.kind === 'run') return <path key={m.key} d={m.d} {...m.style} />;
    const key = `${m.kind}${counts[m.kind]++}`;
    if (m.kind === 'dimension')
      return on === 'paper' ? null : <Dimension key={key} mark={m} px={px} unit={unit} />;
    if (on === 'paper' && m.on !== 'body') return null;
    return (
      <text
        key={key}
        x={m.at[0]}
        y={m.on === 'body' ? m.at[1] + m.size! * 0.35 : m.at[1]}
        fontSize={m.on === 'body' ? m.size : 13 * px}
        fontWeight={m.on === 'body' ? 700 : undefined}
        textAnchor="middle"
        fill={m.on === 'body' ? 'var(--ink)' : 'var(--mat-ink)'}
      >
        {m.text}
      </text>
    );
  });
});

function Dimension({
  mark: m,
  px,
  unit,
}: {
  mark: Extract<Mark, { kind: 'dimension' }>;
  px: number;
  unit: LengthUnit;
}) {
  const a = [m.from[0] + m.side[0], m.from[1] + m.side[1]] as const;
  const b = [m.to[0] + m.side[0], m.to[1] + m.side[1]] as const;
  const text = `${m.label ? `${m.label} ` : ''}${lengthNumber(m.value, unit)}`;
  const upright = Math.abs(b[0] - a[0]) < Math.abs(b[1] - a[1]) * 0.4;
  const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const w = (text.length * 7.6 + 10) * px;
  // A span too short for its figure carries it beside the line.
  const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const beside = long < w * 1.15 && !upright ? 13 * px : 0;
  const out = upright ? w / 2 + 4 * px : 0;
  const sign = m.side[0] < 0 ? -1 : 1;
  return (
    <g stroke="var(--chalk)" strokeWidth={1.3 * px} fill="none">
      <path
        d={`M${m.from[0]} ${m.from[1]}L${a[0]} ${a[1]}M${m.to[0]} ${m.to[1]}L${b[0]} ${b[1]}`}
        opacity="0.55"
      />
      <path d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}`} />
      <circle cx={a[0]} cy={a[1]} r={2.4 * px} fill="var(--chalk)" stroke="none" />
      <circle cx={b[0]} cy={b[1]} r={2.4 * px} fill="var(--chalk)" stroke="none" />
      <g transform={`translate(${mx + sign * out} ${my + beside})`}>
        <rect
          x={-w / 2}
          y={-10 * px}
          width={w}
          height={20 * px}
          rx={4 * px}
          fill="var(--mat)"
          stroke="none"
        />
        <text
          y={5 * px}
          fontSize={14 * px}
          fontWeight="700"
          textAnchor="middle"
          fill="var(--chalk)"
          stroke="none"
        >
          {text}
        </text>
      </g>
    </g>
  );
}
