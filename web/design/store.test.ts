import { jest } from '@jest/globals';
import type { Design } from '../../contract/designs.ts';
import { loadPattern } from '../../core/patterns/index.ts';
import { slotDesign } from '../testing/desk.tsx';
import { differences } from './Conflict.tsx';
import { client } from '../data/queries.ts';
import { useOpenDesign } from './store.ts';
import { readUnsaved } from './unsaved.ts';

const design = slotDesign({ id: 7, name: 'Tub', copies: 1, dials: { width: 17 }, materials: {} });

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

/** What the server says when another screen saved `current` first. */
const changedBy = (current: Design) => ({
  type: '',
  title: '',
  status: 409,
  detail: 'changed',
  errors: [],
  current,
});

beforeEach(() => {
  jest.useFakeTimers();
  useOpenDesign.getState().open(design);
});
afterEach(() => jest.useRealTimers());

const state = () => useOpenDesign.getState();

await loadPattern('drop-through');

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

  it('takes changes back one by one, a turn of one dial at once, and sends what stands then', async () => {
    const calls = desk();
    state().open({ ...design, id: 8 });
    expect(state().canUndo).toBe(false);
    state().undo();
    expect(state().draft!.dials).toEqual({ width: 17 });
    // One turn, then the number of kits, then another turn a while later.
    for (const width of [18, 19, 20]) state().dial('width', width);
    state().change({ copies: 5 });
    jest.advanceTimersByTime(400);
    state().dial('width', 25);
    expect(state().canUndo).toBe(true);
    state().undo();
    expect(state().draft).toMatchObject({ dials: { width: 20 }, copies: 5 });
    state().undo();
    expect(state().draft).toMatchObject({ dials: { width: 20 }, copies: design.copies });
    state().undo();
    expect(state().draft).toMatchObject({ dials: { width: 17 } });
    expect(state().canUndo).toBe(false);
    await jest.advanceTimersByTimeAsync(600);
    expect(calls).toHaveLength(1);
    expect(calls[0]!.body).toMatchObject({ dials: { width: 17 }, version: design.version });
    await calls[0]!.answer(200, { ...design, id: 8, version: design.version + 1 });
    expect(state().saving).toBe('saved');
    // Of another design nothing is taken back.
    state().open({ ...design, id: 9 });
    expect(state().canUndo).toBe(false);
  });
  it('shows both when another screen was first, and keeps mine from their version', async () => {
    const calls = desk();
    state().dial('width', 18);
    await jest.advanceTimersByTimeAsync(600);
    const theirs = { ...design, version: 4, dials: { width: 30 } };
    await calls[0]!.answer(409, changedBy(theirs));
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

  it('takes a save whose answer was lost for what it is: no conflict', async () => {
    const calls = desk();
    state().dial('width', 18);
    await jest.advanceTimersByTimeAsync(600);
    await calls[0]!.answer(409, changedBy({ ...design, version: 2, dials: { width: 18 } }));
    expect(state()).toMatchObject({
      saving: 'saved',
      theirs: null,
      draft: { version: 2, dials: { width: 18 } },
    });
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

  describe('what is not saved', () => {
    const other: Design = { ...design, id: 8, name: 'Sail', version: 1 };
    beforeEach(() => localStorage.clear());
    afterEach(() => {
      state().forget(7);
      state().forget(8);
    });
    const failOn = async (calls: ReturnType<typeof desk>): Promise<void> => {
      state().dial('width', 18);
      await jest.advanceTimersByTimeAsync(600);
      await calls[0]!.answer(0, null);
    };

    it('is kept when another design is opened, shown, and sent again', async () => {
      const calls = desk();
      await failOn(calls);
      state().open(other);
      expect(state()).toMatchObject({ draft: { id: 8 }, saving: 'saved' });
      expect(state().unsaved[7]).toMatchObject({ draft: { dials: { width: 18 } } });
      expect(state().unsaved[7]!.problem).toMatch(/does not answer/);
      // Ten seconds later it is tried again, though another design is open.
      await jest.advanceTimersByTimeAsync(10_500);
      expect(calls[1]!.body).toMatchObject({ version: 1, dials: { width: 18 } });
      await calls[1]!.answer(200, { ...design, dials: { width: 18 }, version: 2 });
      expect(state().unsaved).toEqual({});
      expect(localStorage.getItem('fox-button.unsaved')).toBeNull();
    });

    it('comes back as it was left, and is sent from there', async () => {
      const calls = desk();
      await failOn(calls);
      state().open(other);
      state().open(design);
      expect(state()).toMatchObject({ saving: 'failed', draft: { id: 7, dials: { width: 18 } } });
      await jest.advanceTimersByTimeAsync(600);
      await calls[1]!.answer(200, { ...design, dials: { width: 18 }, version: 2 });
      expect(state()).toMatchObject({ saving: 'saved', draft: { version: 2 } });
    });

    it('lasts through a reload', async () => {
      const calls = desk();
      await failOn(calls);
      expect(Object.values(readUnsaved())).toMatchObject([{ draft: { id: 7, dials: { width: 18 } } }]);
      // What moved a moment ago and was never sent is kept when the page is left.
      state().dial('width', 22);
      state().keep();
      expect(readUnsaved()[7]).toMatchObject({ draft: { dials: { width: 22 } } });
      localStorage.setItem('fox-button.unsaved', '{"7":{"draft":"nonsense"}}');
      expect(readUnsaved()).toEqual({});
    });

    it('keeps a conflict too: it is asked again when the design is opened again', async () => {
      const calls = desk();
      state().dial('width', 18);
      await jest.advanceTimersByTimeAsync(600);
      const theirs = { ...design, version: 4, dials: { width: 30 } };
      await calls[0]!.answer(409, changedBy(theirs));
      state().open(other);
      await jest.advanceTimersByTimeAsync(30_000);
      expect(calls).toHaveLength(1);
      state().open(theirs);
      expect(state()).toMatchObject({
        saving: 'conflict',
        draft: { dials: { width: 18 } },
        theirs: { version: 4 },
      });
    });

    it('tells every field in which two screens differ, compared deeply', () => {
      const mine: Design = {
        ...design,
        pattern: 'drop-through',
        dials: { width: 17, list: [1, 2] },
        materials: { container: [1], piece: [2], bag: [5] },
        onBench: true,
      };
      const theirs: Design = {
        ...mine,
        onBench: false,
        name: 'Other',
        dials: { width: 17, list: [1, 3] },
        materials: { container: [1], piece: [3] },
      };
      const rows = differences(mine, theirs, (id) => `material ${id}`);
      expect(rows).toEqual([
        { field: 'Name', here: 'Tub', there: 'Other' },
        { field: 'On the bench', here: 'yes', there: 'no' },
        { field: 'Piece', here: 'material 2', there: 'material 3' },
        { field: 'Bag', here: 'material 5', there: 'none' },
        { field: 'list', here: '[1,2]', there: '[1,3]' },
      ]);
      expect(differences(mine, { ...mine, dials: { list: [1, 2], width: 17 } }, String)).toEqual([]);
    });
  });
});

it('changes nothing, and sends nothing, while who is signed in may not design', async () => {
  const calls = desk();
  state().setLocked('Signed in as Helper.');
  const { draft, saving } = state();
  state().dial('width', 99);
  await jest.advanceTimersByTimeAsync(600);
  expect(state().draft).toBe(draft);
  expect(state().saving).toBe(saving);
  expect(calls).toEqual([]);
  state().setLocked(null);
});

it('what one person did not save is not sent by another, and is back when they are', async () => {
  jest.useRealTimers();
  client.setQueryData(['designs'], [design]);
  state().open(design);
  state().setWho('Ann');
  const waiting = desk();
  state().dial('width', 44);
  state().setWho('Bea');
  expect(state()).toMatchObject({ saving: 'saved', draft: { dials: { width: 17 } } });
  await new Promise((go) => setTimeout(go, 700));
  expect(waiting.map((c) => c.body.dials.width)).not.toContain(44);
  expect(readUnsaved('Bea')).toEqual({});
  expect(readUnsaved('Ann')[7]).toMatchObject({ draft: { dials: { width: 44 } } });
  state().setWho('Ann');
  expect(state()).toMatchObject({ saving: 'failed', draft: { dials: { width: 44 } } });
  state().setWho(null);
});
