import { waitFor } from '@testing-library/react';
import { expose, type Endpoint } from 'comlink';
import { MessageChannel } from 'node:worker_threads';
import { loadPattern } from '../../core/patterns/index.ts';
import { CAP, slotDesign, TUB, RULES_HERE } from '../testing/desk.tsx';
import { bench, type Ask } from '../work/worker.ts';
import { supplier, type Supplied } from './supplying.ts';

/** Kits that the worker was asked about, and how long it takes, ms. */
const asked: number[] = [];
let slow = 0;
let fails = false;
let forgets = false;
const shelves: number[] = [];

beforeAll(async () => {
  await loadPattern('drop-through');
  globalThis.Worker = class {
    constructor() {
      const { port1, port2 } = new MessageChannel();
      const supply = async (a: Ask, of: { shelf: number; copies: number; designId: number }) => {
        await new Promise((go) => setTimeout(go, slow));
        if (fails) throw new Error('Card is too small for a strip; expected something larger');
        if (forgets) {
          forgets = false;
          return null;
        }
        asked.push(of.copies);
        return bench.supply(a, of);
      };
      const shelf: typeof bench.shelf = (number, now) => {
        shelves.push(number);
        bench.shelf(number, now);
      };
      expose({ ...bench, supply, shelf }, port2 as unknown as Endpoint);
      port1.start();
      return port1;
    }
  } as unknown as typeof Worker;
});
beforeEach(() => {
  asked.length = 0;
  shelves.length = 0;
  slow = 0;
  fails = false;
  forgets = false;
});

const MATERIALS = [TUB, CAP];
const NO_BENCH: never[] = [];
function asking() {
  const told: Supplied[] = [];
  const { about } = supplier((s) => told.push(s));
  return {
    told,
    last: () => told.at(-1),
    nothing: () => about(null),
    ask: (part: object, materials = MATERIALS) =>
      about({ design: slotDesign(part), materials, by: RULES_HERE, bench: NO_BENCH }),
  };
}
const answered = (last: () => Supplied | undefined) =>
  waitFor(() => expect(last()?.supply).not.toBeNull()).then(() => last()!.supply!);

describe('what a design takes of the shelf, asked of the worker', () => {
  it('is the first wish and the newest, none between', async () => {
    const { ask, last } = asking();
    slow = 40;
    for (const copies of [1, 2, 3, 4]) ask({ copies });
    await waitFor(() => expect(last()?.supply?.copies).toBe(4));
    expect(asked).toEqual([1, 4]);
  });
  it('tells the shelf once, and again when it is another or the worker knows none', async () => {
    const { ask, last } = asking();
    ask({ copies: 1 });
    await answered(last);
    ask({ copies: 2 });
    await waitFor(() => expect(last()!.supply!.copies).toBe(2));
    expect(shelves).toHaveLength(1);
    ask({ copies: 2 }, [TUB, { ...CAP, kept: 100 }]);
    await waitFor(() => expect(last()!.supply!.lines.find((l) => l.need.name === 'Cap')!.kept).toBe(100));
    expect(shelves).toHaveLength(2);
    forgets = true;
    ask({ copies: 3 }, [TUB, CAP]);
    await waitFor(() => expect(last()!.supply?.copies).toBe(3));
    ask({ copies: 4 });
    await waitFor(() => expect(last()!.supply?.copies).toBe(4));
  });
  it('counts what is made already as no longer wanted', async () => {
    const { ask, last } = asking();
    ask({ copies: 5, made: 3 });
    expect((await answered(last)).copies).toBe(2);
  });
  it('says why a part cannot be cut', async () => {
    const { ask, last } = asking();
    fails = true;
    ask({ copies: 1 });
    await waitFor(() => expect(last()!.problem).toMatch(/too small for a strip/));
    expect(last()!.supply).toBeNull();
    fails = false;
    ask({ copies: 1 });
    expect((await answered(last)).copies).toBe(1);
    expect(last()!.problem).toBeNull();
  });
  it('tells nothing of a design that was left meanwhile', async () => {
    const { ask, last, told, nothing } = asking();
    slow = 30;
    ask({ id: 1, copies: 1 });
    ask({ id: 2, copies: 2 });
    expect(last()).toEqual({ supply: null, problem: null });
    expect((await answered(last)).copies).toBe(2);
    expect(told.filter((t) => t.supply).map((t) => t.supply!.copies)).toEqual([2]);
    nothing();
    expect(last()).toEqual({ supply: null, problem: null });
  });
});
