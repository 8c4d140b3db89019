import { useRef, useState } from 'react';
import { styled } from 'styled-components';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { clockOf, DAY, type BatchTask, type BenchDays, hoursOf } from '../../../core/plan/batch.ts';
import { shortDay } from '../../data/style.ts';
import { Quiet } from '../../parts/Panel.tsx';
import { partWords } from './partWords.ts';
import { text } from './text.ts';

const Chart = styled.div`
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 4px 8px;
  font-size: 13px;
  > b {
    align-self: center;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-weight: 600;
  }
  h3 {
    grid-column: 1 / -1;
    font-size: 15px;
    margin-top: 6px;
  }
`;
const Lane = styled.div<{ $low?: boolean }>`
  position: relative;
  height: ${(p) => (p.$low ? 18 : 46)}px;
  border-radius: 6px;
  background: repeating-linear-gradient(135deg, var(--linen) 0 4px, transparent 4px 8px);
  overflow: hidden;
  i {
    position: absolute;
    top: 0;
    bottom: 0;
  }
  i.open {
    background: var(--linen);
  }
  i.away {
    background: var(--tape);
  }
  i.dries {
    background: var(--tape-shade);
    border-right: 2px solid var(--paper);
  }
`;
const Ruler = styled.div`
  position: relative;
  height: 16px;
  span {
    position: absolute;
    transform: translateX(-50%);
    color: var(--slate);
    font-size: 12px;
    font-variant-numeric: tabular-nums;
  }
  @media (max-width: 640px) {
    span:not(:nth-child(4n + 1)) {
      display: none;
    }
  }
`;
const Box = styled.button<{ $kind: 'blade' | 'child' | 'adult'; $moved: boolean }>`
  position: absolute;
  top: 3px;
  bottom: 3px;
  min-width: 6px;
  border: 1px solid var(--paper);
  border-left: ${(p) => (p.$moved ? '5px solid var(--tape)' : '1px solid var(--paper)')};
  border-radius: 5px;
  padding: 0 4px;
  overflow: hidden;
  text-align: left;
  font: 600 12px/1.15 var(--body);
  color: #fff;
  cursor: grab;
  touch-action: none;
  background: ${(p) =>
    p.$kind === 'blade' ? 'var(--stop)' : p.$kind === 'child' ? 'var(--clear)' : 'var(--mat)'};
  container-type: inline-size;
  display: flex;
  align-items: center;
  gap: 4px;
  > b {
    font: 800 14px/1 var(--display);
  }
  > span {
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    overflow: hidden;
  }
  /* Where no two words fit, its number alone stands for it: the list below has the rest. */
  @container (max-width: 92px) {
    > span {
      display: none;
    }
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
    z-index: 2;
  }
`;
const Key = styled.p`
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 6px;
  i {
    display: inline-block;
    width: 14px;
    height: 10px;
    border-radius: 3px;
    margin-right: 5px;
  }
`;

/** One press of an arrow key moves so far, minutes. */
const STEP = 5;

const kindOf = (t: BatchTask): 'blade' | 'child' | 'adult' =>
  t.blade ? 'blade' : t.child ? 'child' : 'adult';
/** The days of a plan by maker, with when children are away, and what dries; a step is moved by drag or arrow keys. */
export function DayChart({
  plan,
  tasks,
  days,
  onMove,
}: {
  plan: BenchPlan;
  tasks: readonly BatchTask[];
  days: BenchDays;
  /** A step is not to begin before so many minutes from zero, or another maker does it; null takes that back. */
  onMove(task: string, pin: { from?: number; maker?: string } | null): void;
}) {
  const [drag, setDrag] = useState<{ task: string; by: number } | null>(null);
  const from = useRef<{ x: number; width: number; span: number } | null>(null);
  const zero = plan.zero!;
  const byId = new Map(tasks.map((t) => [t.id, t]));
  const makers = days.makers.map((m) => m.name);
  const steps = plan.plan.filter((p) => p.maker !== null);
  /** Number of each step in the order of the plan. */
  const order = new Map(steps.map((p, i) => [p.task, i + 1]));
  const last = Math.max(0, ...plan.plan.map((p) => p.end));
  const shown = Array.from({ length: Math.floor(last / DAY) + 1 }, (_, i) => i).filter((i) =>
    plan.plan.some((p) => p.maker !== null && p.start < (i + 1) * DAY && p.end > i * DAY),
  );
  const key = (e: React.KeyboardEvent, p: BenchPlan['plan'][number]): void => {
    const at = makers.indexOf(p.maker!);
    const pin = days.pins[p.task] ?? {};
    const moves: Record<string, () => void> = {
      ArrowRight: () => onMove(p.task, { ...pin, from: p.start + STEP }),
      ArrowLeft: () => onMove(p.task, { ...pin, from: Math.max(0, p.start - STEP) }),
      ArrowUp: () => at > 0 && onMove(p.task, { ...pin, maker: makers[at - 1]! }),
      ArrowDown: () => at < makers.length - 1 && onMove(p.task, { ...pin, maker: makers[at + 1]! }),
      Delete: () => onMove(p.task, null),
      Backspace: () => onMove(p.task, null),
    };
    const move = moves[e.key];
    if (!move) return;
    e.preventDefault();
    move();
  };
  const drop = (e: React.PointerEvent, p: BenchPlan['plan'][number]): void => {
    const there = drag;
    setDrag(null);
    from.current = null;
    if (!there) return;
    const lane = document
      .elementsFromPoint(e.clientX, e.clientY)
      .find((x) => x instanceof HTMLElement && x.dataset.maker);
    const maker = lane instanceof HTMLElement ? lane.dataset.maker : undefined;
    const other = maker !== undefined && maker !== p.maker;
    const by = Math.round(there.by / STEP) * STEP;
    if (by === 0 && !other) return;
    onMove(p.task, {
      ...days.pins[p.task],
      ...(by === 0 ? {} : { from: Math.max(0, Math.round(p.start) + by) }),
      ...(other ? { maker } : {}),
    });
  };
  return (
    <Chart>
      {shown.map((i) => {
        const day = addDays(zero, i);
        const tasksHere = plan.plan.filter((p) => p.start < (i + 1) * DAY && p.end > i * DAY);
        const hands = tasksHere.filter((p) => p.maker !== null);
        const [first, latest] = [
          Math.min(...hands.map((p) => Math.max(0, p.start - i * DAY))),
          Math.max(...hands.map((p) => Math.min(DAY, p.end - i * DAY))),
        ];
        // What is done fills the chart; there is some room to move things later.
        const begin = Math.floor(first / 10) * 10;
        const end = Math.min(DAY, Math.ceil((latest + Math.min(60, 0.15 * (latest - first)) + 5) / 10) * 10);
        const at = (m: number): string => `${(100 * (m - begin)) / (end - begin)}%`;
        const spanOf = (f: number, t: number): React.CSSProperties => {
          const [a, b] = [Math.max(begin, f), Math.min(end, t)];
          return { left: at(a), width: `${Math.max(0, (100 * (b - a)) / (end - begin))}%` };
        };
        const every = end - begin > 480 ? 60 : end - begin > 150 ? 30 : 10;
        const ticks = Array.from(
          { length: Math.floor((end - begin) / every) + 1 },
          (_, k) => begin + k * every,
        );
        return [
          <h3 key={`${day} h`}>{shortDay(day)}</h3>,
          <span key={`${day} r0`} />,
          <Ruler key={`${day} r`} aria-hidden>
            {ticks.slice(0, -1).map((t) => (
              <span key={t} style={{ left: at(t), ...(t === begin ? { transform: 'none' } : {}) }}>
                {clockOf(t)}
              </span>
            ))}
          </Ruler>,
          <b key={`${day} c0`}>{text('childrenAway')}</b>,
          <Lane key={`${day} c`} $low>
            {days.childFree
              .filter((w) => w.day === day)
              .map((w) => (
                <i key={w.from} className="away" style={spanOf(w.from, w.to)} />
              ))}
          </Lane>,
          ...days.makers.flatMap((m) => [
            <b key={`${day} ${m.name} 0`}>{m.name}</b>,
            <Lane
              key={`${day} ${m.name}`}
              data-maker={m.name}
              role="group"
              aria-label={`${m.name}, ${shortDay(day)}`}
            >
              {hoursOf(m, days)
                .filter((w) => w.day === day)
                .map((w) => (
                  <i key={`${w.from} ${w.to}`} className="open" style={spanOf(w.from, w.to)} />
                ))}
              {hands
                .filter((p) => p.maker === m.name)
                .map((p) => {
                  const t = byId.get(p.task);
                  if (!t) return null;
                  const start = p.start - i * DAY;
                  const moved = drag?.task === p.task ? drag.by : 0;
                  const isPinned = days.pins[p.task] !== undefined;
                  return (
                    <Box
                      key={p.task}
                      type="button"
                      $kind={kindOf(t)}
                      $moved={isPinned}
                      style={spanOf(start + moved, p.end - i * DAY + moved)}
                      title={`${clockOf(start)} ${t.title}, ${t.design}`}
                      aria-label={text(
                        t.blade
                          ? isPinned
                            ? 'bladeOrHeatMoved'
                            : 'bladeOrHeat'
                          : isPinned
                            ? 'movedHand'
                            : 'to',
                        {
                          title: t.title,
                          t: partWords(t),
                          design: t.design,
                          start: clockOf(start),
                          end: clockOf(p.end - i * DAY),
                          m: m.name,
                        },
                      )}
                      onKeyDown={(e) => key(e, p)}
                      onPointerDown={(e) => {
                        const lane = e.currentTarget.parentElement!.getBoundingClientRect();
                        from.current = { x: e.clientX, width: lane.width, span: end - begin };
                        e.currentTarget.setPointerCapture(e.pointerId);
                        setDrag({ task: p.task, by: 0 });
                      }}
                      onPointerMove={(e) => {
                        const f = from.current;
                        if (f && drag?.task === p.task)
                          setDrag({ task: p.task, by: ((e.clientX - f.x) / f.width) * f.span });
                      }}
                      onPointerUp={(e) => drop(e, p)}
                      onPointerCancel={() => setDrag(null)}
                    >
                      <b>{order.get(p.task)}</b>{' '}
                      <span>
                        {t.title}
                        {partWords(t)}
                      </span>
                    </Box>
                  );
                })}
            </Lane>,
          ]),
          ...(tasksHere.some((p) => p.maker === null)
            ? [
                <b key={`${day} d0`}>{text('dries')}</b>,
                <Lane key={`${day} d`} $low aria-hidden>
                  {tasksHere
                    .filter((p) => p.maker === null)
                    .map((p) => (
                      <i key={p.task} className="dries" style={spanOf(p.start - i * DAY, p.end - i * DAY)} />
                    ))}
                </Lane>,
              ]
            : []),
        ];
      })}
      <Key>
        <span>
          <i style={{ background: 'var(--stop)' }} />
          {text('bladeOrHeat2')}
        </span>
        <span>
          <i style={{ background: 'var(--clear)' }} />
          {text('childsStep')}
        </span>
        <span>
          <i style={{ background: 'var(--mat)' }} />
          {text('adult')}
        </span>
        <span>
          <i style={{ background: 'var(--tape)' }} />
          {text('childrenAway2')}
        </span>
        <Quiet>{text('dragStepOrPress')}</Quiet>
      </Key>
    </Chart>
  );
}
