import { Router } from 'express';
import { z } from 'zod';
import {
  bundleBuild,
  bundleGiving,
  bundleInput,
  bundleUpdate,
  paperQuery,
} from '../../../contract/bundles.ts';
import { labelSheet } from '../../../core/print/labelSheet.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { reading } from '../reads.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import { bundleFile, openFile } from '../../../contract/designFile.ts';
import { lookAtBundle } from '../shape/bundleFile.ts';
import type { ServerContext } from '../../serverContext.ts';
import * as kits from './bundles.ts';
import { buildBundle, giveBundle } from './bundlesMade.ts';
import { Doors } from '../../people/door.ts';
import { fileName } from './fileName.ts';
import { overriding } from './overriding.ts';

const labelQuery = z.strictObject({
  ...labelSheet.shape,
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
});

/** Kits of several designs, and papers of kits and designs for families. */
export function bundleRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/bundles',
    {
      about:
        'kits of several designs, in pages of 50 (`limit` up to 200): what is counted, with `for` naming the designs that share it, `mass` in g, `carriedBy`, `kitsNow` from free stock, `givenTo` and `givenAgainst` (what was given against a stop of the check: `{on, families, by, why, of}`); `PUT` with the version',
      query: kits.bundleQuery,
      isPage: true,
    },
    ({ res, query }) => reading(serverContext, abortOnClose(res))('bundles', query),
  );
  r.get(
    '/bundles/suggested',
    {
      about:
        'sets of three quiet designs (two where no three do) for one age that share most pieces: `[{designs: [{id, name}], shared: [{name, due}], saved}]`, best first',
    },
    ({ res }) => reading(serverContext, abortOnClose(res))('suggestedBundles'),
  );
  r.post(
    '/bundles',
    {
      about: 'see `GET /bundles`',
      role: 'designer',
      does: 'put a kit of several designs together',
      body: bundleInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => kits.addBundle(m, input, today())),
  );
  r.put(
    '/bundles/:id',
    {
      about: 'see `GET /bundles`',
      role: 'designer',
      does: 'changed a kit of several designs',
      id: 'bundle',
      body: bundleUpdate,
    },
    ({ id, body: input }) => inTransaction((m) => kits.updateBundle(m, id, input, today())),
  );
  r.delete(
    '/bundles/:id',
    { about: 'see `GET /bundles`', role: 'designer', does: 'deleted a kit of several designs', id: 'bundle' },
    async ({ id }) => {
      await inTransaction((m) => kits.removeBundle(m, id));
    },
  );
  r.get(
    '/bundles/:id/labels.pdf',
    { about: 'their labels', id: 'bundle', query: labelQuery },
    async ({ res, id, query: { paper, ...on } }) => {
      const m = em();
      const { name, labels } = await kits.bundleLabels(m, id);
      const place = await m.findOneOrFail(PlaceRow, { id: 1 });
      const size = paper ?? (place.paper as 'A4' | 'Letter');
      const pdf = await papersFor(workerPool, res)('labels', labels, size, on);
      sendPaper(res, `${fileName(name, 'kit')}-labels.pdf`, pdf);
    },
  );
  r.get('/schemas/bundle', { about: 'see `GET /bundles/:id/file`' }, () =>
    z.toJSONSchema(bundleFile, { unrepresentable: 'any', io: 'input' }),
  );
  r.post('/bundles/file/look', { about: 'see `GET /bundles/:id/file`', body: openFile }, ({ body }) =>
    lookAtBundle(em(), body.file),
  );
  r.post(
    '/bundles/file',
    {
      about: 'see `GET /bundles/:id/file`',
      role: 'designer',
      does: 'took a kit in from a file',
      body: openFile,
      status: 201,
    },
    ({ body: { file, takeNearest } }) =>
      inTransaction((m) => kits.addBundleFile(m, file, takeNearest, today())),
  );
  r.get(
    '/bundles/:id/file',
    { about: 'a kit as a file, with its designs and materials, as design files are', id: 'bundle' },
    async ({ res, id }) => {
      const file = await kits.bundleFileOf(em(), id);
      res.attachment(`${fileName(file.kit.name, 'kit')}.json`).json(file);
    },
  );
  r.post(
    '/bundles/:id/give',
    {
      about:
        'parts for so many families leave the shelf for good, all or nothing: `{id, families, used: [{name, quantity, unit}]}`',
      role: 'lender',
      does: 'gave parts of a kit away',
      id: 'bundle',
      body: bundleGiving,
      status: 201,
    },
    ({ res, id, body }) => {
      const input = overriding(res, body);
      return inTransaction((m) => giveBundle(m, id, input, today()));
    },
  );
  for (const [path, paperName, about] of [
    [
      'picture-sheet',
      'pictureSheet',
      'what is in it and how to use it, in pictures and the family’s language, as PDF',
    ],
    [
      'count-card',
      'countCard',
      'a card that is kept in the kit, with a box for each piece to count out and in, as PDF',
    ],
  ] as const)
    for (const [of, name, readPaper] of [
      ['bundles', 'bundle', 'bundlePaper'],
      ['designs', 'design', 'designPaper'],
    ] as const)
      r.get(
        `/${of}/:id/${path}.pdf`,
        { about, id: name, query: paperQuery },
        async ({ res, id, query: asked }) => {
          const paper = await reading(serverContext, abortOnClose(res))(readPaper, id, asked);
          const pdf = await papersFor(workerPool, res)(paperName, paper);
          sendPaper(res, `${fileName(paper.name, name)}-${path}.pdf`, pdf);
        },
      );
  r.post(
    '/bundles/:id/build',
    {
      about: 'takes what the kits need, shared pieces once a kit, and labels them `FB-K001a`, all or nothing',
      role: 'designer',
      does: 'made kits',
      isUndoable: true,
      id: 'bundle',
      body: bundleBuild,
      status: 201,
    },
    ({ id, body: input }) => inTransaction((m) => buildBundle(m, id, input, today())),
  );
  return r.router;
}
