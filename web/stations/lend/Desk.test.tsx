import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answer, BEAD, CAP, COPY, PLACE, show, TUB } from '../../testing/desk.tsx';
import { Desk } from './Desk.tsx';

const families = [
  { id: 1, name: 'Teal Skiff', group: 'Gulls' },
  { id: 2, name: 'Grey Punt', group: 'Gulls' },
];
const lent = {
  ...COPY,
  openLoan: { id: 4, borrowerId: 2, borrower: 'Grey Punt', lentOn: '2026-11-06', dueOn: '2026-11-20' },
};
const desk = (copy = COPY, materials = [TUB, CAP]) =>
  show(<Desk copy={copy} borrowers={families} materials={materials} place={PLACE} />);
const less = (part: string) => userEvent.click(screen.getByRole('button', { name: `${part}: one less` }));

describe('lending', () => {
  it('lends for as long as the place lends', async () => {
    const calls = answer({ 'POST /loans': { id: 1 } });
    desk();
    expect(screen.getByText(/1 × Tub, 8 × Cap · counted 20 Nov/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Lend to/ }));
    await userEvent.click(screen.getByRole('option', { name: /Grey Punt/ }));
    expect(screen.getByLabelText('Back on')).toHaveValue('2026-12-08');
    await userEvent.click(screen.getByRole('button', { name: 'Lend it' }));
    await waitFor(() =>
      expect(calls).toEqual([
        { method: 'POST', path: '/loans', body: { copyId: 7, borrowerId: 2, dueOn: '2026-12-08' } },
      ]),
    );
  });

  it('asks for a family first', async () => {
    const calls = answer({});
    desk();
    await userEvent.click(screen.getByRole('button', { name: 'Lend it' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Choose a family.');
    expect(calls).toEqual([]);
  });

  it('tells who was first', async () => {
    answer({
      'POST /loans': () => [
        409,
        {
          type: '',
          title: '',
          status: 409,
          detail: 'FB-001a is with Teal Skiff until 2026-12-08.',
          errors: [],
        },
      ],
    });
    desk();
    await userEvent.click(screen.getByRole('button', { name: /Lend to/ }));
    await userEvent.click(screen.getByRole('option', { name: /Grey Punt/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Lend it' }));
    expect(await screen.findByRole('alert')).toHaveTextContent(
      'FB-001a is with Teal Skiff until 2026-12-08.',
    );
  });

  it('makes a new family once, though the loan fails', async () => {
    let tries = 0;
    const calls = answer({
      'POST /borrowers': { id: 9, name: 'Plum Wherry', group: 'Seals' },
      'POST /loans': () =>
        tries++ === 0
          ? [422, { type: '', title: '', status: 422, detail: 'It is in repair.', errors: [] }]
          : { id: 1 },
    });
    desk();
    await userEvent.click(screen.getByRole('button', { name: /Lend to/ }));
    await userEvent.click(screen.getByRole('option', { name: /A new family/ }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Code name' }), 'Plum Wherry');
    await userEvent.type(screen.getByRole('textbox', { name: 'Group' }), 'Seals');
    await userEvent.click(screen.getByRole('button', { name: 'Lend it' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('It is in repair.');
    await userEvent.click(screen.getByRole('button', { name: 'Lend it' }));
    await waitFor(() => expect(calls.filter((c) => c.path === '/loans')).toHaveLength(2));
    expect(calls.filter((c) => c.path === '/borrowers')).toHaveLength(1);
    expect(calls.at(-1)!.body).toMatchObject({ borrowerId: 9 });
  });
});

describe('taking back', () => {
  it('says how long it was out and how late it is', () => {
    desk(lent);
    expect(screen.getByText(/for 18 days/)).toHaveTextContent('4 late');
  });

  it('takes a whole kit back in one press', async () => {
    const calls = answer({ 'POST /loans/4/return': COPY });
    desk(lent);
    await userEvent.click(screen.getByRole('button', { name: 'All there: take it back' }));
    await waitFor(() =>
      expect(calls[0]).toEqual({
        method: 'POST',
        path: '/loans/4/return',
        body: { present: [1, 8], then: 'shelve' },
      }),
    );
  });

  it.each([
    ['Fill from spares', 'fill'],
    ['To repair', 'repair'],
    ['Lend on as it is', 'shelve'],
  ])('with two caps missing, “%s” sends %s', async (button, then) => {
    const calls = answer({ 'POST /loans/4/return': COPY });
    desk(lent);
    await less('Cap');
    await less('Cap');
    expect(screen.getByText('2 × Cap short')).toBeVisible();
    expect(screen.getByText(/The shelf has 9 spare/)).toHaveTextContent('A loose cap is not a small part.');
    await userEvent.click(screen.getByRole('button', { name: button }));
    await waitFor(() => expect(calls[0]!.body).toEqual({ present: [1, 6], then }));
  });

  it('does not offer spares that are not there, and warns of a lost small part', async () => {
    const copy = { ...lent, parts: [{ materialId: 3, name: 'Bead', due: 6, present: 6 }] };
    desk(copy, [BEAD]);
    await less('Bead');
    expect(screen.queryByRole('button', { name: 'Fill from spares' })).toBeNull();
    expect(screen.getByText(/A loose bead is a small part/)).toBeVisible();
  });

  it('claims nothing about a piece that has no solid shape or is gone from the shelf', async () => {
    desk({ ...lent, parts: [{ materialId: 99, name: 'Bag', due: 1, present: 1 }] });
    await less('Bag');
    expect(screen.getByText(/Whether a loose bag is a small part was not checked/)).toBeVisible();
  });

  it('counts a kit in repair and mends it', async () => {
    const calls = answer({ 'POST /copies/7/count': COPY });
    desk({ ...COPY, repair: true, parts: [{ materialId: 2, name: 'Cap', due: 8, present: 7 }] });
    await userEvent.click(screen.getByRole('button', { name: 'Fill from spares' }));
    await waitFor(() =>
      expect(calls[0]).toEqual({
        method: 'POST',
        path: '/copies/7/count',
        body: { present: [7], then: 'fill' },
      }),
    );
  });
});
