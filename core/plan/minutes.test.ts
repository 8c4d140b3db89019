import { step } from '../patterns/making.ts';
import { adultMinutes, minutesOf, ownFactor } from './minutes.ts';
import { handsOn, orderSteps } from './order.ts';

const STEPS = [
  step({ id: 'cut', title: 'Cut', words: '', setUp: 3, perCopy: 2, who: 'adult', blade: true }),
  step({ id: 'glue', title: 'Glue', words: '', perCopy: 1, drying: 60, after: ['cut'] }),
  step({ id: 'paint', title: 'Paint', words: '', setUp: 1, perCopy: 5, who: 'child', after: ['glue'] }),
];

describe('minutes of a batch', () => {
  it('are set up once, and for each kit; of no kit there are none', () => {
    expect([0, 1, 4].map((kits) => minutesOf(STEPS[0]!, kits))).toEqual([0, 5, 11]);
    expect(minutesOf(STEPS[0]!, -1)).toBe(0);
  });
  it('are whole, as they are shown, and as the place takes them where it has timed some', () => {
    const short = step({ id: 'post', title: 'Post', words: '', perCopy: 1.3 });
    expect([1, 3, 4].map((kits) => minutesOf(short, kits))).toEqual([1, 4, 5]);
    expect(minutesOf(short, 4, 1.5)).toBe(8);
    expect(minutesOf({ setUp: 0, perCopy: 0.1 }, 1)).toBe(1);
    const own = ownFactor({ 'lace cut': { factor: 2, low: 1, high: 3, times: 4 } }, 'lace');
    expect([own('cut'), own('glue')]).toEqual([2, 1]);
    // The steps on the page and the sum on the tag are counted alike.
    expect(handsOn(orderSteps(STEPS, 1, own)).total).toBe(10 + 1 + 6);
    expect(adultMinutes(STEPS, 1, own)).toBe(11);
  });
  it('of adults leave out what a child does', () => {
    // 3 + 4 · 2 of cutting and 4 · 1 of gluing; who may be either counts as an adult.
    expect(adultMinutes(STEPS, 4)).toBe(15);
    expect(adultMinutes(STEPS, 0)).toBe(0);
  });
  it('of no kit end where they begin, and nothing dries', () => {
    const placed = orderSteps(STEPS, 0);
    expect(placed.map((p) => [p.step.id, p.start, p.end, p.dryUntil])).toEqual([
      ['cut', 0, 0, 0],
      ['glue', 0, 0, 0],
      ['paint', 0, 0, 0],
    ]);
    expect(handsOn(placed)).toEqual({ total: 0, blade: 0, elapsed: 0 });
  });
  it('of one kit wait for what dries', () => {
    expect(orderSteps(STEPS, 1).map((p) => [p.start, p.end, p.dryUntil])).toEqual([
      [0, 5, 5],
      [5, 6, 66],
      [66, 72, 72],
    ]);
  });
});
