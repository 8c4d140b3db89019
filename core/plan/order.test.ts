import type { Step } from '../patterns/kernel.ts';
import { handsOn, orderSteps } from './order.ts';

const step = (id: string, perCopy: number, part: Partial<Step> = {}): Step => ({
  id,
  title: id,
  words: '',
  setUp: 0,
  perCopy,
  who: 'adult',
  blade: false,
  tools: [],
  heat: false,
  drying: 0,
  after: [],
  ...part,
});

describe('the order of a batch', () => {
  it('starts what dries first and works behind it', () => {
    const placed = orderSteps(
      [
        step('cut', 10, { blade: true }),
        step('wash', 5, { drying: 60 }),
        step('try', 5, { after: ['wash', 'cut'] }),
      ],
      2,
    );
    expect(placed.map((p) => [p.step.id, p.start, p.end])).toEqual([
      ['wash', 0, 10],
      ['cut', 10, 30],
      ['try', 70, 80],
    ]);
    expect(handsOn(placed)).toEqual({ total: 40, blade: 20, elapsed: 80 });
  });
  it('counts the set-up once', () => {
    expect(orderSteps([step('a', 2, { setUp: 5 })], 10)[0]!.minutes).toBe(25);
  });
  it('never lets a step begin before what it waits for has dried', () => {
    const steps = [
      step('a', 3, { drying: 40 }),
      step('b', 4, { after: ['a'], drying: 10 }),
      step('c', 2),
      step('d', 1, { after: ['b', 'c'] }),
    ];
    const placed = orderSteps(steps, 3);
    for (const p of placed)
      for (const a of p.step.after)
        expect(p.start).toBeGreaterThanOrEqual(placed.find((q) => q.step.id === a)!.dryUntil);
  });
  it('refuses circles and strangers', () => {
    expect(() => orderSteps([step('a', 1, { after: ['b'] }), step('b', 1, { after: ['a'] })], 1)).toThrow(
      /wait for each other/,
    );
    expect(() => orderSteps([step('a', 1, { after: ['x'] })], 1)).toThrow(/“x”, which is not a step/);
  });
});
