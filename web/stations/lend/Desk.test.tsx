import { cleanup, screen, waitFor, within } from '@testing-library/react';
import type { BenchDesign } from '../../../core/needs/supply.ts';
import type { Part } from '../../../contract/lending.ts';
import { wholeNeed } from '../../../core/testing.ts';
import userEvent from '@testing-library/user-event';
import { answer, BEAD, CAP, COPY, PLACE, show, TUB } from '../../testing/desk.tsx';
import { Desk } from './Desk.tsx';

const families = [
  {
    id: 1,
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
  },
  {
    id: 2,
    name: 'Grey Punt',
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
  },
];
const lent = {
  ...COPY,
  openLoan: { id: 4, borrowerId: 2, borrower: 'Grey Punt', lentOn: '2026-11-06', dueOn: '2026-11-20' },
};
/** What stood on the desk after each thing that was done. */
let said: string[] = [];
beforeEach(() => (said = []));
const desk = (kit = COPY, materials = [TUB, CAP], bench: BenchDesign[] | undefined = []) => {
  const unfinished: boolean[] = [];
  show(
    <Desk
      kit={kit}
      borrowers={families}
      materials={materials}
      bench={bench}
      place={PLACE}
      onUnfinished={(u) => unfinished.push(u)}
      onDone={(done) => said.push(done.words)}
    />,
  );
  return unfinished;
};
const less = (part: string) => userEvent.click(screen.getByRole('button', { name: `${part}: one less` }));

const part = (materialId: number, name: string, due: number, present: number): Part => ({
  materialId,
  name,
  use: 'piece',
  due,
  present,
  takes: 1,
});

test('what a plan has for a kit is lent as planned by one touch', async () => {
  const planned = {
    plan: 'Winter term',
    borrowerId: 2,
    borrower: 'Grey Punt',
    kitId: COPY.id,
    label: COPY.label,
    kit: COPY.design,
    day: '2026-11-24',
    due: '2026-12-20',
  };
  const calls = answer({ 'GET /term-plans/now': [planned], 'POST /loans': { id: 1 } });
  desk();
  await userEvent.click(await screen.findByRole('button', { name: 'Lend it as planned' }));
  await waitFor(() =>
    expect(calls.map((c) => c.body)).toEqual([{ kitId: COPY.id, borrowerId: 2, dueOn: '2026-12-20' }]),
  );
  await waitFor(() => expect(said).toEqual(['Grey Punt has FB-001a until 20 Dec.']));
});

test('by keyboard alone the next Tab goes on from the kit that was opened', async () => {
  answer({});
  desk(lent);
  expect(screen.getByRole('heading', { name: 'Drop tub' })).toHaveFocus();
  await userEvent.tab();
  expect(screen.getByRole('button', { name: 'Cap: one less' }).closest('ul')).toContainElement(
    document.activeElement as HTMLElement,
  );
});

describe('one too many', () => {
  it('goes home to another kit that misses one', async () => {
    const piece = (label: string, isHere = true) => ({
      kitId: 20,
      label,
      kit: 'Limpet lid slide',
      part: 1,
      name: 'Cap',
      materialId: 2,
      missing: 1,
      isHere,
    });
    const calls = answer({
      'GET /pieces/missing': [piece('FB-002a'), { ...piece('FB-002c', false), kitId: 21 }],
      'POST /kits/20/found': { ...COPY, label: 'FB-002a' },
    });
    desk(lent);
    await userEvent.click(screen.getByText('An extra piece?'));
    const list = await screen.findByRole('list', { name: 'Kits that miss it' });
    expect(list).toHaveTextContent('it is out: put it in when it comes back');
    await userEvent.click(within(list).getByRole('button', { name: 'One Cap home to FB-002a' }));
    await waitFor(() => expect(calls[0]!.body).toEqual({ part: 1, count: 1 }));
    await userEvent.type(screen.getByRole('textbox', { name: 'What is it?' }), 'peg');
    expect(await screen.findByText(/No kit misses that/)).toBeVisible();
  });
});

describe('lending', () => {
  it('lends for as long as the place lends', async () => {
    const calls = answer({ 'POST /loans': { id: 1 } });
    desk();
    expect(screen.getByText(/1 × Tub, 8 × Cap · counted 20 Nov/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Lend to/ }));
    await userEvent.click(screen.getByRole('option', { name: /Grey Punt/ }));
    const due = screen.getByRole('group', { name: 'Back on' });
    expect(
      within(due)
        .getAllByRole('spinbutton')
        .map((p) => p.textContent),
    ).toEqual(['08', '12', '2026']);
    await userEvent.click(screen.getByRole('button', { name: 'Lend it' }));
    await waitFor(() =>
      expect(calls).toEqual([
        { method: 'POST', path: '/loans', body: { kitId: 7, borrowerId: 2, dueOn: '2026-12-08' } },
      ]),
    );
  });

  it('lends several kits to one family at once, scanned into their own field', async () => {
    const other = { ...COPY, id: 8, label: 'FB-001b' };
    const out = { ...lent, id: 9, label: 'FB-001c' };
    const calls = answer({
      'POST /loans/together': [201, []],
      'GET /kits?label=FB-001b': [other],
      'GET /kits?label=FB-001c': [out],
      'GET /kits?label=FB-009z': [],
    });
    desk();
    const field = screen.getByRole('textbox', { name: 'Another kit with it' });
    await userEvent.type(field, 'fb 1b{Enter}');
    expect(await screen.findByRole('list', { name: 'Lent with it' })).toHaveTextContent('FB-001b');
    await userEvent.type(field, 'FB-001c{Enter}');
    expect(await screen.findByText('FB-001c cannot be lent now: it is late.')).toBeVisible();
    await userEvent.clear(field);
    await userEvent.type(field, 'FB-009z{Enter}');
    expect(await screen.findByText('No kit has the label FB-009z.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Lend to/ }));
    await userEvent.click(screen.getByRole('option', { name: /Grey Punt/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Lend 2 kits' }));
    await waitFor(() =>
      expect(calls.at(-1)).toEqual({
        method: 'POST',
        path: '/loans/together',
        body: { kitIds: [7, 8], borrowerId: 2, dueOn: '2026-12-08' },
      }),
    );
  });
  it('lends nothing that is short: it is counted first', async () => {
    const calls = answer({ 'POST /kits/7/count': COPY });
    const short = COPY.parts.map((p, i) => (i === 1 ? { ...p, present: p.due - 1 } : p));
    desk({ ...COPY, parts: short });
    expect(screen.getByText(/It is not whole\. Count it/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Lend it' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Leave it missing' }));
    await waitFor(() =>
      expect(calls[0]).toMatchObject({
        path: '/kits/7/count',
        body: { present: short.map((p) => p.present), then: 'write off' },
      }),
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
      'POST /borrowers': {
        id: 9,
        name: 'Plum Wherry',
        group: 'Seals',
        allergies: [],
        mail: null,
        youngest: null,
        born: null,
        mouths: false,
        language: null,
        version: 1,
        aim: null,
        children: [],
      },
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

afterEach(() => localStorage.clear());

describe('taking back', () => {
  it('keeps a count that was begun, through leaving it, until it is done or begun anew', async () => {
    const calls = answer({ 'POST /loans/4/return': COPY });
    desk(lent);
    await less('Cap');
    cleanup();
    desk(lent);
    expect(screen.getByText('This count was begun before.')).toBeVisible();
    expect(screen.getByText('1 × Cap short')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Start again' }));
    expect(screen.queryByText('1 × Cap short')).toBeNull();
    cleanup();
    desk(lent);
    expect(screen.queryByText('This count was begun before.')).toBeNull();
    await less('Cap');
    await userEvent.click(screen.getByRole('button', { name: 'To repair' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    await waitFor(() => expect(localStorage).toHaveLength(0));
  });
  it('says how long it was out and how late it is', () => {
    desk(lent);
    expect(screen.getByText(/for 18 days/)).toHaveTextContent('4 days overdue');
  });

  it('takes a whole kit back in one press', async () => {
    const calls = answer({ 'POST /loans/4/return': COPY });
    desk(lent);
    await userEvent.click(screen.getByRole('button', { name: 'All there: take it back' }));
    await waitFor(() => expect(said).toEqual(['FB-001a is back from Grey Punt. All there.']));
    await waitFor(() =>
      expect(calls[0]).toEqual({
        method: 'POST',
        path: '/loans/4/return',
        body: { present: [1, 8], then: 'shelve' },
      }),
    );
  });

  it.each([
    ['Fill from stock', 'fill'],
    ['To repair', 'repair'],
    ['Leave it missing', 'write off'],
    ['Ask for it back', 'ask back'],
  ])('with two caps missing, “%s” sends %s', async (button, then) => {
    const calls = answer({ 'POST /loans/4/return': COPY });
    desk(lent);
    await less('Cap');
    await less('Cap');
    expect(screen.getByText('2 × Cap short')).toBeVisible();
    expect(screen.getByText(/9 free on the shelf/)).toHaveTextContent('A loose cap is not a small part.');
    await userEvent.click(screen.getByRole('button', { name: button }));
    await waitFor(() => expect(calls[0]!.body).toEqual({ present: [1, 6], then }));
  });

  it('tells what is spoiled from what is lost: only what is lost is asked back', async () => {
    const calls = answer({ 'POST /loans/4/return': COPY });
    desk(lent);
    await less('Cap');
    await less('Cap');
    await userEvent.click(screen.getByRole('button', { name: 'Spoiled: Cap: one more' }));
    expect(screen.getByRole('button', { name: 'Ask for it back' })).toBeEnabled();
    await userEvent.click(screen.getByRole('button', { name: 'Spoiled: Cap: one more' }));
    expect(screen.getByRole('button', { name: 'Ask for it back' })).toBeDisabled();
    // One of the two is there after all.
    await userEvent.click(screen.getByRole('button', { name: 'Cap: one more' }));
    await userEvent.click(screen.getByRole('button', { name: 'To repair' }));
    await waitFor(() => expect(calls[0]!.body).toEqual({ present: [1, 7], spoiled: [0, 1], then: 'repair' }));
  });

  it('writes nothing off that is gone altogether', async () => {
    desk(lent);
    await less('Tub');
    expect(screen.getByRole('button', { name: 'Leave it missing' })).toBeDisabled();
  });

  it('counts as spare only what no design on the bench holds', async () => {
    const held = {
      id: 9,
      name: 'Squeeze seal',
      copies: 1,
      made: 0,
      needs: [wholeNeed('piece', 2, 8, { name: 'Cap' })],
    };
    desk(lent, [TUB, CAP], [held]);
    await less('Cap');
    await less('Cap');
    // Nine are kept, eight of them held: one is free, and two are missing.
    expect(screen.getByText(/1 free on the shelf/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'Fill from stock' })).toBeDisabled();
  });

  it('moves no button when what is free becomes known', async () => {
    answer({});
    const show1 = (bench: BenchDesign[] | undefined) => (
      <Desk
        kit={lent}
        borrowers={families}
        materials={[TUB, CAP]}
        bench={bench}
        place={PLACE}
        onUnfinished={() => {}}
        onDone={() => {}}
      />
    );
    const { rerender } = show(show1(undefined));
    await less('Cap');
    const names = () => screen.getAllByRole('button').map((b) => b.textContent);
    const before = names();
    expect(screen.getByText(/Counting what is free/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'Fill from stock' })).toBeDisabled();
    rerender(show1([]));
    expect(screen.getByRole('button', { name: 'Fill from stock' })).toBeEnabled();
    expect(names()).toEqual(before);
  });

  it('tells when a count was begun, and that it was not when it is as it was', async () => {
    const unfinished = desk(lent);
    expect(unfinished.at(-1)).toBe(false);
    await less('Cap');
    expect(unfinished.at(-1)).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: 'Cap: one more' }));
    expect(unfinished.at(-1)).toBe(false);
  });

  it('shows what was missing before, what was done about it and where it came from', async () => {
    answer({
      'GET /kits/7/history': {
        loans: [
          {
            id: 4,
            kitId: 7,
            borrowerId: 2,
            lentOn: '2026-09-01',
            dueOn: '2026-09-15',
            returnedOn: '2026-09-14',
            label: 'FB-001a',
            design: 'Drop tub',
            borrower: 'Grey Punt',
            count: {
              id: 1,
              countedOn: '2026-09-14',
              loanId: 4,
              parts: [part(2, 'Cap', 8, 6)],
              outcome: 'fill',
              filled: [
                {
                  materialId: 2,
                  name: 'Cap',
                  quantity: 2,
                  lots: [{ lotId: 3, quantity: 2, from: 'Teal Skiff', cameOn: '2026-08-02' }],
                },
              ],
            },
          },
        ],
        undone: [],
        events: [{ id: 1, on: '2026-09-15', what: 'cleaned', by: '', why: '' }],
        counts: [],
      },
    });
    desk();
    await userEvent.click(screen.getByText('History of FB-001a'));
    expect(await screen.findByText(/2 × Cap missing; filled from stock/)).toHaveTextContent(
      '2 × Cap missing; filled from stock: 2 × Cap from the lot of 2 Aug (Teal Skiff)',
    );
  });

  it('does not offer spares that are not there, and warns of a lost small part', async () => {
    const kit = { ...lent, parts: [part(3, 'Bead', 6, 6)] };
    desk(kit, [BEAD]);
    await less('Bead');
    expect(screen.getByRole('button', { name: 'Fill from stock' })).toBeDisabled();
    expect(screen.getByText(/A loose bead is a small part/)).toBeVisible();
  });

  it('claims nothing about a piece that has no solid shape or is gone from the shelf', async () => {
    desk({ ...lent, parts: [part(99, 'Bag', 1, 1)] });
    await less('Bag');
    expect(screen.getByText(/Whether a loose bag is a small part was not checked/)).toBeVisible();
  });

  it('counts a kit in repair and mends it', async () => {
    const calls = answer({ 'POST /kits/7/count': COPY });
    desk({ ...COPY, repair: true, parts: [part(2, 'Cap', 8, 7)] });
    await userEvent.click(screen.getByRole('button', { name: 'Fill from stock' }));
    await waitFor(() =>
      expect(calls[0]).toEqual({
        method: 'POST',
        path: '/kits/7/count',
        body: { present: [7], then: 'fill' },
      }),
    );
  });
});

describe('the check before a loan', () => {
  const stopped = {
    verdict: 'stop',
    youngest: 13,
    isTold: true,
    reasons: [
      { verdict: 'stop', rule: 'small-part', title: 'Small parts', where: 'Button', words: 'It goes in.' },
      { verdict: 'care', rule: 'cleaning', title: 'Cleaning', where: '', words: 'Wipe it.' },
    ],
    untested: [{ design: 'Drop tub', tests: ['pull'] }],
    isFirstLoan: true,
    hangs: [],
  };
  const open = (part: object = {}) => {
    const calls = answer({
      'GET /reservations': [],
      'GET /borrowers/2/history': { loans: [], undone: [] },
      'GET /kits/7/answer?borrowerId=2': stopped,
      'POST /loans': { id: 9, override: { by: 'Keeper', why: 'x', of: 'y' } },
      ...part,
    });
    desk();
    return calls;
  };
  const choose = async () => {
    await userEvent.click(screen.getByRole('button', { name: /Lend to/ }));
    await userEvent.click(await screen.findByRole('option', { name: /Grey Punt/ }));
  };
  it('says what stops it for that family, and lends it only with a reason and a name', async () => {
    const calls = open();
    await choose();
    const says = await screen.findByRole('region', { name: 'What the check says' });
    expect(await within(says).findByText('Small parts: Button')).toBeVisible();
    expect(within(says).getByText(/for Grey Punt, youngest 13 months/)).toBeVisible();
    expect(within(says).getByText(/Its first loan, and not tested yet:/)).toBeVisible();
    const lend = screen.getByRole('button', { name: 'Lend it' });
    expect(lend).toBeDisabled();
    await userEvent.click(screen.getByText('All the same, with a reason'));
    await userEvent.type(screen.getByLabelText('Why it may go to them all the same'), 'Seen at the clinic');
    expect(lend).toBeDisabled();
    await userEvent.type(screen.getByRole('textbox', { name: 'Decided by' }), 'Keeper');
    await userEvent.click(lend);
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toMatchObject({ override: { why: 'Seen at the clinic', by: 'Keeper' } });
  });
  it('is not overridden by somebody who only lends', async () => {
    open({
      'GET /session': {
        needed: true,
        isFixed: false,
        person: { id: 2, name: 'Desk', role: 'lender' },
        isFirst: false,
        lost: 0,
      },
    });
    await choose();
    expect(await screen.findByText(/Only a designer or a manager may go against the check/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'Lend it' })).toBeDisabled();
  });
  it('a kit that is called back says so while it is out', async () => {
    answer({ 'GET /reservations': [] });
    desk({ ...lent, recalled: 'its pull test failed on 2026-11-20 (Cap)' });
    expect(await screen.findByText(/while Grey Punt has it/)).toBeVisible();
  });
});
