import type { Step } from '../patterns/kernel.ts';
import {
  batchTasks,
  benchDays,
  clockOf,
  dayOf,
  firstDay,
  NO_DAYS,
  scheduleOf,
  type BenchDays,
} from './batch.ts';
import { dryings, nextStep, orderFor } from './benchOrder.ts';
import { progressed, type Progress } from './progress.ts';
import { ownMinutes } from './ownMinutes.ts';
import { step as usualStep } from '../patterns/making.ts';

const step = (id: string, part: Partial<Step> = {}): Step =>
  usualStep({ id, title: id, words: '', setUp: 2, perCopy: 5, who: 'adult', ...part });
const DAYS: BenchDays = {
  ...NO_DAYS,
  makers: [{ name: 'Ann', windows: [{ day: '2026-11-25', from: 600, to: 640 }] }],
  childFree: [{ day: '2026-11-24', from: 700, to: 760 }],
};
const design = (steps: Step[], copies = 4) => ({ designId: 3, name: 'Tub', pattern: 'lace', copies, steps });

describe('tasks of a batch', () => {
  it('are the steps once for all kits, with what dries as a task that needs nobody', () => {
    const tasks = batchTasks(
      [design([step('glue', { drying: 60 }), step('peel', { after: ['glue'] })])],
      DAYS,
    );
    expect(tasks.map((t) => [t.id, t.minutes, t.after])).toEqual([
      ['3:glue', 22, []],
      ['3:peel', 22, ['3:glue~dries']],
    ]);
    const request = scheduleOf(tasks, DAYS, firstDay(DAYS)!);
    expect(request.tasks.map((t) => [t.id, t.kind, t.minutes])).toEqual([
      ['3:glue', 'active', 22],
      ['3:glue~dries', 'passive', 60],
      ['3:peel', 'active', 22],
    ]);
    // Minutes count from midnight of the first day of any window.
    expect(request.makers).toEqual({ Ann: [[1440 + 600, 1440 + 640]] });
    expect(request.childFree).toEqual([[700, 760]]);
  });
  it('come in parts of whole kits where no window is long enough, each set up again', () => {
    const tasks = batchTasks([design([step('cut'), step('sew', { after: ['cut'] })], 10)], DAYS);
    const cuts = tasks.filter((t) => t.step === 'cut');
    expect(cuts.map((t) => [t.part, t.copies, t.minutes])).toEqual([
      [[1, 2], 5, 27],
      [[2, 2], 5, 27],
    ]);
    expect(tasks.find((t) => t.step === 'sew')!.after).toEqual(['3:cut#1', '3:cut#2']);
  });
  it('take the place’s own minutes, and what was moved by hand', () => {
    const days = { ...DAYS, pins: { '3:cut': { from: 1500, maker: 'Ann' } }, singles: ['scissors'] };
    const [cut] = batchTasks([design([step('cut', { tools: ['scissors', 'ruler'] })])], days, () => 1.5);
    expect(cut).toMatchObject({
      minutes: 33,
      usual: 22,
      earliest: 1500,
      makers: ['Ann'],
      tools: ['scissors'],
    });
    // A maker that is no longer there pins nothing.
    const [free] = batchTasks([design([step('cut')])], { ...days, pins: { '3:cut': { maker: 'Bo' } } });
    expect(free!.makers).toBeUndefined();
  });
  it('say the day and the hour, over midnight too', () => {
    expect(dayOf('2026-11-24', 1440 + 65)).toEqual({ day: '2026-11-25', minute: 65 });
    expect([65, 0, 839.5].map(clockOf)).toEqual(['01:05', '00:00', '14:00']);
    expect(firstDay(NO_DAYS)).toBeNull();
    expect(benchDays.safeParse({ ...NO_DAYS, makers: [{ name: '', windows: [] }] }).success).toBe(false);
  });
});

describe('at the bench', () => {
  const tasks = batchTasks(
    [design([step('glue', { drying: 60 }), step('peel', { after: ['glue'] }), step('wash')])],
    NO_DAYS,
  );
  const order = ['3:glue', '3:wash', '3:peel'];
  const now = 1_000_000_000;
  it('the next step is the first of the plan whose work before it is done and dry', () => {
    expect(nextStep(tasks, order, [], now).task!.id).toBe('3:glue');
    const glued = [{ task: '3:glue', at: now }];
    expect(nextStep(tasks, order, glued, now)).toMatchObject({ task: { id: '3:wash' }, until: null });
    const both = [...glued, { task: '3:wash', at: now }];
    expect(nextStep(tasks, order, both, now)).toMatchObject({
      task: { id: '3:peel' },
      until: now + 3_600_000,
    });
    expect(nextStep(tasks, order, both, now + 3_600_000)).toMatchObject({
      task: { id: '3:peel' },
      until: null,
    });
    expect(nextStep(tasks, order, [...both, { task: '3:peel', at: now }], now).task).toBeNull();
    // What another bench is doing is left to it; what waits for that waits too.
    expect(nextStep(tasks, order, [], now, new Set(['3:glue'])).task!.id).toBe('3:wash');
    expect(nextStep(tasks, order, [{ task: '3:wash', at: now }], now, new Set(['3:glue'])).task).toBeNull();
  });
  it('clocks of what dries follow from when it was done, so that a reload stops none', () => {
    expect(dryings(tasks, [{ task: '3:glue', at: now }])).toMatchObject([
      { task: '3:glue', until: now + 3_600_000 },
    ]);
    expect(dryings(tasks, [{ task: '3:wash', at: now }])).toEqual([]);
  });
});

describe('minutes of the place’s own', () => {
  it('are shrunk to the usual while there are few, and come near what is seen with many', () => {
    const slow = { usual: 10, minutes: 20 };
    const one = ownMinutes([slow])!;
    const many = ownMinutes(Array(20).fill(slow))!;
    expect(ownMinutes([])).toBeNull();
    expect(one.factor).toBeGreaterThan(1);
    expect(one.factor).toBeLessThan(1.6);
    expect(many.factor).toBeGreaterThan(1.9);
    expect(many.high - many.low).toBeLessThan(one.high - one.low);
    expect(one.low).toBeLessThan(one.factor);
    // A mean of logarithms: twice as long and half as long cancel out.
    expect(ownMinutes([slow, { usual: 10, minutes: 5 }])!.factor).toBeCloseTo(1, 9);
  });
});

describe('several at one bench', () => {
  const begun = (task: string, maker: string | null, at: number) => ({
    task,
    did: 'begun' as const,
    at,
    maker,
  });
  it('each has one step that runs, timed by its own clock', () => {
    let p: Progress = { running: [], done: [] };
    p = progressed(p, begun('cut', 'Ann', 0));
    p = progressed(p, begun('wash', 'Bo', 60_000));
    expect(p.running.map((r) => r.task)).toEqual(['cut', 'wash']);
    // Beginning another puts down the own one only.
    p = progressed(p, begun('fold', 'Bo', 120_000));
    expect(p.running.map((r) => [r.maker, r.task])).toEqual([
      ['Ann', 'cut'],
      ['Bo', 'fold'],
    ]);
    p = progressed(p, { task: 'cut', did: 'done', at: 180_000, maker: 'Ann' });
    expect(p.done).toEqual([{ task: 'cut', at: 180_000, minutes: 3 }]);
    expect(p.running.map((r) => r.task)).toEqual(['fold']);
    // Who helps out with a step ends it too, by the clock of who began.
    p = progressed(p, { task: 'fold', did: 'done', at: 180_000, maker: 'Ann' });
    expect(p.done.at(-1)).toEqual({ task: 'fold', at: 180_000, minutes: 1 });
  });
  it('turns to the own steps first, then helps out, and leaves what runs elsewhere', () => {
    const plan = [
      { task: 'a', maker: 'Ann' },
      { task: 'b', maker: 'Bo' },
      { task: 'c', maker: 'Ann' },
    ];
    expect(orderFor(plan, 'Bo')).toEqual(['b', 'a', 'c']);
    expect(orderFor(plan, null)).toEqual(['a', 'b', 'c']);
  });
});
