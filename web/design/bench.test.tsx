import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Design } from '../../contract/designs.ts';
import { loadPattern } from '../../core/patterns/index.ts';
import { design as plain, kinds, SLOT_DIALS } from '../../core/testing.ts';
import { answer, CAP, show, slotDesign, TUB } from '../testing/desk.tsx';
import { supplyFor } from './derived.ts';
import { DesignFacts } from './DesignFacts.tsx';
import { BenchList } from './DesignTag.tsx';
import { SupplyList } from './SupplyList.tsx';

const design = (id: number, name: string, onBench: boolean, copies = 1): Design =>
  slotDesign({ id, name, onBench, copies });
const drop = await loadPattern('drop-through');
const MINE = design(1, 'Tide-line drop tub', true);
const materials = [TUB, { ...CAP, kept: 20 }];
const needs = drop.needs(plain(SLOT_DIALS, kinds({ container: TUB, piece: CAP })));
const onBench = (d: Design) => ({
  id: d.id,
  name: d.name,
  copies: d.copies,
  made: d.made,
  onBench: d.onBench,
  needs,
});
const list = (bench: Design[], copies = 1) => {
  const state = supplyFor({ needs, copies, materials, bench: bench.map(onBench), designId: 1 });
  show(<SupplyList supply={state} />);
};

describe('what a batch takes from the shelf', () => {
  const row = (name: string): HTMLElement =>
    screen.getAllByRole('listitem').find((li) => li.textContent.startsWith(name))!;

  it('says what others on the bench hold where it is not enough for all', () => {
    list([MINE, design(2, 'Squeeze seal', true, 2)]);
    // Sixteen of twenty caps are held: four are free, and eight are wanted.
    expect(row('Cap')).toHaveTextContent('8 needed, 4 free20 kept; Squeeze seal holds 16');
    // One tub here and two there are three of the four that are kept: nothing to say.
    expect(row('Tub')).toHaveTextContent(/^Tub1 needed, 2 free$/);
  });
  it('does not count designs that are set aside, nor kits that are made', () => {
    list([MINE, design(2, 'Squeeze seal', false, 2)]);
    expect(row('Cap')).toHaveTextContent('8 needed, 20 free');
    cleanup();
    list([MINE, { ...design(2, 'Squeeze seal', true, 2), made: 2 }]);
    expect(row('Cap')).toHaveTextContent('8 needed, 20 free');
  });
  it('has nothing to take for a batch that is made', () => {
    list([MINE], 0);
    expect(screen.getByText('Nothing: these kits are made.')).toBeVisible();
  });
});

it('an optional role can be emptied again', async () => {
  const changes: Partial<Design>[] = [];
  const bag = { ...CAP, id: 4, name: 'Bag', form: 'consumable' as const, sizes: {} };
  show(
    <DesignFacts
      design={{ ...MINE, materials: { container: [1], piece: [2], bag: [4] } }}
      materials={[...materials, bag]}
      pattern={drop}
      onChange={(part) => changes.push(part)}
    />,
  );
  await userEvent.click(screen.getByRole('button', { name: /Bag Bag|Bag$/ }));
  await userEvent.click(screen.getByRole('option', { name: 'None' }));
  expect(changes).toEqual([{ materials: { container: [1], piece: [2], bag: [] } }]);
});

describe('the open design', () => {
  const facts = (one: Design) => {
    const changes: unknown[] = [];
    const calls = answer({ 'DELETE /designs/1': [204, null] });
    show(
      <DesignFacts
        design={one}
        materials={materials}
        pattern={drop}
        onChange={(part) => changes.push(part)}
      />,
    );
    return { changes, calls };
  };
  it('is set aside and put back on the bench, which loses nothing', async () => {
    const { changes, calls } = facts(MINE);
    await userEvent.click(screen.getByRole('button', { name: 'Set aside' }));
    expect(changes).toEqual([{ onBench: false }]);
    cleanup();
    const back = facts({ ...MINE, onBench: false });
    await userEvent.click(screen.getByRole('button', { name: 'Put back on the bench' }));
    expect(back.changes).toEqual([{ onBench: true }]);
    expect([...calls, ...back.calls]).toEqual([]);
  });
  it('is deleted only when one says so twice', async () => {
    const { calls } = facts(MINE);
    await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
    const asked = await screen.findByRole('alertdialog', { name: 'Delete Tide-line drop tub?' });
    await userEvent.click(within(asked).getByRole('button', { name: 'Cancel' }));
    expect(calls).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
    const again = await screen.findByRole('alertdialog');
    await userEvent.click(within(again).getByRole('button', { name: 'Delete' }));
    await waitFor(() => expect(calls).toMatchObject([{ method: 'DELETE', path: '/designs/1' }]));
  });
});

it('tells designs on the bench from those set aside, and leaves out the open one', () => {
  const others = [design(2, 'Squeeze seal', true), design(3, 'Buoy drop tub', false)];
  show(<BenchList station="price" designs={[MINE, ...others]} materials={materials} open={1} />);
  const links = (rack: string): (string | null)[] =>
    within(screen.getByRole('region', { name: rack }))
      .getAllByRole('link')
      .map((a) => a.getAttribute('href'));
  expect(links('On the bench')).toEqual(['/price/2']);
  expect(links('Set aside')).toEqual(['/price/3']);
});
