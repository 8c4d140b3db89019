import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Backup, BackupLook } from '../../../contract/place.ts';
import { answer, show } from '../../testing/desk.tsx';
import { takeUploads, Upload } from '../../testing/uploads.ts';
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

it('an encrypted file asks for its passphrase before it is sent, and again where it does not open', async () => {
  answer({ 'GET /backups': [] });
  takeUploads();
  show(<Backups />);
  const input = await screen.findByLabelText(/A file of the whole place/);
  const file = new File(['age-encryption.org/v1\n-> scrypt'], 'cart.db.age');
  file.slice = () => ({ text: async () => 'age-encryption.org/' }) as Blob;
  await userEvent.upload(input, file);
  await userEvent.type(await screen.findByLabelText('Passphrase of cart.db.age'), 'seaweed ü');
  await userEvent.click(screen.getByRole('button', { name: 'Bring it in' }));
  expect(Upload.last.headers['x-passphrase']).toBe('seaweed%20%C3%BC');
  act(() => Upload.last.comes(40, 100));
  expect(screen.getByRole('status')).toHaveTextContent('Bringing it in: 40 %');
  const detail = 'The passphrase does not open this file; expected the one it was encrypted with.';
  Upload.last.answer(422, JSON.stringify({ type: '', title: '', status: 422, detail, errors: [] }));
  expect(await screen.findByText(detail)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Bring it in' }));
  Upload.last.answer(201, JSON.stringify(copy(4)));
  await waitFor(() => expect(screen.queryByLabelText(/Passphrase of/)).toBeNull());
});

it('a new passphrase is long and typed twice', async () => {
  const calls = answer({ 'GET /backups': [copy(3)], [`GET /backups/${copy(3).name}/look`]: LOOK });
  show(<Backups />);
  await userEvent.click(await screen.findByRole('button', { name: /^Look at the backup/ }));
  await userEvent.click(await screen.findByRole('button', { name: 'Download encrypted' }));
  const press = () => userEvent.click(screen.getByRole('button', { name: 'Encrypt and download' }));
  await userEvent.type(screen.getByLabelText('Passphrase for the file'), 'short');
  await press();
  expect(screen.getByText('The passphrase must have at least 12 characters.')).toBeVisible();
  await userEvent.type(screen.getByLabelText('Passphrase for the file'), ' and longer');
  await press();
  expect(screen.getByText('The two are not the same.')).toBeVisible();
  expect(calls).toEqual([]);
  await userEvent.type(screen.getByLabelText('The same once more'), 'short and longer');
  await press();
  await waitFor(() => expect(calls[0]!.body).toEqual({ passphrase: 'short and longer' }));
});
