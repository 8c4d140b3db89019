import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Backup, BackupLook } from '../../../contract/place.ts';
import { answer, show } from '../../testing/desk.tsx';
import { Backups } from './Backups.tsx';

const copy = (day: number, daily = false): Backup => ({
  name: `fox-button-${daily ? 'daily-' : ''}2026-11-${10 + day}${daily ? '' : '-080000'}.db`,
  bytes: 1_234_567,
  madeAt: `2026-11-${10 + day}T08:00:00.000Z`,
  until: daily ? '2026-11-30' : null,
});
const LOOK: BackupLook = {
  name: copy(3).name,
  place: 'Kelpwick cart',
  counts: { materials: 102, designs: 21, kits: 24, families: 12, loans: 60, notes: 1 },
  lastLoan: '2026-11-12',
  lastNote: null,
};

it('a backup is looked at first, and put back after a second question', async () => {
  const calls = answer({
    'GET /backups': [copy(3), copy(2, true)],
    [`GET /backups/${copy(3).name}/look`]: LOOK,
    [`POST /backups/${copy(3).name}/restore`]: { restored: copy(3).name, before: copy(9).name },
  });
  show(<Backups />);
  expect(await screen.findByText(/made by itself/)).toHaveTextContent(
    '1.2 MB, made by itself, kept until 30 Nov',
  );
  const [first] = screen.getAllByRole('button', { name: /^Look at the backup/ });
  await userEvent.click(first!);
  expect(await screen.findByText(/102 materials/)).toHaveTextContent(
    'Kelpwick cart: 102 materials, 21 designs, 24 kits, 12 families, 60 loans, 1 note; last loan 12 Nov.',
  );
  await userEvent.click(screen.getByRole('button', { name: 'Put it back' }));
  expect(calls).toEqual([]);
  const dialog = await screen.findByRole('alertdialog');
  await userEvent.click([...dialog.querySelectorAll('button')].find((b) => b.textContent === 'Put it back')!);
  await waitFor(() => expect(calls[0]).toMatchObject({ method: 'POST', body: {} }));
});

it('one that cannot be read says why, and cannot be put back', async () => {
  answer({
    'GET /backups': [copy(3)],
    [`GET /backups/${copy(3).name}/look`]: [
      422,
      { type: '', title: '', status: 422, detail: 'It is damaged.', errors: [] },
    ],
  });
  show(<Backups />);
  await userEvent.click(await screen.findByRole('button', { name: /^Look at the backup/ }));
  expect(await screen.findByText('It is damaged.')).toBeVisible();
  expect(screen.queryByRole('button', { name: 'Put it back' })).toBeNull();
});

it('the file in use is checked by a touch', async () => {
  answer({ 'GET /backups': [], 'GET /integrity': { bytes: 385_024, checkedAt: '2026-11-24T08:00:00.000Z' } });
  show(<Backups />);
  await userEvent.click(await screen.findByRole('button', { name: 'Check the file' }));
  expect(await screen.findByText('The file in use is sound, all 386 kB of it.')).toBeVisible();
});

it('what was acknowledged and is not in the file is told until somebody goes on without it', async () => {
  const session = { needed: false, isFixed: false, person: null, isFirst: true };
  const calls = answer({
    'GET /backups': [copy(3)],
    'GET /session': { ...session, lost: 11 },
    'POST /integrity/lost/accept': { lost: 0 },
  });
  show(<Backups />);
  expect(await screen.findByText('11 changes are missing')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Go on without them' }));
  await waitFor(() => expect(calls).toContainEqual(expect.objectContaining({ method: 'POST' })));
});
