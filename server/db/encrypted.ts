import { closeSync, createReadStream, createWriteStream, openSync, readSync } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { ProblemError } from '../problemError.ts';

/** How every encrypted file begins: the format age, version 1 (C2SP, age-encryption.org/v1). */
const FIRST = 'age-encryption.org/v1\n';

/** Whether a file is an encrypted one, by how it begins. */
export function isEncrypted(file: string): boolean {
  const at = openSync(file, 'r');
  try {
    const head = Buffer.alloc(FIRST.length);
    return readSync(at, head) === FIRST.length && head.toString('latin1') === FIRST;
  } finally {
    closeSync(at);
  }
}

const into = (stream: unknown, to: string): Promise<void> =>
  pipeline(Readable.fromWeb(stream as ReadableStream), createWriteStream(to, { mode: 0o600 }));
const outOf = (from: string): globalThis.ReadableStream<Uint8Array> =>
  Readable.toWeb(createReadStream(from)) as globalThis.ReadableStream<Uint8Array>;

/**
 * Writes a file again under a passphrase, in the format age (scrypt and ChaCha20-Poly1305), which other programs read too.
 *
 * @param to a file that is not there yet
 * @param workFactor base-2 logarithm of what each guess of the passphrase costs (RFC 7914); a second or two as it is
 */
export async function encryptFile(
  from: string,
  to: string,
  passphrase: string,
  workFactor = 18,
): Promise<void> {
  const { Encrypter } = await import('age-encryption');
  const encrypter = new Encrypter();
  encrypter.setPassphrase(passphrase);
  encrypter.setScryptWorkFactor(workFactor);
  await into(await encrypter.encrypt(outOf(from)), to);
}

const refused = (path: string, detail: string): ProblemError =>
  new ProblemError(422, detail, [{ path, message: detail }]);

/**
 * Reads such a file.
 *
 * @param to a file that is not there yet; what is in it after an error is no copy
 * @throws ProblemError 422 that names the passphrase where it does not open the file, and the file where it is damaged
 */
export async function decryptFile(from: string, to: string, passphrase: string): Promise<void> {
  const { Decrypter } = await import('age-encryption');
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  try {
    await into(await decrypter.decrypt(outOf(from)), to);
  } catch (error) {
    // What the disk says is not the file's fault.
    if ((error as NodeJS.ErrnoException).code !== undefined) throw error;
    throw String(error).includes('no identity matched')
      ? refused(
          'passphrase',
          'The passphrase does not open this file; expected the one it was encrypted with.',
        )
      : refused('file', 'The encrypted file is damaged or was cut off; expected it whole.');
  }
}
