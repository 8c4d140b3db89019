import { useMemo } from 'react';
import type { Data } from 'plotly.js-basic-dist-min';
import type { Note } from '../../../contract/notes.ts';
import { secondsLine } from '../../../core/challenge/line.ts';
import { shortDay } from '../../data/style.ts';
import { Chart } from '../../parts/Chart.tsx';
import { Method } from '../../parts/Fold.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';
import { secondsEach } from './words.ts';
import { text } from './text.ts';

/** Seconds for one against its bits, with the line and the interval of its mean where there is enough. */
export function Pace({ notes }: { notes: readonly Note[] }) {
  const timed = useMemo(
    () =>
      notes.flatMap((n) => {
        const each = secondsEach(n);
        return each === null ? [] : [{ bits: n.bits, each, of: `${n.design}, ${shortDay(n.satOn)}` }];
      }),
    [notes],
  );
  const line = useMemo(() => secondsLine(timed.map((t) => [t.bits, t.each] as const)), [timed]);
  const data = useMemo((): Data[] => {
    const points: Data = {
      x: timed.map((t) => t.bits),
      y: timed.map((t) => t.each),
      text: timed.map((t) => t.of),
      name: text('sittings'),
      type: 'scatter',
      mode: 'markers',
      marker: { color: '#B0451A', size: 10 },
    };
    if (!line) return [points];
    const bits = timed.map((t) => t.bits);
    const [from, to] = [Math.min(...bits), Math.max(...bits)];
    const x = Array.from({ length: 31 }, (_, i) => from + ((to - from) * i) / 30);
    const at = (b: number): number => line.intercept + line.slope * b;
    const drawn = (y: number[], name: string, style: object, more: object = {}): Data => ({
      x,
      y,
      name,
      type: 'scatter',
      mode: 'lines',
      line: style,
      ...more,
    });
    return [
      points,
      drawn(x.map(at), text('line'), { color: '#2C5F8A', width: 3 }),
      drawn(
        x.map((b) => Math.max(0, at(b) - line.halfWidth(b))),
        text('n95IntervalMean'),
        { color: '#8d8069', dash: 'dot', width: 1.5 },
      ),
      drawn(
        x.map((b) => at(b) + line.halfWidth(b)),
        '',
        { color: '#8d8069', dash: 'dot', width: 1.5 },
        { showlegend: false },
      ),
    ];
  }, [timed, line]);
  if (timed.length === 0) return <Quiet>{text('nothingWasTimedCounted')}</Quiet>;
  return (
    <Stack $gap={6}>
      <Chart
        data={data}
        layout={{
          xaxis: { title: { text: 'bits' } },
          yaxis: { title: { text: text('secondsEach2') }, rangemode: 'tozero' },
          margin: { l: 56, r: 12, t: 40, b: 44 },
        }}
        height={270}
        label={text('secondsEachAgainstBits', {
          timed: timed
            .map((t) => text('bitsS', { bits: t.bits.toFixed(1), each: t.each.toFixed(1) }))
            .join(', '),
        })}
      />
      {line && <Quiet>{line.slope > 0 ? text('slowerByDifficulty') : text('notSlower')}</Quiet>}
      <Method>
        {line
          ? text('leastSquaresOverSittings', {
              n: line.n,
              slope: line.slope.toFixed(1),
              bits: line.halfWidth(timed[0]!.bits).toFixed(1),
              bits2: timed[0]!.bits.toFixed(1),
            })
          : text('noLineYetTakes', { timed: timed.length })}
      </Method>
    </Stack>
  );
}
