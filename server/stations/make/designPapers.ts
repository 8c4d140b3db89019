import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { formatLength, type LengthUnit } from '../../../core/measure/length.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import { ownFactor } from '../../../core/plan/minutes.ts';
import { orderSteps } from '../../../core/plan/order.ts';
import { pagesOf, type TemplatePage } from '../../../core/print/pages.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { checkFeatures } from '../../../core/safety/check.ts';
import { PlaceRow } from '../../db/entities.ts';
import type { BuildSheet } from '../../formats/buildSheet.ts';
import type { TemplateWords } from '../../formats/papers.ts';
import { checkedBy } from '../check/service.ts';
import { ownTimes } from './ownTimes.ts';
import { atOf, chosenFor, findDesign } from '../shape/service.ts';

/** On what a paper of a design is made and for how many kits; what is not said is the place's and the design's own. */
export interface PaperAsked {
  readonly paper?: Paper | undefined;
  readonly copies?: number | undefined;
}

/** A design with everything that its papers are made of. */
export async function openedDesign(em: EntityManager, id: number, asked: PaperAsked, today: Day) {
  const design = await findDesign(em, id);
  const pattern = await loadPattern(design.pattern);
  const { chosen } = await chosenFor(em, design.materials, today);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  return {
    design,
    pattern,
    at: atOf(design, chosen),
    unit: place.lengthUnit as LengthUnit,
    paper: asked.paper ?? (place.paper as Paper),
    copies: asked.copies ?? design.copies,
    file: `${design.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'design'}-${design.id}`,
    em,
    today,
    place: place.name,
    locale: place.locale,
  };
}
export type OpenedDesign = Awaited<ReturnType<typeof openedDesign>>;

/** What a template is headed by: the design and its measures. */
function templateWords(o: OpenedDesign): TemplateWords {
  const dials = o.pattern.check(o.design.dials);
  const line = o.pattern
    .specs(o.at)
    .flatMap((s) =>
      s.kind === 'number' && s.unit === 'mm'
        ? [`${s.label} ${formatLength(Number(dials[s.id]), o.unit)}`]
        : [],
    )
    .join(' · ');
  return { title: `${o.design.name}: template`, line, unit: o.unit };
}

/** The pages of a design's template, true to scale, with the words over them; no page where nothing is cut to a drawing. */
export function templateData(
  o: OpenedDesign,
  mirror: boolean,
): { pages: TemplatePage[]; words: TemplateWords } {
  return {
    pages: pagesOf(o.pattern.draw(o.at).sheets, { paper: o.paper, mirror, unit: o.unit }),
    words: templateWords(o),
  };
}

/** What the build sheet says; the check on it is today's. */
export async function buildSheetData(o: OpenedDesign): Promise<BuildSheet> {
  const d = o.design;
  return {
    name: d.name,
    label: `FB-${String(d.id).padStart(3, '0')}`,
    forGroup: d.forGroup,
    ageFrom: d.ageFrom,
    ageTo: d.ageTo,
    approach: d.approach,
    copies: o.copies,
    scene: o.pattern.draw(o.at).scene,
    needs: o.pattern.needs(o.at),
    unlisted: o.pattern.plan(o.at).unlisted ?? [],
    placed: orderSteps(
      o.pattern.steps({ ...o.at, kits: o.copies }),
      o.copies,
      ownFactor(await ownTimes(o.em), d.pattern),
    ),
    findings: checkFeatures(o.pattern.features(o.at), await checkedBy(o.em, d, o.at.chosen, o.today))
      .findings,
    show: o.pattern.show(o.at),
    unit: o.unit,
  };
}
