import { memo } from 'react';
import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import type { Mark, MarkRole } from '../../core/drawing/mark.ts';

interface Look {
  readonly fill?: string;
  readonly stroke: string;
  readonly dash?: readonly [number, number];
  readonly width?: number;
  /** Takes the colour of its material. */
  readonly dyed?: boolean;
}
const LOOKS: Record<MarkRole, Look> = {
  body: { fill: '#e9e8df', stroke: 'rgba(0,0,0,.35)', dyed: true },
  container: { fill: '#e9e8df', stroke: 'rgba(0,0,0,.35)', dyed: true },
  shade: { fill: 'rgba(30,42,44,.16)', stroke: 'rgba(30,42,44,.35)', dyed: true },
  guide: { stroke: 'rgba(30,42,44,.4)', dash: [4, 4] },
  opening: { fill: 'var(--mat)', stroke: 'var(--fox)', width: 2 },
  piece: { fill: 'var(--fox)', stroke: 'rgba(0,0,0,.45)', dyed: true },
  'piece-detail': { stroke: 'rgba(255,255,255,.6)' },
  'piece-in': { fill: 'var(--fox)', stroke: 'rgba(255,255,255,.75)', dyed: true },
  thread: { stroke: '#8e6836', width: 2 },
  cut: { stroke: 'var(--fox)' },
  fold: { stroke: 'var(--chalk)', dash: [6, 4] },
  punch: { stroke: 'var(--fox)', dash: [2, 2] },
  slit: { stroke: 'var(--fox)', width: 2, dash: [7, 3] },
  draw: { stroke: 'var(--chalk)' },
};

/** Relative luminance of a colour as #rrggbb, 0 to 1 (WCAG 2.2). */
function luminance(colour: string): number {
  const part = (at: number): number => {
    const c = parseInt(colour.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * part(1) + 0.7152 * part(3) + 0.0722 * part(5);
}
/** A dark thing on the dark mat is seen by its edge. */
const edge = (colour: string | undefined, on: 'mat' | 'paper', usual: string): string =>
  on === 'mat' && colour !== undefined && luminance(colour) < 0.1 ? 'rgba(255,255,255,.6)' : usual;

const path = (points: readonly (readonly [number, number])[], open = false): string =>
  `M${points.map((p) => `${p[0].toFixed(2)} ${p[1].toFixed(2)}`).join('L')}${open ? '' : 'Z'}`;

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
  // Numbered within its kind: a mark more among the first leaves the elements of all others what they are.
  const counts = { circle: 0, path: 0, dimension: 0, words: 0 };
  return marks.map((m) => {
    const sort = m.kind === 'outline' || m.kind === 'line' ? 'path' : m.kind;
    const key = `${sort}${counts[sort]++}`;
    switch (m.kind) {
      case 'circle':
      case 'outline':
      case 'line': {
        const look = LOOKS[m.role];
        const paper = on === 'paper';
        const fill = paper && m.role === 'opening' ? 'var(--ink)' : (look.fill ?? 'none');
        const thick = m.kind === 'line' ? m.width : undefined;
        const style = {
          fill: m.kind === 'line' ? 'none' : m.colour && look.dyed ? m.colour : fill,
          stroke:
            m.kind === 'line' && m.colour
              ? m.colour
              : edge(look.dyed ? m.colour : undefined, on, look.stroke),
          strokeWidth: Math.max(thick ?? 0, (look.width ?? 1.2) * (paper ? 0.7 : 1) * px),
          strokeDasharray:
            look.dash && thick === undefined ? look.dash.map((d) => d * px).join(' ') : undefined,
          strokeLinejoin: 'round' as const,
          strokeLinecap: m.kind === 'line' ? ('round' as const) : undefined,
          opacity: m.role === 'piece-in' ? 0.92 : undefined,
        };
        return m.kind === 'circle' ? (
          <circle key={key} cx={m.at[0]} cy={m.at[1]} r={m.radius} {...style} />
        ) : (
          <path key={key} d={path(m.points, m.kind === 'line')} {...style} />
        );
      }
      case 'dimension':
        return on === 'paper' ? null : <Dimension key={key} mark={m} px={px} unit={unit} />;
      case 'words':
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
    }
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
