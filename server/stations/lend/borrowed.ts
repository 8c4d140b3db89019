import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { languageOf } from '../../../core/languages/messages.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import { firstAlone } from '../../../core/watch/term.ts';
import { DesignRow, PlaceRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import type { Borrowed } from '../../formats/borrowed.ts';
import { atOf, chosenFor } from '../shape/service.ts';
import { watched } from '../watch/model.ts';
import { oneFamily } from './borrowers.ts';

/**
 * What a family had from one day to another, both included, and what its children do alone by then, in its own language, or
 * in English where that has no sentences.
 *
 * @throws ProblemError 404 where there is no such family
 */
export async function borrowed(
  em: EntityManager,
  id: number,
  asked: { readonly from: Day; readonly to: Day; readonly today: Day },
): Promise<Borrowed> {
  const { from, to, today } = asked;
  const family = await oneFamily(em, id, today);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const language = languageOf(family.language ?? place.languages[0] ?? 'en') ?? 'en';
  const loans = await rows<Borrowed['loans'][number]>(
    em,
    'select coalesce(bundle.name, d.name) as kit, l.lent_on as lentOn, l.returned_on as returnedOn from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.borrower_id = ? and l.lent_on <= ? and coalesce(l.returned_on, ?) >= ? order by l.lent_on, l.id',
    [id, to, to, from],
  );
  const notes = family.children.length > 0 ? await watched(em) : [];
  const alone = family.children.map((code) => ({ code, levels: firstAlone(notes, code, to) }));
  const designs = await em.find(DesignRow, {
    id: { $in: [...new Set(alone.flatMap((c) => c.levels.map((l) => l.designId)))] },
  });
  /** By design: what its levels are called in the language, by what notes call them. */
  const named = new Map<number, { readonly name: string; readonly levels: ReadonlyMap<string, string> }>();
  for (const d of designs) named.set(d.id, { name: d.name, levels: await levelsIn(em, d, language, today) });
  return {
    family: family.name,
    place: place.name,
    from,
    to,
    language,
    locale: place.locale.startsWith(language) ? place.locale : language,
    loans,
    children: alone.map(({ code, levels }) => ({
      code,
      sittings: notes.filter((n) => n.child === code && n.satOn >= from && n.satOn <= to).length,
      alone: levels.flatMap(({ designId, level, since }) => {
        const of = named.get(designId);
        return of ? [{ design: of.name, level: of.levels.get(level) ?? level, since }] : [];
      }),
    })),
  };
}

/** Names of a design's levels in a language, by their English ones; empty where the design cannot be read. */
async function levelsIn(
  em: EntityManager,
  d: Parameters<typeof atOf>[0] & {
    readonly pattern: string;
    readonly materials: Parameters<typeof chosenFor>[1];
  },
  language: Borrowed['language'],
  today: Day,
): Promise<Map<string, string>> {
  if (language === 'en') return new Map();
  try {
    const pattern = await loadPattern(d.pattern);
    const at = atOf(d, (await chosenFor(em, d.materials, today)).chosen);
    const told = pattern.levels({ ...at, language });
    return new Map(pattern.levels(at).map(({ name }, i) => [name, told[i]?.name ?? name]));
  } catch {
    return new Map();
  }
}
