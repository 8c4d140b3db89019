import { DoneToday } from './DoneToday.tsx';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import type { TodayLine, TodayPage } from '../../../contract/today.ts';
import { answer, PLACE, show } from '../../testing/desk.tsx';
import { Component as First } from './First.tsx';
import { Component as Today } from './Today.tsx';

const line = (part: Partial<TodayLine> & Pick<TodayLine, 'kind'>): TodayLine => ({
  family: null,
  kits: [],
  design: null,
  day: null,
  id: null,
  version: null,
  steps: null,
  words: '',
  ...part,
});
const kit = (id: number, why: string | null = null) => ({ id, label: `FB-00${id}a`, name: 'Drop tub', why });
const skiff = { id: 3, name: 'Teal Skiff' };
const page = (lines: TodayLine[], counts: TodayPage['counts'] = {}): TodayPage => ({
  day: PLACE.today,
  lines,
  counts,
});
const open = (now: TodayLine[], later: TodayLine[] = [], more: Record<string, unknown> = {}) => {
  const calls = answer({
    'GET /place': PLACE,
    'GET /today': page(now),
    'GET /today/later': page(later),
    ...more,
  });
  show(<Today />);
  return calls;
};
const writes = (calls: ReturnType<typeof open>) =>
  calls.filter((c) => c.method !== 'GET').map(({ path, body }) => ({ path, body }));

it('counts what there is to do, in the order of the day', async () => {
  open(
    [
      line({ kind: 'late', family: skiff, kits: [kit(1)], day: '2026-11-20' }),
      line({ kind: 'test', design: { id: 5, name: 'Pull box' }, words: 'drop test' }),
    ],
    [
      line({
        kind: 'note',
        family: skiff,
        kits: [kit(2)],
        design: { id: 5, name: 'Pull box' },
        day: '2026-11-23',
        words: 'G-04, G-05',
      }),
    ],
  );
  expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('3 things to do today');
  const late = within(screen.getByRole('region', { name: 'Overdue' }));
  expect(late.getByRole('listitem')).toHaveTextContent('Teal Skiff: Drop tub FB-001a 4 days overdue');
  expect(late.getByRole('link', { name: 'Take back FB-001a' })).toHaveAttribute('href', '/lend?kit=FB-001a');
  expect(screen.getByRole('link', { name: 'Test Pull box' })).toHaveAttribute('href', '/check/5');
  expect(screen.getByRole('link', { name: 'Write a note on G-05' })).toHaveAttribute(
    'href',
    '/watch?child=G-05&design=5',
  );
  // What needs nothing is not there.
  expect(screen.queryByText('To clean')).toBeNull();
});
it('says so when nothing is to be done, and not before it knows', async () => {
  let told: (p: TodayPage) => void = () => undefined;
  open([], [], { 'GET /today/later': () => new Promise<TodayPage>((done) => (told = done)) });
  expect(await screen.findByText('Nothing yet to do today; still looking')).toBeVisible();
  told(page([]));
  expect(await screen.findByText('Nothing needs doing today')).toBeVisible();
});
it('lends all kits of a family as planned at one touch, and not what cannot go out', async () => {
  const plan = { family: skiff, day: '2026-12-08', words: 'Winter' };
  const calls = open(
    [
      line({ kind: 'lend', ...plan, kits: [kit(1), kit(2)] }),
      line({ kind: 'lend', ...plan, family: { id: 4, name: 'Grey Punt' }, kits: [kit(3, 'to clean')] }),
    ],
    [],
    { 'POST /loans/together': [201, []] },
  );
  await userEvent.click(await screen.findByRole('button', { name: 'Lend to Teal Skiff as planned' }));
  await waitFor(() =>
    expect(writes(calls)).toEqual([
      { path: '/loans/together', body: { kitIds: [1, 2], borrowerId: 3, dueOn: '2026-12-08' } },
    ]),
  );
  expect(screen.getByText('FB-003a is to clean: it cannot go out yet.')).toBeVisible();
  expect(screen.queryByRole('button', { name: 'Lend to Grey Punt as planned' })).toBeNull();
});
it('cleans a kit and puts rested finds on the shelf from there, and says why not', async () => {
  const calls = open(
    [
      line({ kind: 'clean', kits: [kit(1)] }),
      line({ kind: 'quarantine', id: 9, version: 2, words: '3 × Cap', day: '2026-11-24' }),
    ],
    [],
    {
      'POST /kits/1/state': { label: 'FB-001a', restsUntil: null },
      'PUT /lots/9': [409, { status: 409, detail: 'It was changed meanwhile.' }],
    },
  );
  await userEvent.click(await screen.findByRole('button', { name: 'FB-001a is clean' }));
  await waitFor(() => expect(writes(calls)[0]).toEqual({ path: '/kits/1/state', body: { to: 'cleaned' } }));
  await userEvent.click(screen.getByRole('button', { name: 'Put 3 × Cap on the shelf' }));
  expect(await screen.findByText('It was changed meanwhile.')).toBeVisible();
  expect(writes(calls)[1]!.body).toEqual({ version: 2, state: 'ready' });
});
it('shows who lends the half of the desk', async () => {
  open(
    [
      line({ kind: 'clean', kits: [kit(1)] }),
      line({ kind: 'test', design: { id: 5, name: 'Pull box' }, words: 'drop test' }),
      line({ kind: 'session', id: 2, words: 'Nap making', steps: 0 }),
    ],
    [],
    {
      'GET /session': {
        needed: true,
        isFixed: false,
        person: { id: 1, name: 'Ann', role: 'lender' },
        isFirst: false,
        lost: 0,
      },
    },
  );
  expect(await screen.findByText('One thing to do today')).toBeVisible();
  expect(screen.getByRole('button', { name: 'FB-001a is clean' })).toBeVisible();
  expect(screen.queryByText('Nap making')).toBeNull();
});
it('says how many there are where not all stand there', async () => {
  open([], [], { 'GET /today': page([line({ kind: 'clean', kits: [kit(1)] })], { clean: 45 }) });
  expect(await screen.findByText('45 things to do today')).toBeVisible();
  expect(screen.getByText('and 44 more: the first 1 stand here')).toBeVisible();
});
it.each([
  [2, 'today'],
  [0, 'shelf'],
])('with %d kits made a place opens at the %s', async (made, where) => {
  answer({ 'GET /tape': { make: { made } } });
  show(
    <Routes>
      <Route index element={<First />} />
      <Route path="today" element={<p>today</p>} />
      <Route path="gather" element={<p>shelf</p>} />
    </Routes>,
    '/',
  );
  expect(await screen.findByText(where)).toBeVisible();
});

it('what was done today is undone from here, with why and who', async () => {
  const done = {
    id: 5,
    at: '2026-11-24T09:12:00.000Z',
    who: '',
    did: 'lent a kit',
    about: 'FB-001a, Amber Dory',
    undone: null,
  };
  const calls = answer({ 'GET /done': [done], 'POST /done/5/undo': { ...done, undone: null } });
  show(<DoneToday locale="en-GB" />);
  await userEvent.click(await screen.findByText('Done today (1)'));
  await userEvent.click(screen.getByRole('button', { name: 'Undo: lent a kit: FB-001a, Amber Dory' }));
  const asks = screen.getByRole('dialog', { name: 'Undo this?' });
  await userEvent.type(within(asks).getByRole('textbox', { name: 'Why is it undone?' }), 'wrong family');
  await userEvent.type(within(asks).getByRole('textbox', { name: /^Who undoes it/ }), 'A. K.');
  await userEvent.click(within(asks).getByRole('button', { name: 'Undo it' }));
  await waitFor(() =>
    expect(calls).toMatchObject([
      { method: 'POST', path: '/done/5/undo', body: { why: 'wrong family', by: 'A. K.' } },
    ]),
  );
});
