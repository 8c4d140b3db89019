import { existsSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { Request, Response, Router } from 'express';
import { encryptInput, placeUpdate, type Lost, type Restored, type Tape } from '../../../contract/place.ts';
import { KitRow, DesignRow, LoanRow, NoteRow, OfferRow, PlaceRow } from '../../db/entities.ts';
import type { ServerContext } from '../../serverContext.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { backupsIn, halfName, isBackupName, listBackups } from '../../db/backup.ts';
import { copyClosed, keptOnDisk, putInPlace, roomBeside } from '../../db/restore.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { onShelf } from '../gather/shelf.ts';
import { Doors, NOTHING } from '../../people/door.ts';

/** The place without its number: there is only one. */
const placeJson = <
  T extends {
    id: number;
    rules: unknown;
    signIn: boolean;
    messages: unknown;
    identity: string;
    fileColumns: unknown;
    hourly?: number | null | undefined;
  },
>({
  id: _,
  rules: __,
  signIn: ___,
  messages: ____,
  identity: _____,
  fileColumns: ______,
  ...place
}: T) => ({ ...place, hourly: place.hourly ?? null });

/** Sends a file to its end. */
const sent = (res: Response, name: string, options: object): Promise<void> =>
  new Promise((done, fail) =>
    res.sendFile(name, options, (error: Error | undefined) => (error ? fail(error) : done())),
  );

export function placeRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, whileNobodyWrites, exchange, today, folder, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/place',
    {
      about:
        'what the place sets once, its `currency` (ISO 4217) and `locale` (BCP 47), and its local policy on finds; `PUT` with the version',
    },
    async () => {
      return { ...placeJson(await em().findOneOrFail(PlaceRow, { id: 1 })), today: today() };
    },
  );
  r.put(
    '/place',
    { about: 'see `GET /place`', role: 'manager', does: 'changed the place', body: placeUpdate },
    async ({ body: { version, ...fields } }) => {
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
      return { ...saved, today: today() };
    },
  );
  r.get(
    '/backups',
    {
      about:
        "copies of the place's file: listed with the day `until` which each is kept by itself, made one after the other (whole and looked over), downloaded, read through and counted, put back: `{restored, before}`, `before` being the copy of what was there. A copy is read as data, and what does not pass is told row by row (422); while it is exchanged, writes are 503 with Retry-After. `DELETE /backups/:name` deletes one. `POST /backups/:name/encrypted {passphrase}` answers the copy as a file in the format age (age-encryption.org/v1); `POST /backups/file` reads such a file with the passphrase in the header `x-passphrase`, percent-encoded",
      role: 'manager',
    },
    () => (folder === null ? [] : listBackups(folder)),
  );
  r.post(
    '/backups',
    { about: 'see `GET /backups`', role: 'manager', does: 'made a backup', body: NOTHING, status: 201 },
    ({ res }) => {
      if (folder === null)
        throw new ProblemError(422, 'This place is kept in memory alone; there is no file to copy.');
      // One after the other: the lane of copies has one place.
      const job = { kind: 'backup', folder, now: new Date().toISOString() } as const;
      return workerPool.run(job, abortOnClose(res));
    },
  );
  /** A copy that is there, and the folder it is in. */
  const named = (req: Request): { name: string; home: string } => {
    const name = String(req.params.name);
    if (folder === null || !isBackupName(name) || !existsSync(join(backupsIn(folder), name)))
      throw notFound(`backup “${name.slice(0, 60)}”`);
    return { name, home: folder };
  };
  r.get('/backups/:name', { about: 'see `GET /backups`', role: 'manager', seconds: null }, ({ req, res }) => {
    const { name, home } = named(req);
    return sent(res.attachment(name), name, { root: resolve(backupsIn(home)) });
  });
  r.post(
    '/backups/:name/encrypted',
    {
      about: 'see `GET /backups`',
      role: 'manager',
      does: 'took an encrypted backup away',
      seconds: null,
      body: encryptInput,
    },
    async ({ req, res, body: { passphrase } }) => {
      const { name, home } = named(req);
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
      await sent(res.attachment(`${name}.age`), half, {
        root: at,
        dotfiles: 'allow',
        cacheControl: false,
      }).finally(clear);
    },
  );
  r.delete(
    '/backups/:name',
    { about: 'see `GET /backups`', role: 'manager', does: 'deleted a backup' },
    ({ req }) => {
      const { name, home } = named(req);
      rmSync(join(backupsIn(home), name));
    },
  );
  r.get(
    '/integrity',
    {
      about:
        'whether the file in use is sound, looked through as a whole: `{bytes, checkedAt}`; a 422 says what is wrong',
      role: 'manager',
    },
    ({ res }) => {
      if (folder === null)
        throw new ProblemError(422, 'This place is kept in memory alone; there is no file to check.');
      return workerPool.run({ kind: 'check-file', folder }, abortOnClose(res));
    },
  );
  /** Changes that were acknowledged and that the start did not find in the file: told until somebody goes on without them. */
  r.get(
    '/integrity/lost',
    {
      about:
        'how many changes that were acknowledged the last start did not find in the file; goes on without them',
      role: 'manager',
    },
    () => ({ lost: serverContext.lost() }) satisfies Lost,
  );
  r.post(
    '/integrity/lost/accept',
    {
      about: 'see `GET /integrity/lost`',
      role: 'manager',
      does: 'went on without changes that were lost',
      body: NOTHING,
    },
    () => {
      serverContext.acceptLoss();
      return { lost: serverContext.lost() } satisfies Lost;
    },
  );
  r.get('/backups/:name/look', { about: 'see `GET /backups`', role: 'manager' }, ({ req, res }) => {
    const { name, home } = named(req);
    return workerPool.run({ kind: 'look-at-backup', folder: home, name }, abortOnClose(res));
  });
  r.post(
    '/backups/:name/restore',
    { about: 'see `GET /backups`', role: 'manager', does: 'put a backup back', seconds: null, body: NOTHING },
    async ({ req, res }) => {
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
    },
  );
  r.get('/tape', { about: 'one live figure for each station' }, async () => {
    const m = em();
    const designs = await m.count(DesignRow, {});
    const figures: Tape = {
      gather: { kept: [...(await onShelf(m, today())).values()].filter((s) => s.kept > 0).length },
      shape: { designs },
      check: { designs },
      price: { offers: await m.count(OfferRow, {}) },
      make: { made: await m.count(KitRow, {}) },
      lend: {
        out: await m.count(LoanRow, { returnedOn: null }),
        late: await m.count(LoanRow, { returnedOn: null, dueOn: { $lt: today() } }),
      },
      watch: { notes: await m.count(NoteRow, {}) },
    };
    return figures;
  });
  return r.router;
}
