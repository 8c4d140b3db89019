import { render, screen, within } from '@testing-library/react';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import { batchTasks, NO_DAYS } from '../../../core/plan/batch.ts';
import { orderSteps } from '../../../core/plan/order.ts';
import { step } from '../../../core/patterns/making.ts';
import { OnePerson } from './OnePerson.tsx';
import { partWords } from './partWords.ts';
import { endWords, PlanSteps } from './PlanSteps.tsx';
import { StepItem } from './StepItem.tsx';

const STEPS = [
  step({
    id: 'cut',
    title: 'Cut 4 rings of 38 mm',
    words: 'Turn the tube against the blade.',
    setUp: 2,
    perCopy: 6,
    who: 'adult',
    blade: true,
    tools: ['craft knife', 'ruler'],
  }),
  step({ id: 'glue', title: 'Glue the post', words: 'Let it set.', perCopy: 4, drying: 120, after: ['cut'] }),
  step({
    id: 'try',
    title: 'Stack it once',
    words: 'None catches.',
    perCopy: 1,
    who: 'child',
    after: ['glue'],
  }),
];
const placed = orderSteps(STEPS, 2);

describe('a step at the bench', () => {
  const show = (at: number, unit: 'mm' | 'in' = 'mm') =>
    render(
      <ol>
        <StepItem placed={placed[at]!} number={at + 1} unit={unit} />
      </ol>,
    );
  it('says what, with what, by whom and how long for all kits', () => {
    show(0);
    const item = screen.getByRole('listitem');
    expect(within(item).getByRole('heading', { name: 'Cut 4 rings of 38 mm' })).toBeVisible();
    expect(item).toHaveTextContent('With craft knife, ruler.');
    expect(item).toHaveTextContent('14 min');
    expect(item).toHaveTextContent('blade');
    expect(item).toHaveTextContent('adult');
  });
  it('says its lengths as the place writes them', () => {
    show(0, 'in');
    expect(screen.getByRole('heading')).toHaveTextContent('Cut 4 rings of 1 1/2″');
  });
  it('says what dries, and whose step it is', () => {
    show(1);
    expect(screen.getByRole('listitem')).toHaveTextContent('Then 2 h to dry');
    expect(screen.getByRole('listitem')).toHaveTextContent('adult or child');
  });
  it('a child’s step is told as one, and names no tool where it takes none', () => {
    show(2);
    expect(screen.getByRole('listitem')).toHaveTextContent('child’s step');
    expect(screen.getByRole('listitem')).not.toHaveTextContent('With ');
  });
});

describe('one person working', () => {
  it('has a bar for each step as long as its share, and one for what dries below', () => {
    const elapsed = placed.at(-1)!.dryUntil;
    const { container } = render(<OnePerson placed={placed} elapsed={elapsed} />);
    const lanes = container.querySelectorAll('.lane');
    expect(lanes[0]!.querySelectorAll('i')).toHaveLength(3);
    expect(lanes[1]!.querySelectorAll('i')).toHaveLength(1);
    const [cut] = lanes[0]!.querySelectorAll('i');
    expect(cut!.className).toBe('blade');
    expect(parseFloat(cut!.style.width)).toBeCloseTo((100 * 14) / elapsed, 6);
    expect(container).toHaveTextContent('all done after');
  });
  it('of no kit has bars of no length', () => {
    const { container } = render(<OnePerson placed={orderSteps(STEPS, 0)} elapsed={0} />);
    for (const bar of container.querySelectorAll('i')) expect(bar.style.width).toBe('0%');
  });
});

describe('the steps of a plan', () => {
  const tasks = batchTasks(
    [{ designId: 3, name: 'Ring post', pattern: 'stack', copies: 2, steps: STEPS }],
    NO_DAYS,
  );
  const plan = (part: Partial<BenchPlan> = {}): BenchPlan => ({
    feasible: true,
    zero: '2026-11-24',
    makespan: 800,
    bound: 800,
    reason: null,
    noPlan: null,
    idle: [],
    plan: tasks.map((t, i) => ({
      task: t.id,
      maker: i === 1 ? null : 'Ann',
      start: 600 + 20 * i,
      end: 615 + 20 * i,
    })),
    ...part,
  });
  it('are read in order with the time and who does them; what nobody does is left out', () => {
    render(<PlanSteps plan={plan()} tasks={tasks} own={{}} />);
    const items = screen.getAllByRole('listitem');
    expect(items).toHaveLength(2);
    expect(items[0]).toHaveTextContent('10:00, 14 min');
    expect(items[0]).toHaveTextContent('Cut 4 rings of 38 mm');
    expect(items[0]).toHaveTextContent('blade · Ann');
  });
  it('say the place’s own time beside the usual where it has taken some', () => {
    const own = { 'stack cut': { factor: 1.5, low: 1.2, high: 1.8, times: 4 } };
    render(<PlanSteps plan={plan()} tasks={tasks} own={own} />);
    expect(screen.getAllByRole('listitem')[0]).toHaveTextContent(/17 to 25 min.*4 times.*14 min/);
  });
  it('end when all is done: proved, or with what is left unproved', () => {
    expect(endWords(plan()).proof).toMatch(/^No plan ends sooner/);
    const open = endWords(plan({ bound: 770 }));
    expect(open.title).toContain('13:20');
    expect(open.proof).toContain('30 min');
    expect(endWords(plan({ feasible: false, reason: 'no window is long enough' }))).toEqual({
      title: 'No plan yet',
      proof: 'no window is long enough',
    });
  });
  it('a part of a long step says which it is', () => {
    expect(partWords({ ...tasks[0]!, part: [2, 3] })).toContain('2 of 3');
    expect(partWords(tasks[0]!)).toBe('');
  });
});

describe('the tasks of a batch', () => {
  it('of a design of which no kit is wanted there are none', () => {
    expect(
      batchTasks([{ designId: 3, name: 'Ring post', pattern: 'stack', copies: 0, steps: STEPS }], NO_DAYS),
    ).toEqual([]);
  });
  it('say of what is done for all kits at one go how much it is', () => {
    const titleOf = (id: string, kits: number) => (id === 'cut' ? `Cut ${4 * kits} rings` : undefined);
    const [cut, glue] = batchTasks(
      [{ designId: 3, name: 'Ring post', pattern: 'stack', copies: 6, steps: STEPS, titleOf }],
      NO_DAYS,
    );
    expect([cut!.title, glue!.title]).toEqual(['Cut 24 rings', 'Glue the post']);
  });
});
