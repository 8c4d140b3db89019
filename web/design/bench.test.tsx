import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Design } from '../../contract/designs.ts';
import { supply } from '../../core/needs/short.ts';
import { patternOf } from '../../core/patterns/index.ts';
import { SLOT_DIALS } from '../../core/testing.ts';
import { answer, CAP, show, TUB } from '../testing/desk.tsx';
import { DesignFacts } from './DesignFacts.tsx';
import { BenchList } from './DesignTag.tsx';
import { SupplyList } from './SupplyList.tsx';

const design = (id: number, name: string, onBench: boolean, copies = 1): Design => ({
  id,
  version: 1,
  name,
  pattern: 'drop-through',
  forGroup: 'Gulls',
  ageFrom: 18,
  ageTo: 30,
  skill: 'Pincer and release',
  copies,
  dials: SLOT_DIALS,
  materials: { container: 1, piece: 2 },
  onBench,
});
const MINE = design(1, 'Tide-line drop tub', true);
const materials = [TUB, { ...CAP, kept: 20 }];
const needs = patternOf('drop-through').needs(SLOT_DIALS, { container: TUB, piece: CAP });
const used = supply({ needs, copies: 1, shelf: new Map(materials.map((m) => [m.id, m])) });

describe('what a batch takes from the shelf', () => {
  const row = async (name: string): Promise<HTMLElement> =>
    (await screen.findAllByRole('listitem')).find((li) => li.textContent.startsWith(name))!;

  it('says where others on the bench want more than is over', async () => {
    answer({ 'GET /materials': materials, 'GET /designs': [MINE, design(2, 'Squeeze seal', true, 2)] });
    show(<SupplyList supply={used} designId={1} />);
    // Sixteen caps are spoken for twice over: eight here and four left of twenty.
    expect(await screen.findByText('others on the bench want 16: 4 free')).toBeVisible();
    expect(await row('Cap')).toHaveTextContent('8 of 20');
    // One tub here and two there are three of the four that are kept: nothing to say.
    expect(await row('Tub')).toHaveTextContent(/^Tub1 of 4$/);
  });
  it('does not count designs that are put by', async () => {
    answer({ 'GET /materials': materials, 'GET /designs': [MINE, design(2, 'Squeeze seal', false, 2)] });
    show(<SupplyList supply={used} designId={1} />);
    expect(await row('Cap')).toHaveTextContent('8 of 20');
    expect(screen.queryByText(/others on the bench/)).toBeNull();
  });
});

describe('the open design', () => {
  const facts = (one: Design) => {
    const changes: unknown[] = [];
    const calls = answer({ 'DELETE /designs/1': [204, null] });
    show(
      <DesignFacts
        design={one}
        materials={materials}
        pattern={patternOf('drop-through')}
        onChange={(part) => changes.push(part)}
      />,
    );
    return { changes, calls };
  };
  it('is put by and put back on the bench, which loses nothing', async () => {
    const { changes, calls } = facts(MINE);
    await userEvent.click(screen.getByRole('button', { name: 'Put it by' }));
    expect(changes).toEqual([{ onBench: false }]);
    cleanup();
    const back = facts({ ...MINE, onBench: false });
    await userEvent.click(screen.getByRole('button', { name: 'Put it on the bench' }));
    expect(back.changes).toEqual([{ onBench: true }]);
    expect([...calls, ...back.calls]).toEqual([]);
  });
  it('is thrown away only when one says so twice', async () => {
    const { calls } = facts(MINE);
    await userEvent.click(screen.getByRole('button', { name: 'Throw it away' }));
    const asked = await screen.findByRole('alertdialog', { name: 'Throw Tide-line drop tub away?' });
    await userEvent.click(within(asked).getByRole('button', { name: 'Keep it' }));
    expect(calls).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Throw it away' }));
    const again = await screen.findByRole('alertdialog');
    await userEvent.click(within(again).getByRole('button', { name: 'Throw it away' }));
    await waitFor(() => expect(calls).toMatchObject([{ method: 'DELETE', path: '/designs/1' }]));
  });
});

it('tells designs on the bench from those put by, and leaves out the open one', () => {
  const others = [design(2, 'Squeeze seal', true), design(3, 'Buoy drop tub', false)];
  show(<BenchList station="price" designs={[MINE, ...others]} materials={materials} open={1} />);
  const links = (rack: string): (string | null)[] =>
    within(screen.getByRole('region', { name: rack }))
      .getAllByRole('link')
      .map((a) => a.getAttribute('href'));
  expect(links('On the bench')).toEqual(['/price/2']);
  expect(links('Put by')).toEqual(['/price/3']);
});
