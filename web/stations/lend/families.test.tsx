import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import type { FamilyPage, ListedFamily } from '../../../contract/lending.ts';
import { answer, PLACE, show } from '../../testing/desk.tsx';
import { Component as Families } from './Families.tsx';
import { Component as Family } from './Family.tsx';
import { JustDone } from './JustDone.tsx';

const DORY: ListedFamily = {
  id: 4,
  version: 1,
  name: 'Amber Dory',
  group: 'Gulls',
  allergies: [],
  mail: null,
  youngest: 22,
  born: null,
  mouths: true,
  language: null,
  aim: 'Pincer and release',
  children: ['G-04'],
  has: 2,
  late: 1,
};
const PAGE: FamilyPage = {
  family: DORY,
  has: [
    {
      loanId: 1,
      label: 'FB-001a',
      kit: 'Drop tub',
      lentOn: '2026-11-01',
      dueOn: '2026-11-20',
      daysLate: 4,
      recalled: null,
    },
    {
      loanId: 2,
      label: 'FB-002a',
      kit: 'Limpet slide',
      lentOn: '2026-11-20',
      dueOn: '2026-12-04',
      daysLate: 0,
      recalled: 'its pull test failed',
    },
  ],
  planned: [{ plan: 'Winter', day: '2026-12-01', due: '2026-12-14', label: 'FB-003a', kit: 'Buoy drop' }],
  kept: [{ id: 9, kit: 'Squeeze seal', madeOn: '2026-11-10', ready: null }],
  told: [{ on: '2026-11-21', by: 'said', words: 'Dear Amber Dory' }],
  children: [
    {
      code: 'G-04',
      age: 22,
      mouths: true,
      allergies: ['milk'],
      isMeasured: false,
      notes: 3,
      lastSat: '2026-11-22',
    },
  ],
};

describe('families', () => {
  it('are listed by group with what each has, and one is added', async () => {
    const calls = answer({
      'GET /borrowers': [DORY],
      'POST /borrowers': { ...DORY, id: 7, name: 'Teal Skiff' },
    });
    show(<Families />, '/lend/families');
    const group = await screen.findByRole('region', { name: 'Gulls' });
    expect(within(group).getByRole('listitem')).toHaveTextContent('has 2 kits, 1 overdue');
    expect(within(group).getByRole('listitem')).toHaveTextContent('picking up and letting go');
    await userEvent.click(screen.getByRole('button', { name: 'Add a family' }));
    const dialog = screen.getByRole('dialog', { name: 'Add a family' });
    await userEvent.type(within(dialog).getByRole('textbox', { name: 'Code name' }), 'Teal Skiff');
    await userEvent.type(within(dialog).getByRole('textbox', { name: 'Group' }), 'Gulls');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Save what is known' }));
    await waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')).toMatchObject({
        path: '/borrowers',
        body: { name: 'Teal Skiff', group: 'Gulls', children: [], language: null },
      }),
    );
  });
  it('have a page each: kits with days overdue and recalls, plans, children and messages', async () => {
    answer({
      'GET /place': PLACE,
      'GET /borrowers/4': PAGE,
      'GET /borrowers/4/history': { loans: [], undone: [] },
    });
    show(
      <Routes>
        <Route path="/lend/families/:id" element={<Family />} />
      </Routes>,
      '/lend/families/4',
    );
    const has = await screen.findByRole('region', { name: 'Has now' });
    const [late, recalled] = within(has).getAllByRole('listitem');
    expect(late).toHaveTextContent('4 days overdue, since 1 Nov, due 20 Nov');
    expect(recalled).toHaveTextContent('Called back: its pull test failed');
    expect(recalled).not.toHaveTextContent('overdue');
    expect(screen.getByRole('region', { name: 'Planned' })).toHaveTextContent('1 Dec to 14 Dec (Winter)');
    expect(screen.getByRole('region', { name: 'Kept for them' })).toHaveTextContent('waits since 10 Nov');
    expect(screen.getByRole('region', { name: 'Children' })).toHaveTextContent(
      '22 months; puts things in the mouth; allergic to milk; hand not measured; 3 notes, last 22 Nov',
    );
    expect(screen.getByRole('region', { name: 'Messages' })).toHaveTextContent('Told in words on 21 Nov.');
    const keep = screen.getByRole('region', { name: 'A page for them to keep' });
    expect(keep).toHaveTextContent('In English');
    expect(within(keep).getByRole('link', { name: /Print the page/ })).toHaveAttribute(
      'href',
      '/api/borrowers/4/page.pdf?from=2026-09-01&to=2026-11-24',
    );
  });
});

describe('what was done last at the desk', () => {
  it('stands there with its slip, and is undone with a reason', async () => {
    const calls = answer({ 'POST /done/12/undo': { id: 12 } });
    let isUndone = false;
    show(
      <JustDone
        last={{
          label: 'FB-001a',
          words: 'Amber Dory has FB-001a.',
          id: 12,
          loans: [{ id: 3, label: 'FB-001a' }],
        }}
        onAgain={() => {}}
        onUndone={() => (isUndone = true)}
      />,
    );
    expect(screen.getByRole('heading', { name: 'Amber Dory has FB-001a.' })).toHaveFocus();
    expect(screen.getByRole('link', { name: 'Slip of FB-001a' })).toHaveAttribute(
      'href',
      '/api/loans/3/slip.pdf',
    );
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(isUndone).toBe(true));
    expect(calls).toMatchObject([
      { method: 'POST', path: '/done/12/undo', body: { why: 'undone at once at the desk' } },
    ]);
  });
  it('has no undo where there is none', () => {
    answer({});
    show(
      <JustDone
        last={{ label: 'FB-001a', words: 'FB-001a is counted.', id: undefined, loans: [] }}
        onAgain={() => {}}
        onUndone={() => {}}
      />,
    );
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Go on with FB-001a' })).toBeVisible();
  });
});
