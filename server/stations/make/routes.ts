import { Router, type Request } from 'express';
import { z } from 'zod';
import { day } from '../../../contract/common.ts';
import { buildInput } from '../../../contract/designs.ts';
import { formatLength, type LengthUnit } from '../../../core/measure/length.ts';
import { patternOf } from '../../../core/patterns/index.ts';
import { orderSteps } from '../../../core/plan/order.ts';
import { templatePage } from '../../../core/print/template.ts';
import type { Market } from '../../../core/safety/rules.ts';
import { checkFeatures } from '../../../core/safety/check.ts';
import { CopyRow, PlaceRow } from '../../db/entities.ts';
import { buildSheetPdf } from '../../formats/buildSheet.ts';
import { templatePdf } from '../../formats/papers.ts';
import { wantedPdf } from '../../formats/wanted.ts';
import { templateSvg } from '../../formats/svg.ts';
import { hungUp } from '../../compute/hungUp.ts';
import type { Inside } from '../../inside.ts';
import { ProblemError, read, readId } from '../../problem.ts';
import { wantedFor } from '../gather/wanted.ts';
import { chosenFor, findDesign } from '../shape/service.ts';
import { build } from './service.ts';

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

export function makeRoutes({ em, inTransaction, today, door }: Inside): Router {
  const r = Router();
  const opened = async (req: Request, asked: unknown = req.query) => {
    const id = readId(req.params.id, 'design');
    const query = read(paperQuery, asked);
    const m = em();
    const design = await findDesign(m, id);
    const pattern = patternOf(design.pattern);
    const { chosen } = await chosenFor(m, design.materials, today());
    const place = await m.findOneOrFail(PlaceRow, { id: 1 });
    const unit = place.lengthUnit as LengthUnit;
    const paper = query.paper ?? (place.paper as 'A4' | 'Letter');
    const file = `${design.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'design'}-${design.id}`;
    return {
      design,
      pattern,
      chosen,
      unit,
      paper,
      copies: query.copies ?? design.copies,
      file,
      em: m,
      place: place.name,
      locale: place.locale,
      market: place.market as Market,
    };
  };
  const templateWords = (
    o: Awaited<ReturnType<typeof opened>>,
  ): { title: string; line: string; unit: LengthUnit } => {
    const specs = o.pattern.dialSpecs(o.design.dials, o.chosen).filter((s) => s.kind === 'length');
    const line = specs
      .map((s) => `${s.label} ${formatLength(Number(o.design.dials[s.id]), o.unit)}`)
      .join(' · ');
    return {
      title: `${o.design.name}: template`,
      line: `${line}. Solid line: cut (adult, blade). Dashed: edge of the lid.`,
      unit: o.unit,
    };
  };

  r.get('/designs/:id/wanted.pdf', async (req, res) => {
    const { until, ...rest } = req.query;
    const o = await opened(req, rest);
    const by = read(wantedQuery, { until }).until;
    if (by !== undefined && by < today())
      throw new ProblemError(400, 'until: expected today or a later day', [
        { path: 'until', message: `expected ${today()} or a later day` },
      ]);
    const lines = await wantedFor(o.em, o.design, o.copies, today());
    const pdf = await wantedPdf(
      { place: o.place, design: o.design.name, lines, until: by, unit: o.unit, locale: o.locale },
      o.paper,
    );
    res.type('pdf').attachment(`wanted-${o.file}.pdf`).send(Buffer.from(pdf));
  });
  r.post('/builds', async (req, res) => {
    const input = read(buildInput, req.body);
    res.status(201).json(await inTransaction((m) => build(m, input, today())));
  });
  r.get('/designs/:id/template.svg', async (req, res) => {
    const o = await opened(req);
    const page = templatePage(o.pattern.layout(o.design.dials, o.chosen).template, o.paper);
    res
      .type('image/svg+xml')
      .attachment(`${o.file}-template.svg`)
      .send(templateSvg(page, templateWords(o)));
  });
  r.get('/designs/:id/template.pdf', async (req, res) => {
    const o = await opened(req);
    const page = templatePage(o.pattern.layout(o.design.dials, o.chosen).template, o.paper);
    res
      .type('application/pdf')
      .attachment(`${o.file}-template.pdf`)
      .send(Buffer.from(await templatePdf(page, templateWords(o))));
  });
  r.get('/designs/:id/build-sheet.pdf', async (req, res) => {
    const o = await opened(req);
    const d = o.design;
    const pdf = await buildSheetPdf(
      {
        name: d.name,
        label: `FB-${String(d.id).padStart(3, '0')}`,
        forGroup: d.forGroup,
        ageFrom: d.ageFrom,
        ageTo: d.ageTo,
        approach: typeof d.dials.approach === 'string' ? d.dials.approach : '',
        copies: o.copies,
        layout: o.pattern.layout(d.dials, o.chosen),
        needs: o.pattern.needs(d.dials, o.chosen),
        placed: orderSteps(o.pattern.steps(d.dials, o.chosen), o.copies),
        findings: checkFeatures(o.pattern.features(d.dials, o.chosen), {
          youngest: d.ageFrom,
          market: o.market,
        }).findings,
        show: o.pattern.show(d.dials, o.chosen),
        unit: o.unit,
      },
      o.paper,
    );
    res.type('application/pdf').attachment(`${o.file}-build-sheet.pdf`).send(Buffer.from(pdf));
  });
  r.get('/designs/:id/labels.pdf', async (req, res) => {
    const o = await opened(req);
    const copies = await o.em.find(CopyRow, { design: o.design.id }, { orderBy: { id: 'asc' } });
    const labels = copies.map((c) => ({
      label: c.label,
      name: o.design.name,
      // The pieces first: they are what a family counts.
      count: [...c.parts]
        .sort((p, q) => q.due - p.due)
        .map((p) => `${p.due} × ${p.name}`)
        .join(', '),
    }));
    res
      .type('application/pdf')
      .attachment(`${o.file}-labels.pdf`)
      .send(
        Buffer.from((await door.run({ kind: 'labels', labels, paper: o.paper }, hungUp(res))) as Uint8Array),
      );
  });
  return r;
}
