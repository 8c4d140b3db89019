import { Router } from 'express';
import { z } from 'zod';
import { batchInput, designInput, designUpdate } from '../../../contract/designs.ts';
import { designFile, openFile } from '../../../contract/designFile.ts';
import type { ServerContext } from '../../serverContext.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { read, readId } from '../../problem.ts';
import { reading } from '../reads.ts';
import { pageOf, sendPage } from '../../paging.ts';
import * as files from './designFile.ts';
import * as shape from './service.ts';
import { may, mayRead } from '../../people/door.ts';

export function shapeRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today } = serverContext;
  const r = Router();
  r.get('/designs', mayRead, async (req, res) => {
    sendPage(req, res, await shape.listDesigns(em(), read(z.strictObject(pageOf(5000)), req.query)));
  });
  r.post('/designs', may('designs', 'began a design'), async (req, res) => {
    const input = read(designInput, req.body);
    res.status(201).json(await inTransaction((m) => shape.addDesign(m, input, today())));
  });
  r.get('/designs/needs', mayRead, async (_, res) => {
    res.json(await reading(serverContext, abortOnClose(res))('needs'));
  });
  // What every design file of this version must be, for whoever writes one elsewhere.
  r.get('/schemas/design', mayRead, (_, res) => {
    res.json(z.toJSONSchema(designFile, { unrepresentable: 'any', io: 'input' }));
  });
  r.post('/designs/file/look', mayRead, async (req, res) => {
    res.json(await files.lookAt(em(), read(openFile, req.body).file));
  });
  r.post('/designs/file', may('designs', 'took a design in from a file'), async (req, res) => {
    const { file, takeNearest } = read(openFile, req.body);
    res.status(201).json(await inTransaction((m) => files.openDesignFile(m, file, takeNearest, today())));
  });
  r.get('/designs/:id/file', mayRead, async (req, res) => {
    const d = await shape.findDesign(em(), readId(req.params.id, 'design'));
    const name =
      d.name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '') || 'design';
    res.attachment(`${name}.json`).json(await files.writeFile(em(), d));
  });
  r.get('/designs/:id', mayRead, async (req, res) => {
    res.json(shape.designJson(await shape.findDesign(em(), readId(req.params.id, 'design'))));
  });
  r.put('/designs/:id', may('designs', 'changed a design'), async (req, res) => {
    const id = readId(req.params.id, 'design');
    const input = read(designUpdate, req.body);
    res.json(await inTransaction((m) => shape.updateDesign(m, id, input, today())));
  });
  r.post('/designs/:id/batch', may('designs', 'began the next batch of a design'), async (req, res) => {
    const id = readId(req.params.id, 'design');
    const input = read(batchInput, req.body);
    res.json(await inTransaction((m) => shape.nextBatch(m, id, input)));
  });
  r.delete('/designs/:id', may('designs', 'deleted a design'), async (req, res) => {
    const id = readId(req.params.id, 'design');
    await inTransaction((m) => shape.removeDesign(m, id));
    res.status(204).end();
  });
  return r;
}
