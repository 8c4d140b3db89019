import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Design } from '../../../contract/designs.ts';
import type { Lot } from '../../../contract/lots.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { pack } from '../../../core/packing/pack.ts';
import type { PackingRequest } from '../../../core/packing/problem.ts';
import { chooseDesigns, type ChoiceRequest } from '../../../core/plan/choice.ts';
import { purchase, type PurchaseRequest, type SolveLp } from '../../../core/price/purchase.ts';
import { SLOT_DIALS } from '../../../core/testing.ts';
import { loadSolver } from '../../../core/testingSolver.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import {
  answer,
  BEAD,
  CAP,
  needsOf,
  OFFERS,
  PLACE,
  show,
  SUPPLIERS,
  TUB,
  slotDesign,
} from '../../testing/desk.tsx';
import { standInWorker } from '../../testing/worker.ts';
import { Component as Container } from './Container.tsx';
import { Component as Saving } from './Saving.tsx';
import { Component as Today } from './Today.tsx';

globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};
let solve: SolveLp;
beforeAll(async () => {
  standInWorker();
  solve = await loadSolver();
  await loadPattern('drop-through');
});

/** Two designs of one shelf: both want the four tubs, the second only five caps a kit. */
const design = (id: number, part: Partial<Design>): Design =>
  slotDesign({ id, name: 'Tide-line drop tub', ...part });
const DESIGNS = [
  design(1, {}),
  design(2, {
    name: 'Squeeze seal',
    skill: 'Hand strength',
    onBench: false,
    dials: { ...SLOT_DIALS, pieces: 5 },
  }),
];
const lot = (id: number, part: Partial<Lot>): Lot => ({
  id,
  version: 1,
  materialId: 2,
  quantity: 3,
  came: 3,
  cameOn: PLACE.today,
  from: '',
  state: 'ready',
  readyOn: null,
  reason: '',
  sizes: {},
  look: null,
  ...part,
});
const LOOK = {
  clean: 'clean',
  dry: 'dry',
  smell: 'none',
  held: 'nothing',
  closes: 'yes',
  gap: 0,
  sharp: 'no',
  crushed: 'no',
  front: 'plain',
} as const;

/** The desk with the real computations behind its doors. */
const desk = (more: Record<string, unknown> = {}) =>
  answer({
    'GET /materials': [TUB, CAP, BEAD],
    'GET /designs': DESIGNS,
    'GET /designs/needs': () => needsOf(DESIGNS, [TUB, CAP, BEAD]),
    'GET /place': PLACE,
    'GET /offers': OFFERS,
    'GET /suppliers': SUPPLIERS,
    'GET /lots': [],
    'POST /compute/purchase': (b: PurchaseRequest) => purchase(b, solve),
    'POST /compute/choice': (b: ChoiceRequest) => chooseDesigns(b, solve),
    'POST /compute/packing': (b: PackingRequest) =>
      pack(b, { now: () => performance.now(), until: performance.now() + 2000 }),
    ...more,
  });
/** Writes apart from what is only computed. */
const writes = (calls: ReturnType<typeof answer>) => calls.filter((c) => !c.path.startsWith('/compute'));

describe('what could I make today', () => {
  it('counts kits of the free stock, names what runs out and what one purchase unlocks', async () => {
    desk();
    show(<Today />);
    // Nine caps: one kit of eight; the other design is left one cap after the first has spoken for sixteen.
    const tide = (await screen.findAllByRole('row', { name: /Tide-line drop tub/ }))[0]!;
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent(
      '1 of 2 designs can be made today',
    );
    expect(within(tide).getByText('Cap, 9 free')).toBeVisible();
    // One pack of eighteen and its delivery: 27 caps make three, so two more.
    expect(await within(tide).findByText('2 more for £5.60: 1 × Caps, 18')).toBeVisible();
    const seal = (await screen.findAllByRole('row', { name: /Squeeze seal/ }))[0]!;
    expect(within(seal).getByText('Cap, 0 free')).toBeVisible();
    expect(screen.getByText('cheapest')).toBeVisible();
  });
  it('chooses among designs that want the same stock, by kits or by skills', async () => {
    const calls = desk();
    show(<Today />);
    const best = await screen.findByRole('region', { name: 'The best choice' });
    expect(
      within(best).getByRole('row', { name: /Tide-line drop tub Picking up and letting go 1/ }),
    ).toBeVisible();
    expect(screen.getByText('no choice is better')).toBeVisible();
    const asked = () =>
      (calls.filter((c) => c.path === '/compute/choice').at(-1)!.body as ChoiceRequest).designs.map((d) => [
        d.id,
        d.most,
      ]);
    // The bench alone wants two of the first; both designs, up to twelve each, are another question.
    expect(asked()).toEqual([['1', 2]]);
    await userEvent.click(screen.getByRole('radio', { name: 'All, up to 12 each' }));
    await waitFor(() =>
      expect(asked()).toEqual([
        ['1', 12],
        ['2', 12],
      ]),
    );
    await waitFor(() => expect(screen.getAllByText('1 kit')[0]).toBeVisible());
  });
  it('puts a design on the bench, and says when that failed', async () => {
    const calls = desk({
      'PUT /designs/2': [409, { ...DESIGNS[1], detail: 'It was changed meanwhile.', errors: [] }],
    });
    show(<Today />);
    await userEvent.click(await screen.findByRole('checkbox', { name: 'Squeeze seal on the bench' }));
    await waitFor(() => expect(writes(calls)).toHaveLength(1));
    expect(writes(calls)[0]).toMatchObject({ path: '/designs/2', body: { version: 1, onBench: true } });
    expect(await screen.findByText('It was changed meanwhile.')).toBeVisible();
  });
  it('begins a design from what is free, for the ages asked', async () => {
    const calls = desk({
      'GET /designs': [],
      'GET /materials': [TUB, { ...CAP, kept: 14 }, { ...BEAD, kept: 300 }],
      'POST /designs': [201, DESIGNS[0]],
    });
    show(<Today />);
    await userEvent.click(await screen.findByRole('radio', { name: '18–30 months' }));
    const cards = within(screen.getByRole('list', { name: 'What you can make' }));
    const all = await cards.findAllByRole('listitem');
    const idea = all.find((li) => li.textContent.includes('Drop-through'))!;
    // The bead is a small part for them, and a bead is what there is most of.
    expect(idea).toHaveTextContent('Tub + Cap');
    expect(idea).toHaveTextContent('2 kits from free stock, then no more cap');
    await userEvent.click(within(idea).getByRole('button', { name: /^Start/ }));
    await waitFor(() => expect(writes(calls)).toHaveLength(1));
    expect(writes(calls)[0]!.body).toMatchObject({
      name: 'Drop-through',
      ownName: false,
      skill: 'Pincer and release',
      ageFrom: 18,
      ageTo: 30,
      materials: { container: [1], piece: [2] },
    });
  });
  it('goes by the same wishes as a new design', async () => {
    desk({
      'GET /designs': [],
      'GET /materials': [TUB, { ...CAP, kept: 14 }],
    });
    show(<Today />);
    await userEvent.click(await screen.findByRole('radio', { name: '18–30 months' }));
    const cards = within(screen.getByRole('list', { name: 'What you can make' }));
    expect((await cards.findAllByText('Tub + Cap')).length).toBeGreaterThan(1);
    await userEvent.click(screen.getByRole('checkbox', { name: 'No knife' }));
    await screen.findByText(/^Not offered/);
    for (const card of cards.queryAllByRole('listitem')) expect(card).toHaveTextContent('No knife needed');
  });
});

describe('saving up', () => {
  it('says what is short and when it is likely there, and prints the list until a day to come', async () => {
    // Two a week for ten weeks: four kits need 32, nine are there.
    const lots = Array.from({ length: 10 }, (_, i) =>
      lot(i + 1, { came: 2, quantity: 0, cameOn: addDays(PLACE.today, -7 * (10 - i)), look: { ...LOOK } }),
    );
    desk({ 'GET /lots': lots });
    show(<Saving />, '/gather/saving?design=1');
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('Still wanted: 7 × cap');
    const row = await screen.findByRole('row', { name: /^Cap 16 9 7/ });
    // Seven at two a week is four weeks, 22 Dec; ten weeks say no more than two weeks either way.
    expect(row).toHaveTextContent('8 Dec to 5 Jan');
    await userEvent.click(screen.getByRole('button', { name: 'Kits: one more' }));
    await waitFor(() => expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('15 × cap'));
    const link = screen.getByRole('link', { name: 'Print the wanted list' });
    expect(link).toHaveAttribute('href', '/api/designs/1/wanted.pdf?copies=3&until=2026-12-22');
    // The day as the place writes it: day, month, year. 22 Dec 2026 becomes the year before.
    const until = within(screen.getByRole('group', { name: 'Until' })).getAllByRole('spinbutton');
    expect(until.map((p) => p.getAttribute('aria-label')?.split(',')[0])).toEqual(['day', 'month', 'year']);
    await userEvent.click(until[2]!);
    await userEvent.keyboard('{ArrowDown}');
    expect(await screen.findByText('Expected today or a later day.')).toBeVisible();
    expect(screen.queryByRole('link', { name: 'Print the wanted list' })).toBeNull();
  });
  it('does not guess from nothing', async () => {
    desk();
    show(<Saving />);
    const row = await screen.findByRole('row', { name: /^Cap/ });
    expect(row).toHaveTextContent('too few deliveries to say');
  });
});

describe('does it go in', () => {
  it('packs the kit, and asks lid, front, gaps and depth', async () => {
    desk({ 'GET /lots?material=1': [lot(1, { materialId: 1, look: { ...LOOK } })] });
    show(<Container />, '/gather/container?design=1');
    expect(await screen.findByRole('heading', { level: 1, name: 'It fits in the tub' })).toBeVisible();
    // It goes in and closes; but what goes in through the slot comes out through it too.
    expect(await screen.findByText(/Cap can come out the way it goes in/)).toBeVisible();
    expect(screen.getByText('Take care')).toBeVisible();
    expect(screen.getByText(/All 8 go in, filling \d+ %/)).toBeVisible();
  });
  it('says what falls out through a gap, whatever the packing says', async () => {
    desk({ 'GET /lots?material=1': [lot(1, { materialId: 1, look: { ...LOOK, gap: 45, closes: 'no' } })] });
    show(<Container />, '/gather/container?design=1');
    expect(await screen.findByText(/Stop/)).toBeVisible();
    expect(await screen.findByText(/45 mm/)).toBeVisible();
  });
  it('says what it takes when there is nothing to pack', async () => {
    desk({ 'GET /designs': [] });
    show(<Container />);
    expect(await screen.findByText('You need a design, and a container on the shelf.')).toBeVisible();
  });
});
