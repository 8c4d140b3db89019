import { Router } from 'express';
import { z } from 'zod';
import { batchInput, designInput, designUpdate } from '../../../contract/designs.ts';
import { designFile, openFile } from '../../../contract/designFile.ts';
import type { ServerContext } from '../../serverContext.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { readingText } from '../reads.ts';
import { pageOf } from '../../paging.ts';
import * as files from './designFile.ts';
import * as shape from './service.ts';
import { Doors } from '../../people/door.ts';

export function shapeRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today } = serverContext;
  const r = new Doors();
  r.get(
    '/designs',
    {
      about:
        'designs; `PUT` with the version. `materials` has a list of kinds for each role. `made` counts the kits made of the batch of `copies`: a figure, no wish',
      query: z.strictObject(pageOf(5000)),
      isPage: true,
    },
    ({ query }) => shape.listDesigns(em(), query),
  );
  r.post(
    '/designs',
    { about: 'see `GET /designs`', role: 'designer', does: 'began a design', body: designInput, status: 201 },
    ({ body: input }) => inTransaction((m) => shape.addDesign(m, input, today())),
  );
  r.get(
    '/designs/needs',
    {
      about:
        '`[{id, needs, problem}]`: what one kit of each design needs of each material, with the parts cut from it; `problem` says why a design cannot be read',
    },
    ({ res }) => readingText(serverContext, abortOnClose(res))('needs'),
  );
  // What every design file of this version must be, for whoever writes one elsewhere.
  r.get('/schemas/design', { about: 'the JSON Schema that a design file keeps to' }, () =>
    z.toJSONSchema(designFile, { unrepresentable: 'any', io: 'input' }),
  );
  r.post(
    '/designs/file/look',
    {
      about:
        'what a file brings, nothing written: `{name, patternName, title, version, materials: [{role, name, id or null}], nearest: [{dial, was, is, why}], isThere}`. Version 1 is carried forward; a newer one, one that nests deeper than 10 levels or is over 256 kB is a 422',
      body: openFile,
    },
    ({ body }) => files.lookAt(em(), body.file),
  );
  r.post(
    '/designs/file',
    {
      about: 'opens it as a design, set aside; materials that are not on the shelf are added, none kept',
      role: 'designer',
      does: 'took a design in from a file',
      body: openFile,
      status: 201,
    },
    ({ body: { file, takeNearest } }) =>
      inTransaction((m) => files.openDesignFile(m, file, takeNearest, today())),
  );
  r.get(
    '/designs/:id/file',
    {
      about: 'the design as a file: materials by their catalogue key, or whole where they were changed',
      id: 'design',
    },
    async ({ res, id }) => {
      const d = await shape.findDesign(em(), id);
      const name =
        d.name
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, '-')
          .replace(/^-|-$/g, '') || 'design';
      res.attachment(`${name}.json`).json(await files.writeFile(em(), d));
    },
  );
  r.get('/designs/:id', { about: 'see `GET /designs`', id: 'design' }, async ({ id }) => {
    return shape.designJson(await shape.findDesign(em(), id));
  });
  r.put(
    '/designs/:id',
    {
      about: 'see `GET /designs`',
      role: 'designer',
      does: 'changed a design',
      id: 'design',
      body: designUpdate,
    },
    ({ id, body: input }) => inTransaction((m) => shape.updateDesign(m, id, input, today())),
  );
  r.post(
    '/designs/:id/batch',
    {
      about: 'begins the next batch',
      role: 'designer',
      does: 'began the next batch of a design',
      id: 'design',
      body: batchInput,
    },
    ({ id, body: input }) => inTransaction((m) => shape.nextBatch(m, id, input)),
  );
  r.delete(
    '/designs/:id',
    { about: 'see `GET /designs`', role: 'designer', does: 'deleted a design', id: 'design' },
    async ({ id }) => {
      await inTransaction((m) => shape.removeDesign(m, id));
    },
  );
  return r.router;
}
