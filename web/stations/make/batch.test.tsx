import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import type { BatchWork, ProgressInput } from '../../../contract/batches.ts';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import { batchTasks, NO_DAYS, type BenchDays } from '../../../core/plan/batch.ts';
import { progressed } from '../../../core/plan/progress.ts';
import type { Step } from '../../../core/patterns/kernel.ts';
import { answer, CAP, OFFERS, PLACE, show, SUPPLIERS, TUB } from '../../testing/desk.tsx';
import { Component as BatchPage } from './Batch.tsx';
import { Component as BenchPage } from './Bench.tsx';
import { step as usualStep } from '../../../core/patterns/making.ts';

const step = (id: string, part: Partial<Step> = {}): Step =>
  usualStep({
    id,
    title: `Do ${id}`,
    words: `How to do ${id}.`,
    setUp: 0,
    perCopy: 5,
    who: 'adult',
    ...part,
  });
const DAYS: BenchDays = {
  ...NO_DAYS,
  makers: [
    { name: 'Ann', windows: [{ day: '2026-11-24', from: 780, to: 900 }] },
    { name: 'Bo', windows: [{ day: '2026-11-24', from: 780, to: 840 }] },
  ],
  childFree: [{ day: '2026-11-24', from: 780, to: 870 }],
};
const steps = [
  step('glue', { drying: 30 }),
  step('cut', { blade: true, tools: ['craft knife'], after: ['glue'] }),
  step('wash'),
];
const tasks = batchTasks(
  [{ designId: 1, name: 'Drop tub', pattern: 'drop-through', copies: 2, steps }],
  DAYS,
);
const batch = (part: Partial<BatchWork> = {}): BatchWork => ({
  id: 1,
  version: 3,
  name: 'Nap making',
  state: 'planned',
  items: [{ designId: 1, bundleId: null, copies: 2, name: 'Drop tub' }],
  days: DAYS,
  progress: { running: [], done: [] },
  madeOn: null,
  used: [],
  left: [],
  labels: [],
  bill: [
    { materialId: 2, name: 'Cap', unit: 'each', wanted: 16, kept: 9, held: 0, short: 7, for: ['Drop tub'] },
  ],
  cutPlans: [],
  tasks,
  zero: '2026-11-24',
  own: {},
  tests: [],
  ...part,
});
const PLAN: BenchPlan = {
  feasible: true,
  makespan: 840,
  bound: 840,
  zero: '2026-11-24',
  reason: null,
  noPlan: null,
  idle: [],
  plan: [
    { task: '1:glue', maker: 'Ann', start: 780, end: 790 },
    { task: '1:wash', maker: 'Bo', start: 780, end: 790 },
    { task: '1:glue~dries', maker: null, start: 790, end: 820 },
    { task: '1:cut', maker: 'Ann', start: 820, end: 830 },
  ],
};
const open = (page: 'batch' | 'bench', table: Record<string, unknown> = {}, at = batch()) => {
  const calls = answer({
    'GET /place': PLACE,
    'GET /batches/1': at,
    'GET /batches/1/plan': PLAN,
    'GET /offers': OFFERS,
    'GET /suppliers': SUPPLIERS,
    'GET /materials': [CAP, TUB],
    'GET /designs': [],
    'POST /compute/purchase': {
      status: 'optimal',
      total: 560,
      packs: [{ offer: '5', count: 1 }],
      leftover: [],
      lacking: [],
    },
    'PUT /batches/1': (b: unknown) => ({ ...at, ...(b as object) }),
    ...table,
  });
  show(
    <Routes>
      <Route path="/b/:id" element={page === 'batch' ? <BatchPage /> : <BenchPage />} />
    </Routes>,
    '/b/1',
  );
  return calls;
};

describe('a batch on screen', () => {
  it('says when everything is done with its proof, in order, with what is short and what to buy', async () => {
    open('batch');
    expect(await screen.findByRole('heading', { name: 'All done on 24 Nov at 14:00' })).toBeVisible();
    expect(screen.getByText('No plan ends sooner.')).toBeVisible();
    const rows = within(screen.getByRole('list', { name: 'Steps in order' })).getAllByRole('listitem');
    expect(rows.map((r) => r.textContent)).toEqual([
      '113:00, 10 minDo glue Ann',
      '213:00, 10 minDo wash Bo',
      '313:40, 10 minDo cut blade · Ann',
    ]);
    expect(screen.getByRole('row', { name: /Cap 16 9 0 7/ })).toBeVisible();
    expect(screen.getByRole('button', { name: 'It is made' })).toBeDisabled();
    expect(await screen.findByText('Caps, 18')).toBeVisible();
  });
  it('shows the bound beside the best plan where it is not proved, and says why there is none', async () => {
    open('batch', { 'GET /batches/1/plan': { ...PLAN, bound: 825 } });
    expect(
      await screen.findByText('The best plan found; none can end before 24 Nov at 13:45, 15 min earlier.'),
    ).toBeVisible();
  });
  it('moves a step by its arrow keys: not before, by another maker, and back', async () => {
    const calls = open('batch');
    const box = await screen.findByRole('button', { name: /^Do glue, Drop tub: 13:00 to 13:10, Ann/ });
    const pins = () =>
      (calls.filter((c) => c.method === 'PUT').at(-1)!.body as { days: BenchDays }).days.pins;
    fireEvent.keyDown(box, { key: 'ArrowRight' });
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(1));
    expect(pins()).toEqual({ '1:glue': { from: 785 } });
    fireEvent.keyDown(box, { key: 'ArrowDown' });
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(2));
    expect(pins()).toEqual({ '1:glue': { maker: 'Bo' } });
    fireEvent.keyDown(box, { key: 'Delete' });
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(3));
    expect(pins()).toEqual({});
  });
  it('says what hinders it, and takes a way out by a touch', async () => {
    const later: BenchDays = { ...DAYS, childFree: [{ day: '2026-11-24', from: 780, to: 900 }] };
    const end = { day: '2026-11-24', minute: 895 };
    const calls = open('batch', {
      'GET /batches/1/plan': {
        ...PLAN,
        feasible: false,
        plan: [],
        reason: 'After “Do glue” it has to dry.',
        noPlan: {
          hindrance: { kind: 'dries', task: '1:glue', minutes: 30 },
          ways: [
            { kind: 'earlier', days: DAYS, task: '1:glue', begin: { day: '2026-11-24', minute: 735 }, end },
            { kind: 'later', days: later, task: '1:cut', begin: { day: '2026-11-24', minute: 870 }, end },
          ],
        },
      } satisfies BenchPlan,
    });
    expect(await screen.findByText('After “Do glue” it has to dry.')).toBeVisible();
    const ways = within(screen.getByRole('region', { name: 'What would help' }));
    expect(ways.getAllByRole('button').map((b) => b.textContent)).toEqual([
      'Begin “Do glue” on 24 Nov at 12:15: all done on 24 Nov at 14:55',
      'Go on longer on 24 Nov: all done on 24 Nov at 14:55',
    ]);
    await userEvent.click(ways.getByRole('button', { name: /^Go on longer/ }));
    await waitFor(() => expect(calls.find((c) => c.method === 'PUT')?.body).toMatchObject({ days: later }));
  });
  it('explains who has nothing to do, and says who works when', async () => {
    const days: BenchDays = { ...DAYS, makers: [...DAYS.makers, { name: 'Cy', windows: [] }] };
    const calls = open(
      'batch',
      { 'GET /batches/1/plan': { ...PLAN, idle: [{ maker: 'Cy', why: 'one after another' }] } },
      batch({ days }),
    );
    expect(await screen.findByText(/^Cy has nothing to do: each step waits/)).toBeVisible();
    expect(screen.getAllByText('at other times only')).toHaveLength(2);
    await userEvent.click(screen.getByText('Other times for Cy'));
    await userEvent.click(screen.getAllByRole('checkbox', { name: 'While children are away, too' })[2]!);
    await waitFor(() =>
      expect(calls.find((c) => c.method === 'PUT')?.body).toMatchObject({
        days: { makers: [{ name: 'Ann' }, { name: 'Bo' }, { name: 'Cy', shares: false }] },
      }),
    );
  });
  it('takes another kit in, as many as are still to be made', async () => {
    const sail = { id: 7, name: 'Lacing sail', copies: 5, made: 2 };
    const calls = open('batch', { 'GET /designs': [{ id: 1, name: 'Drop tub', copies: 2, made: 0 }, sail] });
    await userEvent.click(await screen.findByRole('button', { name: /Make another kit with it/ }));
    expect(screen.queryByRole('option', { name: 'Drop tub' })).toBeNull();
    await userEvent.click(screen.getByRole('option', { name: 'Lacing sail' }));
    await waitFor(() =>
      expect((calls.find((c) => c.method === 'PUT')?.body as { items: object[] }).items).toEqual([
        { designId: 1, bundleId: null, copies: 2 },
        { designId: 7, bundleId: null, copies: 3 },
      ]),
    );
  });
  it('takes a window as it is typed, and names what it cannot read', async () => {
    const calls = open('batch');
    const away = within(await screen.findByRole('region', { name: 'Children away' }));
    const type = async (label: string, text: string): Promise<void> => {
      await userEvent.clear(away.getByRole('textbox', { name: label }));
      await userEvent.type(away.getByRole('textbox', { name: label }), text);
    };
    await type('From', '9.15');
    await type('To', 'noon');
    await userEvent.click(away.getByRole('button', { name: 'Add to Children away' }));
    expect(away.getByText('To: expected a time like 14:30.')).toBeVisible();
    await type('To', '9:00');
    await userEvent.click(away.getByRole('button', { name: 'Add to Children away' }));
    expect(away.getByText('To: expected a time later than it begins.')).toBeVisible();
    await type('To', '10:45 am');
    await userEvent.click(away.getByRole('button', { name: 'Add to Children away' }));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const { childFree } = (calls.find((c) => c.method === 'PUT')!.body as { days: BenchDays }).days;
    expect(childFree[0]).toEqual({ day: '2026-11-24', from: 555, to: 645 });
  });
});

describe('the bench', () => {
  beforeEach(() => localStorage.clear());
  const sent = (calls: ReturnType<typeof open>) =>
    calls
      .filter((c) => c.path === '/batches/1/progress')
      .map((c) => {
        const { task, did } = c.body as ProgressInput;
        return `${did} ${task}`;
      });
  const space = () => act(() => void fireEvent.keyDown(document.body, { key: ' ' }));
  const server = () => {
    let at = batch();
    return {
      'GET /batches/1': () => at,
      'POST /batches/1/progress': (b: unknown) => {
        at = { ...at, progress: progressed(at.progress, b as ProgressInput) };
        return at;
      },
    };
  };
  it('goes step by step by the space bar, times each, and asks before a blade', async () => {
    const calls = open('bench', server());
    expect(await screen.findByRole('heading', { name: 'Do glue' })).toBeVisible();
    space();
    expect(screen.getByRole('button', { name: /^Done/ })).toBeVisible();
    space();
    // The next step runs by itself; the glue dries meanwhile.
    expect(await screen.findByRole('heading', { name: 'Do wash' })).toBeVisible();
    expect(
      within(screen.getByRole('list', { name: 'What dries' })).getByText(/^(30:0\d|29:5\d)$/),
    ).toBeVisible();
    space();
    expect(await screen.findByRole('heading', { name: 'Do cut' })).toBeVisible();
    expect(screen.getByText(/It has to dry first/)).toBeVisible();
    expect(screen.getByRole('button', { name: /^Go on anyway/ })).toBeVisible();
    space();
    expect(screen.getByRole('button', { name: /^Children are away: begin/ })).toBeVisible();
    space();
    space();
    expect(await screen.findByRole('heading', { level: 1, name: 'Every step is done' })).toBeVisible();
    await waitFor(() =>
      expect(sent(calls)).toEqual([
        'begun 1:glue',
        'done 1:glue',
        'begun 1:wash',
        'done 1:wash',
        'begun 1:cut',
        'done 1:cut',
      ]),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(await screen.findByRole('heading', { name: 'Do cut' })).toBeVisible();
    await waitFor(() => expect(sent(calls).at(-1)).toBe('undone 1:cut'));
  });
  it('shows each maker their own steps, and what runs at other benches', async () => {
    const serve = server();
    const plan = {
      plan: [
        { task: '1:wash', maker: 'Ann', start: 780, end: 790 },
        { task: '1:glue', maker: 'Bo', start: 780, end: 790 },
        { task: '1:cut', maker: 'Ann', start: 820, end: 830 },
      ],
    };
    const calls = open('bench', { ...serve, 'GET /batches/1/plan': { ...PLAN, ...plan } });
    expect(await screen.findByRole('heading', { name: 'Do wash' })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /At this bench/ }));
    await userEvent.click(await screen.findByRole('option', { name: 'Bo' }));
    expect(await screen.findByRole('heading', { name: 'Do glue' })).toBeVisible();
    space();
    await waitFor(() => expect(sent(calls)).toEqual(['begun 1:glue']));
    // Ann comes to the same screen: her own step, and what Bo is at.
    await userEvent.click(screen.getByRole('button', { name: /At this bench/ }));
    await userEvent.click(await screen.findByRole('option', { name: 'Ann' }));
    expect(await screen.findByRole('heading', { name: 'Do wash' })).toBeVisible();
    expect(screen.getByRole('list', { name: 'At other benches' })).toHaveTextContent(/Bo: Do glue, 0:0\d/);
    space();
    space();
    // What is left waits for the glue, which Bo has in hand.
    expect(await screen.findByText('What is left waits for the other bench.')).toBeVisible();
    const made = calls.filter((c) => c.path === '/batches/1/progress').map((c) => c.body as ProgressInput);
    expect(made.map((m) => [m.did, m.task, m.maker])).toEqual([
      ['begun', '1:glue', 'Bo'],
      ['begun', '1:wash', 'Ann'],
      ['done', '1:wash', 'Ann'],
    ]);
  });
  it('keeps what was pressed while nobody answers, and says so', async () => {
    open('bench', { 'POST /batches/1/progress': [503, { detail: 'The desk is busy.', status: 503 }] });
    expect(await screen.findByRole('heading', { name: 'Do glue' })).toBeVisible();
    space();
    space();
    expect(await screen.findByText(/Not saved yet/)).toBeVisible();
    const kept = JSON.parse(localStorage.getItem('fox-bench-1')!) as ProgressInput[];
    expect(kept.map((k) => k.did)).toEqual(['begun', 'done', 'begun']);
    expect(screen.getByRole('heading', { name: 'Do wash' })).toBeVisible();
  });
});
