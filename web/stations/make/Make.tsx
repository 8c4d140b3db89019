import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import type { Build } from '../../../contract/designs.ts';
import { inUnit } from '../../../core/measure/length.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import { kits, restOf, shortWords } from '../../../core/needs/supply.ts';
import { orderSteps, handsOn } from '../../../core/plan/order.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useKitPages } from '../../data/queries.ts';
import { supplyFor } from '../../design/derived.ts';
import { CheckLine } from '../../design/CheckLine.tsx';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { SupplyList } from '../../design/SupplyList.tsx';
import { CutPlans } from './CutPlans.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { LabelsDialog } from '../../parts/LabelsDialog.tsx';
import { Heading, Notice, Panel, Quiet, Row, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 12px 16px;
  grid-template-rows: auto minmax(0, 1fr);
  > header {
    grid-column: 1 / 3;
  }
  > .left {
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    gap: 12px;
    min-height: 0;
  }
  .steps {
    overflow: auto;
    padding: 2px 16px;
  }
  > aside {
    overflow: auto;
  }
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr);
    > header {
      grid-column: 1;
    }
  }
`;
const Step = styled.li`
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto;
  gap: 2px 10px;
  padding: 9px 0;
  border-top: 1px dashed var(--seam);
  font-size: 14px;
  &:first-child {
    border-top: 0;
  }
  > b {
    font: 800 22px/1.1 var(--display);
    color: var(--fox);
  }
  h3 {
    font-size: 15.5px;
  }
  .when {
    text-align: right;
    font: 700 15px/1.3 var(--display);
    white-space: nowrap;
  }
  .who {
    display: flex;
    gap: 6px;
    justify-content: flex-end;
    margin-top: 3px;
    font: 600 12.5px/1 var(--body);
  }
  .who span {
    padding: 4px 8px;
    border-radius: 20px;
    background: var(--linen);
  }
  .who .blade {
    background: var(--stop-tint);
    color: var(--stop);
    font-weight: 700;
  }
  .who .child {
    background: var(--clear-tint);
    color: var(--clear);
  }
  @media (max-width: 640px) {
    grid-template-columns: 28px minmax(0, 1fr);
    .side {
      grid-column: 2;
      .when {
        text-align: left;
      }
      .who {
        justify-content: flex-start;
      }
    }
  }
`;
const Inline = styled.div`
  > div {
    display: flex;
    align-items: center;
    gap: 10px;
  }
`;
/** A bar for the batch: work, blades, and what dries meanwhile. */
const Bar = styled.div`
  display: grid;
  gap: 4px;
  .lane {
    position: relative;
    height: 22px;
    background: var(--linen);
    border-radius: 5px;
    overflow: hidden;
  }
  .lane i {
    position: absolute;
    top: 0;
    bottom: 0;
    background: var(--mat);
    border-right: 1px solid var(--paper);
  }
  .lane i.blade {
    background: repeating-linear-gradient(45deg, var(--stop) 0 6px, #7e1020 6px 9px);
  }
  .dry i {
    background: var(--tape-shade);
  }
  small {
    color: var(--slate);
    font-size: 12.5px;
    display: flex;
    justify-content: space-between;
  }
`;

function MakeWork({ at }: { at: AtBench }) {
  const { design, light, needed, materials, bench, place } = at;
  const flush = useOpenDesign((s) => s.flush);
  const [paper, setPaper] = useState<string>(place.paper);
  const [wanted, setWanted] = useState<number | null>(null);
  const { data: copies } = useKitPages({ design: design.id, limit: 1 });
  const [made, setMade] = useState<Build | null>(null);
  const madeEver = copies?.pages[0]?.total ?? 0;
  const rest = restOf(design);
  const count = Math.min(100, wanted ?? rest);
  const state = useMemo(
    () => supplyFor({ needs: needed.needs, copies: count, materials, bench, designId: design.id }),
    [needed.needs, count, materials, bench, design.id],
  );
  const short = shortWords(state);
  const steps = light.steps();
  const placed = orderSteps(steps, count);
  const work = handsOn(placed);
  const tools = [...new Set(steps.flatMap((s) => s.tools))];
  const needsBlade = steps.some((s) => s.blade);
  const build = useChange(async (n: number) => {
    await flush();
    const { draft } = useOpenDesign.getState();
    return api<Build>('POST', '/builds', { designId: design.id, version: draft!.version, copies: n });
  });
  const width = (minutes: number): string => `${work.elapsed > 0 ? (100 * minutes) / work.elapsed : 0}%`;
  const query = `?paper=${paper}&copies=${count}`;
  return (
    <Grid>
      <Heading
        over={
          needsBlade
            ? text('stepsHandsOnBlade2', {
                placed: placed.length,
                total: formatMinutes(work.total),
                blade: formatMinutes(work.blade),
              })
            : text('stepsHandsOnNo', { placed: placed.length, total: formatMinutes(work.total) })
        }
        title={
          count === 0
            ? text('thisBatchMade', { design: design.name })
            : text('make', { count: kits(count), design: design.name })
        }
      >
        <Quiet>{text('kits4')}</Quiet>
        <Stepper label={text('kitsMake')} value={count} min={0} max={100} onChange={setWanted} />
        <ButtonLink plain to="/make/batches">
          {text('makeSeveralTogether')}
        </ButtonLink>
        <ButtonLink plain to="/lend">
          {text('lend')}
        </ButtonLink>
      </Heading>
      <div className="left">
        <Panel className="steps" aria-label={text('steps')} tabIndex={0}>
          <ol>
            {placed.map((p, i) => (
              <Step key={p.step.id}>
                <b>{i + 1}</b>
                <div>
                  <h3>{inUnit(p.step.title, place.lengthUnit)}</h3>
                  <p>{inUnit(p.step.words, place.lengthUnit)}</p>
                  {p.step.tools.length > 0 && (
                    <Quiet>{text('with', { tools: p.step.tools.join(', ') })}</Quiet>
                  )}{' '}
                  {p.step.drying > 0 && (
                    <Quiet>{text('thenDryGoOn', { drying: formatMinutes(p.step.drying) })}</Quiet>
                  )}
                </div>
                <div className="side">
                  <div className="when">{formatMinutes(p.minutes)}</div>
                  <div className="who">
                    {p.step.blade && <span className="blade">{text('blade')}</span>}
                    <span className={p.step.who === 'child' ? 'child' : ''}>
                      {p.step.who === 'child'
                        ? text('childsStep')
                        : p.step.who === 'adult'
                          ? 'adult'
                          : text('adultOrChild')}
                    </span>
                  </div>
                </div>
              </Step>
            ))}
          </ol>
          <CutPlans needs={needed.needs} count={count} materials={materials} unit={place.lengthUnit} />
        </Panel>
        <Panel>
          <Spread>
            <Inline>
              <Choice
                label={text('printOn')}
                value={paper}
                onChange={setPaper}
                options={[
                  { value: 'A4', label: 'A4' },
                  { value: text('letter'), label: text('letter') },
                ]}
              />
            </Inline>
            <Row>
              <DesignFile small href={`/api/designs/${design.id}/build-sheet.pdf${query}`}>
                {text('buildSheet')}
              </DesignFile>
              <DesignFile small href={`/api/designs/${design.id}/template.pdf?paper=${paper}`}>
                {text('template')}
              </DesignFile>
              <DesignFile small href={`/api/designs/${design.id}/template.svg?paper=${paper}`}>
                {text('templateAsSvg')}
              </DesignFile>
              <DesignFile small href={`/api/designs/${design.id}/count-card.pdf?paper=${paper}`}>
                {text('countCard')}
              </DesignFile>
              <DesignFile
                small
                href={`/api/designs/${design.id}/picture-sheet.pdf?paper=${paper}&prepared=no`}
              >
                {text('pictureSheet')}
              </DesignFile>
              {madeEver > 0 && <LabelsDialog href={`/api/designs/${design.id}/labels.pdf?paper=${paper}`} />}
            </Row>
          </Spread>
        </Panel>
      </div>
      <aside>
        <Panel as="div">
          <Stack $gap={10}>
            <h2>{text('onePersonWorking')}</h2>
            <Bar aria-hidden>
              <div className="lane">
                {placed.map((p) => (
                  <i
                    key={p.step.id}
                    className={p.step.blade ? 'blade' : ''}
                    style={{ left: width(p.start), width: width(p.minutes) }}
                  />
                ))}
              </div>
              <div className="lane dry">
                {placed
                  .filter((p) => p.step.drying > 0)
                  .map((p) => (
                    <i key={p.step.id} style={{ left: width(p.end), width: width(p.step.drying) }} />
                  ))}
              </div>
              <small>
                <span>{text('workThenDrying')}</span>
                <span>{text('allDAfter', { elapsed: formatMinutes(work.elapsed) })}</span>
              </small>
            </Bar>
            {needsBlade && (
              <Notice tone="care">
                <strong>{text('blades')}</strong> {text('onlyWhileChildrenSleep')}
              </Notice>
            )}
            <Seam />
            <h2>{text('layOut')}</h2>
            {tools.length > 0 && <Quiet>{text('tools', { tools: tools.join(', ') })}</Quiet>}
            <SupplyList supply={state} />
            {short && (
              <Notice tone="stop">
                <strong>{short}</strong>
              </Notice>
            )}
            {build.error && <Notice tone="stop">{words(build.error)}</Notice>}
            {made && (
              <Notice tone="clear">
                <strong>{text('madeLabelled')}</strong> {made.kits.map((c) => c.label).join(', ')}
                <br />
                {made.offcuts.length > 0 && (
                  <>
                    {text('putBackOnShelf2', {
                      offcuts: made.offcuts.map((o) => `${o.count} × ${o.name}`).join(', '),
                    })}
                    <br />
                  </>
                )}
                <ButtonLink small plain to="/lend">
                  {text('goLend')}
                </ButtonLink>
              </Notice>
            )}
            {at.heavy.safety ? (
              <CheckLine
                designId={design.id}
                findings={at.heavy.safety.findings}
                youngest={at.heavy.safety.youngest}
              />
            ) : (
              <Quiet role="status">{at.heavy.problem ?? text('askingCheck')}</Quiet>
            )}
            <Button
              isDisabled={count === 0 || !!short || build.isPending}
              onPress={() =>
                build.mutate(count, {
                  onSuccess: (b) => {
                    setMade(b);
                    setWanted(null);
                  },
                })
              }
            >
              {count === 0
                ? text('nothingMake')
                : count === 1
                  ? text('thisKitMade')
                  : text('theseKitsMade', { count })}
            </Button>
            <Quiet>
              {madeEver > 0 ? text('takesPiecesOffShelf', { madeEver }) : text('takesPiecesOffShelfLabels')}
            </Quiet>
          </Stack>
        </Panel>
      </aside>
    </Grid>
  );
}

export const Component = () => (
  <DesignBench station="make">{(at) => <MakeWork key={at.design.id} at={at} />}</DesignBench>
);
