import { useMemo, useState } from 'react';
import type { Data } from 'plotly.js-basic-dist-min';
import { styled } from 'styled-components';
import type { Lasting } from '../../../contract/durability.ts';
import { renewal } from '../../../core/durability/renewal.ts';
import { sparesFor } from '../../../core/durability/spares.ts';
import { medianOf, survivalSteps } from '../../../core/durability/survival.ts';
import { weibullFit } from '../../../core/durability/weibull.ts';
import { words } from '../../data/api.ts';
import { useLasting, useMaterials, usePlace } from '../../data/queries.ts';
import { useRates } from '../../data/rates.ts';
import { money } from '../../data/style.ts';
import { ButtonLink } from '../../parts/Button.tsx';
import { Chart } from '../../parts/Chart.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { Method } from '../../parts/Fold.tsx';
import { Heading, Notice, Panel, Quiet, SideBySide, Stack } from '../../parts/Panel.tsx';
import { TermReport } from './TermReport.tsx';
import { text } from './text.ts';

const Row = styled.button`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  width: 100%;
  min-height: 44px;
  padding: 6px 10px;
  align-items: center;
  text-align: left;
  border: 0;
  border-top: 1px dashed var(--seam);
  background: none;
  font: inherit;
  cursor: pointer;
  &[aria-pressed='true'] {
    background: var(--linen);
    border-radius: 8px;
  }
`;

/** Fewer losses than this say nothing of how wear grows. */
const FEW = 3;
const PRIOR_WORDS = {
  washed: text('whatWashed'),
  card: text('cardPaperCloth'),
  grown: text('whatGrownOrEaten'),
};

/** Whether each piece is gone, however it went. */
const gone = (of: Lasting): boolean[] => of.causes.map((c) => c !== null);
/** How wear grows with age: what was lost was only seen until then, and nobody renews a piece against being lost. */
const wearOf = (of: Lasting) =>
  of.worn >= FEW
    ? weibullFit(
        of.times,
        of.causes.map((c) => c === 'worn'),
      )
    : null;

const loansOf = (n: number): string => `${n} ${n === 1 ? 'loan' : 'loans'}`;

/** The share that is still there after so many loans, with its interval and the smooth line where there is enough. */
function Curve({ of }: { of: Lasting }) {
  const steps = useMemo(() => survivalSteps(of.times, gone(of), 'log-log'), [of]);
  const fit = useMemo(() => wearOf(of), [of]);
  const median = medianOf(steps);
  const chart = useMemo(() => {
    const x = [0, ...steps.map((s) => s.time)];
    const line = (y: (number | null)[], name: string, style: object): Data => ({
      x,
      y,
      name,
      type: 'scatter',
      mode: 'lines',
      line: { shape: 'hv', ...style },
    });
    const most = Math.max(1, ...steps.map((s) => s.time));
    const data: Data[] = [
      line([1, ...steps.map((s) => s.survival)], text('stillThere'), { color: '#B0451A', width: 3 }),
      line([1, ...steps.map((s) => s.low)], text('n95Interval'), {
        color: '#8d8069',
        dash: 'dot',
        width: 1.5,
      }),
      {
        ...line([1, ...steps.map((s) => s.high)], '', { color: '#8d8069', dash: 'dot', width: 1.5 }),
        showlegend: false,
      },
    ];
    if (fit) {
      const at = Array.from({ length: 41 }, (_, i) => (most * i) / 40);
      data.push({
        x: at,
        y: at.map((t) => Math.exp(-((t / fit.scale) ** fit.shape))),
        name: 'Weibull',
        type: 'scatter',
        mode: 'lines',
        line: { color: '#2C5F8A', width: 2 },
      });
    }
    return {
      data,
      layout: {
        xaxis: { title: { text: 'loans' }, dtick: 1 },
        yaxis: { title: { text: text('shareStillThere') }, range: [0, 1.02] },
        margin: { l: 60, r: 14, t: 52, b: 46 },
      },
    };
  }, [steps, fit]);
  const last = steps.at(-1);
  return (
    <Stack $gap={8}>
      <Chart
        data={chart.data}
        layout={chart.layout}
        height={280}
        label={`${of.name}: ${steps.map((s) => text('afterLoansStillThere', { time: s.time, what: Math.round(100 * s.survival) })).join(', ')}`}
      />
      <Quiet>
        {text('seenOn', { times: of.times.length, kits: of.kits, lost: of.lost, worn: of.worn })}
        {of.lost + of.worn === 0
          ? text('nWasLostYet')
          : median === null
            ? text('moreThanHalfStill', { time: loansOf(last!.time) })
            : text('halfLostAfter', { median: loansOf(median) })}
      </Quiet>
      <Method>
        {text('curveMethod')} {of.lost + of.worn > 0 && of.worn < FEW ? text('fewerThanWornNo', { FEW }) : ''}
        {fit
          ? fit.shape > 1
            ? text('weibullShapeScaleLoans', { shape: fit.shape.toFixed(2), scale: fit.scale.toFixed(1) })
            : text('weibullShapeScaleLoansGoes', { shape: fit.shape.toFixed(2), scale: fit.scale.toFixed(1) })
          : ''}{' '}
        {text('piecesKindAlikeWas')}
      </Method>
    </Stack>
  );
}

/** Spares for the term, and when to renew. */
function Ahead({ of }: { of: Lasting }) {
  const { data: materials } = useMaterials();
  const rate = useRates(materials ?? []);
  const [loans, setLoans] = useState<number | null>(8);
  const [chance, setChance] = useState('0.9');
  const cost = rate(of.materialId).minor;
  const answer =
    loans === null
      ? null
      : sparesFor({
          lossesSeen: of.lost + of.worn,
          loansSeen: of.loans,
          prior: of.prior,
          loansAhead: loans * of.inUse,
          probability: Number(chance),
        });
  const fit = wearOf(of);
  // A loss at a family costs a trip as well as the piece: taken as three times the piece (common practice).
  const renew =
    fit && cost > 0
      ? renewal({ shape: fit.shape, scale: fit.scale, plannedCost: cost, failureCost: 3 * cost })
      : null;
  return (
    <Stack $gap={10}>
      <h2>{text('sparesTerm')}</h2>
      <CountField label={text('loansAheadEachKit')} value={loans} onChange={setLoans} />
      <Choice
        label={text('chanceAllKitsStay')}
        value={chance}
        onChange={setChance}
        options={['0.8', '0.9', '0.95', '0.99'].map((v) => ({
          value: v,
          label: `${Math.round(100 * Number(v))} %`,
        }))}
      />
      {answer && (
        <Notice tone="clear">
          <strong>{text('sparesKeep', { of: of.name.toLowerCase(), spares: answer.spares })}</strong>
          {cost > 0
            ? text('expected', {
                cost: money(Math.round(cost * answer.spares)),
                expected: answer.expected.toFixed(1),
              })
            : text('expected2', { expected: answer.expected.toFixed(1) })}
        </Notice>
      )}
      <Method>
        {text('beforeAnythingWasSeen', {
          shape: of.prior.shape,
          rate: of.prior.rate,
          kind: PRIOR_WORDS[of.prior.kind],
          lost: of.lost + of.worn,
          loans: of.loans,
          what: (100 * ((of.prior.shape + of.lost + of.worn) / (of.prior.rate + of.loans))).toFixed(1),
        })}
      </Method>
      <h2>{text('whenRenew')}</h2>
      <Quiet>
        {of.worn < FEW
          ? text('lostNotWorn', { worn: of.worn, lost: of.lost, FEW })
          : renew === null
            ? text('noPriceToRenew')
            : renew.age === null
              ? text('keepUntilGoesLoan', { costRate: money(Math.round(renew.costRate)) })
              : text('renewAfterLoansLoan', {
                  age: renew.age.toFixed(1),
                  costRate: money(Math.round(renew.costRate)),
                })}
      </Quiet>
    </Stack>
  );
}

/** What lasts and what is lost, by kind of piece. */
export function Component() {
  const { data: list, error } = useLasting();
  const { data: place } = usePlace();
  const [chosen, setChosen] = useState<number | null>(null);
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!list || !place) return <p role="status">{text('loadingCounts')}</p>;
  const one = list.find((l) => l.materialId === chosen) ?? list[0];
  return (
    <Stack>
      <Heading over={text('fromEveryCountAfter', { place: place.name })} title={text('whatLastsWhatLost')}>
        <ButtonLink plain to="/lend">
          {text('backRail')}
        </ButtonLink>
      </Heading>
      {!one ? (
        <Notice tone="care">{text('nothingWasCountedAfter')}</Notice>
      ) : (
        <SideBySide>
          <Panel as="div" aria-label={text('kindsPiece')}>
            {list.map((l) => (
              <Row
                key={l.materialId}
                type="button"
                aria-pressed={l === one}
                onClick={() => setChosen(l.materialId)}
              >
                <b>{l.name}</b>
                <span>{text('lostAndWorn', { lost: l.lost, worn: l.worn })}</span>
                <Quiet>{text('loansPiece', { loans: l.loans })}</Quiet>
              </Row>
            ))}
          </Panel>
          <Panel as="div">
            <Stack>
              <h2>{one.name}</h2>
              <Curve of={one} />
              <Ahead key={one.materialId} of={one} />
            </Stack>
          </Panel>
        </SideBySide>
      )}
      <TermReport place={place} />
    </Stack>
  );
}
