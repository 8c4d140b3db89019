import { ERASED } from '../../../contract/children.ts';
import type { EntityManager } from '@mikro-orm/core';
import type {
  ChildPage,
  GroupPage,
  LevelChance,
  WatchedChild,
  WatchedGroup,
} from '../../../contract/watching.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { Skill } from '../../../core/patterns/kernel.ts';
import { groupDesigns, groupOf, toMake } from '../../../core/watch/groupView.ts';
import { chanceAt, childAbility, doubtsOf, type Ability } from '../../../core/watch/ladderModel.ts';
import { levelKey } from '../../../core/watch/outcomes.ts';
import { whatNext, type Candidate } from '../../../core/watch/whatNext.ts';
import type { WorkerPool } from '../../compute/workerPool.ts';
import { DesignRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound } from '../../problem.ts';
import { askedOf, kitsAsMade, whoIsChild, type Who } from '../check/askKit.ts';
import { kitsToTake } from '../lend/kits.ts';
import { modelled } from './model.ts';
import { ladderOf } from '../shape/ladders.ts';

/** Children that notes speak of, the latest first. */
export const watchedChildren = (em: EntityManager): Promise<WatchedChild[]> =>
  rows<WatchedChild>(
    em,
    'select child, count(*) as notes, max(sat_on) as lastOn from note where substr(child, 1, ?) <> ? group by child order by 3 desc, 1 limit 5000',
    [ERASED.length, ERASED],
  );

/** Groups that notes speak of, the largest first. */
export async function watchedGroups(em: EntityManager): Promise<WatchedGroup[]> {
  const groups = new Map<string, { children: number; notes: number }>();
  for (const c of await watchedChildren(em)) {
    const group = groups.get(groupOf(c.child)) ?? { children: 0, notes: 0 };
    groups.set(groupOf(c.child), { children: group.children + 1, notes: group.notes + c.notes });
  }
  return [...groups]
    .map(([group, n]) => ({ group, ...n }))
    .sort((a, b) => b.notes - a.notes || (a.group < b.group ? -1 : 1));
}

/** A group: who is where, what says that it is too hard or dull, and what to make next. */
export async function groupPage(options: {
  em: EntityManager;
  workerPool: WorkerPool;
  today: Day;
  group: string;
  signal?: AbortSignal | undefined;
}): Promise<GroupPage> {
  const { em, workerPool, today, group } = options;
  const { notes, outcomes, model, patternOf } = await modelled(em, workerPool, options.signal);
  const own = notes.filter((n) => groupOf(n.child) === group);
  if (own.length === 0) throw notFound(`note on a child of ${group}`);
  const children = [...new Set(own.map((n) => n.child))].sort();
  const designs = await em.find(DesignRow, {}, { orderBy: { id: 'asc' } });
  const named = new Map(designs.map((d) => [d.id, { design: d.name, skill: d.skill }]));
  const withKit = new Set(
    (
      await rows<{ id: number }>(
        em,
        'select distinct value as id from kit k left join bundle on bundle.id = k.bundle_id, json_each(coalesce(bundle.designs, json_array(k.design_id))) where k.retired_on is null',
      )
    ).map((r) => r.id),
  );
  const candidates = [];
  for (const d of designs)
    if (!withKit.has(d.id))
      for (const { name: level, bits } of await ladderOf(em, d, today).catch(() => []))
        candidates.push({ designId: d.id, level, bits, skill: d.skill });
  const abilities = new Map<string, Ability>();
  const abilityAt = (child: string, skill: string): Ability => {
    const key = `${child}\n${skill}`;
    const found =
      abilities.get(key) ?? childAbility(outcomes, child, model, (id) => named.get(id)?.skill === skill);
    abilities.set(key, found);
    return found;
  };
  const doubts = new Map(children.map((c) => [c, doubtsOf(outcomes, c, model, patternOf)]));
  const name = <T extends { readonly designId: number }>(x: T) => ({ ...x, ...named.get(x.designId)! });
  return {
    group,
    children,
    designs: groupDesigns(own).map(name),
    make: await checkedFor(
      em,
      toMake(children, candidates, model, abilityAt, (child, level) => doubts.get(child)!(level))
        .slice(0, 5)
        .map(name),
      children,
      today,
    ),
    isGuess: model.isGuess,
  };
}

/** Designs that could be made next, each with what the check says of it for all children of a group together. */
async function checkedFor<T extends { readonly designId: number }>(
  em: EntityManager,
  list: readonly T[],
  children: readonly string[],
  today: Day,
): Promise<(T & { readonly check: Candidate['check'] })[]> {
  const each: Who[] = [];
  for (const c of children) each.push(await whoIsChild(em, c, today));
  const ages = each.flatMap((w) => w.youngest ?? []);
  const who: Who = {
    youngest: ages.length === 0 ? null : Math.min(...ages),
    mouths: each.some((w) => w.mouths),
    allergies: [...new Set(each.flatMap((w) => w.allergies))],
  };
  const out: (T & { check: Candidate['check'] })[] = [];
  for (const x of list) {
    const kit = { designs: [x.designId], madeAs: null, youngest: null, container: null };
    const answer = (await askedOf(em, kit, today))(who);
    const [first] = answer.reasons;
    out.push({
      ...x,
      check: {
        verdict: answer.verdict,
        title: first?.title ?? null,
        words: first ? `${first.title}: ${first.words}` : null,
      },
    });
  }
  return out;
}

/** What the check says, by design, of the kit that could be taken; it is asked of each kit once. */
async function answersFor(
  em: EntityManager,
  labels: ReadonlyMap<number, string>,
  who: Who,
  today: Day,
): Promise<Map<number, Candidate['check']>> {
  const ids = await rows<{ id: number; label: string }>(
    em,
    'select id, label from kit where label in (select value from json_each(?))',
    [JSON.stringify([...new Set(labels.values())])],
  );
  const kits = await kitsAsMade(
    em,
    ids.map((k) => k.id),
  );
  const byLabel = new Map<string, Candidate['check']>();
  for (const { id, label } of ids) {
    const answer = (await askedOf(em, kits.get(id)!, today))(who);
    const [first] = answer.reasons;
    byLabel.set(label, {
      verdict: answer.verdict,
      title: first?.title ?? null,
      words: first ? `${first.title}: ${first.words}` : null,
    });
  }
  return new Map([...labels].map(([design, label]) => [design, byLabel.get(label)!]));
}

/** What is worked out of the notes on one child, and what to offer next. */
export async function childPage(options: {
  em: EntityManager;
  workerPool: WorkerPool;
  today: Day;
  child: string;
  skill: Skill | undefined;
  signal?: AbortSignal | undefined;
}): Promise<ChildPage> {
  const { em, workerPool, today, child } = options;
  const { notes: all, outcomes, model, patternOf } = await modelled(em, workerPool, options.signal);
  const own = all.filter((n) => n.child === child);
  if (own.length === 0) throw notFound(`note on ${child}`);
  const designs = await em.find(DesignRow, {}, { orderBy: { id: 'asc' } });
  const skills = new Map(designs.map((d) => [d.id, d.skill]));
  const abilities = new Map<string, Ability>();
  const abilityAt = (skill: string): Ability => {
    const found =
      abilities.get(skill) ?? childAbility(outcomes, child, model, (id) => skills.get(id) === skill);
    abilities.set(skill, found);
    return found;
  };
  const doubtOf = doubtsOf(outcomes, child, model, patternOf);
  const ladders = new Map<number, readonly { name: string; bits: number }[]>();
  const tried = new Set(own.map((n) => n.designId));
  const labels = await kitsToTake(em, today);
  for (const d of designs)
    if (tried.has(d.id) || labels.has(d.id))
      // A design that cannot be read has no ladder to offer.
      ladders.set(d.id, await ladderOf(em, d, today).catch(() => []));
  const row = outcomes.responses[outcomes.children.indexOf(child)]!;
  const answers = new Map(outcomes.levels.map((r, j) => [levelKey(r), row[j]!]));
  const levels = designs
    .filter((d) => tried.has(d.id))
    .flatMap((d) =>
      (ladders.get(d.id) ?? []).map(({ name: level, bits }): LevelChance => {
        const at = { designId: d.id, level, bits };
        return {
          ...at,
          design: d.name,
          isMeasured: model.isMeasured(at),
          alone: answers.get(levelKey(at)) ?? null,
          ...chanceAt(abilityAt(d.skill), model.difficulty(at), doubtOf(at)),
        };
      }),
    );
  const who = await whoIsChild(em, child, today);
  const checks = await answersFor(em, labels, who, today);
  const candidates = designs.flatMap((d): Candidate[] =>
    labels.has(d.id)
      ? (ladders.get(d.id) ?? []).map(({ name: level, bits }) => ({
          check: checks.get(d.id)!,
          designId: d.id,
          design: d.name,
          skill: d.skill,
          level,
          bits,
          label: labels.get(d.id)!,
        }))
      : [],
  );
  const aim = options.skill ?? designs.find((d) => d.id === own.at(-1)!.designId)!.skill;
  return {
    child,
    notes: own.length,
    ability: abilityAt(aim),
    rests: {
      children: model.children,
      answers: model.answers,
      levels: model.levels,
      isGuess: model.isGuess,
      help: model.help,
    },
    levels,
    whatNext: whatNext({
      notes: own,
      candidates,
      model,
      ability: abilityAt,
      doubt: doubtOf,
      skill: aim,
      nameOf: (id) => designs.find((d) => d.id === id)?.name ?? `design ${id}`,
      skillOf: (id) => skills.get(id),
    }),
  };
}
