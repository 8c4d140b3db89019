import type { PackingAnswer, PackingRequest } from '../../core/packing/problem.ts';
import { text } from './text.ts';

const COLOURS = ['#d8a657', '#7fa39a', '#b0653a', '#6a8caf', '#a3455f', '#8a9a5b', '#c79a63', '#7c6a8c'];
const shade = (hex: string, by: number): string =>
  `#${[1, 3, 5]
    .map((i) =>
      Math.max(0, Math.min(255, Math.round(parseInt(hex.slice(i, i + 2), 16) * by)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/** A packing seen from the upper front left: boxes from back to front, the container as a frame round them. */
export function Packed({ request, answer }: { request: PackingRequest; answer: PackingAnswer }) {
  const { length: L, width: W, height: H } = request.container;
  // x to the right, y away from the eye, z up; y is foreshortened along a slant.
  const at = (x: number, y: number, z: number): [number, number] => [x + 0.5 * y, -z - 0.42 * y];
  const path = (...p: [number, number, number][]): string =>
    `M${p
      .map((q) =>
        at(...q)
          .map((n) => n.toFixed(2))
          .join(' '),
      )
      .join('L')}Z`;
  const [wide, tall] = [L + 0.5 * W, H + 0.42 * W];
  const pad = Math.max(wide, tall) * 0.03;
  const line = Math.max(wide, tall) / 260;
  const colourOf = new Map(request.items.map((item, i) => [item.id, COLOURS[i % COLOURS.length]!]));
  // The far ones first, then the lower, then those further left.
  const order = [...answer.placements].sort((a, b) => b.y - a.y || a.z - b.z || a.x - b.x);
  return (
    <svg
      viewBox={`${-pad} ${-tall - pad} ${wide + 2 * pad} ${tall + 2 * pad}`}
      role="img"
      aria-label={text('packingBoxes', { placements: answer.placements.length })}
      style={{ width: '100%', maxHeight: 330, display: 'block' }}
    >
      <g fill="none" stroke="#b9d0c6" strokeWidth={line}>
        <path d={path([0, W, 0], [L, W, 0], [L, W, H], [0, W, H])} />
        <path d={path([0, 0, 0], [0, W, 0], [L, W, 0], [L, 0, 0])} />
        <path d={path([0, 0, H], [0, W, H])} />
      </g>
      {order.map((p, i) => {
        const [x, y, z] = [p.x, p.y, p.z];
        const [X, Y, Z] = [p.x + p.length, p.y + p.width, p.z + p.height];
        const c = colourOf.get(p.id) ?? COLOURS[0]!;
        return (
          <g key={i} stroke="#12332e" strokeWidth={line} strokeLinejoin="round">
            <path d={path([x, y, z], [X, y, z], [X, y, Z], [x, y, Z])} fill={c} />
            <path d={path([x, y, Z], [X, y, Z], [X, Y, Z], [x, Y, Z])} fill={shade(c, 1.18)} />
            <path d={path([X, y, z], [X, Y, z], [X, Y, Z], [X, y, Z])} fill={shade(c, 0.78)} />
          </g>
        );
      })}
      <g fill="none" stroke="#f5d06a" strokeWidth={line * 1.4}>
        <path
          d={path([0, 0, 0], [L, 0, 0], [L, 0, H], [0, 0, H])}
          strokeDasharray={`${4 * line} ${3 * line}`}
        />
        <path d={path([L, 0, H], [L, W, H])} strokeDasharray={`${4 * line} ${3 * line}`} />
      </g>
    </svg>
  );
}
/** The colour each kind of box has in the picture. */
export const packedColour = (index: number): string => COLOURS[index % COLOURS.length]!;
