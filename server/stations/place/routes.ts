import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Router, type Request } from 'express';
import { z } from 'zod';
import { placeUpdate, type Backup, type Restored, type Tape } from '../../../contract/place.ts';
import { CopyRow, DesignRow, LoanRow, NoteRow, OfferRow, PlaceRow } from '../../db/entities.ts';
import type { Inside } from '../../inside.ts';
import { hungUp } from '../../compute/hungUp.ts';
import { backupsIn, isBackupName, listBackups } from '../../db/backup.ts';
import { letGo, readyToRestore, restoreFrom } from '../../db/restore.ts';
import { notFound, ProblemError, read } from '../../problem.ts';
import { StartError } from '../../startError.ts';
import { onShelf } from '../gather/shelf.ts';

/** The place without its number: there is only one. */
const placeJson = <
  T extends {
    id: number;
    rules: unknown;
    signIn: boolean;
    messages: unknown;
    hourly?: number | null | undefined;
  },
>({
  id: _,
  rules: __,
  signIn: ___,
  messages: ____,
  ...place
}: T) => ({ ...place, hourly: place.hourly ?? null });

export function placeRoutes({ em, inTransaction, today, folder, door }: Inside): Router {
  const r = Router();
  r.get(
    '/place',
    async (_req, res) =>
      void res.json({ ...placeJson(await em().findOneOrFail(PlaceRow, { id: 1 })), today: today() }),
  );
  r.put('/place', async (req, res) => {
    const { version, ...fields } = read(placeUpdate, req.body);
    const saved = await inTransaction(async (m) => {
      const row = await m.findOneOrFail(PlaceRow, { id: 1 });
      if (row.version !== version)
        throw new ProblemError(
          409,
          'The place was changed meanwhile.',
          [{ path: 'version', message: `is stale: it is ${row.version} now` }],
          placeJson(row),
        );
      m.assign(row, fields);
      await m.flush();
      return placeJson(row);
    });
    res.json({ ...saved, today: today() });
  });
  /** Copies are made one after the other: two at once would take each other's name and the disk's time. */
  let lastCopy: Promise<unknown> = Promise.resolve();
  const copied = (home: string, signal: AbortSignal): Promise<Backup> => {
    const made = lastCopy.then(
      () =>
        door.run({ kind: 'backup', folder: home, now: new Date().toISOString() }, signal) as Promise<Backup>,
    );
    lastCopy = made.catch(() => undefined);
    return made;
  };
  r.get('/backups', (_req, res) => void res.json(folder === null ? [] : listBackups(folder)));
  r.post('/backups', async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    if (folder === null)
      throw new ProblemError(422, 'This place is kept in memory alone; there is no file to copy.');
    res.status(201).json(await copied(folder, hungUp(res)));
  });
  /** A copy that is there, and the folder it is in. */
  const named = (req: Request): { name: string; home: string } => {
    const name = String(req.params.name);
    if (folder === null || !isBackupName(name) || !existsSync(join(backupsIn(folder), name)))
      throw notFound(`backup “${name.slice(0, 60)}”`);
    return { name, home: folder };
  };
  r.get('/backups/:name', (req, res) => {
    const { name, home } = named(req);
    res.attachment(name).sendFile(name, { root: resolve(backupsIn(home)) });
  });
  r.get('/integrity', async (_req, res) => {
    if (folder === null)
      throw new ProblemError(422, 'This place is kept in memory alone; there is no file to check.');
    res.json(await door.run({ kind: 'check-file', folder }, hungUp(res)));
  });
  r.get('/backups/:name/look', async (req, res) => {
    const { name, home } = named(req);
    res.json(await door.run({ kind: 'look-at-backup', folder: home, name }, hungUp(res)));
  });
  r.post('/backups/:name/restore', async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    const { name, home } = named(req);
    const ready = await readyToRestore(home, name).catch((error: unknown) => {
      if (!(error instanceof StartError)) throw error;
      throw new ProblemError(422, error.message, [
        { path: 'name', message: 'expected a copy that is sound' },
      ]);
    });
    try {
      // Everything as it is now is copied first: what was put back by mistake can be undone.
      const before = await copied(home, hungUp(res));
      try {
        await inTransaction((m) => restoreFrom(m, ready.file));
      } finally {
        await letGo(em());
      }
      res.json({ restored: name, before: before.name } satisfies Restored);
    } finally {
      ready.clear();
    }
  });
  r.get('/tape', async (_req, res) => {
    const m = em();
    const designs = await m.count(DesignRow, {});
    const figures: Tape = {
      gather: { kept: [...(await onShelf(m, today())).values()].filter((s) => s.kept > 0).length },
      shape: { designs },
      check: { designs },
      price: { offers: await m.count(OfferRow, {}) },
      make: { made: await m.count(CopyRow, {}) },
      lend: {
        out: await m.count(LoanRow, { returnedOn: null }),
        late: await m.count(LoanRow, { returnedOn: null, dueOn: { $lt: today() } }),
      },
      watch: { notes: await m.count(NoteRow, {}) },
    };
    res.json(figures);
  });
  return r;
}
