import { useEffect, useRef, useState } from 'react';
import type { Data, Layout } from 'plotly.js-basic-dist-min';
import { styled } from 'styled-components';
import { words } from '../data/api.ts';
import { Notice } from './Panel.tsx';
import { text } from './text.ts';

const Frame = styled.div`
  width: 100%;
  min-width: 0;
  position: relative;
`;
const FONT = { family: "'Atkinson Hyperlegible Next Variable', sans-serif", size: 13, color: '#1e2a2c' };

/** Resolves when an element is in sight, or near it; at once where a browser cannot tell. */
function inSight(el: Element): { seen: Promise<void>; stop: () => void } {
  if (typeof IntersectionObserver === 'undefined') return { seen: Promise.resolve(), stop: () => {} };
  let observer: IntersectionObserver | null = null;
  const seen = new Promise<void>((resolve) => {
    observer = new IntersectionObserver(
      (entries) => {
        if (entries.some((e) => e.isIntersecting)) resolve();
      },
      { rootMargin: '120px' },
    );
    observer.observe(el);
  });
  return { seen, stop: () => observer?.disconnect() };
}

/** A chart; its library is fetched only when one is in sight. `label` says in words what it shows. */
export function Chart({
  data,
  layout = {},
  label,
  height = 300,
}: {
  data: Data[];
  layout?: Partial<Layout>;
  label: string;
  height?: number;
}) {
  const at = useRef<HTMLDivElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    const el = at.current;
    let clear = (): void => {};
    const sight = el ? inSight(el) : null;
    const draw = async (): Promise<void> => {
      await sight?.seen;
      if (gone) return;
      const { default: plotly } = await import('plotly.js-basic-dist-min');
      if (gone || !el) return;
      await plotly.react(
        el,
        data,
        {
          height,
          autosize: true,
          margin: { l: 48, r: 14, t: 52, b: 36 },
          paper_bgcolor: 'rgba(0,0,0,0)',
          plot_bgcolor: 'rgba(0,0,0,0)',
          font: FONT,
          showlegend: true,
          legend: { orientation: 'h', yanchor: 'bottom', y: 1.02, x: 0 },
          hoverlabel: { font: FONT },
          ...layout,
          xaxis: { gridcolor: '#e6dcc8', zeroline: false, fixedrange: true, ...layout.xaxis },
          yaxis: {
            gridcolor: '#e6dcc8',
            zerolinecolor: '#8d8069',
            fixedrange: true,
            rangemode: 'tozero',
            ...layout.yaxis,
          },
        },
        { displayModeBar: false, responsive: true },
      );
      clear = () => plotly.purge(el);
    };
    draw().catch((e: unknown) => setProblem(words(e)));
    return () => {
      gone = true;
      sight?.stop();
      clear();
    };
  }, [data, layout, height]);
  return (
    <>
      {problem && <Notice tone="stop">{text('chartCouldNotDrawn', { problem })}</Notice>}
      <Frame ref={at} role="img" aria-label={label} style={{ height }} />
    </>
  );
}
