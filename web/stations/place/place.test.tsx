import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answer, PLACE, show } from '../../testing/desk.tsx';
import { Component as PlacePage } from './Place.tsx';

const kept = { ...PLACE, toiletRolls: 'never', eggCartons: 'keep', restDays: 5 };

describe('this place', () => {
  it('sends back what was changed with all the rest, and goes on from the new version', async () => {
    const calls = answer({
      'GET /place': kept,
      'PUT /place': (b: object) => ({ ...b, today: PLACE.today, version: 2 }),
    });
    show(<PlacePage />);
    expect(await screen.findByRole('radio', { name: 'Never', checked: true })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'Inches and fractions' }));
    const days = screen.getByRole('textbox', { name: 'Quarantine for card and paper, days' });
    await userEvent.clear(days);
    await userEvent.type(days, '7{Enter}');
    expect(await screen.findByText('Saved.')).toBeVisible();
    const { today: _, ...rest } = kept;
    expect(calls[0]!.body).toEqual({ ...rest, lengthUnit: 'in', restDays: 7 });
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(calls).toHaveLength(2));
    expect(calls[1]!.body).toMatchObject({ version: 2, restDays: 7 });
  });
  it('does not send an emptied number as what stood there before', async () => {
    const detail = 'loanDays: expected a number of days';
    const calls = answer({
      'GET /place': kept,
      'PUT /place': [400, { type: '', title: '', status: 400, detail, errors: [] }],
    });
    show(<PlacePage />);
    await userEvent.clear(await screen.findByRole('textbox', { name: 'A loan lasts, days' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(detail)).toBeVisible();
    expect(calls[0]!.body).toMatchObject({ loanDays: null });
  });
  it('stops at a number that cannot be read', async () => {
    const calls = answer({ 'GET /place': kept });
    show(<PlacePage />);
    const days = await screen.findByRole('textbox', { name: 'A loan lasts, days' });
    await userEvent.type(days, ' or so');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(days).toHaveFocus();
    expect(calls).toEqual([]);
  });
});
