import { jest } from '@jest/globals';
import type { Design } from '../../contract/designs.ts';
import { useOpenDesign } from './store.ts';

const design: Design = {
  id: 7,
  version: 1,
  name: 'Tub',
  pattern: 'drop-through',
  forGroup: 'Gulls',
  ageFrom: 18,
  ageTo: 30,
  skill: 'Pincer and release',
  copies: 1,
  made: 0,
  dials: { width: 17 },
  materials: {},
};

/** A desk that answers PUTs in turn, each when told to. */
function desk() {
  const waiting: { body: Design; answer(status: number, body: unknown): Promise<void> }[] = [];
  globalThis.fetch = ((_url: string, init: { body: string }) =>
    new Promise((resolve, reject) => {
      waiting.push({
        body: JSON.parse(init.body) as Design,
        answer: async (status, body) => {
          if (status === 0) reject(new TypeError('offline'));
          else resolve({ ok: status < 400, status, json: () => Promise.resolve(body) });
          for (let i = 0; i < 20; i++) await Promise.resolve();
        },
      });
    })) as unknown as typeof fetch;
  return waiting;
}

beforeEach(() => {
  jest.useFakeTimers();
  useOpenDesign.getState().open(design);
});
afterEach(() => jest.useRealTimers());

const state = () => useOpenDesign.getState();

describe('the open design', () => {
  it('sends once after a pause, with the version it grew from', async () => {
    const calls = desk();
    state().dial('width', 18);
    state().dial('width', 19);
    expect(state().saving).toBe('waiting');
    await jest.advanceTimersByTimeAsync(600);
    expect(calls).toHaveLength(1);
    expect(calls[0]!.body).toMatchObject({ version: 1, dials: { width: 19 } });
    await calls[0]!.answer(200, { ...design, dials: { width: 19 }, version: 2 });
    expect(state()).toMatchObject({ saving: 'saved', draft: { version: 2 } });
  });

  it('sends what was turned meanwhile from the new version, and loses nothing', async () => {
    const calls = desk();
    state().dial('width', 18);
    await jest.advanceTimersByTimeAsync(600);
    state().dial('width', 25);
    await calls[0]!.answer(200, { ...design, dials: { width: 18 }, version: 2 });
    expect(state().draft!.dials.width).toBe(25);
    expect(calls[1]!.body).toMatchObject({ version: 2, dials: { width: 25 } });
    await calls[1]!.answer(200, { ...design, dials: { width: 25 }, version: 3 });
    expect(state()).toMatchObject({ saving: 'saved', draft: { version: 3, dials: { width: 25 } } });
  });

  it('shows both when another screen was first, and keeps mine from their version', async () => {
    const calls = desk();
    state().dial('width', 18);
    await jest.advanceTimersByTimeAsync(600);
    const theirs = { ...design, version: 4, dials: { width: 30 } };
    await calls[0]!.answer(409, {
      type: '',
      title: '',
      status: 409,
      detail: 'changed',
      errors: [],
      current: theirs,
    });
    expect(state()).toMatchObject({
      saving: 'conflict',
      theirs: { dials: { width: 30 } },
      draft: { dials: { width: 18 } },
    });
    state().keepMine();
    await jest.advanceTimersByTimeAsync(0);
    expect(calls[1]!.body).toMatchObject({ version: 4, dials: { width: 18 } });
    await calls[1]!.answer(200, { ...design, version: 5, dials: { width: 18 } });
    expect(state()).toMatchObject({ saving: 'saved', draft: { version: 5 } });
  });

  it('takes theirs when asked', async () => {
    const calls = desk();
    state().dial('width', 18);
    await jest.advanceTimersByTimeAsync(600);
    await calls[0]!.answer(409, {
      type: '',
      title: '',
      status: 409,
      detail: 'changed',
      errors: [],
      current: { ...design, version: 4, dials: { width: 30 } },
    });
    state().takeTheirs();
    expect(state()).toMatchObject({ saving: 'saved', draft: { version: 4, dials: { width: 30 } } });
  });

  it('says that it is not saved when nobody answers, and tries again', async () => {
    const calls = desk();
    state().dial('width', 18);
    await jest.advanceTimersByTimeAsync(600);
    await calls[0]!.answer(0, null);
    expect(state()).toMatchObject({ saving: 'failed', draft: { dials: { width: 18 } } });
    expect(state().problem).toMatch(/does not answer/);
    const again = state().flush();
    await jest.advanceTimersByTimeAsync(0);
    await calls[1]!.answer(200, { ...design, dials: { width: 18 }, version: 2 });
    await again;
    expect(state().saving).toBe('saved');
  });
});
