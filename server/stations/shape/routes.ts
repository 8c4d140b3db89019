import { Router } from 'express';
import { z } from 'zod';
import { batchInput, designInput, designUpdate } from '../../../contract/designs.ts';
import { designFile, openFile } from '../../../contract/designFile.ts';
import type { ServerContext } from '../../serverContext.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { reading } from '../reads.ts';
import { pageOf } from '../../paging.ts';
import * as files from './designFile.ts';
import * as shape from './service.ts';
import { Doors } from '../../people/door.ts';

export function shapeRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today } = serverContext;
  const r = new Doors();
  r.get('/designs', { query: z.strictObject(pageOf(5000)), isPage: true }, ({ query }) =>
    shape.listDesigns(em(), query),
  );
  r.post(
    '/designs',
    { role: 'designs', does: 'began a design', body: designInput, status: 201 },
    ({ body: input }) => inTransaction((m) => shape.addDesign(m, input, today())),
  );
  r.get('/designs/needs', {}, ({ res }) => reading(serverContext, abortOnClose(res))('needs'));
  // What every design file of this version must be, for whoever writes one elsewhere.
  r.get('/schemas/design', {}, () => z.toJSONSchema(designFile, { unrepresentable: 'any', io: 'input' }));
  r.post('/designs/file/look', { body: openFile }, ({ body }) => files.lookAt(em(), body.file));
  r.post(
    '/designs/file',
    { role: 'designs', does: 'took a design in from a file', body: openFile, status: 201 },
    ({ body: { file, takeNearest } }) =>
      inTransaction((m) => files.openDesignFile(m, file, takeNearest, today())),
  );
  r.get('/designs/:id/file', { id: 'design' }, async ({ res, id }) => {
    const d = await shape.findDesign(em(), id);
    const name =
      d.name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '') || 'design';
    res.attachment(`${name}.json`).json(await files.writeFile(em(), d));
  });
  r.get('/designs/:id', { id: 'design' }, async ({ id }) => {
    return shape.designJson(await shape.findDesign(em(), id));
  });
  r.put(
    '/designs/:id',
    { role: 'designs', does: 'changed a design', id: 'design', body: designUpdate },
    ({ id, body: input }) => inTransaction((m) => shape.updateDesign(m, id, input, today())),
  );
  r.post(
    '/designs/:id/batch',
    { role: 'designs', does: 'began the next batch of a design', id: 'design', body: batchInput },
    ({ id, body: input }) => inTransaction((m) => shape.nextBatch(m, id, input)),
  );
  r.delete('/designs/:id', { role: 'designs', does: 'deleted a design', id: 'design' }, async ({ id }) => {
    await inTransaction((m) => shape.removeDesign(m, id));
  });
  return r.router;
}
