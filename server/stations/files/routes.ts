import { MOST_BYTES } from '../../formats/csv.ts';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router, type Request } from 'express';
import { fileConfirm, fileKind, type FileKind } from '../../../contract/files.ts';
import type { ServerContext } from '../../serverContext.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { confirmFile, exportFile, forgetFile, previewFile } from './service.ts';
import { Doors } from '../../people/door.ts';

const kindIn = (req: Request) => {
  const kind = fileKind.safeParse(req.params.kind);
  if (!kind.success) throw notFound(`kind of file “${String(req.params.kind).slice(0, 40)}”`);
  return kind.data;
};

/** Files in: they stream, so they stand before the reading of JSON bodies. */
export function fileInRoutes(serverContext: ServerContext): Router {
  const r = new Doors();
  r.post(
    '/files/:kind/preview',
    {
      about:
        'materials, lots or offers, read to the end and not written: `{id, encoding, rows, faulty, faults, adds, changes, columns, sample}`',
      role: 'designer',
      media: 'text/csv',
      bytes: MOST_BYTES,
      seconds: null,
    },
    async ({ req, res }) => {
      const kind = kindIn(req);
      if (!req.is('text/csv'))
        throw new ProblemError(415, 'Expected content-type text/csv.', [
          { path: 'content-type', message: 'expected text/csv' },
        ]);
      try {
        res.json(await previewFile(serverContext, { kind, source: req, signal: abortOnClose(res) }));
      } catch (error) {
        // Nobody is there any more to be told.
        if (req.destroyed && !req.complete) return;
        // What is left of a refused file is let go.
        req.resume();
        throw error;
      }
    },
  );
  return r.router;
}

/** Everybody's at once asks for no less than one family's or one child's. */
const PRIVATE: ReadonlySet<FileKind> = new Set(['families', 'notes']);

export function fileRoutes({ em, inTransaction, today }: ServerContext): Router {
  const r = new Doors();
  for (const kind of fileKind.options)
    r.get(
      `/files/${kind}.csv`,
      {
        about: `all ${kind} as CSV (RFC 4180), in the columns in which a file of them is read`,
        role: PRIVATE.has(kind) ? 'manager' : 'viewer',
        seconds: null,
      },
      async ({ res }) => {
        res.type('text/csv; charset=utf-8').attachment(`${kind}.csv`);
        // The mark at the head tells spreadsheets that it is UTF-8.
        res.write('\ufeff');
        await pipeline(Readable.from(exportFile(em(), kind, today())), res);
      },
    );
  r.post(
    '/files/confirm',
    {
      about: 'writes a file without faults, all or nothing, within the hour',
      role: 'designer',
      does: 'took a file in',
      body: fileConfirm,
    },
    async ({ body: { id } }) => {
      const done = await inTransaction((m) => confirmFile(m, id, today()));
      forgetFile(id);
      return done;
    },
  );
  return r.router;
}
