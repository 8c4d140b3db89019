import { screen, waitFor, within } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { loadPattern } from '../../../core/patterns/index.ts';
import { lossesALoan } from '../../../core/durability/lifetimes.ts';
import {
  answer,
  CAP,
  needsOf,
  OFFERS,
  PLACE,
  show,
  slotDesign,
  SUPPLIERS,
  TUB,
} from '../../testing/desk.tsx';
import { standInWorker } from '../../testing/worker.ts';
import { Component as Price } from './Price.tsx';

beforeAll(async () => {
  standInWorker();
  await loadPattern('drop-through');
});

const design = slotDesign({ copies: 2 });
const WORTH_TUB = { ...TUB, worth: 60 };
const open = (more: Record<string, unknown> = {}) => {
  answer({
    'GET /place': PLACE,
    'GET /designs': [design],
    'GET /designs/needs': needsOf([design], [WORTH_TUB, CAP]),
    'GET /materials': [WORTH_TUB, CAP],
    'GET /offers': OFFERS,
    'GET /suppliers': SUPPLIERS,
    'GET /lasting': [],
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
};
const working = async (of: string) => screen.findByRole('table', { name: `Working of ${of}`, hidden: true });
const cells = (table: HTMLElement) =>
  [...table.querySelectorAll('tr')].map((r) => [...r.querySelectorAll('th, td')].map((c) => c.textContent));

describe('what a kit costs', () => {
  it('shows what each figure is made of, and where the price of a lost piece comes from', async () => {
    open();
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
    open();
    const usual = 60 * lossesALoan('plastic') + 8 * (560 / 18) * lossesALoan('plastic');
    const table = await working('one loan');
    await waitFor(() => expect(table).toHaveTextContent(/Tub1 loan in 60£0\.01/));
    await waitFor(() => expect(cells(table).at(-1)).toEqual(['A loan', '', `£${(usual / 100).toFixed(2)}`]));
    expect(cells(table)[1]).toEqual(['Tub', '1 loan in 60', '£0.01']);
    expect(screen.getByText(/usual rates, nothing is counted here yet/)).toBeVisible();
  });
  it('says of a design that nobody lent that its figures come from what is usual', async () => {
    open({
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
    open();
    expect(await screen.findByText(/Not counted here: tape\. A step takes it up/)).toBeVisible();
  });
  it('goes by the counts once there are some', async () => {
    open({
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
});
