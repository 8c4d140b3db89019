import { existsSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Router, type Request } from 'express';
import { z } from 'zod';
import { encryptInput, placeUpdate, type Lost, type Restored, type Tape } from '../../../contract/place.ts';
import { CopyRow, DesignRow, LoanRow, NoteRow, OfferRow, PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { backupsIn, halfName, isBackupName, listBackups } from '../../db/backup.ts';
import { copyClosed, keptOnDisk, putInPlace, roomBeside } from '../../db/restore.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError, read } from '../../problem.ts';
import { onShelf } from '../gather/shelf.ts';
import { may, mayRead } from '../../people/door.ts';

/** The place without its number: there is only one. */
const placeJson = <
  T extends {
    id: number;
    rules: unknown;
    signIn: boolean;
    messages: unknown;
    identity: string;
    hourly?: number | null | undefined;
  },
>({
  id: _,
  rules: __,
  signIn: ___,
  messages: ____,
  identity: _____,
  ...place
}: T) => ({ ...place, hourly: place.hourly ?? null });

export function placeRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, whileNobodyWrites, exchange, today, folder, workerPool } = serverContext;
  const r = Router();
  r.get(
    '/place',
    mayRead,
    async (_req, res) =>
      void res.json({ ...placeJson(await em().findOneOrFail(PlaceRow, { id: 1 })), today: today() }),
  );
  r.put('/place', may('keeps', 'changed the place'), async (req, res) => {
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
  r.get('/backups', may('keeps'), (_req, res) => void res.json(folder === null ? [] : listBackups(folder)));
  r.post('/backups', may('keeps', 'made a backup'), async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    if (folder === null)
      throw new ProblemError(422, 'This place is kept in memory alone; there is no file to copy.');
    // One after the other: the lane of copies has one place.
    const job = { kind: 'backup', folder, now: new Date().toISOString() } as const;
    res.status(201).json(await workerPool.run(job, abortOnClose(res)));
  });
  /** A copy that is there, and the folder it is in. */
  const named = (req: Request): { name: string; home: string } => {
    const name = String(req.params.name);
    if (folder === null || !isBackupName(name) || !existsSync(join(backupsIn(folder), name)))
      throw notFound(`backup “${name.slice(0, 60)}”`);
    return { name, home: folder };
  };
  r.get('/backups/:name', may('keeps'), (req, res) => {
    const { name, home } = named(req);
    res.attachment(name).sendFile(name, { root: resolve(backupsIn(home)) });
  });
  r.post('/backups/:name/encrypted', may('keeps', 'took an encrypted backup away'), async (req, res) => {
    const { name, home } = named(req);
    const { passphrase } = read(encryptInput, req.body);
    const at = resolve(backupsIn(home));
    const half = halfName();
    const clear = (): void => rmSync(join(at, half), { force: true });
    try {
      await workerPool.run(
        { kind: 'encrypt', from: join(at, name), to: join(at, half), passphrase },
        abortOnClose(res),
      );
    } catch (error) {
      clear();
      throw error;
    }
    res.attachment(`${name}.age`).sendFile(half, { root: at, dotfiles: 'allow', cacheControl: false }, clear);
  });
  r.delete('/backups/:name', may('keeps', 'deleted a backup'), (req, res) => {
    const { name, home } = named(req);
    rmSync(join(backupsIn(home), name));
    res.status(204).end();
  });
  r.get('/integrity', may('keeps'), async (_req, res) => {
    if (folder === null)
      throw new ProblemError(422, 'This place is kept in memory alone; there is no file to check.');
    res.json(await workerPool.run({ kind: 'check-file', folder }, abortOnClose(res)));
  });
  /** Changes that were acknowledged and that the start did not find in the file: told until somebody goes on without them. */
  r.get(
    '/integrity/lost',
    may('keeps'),
    (_req, res) => void res.json({ lost: serverContext.lost() } satisfies Lost),
  );
  r.post('/integrity/lost/accept', may('keeps', 'went on without changes that were lost'), (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    serverContext.acceptLoss();
    res.json({ lost: serverContext.lost() } satisfies Lost);
  });
  r.get('/backups/:name/look', may('keeps'), async (req, res) => {
    const { name, home } = named(req);
    res.json(await workerPool.run({ kind: 'look-at-backup', folder: home, name }, abortOnClose(res)));
  });
  r.post('/backups/:name/restore', may('keeps', 'put a backup back'), async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    const { name, home } = named(req);
    const { beside, clear } = roomBeside(home);
    try {
      // All that takes long is done while everybody works on.
      await workerPool.run({ kind: 'ready-copy', folder: home, name, beside }, abortOnClose(res));
      const before = await whileNobodyWrites(async () => {
        await rows(em(), 'pragma wal_checkpoint(TRUNCATE)');
        // Everything as it is now is copied first: what was put back by mistake can be undone.
        const kept = await copyClosed(home, new Date().toISOString());
        await workerPool.run({ kind: 'carry-over', folder: home, beside });
        await keptOnDisk(beside);
        await exchange(() => putInPlace(home, beside));
        return kept;
      });
      res.json({ restored: name, before: before.name } satisfies Restored);
    } finally {
      clear();
    }
  });
  r.get('/tape', mayRead, async (_req, res) => {
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
