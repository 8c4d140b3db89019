import { styled } from 'styled-components';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import { clockOf, type BatchTask, type BenchDays } from '../../../core/plan/batch.ts';
import { stepNamed } from '../../../core/plan/planWords.ts';
import type { WayOut } from '../../../core/plan/wayOut.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { Notice, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** A whole sentence on a button: it wraps. */
const Way = styled(Button)`
  white-space: normal;
  text-align: left;
  justify-content: flex-start;
  padding-block: 9px;
  line-height: 1.3;
  height: auto;
`;

const KEY = {
  earlier: 'wayEarlier',
  later: 'wayLater',
  'before and after': 'wayBoth',
  'another day': 'wayAnotherDay',
} as const;

function wayWords(w: WayOut, tasks: readonly BatchTask[]): string {
  return text(KEY[w.kind], {
    step: w.task === null ? text('goingOn') : stepNamed(tasks, w.task),
    day: shortDay(w.begin.day),
    begin: clockOf(w.begin.minute),
    endDay: shortDay(w.end.day),
    end: clockOf(w.end.minute),
  });
}

/** Why there is no plan, and what would make one, to take by a touch. */
export function WaysOut({
  plan,
  tasks,
  onDays,
  isSaving,
}: {
  plan: BenchPlan;
  tasks: readonly BatchTask[];
  onDays(days: BenchDays): void;
  isSaving: boolean;
}) {
  const ways = plan.noPlan?.ways ?? [];
  return (
    <Stack $gap={8}>
      <Notice tone="care">{plan.reason}</Notice>
      {ways.length > 0 && (
        <section aria-label={text('whatWouldDo')}>
          <h3>{text('whatWouldDo')}</h3>
          <Stack $gap={8}>
            {ways.map((w) => (
              <Way key={w.kind} plain isDisabled={isSaving} onPress={() => onDays(w.days)}>
                {wayWords(w, tasks)}
              </Way>
            ))}
          </Stack>
        </section>
      )}
    </Stack>
  );
}
