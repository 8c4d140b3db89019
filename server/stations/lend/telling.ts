import type { EntityManager } from '@mikro-orm/core';
import { z } from 'zod';
import {
  ownMessages,
  tellingInput,
  tellingLanguage,
  type MessageWords,
  type Telling,
  type ToldAt,
} from '../../../contract/telling.ts';
import type { Day } from '../../../core/calendar/days.ts';
import {
  keptUntil,
  messageFor,
  SHIPPED_MESSAGES,
  templateFor,
  toldOfLoan,
  type MessageTemplate,
  type OwnMessages,
  type ToTell,
} from '../../../core/lend/telling.ts';
import { missing } from '../../../core/lend/status.ts';
import { BorrowerRow, PlaceRow, TellingRow } from '../../db/entities.ts';
import type { PartJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { recalledKits } from '../check/service.ts';
import { listReservations } from './reserve.ts';

export const tellingQuery = z.strictObject({ language: tellingLanguage.optional() });

interface Out {
  borrowerId: number;
  borrower: string;
  kitId: number;
  label: string;
  kit: string;
  dueOn: string;
}

/** The language asked, else the family's own, else the first of the place that messages are written in, else English. */
function wordsIn(
  place: { languages: string[]; messages: OwnMessages },
  asked: string | undefined,
  own: string | null,
): { language: string; template: MessageTemplate } {
  const usual = [...(own === null ? [] : [own]), ...place.languages, 'en'];
  for (const language of asked === undefined ? usual : [asked]) {
    const template = templateFor(language, place.messages);
    if (template) return { language, template };
  }
  throw new ProblemError(422, 'There are no words for that language yet.', [
    { path: 'language', message: 'expected a language that every message has words in' },
  ]);
}

/** Every family that there is something to tell today, with its message and when it was last told the same. */
export async function listTellings(
  em: EntityManager,
  today: Day,
  asked: string | undefined,
): Promise<Telling[]> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const inWords = new Map<string | null, ReturnType<typeof wordsIn>>();
  const wordsOf = (own: string | null): ReturnType<typeof wordsIn> => {
    const known = inWords.get(own) ?? wordsIn(place, asked, own);
    inWords.set(own, known);
    return known;
  };
  // A language without words is refused, though there is nobody to tell.
  wordsOf(null);
  const recalled = await recalledKits(em);
  const out = await rows<Out>(
    em,
    'select b.id as borrowerId, b.name as borrower, k.id as kitId, k.label, coalesce(bundle.name, d.name) as kit, l.due_on as dueOn from loan l join borrower b on b.id = l.borrower_id join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.returned_on is null order by l.due_on, k.id',
  );
  const families = new Map<number, { borrower: string; items: ToTell[] }>();
  const put = (id: number, borrower: string, item: ToTell): void => {
    const family = families.get(id) ?? { borrower, items: [] };
    families.set(id, family);
    family.items.push(item);
  };
  for (const o of out) {
    const of = toldOfLoan({ dueOn: o.dueOn, recalled: recalled.get(o.kitId) ?? null }, today);
    if (of) put(o.borrowerId, o.borrower, { of, kit: o.kit, label: o.label, day: o.dueOn });
  }
  for (const a of await askedBack(em)) put(a.borrowerId, a.borrower, a);
  for (const r of await listReservations(em, today))
    if (r.ready)
      put(r.borrowerId, r.borrower, { of: 'ready', kit: r.kit, label: r.ready, day: keptUntil(today) });
  const told = new Map(
    (
      await rows<{ borrower_id: number; told_on: string; about: string; by: string }>(
        em,
        'select borrower_id, told_on, about, "by" from telling where id in (select max(id) from telling group by borrower_id)',
      )
    ).map((t) => [t.borrower_id, t]),
  );
  const facts = new Map(
    (
      await rows<{ id: number; mail: string | null; language: string | null }>(
        em,
        'select id, mail, language from borrower where mail is not null or language is not null',
      )
    ).map((b) => [b.id, b]),
  );
  return [...families].map(([borrowerId, { borrower, items }]): Telling => {
    const last = told.get(borrowerId);
    const of = facts.get(borrowerId);
    const { language, template } = wordsOf(of?.language ?? null);
    return {
      borrowerId,
      borrower,
      items,
      language,
      mail: of?.mail ?? null,
      ...messageFor({
        family: borrower,
        place: place.name,
        phone: place.phone,
        items,
        language,
        template,
        locale: place.locale,
      }),
      // Told of other kits is not told of these.
      told:
        last && sameAbout(JSON.parse(last.about) as string[], aboutOf(items))
          ? { on: last.told_on, by: last.by as ToldAt['by'] }
          : null,
    };
  });
}

/** Kits that came back short, whose family is asked for what is lost, until it is there, filled or written off. */
async function askedBack(
  em: EntityManager,
): Promise<(ToTell & { readonly borrowerId: number; readonly borrower: string })[]> {
  const found = await rows<{
    borrowerId: number;
    borrower: string;
    label: string;
    kit: string;
    day: string;
    counted: string;
    parts: string;
  }>(
    em,
    "select b.id as borrowerId, b.name as borrower, k.label, coalesce(bundle.name, d.name) as kit, l.returned_on as day, l.counted, k.parts from loan l join borrower b on b.id = l.borrower_id join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.outcome = 'ask back' and l.returned_on is not null and k.retired_on is null and b.erased_on is null and not exists (select 1 from loan n where n.kit_id = l.kit_id and n.id > l.id) order by l.returned_on, l.id",
  );
  return found.flatMap((f) => {
    const now = JSON.parse(f.parts) as PartJson[];
    const lost = missing(JSON.parse(f.counted) as PartJson[]).flatMap(({ part, lost: n }) => {
      const still = now.find((p) => p.name === part.name);
      const left = Math.min(n, still ? still.due - still.present : 0);
      return left > 0 ? [`${left} × ${part.name}`] : [];
    });
    return lost.length === 0
      ? []
      : [
          {
            borrowerId: f.borrowerId,
            borrower: f.borrower,
            of: 'short' as const,
            kit: f.kit,
            label: f.label,
            day: f.day,
            pieces: lost.join(', '),
          },
        ];
  });
}

/** What a message is about, so that a later one is known to say the same. */
export const aboutOf = (items: readonly ToTell[]): string[] => items.map((i) => `${i.of} ${i.label}`).sort();
const sameAbout = (a: readonly string[], b: readonly string[]): boolean => a.join('\n') === b.join('\n');

export async function oneTelling(
  em: EntityManager,
  borrowerId: number,
  today: Day,
  language: string | undefined,
): Promise<Telling> {
  const found = (await listTellings(em, today, language)).find((t) => t.borrowerId === borrowerId);
  if (!found) throw notFound(`anything to tell family ${borrowerId}`);
  return found;
}

/** Keeps on record that a family was told what stands for it today. */
export async function keepTelling(
  em: EntityManager,
  input: z.infer<typeof tellingInput>,
  today: Day,
): Promise<Telling> {
  const telling = await oneTelling(em, input.borrowerId, today, input.language);
  em.create(TellingRow, {
    borrower: em.getReference(BorrowerRow, input.borrowerId),
    toldOn: today,
    about: aboutOf(telling.items),
    by: input.by,
    language: telling.language,
    words: telling.words,
  });
  await em.flush();
  return { ...telling, told: { on: today, by: input.by } };
}

/** Everything a family was told, the latest first. */
export const toldTo = (em: EntityManager, borrowerId: number): Promise<(ToldAt & { words: string })[]> =>
  rows(
    em,
    'select told_on as "on", "by", words from telling where borrower_id = ? order by id desc limit 500',
    [borrowerId],
  );

/** Kits that a family has now, for its calendar. */
export async function dueDays(em: EntityManager, borrowerId: number) {
  const family = await em.findOne(BorrowerRow, { id: borrowerId });
  if (!family) throw notFound(`family ${borrowerId}`);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const loans = await rows<{ id: number; label: string; kit: string; dueOn: string }>(
    em,
    'select l.id, k.label, coalesce(bundle.name, d.name) as kit, l.due_on as dueOn from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.returned_on is null and l.borrower_id = ? order by l.due_on, l.id',
    [borrowerId],
  );
  return { family: family.name, place: place.name, loans };
}

/** What messages are put together from: as shipped, and in the place's own words. */
export async function messageWords(em: EntityManager): Promise<MessageWords> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  return { version: place.version, shipped: SHIPPED_MESSAGES, own: place.messages };
}

export async function keepMessages(
  em: EntityManager,
  { version, own }: z.infer<typeof ownMessages>,
): Promise<MessageWords> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  if (place.version !== version)
    throw new ProblemError(
      409,
      'The place was changed meanwhile.',
      [{ path: 'version', message: `is stale: it is ${place.version} now` }],
      await messageWords(em),
    );
  // What says nothing of its own is left out.
  const said = Object.fromEntries(
    Object.entries(own).flatMap(([language, parts]) => {
      const parts_ = Object.fromEntries(Object.entries(parts ?? {}).filter(([, words]) => words !== ''));
      return Object.keys(parts_).length > 0 ? [[language, parts_]] : [];
    }),
  ) as OwnMessages;
  em.assign(place, { messages: said }, { mergeObjectProperties: false });
  await em.flush();
  return messageWords(em);
}
