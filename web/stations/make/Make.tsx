import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import type { Build } from '../../../contract/designs.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import { kits, restOf, shortWords } from '../../../core/needs/supply.ts';
import { orderSteps, handsOn } from '../../../core/plan/order.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useKitPages } from '../../data/queries.ts';
import { supplyFor } from '../../design/derived.ts';
import { CheckLine } from '../../design/CheckLine.tsx';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useWorkings } from '../../design/workings.ts';
import { useOpenDesign } from '../../design/store.ts';
import { SupplyList } from '../../design/SupplyList.tsx';
import { CutPlans } from './CutPlans.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { LabelsDialog } from '../../parts/LabelsDialog.tsx';
import { Heading, Notice, Panel, Quiet, Row, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { OnePerson } from './OnePerson.tsx';
import { PlanSession } from './PlanSession.tsx';
import { StepItem } from './StepItem.tsx';
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
const Inline = styled.div`
  > div {
    display: flex;
    align-items: center;
    gap: 10px;
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
  const short = shortWords(state, place.lengthUnit);
  // What others hold and what the check says come after the dials: until then nothing is known to be short or clear, and
  // the button would move under the finger.
  const isAsking = bench.length === 0 || (!at.heavy.safety && !at.heavy.problem);
  const steps = light.steps(Math.max(1, count));
  const unlisted = light.unlisted();
  const placed = orderSteps(steps, count, at.own);
  const work = handsOn(placed);
  const tools = [...new Set(steps.flatMap((s) => s.tools))];
  const needsBlade = steps.some((s) => s.blade);
  const build = useChange(async (n: number) => {
    await flush();
    const { draft } = useOpenDesign.getState();
    return api<Build>('POST', '/builds', { designId: design.id, version: draft!.version, copies: n });
  });
  const hasTemplate = useWorkings((w) => (w.rested?.sheets.length ?? 0) > 0);
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
        <ButtonLink plain to="/lend">
          {text('lend')}
        </ButtonLink>
        <ButtonLink plain to="/make/batches">
          {text('allBatches')}
        </ButtonLink>
        <PlanSession design={design} count={Math.max(1, count)} place={place} />
      </Heading>
      <div className="left">
        <Panel className="steps" aria-label={text('steps')} tabIndex={0}>
          <ol>
            {placed.map((p, i) => (
              <StepItem key={p.step.id} placed={p} number={i + 1} unit={place.lengthUnit} />
            ))}
          </ol>
          {unlisted.length > 0 && (
            <Notice tone="care">{text('notInBill', { what: unlisted.join(', ').toLowerCase() })}</Notice>
          )}
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
              {hasTemplate && (
                <>
                  <DesignFile small href={`/api/designs/${design.id}/template.pdf?paper=${paper}`}>
                    {text('template')}
                  </DesignFile>
                  <DesignFile small href={`/api/designs/${design.id}/template.svg?paper=${paper}`}>
                    {text('templateAsSvg')}
                  </DesignFile>
                </>
              )}
              {!hasTemplate && <Quiet>{text('noTemplate')}</Quiet>}
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
            <OnePerson placed={placed} elapsed={work.elapsed} />
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
              isDisabled={count === 0 || !!short || isAsking || build.isPending}
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
