import { waitFor } from '@testing-library/react';
import { expose, type Endpoint } from 'comlink';
import { MessageChannel } from 'node:worker_threads';
import { loadPattern } from '../../core/patterns/index.ts';
import { CAP, slotDesign, TUB, RULES_HERE } from '../testing/desk.tsx';
import { bench, type Ask } from '../work/worker.ts';
import { asker, type Heavy } from './heavy.ts';

/** How long the worker takes over a fit, ms, and what it has been asked. */
let slow = 0;
let fails = false;
const asked: unknown[] = [];

beforeAll(async () => {
  await loadPattern('drop-through');
  globalThis.Worker = class {
    constructor() {
      const { port1, port2 } = new MessageChannel();
      const fit = async (a: Ask) => {
        asked.push(a.dials['width']);
        await new Promise((go) => setTimeout(go, slow));
        if (fails) throw new Error('the fit broke');
        return bench.fit(a);
      };
      expose({ ...bench, fit }, port2 as unknown as Endpoint);
      port1.start();
      return port1;
    }
  } as unknown as typeof Worker;
});
beforeEach(() => {
  slow = 0;
  fails = false;
  asked.length = 0;
});

const width = (w: number) => slotDesign({ dials: { ...slotDesign().dials, width: w } });
function asking() {
  const told: Heavy[] = [];
  const { about } = asker((h) => told.push(h));
  return {
    told,
    last: () => told.at(-1)!,
    ask: (w: number) => about(width(w), [TUB, CAP], RULES_HERE),
  };
}

describe('asking the worker', () => {
  it('computes the first wish and the newest, none between', async () => {
    const { ask, last } = asking();
    slow = 60;
    for (const w of [17, 18, 19, 20]) ask(w);
    await waitFor(() => expect(last().levels).not.toBeNull());
    expect(asked).toEqual([17, 20]);
  });
  it('asks nothing again where only the name, the number of kits or the stock moved', async () => {
    const { ask, last } = asking();
    ask(17);
    await waitFor(() => expect(last().levels).not.toBeNull());
    const { about } = asker(() => {});
    about(width(17), [TUB, CAP], RULES_HERE);
    about({ ...width(17), name: 'Other', copies: 9 }, [TUB, { ...CAP, kept: 1 }], RULES_HERE);
    await waitFor(() => expect(asked.length).toBeGreaterThan(1));
    expect(asked).toEqual([17, 17]);
  });
  it('says that an answer keeps one waiting, and takes it back when it is there', async () => {
    const { ask, last, told } = asking();
    ask(17);
    await waitFor(() => expect(last().levels).not.toBeNull());
    expect(told.some((h) => h.behind)).toBe(false);
    slow = 500;
    ask(18);
    await waitFor(() => expect(last().behind).toBe(true));
    expect(last().fit).not.toBeNull();
    await waitFor(() => expect(last().behind).toBe(false));
  });
  it('tells a fault in words, and asks once more when told to', async () => {
    const { ask, last } = asking();
    fails = true;
    ask(17);
    await waitFor(() => expect(last().problem).toBe('the fit broke'));
    expect(last().fit).toBeNull();
    fails = false;
    last().again();
    await waitFor(() => expect(last().levels).not.toBeNull());
    expect(last()).toMatchObject({ problem: null, fit: { verdict: 'clear' } });
  });
});
