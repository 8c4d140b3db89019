import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Person, Session } from '../../../contract/people.ts';
import { useSignedOut } from '../../data/session.ts';
import SignIn from '../../shell/SignIn.tsx';
import { answer, show } from '../../testing/desk.tsx';
import { People } from './People.tsx';

const SESSION: Session = {
  needed: true,
  isFixed: false,
  isFirst: false,
  lost: 0,
  person: { id: 1, name: 'Keeper', role: 'manager' },
};
const KEEPER: Person = {
  id: 1,
  name: 'Keeper',
  role: 'manager',
  isOff: false,
  madeOn: '2026-11-24',
  lastSeen: '2026-11-24T09:00:00.000Z',
};
const HELPER: Person = { ...KEEPER, id: 2, name: 'Helper', role: 'lender', lastSeen: null };

describe('people', () => {
  it('are set up by the first manager, on a machine where nobody has to sign in', async () => {
    const calls = answer({
      'GET /session': { ...SESSION, needed: false, isFirst: true, person: null },
      'POST /session/first': [201, SESSION],
    });
    show(<People />);
    await userEvent.type(await screen.findByRole('textbox', { name: 'Name of the manager' }), 'Keeper');
    await userEvent.type(screen.getByLabelText('Password'), 'seaweed on the slipway');
    await userEvent.click(screen.getByRole('button', { name: 'Set up' }));
    await waitFor(() =>
      expect(calls[0]).toMatchObject({
        path: '/session/first',
        body: { name: 'Keeper', password: 'seaweed on the slipway' },
      }),
    );
    expect(screen.queryByRole('region', { name: 'Who did what' })).toBeNull();
  });
  it('are let in and turned off by who keeps the place, who sees what was done', async () => {
    const calls = answer({
      'GET /session': SESSION,
      'GET /people': [KEEPER, HELPER],
      'GET /audit-log': [
        { id: 4, at: '2026-11-24T09:30:00.000Z', who: 'Helper', did: 'lent a kit', asked: 'POST /loans' },
      ],
      'POST /people': [201, HELPER],
      'PUT /people/2': { ...HELPER, isOff: true },
    });
    show(<People />);
    const list = await screen.findByRole('list', { name: 'People' });
    const helper = (await within(list).findAllByRole('listitem'))[1]!;
    expect(helper).toHaveTextContent('not here yet');
    await userEvent.click(within(helper).getByRole('button', { name: 'Turn off' }));
    await waitFor(() => expect(calls.at(-1)!.body).toEqual({ role: 'lender', isOff: true }));
    expect(await screen.findByRole('list', { name: 'Who did what' })).toHaveTextContent('Helper lent a kit');
    await userEvent.type(screen.getByRole('textbox', { name: 'Name' }), 'Ann');
    await userEvent.type(screen.getByLabelText('First password'), 'a long enough one');
    await userEvent.click(screen.getByRole('button', { name: 'Add them' }));
    await waitFor(() =>
      expect(calls.at(-1)!.body).toEqual({ name: 'Ann', password: 'a long enough one', role: 'lender' }),
    );
  });
  it('without the manager’s role see only themselves, and sign out', async () => {
    const calls = answer({
      'GET /session': { ...SESSION, person: { id: 2, name: 'Helper', role: 'lender' } },
      'DELETE /session': [204, null],
    });
    show(<People />);
    expect(await screen.findByText('Helper')).toBeVisible();
    expect(screen.queryByText('Add a person')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Sign out' }));
    await waitFor(() => expect(calls.at(-1)).toMatchObject({ method: 'DELETE', path: '/session' }));
    await waitFor(() => expect(useSignedOut.getState().isOut).toBe(true));
  });
});

describe('the way in', () => {
  beforeEach(() => useSignedOut.getState().set(true));
  it('says what is wrong and lets in with the right password', async () => {
    let right = false;
    answer({
      'GET /session': { ...SESSION, person: null },
      'POST /session': () =>
        right
          ? [201, SESSION]
          : [
              401,
              { type: '', title: '', status: 401, detail: 'The name or the password is wrong.', errors: [] },
            ],
    });
    show(<SignIn />);
    await userEvent.type(await screen.findByRole('textbox', { name: 'Name' }), 'Keeper');
    await userEvent.type(screen.getByLabelText('Password'), 'guess{Enter}');
    expect(await screen.findByText('The name or the password is wrong.')).toBeVisible();
    expect(useSignedOut.getState().isOut).toBe(true);
    right = true;
    await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(useSignedOut.getState().isOut).toBe(false));
  });
  it('asks the first manager for the code of the server’s screen', async () => {
    const calls = answer({
      'GET /session': { ...SESSION, isFixed: true, isFirst: true, person: null },
      'POST /session/first': [201, SESSION],
    });
    show(<SignIn />);
    await userEvent.type(await screen.findByRole('textbox', { name: /Code/ }), ' 1234-5678-9012 ');
    await userEvent.type(screen.getByRole('textbox', { name: 'Name' }), 'Keeper');
    await userEvent.type(screen.getByLabelText('Password'), 'seaweed on the slipway');
    await userEvent.click(screen.getByRole('button', { name: 'Set up' }));
    await waitFor(() => expect(calls[0]!.body).toMatchObject({ code: '1234-5678-9012' }));
  });
});
