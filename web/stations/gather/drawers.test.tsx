import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Lot } from '../../../contract/lots.ts';
import { answer, CAP, OFFERS, PLACE, show, SUPPLIERS, TUB } from '../../testing/desk.tsx';
import { takeUploads } from '../../testing/uploads.ts';
import { candidatesOf, firstLook } from './candidates.ts';
import { Component as Files } from './Files.tsx';
import Toasts from '../../parts/Toasts.tsx';
import { LotList } from './LotList.tsx';
import { Component as LookOver } from './LookOver.tsx';
import { turned } from './Questions.tsx';
import { Component as Prices } from './Prices.tsx';

// Charts are drawn in the browser tests; here their library would only cost time.
globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};

const LOT: Lot = {
  id: 4,
  version: 2,
  materialId: 2,
  quantity: 5,
  came: 5,
  cameOn: PLACE.today,
  from: 'Teal Skiff',
  state: 'clean first',
  readyOn: null,
  reason: 'Wash in hot soapy water, rinse, air dry.',
  sizes: {},
  look: null,
};
const found = (part: object) => ({
  lot: { ...LOT, state: 'ready', ...part },
  material: 'Cap',
  outcome: 'keep',
  until: null,
  reasons: [],
});

describe('a look over a find', () => {
  const open = () => {
    const calls = answer({
      'GET /materials': [CAP, TUB],
      'GET /place': PLACE,
      'GET /lots': [],
      'POST /finds': (b: { quantity: number }) => [201, found({ came: b.quantity })],
    });
    show(<LookOver />);
    return calls;
  };
  const pick = async (name: string): Promise<void> => {
    const wish = await screen.findByRole('searchbox', { name: 'What is it?' });
    await userEvent.type(wish, `${name}{Enter}`);
    await screen.findByRole('status', { name: 'Outcome' });
  };

  it('goes in with its name and two presses of Enter, and again, five more', async () => {
    const calls = open();
    await pick('cap 2');
    await waitFor(() => expect(screen.getByLabelText('How is it?')).toHaveFocus());
    await userEvent.keyboard('{Enter}');
    expect(await screen.findByText(/5 ×|1 × Cap/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Same again, 5 more' }));
    await waitFor(() => expect(calls).toHaveLength(2));
    expect(calls[0]!.body).toMatchObject({
      materialId: 2,
      quantity: 1,
      look: { clean: 'clean', sharp: 'no' },
    });
    expect(calls[1]!.body).toMatchObject({ materialId: 2, quantity: 5 });
  });
  it('lets one go on to the next find before the last one is in, and takes nothing from it when it is', async () => {
    let arrive = (): void => {};
    const held = new Promise<void>((go) => (arrive = go));
    const calls = answer({
      'GET /materials': [CAP, TUB],
      'GET /place': PLACE,
      'GET /lots': [],
      'POST /finds': async (b: { quantity: number }) => {
        if (b.quantity === 5) await held;
        return [201, found({ came: b.quantity })];
      },
    });
    show(<LookOver />);
    await pick('cap 2');
    await userEvent.keyboard('{Enter}');
    await userEvent.click(await screen.findByRole('button', { name: 'Same again, 5 more' }));
    await pick('take-away box');
    await userEvent.keyboard('1');
    expect(screen.getByRole('status', { name: 'Outcome' })).toHaveTextContent('Clean it first');
    arrive();
    expect(await screen.findByText('5 × Cap:')).toBeVisible();
    // What was begun stays, and goes in as it was answered, once for two presses.
    expect(screen.getByRole('status', { name: 'Outcome' })).toHaveTextContent('Clean it first');
    await userEvent.keyboard('{Enter}{Enter}');
    await waitFor(() => expect(calls).toHaveLength(3));
    expect(calls[2]!.body).toMatchObject({ catalogue: 'takeaway-box', look: { clean: 'dusty' } });
    await waitFor(() => expect(screen.getByRole('searchbox', { name: 'What is it?' })).toHaveFocus(), {
      timeout: 30_000,
    });
    expect(calls).toHaveLength(3);
  });
  it('turns answers by number, and says at once what becomes of it', async () => {
    const calls = open();
    await pick('take-away box');
    const outcome = screen.getByRole('status', { name: 'Outcome' });
    expect(outcome).toHaveTextContent('Keep it');
    await waitFor(() => expect(screen.getByLabelText('How is it?')).toHaveFocus());
    await userEvent.keyboard('1');
    expect(outcome).toHaveTextContent('Clean it first');
    await userEvent.click(screen.getByRole('radio', { name: 'raw meat or fish' }));
    expect(outcome).toHaveTextContent('Never on the shelf');
    await userEvent.click(screen.getByRole('button', { name: 'Refuse it' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toMatchObject({
      catalogue: 'takeaway-box',
      look: { clean: 'dusty', held: 'raw meat or fish' },
    });
  });
  it('is not sent without a count', async () => {
    const calls = open();
    await pick('take-away box');
    await userEvent.clear(screen.getByRole('textbox', { name: 'How many' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save the find' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Expected at least 1');
    expect(calls).toEqual([]);
  });
  it('is measured where it is not as usual, and not sent while a size cannot be read', async () => {
    const calls = open();
    await pick('take-away box');
    await userEvent.click(screen.getByText('Measured it?'));
    expect(screen.getByText(/Left empty it counts as the usual 172 × 120 × 55 mm/)).toBeVisible();
    const across = screen.getByRole('textbox', { name: 'Length' });
    await userEvent.type(across, 'about 7"');
    await userEvent.click(screen.getByRole('button', { name: 'Save the find' }));
    expect(across).toHaveFocus();
    expect(calls).toEqual([]);
    await userEvent.clear(across);
    await userEvent.type(across, '7"{Enter}');
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toMatchObject({ catalogue: 'takeaway-box', sizes: { length: 177.8 } });
  });
  it('offers the shelf first, the latest at the top, then the catalogue, nothing twice', () => {
    const named = { ...CAP, catalogue: 'milk-cap' };
    const all = candidatesOf([TUB, named], [LOT]);
    expect(all[0]!.id).toBe(2);
    expect(all.filter((c) => c.key === 'milk-cap')).toHaveLength(1);
    expect(new Set(all.map((c) => c.words)).size).toBe(all.length);
    const tube = all.find((c) => c.key === 'toilet-tube')!;
    expect(firstLook(tube)).toMatchObject({ held: 'toilet roll', closes: 'has no lid' });
    expect(turned(firstLook(tube), 'crushed').crushed).toBe('a little');
    expect(turned({ ...firstLook(tube), crushed: 'flat' }, 'crushed').crushed).toBe('no');
  });
});

describe('lots', () => {
  it('are cleaned, measured and taken back', async () => {
    const calls = answer({
      'GET /lots?material=2': [
        LOT,
        { ...LOT, id: 3, cameOn: '2026-10-01', state: 'resting', readyOn: '2026-10-04' },
      ],
      'PUT /lots/4': LOT,
      'DELETE /lots/4': [204, null],
    });
    show(
      <>
        <LotList material={CAP} unit="mm" today={PLACE.today} />
        <Toasts />
      </>,
    );
    expect(await screen.findByText('quarantined until 4 Oct: ready')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'It is clean' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toEqual({ version: 2, state: 'ready' });
    await userEvent.click(screen.getAllByRole('button', { name: 'Measure and count' })[0]!);
    await userEvent.type(screen.getByRole('textbox', { name: 'Across' }), '3.85 cm');
    await userEvent.clear(screen.getByRole('textbox', { name: 'Left' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Left' }), '4');
    await userEvent.tab();
    await userEvent.click(screen.getByRole('button', { name: 'Save the lot' }));
    await waitFor(() => expect(calls).toHaveLength(2));
    expect(calls[1]!.body).toEqual({ version: 2, quantity: 4, sizes: { diameter: 38.5 } });
    // Only today's entry can be a slip of the finger.
    const [only, ...others] = screen.getAllByRole('button', { name: 'Delete' });
    expect(others).toEqual([]);
    // It is hidden at once and can be brought back for a while; nothing is deleted until then.
    await userEvent.click(only!);
    expect(screen.queryByRole('button', { name: 'Delete' })).toBeNull();
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    expect(screen.getAllByRole('button', { name: 'Delete' })).toHaveLength(1);
    expect(calls.map((c) => c.method)).toEqual(['PUT', 'PUT']);
  });
});

describe('files', () => {
  const preview = {
    id: 'a'.repeat(24),
    kind: 'materials',
    rows: 2,
    faulty: 0,
    faults: [],
    adds: 1,
    changes: 1,
    columns: ['name', 'form'],
    sample: [['Cap', 'disc']],
  };
  const file = new File(['name,form'], 'shelf.csv', { type: 'text/csv' });
  const serve = (first: unknown, confirmed: unknown) => {
    takeUploads(first);
    return answer({ 'GET /place': PLACE, 'POST /files/confirm': confirmed });
  };

  it('are read, shown, and written when one says so', async () => {
    const calls = serve(preview, { kind: 'materials', added: 1, changed: 1 });
    show(<Files />);
    await userEvent.upload(await screen.findByLabelText('CSV file'), file);
    expect(await screen.findByText('1 new, 1 change what is there. Nothing is written yet.')).toBeVisible();
    expect(calls).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Write all 2' }));
    expect(await screen.findByText(/1 materials added, 1 changed/)).toBeVisible();
    expect(calls[0]!.body).toEqual({ id: 'a'.repeat(24) });
  });
  it('show each fault, and cannot be written then', async () => {
    const faults = [{ row: 3, column: 'height', value: 'tall', message: '“tall” is not a length' }];
    serve({ ...preview, faulty: 1, faults }, null);
    show(<Files />);
    await userEvent.upload(await screen.findByLabelText('CSV file'), file);
    const row = await screen.findByRole('row', { name: /3 height tall/ });
    expect(within(row).getByText('“tall” is not a length')).toBeVisible();
    expect(screen.queryByRole('button', { name: /Write all/ })).toBeNull();
  });
  it('of families and notes go out for a manager alone, and the others are told so', async () => {
    const person = { id: 2, name: 'Designer', role: 'designer' };
    answer({
      'GET /place': PLACE,
      'GET /session': { needed: true, isFixed: true, isFirst: false, lost: 0, person },
    });
    show(<Files />);
    expect(await screen.findAllByText('for a manager')).toHaveLength(2);
    expect(screen.queryByRole('link', { name: /Families|Notes/ })).toBeNull();
    expect(screen.getByRole('link', { name: 'Materials as CSV' })).toBeVisible();
  });
  it('say plainly why one was refused', async () => {
    const errors = [{ path: 'file', message: 'it holds binary data; expected CSV as plain text' }];
    serve(
      [
        415,
        { type: '', title: '', status: 415, detail: 'The file was not read: it holds binary data.', errors },
      ],
      null,
    );
    show(<Files />);
    await userEvent.upload(await screen.findByLabelText('CSV file'), file);
    expect(await screen.findByRole('alert')).toHaveTextContent('shelf.csv: The file was not read');
  });
});

describe('prices', () => {
  it('stand beside what they were, and a sold-out pack says so', async () => {
    const calls = answer({
      'GET /offers': [{ ...OFFERS[0]!, inStock: false, shopKey: 'caps' }],
      'GET /suppliers': SUPPLIERS,
      'GET /materials': [CAP, TUB],
      'GET /place': PLACE,
      'GET /prices': [
        { offerId: 5, seenOn: '2026-11-02', price: 240, inStock: true },
        { offerId: 5, seenOn: '2026-11-16', price: 210, inStock: false },
      ],
      'GET /shop': { day: '2026-11-23', packs: [] },
      'POST /shop/refresh': {
        followed: 1,
        lists: 2,
        changed: [
          { offerId: 5, name: 'Caps, 18', before: 210, after: 195, inStock: true, wasInStock: false },
        ],
      },
    });
    show(<Prices />);
    const row = await screen.findByRole('row', { name: /Caps, 18/ });
    for (const text of ['2.10', '2.40', 'sold out']) expect(row).toHaveTextContent(text);
    await userEvent.click(screen.getByRole('button', { name: 'Read the shop’s lists' }));
    expect(await screen.findByText(/£2.10 to £1.95 back in stock/)).toBeVisible();
    expect(calls[0]).toMatchObject({ path: '/shop/refresh' });
  });
});
