import { memo, useLayoutEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import type { LengthUnit } from '../../core/measure/length.ts';

const Frame = styled.div`
  background: var(--mat);
  border-radius: 12px;
  position: relative;
  overflow: hidden;
  /* What moves inside moves nothing outside. */
  contain: layout paint style;
  container-type: inline-size;
  min-height: 260px;
  height: 100%;
  color: var(--mat-ink);
  svg {
    position: absolute;
    left: 0;
    top: 0;
    display: block;
    font-family: var(--body);
  }
`;

/** From one scale of a steady mat to the next. */
const STEP = 1.2;

/** Pixels kept clear at the sides and at top and foot: figures beside a drawing are as large on any mat. */
const EDGES = [20, 10] as const;

interface View {
  readonly px: number;
}

/** The lines and numbers of the mat: they stay while what lies on it moves. */
const Grid = memo(function Grid({
  width: vw,
  height: vh,
  px,
  unit,
}: {
  width: number;
  height: number;
  px: number;
  unit: LengthUnit;
}) {
  const every = unit === 'mm' ? 10 : 25.4 / 2;
  const strong = unit === 'mm' ? 5 : 2;
  const lines = (from: number, to: number): number[] =>
    Array.from({ length: Math.ceil((to - from) / every) + 1 }, (_, i) => i);
  // Far away the lines run together, and figures would run into each other: fewer of both.
  const far = Math.max(1, Math.ceil((44 * px) / (strong * every)));
  const thin = far > 1 ? strong : 1;
  const figure = (i: number): string => (unit === 'mm' ? String(i * 10) : `${i / 2}″`);
  return (
    <>
      {lines(0, vw)
        .filter((i) => i % thin === 0)
        .map((i) => (
          <path
            key={`v${i}`}
            d={`M${i * every} 0v${vh}`}
            stroke={i % (strong * far) === 0 ? 'var(--mat-line-strong)' : 'var(--mat-line)'}
            strokeWidth={px}
          />
        ))}
      {lines(0, vh)
        .filter((i) => i % thin === 0)
        .map((i) => (
          <path
            key={`h${i}`}
            d={`M0 ${i * every}h${vw}`}
            stroke={i % (strong * far) === 0 ? 'var(--mat-line-strong)' : 'var(--mat-line)'}
            strokeWidth={px}
          />
        ))}
      <g fontSize={12 * px} fill="#b9d0c6" aria-hidden>
        {lines(0, vw - 14 * px)
          .filter((i) => i > 0 && i % (strong * far) === 0)
          // Whole, or not at all: half a figure is another one.
          .filter((i) => i * every <= vw - 14 * px)
          .map((i) => (
            <text key={`x${i}`} x={i * every} y={14 * px} textAnchor="middle">
              {figure(i)}
            </text>
          ))}
        {lines(0, vh - 14 * px)
          .filter((i) => i > 0 && i % (strong * far) === 0)
          .map((i) => (
            <text key={`y${i}`} x={5 * px} y={i * every - 4 * px}>
              {figure(i)}
            </text>
          ))}
      </g>
    </>
  );
});

/**
 * The cutting mat: green, a 10 mm grid, real proportions, numbers along the edges. What is drawn on it is in mm from
 * its upper left; `width` × `height` mm of it always show, in the middle.
 */
export function Mat({
  width,
  height,
  unit,
  label,
  children,
  over,
  most = 5,
  reserve = 0,
  aside = 0,
  steady = false,
}: {
  width: number;
  height: number;
  unit: LengthUnit;
  label: string;
  children: (view: View) => React.ReactNode;
  over?: React.ReactNode;
  most?: number;
  reserve?: number;
  /** Pixels at the right that nothing is drawn on, for the words there. */
  aside?: number;
  /** The scale goes in steps, so that what grows on the mat is seen to grow, and most changes leave the rest as it is. */
  steady?: boolean;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<readonly [number, number]>([704, 446]);
  useLayoutEffect(() => {
    const el = frame.current;
    if (!el || typeof ResizeObserver === 'undefined') return;
    const watch = new ResizeObserver(() =>
      setSize([Math.max(120, el.clientWidth), Math.max(120, el.clientHeight)]),
    );
    watch.observe(el);
    return () => watch.disconnect();
  }, []);
  // On a narrow mat the words at its foot get a place of their own.
  const foot = size[0] < 620 ? reserve : 0;
  const side = size[0] < 620 ? 0 : aside;
  const close = 1 / most;
  const least = Math.max(
    width / (size[0] - side - 2 * EDGES[0]),
    height / (size[1] - foot - 2 * EDGES[1]),
    close,
  );
  const px = steady ? close * STEP ** Math.ceil(Math.log(least / close) / Math.log(STEP) - 1e-9) : least;
  const [vw, vh] = [size[0] * px, size[1] * px];
  const [left, top] = [(vw - side * px - width) / 2, (vh - foot * px - height) / 2];
  return (
    <Frame ref={frame}>
      {/* Its size in figures: as a share of the frame it would be laid out anew in each pass of the grid around it. */}
      <svg width={size[0]} height={size[1]} viewBox={`0 0 ${vw} ${vh}`} role="img" aria-label={label}>
        <Grid width={vw} height={vh} px={px} unit={unit} />
        <g transform={`translate(${left} ${top})`}>{children({ px })}</g>
      </svg>
      {over}
    </Frame>
  );
}
