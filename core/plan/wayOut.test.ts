import type { Step } from '../patterns/kernel.ts';
import { step as usualStep } from '../patterns/making.ts';
import { batchTasks, hoursOf, NO_DAYS, type BenchDays } from './batch.ts';
import { benchPlan, type BenchPlan } from './benchPlan.ts';
import { hindranceWords, idleWords } from './planWords.ts';
import { schedule, type ScheduleRequest } from './schedule.ts';
import { waysOut } from './wayOut.ts';

const step = (id: string, minutes: number, part: Partial<Step> = {}): Step =>
  usualStep({ id, title: id, words: '', setUp: minutes, perCopy: 0, who: 'adult', ...part });
const DAY = '2026-11-24';
const nap = { day: DAY, from: 780, to: 870 };
const days = (part: Partial<BenchDays> = {}): BenchDays => ({
  ...NO_DAYS,
  childFree: [nap],
  makers: [{ name: 'Me', windows: [] }],
  ...part,
});
/** Time enough for every proof: what comes out depends on no clock. */
const solve = (r: ScheduleRequest) => schedule(r, { now: () => 0, until: 1 });
const planned = (steps: Step[], d: BenchDays, copies = 1): BenchPlan =>
  benchPlan(
    { designs: [{ designId: 1, name: 'Tub', pattern: 'lace', copies, steps }], own: {}, days: d },
    solve,
    solve,
  );
const CAPS = [
  step('Wash', 5, { drying: 120 }),
  step('Cut', 12, { blade: true }),
  step('Try', 8, { after: ['Wash', 'Cut'] }),
];

describe('times of a making session', () => {
  it('are shared by all who have none of their own, or are told to', () => {
    const own = { day: DAY, from: 600, to: 630 };
    const at = (m: Partial<BenchDays['makers'][number]>) =>
      hoursOf({ name: 'Me', windows: [], ...m }, days());
    expect(at({})).toEqual([nap]);
    expect(at({ windows: [own] })).toEqual([own]);
    expect(at({ windows: [own], shares: true })).toEqual([nap, own]);
    expect(at({ shares: false })).toEqual([]);
  });
  it('of somebody’s own that touch the shared ones are one stretch with them', () => {
    // 100 minutes at one go: neither 90 nor 30 is enough by itself.
    const before = { day: DAY, from: 750, to: 780 };
    expect(planned([step('Sew', 100)], days()).feasible).toBe(false);
    const both = planned(
      [step('Sew', 100)],
      days({ makers: [{ name: 'Me', windows: [before], shares: true }] }),
    );
    expect([both.plan[0]!.start, both.plan[0]!.end]).toEqual([750, 850]);
  });
});

describe('what is not done in its times', () => {
  it('names what dries, and offers to begin earlier, to go on, and another day, each tried out', () => {
    const { noPlan, reason } = planned(CAPS, days());
    expect(noPlan!.hindrance).toEqual({ kind: 'dries', task: '1:Wash', minutes: 120 });
    expect(reason).toBe('After “Wash” it has to dry for 2 h, and the rest does not fit in after that.');
    // Washed from 12:15 to 12:20 it is dry at 14:20: eight minutes are left to try it.
    expect(noPlan!.ways.map((w) => [w.kind, w.task, w.begin.minute, w.end])).toEqual([
      ['earlier', '1:Wash', 735, { day: DAY, minute: 868 }],
      ['later', '1:Try', 905, { day: DAY, minute: 913 }],
      ['another day', '1:Try', 780, { day: '2026-11-25', minute: 788 }],
    ]);
    for (const w of noPlan!.ways) expect(planned(CAPS, w.days).feasible).toBe(true);
    // A quarter of an hour less does not do.
    const [earlier] = noPlan!.ways;
    const less = earlier!.days.makers.map((m) => ({
      ...m,
      windows: m.windows.map((w) => ({ ...w, from: w.from + 15 })),
    }));
    expect(planned(CAPS, { ...earlier!.days, makers: less }).feasible).toBe(false);
    // Children are away as long as they were said to be.
    expect(earlier!.days.childFree).toEqual([nap]);
  });
  it.each<[string, Step[], BenchDays, RegExp, string[]]>([
    ['no maker', CAPS, days({ makers: [] }), /Nobody makes it yet/, []],
    ['no times', CAPS, days({ childFree: [] }), /No time is given yet/, []],
    [
      'never away',
      CAPS,
      days({ childFree: [], makers: [{ name: 'Me', windows: [nap] }] }),
      /“Cut” needs a blade or heat, and nobody is at hand while children are away/,
      [],
    ],
    [
      'too long',
      [step('Cut', 100, { blade: true })],
      days(),
      /“Cut” takes 1 h 40 min at one go, and the longest time for it is 1 h 30 min/,
      ['later'],
    ],
    [
      'never there',
      [step('Stick', 8, { who: 'child' }), step('Count', 2, { after: ['Stick'] })],
      days(),
      /“Stick” is a child’s own step of 8 min, and no time is left in which children are there/,
      ['earlier', 'later'],
    ],
    [
      'too short',
      [step('Sew', 60), step('Fold', 60)],
      days(),
      /The work takes 2 h, and the times come to 1 h 30 min/,
      ['earlier', 'later', 'another day'],
    ],
  ])('says why: %s', (kind, steps, d, words, ways) => {
    const { noPlan, reason } = planned(steps, d);
    expect(noPlan!.hindrance.kind).toBe(kind);
    expect(reason).toMatch(words);
    expect(noPlan!.ways.map((w) => w.kind)).toEqual(ways);
    for (const w of noPlan!.ways) expect(planned(steps, w.days).feasible).toBe(true);
  });
  it('offers to work before and after, where one of them is not enough', () => {
    const steps = [
      step('Draw', 10, { who: 'child' }),
      step('Cut', 10, { blade: true, after: ['Draw'] }),
      step('Stick', 12, { who: 'child', after: ['Cut'] }),
    ];
    const { ways } = planned(steps, days()).noPlan!;
    expect(ways.map((w) => [w.kind, w.task, w.begin.minute, w.end.minute])).toEqual([
      ['before and after', '1:Draw', 765, 882],
    ]);
    expect(planned(steps, ways[0]!.days).feasible).toBe(true);
  });
  it('offers no time at night, and nothing that would not help', () => {
    const late = days({ childFree: [{ day: DAY, from: 1140, to: 1200 }] });
    const ways = planned([step('Cut', 70, { blade: true })], late).noPlan!.ways;
    expect(ways).toEqual([]);
  });
  it('is looked at with the parts that a step has in the changed times', () => {
    const steps = [usualStep({ id: 'Cut', title: 'Cut', words: '', setUp: 5, perCopy: 20, who: 'adult' })];
    const designs = [{ designId: 1, name: 'Tub', pattern: 'lace', copies: 4, steps }];
    const asked: number[] = [];
    waysOut(
      (d) => {
        const tasks = batchTasks(designs, d);
        asked.push(tasks.length);
        return tasks;
      },
      days({ childFree: [{ day: DAY, from: 780, to: 810 }] }),
      solve,
    );
    expect(new Set(asked).size).toBeGreaterThan(1);
  });
});

describe('who has nothing to do', () => {
  const ann = { name: 'Ann', windows: [] };
  const two = (m = ann as BenchDays['makers'][number]) => days({ makers: [{ name: 'Me', windows: [] }, m] });
  const why = (steps: Step[], d: BenchDays) => planned(steps, d).idle;
  it('is told why', () => {
    const chain = [step('Cut', 10), step('Glue', 10, { after: ['Cut'] })];
    const [idle] = why(chain, two());
    expect(idle!.why).toBe('one after another');
    expect(idleWords(idle!)).toMatch(/nothing to do: each step waits for the one before/);
    expect(why(chain, two({ ...ann, shares: false }))).toEqual([{ maker: 'Ann', why: 'no times' }]);
    expect(why(chain, two({ name: 'Ann', windows: [{ day: DAY, from: 780, to: 785 }] }))).toEqual([
      { maker: 'Ann', why: 'nothing fits' },
    ]);
    // A short step beside a chain is done meanwhile by whoever is there: both have something.
    expect(why([...chain, step('Print', 10)], two())).toEqual([]);
    expect(why([step('Cut', 10)], days())).toEqual([]);
  });
  it('has sentences for every hindrance and every reason', () => {
    const tasks = batchTasks([{ designId: 1, name: 'Tub', pattern: 'lace', copies: 1, steps: CAPS }], days());
    expect(hindranceWords({ kind: 'too short', work: 30, time: 60 }, tasks)).toMatch(
      /not in an order in which/,
    );
    expect(idleWords({ maker: 'Ann', why: 'ends as soon' })).toMatch(/ends as soon without/);
  });
});
