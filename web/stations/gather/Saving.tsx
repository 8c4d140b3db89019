import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Data, Layout } from 'plotly.js-basic-dist-min';
import { addDays } from '../../../core/calendar/days.ts';
import { shortDay } from '../../data/style.ts';
import { restOf, reservedStock } from '../../../core/needs/supply.ts';
import { freeOf } from '../../../core/plan/makeable.ts';
import { savingChart, savingUp, type Saving } from '../../../core/saving/savingUp.ts';
import { useLots, useMaterials, usePlace } from '../../data/queries.ts';
import { useNeeds } from '../../design/onBench.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { ButtonLink } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Chart } from '../../parts/Chart.tsx';
import { Select } from '../../parts/Select.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Row, SideBySide, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { amount } from './words.ts';
import { Method } from '../../parts/Fold.tsx';
import { text } from './text.ts';

const when = (s: Saving): string =>
  s.short === 0
    ? text('thereNow')
    : !s.forecast
      ? text('tooFewDeliveriesSay')
      : s.days.middle === null
        ? text('unlikelyWithinThreeYears')
        : s.days.high === null
          ? text('fromPerhapsNotWithin', { low: shortDay(s.days.low!) })
          : text('to', { low: shortDay(s.days.low!), high: shortDay(s.days.high) });

function chartOf(s: Saving, today: string): { data: Data[]; layout: Partial<Layout> } {
  const c = savingChart(s, today);
  return {
    data: [
      {
        type: 'bar',
        name: text('cameWeek'),
        x: c.past.x,
        y: c.past.y,
        marker: { color: '#b98f5c' },
        xperiod: 604_800_000,
        xperiodalignment: 'middle',
      } as Data,
      {
        type: 'scatter',
        mode: 'lines',
        x: c.x,
        y: c.high,
        line: { width: 0 },
        hoverinfo: 'skip',
        showlegend: false,
      },
      {
        type: 'scatter',
        mode: 'lines',
        name: text('onShelf1090'),
        x: c.x,
        y: c.low,
        fill: 'tonexty',
        fillcolor: 'rgba(29,74,67,.2)',
        line: { width: 0 },
      },
      {
        type: 'scatter',
        mode: 'lines',
        name: text('middleEstimate'),
        x: c.x,
        y: c.middle,
        line: { color: '#1d4a43', width: 3, shape: 'hv' },
      },
      {
        type: 'scatter',
        mode: 'lines',
        name: text('wanted', { wanted: s.wanted }),
        x: [c.from, c.until],
        y: [s.wanted, s.wanted],
        line: { color: '#b0451a', width: 2, dash: 'dash' },
      },
    ],
    layout: { xaxis: { type: 'date', tickformat: '%-d %b' }, bargap: 0.25 },
  };
}

/** When will the shelf reach what a batch needs, from how finds have come in. */
export function Component() {
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const { data: lots } = useLots();
  const designs = useNeeds();
  const [params, setParams] = useSearchParams();
  const [copies, setCopies] = useState<number | null>(null);
  const [until, setUntil] = useState<string | null>(null);
  const chosen =
    designs?.find((d) => String(d.id) === params.get('design')) ??
    designs?.find((d) => d.onBench) ??
    designs?.[0];
  const n = copies ?? (chosen ? Math.max(1, restOf(chosen)) : 1);
  const lines = useMemo(
    () =>
      chosen && materials && lots && place
        ? savingUp({
            needs: chosen.needs,
            copies: n,
            free: freeOf(materials, reservedStock(designs!, chosen.id)),
            materials,
            lots,
            today: place.today,
          })
        : null,
    [chosen, designs, materials, lots, place, n],
  );
  const shown =
    lines?.find((l) => String(l.material.id) === params.get('material')) ??
    lines?.find((l) => l.short > 0) ??
    lines?.[0];
  const chart = useMemo(() => (shown && place ? chartOf(shown, place.today) : null), [shown, place]);
  if (!materials || !place || !lots || !designs) return <p role="status">{text('loading')}</p>;
  if (!chosen || !lines)
    return (
      <Stack>
        <Heading over={place.name} title={text('savingUp')} />
        <Notice tone="care">{text('thereNoDesignYet')}</Notice>
        <ButtonLink to="/shape">{text('startDesign')}</ButtonLink>
      </Stack>
    );
  const short = lines.filter((l) => l.short > 0);
  const by = until ?? addDays(place.today, 28);
  const pick = (part: Record<string, string>): void =>
    setParams({ design: String(chosen.id), ...part }, { replace: true });
  return (
    <Stack>
      <Heading
        over={text('saving', { place: place.name, n, design: chosen.design.name })}
        title={
          short.length === 0
            ? text('shelfAll')
            : text('stillWanted', {
                short: short
                  .map(
                    (l) =>
                      `${amount(l.material, l.short)} ${l.material.unit === 'mm' ? 'of' : '×'} ${l.material.name.toLowerCase()}`,
                  )
                  .join(', '),
              })
        }
      >
        <Row>
          <Quiet>{text('kits')}</Quiet>
          <Stepper label={text('kits')} value={n} min={1} max={200} onChange={setCopies} />
        </Row>
        <div style={{ width: 250 }}>
          <Select
            label={text('design')}
            value={String(chosen.id)}
            onChange={(id) => {
              setCopies(null);
              setParams({ design: id }, { replace: true });
            }}
            options={designs.map((d) => ({ value: String(d.id), label: d.design.name }))}
          />
        </div>
      </Heading>
      {chosen.problem && <Notice tone="stop">{chosen.problem}</Notice>}
      <SideBySide $left={0.95}>
        <Stack>
          <Panel>
            <Table
              caption={text('whatBatchNeeds')}
              left={[4]}
              head={[text('material'), 'needed', 'free', 'wanted', text('likelyThere')]}
              rows={lines.map((l) => ({
                key: String(l.material.id),
                cells: [
                  <button
                    key="m"
                    type="button"
                    aria-pressed={shown === l}
                    onClick={() => pick({ material: String(l.material.id) })}
                    style={{
                      all: 'unset',
                      display: 'inline-flex',
                      gap: 8,
                      alignItems: 'center',
                      cursor: 'pointer',
                      minHeight: 44,
                      fontWeight: shown === l ? 700 : 400,
                      textDecoration: shown === l ? 'none' : 'underline',
                    }}
                  >
                    <Picture material={l.material} size={34} />
                    {l.material.name}
                  </button>,
                  amount(l.material, l.wanted),
                  amount(l.material, l.free),
                  l.short > 0 ? (
                    <b key="s" style={{ color: 'var(--stop)' }}>
                      {amount(l.material, l.short)}
                    </b>
                  ) : (
                    '0'
                  ),
                  when(l),
                ],
              }))}
            />
          </Panel>
          <Panel>
            <Row $gap={12}>
              <div>
                <h2>{text('wantedListFamilies')}</h2>
                <Quiet>{text('pagePicturesSizesHow')}</Quiet>
              </div>
              <div style={{ width: 170 }}>
                <DayField
                  label={text('until2')}
                  value={by}
                  onChange={setUntil}
                  error={by < place.today ? text('expectedTodayOrLater') : null}
                />
              </div>
              {by >= place.today && (
                <FileLink
                  href={`/api/designs/${chosen.id}/wanted.pdf?copies=${n}&until=${by}`}
                  style={{ alignSelf: 'end' }}
                >
                  {text('printWantedList')}
                </FileLink>
              )}
            </Row>
          </Panel>
        </Stack>
        {shown && chart && (
          <Panel>
            <Stack $gap={6}>
              <h2>
                {shown.material.name}: {when(shown)}
              </h2>
              <Chart
                label={text('cameWeekFromOn', {
                  material: shown.material.name,
                  counts: shown.counts.join(', '),
                  from: shortDay(shown.from),
                  free: shown.free,
                  wanted: shown.wanted,
                  shown: when(shown),
                })}
                data={chart.data}
                layout={chart.layout}
                height={330}
              />
              <Quiet>
                {shown.counts.length > 0 &&
                  text('weekOverWeeks', {
                    what: (shown.counts.reduce((a, b) => a + b, 0) / shown.counts.length).toFixed(1),
                    counts: shown.counts.length,
                  })}
              </Quiet>
              <Method>{text('weeksTakenAsAlike')}</Method>
            </Stack>
          </Panel>
        )}
      </SideBySide>
    </Stack>
  );
}
