import { Router } from 'express';
import { z } from 'zod';
import { kitBuild, kitGiving, kitInput, kitUpdate, paperQuery } from '../../../contract/kits.ts';
import { labelSheet } from '../../../core/print/labelSheet.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { reading } from '../reads.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { PlaceRow } from '../../db/entities.ts';
import { kitFile, openFile } from '../../../contract/designFile.ts';
import { lookAtKit } from '../shape/designFile.ts';
import type { ServerContext } from '../../serverContext.ts';
import * as kits from './kits.ts';
import { buildKit, giveKit } from './kitsMade.ts';
import { Doors } from '../../people/door.ts';
import { fileName } from './fileName.ts';
import { overriding } from './overriding.ts';

const labelQuery = z.strictObject({
  ...labelSheet.shape,
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
});

/** Kits of several designs, and papers of kits and designs for families. */
export function kitRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/kits',
    {
      about:
        'kits of several designs, in pages of 50 (`limit` up to 200): what is counted, with `for` naming the designs that share it, `mass` in g, `carriedBy`, `kitsNow` from free stock, `givenTo` and `givenAgainst` (what was given against a stop of the check: `{on, families, by, why, of}`); `PUT` with the version',
      query: kits.kitQuery,
      isPage: true,
    },
    ({ res, query }) => reading(serverContext, abortOnClose(res))('kits', query),
  );
  r.get(
    '/kits/suggested',
    {
      about:
        'sets of three quiet designs (two where no three do) for one age that share most pieces: `[{designs: [{id, name}], shared: [{name, due}], saved}]`, best first',
    },
    ({ res }) => reading(serverContext, abortOnClose(res))('suggestedKits'),
  );
  r.post(
    '/kits',
    {
      about: 'see `GET /kits`',
      role: 'designer',
      does: 'put a kit of several designs together',
      body: kitInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => kits.addKit(m, input, today())),
  );
  r.put(
    '/kits/:id',
    {
      about: 'see `GET /kits`',
      role: 'designer',
      does: 'changed a kit of several designs',
      id: 'kit',
      body: kitUpdate,
    },
    ({ id, body: input }) => inTransaction((m) => kits.updateKit(m, id, input, today())),
  );
  r.delete(
    '/kits/:id',
    { about: 'see `GET /kits`', role: 'designer', does: 'deleted a kit of several designs', id: 'kit' },
    async ({ id }) => {
      await inTransaction((m) => kits.removeKit(m, id));
    },
  );
  r.get(
    '/kits/:id/labels.pdf',
    { about: 'their labels', id: 'kit', query: labelQuery },
    async ({ res, id, query: { paper, ...on } }) => {
      const m = em();
      const { name, labels } = await kits.kitLabels(m, id);
      const place = await m.findOneOrFail(PlaceRow, { id: 1 });
      const size = paper ?? (place.paper as 'A4' | 'Letter');
      const pdf = await papersFor(workerPool, res)('labels', labels, size, on);
      sendPaper(res, `${fileName(name, 'kit')}-labels.pdf`, pdf);
    },
  );
  r.get('/schemas/kit', { about: 'see `GET /kits/:id/file`' }, () =>
    z.toJSONSchema(kitFile, { unrepresentable: 'any', io: 'input' }),
  );
  r.post('/kits/file/look', { about: 'see `GET /kits/:id/file`', body: openFile }, ({ body }) =>
    lookAtKit(em(), body.file),
  );
  r.post(
    '/kits/file',
    {
      about: 'see `GET /kits/:id/file`',
      role: 'designer',
      does: 'took a kit in from a file',
      body: openFile,
      status: 201,
    },
    ({ body: { file, takeNearest } }) => inTransaction((m) => kits.addKitFile(m, file, takeNearest, today())),
  );
  r.get(
    '/kits/:id/file',
    { about: 'a kit as a file, with its designs and materials, as design files are', id: 'kit' },
    async ({ res, id }) => {
      const file = await kits.kitFileOf(em(), id);
      res.attachment(`${fileName(file.kit.name, 'kit')}.json`).json(file);
    },
  );
  r.post(
    '/kits/:id/give',
    {
      about:
        'parts for so many families leave the shelf for good, all or nothing: `{id, families, used: [{name, quantity, unit}]}`',
      role: 'lender',
      does: 'gave parts of a kit away',
      id: 'kit',
      body: kitGiving,
      status: 201,
    },
    ({ res, id, body }) => {
      const input = overriding(res, body);
      return inTransaction((m) => giveKit(m, id, input, today()));
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
      ['kits', 'kit', 'kitPaper'],
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
    '/kits/:id/build',
    {
      about: 'takes what the kits need, shared pieces once a kit, and labels them `FB-K001a`, all or nothing',
      role: 'designer',
      does: 'made kits',
      id: 'kit',
      body: kitBuild,
      status: 201,
    },
    ({ id, body: input }) => inTransaction((m) => buildKit(m, id, input, today())),
  );
  return r.router;
}
