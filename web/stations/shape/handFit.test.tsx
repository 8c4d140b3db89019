import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Child } from '../../../contract/children.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import { useOpenDesign } from '../../design/store.ts';
import { useWorkings, workFrom } from '../../design/workings.ts';
import { answer, CAP, show, slotDesign, TUB, RULES_HERE } from '../../testing/desk.tsx';
import { standInWorker } from '../../testing/worker.ts';
import { HandFit } from './HandFit.tsx';

const CHILDREN: Child[] = [
  {
    code: 'P-02',
    version: 1,
    hand: { opening: 60, reach: 400, side: 'right', oneHanded: false },
    likes: 'bells',
    age: null,
    born: null,
    mouths: false,
    allergies: [],
  },
  {
    code: 'P-07',
    version: 1,
    hand: { opening: 12, span: 90, reach: 150, side: 'left', oneHanded: false },
    likes: '',
    age: null,
    born: null,
    mouths: false,
    allergies: [],
  },
];
beforeAll(async () => {
  standInWorker();
  await loadPattern('drop-through');
  workFrom({ materials: [TUB, CAP], bench: [], by: RULES_HERE });
});
const open = async (id: number, child?: string) => {
  answer({ 'GET /children': CHILDREN });
  useOpenDesign.getState().open(slotDesign({ id, ...(child ? { child } : {}) }));
  await waitFor(() => expect(useWorkings.getState().heavy.fit).not.toBeNull());
  show(<HandFit materials={[TUB, CAP]} unit="mm" />);
};

describe('a design and one child’s hand', () => {
  it('offers to fit it where it is for a group', async () => {
    await open(61);
    expect(screen.getByRole('heading', { name: 'One child' })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Fit it to a child' }));
    expect(await screen.findByRole('dialog', { name: 'Fit it to a child' })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(screen.queryByRole('dialog')).toBeNull();
  });
  it('says what it asks of the hand it is fitted to', async () => {
    await open(62, 'P-02');
    const list = await screen.findByRole('list', { name: 'What it asks of P-02' });
    // A cap of 38 × 14 is taken by its 14; the lid is 200 away.
    expect(within(list).getByText('Taken between the fingers').closest('li')).toHaveTextContent('14 mm');
    expect(within(list).getByText('Within reach')).toBeVisible();
    expect(screen.getByText('Likes bells.')).toBeVisible();
  });
  it('says what is too much, and how it lies for the left hand', async () => {
    await open(63, 'P-07');
    const list = await screen.findByRole('list', { name: 'What it asks of P-07' });
    expect(within(list).getByText('Taken with the whole hand')).toBeVisible();
    expect(within(list).getByText('Out of reach, sitting')).toBeVisible();
    const { oneHand } = useWorkings.getState().light!.show;
    expect(screen.getByText(oneHand)).toBeVisible();
  });
  it('says so when the child’s measures were forgotten', async () => {
    await open(64, 'P-99');
    expect(await screen.findByText('P-99 is not measured any more.')).toBeVisible();
  });
});
