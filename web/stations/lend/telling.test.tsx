import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Reservation } from '../../../contract/lending.ts';
import type { MessageWords, Telling } from '../../../contract/telling.ts';
import { SHIPPED_MESSAGES } from '../../../core/lend/telling.ts';
import { answer, COPY, PLACE, show } from '../../testing/desk.tsx';
import { HandOn, Renew, Reserve, Reserved } from './LoanMore.tsx';
import { Component as Tell } from './Tell.tsx';

const DORY = {
  id: 4,
  name: 'Amber Dory',
  group: 'Gulls',
  allergies: [],
  mail: null,
  youngest: null,
  born: null,
  mouths: false,
  language: null,
  version: 1,
  aim: null,
  children: [],
};
const SKIFF = {
  id: 5,
  name: 'Teal Skiff',
  group: 'Gulls',
  allergies: [],
  mail: null,
  youngest: null,
  born: null,
  mouths: false,
  language: null,
  version: 1,
  aim: null,
  children: [],
};
const OUT = {
  ...COPY,
  openLoan: { id: 9, borrowerId: 4, borrower: 'Amber Dory', lentOn: '2026-11-10', dueOn: '2026-11-30' },
};
const LATE: Telling = {
  borrowerId: 4,
  borrower: 'Amber Dory',
  items: [{ of: 'late', kit: 'Drop tub', label: 'FB-001a', day: '2026-11-20' }],
  language: 'en',
  subject: 'Drop tub was due back',
  words: 'Hello Amber Dory,\n\nDrop tub (FB-001a) was due back.',
  mail: null,
  told: null,
};

const WORDS: MessageWords = { version: 3, shipped: SHIPPED_MESSAGES, own: {} };

describe('telling families', () => {
  const open = (list: Telling[], more: Record<string, unknown> = {}) => {
    const calls = answer({
      'GET /place': PLACE,
      'GET /tellings': list,
      'GET /message-words': WORDS,
      'GET /outbox': { isSimulated: true, from: 'fox-button@localhost', mails: [] },
      ...more,
    });
    show(<Tell />, '/lend/tell');
    return calls;
  };
  it('shows each message, and keeps that a family was told', async () => {
    const calls = open([LATE], { 'POST /tellings': { ...LATE, told: { on: '2026-11-24', by: 'said' } } });
    const card = await screen.findByRole('article', { name: 'Message to Amber Dory' });
    expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('1 family to tell, 1 not told yet');
    expect(card).toHaveTextContent('Drop tub (FB-001a) was due back.');
    expect(within(card).getByRole('link', { name: 'Open in my mail program' })).toHaveAttribute(
      'href',
      '/api/tellings/4/mail.eml?language=en',
    );
    await userEvent.click(within(card).getByRole('button', { name: 'Told in person' }));
    await waitFor(() =>
      expect(calls).toEqual([
        { method: 'POST', path: '/tellings', body: { borrowerId: 4, by: 'said', language: 'en' } },
      ]),
    );
  });
  it('marks as printed only those that were not told', async () => {
    const calls = open([LATE, { ...LATE, borrowerId: 5, told: { on: '2026-11-23', by: 'printed' } }], {
      'POST /tellings': LATE,
    });
    expect(await screen.findByText('Told on paper on 23 Nov.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'All pages were given' }));
    // A page that lies in the printer tells nobody.
    expect(calls).toEqual([]);
    const asked = screen.getByRole('alertdialog', { name: 'Was 1 page given to the families?' });
    await userEvent.click(within(asked).getByRole('button', { name: '1 page was given' }));
    await waitFor(() => expect(calls.map((c) => c.body)).toMatchObject([{ borrowerId: 4, by: 'printed' }]));
  });
  it('mails those whose address is known, and shows what the server did not take', async () => {
    const mail = {
      id: 3,
      borrowerId: 4,
      borrower: 'Amber Dory',
      to: 'dory@quay.example',
      subject: 'Drop tub was due back',
      state: 'waiting',
      madeOn: '2026-11-24',
      sentOn: null,
      tries: 1,
      problem: '550 no mailbox',
    };
    const outbox = { isSimulated: true, from: 'fox-button@localhost', mails: [mail] };
    const calls = open(
      [
        { ...LATE, mail: 'dory@quay.example' },
        { ...LATE, borrowerId: 5 },
      ],
      {
        'GET /outbox': outbox,
        'POST /outbox': outbox,
        'POST /outbox/deliver': outbox,
        'DELETE /outbox/3': null,
      },
    );
    await userEvent.click(await screen.findByRole('button', { name: 'Send 1 mail' }));
    const asked = screen.getByRole('alertdialog', { name: 'Mail 1 family?' });
    expect(asked).toHaveTextContent('nothing leaves this machine, and nobody is told');
    await userEvent.click(within(asked).getByRole('button', { name: 'Send 1 mail' }));
    const panel = screen.getByRole('region', { name: 'Outbox' });
    expect(await within(panel).findByText('not taken at the first try: 550 no mailbox')).toBeVisible();
    await userEvent.click(within(panel).getByRole('button', { name: 'Send 1 again' }));
    await userEvent.click(within(panel).getByRole('button', { name: 'Take mail 3 to Amber Dory back' }));
    await waitFor(() =>
      expect(calls.map((c) => [c.method, c.path, c.body])).toEqual([
        ['POST', '/outbox', { borrowerIds: [4] }],
        ['POST', '/outbox/deliver', {}],
        ['DELETE', '/outbox/3', undefined],
      ]),
    );
  });
  it('is put in the place’s own words, and goes back to the shipped ones', async () => {
    let own: MessageWords['own'] = {};
    const calls = open([], {
      'GET /message-words': () => ({ ...WORDS, own }),
      'PUT /message-words': (b: unknown) => {
        ({ own } = b as MessageWords);
        return { ...WORDS, version: 4, own };
      },
    });
    await userEvent.click(await screen.findByRole('button', { name: 'English' }));
    const hello = screen.getByRole('textbox', { name: /^How it begins/ });
    expect(hello).toHaveValue('Hello {family},');
    await userEvent.clear(hello);
    await userEvent.type(hello, 'Dear {{family},');
    await userEvent.click(screen.getByRole('button', { name: 'Keep these words' }));
    // Only what differs is kept: the rest goes on as shipped.
    await waitFor(() =>
      expect(calls[0]!.body).toEqual({ version: 3, own: { en: { hello: 'Dear {family},' } } }),
    );
    await userEvent.click(await screen.findByRole('button', { name: 'As shipped' }));
    await waitFor(() => expect(calls[1]!.body).toMatchObject({ own: { en: {} } }));
  });
  it('says so when there is nothing to tell', async () => {
    open([]);
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('No family needs a message');
  });
});

describe('more of a loan', () => {
  it('renews from the day it is due', async () => {
    const calls = answer({ 'POST /loans/9/renew': { dueOn: '2026-12-14' } });
    show(<Renew loan={OUT.openLoan} place={PLACE} />);
    await userEvent.click(screen.getByRole('button', { name: 'Renew it' }));
    await waitFor(() => expect(calls[0]?.body).toEqual({ dueOn: '2026-12-14' }));
  });
  it('hands on only what was counted and cleaned, to another family', async () => {
    const calls = answer({ 'POST /loans/9/hand-on': { id: 10 } });
    show(<HandOn kit={OUT} borrowers={[DORY, SKIFF]} place={PLACE} />);
    const hand = screen.getByRole('button', { name: 'Hand it on' });
    await userEvent.click(screen.getByRole('button', { name: /To the family/ }));
    expect(screen.queryByRole('option', { name: /Amber Dory/ })).toBeNull();
    await userEvent.click(screen.getByRole('option', { name: /Teal Skiff/ }));
    expect(hand).toBeDisabled();
    await userEvent.click(screen.getByRole('checkbox', { name: 'Counted, all there' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'Cleaned here and now' }));
    await userEvent.click(hand);
    await waitFor(() =>
      expect(calls[0]?.body).toEqual({
        present: [1, 8],
        then: 'shelve',
        borrowerId: 5,
        dueOn: '2026-12-08',
        cleaned: true,
      }),
    );
  });
  it('reserves, says why not, and lists what is kept for whom', async () => {
    const kept: Reservation = {
      id: 3,
      borrowerId: 5,
      borrower: 'Teal Skiff',
      designId: 1,
      bundleId: null,
      kit: 'Drop tub',
      madeOn: '2026-11-20',
      ready: 'FB-001b',
    };
    const calls = answer({
      'POST /reservations': [409, { status: 409, detail: 'It is kept for Teal Skiff already.', errors: [] }],
      'GET /reservations': [kept, { ...kept, id: 4, borrower: 'Amber Dory', ready: null }],
      'DELETE /reservations/4': null,
    });
    const chosen: string[] = [];
    show(
      <>
        <Reserve kit={COPY} borrowers={[SKIFF]} />
        <Reserved onChoose={(label) => chosen.push(label)} />
      </>,
    );
    await userEvent.click(screen.getByRole('button', { name: /For the family/ }));
    await userEvent.click(screen.getByRole('option', { name: /Teal Skiff/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Reserve it' }));
    expect(await screen.findByText('It is kept for Teal Skiff already.')).toBeVisible();
    const list = screen.getByRole('list', { name: 'Reserved' });
    expect(list).toHaveTextContent('Amber Dory: Drop tubsince 20 Nov, none is in');
    await userEvent.click(within(list).getByRole('button', { name: 'Lend' }));
    expect(chosen).toEqual(['FB-001b']);
    await userEvent.click(within(list).getAllByRole('button', { name: 'Drop' })[1]!);
    await waitFor(() => expect(calls.some((c) => c.path === '/reservations/4')).toBe(true));
  });
});

it('many families come by the page, and the heading counts them all', async () => {
  const many = Array.from({ length: 95 }, (_, i): Telling => ({
    borrowerId: i + 1,
    borrower: `Boat ${i + 1}`,
    items: [{ of: 'soon', kit: 'Drop tub', label: `FB-${i}a`, day: '2026-11-26' }],
    language: 'en',
    mail: null,
    subject: `Boat ${i + 1}`,
    words: 'It is due.',
    told: null,
  }));
  answer({
    'GET /place': PLACE,
    'GET /message-words': WORDS,
    'GET /tellings': many,
    'GET /outbox': { isSimulated: true, from: '', mails: [] },
  });
  show(<Tell />);
  expect(await screen.findByRole('heading', { name: /95 families to tell, 95 not told yet/ })).toBeVisible();
  expect(
    screen.getByText('40 of 95 families are shown; papers and mails are for all of them.'),
  ).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Show 40 more' }));
  await userEvent.click(screen.getByRole('button', { name: 'Show 15 more' }));
  expect(screen.queryByRole('button', { name: /^Show \d+ more/ })).toBeNull();
});
