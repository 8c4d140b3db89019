import { styled } from 'styled-components';
import type { OutlineDial } from '../../core/outline/outline.ts';
import { boxOf } from '../../core/geometry/polygon.ts';
import type { Vec2 } from '../../core/geometry/vector.ts';

const Drawn = styled.svg`
  display: block;
  width: 100%;
  max-height: 200px;
  background: var(--mat);
  border-radius: 10px;
  path {
    fill: var(--paper);
    stroke: var(--fox);
    stroke-width: 2;
    vector-effect: non-scaling-stroke;
    fill-rule: evenodd;
  }
`;

const path = (ring: readonly Vec2[]): string => `M${ring.map(([x, y]) => `${x} ${y}`).join('L')}Z`;

/** An outline of one’s own as it will be cut. */
export function Traced({
  outline,
  label,
}: {
  outline: Extract<OutlineDial, { kind: 'own' }>;
  label: string;
}) {
  const [x0, y0, x1, y1] = boxOf(outline.points);
  const room = 0.08 * Math.max(x1 - x0, y1 - y0);
  return (
    <Drawn
      viewBox={`${x0 - room} ${y0 - room} ${x1 - x0 + 2 * room} ${y1 - y0 + 2 * room}`}
      role="img"
      aria-label={label}
    >
      <path d={[outline.points, ...(outline.holes ?? [])].map(path).join('')} />
    </Drawn>
  );
}
