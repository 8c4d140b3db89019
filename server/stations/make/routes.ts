import { Router, type Response } from 'express';
import { z } from 'zod';
import { day } from '../../../contract/common.ts';
import { buildInput } from '../../../contract/designs.ts';
import type { PurchaseAnswer } from '../../../core/price/purchase.ts';
import { labelSheet } from '../../../core/print/labelSheet.ts';
import { KitRow } from '../../db/entities.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { countLine } from '../../../core/lend/parts.ts';
import type { ServerContext } from '../../serverContext.ts';
import { ProblemError } from '../../problem.ts';
import { reading } from '../reads.ts';
import { openedDesign } from './designPapers.ts';
import { build } from './service.ts';
import { Doors } from '../../people/door.ts';

const paperQuery = z.object({
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  copies: z.coerce
    .number({ error: 'expected a number of kits' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(200, 'must be at most 200')
    .optional(),
});

const labelsQuery = labelSheet.extend(paperQuery.shape);
/** Until when things are wanted. */
const wantedQuery = paperQuery.extend({ until: day.optional() });

/** The pages of a design's template; `mirror=yes` for drawing on the back, `page` for one of them as SVG. */
const templateQuery = paperQuery.extend({
  mirror: z.enum(['yes', 'no'], { error: 'expected yes or no' }).optional(),
  page: z.coerce
    .number({ error: 'expected the number of a page' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .optional(),
});
type TemplateQuery = z.infer<typeof templateQuery>;

export function makeRoutes(serverContext: ServerContext): Router {
  const { em, inTransaction, today, workerPool } = serverContext;
  const r = new Doors();
  r.get(
    '/designs/:id/wanted.pdf',
    {
      about: 'a page for families of what is still wanted, until when, as PDF',
      id: 'design',
      query: wantedQuery,
    },
    async ({ res, id, query }) => {
      const { until: by, ...asked } = query;
      if (by !== undefined && by < today())
        throw new ProblemError(400, 'until: expected today or a later day', [
          { path: 'until', message: `expected ${today()} or a later day` },
        ]);
      const { data, file, paper } = await reading(serverContext, abortOnClose(res))('wanted', id, asked);
      const pdf = await papersFor(workerPool, res)('wanted', { ...data, until: by }, paper);
      sendPaper(res, `wanted-${file}.pdf`, pdf);
    },
  );
  r.get(
    '/designs/:id/donors.pdf',
    { about: 'what so many kits cost, on one page', id: 'design', query: paperQuery },
    async ({ res, id, query }) => {
      const { data, file, paper } = await reading(serverContext, abortOnClose(res))('donors', id, query);
      const { sheet, request } = data;
      const answer = (await workerPool.run(
        { kind: 'purchase', request },
        abortOnClose(res),
      )) as PurchaseAnswer;
      const pdf = await papersFor(workerPool, res)('donors', { ...sheet, toBuy: answer.total }, paper);
      sendPaper(res, `${file}-donors.pdf`, pdf);
    },
  );
  r.post(
    '/builds',
    {
      about:
        'takes what is free of other designs on the bench, makes labelled kits, all or nothing; answers `{id, designId, kits: [{id, label}], offcuts: [{name, count}]}`: what is left of tubes and dowels from 60 mm on goes back on the shelf as a material of its own',
      role: 'designer',
      does: 'made kits',
      isUndoable: true,
      body: buildInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => build(m, input, today())),
  );
  const template = async (id: number, { mirror, page, ...asked }: TemplateQuery, res: Response) => {
    const { data, name, file } = await reading(serverContext, abortOnClose(res))(
      'template',
      id,
      asked,
      mirror === 'yes',
    );
    if (data.pages.length === 0)
      throw new ProblemError(422, `${name} needs no template: nothing of it is cut to a drawing.`);
    return { ...data, file, page: page ?? 1 };
  };
  r.get(
    '/designs/:id/template.svg',
    {
      about:
        'papers; `?paper=A4` or `Letter`, `?copies=`; labels also `?columns=&rows=&left=&top=&start=` (mm, counted along the rows); templates also `?mirror=yes`, and `?page=` as SVG, where they take several; the wanted list also `?until=`',
      id: 'design',
      query: templateQuery,
    },
    async ({ res, id, query }) => {
      const { pages, words, file, page } = await template(id, query, res);
      const wanted = pages[page - 1];
      if (!wanted)
        throw new ProblemError(404, `There is no page ${page}; the template has ${pages.length}.`, [
          { path: 'page', message: `expected 1 to ${pages.length}` },
        ]);
      res
        .type('image/svg+xml')
        .attachment(`${file}-template${pages.length > 1 ? `-${page}` : ''}.svg`)
        .send((await import('../../formats/papers.ts')).templateSvg(wanted, words));
    },
  );
  r.get(
    '/designs/:id/template.pdf',
    { about: 'the template at true size, as PDF', id: 'design', query: templateQuery },
    async ({ res, id, query }) => {
      const { pages, words, file } = await template(id, query, res);
      sendPaper(res, `${file}-template.pdf`, await papersFor(workerPool, res)('template', pages, words));
    },
  );
  r.get(
    '/designs/:id/build-sheet.pdf',
    { about: 'how it is made, step by step, as PDF', id: 'design', query: paperQuery },
    async ({ res, id, query }) => {
      const { data, file, paper } = await reading(serverContext, abortOnClose(res))('buildSheet', id, query);
      sendPaper(res, `${file}-build-sheet.pdf`, await papersFor(workerPool, res)('buildSheet', data, paper));
    },
  );
  r.get(
    '/designs/:id/labels.pdf',
    {
      about: 'labels of its kits, each with a QR code and a Code 128, as PDF',
      id: 'design',
      query: labelsQuery,
    },
    async ({ res, id, query }) => {
      const { paper, copies: many, ...on } = query;
      const o = await openedDesign(em(), id, { paper, copies: many }, today());
      const copies = await o.em.find(
        KitRow,
        { design: o.design.id, bundle: null },
        { orderBy: { id: 'asc' } },
      );
      const labels = copies.map((c) => ({
        label: c.label,
        name: o.design.name,
        count: countLine(c.parts),
      }));
      sendPaper(res, `${o.file}-labels.pdf`, await papersFor(workerPool, res)('labels', labels, o.paper, on));
    },
  );
  return r.router;
}
