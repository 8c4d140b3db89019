import { styled } from 'styled-components';
import type { BatchWork } from '../../../contract/batches.ts';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import { clockOf, DAY, dayOf, type BatchTask } from '../../../core/plan/batch.ts';
import { shortDay } from '../../data/style.ts';
import { Quiet } from '../../parts/Panel.tsx';
import { partWords } from './partWords.ts';
import { text } from './text.ts';

const List = styled.ol`
  display: grid;
  margin-top: 4px;
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: 26px 96px minmax(0, 1fr) auto;
    gap: 8px;
    padding: 6px 0;
    border-top: 1px dashed var(--seam);
  }
  b:first-child {
    color: var(--fox);
    font-family: var(--display);
  }
  .when {
    font-variant-numeric: tabular-nums;
  }
  .blade {
    color: var(--stop);
    font-weight: 700;
  }
  @media (max-width: 560px) {
    li {
      grid-template-columns: 26px minmax(0, 1fr);
      > :nth-child(n + 3) {
        grid-column: 2;
      }
    }
  }
`;

/** Where the place has timed a step: its own minutes with their interval, and the usual. */
function ownWords(t: BatchTask, own: BatchWork['own']): React.ReactNode {
  const o = own[`${t.pattern} ${t.step}`];
  if (!o) return null;
  const minutes = (f: number): string => String(Math.max(1, Math.round(f * t.usual)));
  return (
    <Quiet>
      {' '}
      {text('yourOwnTimeMin', {
        low: minutes(o.low),
        high: minutes(o.high),
        times: o.times,
        usual: formatMinutes(t.usual),
      })}
    </Quiet>
  );
}

/** The steps of a plan one after another, as somebody at the bench reads them. */
export function PlanSteps({
  plan,
  tasks,
  own,
}: {
  plan: BenchPlan;
  tasks: readonly BatchTask[];
  /** The place's own minutes, by family and step. */
  own: BatchWork['own'];
}) {
  const days = new Set(plan.plan.filter((p) => p.maker !== null).map((p) => Math.floor(p.start / DAY))).size;
  const several = tasks.some((t) => t.designId !== tasks[0]!.designId);
  return (
    <List aria-label={text('stepsOrder')}>
      {plan.plan
        .filter((p) => p.maker !== null)
        .map((p, i) => {
          const t = tasks.find((x) => x.id === p.task);
          const { day, minute } = dayOf(plan.zero!, p.start);
          if (!t) return null;
          return (
            <li key={p.task}>
              <b>{i + 1}</b>
              <span className="when">
                {days > 1 ? `${shortDay(day)} ` : ''}
                {clockOf(minute)}, {formatMinutes(t.minutes)}
              </span>
              <span>
                {t.title}
                {partWords(t)} {several && <Quiet>{t.design}</Quiet>}
                {ownWords(t, own)}
              </span>
              <span>
                {t.blade && <span className="blade">{t.hot ? 'heat' : 'blade'} · </span>}
                {p.maker}
              </span>
            </li>
          );
        })}
    </List>
  );
}

/** When all of it is done, and whether any plan could end sooner. */
export function endWords(plan: BenchPlan): { title: string; proof: string } {
  if (!plan.feasible || plan.zero === null) return { title: text('noPlanYet'), proof: plan.reason ?? '' };
  const said = (minutes: number): string => {
    const { day, minute } = dayOf(plan.zero!, minutes);
    return text('at', { day: shortDay(day), minute: clockOf(minute) });
  };
  const gap = plan.makespan! - plan.bound!;
  return {
    title: text('allDOn', { makespan: said(plan.makespan!) }),
    proof:
      gap < 0.01
        ? text('provedNoPlanEnds')
        : gap < DAY
          ? text('bestPlanFoundN', { bound: said(plan.bound!), gap: formatMinutes(gap) })
          : text('bestPlanFoundNCan', { bound: said(plan.bound!) }),
  };
}
