import { useEffect, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { styled } from 'styled-components';
import type { BatchWork } from '../../../contract/batches.ts';
import type { Place } from '../../../contract/place.ts';
import { toolPicture } from '../../../core/drawing/tools.ts';
import { inUnit } from '../../../core/measure/length.ts';
import { clock, formatMinutes } from '../../../core/measure/minutes.ts';
import { kits } from '../../../core/needs/supply.ts';
import type { BenchTool } from '../../../core/patterns/kernel.ts';
import type { BatchTask } from '../../../core/plan/batch.ts';
import { dryings, nextStep } from '../../../core/plan/benchOrder.ts';
import { words } from '../../data/api.ts';
import { useDesigns, useMaterials, usePlace } from '../../data/queries.ts';
import { DesignPicture } from '../../design/DesignPicture.tsx';
import { ScenePicture } from '../../drawing/ScenePicture.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Heading, Notice, Quiet, Row } from '../../parts/Panel.tsx';
import { ring } from '../../parts/ring.ts';
import { useBatch, usePlan } from './useBatch.ts';
import { useProgress } from './useProgress.ts';

const Page = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 12px;
  min-height: 100%;
`;
/** Read from a metre away: letters of a hand's width on a tablet. */
const Step = styled.section`
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 14px;
  padding: 18px 24px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 10px 28px;
  align-content: start;
  h2 {
    font-size: clamp(26px, 3.6vw, 44px);
    line-height: 1.1;
  }
  .say {
    font-size: clamp(20px, 2.3vw, 29px);
    line-height: 1.32;
    max-width: 32em;
  }
  .over {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    font-size: 17px;
    color: var(--slate);
  }
  .over b {
    color: var(--stop);
  }
  .see {
    display: grid;
    gap: 10px;
    justify-items: center;
    align-content: start;
    text-align: center;
    font-size: 16px;
  }
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
    padding: 14px 16px;
    .see {
      grid-auto-flow: column;
      justify-content: start;
      overflow: auto;
    }
  }
`;
const Tools = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  justify-content: center;
  li {
    display: grid;
    justify-items: center;
    font-size: 15px;
  }
`;
const Timers = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  li {
    border-radius: 10px;
    padding: 8px 14px;
    background: var(--linen);
    font-size: 16px;
  }
  li[data-over='true'] {
    background: var(--clear-tint);
  }
  b {
    font: 800 24px/1.1 var(--display);
    font-variant-numeric: tabular-nums;
    margin-right: 8px;
  }
`;
const Foot = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 12px;
  position: sticky;
  bottom: 0;
  padding-bottom: 4px;
  background: var(--linen-page, transparent);
`;
const Big = styled.button`
  min-height: 92px;
  border: 0;
  border-radius: 16px;
  background: var(--fox);
  color: #fff;
  font: 800 clamp(26px, 3.4vw, 38px) / 1.1 var(--display);
  cursor: pointer;
  &[data-calm='true'] {
    background: var(--mat);
  }
  &:disabled {
    opacity: 0.5;
  }
  &:focus-visible {
    outline: 4px solid var(--ink);
    outline-offset: 2px;
  }
`;

/** Now, a few times a second, for clocks that run. */
function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** Keeps the screen on while somebody works with glue on the hands, where the browser can. */
function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let isOver = false;
    const take = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (isOver) void lock.release();
      } catch {
        // A low battery or a setting of the browser: then the screen goes dark as it always does.
      }
    };
    void take();
    const again = (): void => void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
}

/** Rings once for each time that is up while the page is open. */
function useRinging(untils: readonly { readonly task: string; readonly until: number }[], now: number): void {
  const since = useRef(0);
  useEffect(() => {
    const before = since.current;
    since.current = now;
    if (before > 0 && untils.some((u) => u.until > before && u.until <= now)) ring();
  }, [untils, now]);
}

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

function Work({ batch, place }: { batch: BatchWork; place: Place }) {
  const now = useNow();
  useAwake();
  // The order stays while one works by it, whatever is timed meanwhile.
  const [version] = useState(batch.version);
  const { data: plan } = usePlan(batch.id, version);
  const [isAway, setAway] = useState(false);
  const [anyway, setAnyway] = useState<string | null>(null);
  const { progress, send, problem } = useProgress(batch);
  const { running, done } = progress;
  const order = plan?.plan.map((p) => p.task) ?? [];
  const { task, until } = nextStep(batch.tasks, order, done, now);
  const timers = dryings(batch.tasks, done);
  useRinging(timers, now);
  const isRunning = task !== null && running?.task === task.id;
  const waits = until !== null && anyway !== task?.id;
  const isBlade = task?.blade === true;
  const press = (): void => {
    if (!task) return;
    if (waits) return setAnyway(task.id);
    const at = Date.now();
    if (!isRunning) {
      if (isBlade) setAway(true);
      return void send({ task: task.id, did: 'begun', at });
    }
    const after = send({ task: task.id, did: 'done', at });
    setAnyway(null);
    const next = nextStep(batch.tasks, order, after.done, at);
    // The next step runs at once, so that nobody presses twice; a blade waits until children are known to be away.
    if (next.task && next.until === null && (!next.task.blade || isAway))
      send({ task: next.task.id, did: 'begun', at });
    if (next.task && !next.task.blade) setAway(false);
  };
  const last = done.at(-1);
  const undo = (): void => {
    if (last) send({ task: last.task, did: 'undone', at: Date.now() });
  };
  const keys = useRef({ press, undo });
  useEffect(() => {
    keys.current = { press, undo };
  });
  useEffect(() => {
    const key = (e: KeyboardEvent): void => {
      if (e.target instanceof Element && e.target.closest('button, a, input, [role="dialog"]')) return;
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
      ? 'Go on anyway'
      : isRunning
        ? 'Done'
        : isBlade
          ? 'Children are away: begin'
          : 'Begin';
  return (
    <Page>
      <Heading
        over={`${batch.name} · ${done.length} of ${batch.tasks.length} steps done`}
        title={task ? `Step ${done.length + 1}` : 'Every step is done'}
      >
        <Button plain isDisabled={!last} onPress={undo}>
          Undo
        </Button>
        <ButtonLink plain to={`/make/batches/${batch.id}`}>
          Plan
        </ButtonLink>
      </Heading>
      <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
        {problem && (
          <Notice tone="stop">
            <strong>Not saved yet.</strong> {problem} It is sent again by itself.
          </Notice>
        )}
        {timers.length > 0 && (
          <Timers aria-label="What dries">
            {timers.map((t) => {
              const rest = (t.until - now) / 1000;
              return (
                <li key={t.task} data-over={rest <= 0}>
                  <b>{rest > 0 ? clock(Math.ceil(rest)) : 'Dry'}</b>
                  {t.title}, {t.design}
                </li>
              );
            })}
          </Timers>
        )}
        {task ? (
          <Step aria-label="This step">
            <div className="over">
              <span>{task.design}</span>
              <span>
                {kits(task.copies)}
                {task.part ? `, part ${task.part[0]} of ${task.part[1]}` : ''}
              </span>
              <span>{formatMinutes(task.minutes)}</span>
              <span>
                {task.who === 'child'
                  ? 'child’s own step'
                  : task.who === 'adult'
                    ? 'adult'
                    : 'adult or child'}
              </span>
              {isBlade && <b>{task.hot ? 'heat' : 'blade'}</b>}
              {isRunning && <span role="timer">running {clock((now - running.since) / 1000)}</span>}
            </div>
            <div style={{ display: 'grid', gap: 14, alignContent: 'start' }}>
              <h2>{inUnit(task.title, place.lengthUnit)}</h2>
              <p className="say">{inUnit(task.words, place.lengthUnit)}</p>
              {isBlade && !isRunning && (
                <Notice tone="care">
                  <span style={{ fontSize: 20 }}>
                    <strong>{task.hot ? 'Heat' : 'Blade'}: are the children away?</strong>
                    <br />
                    On a board; put it out of reach before they come back.
                  </span>
                </Notice>
              )}
              {until !== null && (
                <Notice tone="care">
                  <span style={{ fontSize: 20 }}>
                    <strong>It has to dry first: {clock(Math.max(0, (until - now) / 1000))} left.</strong>
                  </span>
                </Notice>
              )}
              {task.drying > 0 && (
                <Quiet>Then {formatMinutes(task.drying)} to dry; a clock runs by itself.</Quiet>
              )}
            </div>
            <div className="see">
              <LooksLike task={task} />
              {task.needs.length > 0 && (
                <Tools aria-label="Lay out">
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
        ) : (
          <Notice tone="clear">
            <span style={{ fontSize: 22 }}>
              <strong>Every step is done.</strong> Look over the kits, then mark the batch as made.
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
              or press the space bar
            </span>
          </Big>
        </Foot>
      ) : (
        <Row>
          <ButtonLink to={`/make/batches/${batch.id}`}>To the batch</ButtonLink>
        </Row>
      )}
    </Page>
  );
}

/** One step at a time, to be read from a metre away and pressed with an elbow. */
export function Component() {
  const id = Number(useParams().id);
  const { data: batch, error } = useBatch(id);
  const { data: place } = usePlace();
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!batch || !place) return <p role="status">Loading the bench …</p>;
  if (batch.state === 'done')
    return (
      <Notice tone="clear">
        {batch.name} is made. <ButtonLink to={`/make/batches/${batch.id}`}>See it</ButtonLink>
      </Notice>
    );
  return <Work key={batch.id} batch={batch} place={place} />;
}
