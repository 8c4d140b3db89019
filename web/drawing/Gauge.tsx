import type { Shape } from '../../core/geometry/shape.ts';
import { gaugeView } from '../../core/gauge/gaugeView.ts';
import { SMALL_PARTS_CYLINDER as G, type SmallPartsAnswer } from '../../core/gauge/smallParts.ts';
import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import { Mat } from './Mat.tsx';
import { Marks } from './Marks.tsx';
import { text } from './text.ts';

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
  const { width, height, inside, piece, rim } = gaugeView(shape, answer, turn);
  const d = (points: readonly (readonly [number, number])[]): string =>
    points.map((p) => p.join(' ')).join('L');
  const fits = answer.fits !== false;
  return (
    <Mat
      width={width}
      height={height}
      unit={unit}
      most={7}
      label={fits ? text('smallPartsCylinderInside', { name }) : text('smallPartsCylinderStanding', { name })}
      over={over}
    >
      {({ px }) => (
        <>
          <path d={`M${d(inside)}Z`} fill="rgba(234,244,236,.2)" stroke="none" />
          <path
            d={`M${d(piece)}Z`}
            fill="var(--fox)"
            stroke="rgba(255,255,255,.8)"
            strokeWidth={1.4 * px}
            strokeLinejoin="round"
            opacity="0.93"
          />
          <path
            d={`M${d([inside[0]!, inside[3]!, inside[2]!, inside[1]!])}`}
            fill="none"
            stroke="#fff"
            strokeWidth={2.2 * px}
            strokeLinejoin="round"
          />
          <ellipse
            cx={rim.at[0]}
            cy={rim.at[1]}
            rx={rim.radius}
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
              { kind: 'dimension', from: inside[0]!, to: inside[1]!, side: [0, -8], value: G.diameter },
              ...(turn === 0
                ? ([
                    {
                      kind: 'dimension',
                      from: inside[0]!,
                      to: inside[3]!,
                      side: [-6, 0],
                      value: G.shallow,
                    },
                    { kind: 'dimension', from: inside[1]!, to: inside[2]!, side: [6, 0], value: G.deep },
                  ] as const)
                : []),
            ]}
          />
          <title>{text('clearance', { name, clearance: lengthNumber(answer.clearance, unit) })}</title>
        </>
      )}
    </Mat>
  );
}
