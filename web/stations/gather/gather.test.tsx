import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answer, BEAD, CAP, OFFERS, PLACE, show, SUPPLIERS, TUB } from '../../testing/desk.tsx';
import { Component as Gather } from './Shelf.tsx';
import { MaterialForm } from './MaterialForm.tsx';
import { Packs } from './Packs.tsx';

const type = async (label: string, text: string): Promise<void> => {
  const box = screen.getByRole('textbox', { name: label });
  await userEvent.clear(box);
  await userEvent.type(box, text);
};

describe('the shelf', () => {
  const open = (at = '/gather') => {
    answer({
      'GET /materials': [TUB, CAP, BEAD],
      'GET /place': PLACE,
      'GET /offers': OFFERS,
      'GET /suppliers': SUPPLIERS,
    });
    return show(<Gather />, at);
  };
  it('hangs materials by form, counted and measured', async () => {
    open();
    expect(await screen.findByRole('button', { name: /Cap/ })).toHaveTextContent('9 kept 38 × 14 mm');
    expect(within(screen.getByRole('region', { name: 'Containers' })).getByRole('button')).toHaveTextContent(
      'Tub',
    );
    expect(screen.getByRole('button', { name: /Bead/ })).toHaveTextContent('none left');
    expect(screen.getByText(/3 kinds, 1 used up/)).toBeVisible();
  });
  it('finds by name, and says when there is none', async () => {
    open();
    await screen.findByRole('button', { name: /Cap/ });
    const find = screen.getByRole('searchbox', { name: 'Find' });
    await userEvent.type(find, 'bea');
    expect(screen.queryByRole('button', { name: /Cap/ })).toBeNull();
    await userEvent.clear(find);
    await userEvent.type(find, 'xyz');
    expect(screen.getByText(/Nothing on the shelf is “xyz”/)).toBeVisible();
  });
  it('opens the bin that the address names', async () => {
    open('/gather?material=1');
    expect(await screen.findByRole('heading', { name: 'Tub' })).toBeVisible();
  });
  it('says so when the desk does not answer', async () => {
    answer({});
    show(<Gather />);
    expect(await screen.findByRole('alert')).toHaveTextContent('nothing at GET /materials');
  });
});

describe('a material', () => {
  const form = (material: typeof CAP | null = CAP, unit: 'mm' | 'in' = 'mm') =>
    show(<MaterialForm material={material} unit={unit} onDone={() => {}} />);

  it('is put on the shelf as it was typed', async () => {
    const calls = answer({ 'POST /materials': { ...CAP, id: 9 } });
    form(null);
    await type('Name', 'Jar lid');
    await type('Across', '2 1/2"');
    await type('Height', '1.2 cm');
    await type('Kept', '4');
    await userEvent.click(screen.getByRole('checkbox', { name: 'loose liner' }));
    await userEvent.click(screen.getByRole('button', { name: 'Add to the shelf' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toMatchObject({
      name: 'Jar lid',
      form: 'disc',
      kept: 4,
      sizes: { diameter: 63.5, height: 12 },
      hazards: ['loose liner'],
    });
  });

  it('is guessed from its name what it can do, and a touch says otherwise', async () => {
    const calls = answer({ 'POST /materials': { ...CAP, id: 9 } });
    form(null);
    await type('Name', 'Pinza de la ropa');
    expect(screen.getByRole('checkbox', { name: 'clips on a rim' })).toBeChecked();
    await userEvent.click(screen.getByRole('checkbox', { name: 'clips on a rim' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'stays bent' }));
    await type('Across', '20');
    await type('Height', '5');
    await userEvent.click(screen.getByRole('button', { name: 'Add to the shelf' }));
    await waitFor(() => expect(calls[0]?.body).toMatchObject({ traits: ['stays bent'] }));
  });

  it('is not sent while a size is missing, and the field says so', async () => {
    const calls = answer({});
    form(null);
    await type('Name', 'Jar lid');
    await userEvent.click(screen.getByRole('button', { name: 'Add to the shelf' }));
    expect(screen.getByRole('alert')).toHaveTextContent('sizes.diameter: a disc needs its diameter in mm');
    expect(screen.getByRole('textbox', { name: 'Across' })).toBeInvalid();
    expect(calls).toEqual([]);
  });

  it('says what of a panel is not cut, and refuses a place beyond its edge', async () => {
    const calls = answer({ 'PUT /materials/2': { ...CAP, version: 9 } });
    const panel = { ...CAP, form: 'sheet' as const, sizes: { length: 300, width: 200, wall: 3 } };
    form(panel);
    expect(screen.getByText('All of it can be cut.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Grain or flutes run/ }));
    await userEvent.click(screen.getByRole('option', { name: 'Across it' }));
    await userEvent.click(screen.getByRole('button', { name: 'Add a place not to cut' }));
    await type('From the left', '60');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getByText('Reaches beyond the panel; expected at most 300 × 200 mm')).toBeVisible();
    expect(calls).toEqual([]);
    await type('How wide', '40');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toMatchObject({
      grain: 'across',
      keepOut: [{ panel: 'sheet', why: 'print', left: 60, top: 0, width: 40, height: 100 }],
    });
  });
  it('asks how long food keeps, and nothing else', async () => {
    answer({});
    form(CAP);
    expect(screen.queryByRole('textbox', { name: 'Keeps out, hours' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: /Made of/ }));
    await userEvent.click(screen.getByRole('option', { name: 'Food' }));
    expect(screen.getByRole('textbox', { name: 'Keeps out, hours' })).toBeVisible();
  });

  it('asks a ball for its diameter alone', async () => {
    form(null);
    await userEvent.click(screen.getByRole('button', { name: /Form/ }));
    await userEvent.click(screen.getByRole('option', { name: /^Piece/ }));
    expect(screen.getByRole('textbox', { name: 'Length' })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Solid/ }));
    await userEvent.click(screen.getByRole('option', { name: 'Ball' }));
    expect(screen.getByRole('textbox', { name: 'Across' })).toBeVisible();
    expect(screen.queryByRole('textbox', { name: 'Length' })).toBeNull();
  });

  it('is added to and taken from', async () => {
    const calls = answer({
      'POST /materials/2/stock': (b: { by: number }) => ({ ...CAP, kept: CAP.kept + b.by, version: 4 }),
    });
    form();
    await type('How many', '5');
    await userEvent.click(screen.getByRole('button', { name: 'Add stock' }));
    expect(await screen.findByText('5 added: 14 kept.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Take out' }));
    await waitFor(() => expect(calls.map((c) => c.body)).toEqual([{ by: 5 }, { by: -5 }]));
  });

  it('shows what another screen saved, and lets one choose', async () => {
    const calls = answer({
      'PUT /materials/2': (b: { version: number }) =>
        b.version === 3
          ? [
              409,
              {
                type: '',
                title: '',
                status: 409,
                detail: 'Cap was changed meanwhile.',
                errors: [{ path: 'version', message: 'is stale' }],
                current: { ...CAP, kept: 99, version: 8 },
              },
            ]
          : { ...CAP, version: 9 },
    });
    form();
    await type('Name', 'Blue cap');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(/Another screen saved it meanwhile: Cap, 99 kept/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Keep what is here' }));
    await waitFor(() => expect(calls).toHaveLength(2));
    expect(calls[1]!.body).toMatchObject({ name: 'Blue cap', version: 8 });
    expect(await screen.findByText('Saved.')).toBeVisible();
  });

  it('reads inches as inches where the place writes them', async () => {
    const calls = answer({ 'PUT /materials/2': { ...CAP, version: 4 } });
    form(CAP, 'in');
    expect(screen.getByRole('textbox', { name: 'Across' })).toHaveValue('1 1/2');
    await type('Across', '2');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(calls[0]!.body).toMatchObject({ sizes: { diameter: 50.8 } }));
  });

  it('stays on the shelf while a design needs it', async () => {
    answer({
      'DELETE /materials/2': () => [
        409,
        { type: '', title: '', status: 409, detail: 'Cap is used by Drop tub.', errors: [] },
      ],
    });
    form();
    await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
    const asked = await screen.findByRole('alertdialog', { name: 'Delete Cap?' });
    await userEvent.click(within(asked).getByRole('button', { name: 'Delete' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Cap is used by Drop tub.');
  });
});

describe('packs', () => {
  it('are listed with what they hold and cost', async () => {
    answer({ 'GET /offers': OFFERS, 'GET /suppliers': SUPPLIERS });
    show(<Packs materials={[CAP, TUB]} />);
    expect(await screen.findByText('Caps, 18')).toBeVisible();
    expect(await screen.findByText(/Pier: 18 Cap/)).toBeVisible();
    expect(screen.getByText(/[€£]2\.10/)).toBeVisible();
  });

  it('of several materials from a new supplier are added', async () => {
    const calls = answer({
      'GET /offers': [],
      'GET /suppliers': [],
      'POST /suppliers': { id: 4, name: 'Net loft', delivery: 290 },
      'POST /offers': { id: 1 },
    });
    show(<Packs materials={[CAP, TUB]} />);
    await type('Pack', 'Starter');
    await userEvent.click(screen.getByRole('button', { name: /Supplier/ }));
    await userEvent.click(screen.getByRole('option', { name: /Another supplier/ }));
    await type('Supplier’s name', 'Net loft');
    await type('Delivery', '2.90');
    await userEvent.click(screen.getByRole('button', { name: 'Add another material' }));
    const pick = async (n: number, name: string): Promise<void> => {
      await userEvent.click(
        screen
          .getAllByRole('button', { name: /Holds|and/ })
          .filter((b) => b.getAttribute('aria-haspopup') === 'listbox')[n]!,
      );
      await userEvent.click(screen.getByRole('option', { name }));
    };
    await pick(0, 'Cap');
    await pick(1, 'Tub');
    const counts = screen.getAllByRole('textbox', { name: 'How many' });
    await userEvent.type(counts[0]!, '18');
    await userEvent.type(counts[1]!, '2');
    await type('Price of the pack', '7,60');
    await userEvent.click(screen.getByRole('button', { name: 'Add the pack' }));
    await waitFor(() => expect(calls).toHaveLength(2));
    expect(calls[1]!.body).toEqual({
      name: 'Starter',
      supplierId: 4,
      price: 760,
      contents: [
        { materialId: 2, quantity: 18 },
        { materialId: 1, quantity: 2 },
      ],
    });
  });

  it('are deleted only when one says so, and an error is shown', async () => {
    const calls = answer({
      'GET /offers': OFFERS,
      'GET /suppliers': SUPPLIERS,
      'DELETE /offers/5': () => [
        503,
        { type: '', title: '', status: 503, detail: 'Another program is writing.', errors: [] },
      ],
    });
    show(<Packs materials={[CAP, TUB]} />);
    await userEvent.click(await screen.findByRole('button', { name: 'Delete Caps, 18' }));
    const asked = await screen.findByRole('alertdialog', { name: 'Delete Caps, 18?' });
    await userEvent.click(within(asked).getByRole('button', { name: 'Cancel' }));
    expect(calls).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Delete Caps, 18' }));
    await userEvent.click(
      within(await screen.findByRole('alertdialog')).getByRole('button', { name: 'Delete' }),
    );
    expect(await screen.findByText('Another program is writing.')).toBeVisible();
  });

  it('say what is missing', async () => {
    answer({ 'GET /offers': [], 'GET /suppliers': SUPPLIERS });
    show(<Packs materials={[CAP]} />);
    await userEvent.click(screen.getByRole('button', { name: 'Add the pack' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Choose a supplier.');
  });
});
