import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import type { Mark, MarkRole } from '../../core/drawing/mark.ts';

const FILL: Record<MarkRole, string> = {
  lid: '#e9e8df',
  rim: 'none',
  opening: 'var(--mat)',
  cut: 'none',
  piece: 'var(--fox)',
  'piece-detail': 'none',
  'piece-in': 'var(--fox)',
  container: '#e9e8df',
  fold: 'none',
};
const STROKE: Record<MarkRole, string> = {
  lid: 'rgba(0,0,0,.35)',
  rim: 'rgba(30,42,44,.4)',
  opening: 'var(--fox)',
  cut: 'var(--fox)',
  piece: 'rgba(0,0,0,.45)',
  'piece-detail': 'rgba(255,255,255,.6)',
  'piece-in': 'rgba(255,255,255,.75)',
  container: 'rgba(0,0,0,.35)',
  fold: 'var(--chalk)',
};

const path = (points: readonly (readonly [number, number])[]): string =>
  `M${points.map((p) => `${p[0].toFixed(2)} ${p[1].toFixed(2)}`).join('L')}Z`;

/** The one drawing of a core layout. `px` is the size of a screen pixel in mm. */
export function Marks({ marks, px, unit }: { marks: readonly Mark[]; px: number; unit: LengthUnit }) {
  return marks.map((m, i) => {
    switch (m.kind) {
      case 'circle':
      case 'outline': {
        const style = {
          fill: m.colour && FILL[m.role] !== 'none' ? m.colour : FILL[m.role],
          stroke: STROKE[m.role],
          strokeWidth: (m.role === 'opening' ? 2 : 1.2) * px,
          strokeDasharray: m.role === 'rim' ? `${4 * px} ${4 * px}` : undefined,
          strokeLinejoin: 'round' as const,
          opacity: m.role === 'piece-in' ? 0.92 : undefined,
        };
        return m.kind === 'circle' ? (
          <circle key={i} cx={m.at[0]} cy={m.at[1]} r={m.radius} {...style} />
        ) : (
          <path key={i} d={path(m.points)} {...style} />
        );
      }
      case 'dimension':
        return <Dimension key={i} mark={m} px={px} unit={unit} />;
      case 'words':
        return (
          <text key={i} x={m.at[0]} y={m.at[1]} fontSize={13 * px} textAnchor="middle" fill="var(--mat-ink)">
            {m.text}
          </text>
        );
    }
  });
}

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
