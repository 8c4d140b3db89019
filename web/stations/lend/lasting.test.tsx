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
  lost: 1,
  worn: 3,
  loans: 60,
  times: [1, 2, 3, 4, 4, 4, 5, 5],
  causes: ['worn', 'lost', 'worn', 'worn', null, null, null, null],
  prior: { shape: 1, rate: 60, kind: 'washed' },
};
const eggs: Lasting = {
  ...caps,
  materialId: 99,
  name: 'Egg',
  lost: 0,
  worn: 0,
  causes: caps.times.map(() => null),
};
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
    expect(
      await screen.findByText(/Seen on 8 pieces in 2 kits, 1 of them lost and 3 worn out/),
    ).toBeVisible();
    expect(screen.getByText(/Weibull: shape/)).not.toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Egg/ }));
    expect(screen.getByText(/None is gone yet/)).toBeVisible();
    expect(screen.queryByText(/Weibull/)).toBeNull();
    expect(screen.getByText(/Never by age, as far as is known: 0 wore out/)).toBeVisible();
  });
  it('a piece that is lost by chance is never renewed by age', async () => {
    open([{ ...caps, lost: 4, worn: 0, causes: ['lost', 'lost', 'lost', 'lost', null, null, null, null] }]);
    expect(await screen.findByText(/Never by age.*0 wore out and 4 were lost/)).toBeVisible();
    expect(screen.queryByText(/Weibull/)).toBeNull();
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
    expect(screen.getByText(/Joined: 4\.2 in a hundred/)).not.toBeVisible();
  });
  it('says what to wait for where nothing came back yet', async () => {
    open([]);
    expect(await screen.findByText(/Nothing was counted after a loan yet/)).toBeVisible();
  });
});
