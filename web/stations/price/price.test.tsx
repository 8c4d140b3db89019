import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { loadPattern } from '../../../core/patterns/index.ts';
import { lossesALoan } from '../../../core/durability/lifetimes.ts';
import {
  answer,
  CAP,
  needsOf,
  OFFERS,
  PLACE,
  RULES_HERE,
  show,
  slotDesign,
  SUPPLIERS,
  TUB,
} from '../../testing/desk.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { standInWorker } from '../../testing/worker.ts';
import { Component as Price } from './Price.tsx';

beforeAll(async () => {
  standInWorker();
  await loadPattern('drop-through');
});

// What one test turned is nothing to the next.
beforeEach(() =>
  useOpenDesign.setState({ draft: null, saving: 'saved', unsaved: {}, problem: null, theirs: null }),
);

const design = slotDesign({ copies: 2 });
const WORTH_TUB = { ...TUB, worth: 60 };
/** The figures behind the answer are folded until somebody asks. */
const open = async (more: Record<string, unknown> = {}) => {
  answer({
    'GET /place': PLACE,
    'GET /designs': [design],
    'GET /designs/needs': needsOf([design], [WORTH_TUB, CAP]),
    'GET /materials': [WORTH_TUB, CAP],
    'GET /offers': OFFERS,
    'GET /suppliers': SUPPLIERS,
    'GET /lasting': [],
    'GET /rules': RULES_HERE,
    'GET /purchases?design=1': [],
    'POST /compute/purchase': {
      status: 'optimal',
      total: 560,
      packs: [{ offer: '5', count: 1 }],
      leftover: [],
      lacking: [],
    },
    ...more,
  });
  show(
    <Routes>
      <Route path="/price/:id" element={<Price />} />
    </Routes>,
    '/price/1',
  );
  await userEvent.click(await screen.findByText('Materials used, a lost piece, a loan, packs compared'));
};
const working = async (of: string) => screen.findByRole('table', { name: `Working of ${of}`, hidden: true });
const cells = (table: HTMLElement) =>
  [...table.querySelectorAll('tr')].map((r) => [...r.querySelectorAll('th, td')].map((c) => c.textContent));

describe('what a kit costs', () => {
  it('shows what each figure is made of, and where the price of a lost piece comes from', async () => {
    await open();
    await waitFor(() => expect(screen.getAllByText('£3.09').length).toBeGreaterThan(0));
    // A cap at (2.10 + 3.50) ÷ 18, eight of them, and a tub at what the place says it is worth.
    expect(cells(await working('materials used'))).toEqual([
      ['Material', 'a kit', 'costs'],
      ['Tub', '1', '£0.60'],
      ['Cap', '8', '£2.49'],
      ['A kit', '', '£3.09'],
    ]);
    expect(screen.getByText(/Cap, as bought, delivery included/)).toHaveTextContent(
      'Caps, 18, (£2.10 + £3.50 delivery) ÷ 18',
    );
    expect(screen.getByText(/£5\.60 under “Buy” ÷ 2 kits/)).toBeVisible();
  });
  it('says what one loan costs by the usual rates, and by what was counted here', async () => {
    await open();
    const usual = 60 * lossesALoan('plastic') + 8 * (560 / 18) * lossesALoan('plastic');
    const table = await working('one loan');
    await waitFor(() => expect(table).toHaveTextContent(/Tub1 loan in 60£0\.01/));
    await waitFor(() => expect(cells(table).at(-1)).toEqual(['A loan', '', `£${(usual / 100).toFixed(2)}`]));
    expect(cells(table)[1]).toEqual(['Tub', '1 loan in 60', '£0.01']);
    expect(screen.getByText(/usual rates, nothing is counted here yet/)).toBeVisible();
  });
  it('says of a design that nobody lent that its figures come from what is usual', async () => {
    await open({
      'GET /kits': [],
      'GET /lasting': [
        {
          materialId: CAP.id,
          name: 'Cap',
          materialClass: 'plastic',
          kits: 3,
          inUse: 8,
          lost: 1,
          loans: 16,
          times: [],
          events: [],
          prior: { shape: 1, rate: 60, kind: 'washed' },
        },
      ],
    });
    expect(await screen.findByText(/from what is usual: no kit of this design was lent yet/)).toBeVisible();
    expect(screen.getByText(/Pieces like these were counted 16 times in other kits/)).toBeVisible();
    expect(screen.queryByText(/with 16 loans/)).toBeNull();
  });
  it('says what a step takes up and nothing is chosen for', async () => {
    await open();
    expect(await screen.findByText(/Not counted here: tape\. A step takes it up/)).toBeVisible();
  });
  it('goes by the counts once there are some', async () => {
    await open({
      'GET /lasting': [
        {
          materialId: CAP.id,
          name: 'Cap',
          materialClass: 'plastic',
          kits: 1,
          inUse: 8,
          lost: 9,
          loans: 40,
          times: [],
          events: [],
          prior: { shape: 1, rate: 60, kind: 'washed' },
        },
      ],
    });
    const table = await working('one loan');
    // One and nine of sixty and forty.
    expect(within(table).getByRole('row', { name: /Cap/, hidden: true })).toHaveTextContent('1 loan in 10');
    expect(screen.getByText(/with 40 loans of the same pieces counted in all kits here/)).toBeVisible();
  });
  it('answers in one sentence first', async () => {
    await open();
    expect(await screen.findByText('Buy 1 × Caps, 18 for £5.60: 2 kits, £2.80 each.')).toBeVisible();
  });
  it('offers what can be bought, and another kind from the shelf or saving for what cannot', async () => {
    const OTHER = { ...TUB, id: 9, name: 'Lidded tub', kept: 3, sizes: { ...TUB.sizes, diameter: 99 } };
    const SMALL = { ...TUB, id: 8, name: 'Thimble', kept: 9, sizes: { diameter: 20, height: 20, wall: 1 } };
    const NO_TUB = { ...WORTH_TUB, kept: 1 };
    const materials = [NO_TUB, CAP, OTHER, SMALL];
    const asked: string[][] = [];
    await open({
      'GET /designs/needs': needsOf([design], materials),
      'GET /materials': materials,
      'POST /compute/purchase': ({ needs }: { needs: { material: string }[] }) => {
        asked.push(needs.map((n) => n.material));
        return needs.some((n) => n.material === '1')
          ? { status: 'infeasible', total: null, packs: [], leftover: [], lacking: ['1'] }
          : { status: 'optimal', total: 560, packs: [{ offer: '5', count: 1 }], leftover: [], lacking: [] };
      },
      'PUT /designs/1': (b: object) => ({ ...design, ...b, version: 2 }),
    });
    expect(
      await screen.findByText(
        'Buy 1 × Caps, 18 for £5.60. Still missing for 2 kits: 1 × Tub; no pack has it.',
      ),
    ).toBeVisible();
    expect(asked).toContainEqual(['2']);
    expect(screen.getByRole('link', { name: 'Save some' })).toHaveAttribute(
      'href',
      '/gather/saving?design=1',
    );
    // What the caps do not fit into is not offered.
    expect(screen.queryByRole('button', { name: 'Use Thimble instead' })).toBeNull();
    await userEvent.click(await screen.findByRole('button', { name: 'Use Lidded tub instead' }));
    expect(await screen.findByText('Buy 1 × Caps, 18 for £5.60: 2 kits, £2.80 each.')).toBeVisible();
  });
  it('keeps in sight what was paid', async () => {
    await open({
      'GET /purchases?design=1': [
        {
          id: 3,
          on: '2026-11-20',
          total: 560,
          packs: [{ name: 'Caps, 18', supplier: 'Pier', count: 1, price: 210 }],
        },
      ],
    });
    expect(await screen.findByText('Bought on 20 Nov: 1 × Caps, 18, £5.60')).toBeVisible();
  });
});
