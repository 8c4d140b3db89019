import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Bundle } from '../../../contract/bundles.ts';
import { look as lookSchema } from '../../../core/gather/lookOver.ts';
import { standInWorker } from '../../testing/worker.ts';
import { answer, CAP, PLACE, show, slotDesign, TUB } from '../../testing/desk.tsx';
import { Component as Kits } from './Bundles.tsx';

const KIT: Bundle = {
  id: 3,
  version: 2,
  name: 'Waiting-room bag',
  designs: [
    { id: 1, name: 'Drop tub', levels: ['Wide slot', 'Close slot'] },
    { id: 2, name: 'Count pouch', levels: [] },
  ],
  youngest: null,
  words: { en: 'Bring it back.' },
  container: null,
  parts: [
    { materialId: 2, name: 'Cap', due: 21, for: ['Drop tub', 'Count pouch'] },
    { materialId: null, name: 'Card (Count pouch)', due: 6, for: ['Count pouch'] },
  ],
  mass: 1240,
  unweighed: [],
  carriedBy: 'child',
  kitsNow: 2,
  first: 'Cap',
  made: 0,
  givenTo: 0,
  givenAgainst: [],
  problem: null,
};
const DESIGNS = [slotDesign(), slotDesign({ id: 2, name: 'Count pouch' })];
const open = (
  bundles: Bundle[] = [KIT],
  more: Record<string, unknown> = {},
  languages: string[] = ['en', 'es'],
) => {
  const calls = answer({
    'GET /bundles': bundles,
    'GET /designs': DESIGNS,
    'GET /materials': [TUB, CAP],
    'GET /place': { ...PLACE, languages },
    ...more,
  });
  show(<Kits />, '/lend/kits');
  return calls;
};
beforeAll(() => standInWorker());
const card = () => screen.findByRole('region', { name: 'Waiting-room bag' });
const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));

describe('a kit of several designs', () => {
  it('shows what is counted, whose it is, its levels, what it weighs and how many can be made', async () => {
    open();
    const kit = await card();
    expect(kit).toHaveTextContent('Drop tub, from easier to harder: Wide slot · Close slot');
    expect(kit).toHaveTextContent('21 ×Capshared by Drop tub and Count pouch');
    expect(kit).toHaveTextContent('1.2 kg, a child carries it');
    expect(kit).toHaveTextContent('2 kits from free stock, then no more cap');
    expect(within(kit).queryByText(/Parts given/)).toBeNull();
    expect(within(kit).getByRole('link', { name: 'Count card' })).toHaveAttribute(
      'href',
      '/api/bundles/3/count-card.pdf',
    );
  });
  it('says of its container whether all goes in, whether it closes and whether anything falls out', async () => {
    const held: Bundle = {
      ...KIT,
      container: { id: TUB.id, name: TUB.name },
      parts: [{ materialId: CAP.id, name: 'Cap', due: 6, for: ['Drop tub'] }],
    };
    const lot = (look: object) => [{ id: 1, materialId: TUB.id, quantity: 2, state: 'ready', look }];
    const look = { ...lookSchema.parse({}), closes: 'no', gap: 60 };
    open([held], {
      'POST /compute/packing': { fits: false, placements: [], proof: '', reason: '' },
      'GET /lots': lot(look),
    });
    const kit = await card();
    // A round tub holds more than the square inside it: a no is no proof.
    expect(await within(kit).findByText('Try it by hand in the tub')).toBeVisible();
    expect(await within(kit).findByText(/The lid does not close/)).toBeVisible();
    expect(within(kit).getByText(/Cap would go through its gap of 60 mm/)).toBeVisible();
  });
  it('can be deleted while nobody has one, and says why it cannot be read', async () => {
    open([
      {
        ...KIT,
        made: 2,
        givenTo: 3,
        givenAgainst: [
          {
            on: '2026-11-20',
            families: 1,
            by: 'Keeper',
            why: 'No child under four there',
            of: 'Small parts: x',
          },
        ],
      },
      { ...KIT, id: 4, name: 'Broken', problem: 'Tub has no height' },
    ]);
    const kit = await card();
    expect(within(kit).queryByRole('button', { name: 'Delete' })).toBeNull();
    expect(kit).toHaveTextContent('2 made. Parts given to 3 families.');
    expect(kit).toHaveTextContent(
      'Given against the check on 20 Nov to 1 family, by Keeper: No child under four thereThe check had said: Small parts: x',
    );
    const broken = screen.getByRole('region', { name: 'Broken' });
    expect(within(broken).getByRole('alert')).toHaveTextContent('Tub has no height');
    expect(within(broken).queryByRole('button', { name: 'For families' })).toBeNull();
  });
  it('begins from a picked set with one touch', async () => {
    const calls = open([], {
      'GET /bundles/suggested': [
        {
          designs: [
            { id: 1, name: 'Drop tub' },
            { id: 2, name: 'Count pouch' },
          ],
          shared: [{ name: 'Cap', due: 21 }],
          saved: 8,
        },
      ],
      'POST /bundles': KIT,
    });
    const pick = await screen.findByRole('button', { name: /Drop tub · Count pouch/ });
    expect(pick).toHaveTextContent('share 21 × Cap: 8 pieces fewer than apart');
    await userEvent.click(pick);
    await press('Put it together');
    await waitFor(() =>
      expect(calls[0]).toMatchObject({
        path: '/bundles',
        body: { name: 'Grab bag', designs: [1, 2], container: null },
      }),
    );
  });
  it('is put together from at least one design', async () => {
    const calls = open([]);
    await screen.findByText(/No kit of several designs yet/);
    await userEvent.type(screen.getByRole('textbox', { name: 'Name' }), 'Grab bag');
    await press('Put it together');
    expect(await screen.findByText('Choose at least one design.')).toBeVisible();
    expect(calls).toEqual([]);
  });
});

describe('a kit for families', () => {
  const dialog = async () => {
    await userEvent.click(within(await card()).getByRole('button', { name: 'For families' }));
    return screen.findByRole('dialog', { name: 'Waiting-room bag for families' });
  };
  it('has papers in each of the place’s languages', async () => {
    open();
    const d = await dialog();
    const sheet = () => within(d).getByRole('link', { name: 'Picture sheet' }).getAttribute('href');
    expect(within(d).getByRole('textbox')).toHaveValue('Bring it back.');
    expect(sheet()).toBe('/api/bundles/3/picture-sheet.pdf?language=en&prepared=yes');
    await userEvent.click(within(d).getByText('Spanish'));
    expect(within(d).getByRole('textbox', { name: /in Spanish/ })).toHaveValue('');
    expect(d).toHaveTextContent('They stand first on the picture sheet');
    await userEvent.click(within(d).getByText('An adult at home does it'));
    expect(sheet()).toBe('/api/bundles/3/picture-sheet.pdf?language=es&prepared=no');
  });
  it('keeps the place’s own words before anything is given', async () => {
    const saved = { ...KIT, version: 3, words: { en: 'Bring it back.', es: 'Con calma.' } };
    const calls = open([KIT], { 'PUT /bundles/3': saved });
    const d = await dialog();
    await userEvent.click(within(d).getByText('Spanish'));
    await userEvent.type(within(d).getByRole('textbox'), 'Con calma.');
    expect(within(d).getByRole('button', { name: 'Give away' })).toBeDisabled();
    await userEvent.click(within(d).getByRole('button', { name: 'Save your words' }));
    await waitFor(() =>
      expect(calls).toEqual([
        {
          method: 'PUT',
          path: '/bundles/3',
          body: {
            name: 'Waiting-room bag',
            designs: [1, 2],
            container: null,
            words: { en: 'Bring it back.', es: 'Con calma.' },
            version: 2,
          },
        },
      ]),
    );
  });
  it('gives away no more than the free stock allows, and says what left the shelf', async () => {
    const calls = open([KIT], {
      'POST /bundles/3/give': {
        id: 1,
        families: 2,
        used: [
          { name: 'Cap', quantity: 42, unit: 'each' },
          { name: 'Tape', quantity: 600, unit: 'mm' },
        ],
      },
    });
    const d = await dialog();
    await userEvent.click(within(d).getByRole('button', { name: 'Families: one more' }));
    expect(within(d).getByRole('button', { name: 'Families: one more' })).toBeDisabled();
    await userEvent.click(within(d).getByRole('button', { name: 'Give away' }));
    expect(
      await within(d).findByText(/Parts for 2 families are off the shelf: 42 × Cap, 600 mm of Tape\./),
    ).toBeVisible();
    expect(calls[0]).toMatchObject({ body: { version: 2, families: 2, prepared: true } });
  });
  it('says what is missing when none can be given', async () => {
    open([{ ...KIT, kitsNow: 0 }], {}, ['en']);
    const d = await dialog();
    expect(d).toHaveTextContent('None can be given now: there is no more cap.');
    expect(within(d).getByRole('button', { name: 'Give away' })).toBeDisabled();
    expect(within(d).queryByText('Language of the papers')).toBeNull();
  });
});
