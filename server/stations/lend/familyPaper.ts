import type { EntityManager } from '@mikro-orm/core';
import { stepPictures } from '../../../core/drawing/stepPictures.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { languageOf } from '../../../core/languages/messages.ts';
import { partsOfBundle } from '../../../core/lend/bundle.ts';
import {
  pictured,
  preparedSteps,
  type FamilyPaper,
  type HomeDesign,
} from '../../../core/lend/familyPaper.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import { orderSteps } from '../../../core/plan/order.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { checkIn } from '../../../core/safety/check.ts';
import { KitRow, PlaceRow } from '../../db/entities.ts';
import { atOf, chosenFor, findDesign } from '../shape/service.ts';
import { checkedBy } from '../check/service.ts';
import { findBundle, worked } from './bundles.ts';

export interface PaperAsk {
  readonly paper?: Paper | undefined;
  readonly language?: string | undefined;
  readonly prepared?: 'yes' | 'no' | undefined;
}

/** What papers for families are made for: one design, or a kit of several. */
interface Handed {
  readonly name: string;
  readonly designs: readonly number[];
  readonly container?: number | null | undefined;
  /** The place's own, by language. */
  readonly words: Readonly<Record<string, string>>;
  readonly labels: readonly string[];
}

/** A kit as its families read it, in one of the place's languages. */
export async function familyPaper(
  em: EntityManager,
  id: number,
  asked: PaperAsk,
  today: Day,
): Promise<FamilyPaper> {
  const bundle = await findBundle(em, id);
  const copies = await em.find(KitRow, { bundle: id }, { orderBy: { id: 'asc' } });
  return paperOf(em, { ...bundle, labels: copies.map((c) => c.label) }, asked, today);
}

/** A design that is lent or given by itself, as its families read it. */
export async function designFamilyPaper(
  em: EntityManager,
  id: number,
  asked: PaperAsk,
  today: Day,
): Promise<FamilyPaper> {
  const { name } = await findDesign(em, id);
  const copies = await em.find(KitRow, { design: id, bundle: null }, { orderBy: { id: 'asc' } });
  const labels = copies.map((c) => c.label);
  return paperOf(em, { name, designs: [id], words: {}, labels }, asked, today);
}

async function paperOf(em: EntityManager, handed: Handed, asked: PaperAsk, today: Day): Promise<FamilyPaper> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const language = asked.language ?? place.languages[0] ?? 'en';
  // What has no sentences in the language is said in English.
  const told = languageOf(language) ?? 'en';
  const w = await worked(em, handed, today, { language: told });
  const designs: HomeDesign[] = [];
  for (const d of w.designs) {
    const pattern = await loadPattern(d.pattern);
    const { chosen } = await chosenFor(em, d.materials, today);
    const at = { ...atOf(d, chosen), language: told };
    const steps = pattern.steps(at);
    const placed = orderSteps(steps, 1);
    const { scene, picture } = pattern.draw(at);
    designs.push({
      name: d.name,
      does: pattern.does(at),
      ageFrom: d.ageFrom,
      ageTo: d.ageTo,
      scene: picture,
      stepPictures: stepPictures(
        scene,
        placed.map((p) => p.step.id),
      ),
      placed,
      prepared: asked.prepared === 'no' ? [] : preparedSteps(steps),
      show: pattern.show(at),
      levels: pattern.levels(at).map(({ name, grip }) => ({ name, grip })),
      findings: checkIn((to) => pattern.features({ ...at, language: to.language }), {
        ...(await checkedBy(em, d, at.chosen, today)),
        language: told,
      }).findings,
    });
  }
  return {
    name: handed.name,
    place: place.name,
    language,
    paper: asked.paper ?? (place.paper as Paper),
    unit: place.lengthUnit as LengthUnit,
    words: handed.words[language] ?? '',
    designs,
    parts: pictured(
      partsOfBundle(w.bundle),
      w.bundle.flatMap((k) => k.needs),
      w.shelf,
    ),
    labels: handed.labels,
  };
}
