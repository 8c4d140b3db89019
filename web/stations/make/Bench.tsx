import { useEffect, useRef, useState } from 'react';
import { useParams } from 'react-router';
import type { BatchWork } from '../../../contract/batches.ts';
import type { Place } from '../../../contract/place.ts';
import { toolPicture } from '../../../core/drawing/tools.ts';
import { inUnit } from '../../../core/measure/length.ts';
import { clock, formatMinutes } from '../../../core/measure/minutes.ts';
import { kits } from '../../../core/needs/supply.ts';
import type { BenchTool } from '../../../core/patterns/kernel.ts';
import type { BatchTask } from '../../../core/plan/batch.ts';
import { dryings, nextStep, orderFor } from '../../../core/plan/benchOrder.ts';
import { words } from '../../data/api.ts';
import { useDesigns, useMaterials, usePlace } from '../../data/queries.ts';
import { DesignPicture } from '../../design/DesignPicture.tsx';
import { ScenePicture } from '../../drawing/ScenePicture.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Heading, Notice, Quiet, Row } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { Big, Elsewhere, Foot, Page, Step, Timers, Tools } from './benchLook.ts';
import { msNow, useAwake, useNow, useRinging } from './benchTime.ts';
import { useBatch, usePlan } from './useBatch.ts';
import { useProgress } from './useProgress.ts';
import { text } from './text.ts';

/** What the design looks like at this step, with what the hand does now in the colour of the button. */
function LooksLike({ task }: { task: BatchTask }) {
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const design = designs?.find((d) => d.id === task.designId);
  const wide = innerWidth > 760;
  return (
    <div>
      {design && materials && (
        <DesignPicture
          design={design}
          materials={materials}
          step={task.step}
          width={wide ? 250 : 170}
          height={wide ? 190 : 116}
        />
      )}
      <div>{task.design}</div>
    </div>
  );
}

/** How often it is asked what other benches did meanwhile, ms. */
const MEANWHILE = 4000;
const makerKey = (id: number): string => `fox-bench-maker-${id}`;

/** Who is at this bench: it stays so on this device. */
function useMaker(batch: BatchWork): readonly [string | null, (name: string | null) => void] {
  const names = batch.days.makers.map((m) => m.name);
  const [maker, setMaker] = useState(() => localStorage.getItem(makerKey(batch.id)));
  const set = (name: string | null): void => {
    if (name === null) localStorage.removeItem(makerKey(batch.id));
    else localStorage.setItem(makerKey(batch.id), name);
    setMaker(name);
  };
  return [maker !== null && names.length > 1 && names.includes(maker) ? maker : null, set];
}

function Work({ batch, place }: { batch: BatchWork; place: Place }) {
  const now = useNow();
  useAwake();
  // The order stays while one works by it, whatever is timed meanwhile.
  const [begun] = useState({ version: batch.version, done: batch.progress.done.length });
  const { data: plan } = usePlan(batch.id, begun.version, begun.done);
  const [isAway, setAway] = useState(false);
  const [anyway, setAnyway] = useState<string | null>(null);
  const { progress, send, problem } = useProgress(batch);
  const { done } = progress;
  const [maker, setMaker] = useMaker(batch);
  const order = orderFor(plan?.plan ?? [], maker);
  const elsewhere = progress.running.filter((r) => r.maker !== maker);
  const running = progress.running.find((r) => r.maker === maker);
  const busy = new Set(elsewhere.map((r) => r.task));
  const { task, until } = nextStep(batch.tasks, order, done, now, busy);
  const isAllDone = done.length >= batch.tasks.length;
  const timers = dryings(batch.tasks, done);
  useRinging(timers, now);
  const isRunning = task !== null && running?.task === task.id;
  const waits = until !== null && anyway !== task?.id;
  const isBlade = task?.blade === true;
  const press = (): void => {
    if (!task) return;
    if (waits) return setAnyway(task.id);
    const at = msNow();
    if (!isRunning) {
      if (isBlade) setAway(true);
      return void send({ task: task.id, did: 'begun', at, maker });
    }
    const after = send({ task: task.id, did: 'done', at, maker });
    setAnyway(null);
    const next = nextStep(batch.tasks, order, after.done, at, busy);
    // The next step runs at once, so that nobody presses twice; a blade waits until children are known to be away.
    if (next.task && next.until === null && (!next.task.blade || isAway))
      send({ task: next.task.id, did: 'begun', at, maker });
    if (next.task && !next.task.blade) setAway(false);
  };
  const last = done.at(-1);
  const undo = (): void => {
    if (last) send({ task: last.task, did: 'undone', at: msNow() });
  };
  const keys = useRef({ press, undo });
  useEffect(() => {
    keys.current = { press, undo };
  });
  useEffect(() => {
    const key = (e: KeyboardEvent): void => {
      if (e.target instanceof Element && e.target.closest(text('buttonInputRoleDialog'))) return;
      if (e.key === ' ') {
        e.preventDefault();
        keys.current.press();
      }
      if (e.key === 'Backspace') keys.current.undo();
    };
    addEventListener('keydown', key);
    return () => removeEventListener('keydown', key);
  }, []);
  const label = !task
    ? ''
    : waits
      ? text('goOnAnyway')
      : isRunning
        ? text('d')
        : isBlade
          ? text('childrenAwayBegin')
          : text('begin');
  return (
    <Page>
      <Heading
        over={text('stepsD', { batch: batch.name, done: done.length, tasks: batch.tasks.length })}
        title={
          task
            ? text('step', { done: done.length + 1 })
            : isAllDone
              ? text('everyStepD')
              : text('nothingYouJustNow')
        }
      >
        {batch.days.makers.length > 1 && (
          <Select
            label={text('thisBench')}
            value={maker ?? ''}
            onChange={(v) => setMaker(v === '' ? null : v)}
            options={[
              { value: '', label: text('everybody') },
              ...batch.days.makers.map((m) => ({ value: m.name, label: m.name })),
            ]}
          />
        )}
        <Button plain isDisabled={!last} onPress={undo}>
          {text('undo')}
        </Button>
        <ButtonLink plain to={`/make/batches/${batch.id}`}>
          {text('plan')}
        </ButtonLink>
      </Heading>
      <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
        {problem && (
          <Notice tone="stop">
            <strong>{text('notSavedYet')}</strong> {text('sentAgainItself', { problem })}
          </Notice>
        )}
        {timers.length > 0 && (
          <Timers aria-label={text('whatDries')}>
            {timers.map((t) => {
              const rest = (t.until - now) / 1000;
              return (
                <li key={t.task} data-over={rest <= 0}>
                  <b>{rest > 0 ? clock(Math.ceil(rest)) : text('dry')}</b>
                  {t.title}, {t.design}
                </li>
              );
            })}
          </Timers>
        )}
        {elsewhere.length > 0 && (
          <Elsewhere aria-label={text('benches')}>
            {elsewhere.map((r) => (
              <li key={r.task}>
                <b>{r.maker ?? text('bench')}</b>: {batch.tasks.find((t) => t.id === r.task)?.title},{' '}
                {clock(Math.max(0, (now - r.since) / 1000))}
              </li>
            ))}
          </Elsewhere>
        )}
        {task ? (
          <Step aria-label={text('thisStep')}>
            <div className="over">
              <span>{task.design}</span>
              <span>
                {kits(task.copies)}
                {task.part ? text('part', { what: task.part[0], what2: task.part[1] }) : ''}
              </span>
              <span>{formatMinutes(task.minutes)}</span>
              <span>
                {task.who === 'child'
                  ? text('childsOwnStep')
                  : task.who === 'adult'
                    ? 'adult'
                    : text('adultOrChild')}
              </span>
              {isBlade && <b>{task.hot ? 'heat' : 'blade'}</b>}
              {isRunning && (
                <span role="timer">{text('running', { now: clock((now - running.since) / 1000) })}</span>
              )}
            </div>
            <div style={{ display: 'grid', gap: 14, alignContent: 'start' }}>
              <h2>{inUnit(task.title, place.lengthUnit)}</h2>
              <p className="say">{inUnit(task.words, place.lengthUnit)}</p>
              {isBlade && !isRunning && (
                <Notice tone="care">
                  <span style={{ fontSize: 20 }}>
                    <strong>{task.hot ? text('heatChildrenAway') : text('bladeChildrenAway')}</strong>
                    <br />
                    {text('onBoardPutOut')}
                  </span>
                </Notice>
              )}
              {until !== null && (
                <Notice tone="care">
                  <span style={{ fontSize: 20 }}>
                    <strong>
                      {text('dryFirstLeft', { what: clock(Math.max(0, (until - now) / 1000)) })}
                    </strong>
                  </span>
                </Notice>
              )}
              {task.drying > 0 && (
                <Quiet>{text('thenDryClockRuns', { drying: formatMinutes(task.drying) })}</Quiet>
              )}
            </div>
            <div className="see">
              <LooksLike task={task} />
              {task.needs.length > 0 && (
                <Tools aria-label={text('layOut')}>
                  {task.needs.map((n) => (
                    <li key={n}>
                      <ScenePicture scene={toolPicture(n as BenchTool)} width={84} height={54} />
                      {n}
                    </li>
                  ))}
                </Tools>
              )}
            </div>
          </Step>
        ) : !isAllDone ? (
          <Notice tone="care">
            <span style={{ fontSize: 22 }}>
              <strong>{text('whatLeftWaitsBench')}</strong> {text('nextStepComesUp')}
            </span>
          </Notice>
        ) : (
          <Notice tone="clear">
            <span style={{ fontSize: 22 }}>
              <strong>{text('everyStepD2')}</strong> {text('lookOverKitsThen')}
            </span>
          </Notice>
        )}
      </div>
      {task ? (
        <Foot>
          <span />
          <Big type="button" data-calm={!isRunning} onClick={press} style={{ gridColumn: '1 / -1' }}>
            {label}
            <span style={{ display: 'block', font: '500 15px/1.3 var(--body)', opacity: 0.85 }}>
              {text('orPressSpaceBar')}
            </span>
          </Big>
        </Foot>
      ) : (
        <Row>
          <ButtonLink to={`/make/batches/${batch.id}`}>{text('batch2')}</ButtonLink>
        </Row>
      )}
    </Page>
  );
}

/** One step at a time, to be read from a metre away and pressed with an elbow. */
export function Component() {
  const id = Number(useParams().id);
  const { data: batch, error } = useBatch(id, MEANWHILE);
  const { data: place } = usePlace();
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!batch || !place) return <p role="status">{text('loadingBench')}</p>;
  if (batch.state === 'done')
    return (
      <Notice tone="clear">
        {text('made4', { batch: batch.name })}{' '}
        <ButtonLink to={`/make/batches/${batch.id}`}>{text('see')}</ButtonLink>
      </Notice>
    );
  return <Work key={batch.id} batch={batch} place={place} />;
}
