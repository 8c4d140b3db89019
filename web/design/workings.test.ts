import { waitFor } from '@testing-library/react';
import { loadPattern } from '../../core/patterns/index.ts';
import { CAP, slotDesign, TUB, RULES_HERE } from '../testing/desk.tsx';
import { standInWorker } from '../testing/worker.ts';
import { useOpenDesign } from './store.ts';
import { useWorkings, workFrom } from './workings.ts';

const GIVEN = { materials: [TUB, CAP], bench: [], by: RULES_HERE } as const;
const state = () => useWorkings.getState();
const open = (id: number, part: object = {}) => useOpenDesign.getState().open(slotDesign({ id, ...part }));
/** Room across the slot for the cap of 14 mm. */
const across = () => state().heavy.fit!.facts.find((f) => f.id === 'gapAcross')!.value;
const rests = () => waitFor(() => expect(state().heavy.levels).not.toBeNull());

beforeAll(async () => {
  standInWorker();
  // What is saved is not asked about here.
  globalThis.fetch = () => new Promise(() => {});
  await loadPattern('drop-through');
  workFrom(GIVEN);
});

describe('what follows from the open design', () => {
  it('is there as soon as it opens, and the worker adds to it', async () => {
    open(1);
    expect(state().design?.id).toBe(1);
    expect(state().light?.title).toBe('Cut the slot to fit the cap');
    expect(state().drawing!.scene.marks.length).toBeGreaterThan(3);
    await rests();
    expect(state().heavy).toMatchObject({ fit: { verdict: 'clear' }, problem: null, behind: false });
    expect(state().heavy.load!.total).toBeGreaterThan(5);
  });
  it('keeps what a turned dial leaves as it was, and the picture until the dials rest', async () => {
    open(2);
    await rests();
    const before = state();
    useOpenDesign.getState().dial('width', 18);
    const now = state();
    expect(now.light!.at.dials).toMatchObject({ width: 18 });
    expect(now.drawing).toBe(before.drawing);
    await waitFor(() => expect(state().drawing).not.toBe(before.drawing));
    expect(state().rested).toBe(before.rested);
    const specs = (s: typeof now) => new Map(s.light!.specs.map((x) => [x.id, x]));
    expect(specs(now).get('pieces')).toBe(specs(before).get('pieces'));
    await waitFor(() => expect(state().rested).not.toBe(before.rested));
    expect(state().rested).toBe(state().drawing);
  });
  it('is told of the last dial of many, and of no other design', async () => {
    open(3);
    await rests();
    const wide = state().heavy.fit!;
    const { dial } = useOpenDesign.getState();
    for (const width of [18, 19, 20, 30]) dial('width', width);
    await waitFor(() => expect(state().heavy.fit).not.toEqual(wide));
    await waitFor(() => expect(across()).toBeCloseTo(16, 1));
    dial('width', 12);
    open(4, { dials: { ...slotDesign().dials, width: 25 } });
    expect(state().heavy.fit).toBeNull();
    await rests();
    expect(state().design!.id).toBe(4);
    expect(across()).toBeCloseTo(11, 1);
  });
  it('says why it cannot be read, and comes back when it can', () => {
    open(5);
    useOpenDesign.getState().change({ materials: {} });
    expect(state().problem).toMatch(/no container is chosen/);
    useOpenDesign.getState().change({ materials: slotDesign().materials });
    expect(state()).toMatchObject({ problem: null, light: { title: 'Cut the slot to fit the cap' } });
  });
  it('is there again when one comes back from a design that cannot be read', async () => {
    open(7);
    await rests();
    open(8, { materials: {} });
    expect(state()).toMatchObject({ light: null, heavy: { fit: null } });
    open(7);
    await rests();
    expect(state().heavy.fit).toMatchObject({ verdict: 'clear' });
  });
  it('asks the worker what is there: anew when another design takes of the stock, not when its own list entry is saved', async () => {
    open(6);
    expect(state().supplied).toEqual({ supply: null, problem: null });
    const cap = () => state().supplied.supply?.lines.find((l) => l.need.materialId === CAP.id);
    await waitFor(() => expect(cap()).toMatchObject({ held: [], free: CAP.kept }));
    const needs = state().supplied.supply!.lines.map((l) => l.need);
    const entry = (id: number, made: number) => ({ id, name: 'x', copies: 3, made, onBench: true, needs });
    workFrom({ ...GIVEN, bench: [entry(6, 0)] });
    const light = state().light;
    workFrom({ ...GIVEN, bench: [entry(6, 1)] });
    expect(state().light).toBe(light);
    workFrom({ ...GIVEN, bench: [entry(6, 1), entry(9, 0)] });
    await waitFor(() => expect(cap()!.held).toMatchObject([{ designId: 9, quantity: 24 }]));
  });
  it('shows the supply of before while the next is worked out, and none of another design', async () => {
    open(10);
    await waitFor(() => expect(state().supplied.supply).not.toBeNull());
    const before = state().supplied;
    useOpenDesign.getState().dial('pieces', 5);
    expect(state().supplied).toBe(before);
    await waitFor(() => expect(state().supplied.supply!.lines.some((l) => l.need.quantity === 5)).toBe(true));
    open(11);
    expect(state().supplied.supply).toBeNull();
  });
});
