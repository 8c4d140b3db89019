import { styled } from 'styled-components';
import type { PhotoAnswer } from '../../contract/photo.ts';
import { text } from './text.ts';

export const PhotoFrame = styled.figure`
  position: relative;
  margin: 0;
  border-radius: 10px;
  overflow: hidden;
  img,
  svg {
    display: block;
    width: 100%;
  }
  svg {
    position: absolute;
    inset: 0;
    height: 100%;
  }
  text {
    font: 800 15px var(--display);
    text-anchor: middle;
    dominant-baseline: central;
    paint-order: stroke;
    stroke: var(--ink);
    stroke-width: 4px;
    fill: #fff;
  }
`;
/** Units of the drawing over the photo, across. */
export const WIDE = 600;

export type Mark = 'plain' | 'picked' | 'unsure' | 'stranger';
const LINE: Record<Mark, string> = {
  plain: '#fff',
  picked: 'var(--tape)',
  unsure: 'var(--care)',
  stranger: 'var(--stop)',
};

/** The photo with what was found in it outlined; things are counted from 1. */
export function PhotoPicture({
  src,
  answer,
  markOf = () => 'plain',
  labelOf = (i) => String(i + 1),
  onPick,
}: {
  src: string;
  answer: PhotoAnswer;
  markOf?(thing: number): Mark;
  labelOf?(thing: number): string;
  /** A touch on a thing; what it does is there by keyboard elsewhere. */
  onPick?(thing: number): void;
}) {
  const high = (WIDE * answer.photo.height) / answer.photo.width;
  return (
    <PhotoFrame>
      <img src={src} alt="" />
      <svg
        viewBox={`0 0 ${WIDE} ${high}`}
        role="img"
        aria-label={text('thingsFound', { things: answer.things.length })}
      >
        {answer.things.map((t, i) => {
          const points = t.seen.map(([x, y]) => [x * WIDE, y * high] as const);
          const mark = markOf(i);
          const middle = (k: 0 | 1): number => points.reduce((sum, p) => sum + p[k], 0) / points.length;
          return (
            <g
              key={i}
              {...(onPick
                ? { onClick: () => onPick(i), style: { cursor: 'pointer' }, pointerEvents: 'all' }
                : {})}
            >
              <polygon
                points={points.map((p) => p.map((v) => v.toFixed(1)).join(',')).join(' ')}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={5}
              />
              <polygon
                points={points.map((p) => p.map((v) => v.toFixed(1)).join(',')).join(' ')}
                fill="none"
                stroke={LINE[mark]}
                strokeWidth={mark === 'picked' ? 4 : 2.5}
                strokeDasharray={mark === 'plain' || mark === 'picked' ? undefined : '7 5'}
              />
              <text x={middle(0)} y={middle(1)}>
                {labelOf(i)}
              </text>
            </g>
          );
        })}
      </svg>
    </PhotoFrame>
  );
}
