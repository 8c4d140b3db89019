import { jest } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import type { Note } from '../../../contract/notes.ts';
import type { ChildPage, GroupPage } from '../../../contract/watching.ts';
import { answer, CAP, PLACE, RULES_HERE, show, slotDesign, TUB } from '../../testing/desk.tsx';
import { standInWorker } from '../../testing/worker.ts';
import { Component as Child } from './Child.tsx';
import { Component as Group } from './Group.tsx';
import { RunningClock } from './RunningClock.tsx';
import { Component as Watch } from './Watch.tsx';

// Charts are drawn in the browser tests: here nothing is ever in sight.
globalThis.IntersectionObserver = class {
  observe(): void {}
  disconnect(): void {}
} as unknown as typeof IntersectionObserver;
beforeAll(() => standInWorker());

const NOTE: Note = {
  version: 1,
  id: 5,
  designId: 1,
  design: 'Drop tub',
  child: 'G-04',
  level: 'Close slot',
  bits: 11.5,
  seconds: 40,
  count: 2,
  of: 'pieces',
  help: 'hand on wrist',
  tries: 2,
  managed: 1,
  liked: 'loved it',
  words: '',
  satOn: '2026-11-20',
  before: [],
};
const chance = { chance: 0.7, low: 0.4, high: 0.9 };
const offer = (level: string) => ({
  ...chance,
  designId: 1,
  design: 'Drop tub',
  skill: 'Pincer and release',
  level,
  bits: 12,
  label: 'FB-001a',
  reason: 'About 7 in 10 to manage this alone.',
  check: { verdict: 'clear' as const, title: null, words: null },
});
const PAGE: ChildPage = {
  child: 'G-04',
  notes: 1,
  ability: { mean: 0.2, sd: 0.5 },
  rests: { children: 9, answers: 40, levels: 4, isGuess: false, help: [3, 2, 1] },
  levels: [
    {
      ...chance,
      designId: 1,
      design: 'Drop tub',
      level: 'Close slot',
      bits: 11.5,
      isMeasured: true,
      alone: 0,
    },
  ],
  whatNext: {
    skill: 'Pincer and release',
    next: offer('Close slot'),
    easier: offer('Wide mouth'),
    other: null,
    bored: [],
    stopped: [],
  },
};

const openNotes = (more: Record<string, unknown> = {}, at = '/watch') => {
  const calls = answer({
    'GET /place': PLACE,
    'GET /designs': [slotDesign()],
    'GET /materials': [TUB, CAP],
    'GET /rules': RULES_HERE,
    'GET /notes': [NOTE],
    'GET /notes/summary': { notes: 1, children: 1 },
    'GET /notes/children': [{ child: 'G-04', notes: 1, lastOn: '2026-11-20' }],
    ...more,
  });
  show(<Watch />, at);
  return calls;
};

describe('a note', () => {
  it('takes the child by a touch with the design it was watched at, and keeps tries and liking', async () => {
    const calls = openNotes({ 'POST /notes': { ...NOTE, id: 6 } });
    await userEvent.click(await screen.findByRole('button', { name: 'G-04' }));
    expect(screen.getByRole('textbox', { name: 'Child' })).toHaveValue('G-04');
    const level = await screen.findByRole('button', { name: /Level/ });
    await waitFor(() => expect(level).toBeEnabled(), { timeout: 8000 });
    await userEvent.click(level);
    await userEvent.click(await screen.findByRole('option', { name: /Close slot/ }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Seconds' }), '40');
    // Nothing is answered before somebody does, and a note without an answer is not sent.
    for (const radio of screen.getAllByRole('radio', { name: /No help|Hand on wrist|^Yes$|Not yet/ }))
      expect(radio).not.toBeChecked();
    await userEvent.click(screen.getByRole('button', { name: 'Save the note' }));
    expect(await screen.findByText('Say what help was given.')).toBeVisible();
    await userEvent.click(screen.getByRole('radio', { name: 'Hand on wrist' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save the note' }));
    expect(await screen.findByText('Say whether it was managed.')).toBeVisible();
    await userEvent.click(screen.getByRole('radio', { name: 'Several tries' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Tries' }), '2');
    await userEvent.click(screen.getByRole('button', { name: 'Save the note' }));
    expect(await screen.findByText(/Say how many tries there were/)).toBeVisible();
    expect(calls.some((c) => c.method === 'POST')).toBe(false);
    await userEvent.type(screen.getByRole('textbox', { name: 'Managed' }), '2');
    await userEvent.type(screen.getByRole('textbox', { name: 'Pieces' }), '8');
    expect(screen.getByText('40 s for all 8 pieces: 5.0 s each.')).toBeVisible();
    await userEvent.click(screen.getByRole('radio', { name: 'Loved it' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save the note' }));
    await waitFor(() => expect(calls.some((c) => c.method === 'POST')).toBe(true));
    expect(calls.find((c) => c.method === 'POST')!.body).toMatchObject({
      child: 'G-04',
      designId: 1,
      level: 'Close slot',
      seconds: 40,
      tries: 2,
      managed: 2,
      help: 'hand on wrist',
      liked: 'loved it',
    });
    expect(await screen.findByText(/Saved for G-04\./)).toBeVisible();
    expect(screen.getByRole('link', { name: 'What next for G-04?' })).toHaveAttribute('href', '/watch/G-04');
  });
  it('is corrected as it was written, with the version that was read', async () => {
    const calls = openNotes({ 'PUT /notes/5': (b: object) => ({ ...NOTE, ...b, version: 2 }) });
    await userEvent.click(
      (await screen.findAllByRole('button', { name: /Correct the note on G-04/, hidden: true }))[0]!,
    );
    expect(await screen.findByRole('heading', { name: 'Correct this note' })).toBeVisible();
    expect(screen.getByRole('textbox', { name: 'Child' })).toHaveValue('G-04');
    expect(screen.getByRole('radio', { name: 'Hand on wrist' })).toBeChecked();
    await waitFor(() => expect(screen.getByRole('button', { name: /Level/ })).toBeEnabled(), {
      timeout: 8000,
    });
    await userEvent.click(screen.getByRole('radio', { name: 'No help' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save the correction' }));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect(calls.find((c) => c.method === 'PUT')!.body).toMatchObject({
      version: 1,
      help: 'none',
      child: NOTE.child,
      level: NOTE.level,
      seconds: NOTE.seconds,
      tries: NOTE.tries,
      managed: NOTE.managed,
    });
    expect(await screen.findByRole('heading', { name: 'Write a note' })).toBeVisible();
  });
  it('takes the design of the kit that the child has at home', async () => {
    openNotes({
      'GET /borrowers': [{ id: 3, name: 'Teal Skiff', group: 'Gulls', children: ['G-04'] }],
      'GET /kits': [{ id: 1, label: 'FB-001a', designId: 1, openLoan: { borrowerId: 3 } }],
      'GET /notes': [],
    });
    await userEvent.type(await screen.findByRole('textbox', { name: 'Child' }), 'G-04');
    await waitFor(() =>
      expect(screen.getByRole('button', { name: /^Design|Drop tub/ })).toHaveTextContent(/Drop tub/),
    );
    // And the level that it is made as, said where it comes from.
    expect(await screen.findByText(/As the kit at home is made/, {}, { timeout: 20_000 })).toBeVisible();
    expect(screen.getByRole('button', { name: /Level/ })).not.toHaveTextContent('Choose');
  });
  it('begins with what the child’s page offered', async () => {
    openNotes({}, '/watch?child=S-02&design=1&level=Close+slot');
    expect(await screen.findByRole('textbox', { name: 'Child' })).toHaveValue('S-02');
    await waitFor(
      () => expect(screen.getByRole('button', { name: /Level/ })).toHaveTextContent('Close slot'),
      {
        timeout: 8000,
      },
    );
  });
});

it('a clock gives its seconds, and goes on from those that ran', () => {
  jest.useFakeTimers({ now: 1_000_000 });
  const said: number[] = [];
  const view = (seconds: number | null) => <RunningClock seconds={seconds} onSeconds={(s) => said.push(s)} />;
  const { rerender } = show(view(null));
  fireEvent.click(screen.getByRole('button', { name: 'Start the clock' }));
  act(() => void jest.advanceTimersByTime(7300));
  fireEvent.click(screen.getByRole('button', { name: 'Stop · 0:07' }));
  rerender(view(7));
  fireEvent.click(screen.getByRole('button', { name: 'Go on from 0:07' }));
  act(() => void jest.advanceTimersByTime(5000));
  fireEvent.click(screen.getByRole('button', { name: /Stop/ }));
  expect(said).toEqual([7, 12]);
  jest.useRealTimers();
});

describe('the page of a child', () => {
  const open = (page: ChildPage | { status: number; body: object }, notes = [NOTE]) => {
    answer({ 'GET /place': PLACE, 'GET /children/G-04/page': page, 'GET /notes': notes });
    show(
      <Routes>
        <Route path="/watch/:child" element={<Child />} />
      </Routes>,
      '/watch/G-04',
    );
  };
  it('offers what is next with its reason, and says what it rests on', async () => {
    open(PAGE);
    const next = await screen.findByRole('article', { name: 'Next' });
    expect(next).toHaveTextContent('Drop tub, “Close slot”');
    expect(next).toHaveTextContent('About 7 in 10 to manage this alone. Here now: FB-001a.');
    expect(within(next).getByRole('link', { name: 'Write a note on this' })).toHaveAttribute(
      'href',
      '/watch?child=G-04&design=1&level=Close+slot',
    );
    expect(screen.getByText('From 40 answers of 9 children.')).toBeVisible();
    // The method only for whoever asks.
    const method = screen.getByText(/difficulties of 4 levels found from 40 answers of 9 children/);
    expect(method).not.toBeVisible();
    await userEvent.click(screen.getAllByText('How is this worked out?')[0]!);
    expect(method).toBeVisible();
    expect(screen.getByText(/no diagnosis/)).toBeVisible();
    expect(screen.getByRole('img', { name: '7 in 10 alone, 4 in 10 to 9 in 10' })).toBeVisible();
    expect(screen.getByText(/No line yet/)).toHaveTextContent('there is 1');
    expect(screen.getByRole('table', { name: 'Sittings of G-04' })).toHaveTextContent(
      '2 pieces, 40 s, 1 of 2 tries, loved it',
    );
  });
  it('says when it guesses, and when nothing can be taken', async () => {
    open({
      ...PAGE,
      rests: { children: 2, answers: 3, levels: 0, isGuess: true, help: [3, 2, 1] },
      whatNext: { ...PAGE.whatNext, next: null, easier: null },
    });
    expect(await screen.findByText(/No kit that is in, clean and whole fits/)).toBeVisible();
    expect(screen.getByText(/A guess so far: there are too few notes/)).toBeVisible();
    expect(screen.getByText(/A guess by bits: 3 answers of 2 children/)).not.toBeVisible();
  });
});

it('a group shows who is where, what is too hard for all, and what to make', async () => {
  const page: GroupPage = {
    group: 'G',
    children: ['G-04', 'G-07'],
    designs: [
      {
        designId: 1,
        design: 'Drop tub',
        skill: 'Pincer and release',
        says: 'too hard',
        places: [{ child: 'G-04', alone: null, last: 'Snug slot' }],
      },
      {
        designId: 2,
        design: 'Ring post',
        skill: 'Two hands together',
        says: null,
        places: [{ child: 'G-07', alone: 'Any order', last: 'In order' }],
      },
    ],
    make: [
      {
        designId: 3,
        design: 'Slide',
        skill: 'Hand strength',
        level: 'Wide',
        suits: 2,
        check: { verdict: 'clear', title: null, words: null },
      },
    ],
    isGuess: true,
  };
  answer({
    'GET /place': PLACE,
    'GET /groups': [{ group: 'G', children: 2, notes: 3 }],
    'GET /groups/G/page': page,
  });
  show(
    <Routes>
      <Route path="/watch/groups/:group?" element={<Group />} />
    </Routes>,
    '/watch/groups',
  );
  const table = await screen.findByRole('table', { name: 'Ladders of G' });
  expect(within(table).getByRole('row', { name: /Drop tub/ })).toHaveTextContent(
    'nobody manages it alone yetSnug slot, with help–',
  );
  expect(within(table).getByRole('row', { name: /Ring post/ })).toHaveTextContent('–Any order');
  expect(screen.getByRole('list', { name: 'Make next for G' })).toHaveTextContent(
    'Slide, “Wide”Make itHand strength: suits 2 of 2 children',
  );
  expect(screen.getByText(/A guess/)).toBeVisible();
});
