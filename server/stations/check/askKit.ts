import type { EntityManager } from '@mikro-orm/core';
import type { KitAnswer, ShortAnswer } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { monthsOld } from '../../../core/child/age.ts';
import { allergyWords, type Allergy } from '../../../core/lend/allergies.ts';
import { packageAccount } from '../../../core/patterns/account.ts';
import { worst } from '../../../core/patterns/kernel.ts';
import { handTests, madeAs, testsThatCount } from '../../../core/safety/handTests.ts';
import { checkKit, type CheckedDesign } from '../../../core/safety/kitCheck.ts';
import type { Market } from '../../../core/safety/rules.ts';
import { ChildRow, DesignRow, PlaceRow, type Borrower, type Design } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound } from '../../problem.ts';
import { featuresOf } from '../shape/ladders.ts';
import { chosenFor, materialsOf } from '../shape/service.ts';
import { checkedBy, readTests } from './service.ts';

/** Who will have a kit, as far as it is known. */
export interface Who {
  /** Age of the youngest, months; null where nobody told it. */
  readonly youngest: number | null;
  readonly mouths: boolean;
  readonly allergies: readonly Allergy[];
}
export const NOBODY_TOLD: Who = { youngest: null, mouths: false, allergies: [] };

/** A kit as it was made: how each of its designs was, where that is known. */
export interface KitAsMade {
  readonly designs: readonly number[];
  /** By design; null where nobody kept it, and the design counts as it is now. */
  readonly madeAs: Readonly<Record<string, string>> | null;
  /** Somebody at home who is younger than its designs are for, months. */
  readonly youngest: number | null;
  readonly container: number | null;
}

/** Everybody at home: the family's own facts, and those of its children. The youngest counts, and anybody who mouths. */
export async function whoIs(em: EntityManager, family: Borrower, today: Day): Promise<Who> {
  const children = await em.find(ChildRow, { code: { $in: [...family.children] } });
  const ages = [
    monthsOld({ born: family.born, age: family.youngest, ageOn: family.youngestOn }, today),
    ...children.map((c) => monthsOld(c, today)),
  ].filter((a) => a !== null);
  return {
    youngest: ages.length === 0 ? null : Math.min(...ages),
    mouths: family.mouths || children.some((c) => c.mouths),
    allergies: [...new Set([...family.allergies, ...children.flatMap((c) => c.allergies)] as Allergy[])],
  };
}

/** A child by its code, with what its family says where nobody said it of the child itself. */
export async function whoIsChild(em: EntityManager, code: string, today: Day): Promise<Who> {
  const child = await em.findOne(ChildRow, { code });
  const [home] = await rows<{
    youngest: number | null;
    youngest_on: string | null;
    born: string | null;
    mouths: number;
    allergies: string;
  }>(
    em,
    'select youngest, youngest_on, born, mouths, allergies from borrower b where erased_on is null and exists (select 1 from json_each(b.children) where value = ?) limit 1',
    [code],
  );
  const own = child ? monthsOld(child, today) : null;
  return {
    youngest:
      own ??
      (home ? monthsOld({ born: home.born, age: home.youngest, ageOn: home.youngest_on }, today) : null),
    mouths: (child?.mouths ?? false) || (home ? home.mouths !== 0 : false),
    allergies: [
      ...new Set([
        ...(child?.allergies ?? []),
        ...(home ? (JSON.parse(home.allergies) as string[]) : []),
      ] as Allergy[]),
    ],
  };
}

/** A design as a kit of it was made: what a test by hand holds for says how. */
function asMade(design: Design, as: string | undefined): Design {
  if (!as) return design;
  const [pattern, dials, materials] = JSON.parse(as) as [string, [string, unknown][], [string, number[]][]];
  return {
    ...design,
    pattern,
    dials: Object.fromEntries(dials),
    materials: Object.fromEntries(materials),
  };
}

/** What is asked of one kit once, whoever will have it. */
export type Ask = (who: Who) => Omit<KitAnswer, 'isFirstLoan' | 'hangs'>;

/** How the words of an allergy begin; who knows the family puts its name there. */
export const ALLERGIC = 'Somebody at home is allergic to what is in it';

const RANK = { stop: 0, care: 1, clear: 2 } as const;

/**
 * The one question that is asked wherever a kit meets a child: what does the check say of this kit, as it was made, for who
 * will have it? An age that was told counts; where none was, the kit's own and its designs' do.
 */
export async function askKit(em: EntityManager, kit: KitAsMade, today: Day): Promise<Ask> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const found = await em.find(DesignRow, { id: { $in: [...kit.designs] } });
  if (found.length < kit.designs.length) throw notFound('design of that kit');
  const checked: CheckedDesign[] = [];
  const tested: { name: string; tests: Awaited<ReturnType<typeof readTests>>; as: string }[] = [];
  const held: Parameters<typeof allergyWords>[1][number][] = [];
  for (const id of kit.designs) {
    const now = found.find((d) => d.id === id)!;
    const as = kit.madeAs?.[String(id)];
    const made = asMade(now, as);
    const { chosen } = await chosenFor(em, made.materials, today);
    const options = await checkedBy(em, made, chosen, today);
    checked.push({ name: now.name, features: await featuresOf(em, made, today), options });
    const tests = await readTests(em, today, id);
    tested.push({ name: now.name, tests, as: as ?? madeAs(now) });
    held.push(...Object.values(chosen).flat());
  }
  const packed = kit.container === null ? [] : [...(await materialsOf(em, [kit.container], today)).values()];
  return (who) => {
    const designed = Math.min(kit.youngest ?? Infinity, ...checked.map((c) => c.options.youngest));
    const youngest = who.youngest ?? designed;
    const report = checkKit(
      checked.map((c) => ({
        ...c,
        options: { ...c.options, youngest, mouths: who.mouths || (c.options.mouths ?? false) },
      })),
      null,
      packageAccount(packed),
    );
    const against = allergyWords(who.allergies, held);
    const reasons = [
      ...(against
        ? [
            {
              verdict: 'stop' as const,
              rule: 'allergy',
              title: 'Allergy',
              where: '',
              words: `${ALLERGIC}: ${against}.`,
            },
          ]
        : []),
      ...report.findings
        .filter((f) => f.verdict !== 'clear')
        .map(({ verdict, rule, title, where, words }) => ({ verdict, rule, title, where, words })),
    ].sort((a, b) => RANK[a.verdict] - RANK[b.verdict]);
    const market = place.market as Market;
    return {
      verdict: worst(reasons.map((r) => r.verdict)),
      youngest: report.youngest,
      isTold: who.youngest !== null,
      reasons,
      untested: tested.flatMap(({ name, tests, as }) => {
        const done = testsThatCount(tests, as).filter((t) => t.passed);
        const open = handTests(report.youngest, market).filter((t) => !done.some((d) => d.test === t.id));
        return open.length > 0 ? [{ design: name, tests: open.map((t) => t.id) }] : [];
      }),
    };
  };
}

interface KitColumns {
  id: number;
  designs: string;
  made_as: string | null;
  youngest: number | null;
  container: number | null;
  loans: number;
}

/** Kits by their numbers, as they were made, and how often each was lent. */
export async function kitsAsMade(
  em: EntityManager,
  kitIds: readonly number[],
): Promise<Map<number, KitAsMade & { readonly loans: number }>> {
  const found = await rows<KitColumns>(
    em,
    'select k.id, coalesce(bundle.designs, json_array(k.design_id)) as designs, m.made_as, bundle.youngest, bundle.container, (select count(*) from loan l where l.kit_id = k.id) as loans from kit k left join bundle on bundle.id = k.bundle_id left join build m on m.id = k.build_id where k.id in (select value from json_each(?))',
    [JSON.stringify(kitIds)],
  );
  return new Map(
    found.map((c) => [
      c.id,
      {
        designs: JSON.parse(c.designs) as number[],
        madeAs: c.made_as === null ? null : (JSON.parse(c.made_as) as Record<string, string>),
        youngest: c.youngest,
        container: c.container,
        loans: c.loans,
      },
    ]),
  );
}

/** What the check says of a labelled kit for somebody; a kit that cannot be read any more is stopped, and says so. */
export async function answerFor(em: EntityManager, kitId: number, who: Who, today: Day): Promise<KitAnswer> {
  const kit = (await kitsAsMade(em, [kitId])).get(kitId);
  if (!kit) throw notFound(`kit ${kitId}`);
  return { ...(await askedOf(em, kit, today))(who), isFirstLoan: kit.loans === 0, hangs: [] };
}

/** As `askKit`, where what cannot be read any more stops. */
export const askedOf = (em: EntityManager, kit: KitAsMade, today: Day): Promise<Ask> =>
  askKit(em, kit, today).catch((error: unknown): Ask => () => ({
    verdict: 'stop',
    youngest: kit.youngest ?? 0,
    isTold: false,
    reasons: [
      {
        verdict: 'stop',
        rule: 'not-judged',
        title: 'Not judged',
        where: '',
        words: `It cannot be read any more: ${error instanceof Error ? error.message : String(error)}`,
      },
    ],
    untested: [],
  }));

/** What the check says of several kits for the ages they are made for; kits made alike are asked once. */
export async function shortAnswers(
  em: EntityManager,
  kitIds: readonly number[],
  today: Day,
): Promise<ShortAnswer[]> {
  const kits = await kitsAsMade(em, kitIds);
  const asked = new Map<string, Pick<ShortAnswer, 'verdict' | 'title'>>();
  const out: ShortAnswer[] = [];
  for (const [id, kit] of kits) {
    const key = JSON.stringify([kit.designs, kit.madeAs, kit.youngest, kit.container]);
    let short = asked.get(key);
    if (!short) {
      const { verdict, reasons } = (await askedOf(em, kit, today))(NOBODY_TOLD);
      asked.set(key, (short = { verdict, title: reasons[0]?.title ?? null }));
    }
    out.push({ id, ...short });
  }
  return out;
}
