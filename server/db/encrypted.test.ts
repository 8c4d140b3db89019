import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { decryptFile, encryptFile, isEncrypted } from './encrypted.ts';

let folder: string;
const at = (name: string): string => join(folder, name);
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'fox-encrypted-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('what was encrypted is read back byte for byte, with its passphrase alone', async () => {
  // More than one chunk of 64 KiB.
  const plain = Buffer.from(Array.from({ length: 200_001 }, (_, i) => (i * 31) % 251));
  writeFileSync(at('plain'), plain);
  await encryptFile(at('plain'), at('locked'), 'seaweed on the slipway', 10);
  expect(isEncrypted(at('locked'))).toBe(true);
  expect(isEncrypted(at('plain'))).toBe(false);
  expect(readFileSync(at('locked')).includes(plain.subarray(1000, 1040))).toBe(false);
  await decryptFile(at('locked'), at('back'), 'seaweed on the slipway');
  expect(readFileSync(at('back')).equals(plain)).toBe(true);
  await expect(decryptFile(at('locked'), at('no'), 'seaweed on the shore')).rejects.toMatchObject({
    status: 422,
    errors: [{ path: 'passphrase' }],
  });
  truncateSync(at('locked'), 150_000);
  await expect(decryptFile(at('locked'), at('no'), 'seaweed on the slipway')).rejects.toMatchObject({
    status: 422,
    errors: [{ path: 'file' }],
  });
});

// Made by the program age 1.1.1 (the format's reference implementation, as Debian has it); it reads ours too, tried by hand.
it('a file of another program that keeps to the format is read', async () => {
  writeFileSync(
    at('theirs'),
    Buffer.from(
      'YWdlLWVuY3J5cHRpb24ub3JnL3YxCi0+IHNjcnlwdCAwMGFPbHhYck8wZFFQdHkycTJMeUJBIDE4Cmd1d0VmUFdRMGE2RDRGZnlBdVRvOHUxaHFEaHZtY0o3QmZ1ekRHZ25tWncKLS0tIGtRejVVUkJ1WlBZcnFQWTFBYnZkVFo2S0hpZDVleVJUUlZVdEMrOTJjalEKpLZPLO/RVkPshV97AXT4dEQci2Ffv7JSJUvZtMxhnmj3VFA2SbehwIe8B1QEC7e8MLsFiPDdn0+X',
      'base64',
    ),
  );
  await decryptFile(at('theirs'), at('read'), 'seaweed on the slipway');
  expect(readFileSync(at('read'), 'utf8')).toBe('a copy by another program');
});

it('a file that asks for endless work is refused before it begins', async () => {
  const line = 'A'.repeat(43);
  writeFileSync(
    at('greedy'),
    `age-encryption.org/v1\n-> scrypt ${'A'.repeat(22)} 40\n${line}\n--- ${line}\n`,
  );
  await expect(decryptFile(at('greedy'), at('no'), 'x')).rejects.toMatchObject({ status: 422 });
});
