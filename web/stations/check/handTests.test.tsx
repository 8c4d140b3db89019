import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { HandTestInput, HandTestRow, Recall } from '../../../contract/checking.ts';
import { checkFeatures } from '../../../core/safety/check.ts';
import { answer, RULES_HERE, show, slotDesign } from '../../testing/desk.tsx';
import { madeAs } from '../../../core/safety/handTests.ts';
import { Cleaning } from './Cleaning.tsx';
import { HandTests } from './HandTests.tsx';
import { CAP, TUB } from '../../testing/desk.tsx';

const design = slotDesign({ id: 7 });
const report = checkFeatures(
  [
    {
      kind: 'piece',
      name: 'Cap',
      shape: { kind: 'cylinder', diameter: 38, length: 14 },
      count: 8,
      ball: false,
    },
  ],
  { youngest: 18, market: 'strictest of both' },
);
const done = (part: Partial<HandTestRow>): HandTestRow => ({
  id: 1,
  designId: 7,
  part: 'Cap',
  test: 'pull',
  passed: true,
  force: 91,
  loans: 0,
  until: '2027-05-19',
  isSpent: false,
  by: 'Keeper',
  words: '',
  on: '2026-11-20',
  madeAs: madeAs(design),
  ...part,
});
const open = (tests: HandTestRow[] = [], recalls: Recall[] = []) => {
  const calls = answer({
    'GET /rules': { ...RULES_HERE, tests },
    'GET /recalls': recalls,
    'POST /tests': (b: unknown) => ({ ...(b as HandTestInput), id: 2, on: '2026-11-24', madeAs: '' }),
  });
  show(<HandTests design={design} report={report} market="strictest of both" unit="mm" />);
  return calls;
};

describe('tests by hand', () => {
  it('show what is on record of this design, and of no other', async () => {
    open([done({}), done({ id: 3, designId: 8, by: 'Somebody else' })]);
    expect(await screen.findByText(/Held: Cap, 91 N, .*Keeper/)).toBeVisible();
    expect(screen.queryByText(/Somebody else/)).toBeNull();
  });
  it('are put on record with the part, the force, whether it held and who', async () => {
    const calls = open();
    await userEvent.click(await screen.findByRole('button', { name: 'Record the pull test' }));
    const dialog = within(screen.getByRole('dialog', { name: 'Record: pull test' }));
    const save = () => userEvent.click(dialog.getByRole('button', { name: 'Put on record' }));
    await userEvent.type(dialog.getByRole('textbox', { name: 'Force that was held' }), 'much');
    await save();
    expect(dialog.getByText('Force: expected a number in N.')).toBeVisible();
    await userEvent.clear(dialog.getByRole('textbox', { name: 'Force that was held' }));
    await userEvent.type(dialog.getByRole('textbox', { name: 'Force that was held' }), '44,5');
    expect(dialog.getByText(/Less than the 90 N/)).toBeVisible();
    // Read off a luggage scale in pounds, it is the same force.
    await userEvent.click(dialog.getByRole('radio', { name: 'lb' }));
    expect(dialog.getByText('That is 197.9 N.')).toBeVisible();
    expect(dialog.queryByText(/Less than the 90 N/)).toBeNull();
    await userEvent.click(dialog.getByRole('radio', { name: 'N' }));
    await save();
    expect(dialog.getByText('Say whether it held.')).toBeVisible();
    await userEvent.click(dialog.getByRole('radio', { name: 'It held' }));
    await save();
    expect(dialog.getByText('Done by: expected a name.')).toBeVisible();
    await userEvent.type(dialog.getByRole('textbox', { name: 'Done by' }), 'Keeper');
    await save();
    await waitFor(() => expect(calls).toHaveLength(1));
    expect(calls[0]!.body).toEqual({
      designId: 7,
      part: 'Cap',
      test: 'pull',
      passed: true,
      force: 44.5,
      by: 'Keeper',
      words: '',
    });
  });
  it('that failed name the kits that are out and whom to ask for them', async () => {
    open(
      [done({ passed: false })],
      [
        {
          design: { id: 7, name: 'Drop tub' },
          test: done({ passed: false }),
          kits: [{ label: 'FB-007a', borrower: 'Amber Dory', dueOn: '2026-12-01' }],
          here: 2,
        },
      ],
    );
    expect(await screen.findByText(/FB-007a with Amber Dory, due 1 Dec/)).toBeVisible();
    expect(screen.getByText(/2 here are not lent/)).toBeVisible();
    expect(screen.getByRole('link', { name: 'Letters to families' })).toHaveAttribute(
      'href',
      '/api/designs/7/recall.pdf',
    );
    expect(screen.getByText(/Failed: Cap/)).toBeVisible();
  });
});

describe('cleaning', () => {
  it('says of each thing how, and mixes by the numbers of the label', async () => {
    const card = { ...CAP, id: 9, name: 'Card', materialClass: 'card' as const };
    const own = slotDesign({ materials: { container: [TUB.id], piece: [CAP.id, card.id] } });
    show(<Cleaning design={own} materials={[TUB, CAP, card]} restDays={3} />);
    expect(screen.getByText('Cap').closest('li')).toHaveTextContent('wash warm, rinse, air dry');
    expect(screen.getByText('Card').closest('li')).toHaveTextContent('quarantine 3 days');
    await userEvent.click(screen.getByRole('button', { name: 'Mix a cleaner' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'On the bottle' }), '5,25');
    await userEvent.type(screen.getByRole('textbox', { name: 'Asked for' }), '500');
    expect(screen.getByText('9.5 ml of the product and 990 ml of water: 1 part to 104.')).toBeVisible();
    await userEvent.clear(screen.getByRole('textbox', { name: 'To mix' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'To mix' }), '-1');
    expect(screen.getByText('Expected three numbers over 0.')).toBeVisible();
  });
});
