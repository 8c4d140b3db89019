import { bodyOf } from '../../core/geometry/body.ts';
import { hull } from '../../core/geometry/polygon.ts';
import { shadowOf } from '../../core/geometry/body.ts';
import type { Shape } from '../../core/geometry/shape.ts';
import { multiply, type Mat3 } from '../../core/geometry/vector.ts';
import { SMALL_PARTS_CYLINDER as G, type SmallPartsAnswer } from '../../core/gauge/smallParts.ts';
import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import { Mat } from './Mat.tsx';
import { Marks } from './Marks.tsx';

/** From the side: the gauge's x stays x, its height becomes the drawing's y. */
const SIDE: Mat3 = [1, 0, 0, 0, 0, 1, 0, -1, 0];

/** The small-parts cylinder cut open, with the piece in its best pose. */
export function Gauge({
  shape,
  answer,
  name,
  unit,
  turn = 0,
  over,
}: {
  shape: Shape;
  answer: SmallPartsAnswer;
  name: string;
  unit: LengthUnit;
  /** Degrees round the cylinder's axis that one looks from. */
  turn?: number;
  over?: React.ReactNode;
}) {
  const r = G.diameter / 2;
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  const [x0, y0, pz0] = answer.pose.position;
  const px0 = c * x0 - s * y0;
  const from = multiply(SIDE, [c, -s, 0, s, c, 0, 0, 0, 1]);
  // The bottom slants: seen from another side its two ends are nearer each other in depth.
  const middle = (G.shallow + G.deep) / 2;
  const [nearer, farther] = [middle - c * (middle - G.shallow), middle + c * (G.deep - middle)];
  const shadow = hull(shadowOf(bodyOf(shape), multiply(from, answer.pose.rotation))).map(
    ([x, z]) => [x + px0, -(z + pz0)] as const,
  );
  const xs = shadow.map((p) => p[0]);
  const ys = shadow.map((p) => p[1]);
  const left = Math.min(-r - 14, ...xs) - 6;
  const right = Math.max(r + 14, ...xs) + 6;
  const top = Math.min(-11, ...ys) - 5;
  const bottom = Math.max(G.deep, ...ys) + 18;
  const at = (x: number, y: number): [number, number] => [x - left, y - top];
  const inside: [number, number][] = [at(-r, 0), at(r, 0), at(r, farther), at(-r, nearer)];
  const fits = answer.fits !== false;
  return (
    <Mat
      width={right - left}
      height={bottom - top}
      unit={unit}
      most={7}
      label={`${name} in the small-parts cylinder, ${fits ? 'inside' : 'standing out'}`}
      over={over}
    >
      {({ px }) => (
        <>
          <path
            d={`M${inside.map((p) => p.join(' ')).join('L')}Z`}
            fill="rgba(234,244,236,.2)"
            stroke="none"
          />
          <path
            d={`M${shadow.map(([x, y]) => at(x, y).join(' ')).join('L')}Z`}
            fill="var(--fox)"
            stroke="rgba(255,255,255,.8)"
            strokeWidth={1.4 * px}
            strokeLinejoin="round"
            opacity="0.93"
          />
          <path
            d={`M${at(-r, 0).join(' ')}L${at(-r, nearer).join(' ')}L${at(r, farther).join(' ')}L${at(r, 0).join(' ')}`}
            fill="none"
            stroke="#fff"
            strokeWidth={2.2 * px}
            strokeLinejoin="round"
          />
          <ellipse
            cx={at(0, 0)[0]}
            cy={at(0, 0)[1]}
            rx={r}
            ry={3.4}
            fill="none"
            stroke="#fff"
            strokeWidth={1.6 * px}
            strokeDasharray={fits ? undefined : `${5 * px} ${3 * px}`}
          />
          <Marks
            px={px}
            unit={unit}
            marks={[
              { kind: 'dimension', from: at(-r, 0), to: at(r, 0), side: [0, -8], value: G.diameter },
              ...(turn === 0
                ? ([
                    {
                      kind: 'dimension',
                      from: at(-r, 0),
                      to: at(-r, G.shallow),
                      side: [-6, 0],
                      value: G.shallow,
                    },
                    { kind: 'dimension', from: at(r, 0), to: at(r, G.deep), side: [6, 0], value: G.deep },
                  ] as const)
                : []),
            ]}
          />
          <title>{`${name}: clearance ${lengthNumber(answer.clearance, unit)}`}</title>
        </>
      )}
    </Mat>
  );
}
