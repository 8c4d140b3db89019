import { Router, type Request } from 'express';
import {
  countQuery,
  handQuery,
  measureQuery,
  sheetQuery,
  stencilInput,
  type HandAnswer,
  type PhotoAnswer,
  type PhotoCountAnswer,
} from '../../../contract/photo.ts';
import { catalogue } from '../../../core/catalogue/index.ts';
import { countThings } from '../../../core/photo/count.ts';
import { catalogueKinds, shelfKinds } from '../../../core/photo/kinds.ts';
import type { MeasureOptions } from '../../../core/photo/measure.ts';
import { abortOnClose } from '../../compute/abortOnClose.ts';
import { papersFor, sendPaper } from '../../compute/paper.ts';
import { Doors } from '../../people/door.ts';
import { ProblemError } from '../../problemError.ts';
import type { ServerContext } from '../../serverContext.ts';
import { notFound } from '../../problem.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import type { Paper } from '../../../core/print/paper.ts';
import type { PhotoJob } from './readPhoto.ts';
import { stencil } from './stencil.ts';
import { wholeShelf } from '../gather/service.ts';
import { kitOf } from '../lend/kits.ts';

/** Largest file of a photo, bytes. */
const MOST_BYTES = 32_000_000;
const MEDIA = ['image/jpeg', 'image/png'];

/** The whole picture in memory; it is kept nowhere else. */
async function photoIn(req: Request): Promise<Uint8Array> {
  const tooLarge = (): ProblemError =>
    new ProblemError(413, `The photo is over ${MOST_BYTES / 1e6} MB.`, [
      { path: 'photo', message: `is over ${MOST_BYTES / 1e6} MB` },
    ]);
  if (!req.is(MEDIA))
    throw new ProblemError(415, `Expected content-type ${MEDIA.join(' or ')}.`, [
      { path: 'content-type', message: `expected ${MEDIA.join(' or ')}` },
    ]);
  if (Number(req.headers['content-length'] ?? 0) > MOST_BYTES) throw tooLarge();
  const pieces: Buffer[] = [];
  let bytes = 0;
  for await (const piece of req as AsyncIterable<Buffer>) {
    bytes += piece.length;
    if (bytes > MOST_BYTES) throw tooLarge();
    pieces.push(piece);
  }
  return new Uint8Array(Buffer.concat(pieces));
}

/** Photos stream in, so these doors stand before the reading of JSON bodies. */
export function photoInRoutes({ em, today, workerPool }: ServerContext): Router {
  const r = new Doors();
  const read = async (req: Request, what: PhotoJob['what'], signal: AbortSignal): Promise<unknown> => {
    try {
      const bytes = await photoIn(req);
      return await workerPool.run({ kind: 'photo', bytes, what }, signal);
    } catch (error) {
      // What is left of a refused photo is let go.
      req.resume();
      throw error;
    }
  };
  const measured = async (req: Request, options: MeasureOptions, signal: AbortSignal): Promise<PhotoAnswer> =>
    (await read(req, { of: 'things', options }, signal)) as PhotoAnswer;
  r.post(
    '/photo/hand',
    {
      about:
        'a child’s hand that lies flat on a measuring sheet, palm down, its fingers spread: `{breadth, span, lengths: {thumb, first, middle, ring, little}, uncertainty, seen, photo}`, mm; `breadth` is across the knuckles without the thumb, `span` from the tip of the thumb to that of the little finger as they were spread, `uncertainty` the standard deviation of each. Nothing is written or kept',
      role: 'designer',
      media: MEDIA.join(' or '),
      bytes: MOST_BYTES,
      query: handQuery,
    },
    async ({ req, res, query: { bar } }) =>
      (await read(req, { of: 'hand', bar }, abortOnClose(res))) as HandAnswer,
  );
  r.post(
    '/photo/measure',
    {
      about:
        'a photo of things on a measuring sheet (`GET /photo/sheet.pdf`): `{sheet: {paper, marks, scale}, camera: {x, y, above, tilt}, things: [{outline: [[x, y]], shadow, seen, x, y, long, short, area, uncertainty, form, roundness, colour, holes: [{long, short, x, y, outline}], height, heightFrom, nearest: [{material, catalogue, name, score, height}]}], warnings, about, photo}`, mm from the sheet’s lower left; `long` and `short` are the sides of the smallest box round its plan, `uncertainty` their standard deviation; `about` names the thing that each warning is about, null for all. `height` is that of everything there, `heights=auto` takes that of the kind on the shelf that each is most like, and without either it is found from the outline where that tells it. `bar` is the length of the printed bar by a ruler. What cannot be measured is a 422 that says what to do. Nothing is written or kept',
      media: MEDIA.join(' or '),
      bytes: MOST_BYTES,
      query: measureQuery,
    },
    async ({ req, res, query: { height, heights, bar } }) => {
      const materials = await wholeShelf(em(), today());
      return measured(
        req,
        {
          height: heights ?? height ?? null,
          bar,
          kinds: [...shelfKinds(materials), ...catalogueKinds(catalogue, materials)],
        },
        abortOnClose(res),
      );
    },
  );
  r.post(
    '/photo/count',
    {
      about:
        'the pieces of a kit in a photo, by the best match of size, form and colour: `{kit, parts: [{name, of, seen, sure, things}], strangers, byHand, measured}`; `things` and `strangers` are places in `measured.things`, `byHand` names parts that have no size of their own. It takes nothing back: a person confirms',
      role: 'lender',
      media: MEDIA.join(' or '),
      bytes: MOST_BYTES,
      query: countQuery,
    },
    async ({ req, res, query: { kit: id, bar } }): Promise<PhotoCountAnswer> => {
      const signal = abortOnClose(res);
      const kit = await kitOf(em(), id);
      if (!kit) {
        req.resume();
        throw notFound(`kit ${id}`);
      }
      const materials = new Map((await wholeShelf(em(), today())).map((m) => [m.id, m]));
      const counted = kit.parts.map((p) => {
        const m = p.materialId === null || p.takes !== 1 ? undefined : materials.get(p.materialId);
        return { part: p, kind: m && shelfKinds([m])[0] };
      });
      const kinds = counted.flatMap(({ part, kind }) =>
        kind && part.due > 0 ? [{ ...kind, name: part.name, of: part.due }] : [],
      );
      const answer = await measured(req, { height: 'auto', bar, kinds }, signal);
      return {
        kit: kit.label,
        ...countThings(answer.things, kinds),
        byHand: counted.flatMap(({ part, kind }) => (kind ? [] : [{ name: part.name, of: part.due }])),
        measured: answer,
      };
    },
  );
  return r.router;
}

export function photoRoutes({ em, workerPool }: ServerContext): Router {
  const r = new Doors();
  r.post(
    '/photo/stencil.pdf',
    {
      about:
        'an outline, as one traced from a photo, with what is open inside it, printed at its true size to draw round or to cut out; `longest` is its longer extent in mm',
      body: stencilInput,
    },
    async ({ res, body: { outline, longest, paper } }) => {
      const place = await em().findOneOrFail(PlaceRow, { id: 1 });
      const { pages, words } = stencil(outline, longest, {
        paper: paper ?? (place.paper as Paper),
        unit: place.lengthUnit as LengthUnit,
      });
      sendPaper(res, 'stencil.pdf', await papersFor(workerPool, res)('template', pages, words));
    },
  );
  r.get(
    '/photo/sheet.pdf',
    {
      about:
        'the measuring sheet, true to size on its long side: a coloured ground with a mark in each corner, a bar and the outline of a bank card to check the print by',
      query: sheetQuery,
    },
    async ({ res, query: { paper } }) =>
      sendPaper(res, `measuring-sheet-${paper}.pdf`, await papersFor(workerPool, res)('photoSheet', paper)),
  );
  return r.router;
}
