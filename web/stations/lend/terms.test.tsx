import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { TermBest, TermChoice, TermPlanPage } from '../../../contract/termPlan.ts';
import { answer, PLACE, show } from '../../testing/desk.tsx';
import { Planned } from './Planned.tsx';
import { bestWords, Component as Terms } from './Terms.tsx';

const DORY = {
  id: 4,
  name: 'Amber Dory',
  group: 'Gulls',
  allergies: [],
  mail: null,
  youngest: 22,
  aim: 'Hand strength' as const,
  children: ['G-04'],
};
const LOAN = {
  borrowerId: 4,
  week: 0,
  day: '2026-12-01',
  due: '2026-12-15',
  kitId: 7,
  label: 'FB-001a',
  kit: 'Drop tub',
  kept: false,
  again: false,
  reason: 'Pincer and release; made for Gulls',
  isAim: false,
  isReserved: false,
  state: 'planned' as const,
  faults: [],
  mend: null,
  notes: [],
};
const PAGE: TermPlanPage = {
  id: 1,
  version: 3,
  name: 'Winter term',
  from: '2026-12-01',
  weeks: 4,
  every: 2,
  stays: 2,
  cleanDays: 1,
  closed: [],
  points: 3000,
  starts: [
    { week: 0, day: '2026-12-01' },
    { week: 2, day: '2026-12-15' },
  ],
  families: [{ ...DORY, isYoungestTold: true, loans: [LOAN], now: [], had: [] }],
};
const BEST: TermBest = { points: 3000, bound: 3000, isProved: true, loans: 1 };
const CHOICES: TermChoice[] = [
  {
    kitId: 8,
    label: 'FB-002a',
    kit: 'Squeeze seal',
    reason: 'Hand strength, their aim',
    points: 90,
    faults: [],
    isAgain: false,
  },
  {
    kitId: 7,
    label: 'FB-001a',
    kit: 'Drop tub',
    reason: '',
    points: 40,
    faults: ['Amber Dory has Drop tub from 1 Dec on.'],
    isAgain: true,
  },
];
const open = (page: TermPlanPage | null, more: Record<string, unknown> = {}) => {
  const calls = answer({
    'GET /place': PLACE,
    'GET /borrowers': [DORY],
    'GET /term-plans': page
      ? [{ id: 1, name: page.name, from: page.from, weeks: 4, families: 1, loans: 1 }]
      : [],
    'GET /term-plans/1': page,
    'GET /term-plans/1/best': BEST,
    'GET /term-plans/1/choices': CHOICES,
    ...more,
  });
  show(<Terms />, '/lend/terms');
  return calls;
};

describe('the plan of a term', () => {
  it('shows who gets what, how good it is, and sets a place by hand', async () => {
    const calls = open(PAGE, { 'PUT /term-plans/1': PAGE });
    expect(await screen.findByText(/No plan does better/)).toBeVisible();
    expect(screen.getByText('1 of 2 weeks have a kit')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Amber Dory, 15 Dec: no kit' }));
    const dialog = await screen.findByRole('dialog', { name: 'Amber Dory, from 15 Dec' });
    expect(await within(dialog).findByText('Amber Dory has Drop tub from 1 Dec on.')).toBeVisible();
    await userEvent.click(within(dialog).getByRole('button', { name: 'Set Squeeze seal, FB-002a' }));
    await waitFor(() =>
      expect(calls).toMatchObject([
        {
          method: 'PUT',
          path: '/term-plans/1',
          body: {
            version: 3,
            borrowers: [4],
            entries: [
              { borrowerId: 4, week: 0, kitId: 7, kept: false },
              { borrowerId: 4, week: 2, kitId: 8, kept: true },
            ],
          },
        },
      ]),
    );
  });

  it('says what cannot be like this, and takes a kit out of its place', async () => {
    const fault = { ...LOAN, kept: true, faults: ['FB-001a is in repair.'] };
    const calls = open(
      { ...PAGE, families: [{ ...PAGE.families[0]!, loans: [fault] }] },
      { 'PUT /term-plans/1': PAGE },
    );
    expect(await screen.findByRole('alert')).toHaveTextContent(
      /One loan cannot be like this\..*Amber Dory, 1 Dec, Drop tub: FB-001a is in repair\./,
    );
    await userEvent.click(
      screen.getByRole('button', { name: /Amber Dory, 1 Dec: Drop tub, FB-001a, set by hand/ }),
    );
    await userEvent.click(await screen.findByRole('button', { name: 'No kit then' }));
    await waitFor(() => expect(calls[0]!.body).toMatchObject({ entries: [] }));
  });

  it('mends a plan with the fewest changes, tells them, and prints the slips of those alone', async () => {
    const fault = {
      ...LOAN,
      faults: ['FB-001a is in repair.'],
      mend: { kitId: 8, label: 'FB-002a', kit: 'Squeeze seal' },
      notes: ['Amber Dory has FB-005a until 5 Dec: they would have two.'],
    };
    const broken = { ...PAGE, families: [{ ...PAGE.families[0]!, loans: [fault] }] };
    const calls = open(broken, {
      'PUT /term-plans/1': PAGE,
      'POST /term-plans/1/mend': {
        page: PAGE,
        isLeast: true,
        changed: [
          {
            borrowerId: 4,
            family: 'Amber Dory',
            week: 0,
            day: '2026-12-01',
            before: { label: 'FB-001a', kit: 'Drop tub' },
            after: { label: 'FB-002a', kit: 'Squeeze seal' },
          },
        ],
      },
    });
    const instead = await screen.findByRole('button', { name: 'Give Squeeze seal, FB-002a, instead' });
    expect(screen.getByText(/Not compared with the best there is/)).toBeVisible();
    expect(screen.queryByText(/No plan does better/)).toBeNull();
    expect(screen.getByText('would have two then')).toBeVisible();
    await userEvent.click(instead);
    await waitFor(() =>
      expect(calls[0]!.body).toMatchObject({
        entries: [{ borrowerId: 4, week: 0, kitId: 8, kept: true, again: false }],
      }),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Mend it with the fewest changes' }));
    expect(
      await screen.findByText('Amber Dory, 1 Dec: Drop tub, FB-001a → Squeeze seal, FB-002a'),
    ).toBeVisible();
    expect(screen.getByText(/1 loan changed; 1 slip is new\./)).toBeVisible();
    expect(screen.getByText(/Fewer changes are not possible\./)).toBeVisible();
    expect(screen.getByRole('link', { name: /Slips of what changed/ })).toHaveAttribute(
      'href',
      expect.stringContaining('&places=4-0'),
    );
  });

  it('gives a kit again on purpose, and says in a week that is past what they really had', async () => {
    const past = {
      ...PAGE,
      families: [
        {
          ...PAGE.families[0]!,
          loans: [{ ...LOAN, state: 'missed' as const }],
          had: [
            { week: 0, label: 'FB-009a', kit: 'Ring tower', lentOn: '2026-12-02', returnedOn: '2026-12-14' },
          ],
        },
      ],
    };
    const calls = open(past, { 'PUT /term-plans/1': PAGE });
    expect(await screen.findByText('FB-009a · 2 Dec to 14 Dec')).toBeVisible();
    expect(screen.getByText('FB-001a was planned')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Amber Dory, 15 Dec: no kit' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Give again Drop tub, FB-001a' }));
    await waitFor(() =>
      expect(calls[0]!.body).toMatchObject({
        entries: [{ week: 0 }, { borrowerId: 4, week: 2, kitId: 7, kept: true, again: true }],
      }),
    );
  });

  it('closes the window once the first term is begun, and leaves out weeks that are closed', async () => {
    const calls = open(null, { 'POST /term-plans': { id: 1 } });
    await userEvent.click(await screen.findByRole('button', { name: 'Plan a term' }));
    await userEvent.click(screen.getByText('No week is closed'));
    await userEvent.click(screen.getByText('15 Dec'));
    await userEvent.click(screen.getByText('8 Dec'));
    expect(screen.getByText('2 weeks are closed')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Begin the plan' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(calls[0]!.body).toMatchObject({ closed: [1, 2] });
  });

  it('begins with a term for families or for the shelf of a room', async () => {
    const calls = open(null, {
      'POST /term-plans': { id: 1 },
      'POST /borrowers': { ...DORY, id: 9, name: 'Gull room' },
    });
    await userEvent.click(await screen.findByRole('button', { name: 'Plan a term' }));
    await userEvent.click(screen.getByText('The shelf of a room'));
    await userEvent.click(screen.getByRole('button', { name: 'Begin the plan' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Choose the room.');
    await userEvent.click(screen.getByRole('button', { name: /Room/ }));
    await userEvent.click(await screen.findByRole('option', { name: 'A new room …' }));
    await userEvent.type(screen.getByLabelText('Name of the room'), 'Gull room');
    await userEvent.type(screen.getByLabelText('Group'), 'Gulls');
    await userEvent.click(screen.getByRole('button', { name: 'Begin the plan' }));
    await waitFor(() => expect(calls.map((c) => c.path)).toEqual(['/borrowers', '/term-plans']));
    expect(calls[1]!.body).toMatchObject({
      every: 1,
      stays: 4,
      weeks: 12,
      from: '2026-12-01',
      borrowers: [9],
    });
  });

  it('changes what is known of a family from its name', async () => {
    const calls = open(PAGE, { 'PUT /borrowers/4': DORY });
    await userEvent.click(await screen.findByRole('button', { name: 'What is known of Amber Dory' }));
    const youngest = await screen.findByLabelText('Youngest at home, months');
    await userEvent.clear(youngest);
    await userEvent.type(youngest, '9');
    const children = screen.getByLabelText('Children, as notes call them');
    await userEvent.clear(children);
    await userEvent.type(children, 'G-04, G-09');
    await userEvent.click(screen.getByRole('button', { name: 'Save what is known' }));
    await waitFor(() =>
      expect(calls[0]).toMatchObject({
        path: '/borrowers/4',
        body: { name: 'Amber Dory', youngest: 9, aim: 'Hand strength', children: ['G-04', 'G-09'] },
      }),
    );
  });
});

test('what is planned for now stands at the desk, and opens its kit', async () => {
  const now = {
    plan: 'Winter term',
    borrowerId: 4,
    borrower: 'Amber Dory',
    kitId: 7,
    label: 'FB-001a',
    kit: 'Drop tub',
    day: '2026-11-24',
    due: '2026-12-08',
  };
  answer({ 'GET /term-plans/now': [now] });
  const opened: string[] = [];
  show(<Planned onChoose={(label) => opened.push(label)} />);
  expect(await screen.findByText(/until 8 Dec/)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Open FB-001a for Amber Dory' }));
  expect(opened).toEqual(['FB-001a']);
});

test('how a plan compares with the best is said in weeks, then in percent', () => {
  expect(bestWords(3000, 1, BEST)).toBe('No plan does better.');
  expect(bestWords(2000, 1, { ...BEST, loans: 3 })).toBe('Planned anew it could fill 2 more weeks.');
  expect(bestWords(2970, 1, BEST)).toBe('Planned anew it could suit 1 % better.');
  expect(bestWords(3000, 1, { ...BEST, bound: 3030, isProved: false })).toBe(
    'At most 1 % better is possible; nothing better was found in the time.',
  );
});
