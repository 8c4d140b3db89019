import { Router } from 'express';
import { z } from 'zod';
import { kitBuild, kitGiving, kitInput, kitUpdate, paperQuery } from '../../../contract/kits.ts';
import { labelSheet } from '../../../core/print/labelSheet.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { reading } from '../reads.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { sendPage } from '../../paging.ts';
import { PlaceRow } from '../../db/entities.ts';
import { kitFile, openFile } from '../../../contract/designFile.ts';
import { lookAtKit } from '../shape/designFile.ts';
import type { ServerContext } from '../../serverContext.ts';
import { read, readId } from '../../problem.ts';
import * as kits from './kits.ts';
import { may, mayRead } from '../../people/door.ts';
import { fileName } from './fileName.ts';
import { overriding } from './overriding.ts';

const labelQuery = z.strictObject({
  ...labelSheet.shape,
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
});

/** Kits of several designs, and papers of kits and designs for families. */
export function kitRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = Router();
  r.get('/kits', mayRead, async (req, res) => {
    const query = read(kits.kitQuery, req.query);
    sendPage(req, res, await reading(serverContext, abortOnClose(res))('kits', query));
  });
  r.get(
    '/kits/suggested',
    mayRead,
    async (_req, res) => void res.json(await reading(serverContext, abortOnClose(res))('suggestedKits')),
  );
  r.post('/kits', may('designs', 'put a kit of several designs together'), async (req, res) => {
    const input = read(kitInput, req.body);
    res.status(201).json(await inTransaction((m) => kits.addKit(m, input, today())));
  });
  r.put('/kits/:id', may('designs', 'changed a kit of several designs'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(kitUpdate, req.body);
    res.json(await inTransaction((m) => kits.updateKit(m, id, input, today())));
  });
  r.delete('/kits/:id', may('designs', 'deleted a kit of several designs'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    await inTransaction((m) => kits.removeKit(m, id));
    res.status(204).end();
  });
  r.get('/kits/:id/labels.pdf', mayRead, async (req, res) => {
    const m = em();
    const { paper, ...on } = read(labelQuery, req.query);
    const { name, labels } = await kits.kitLabels(m, readId(req.params.id, 'kit'));
    const place = await m.findOneOrFail(PlaceRow, { id: 1 });
    const size = paper ?? (place.paper as 'A4' | 'Letter');
    const pdf = await papersFor(workerPool, res)('labels', labels, size, on);
    sendPaper(res, `${fileName(name, 'kit')}-labels.pdf`, pdf);
  });
  r.get('/schemas/kit', mayRead, (_req, res) => {
    res.json(z.toJSONSchema(kitFile, { unrepresentable: 'any', io: 'input' }));
  });
  r.post('/kits/file/look', mayRead, async (req, res) => {
    res.json(await lookAtKit(em(), read(openFile, req.body).file));
  });
  r.post('/kits/file', may('designs', 'took a kit in from a file'), async (req, res) => {
    const { file, takeNearest } = read(openFile, req.body);
    res.status(201).json(await inTransaction((m) => kits.addKitFile(m, file, takeNearest, today())));
  });
  r.get('/kits/:id/file', mayRead, async (req, res) => {
    const file = await kits.kitFileOf(em(), readId(req.params.id, 'kit'));
    res.attachment(`${fileName(file.kit.name, 'kit')}.json`).json(file);
  });
  r.post('/kits/:id/give', may('lends', 'gave parts of a kit away'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = overriding(res, read(kitGiving, req.body));
    res.status(201).json(await inTransaction((m) => kits.giveKit(m, id, input, today())));
  });
  for (const [path, paperName] of [
    ['picture-sheet', 'pictureSheet'],
    ['count-card', 'countCard'],
  ] as const)
    for (const [of, name, readPaper] of [
      ['kits', 'kit', 'kitPaper'],
      ['designs', 'design', 'designPaper'],
    ] as const)
      r.get(`/${of}/:id/${path}.pdf`, mayRead, async (req, res) => {
        const id = readId(req.params.id, name);
        const asked = read(paperQuery, req.query);
        const paper = await reading(serverContext, abortOnClose(res))(readPaper, id, asked);
        const pdf = await papersFor(workerPool, res)(paperName, paper);
        sendPaper(res, `${fileName(paper.name, name)}-${path}.pdf`, pdf);
      });
  r.post('/kits/:id/build', may('designs', 'made kits'), async (req, res) => {
    const id = readId(req.params.id, 'kit');
    const input = read(kitBuild, req.body);
    res.status(201).json(await inTransaction((m) => kits.buildKit(m, id, input, today())));
  });
  return r;
}
