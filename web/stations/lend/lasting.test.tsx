import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Lasting } from '../../../contract/durability.ts';
import { sparesFor } from '../../../core/durability/spares.ts';
import { answer, CAP, OFFERS, PLACE, show, SUPPLIERS, TUB } from '../../testing/desk.tsx';
import { Component as LastingPage } from './Lasting.tsx';

// Charts are drawn in the browser tests: here nothing is ever in sight.
globalThis.IntersectionObserver = class {
  observe(): void {}
  disconnect(): void {}
} as unknown as typeof IntersectionObserver;

const caps: Lasting = {
  materialId: CAP.id,
  name: 'Cap',
  materialClass: 'plastic',
  kits: 2,
  inUse: 16,
  lost: 4,
  loans: 60,
  times: [1, 2, 3, 4, 4, 4, 5, 5],
  events: [true, true, true, true, false, false, false, false],
  prior: { shape: 1, rate: 60, kind: 'washed' },
};
const eggs: Lasting = { ...caps, materialId: 99, name: 'Egg', lost: 0, events: caps.times.map(() => false) };
const open = (list: Lasting[]) => {
  answer({
    'GET /place': PLACE,
    'GET /lasting': list,
    'GET /materials': [TUB, CAP],
    'GET /offers': OFFERS,
    'GET /suppliers': SUPPLIERS,
  });
  show(<LastingPage />);
};

describe('what lasts', () => {
  it('says on what it rests, and fits a line only where enough was lost', async () => {
    open([caps, eggs]);
    expect(await screen.findByText(/Rests on 8 pieces in 2 kits, 4 of them lost/)).toBeVisible();
    expect(screen.getByText(/Weibull: shape/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Egg/ }));
    expect(screen.getByText(/None was lost yet, so there is no wear to see/)).toBeVisible();
    expect(screen.queryByText(/Weibull/)).toBeNull();
    expect(screen.getByText(/nothing can be said of when to renew/)).toBeVisible();
  });
  it('asks for the spares that the chance and the loans ahead need, prior and counts joined', async () => {
    open([caps]);
    const spares = (loans: number, probability: number) =>
      sparesFor({
        lossesSeen: 4,
        loansSeen: 60,
        prior: caps.prior,
        loansAhead: loans * 16,
        probability,
      }).spares;
    expect(await screen.findByText(`Spares to keep of cap: ${spares(8, 0.9)}`)).toBeVisible();
    await userEvent.click(screen.getByRole('radio', { name: '99 %' }));
    expect(screen.getByText(`Spares to keep of cap: ${spares(8, 0.99)}`)).toBeVisible();
    expect(spares(8, 0.99)).toBeGreaterThan(spares(8, 0.9));
    expect(screen.getByText(/Joined: 4\.2 in a hundred/)).toBeVisible();
  });
  it('says what to wait for where nothing came back yet', async () => {
    open([]);
    expect(await screen.findByText(/Nothing was counted after a loan yet/)).toBeVisible();
  });
});
