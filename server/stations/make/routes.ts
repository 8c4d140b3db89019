import { Router, type Request } from 'express';
import { z } from 'zod';
import { day } from '../../../contract/common.ts';
import { buildInput } from '../../../contract/designs.ts';
import type { PurchaseAnswer } from '../../../core/price/purchase.ts';
import { labelSheet } from '../../../core/print/labelSheet.ts';
import { pagesOf } from '../../../core/print/pages.ts';
import { CopyRow } from '../../db/entities.ts';
import { templateSvg } from '../../formats/svg.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { countLine } from '../../../core/lend/parts.ts';
import type { ServerContext } from '../../serverContext.ts';
import { ProblemError, read, readId } from '../../problem.ts';
import { wantedFor } from '../gather/wanted.ts';
import { donorSheet } from './donorSheet.ts';
import { buildSheetOf, openedDesign, templateWords } from './designPapers.ts';
import { build } from './service.ts';
import { may, mayRead } from '../../people/door.ts';

const paperQuery = z.object({
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  copies: z.coerce
    .number({ error: 'expected a number of kits' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(200, 'must be at most 200')
    .optional(),
});

const wantedQuery = z.object({ until: day.optional() });

export function makeRoutes({ em, inTransaction, today, workerPool }: ServerContext): Router {
  const r = Router();
  const opened = (req: Request, asked: unknown = req.query) =>
    openedDesign(em(), readId(req.params.id, 'design'), read(paperQuery, asked), today());

  r.get('/designs/:id/wanted.pdf', mayRead, async (req, res) => {
    const { until, ...rest } = req.query;
    const o = await opened(req, rest);
    const by = read(wantedQuery, { until }).until;
    if (by !== undefined && by < today())
      throw new ProblemError(400, 'until: expected today or a later day', [
        { path: 'until', message: `expected ${today()} or a later day` },
      ]);
    const lines = await wantedFor(o.em, o.design, o.copies, today());
    const pdf = await papersFor(workerPool, res)(
      'wanted',
      { place: o.place, design: o.design.name, lines, until: by, unit: o.unit, locale: o.locale },
      o.paper,
    );
    sendPaper(res, `wanted-${o.file}.pdf`, pdf);
  });
  r.get('/designs/:id/donors.pdf', mayRead, async (req, res) => {
    const o = await opened(req);
    const { sheet, request } = await donorSheet(o, today());
    const answer = (await workerPool.run({ kind: 'purchase', request }, abortOnClose(res))) as PurchaseAnswer;
    const pdf = await papersFor(workerPool, res)('donors', { ...sheet, toBuy: answer.total }, o.paper);
    sendPaper(res, `${o.file}-donors.pdf`, pdf);
  });
  r.post('/builds', may('designs', 'made kits'), async (req, res) => {
    const input = read(buildInput, req.body);
    res.status(201).json(await inTransaction((m) => build(m, input, today())));
  });
  /** The pages of a design's template; `mirror=yes` for drawing on the back, `page` for one of them as SVG. */
  const templateQuery = z.object({
    mirror: z.enum(['yes', 'no'], { error: 'expected yes or no' }).optional(),
    page: z.coerce
      .number({ error: 'expected the number of a page' })
      .int('expected a whole number')
      .min(1, 'must be at least 1')
      .optional(),
  });
  const template = async (req: Request) => {
    const { mirror, page, ...rest } = req.query;
    const o = await opened(req, rest);
    const query = read(templateQuery, { mirror, page });
    const { sheets } = o.pattern.draw(o.at);
    if (sheets.length === 0)
      throw new ProblemError(422, `${o.design.name} needs no template: nothing of it is cut to a drawing.`);
    const pages = pagesOf(sheets, { paper: o.paper, mirror: query.mirror === 'yes' });
    return { o, pages, page: query.page ?? 1 };
  };
  r.get('/designs/:id/template.svg', mayRead, async (req, res) => {
    const { o, pages, page } = await template(req);
    const wanted = pages[page - 1];
    if (!wanted)
      throw new ProblemError(404, `There is no page ${page}; the template has ${pages.length}.`, [
        { path: 'page', message: `expected 1 to ${pages.length}` },
      ]);
    res
      .type('image/svg+xml')
      .attachment(`${o.file}-template${pages.length > 1 ? `-${page}` : ''}.svg`)
      .send(templateSvg(wanted, templateWords(o)));
  });
  r.get('/designs/:id/template.pdf', mayRead, async (req, res) => {
    const { o, pages } = await template(req);
    const pdf = await papersFor(workerPool, res)('template', pages, templateWords(o));
    sendPaper(res, `${o.file}-template.pdf`, pdf);
  });
  r.get('/designs/:id/build-sheet.pdf', mayRead, async (req, res) => {
    const o = await opened(req);
    sendPaper(res, `${o.file}-build-sheet.pdf`, await buildSheetOf(o, papersFor(workerPool, res)));
  });
  r.get('/designs/:id/labels.pdf', mayRead, async (req, res) => {
    const { paper, copies: many, ...rest } = req.query;
    const on = read(labelSheet, rest);
    const o = await opened(req, { paper, copies: many });
    const copies = await o.em.find(CopyRow, { design: o.design.id, kit: null }, { orderBy: { id: 'asc' } });
    const labels = copies.map((c) => ({
      label: c.label,
      name: o.design.name,
      count: countLine(c.parts),
    }));
    sendPaper(res, `${o.file}-labels.pdf`, await papersFor(workerPool, res)('labels', labels, o.paper, on));
  });
  return r;
}
