import { createWriteStream, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import { PASSPHRASE_HEADER, type Backup } from '../../../contract/place.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { backupsIn, freeName, halfName } from '../../db/backup.ts';
import { isEncrypted } from '../../db/encrypted.ts';
import type { ServerContext } from '../../serverContext.ts';
import { ProblemError } from '../../problem.ts';
import { Doors } from '../../people/door.ts';

/** Larger no place's file is. */
const MOST_BYTES = 2_000_000_000;

/** The passphrase that came with a file. */
function passphraseOf(header: string | undefined): string {
  const expected = 'The file is encrypted; expected the passphrase it was encrypted with.';
  const missing = (): ProblemError =>
    new ProblemError(422, expected, [{ path: 'passphrase', message: expected }]);
  if (!header) throw missing();
  try {
    return decodeURIComponent(header).slice(0, 1000);
  } catch {
    throw missing();
  }
}

/** A place's file from elsewhere, taken among the backups once it is looked over; it streams, so it stands before JSON bodies. */
export function backupInRoutes({ workerPool, folder }: ServerContext): Router {
  const r = new Doors();
  r.post(
    '/backups/file',
    {
      about: 'see `GET /backups`',
      role: 'manager',
      does: 'brought a file of a place in',
      media: 'application/octet-stream',
      bytes: MOST_BYTES,
      seconds: null,
    },
    async ({ req, res }) => {
      if (!req.is('application/octet-stream'))
        throw new ProblemError(415, 'Expected content-type application/octet-stream.', [
          { path: 'content-type', message: 'expected application/octet-stream' },
        ]);
      if (folder === null)
        throw new ProblemError(422, 'This place is kept in memory alone; there is nowhere to put a file.');
      const at = backupsIn(folder);
      mkdirSync(at, { recursive: true });
      const half = halfName();
      const plain = `${half}.plain`;
      let bytes = 0;
      const limit = new Transform({
        transform(chunk: Buffer, _encoding, done) {
          bytes += chunk.length;
          if (bytes > MOST_BYTES)
            done(
              new ProblemError(413, `The file is over ${MOST_BYTES / 1e9} GB.`, [
                { path: 'file', message: `is over ${MOST_BYTES / 1e9} GB` },
              ]),
            );
          else done(null, chunk);
        },
      });
      try {
        await pipeline(req, limit, createWriteStream(join(at, half)));
        let whole = half;
        if (isEncrypted(join(at, half))) {
          const job = { kind: 'decrypt', from: join(at, half), to: join(at, plain) } as const;
          await workerPool.run(
            { ...job, passphrase: passphraseOf(req.get(PASSPHRASE_HEADER)) },
            abortOnClose(res),
          );
          whole = plain;
        }
        await workerPool.run({ kind: 'look-at-backup', folder, name: whole }, abortOnClose(res));
        const name = freeName(at, new Date().toISOString());
        renameSync(join(at, whole), join(at, name));
        const made = statSync(join(at, name));
        res
          .status(201)
          .json({ name, bytes: made.size, madeAt: made.mtime.toISOString(), until: null } satisfies Backup);
      } catch (error) {
        // Nobody is there any more to be told.
        if (req.destroyed && !req.complete) return;
        req.resume();
        throw error;
      } finally {
        for (const file of [half, plain])
          for (const end of ['', '-wal', '-shm']) rmSync(join(at, `${file}${end}`), { force: true });
      }
    },
  );
  return r.router;
}
