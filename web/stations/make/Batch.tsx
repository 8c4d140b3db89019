import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { BatchWork } from '../../../contract/batches.ts';
import type { Place } from '../../../contract/place.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import { kits } from '../../../core/needs/supply.ts';
import { api, words } from '../../data/api.ts';
import { purchaseOf } from '../../data/purchase.ts';
import { useChange, useMaterials, useOffers, usePlace, useSuppliers } from '../../data/queries.ts';
import { shortDay, amountWords } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Row, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { Buy, useBuying } from '../../design/Buy.tsx';
import { idleWords } from '../../../core/plan/planWords.ts';
import { AddItem } from './AddItem.tsx';
import { PlanList } from './CutPlans.tsx';
import { DayChart } from './DayChart.tsx';
import { endWords, PlanSteps } from './PlanSteps.tsx';
import { MadeDialog } from './MadeDialog.tsx';
import { WaysOut } from './WaysOut.tsx';
import { When } from './When.tsx';
import { useBatch, usePlan, useSaveBatch } from './useBatch.ts';
import { text } from './text.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 404px;
  gap: 12px 16px;
  align-items: start;
  > header {
    grid-column: 1 / -1;
  }
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

function Bill({ batch }: { batch: BatchWork }) {
  return (
    <Table
      caption={text('billMaterials')}
      head={[text('material'), 'all', 'kept', 'held', 'short']}
      rows={batch.bill.map((l) => {
        const said = (n: number): string => amountWords(n, l.unit);
        return {
          key: String(l.materialId),
          cells: [
            <span key="n">
              {l.name}
              {l.for.length > 1 && (
                <>
                  <br />
                  <Quiet>{l.for.join(', ')}</Quiet>
                </>
              )}
            </span>,
            said(l.wanted),
            said(l.kept),
            said(l.held),
            l.short > 0 ? <b style={{ color: 'var(--stop)' }}>{said(l.short)}</b> : '0',
          ],
        };
      })}
    />
  );
}

function Work({ batch, place }: { batch: BatchWork; place: Place }) {
  const { data: plan, error: planError } = usePlan(batch.id, batch.version, batch.progress.done.length);
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const { data: materials } = useMaterials();
  const save = useSaveBatch(batch);
  const go = useNavigate();
  const remove = useChange(
    () => api<void>('DELETE', `/batches/${batch.id}`),
    () => text('sessionDropped', { batch: batch.name }),
  );
  const [isMade, setMade] = useState(false);
  const isDone = batch.state === 'done';
  const request = useMemo(
    () =>
      offers && suppliers
        ? purchaseOf({
            wanted: new Map(batch.bill.map((l) => [l.materialId, l.wanted])),
            free: (id) => {
              const l = batch.bill.find((x) => x.materialId === id);
              return l ? Math.max(0, l.kept - l.held) : 0;
            },
            offers,
            suppliers,
          })
        : null,
    [batch.bill, offers, suppliers],
  );
  const buying = useBuying(isDone ? null : request);
  const short = batch.bill.filter((l) => l.short > 0);
  const hands = batch.tasks.reduce((n, t) => n + t.minutes, 0);
  const blade = batch.tasks.reduce((n, t) => n + (t.blade ? t.minutes : 0), 0);
  const end = plan ? endWords(plan) : null;
  return (
    <Grid>
      <Heading
        over={
          isDone
            ? text('madeOn', { madeOn: shortDay(batch.madeOn!) })
            : text(blade > 0 ? 'stepsHandsOnBlade' : 'stepsHandsOnNone', {
                tasks: batch.tasks.length,
                hands: formatMinutes(hands),
                blade: formatMinutes(blade),
              })
        }
        title={batch.name}
      >
        <ButtonLink plain to="/make/batches">
          {text('allBatches')}
        </ButtonLink>
        <FileLink href={`/api/batches/${batch.id}/papers.pdf`}>{text('allPapers')}</FileLink>
        {!isDone && (
          <>
            <Button plain isDisabled={short.length > 0} onPress={() => setMade(true)}>
              {text('made3')}
            </Button>
            <ButtonLink to={`/make/batches/${batch.id}/bench`}>{text('goBench')}</ButtonLink>
          </>
        )}
      </Heading>
      <Stack $gap={12}>
        {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
        {isDone ? (
          <Panel as="section" aria-label={text('whatTook')}>
            <h2>{text('whatTook')}</h2>
            <p style={{ fontSize: 14.5 }}>{text('kits2', { labels: batch.labels.join(', ') })}</p>
            <Table
              caption={text('whatWasTakenOff')}
              head={[text('material'), 'taken']}
              rows={batch.used.map((u) => ({
                key: String(u.materialId),
                cells: [u.name, String(u.quantity)],
              }))}
            />
            {batch.left.length > 0 && (
              <Quiet>
                {text('putBack', { left: batch.left.map((l) => `${l.count} × ${l.name}`).join(', ') })}
              </Quiet>
            )}
          </Panel>
        ) : (
          <Panel as="section" aria-label={text('planBench')}>
            {planError && <Notice tone="stop">{words(planError)}</Notice>}
            {!plan && !planError && <p role="status">{text('workingOutWhenEverything')}</p>}
            {plan && end && (
              <Stack $gap={8}>
                <Spread>
                  <h2 aria-live="polite">{end.title}</h2>
                  {plan.feasible && (
                    <FileLink small href={`/api/batches/${batch.id}/plan.ics`}>
                      {text('asCalendar')}
                    </FileLink>
                  )}
                </Spread>
                {plan.feasible ? (
                  <Quiet>{end.proof}</Quiet>
                ) : (
                  <WaysOut
                    plan={plan}
                    tasks={batch.tasks}
                    isSaving={save.isPending}
                    onDays={(days) => save.mutate({ days })}
                  />
                )}
                {plan.feasible && (
                  <DayChart
                    plan={plan}
                    tasks={batch.tasks}
                    days={batch.days}
                    onMove={(task, pin) => {
                      const { [task]: _, ...others } = batch.days.pins;
                      save.mutate({
                        days: { ...batch.days, pins: pin === null ? others : { ...others, [task]: pin } },
                      });
                    }}
                  />
                )}
                {plan.idle.map((i) => (
                  <Notice key={i.maker} tone="care">
                    {idleWords(i)}
                  </Notice>
                ))}
                {plan.feasible && <PlanSteps plan={plan} tasks={batch.tasks} own={batch.own} />}
              </Stack>
            )}
          </Panel>
        )}
        <Panel as="section" aria-label={text('whatTakes')}>
          <Stack $gap={8}>
            <Spread>
              <h2>{text('whatTakes')}</h2>
              {short.length > 0 && <Quiet>{text('shortBuySaveOr', { short: short.length })}</Quiet>}
            </Spread>
            <Bill batch={batch} />
          </Stack>
        </Panel>
        {!isDone && materials && offers && suppliers && (
          <Panel as="section" aria-label={text('buying')}>
            <Buy
              buying={buying}
              offers={offers}
              suppliers={suppliers}
              materials={materials}
              nothing={text('nothingShelfAll')}
              instead={text('saveMoreAddOffer')}
            />
            {(buying.data?.packs.length ?? 0) > 0 && (
              <Row style={{ marginTop: 8 }}>
                <FileLink small href={`/api/batches/${batch.id}/shopping.pdf`}>
                  {text('shoppingList')}
                </FileLink>
                <FileLink small href={`/api/batches/${batch.id}/shopping.csv`}>
                  {text('asCsv')}
                </FileLink>
              </Row>
            )}
          </Panel>
        )}
        {batch.cutPlans.length > 0 && (
          <Panel as="section" aria-label={text('cutPlans')}>
            <PlanList
              plans={batch.cutPlans}
              count={Math.max(...batch.items.map((i) => i.copies))}
              unit={place.lengthUnit}
            />
          </Panel>
        )}
      </Stack>
      <aside>
        <Panel as="div">
          <Stack $gap={10}>
            <h2>{text('whatMade')}</h2>
            <ul style={{ display: 'grid', gap: 6 }}>
              {batch.items.map((item, i) => (
                <li key={`${item.designId} ${item.bundleId}`}>
                  <Spread>
                    <span style={{ fontSize: 14.5 }}>
                      {item.designId === null ? (
                        item.name
                      ) : (
                        <Link to={`/make/${item.designId}`}>{item.name}</Link>
                      )}
                    </span>
                    {isDone ? (
                      <b>{kits(item.copies)}</b>
                    ) : (
                      <Row>
                        <Stepper
                          label={text('kits3', { item: item.name })}
                          value={item.copies}
                          min={1}
                          max={100}
                          onChange={(copies) =>
                            save.mutate({
                              items: batch.items.map((x, k) => (k === i ? { ...x, copies } : x)),
                            })
                          }
                        />
                        {batch.items.length > 1 && (
                          <Button
                            small
                            plain
                            aria-label={text('takeOutItem', { item: item.name })}
                            onPress={() => save.mutate({ items: batch.items.filter((_, k) => k !== i) })}
                          >
                            ×
                          </Button>
                        )}
                      </Row>
                    )}
                  </Spread>
                </li>
              ))}
            </ul>
            {!isDone && (
              <>
                <AddItem items={batch.items} onItems={(items) => save.mutate({ items })} />
                <Seam />
                <When batch={batch} place={place} save={(days) => save.mutate({ days })} />
                <Seam />
                {remove.error && <Notice tone="stop">{words(remove.error)}</Notice>}
                <Button
                  small
                  plain
                  isDisabled={remove.isPending}
                  onPress={() => remove.mutate(undefined, { onSuccess: () => void go('/make/batches') })}
                >
                  {text('dropThisBatch')}
                </Button>
              </>
            )}
          </Stack>
        </Panel>
      </aside>
      {isMade && <MadeDialog batch={batch} onClose={() => setMade(false)} />}
    </Grid>
  );
}

/** A batch: when everything is done, what it takes, what to buy, how it is cut. */
export function Component() {
  const id = Number(useParams().id);
  const { data: batch, error } = useBatch(id);
  const { data: place } = usePlace();
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!batch || !place) return <p role="status">{text('loadingBatch')}</p>;
  return <Work key={batch.id} batch={batch} place={place} />;
}
