import { useEffect, useMemo, useState } from 'react';
import { useQueries, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { MaterialRow } from '../../contract/materials.ts';
import type { Place } from '../../contract/place.ts';
import { formatAges } from '../../core/calendar/ages.ts';
import { groupsOf, type GroupAges } from '../../core/child/groupAges.ts';
import { asMeasured } from '../../core/materials/material.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import { kits } from '../../core/needs/supply.ts';
import {
  areLoaded,
  patternIds,
  patternOf,
  SKILLS,
  type BenchTool,
  type Skill,
} from '../../core/patterns/index.ts';
import { skillPlain } from '../../core/patterns/skillWords.ts';
import type { OwnTimes } from '../../core/plan/ownMinutes.ts';
import { within } from '../../core/plan/within.ts';
import type { Suggested, Suggestion, Wish } from '../../core/plan/suggestion.ts';
import { words } from '../data/api.ts';
import { useDesigns, useOwnTimes, useRules } from '../data/queries.ts';
import { ScenePicture } from '../drawing/ScenePicture.tsx';
import { Button } from '../parts/Button.tsx';
import { Choice, ChoiceOfMany } from '../parts/Choice.tsx';
import { Notice, Quiet, Row } from '../parts/Panel.tsx';
import { planner } from '../work/door.ts';
import { text } from './text.ts';

/** Where a place has no groups yet, months. */
const BANDS = [
  [12, 18],
  [18, 30],
  [30, 48],
  [48, 72],
] as const;

/** What may be wished besides the shelf; any of them together. */
type AtHand = 'noBlade' | 'half' | 'quiet' | 'waiting';
const AT_HAND: readonly { value: AtHand; label: string }[] = [
  { value: 'noBlade', label: text('noBlade') },
  { value: 'half', label: text('halfHour') },
  { value: 'quiet', label: text('mustQuiet') },
  { value: 'waiting', label: text('waitingRoom') },
];

/** Tools that not every place has; those of a blade go by “No blade”. */
const SCARCE: readonly BenchTool[] = ['hole punch', 'saw', 'bradawl', 'sandpaper', 'laminator', 'printer'];

/** What is wished for, and how it is asked for. */
export interface Wishes {
  readonly wish: Wish;
  readonly whom: GroupAges;
  readonly fields: React.ReactNode;
}

/** Which skill, for whom, what is at hand and what is not: the same wishes wherever something new is begun. */
export function useWishes(place: Place): Wishes {
  const { data: designs } = useDesigns();
  const { data: rules } = useRules();
  const groups = useMemo(() => {
    const known = groupsOf(designs ?? []);
    return known.length > 0
      ? known
      : BANDS.map(([ageFrom, ageTo]) => ({ group: place.name, ageFrom, ageTo }));
  }, [designs, place.name]);
  const [skill, setSkill] = useState<Skill>(SKILLS[0]);
  const [at, setAt] = useState(0);
  const [atHand, setAtHand] = useState<readonly AtHand[]>([]);
  const [lacks, setLacks] = useState<readonly BenchTool[]>([]);
  const wishes = (w: AtHand): boolean => atHand.includes(w);
  const whom = groups[Math.min(at, groups.length - 1)]!;
  const wish: Wish = {
    skill,
    ageFrom: whom.ageFrom,
    approach: wishes('waiting') ? 'grab bag' : place.approach,
    market: place.market,
    rules: rules?.rules,
    without: wishes('noBlade') ? ['craft knife', 'saw', ...lacks] : lacks,
    quiet: wishes('quiet') || wishes('waiting'),
    minutes: wishes('half') ? 30 : null,
  };
  const fields = (
    <>
      <Choice
        label={text('whichSkill')}
        columns={3}
        value={skill}
        onChange={(v) => setSkill(v as Skill)}
        options={SKILLS.map((s) => ({ value: s, label: skillPlain(s) }))}
      />
      <Choice
        label={text('whom')}
        value={String(Math.min(at, groups.length - 1))}
        onChange={(v) => setAt(Number(v))}
        options={groups.map((g, i) => ({
          value: String(i),
          label: `${g.group === place.name ? '' : `${g.group}, `}${formatAges(g.ageFrom, g.ageTo)}`,
        }))}
      />
      <ChoiceOfMany
        label={text('whatHand')}
        value={atHand}
        onChange={(v) => setAtHand(AT_HAND.map((a) => a.value).filter((a) => v.includes(a)))}
        options={AT_HAND}
      />
      <ChoiceOfMany
        label={text('notHand')}
        value={lacks}
        onChange={(v) => setLacks(SCARCE.filter((t) => v.includes(t)))}
        options={SCARCE.map((t) => ({ value: t, label: t[0]!.toUpperCase() + t.slice(1) }))}
      />
    </>
  );
  return { wish, whom, fields };
}

type Free = readonly (readonly [number, number])[];

/** What a pattern comes to for a wish: kept, so that a choice that was made before stands there at once. */
const tryOf = (
  family: string,
  asked: Wish,
  {
    free,
    own,
    materials,
    most,
  }: { free: Free; own: OwnTimes; materials: readonly MaterialRow[]; most: number },
) => ({
  queryKey: ['suggest', family, triedAs(asked), free, own, most],
  queryFn: (): Promise<Suggested> =>
    planner().suggest(family, triedAs(asked), materials.map(asMeasured), free, own, most),
  staleTime: Infinity,
  retry: false,
});
/** What is quiet and what is soon made is known once it was tried: for those wishes nothing is tried anew. */
const triedAs = (wish: Wish): Wish => ({ ...wish, quiet: false, minutes: null });

/** What practises the skill most is tried first, and so stands there first. */
const mostFirst = (skill: Skill): string[] => {
  const rank = (id: string): number => {
    // Before the patterns are loaded their own order stands.
    const at = areLoaded([id]) ? patternOf(id).skills.indexOf(skill) : -1;
    return at < 0 ? SKILLS.length : at;
  };
  return [...patternIds()].sort((a, b) => rank(a) - rank(b));
};

/**
 * Skills that nobody has asked for yet while nobody waits, pattern by pattern, so that one that is chosen meanwhile waits for
 * one at most.
 *
 * @returns whether it came to its end
 */
async function aheadOf(
  client: QueryClient,
  wish: Wish,
  given: Parameters<typeof tryOf>[2],
  isWanted: () => boolean,
  skills: readonly Skill[],
): Promise<boolean> {
  for (const skill of skills)
    for (const family of mostFirst(skill)) {
      if (!isWanted()) return false;
      await client.prefetchQuery(tryOf(family, { ...wish, skill }, given));
    }
  return true;
}

/** Nobody has touched anything for so long: there is time to look ahead, ms. */
const QUIET = 4000;
const INPUTS = ['pointerdown', 'pointermove', 'keydown', 'wheel'] as const;

/** Tries what a new design would begin with while nobody does anything, so that it stands there when it is asked for. */
export function useAhead({ wish }: Wishes, materials: readonly MaterialRow[], free: Free | null): void {
  const { data: own } = useOwnTimes();
  const { data: rules } = useRules();
  const client = useQueryClient();
  const isKnown = free !== null && own !== undefined && rules !== undefined;
  const asked = JSON.stringify([triedAs(wish), free, own]);
  useEffect(() => {
    if (!isKnown) return;
    let touched = Date.now();
    let isWanted = true;
    const touch = (): void => {
      touched = Date.now();
    };
    for (const name of INPUTS) window.addEventListener(name, touch, { passive: true });
    let isBusy = false;
    const isQuiet = (): boolean => isWanted && Date.now() - touched > QUIET;
    const timer = setInterval(() => {
      if (isBusy || !isQuiet()) return;
      isBusy = true;
      // Whoever comes back in between is let through; it goes on where it was.
      void aheadOf(client, wish, { free, own, materials, most: 1 }, isQuiet, [wish.skill]).then((isDone) => {
        isBusy = false;
        if (isDone) clearInterval(timer);
      });
    }, QUIET / 4);
    return () => {
      isWanted = false;
      clearInterval(timer);
      for (const name of INPUTS) window.removeEventListener(name, touch);
    };
    // What is asked says all that matters of the rest.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [client, isKnown, asked]);
}

export interface Found extends Suggested {
  readonly error: Error | null;
  readonly isTrying: boolean;
}

/**
 * What the free stock makes of a wish, pattern by pattern, so that the first stands there while the next is tried.
 *
 * @param free stock that no design on the bench speaks for; null while it is not known
 * @param most of one pattern
 */
export function useSuggestions(
  wish: Wish,
  { free, materials, most }: { free: Free | null; materials: readonly MaterialRow[]; most: number },
): Found {
  const { data: own } = useOwnTimes();
  const client = useQueryClient();
  const isReady = free !== null && own !== undefined;
  const given = { free: free ?? [], own: own ?? {}, materials, most };
  const found = useQueries({
    queries: mostFirst(wish.skill).map((family) => ({ ...tryOf(family, wish, given), enabled: isReady })),
    combine: (all) => ({
      ...within(
        {
          suggestions: all.flatMap((q) => q.data?.suggestions ?? []),
          left: all.flatMap((q) => q.data?.left ?? []),
        },
        wish,
      ),
      error: all.find((q) => q.error)?.error ?? null,
      isTrying: all.some((q) => q.isPending && !q.error),
    }),
  });
  const isDone = isReady && !found.isTrying && !found.error;
  const asked = JSON.stringify([triedAs(wish), given.free, given.own]);
  useEffect(() => {
    if (!isDone) return;
    let isWanted = true;
    void aheadOf(
      client,
      wish,
      given,
      () => isWanted,
      SKILLS.filter((s) => s !== wish.skill),
    );
    return () => {
      isWanted = false;
    };
    // What is asked says all that matters of the rest.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [client, isDone, asked]);
  return found;
}

const Cards = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(250px, 100%), 1fr));
  gap: 10px;
  li {
    display: grid;
    grid-template-columns: 84px minmax(0, 1fr);
    gap: 4px 10px;
    align-content: start;
    border: 1px solid var(--seam);
    border-radius: 10px;
    background: var(--paper);
    padding: 10px;
    font-size: 14px;
    line-height: 1.3;
  }
  .picture {
    display: grid;
    place-items: center;
    background: var(--linen);
    border-radius: 8px;
    height: 84px;
    grid-row: span 2;
  }
  h3 {
    font-size: 16px;
  }
  .foot {
    grid-column: 1 / 3;
    display: grid;
    gap: 6px;
  }
`;

/** Whose steps there are, in words: “: 2 adult steps, 1 for a child”. */
function stepWords(s: Suggestion): string {
  const said = [
    s.adultSteps > 0 ? text('adult', { adultSteps: s.adultSteps }) : '',
    s.childSteps > 0 ? text('child', { childSteps: s.childSteps }) : '',
  ].filter(Boolean);
  return said.length > 0 ? `: ${said.join(', ')}` : '';
}

/** What could be begun, best first, each with what it takes; and why the rest is not offered. */
export function Startable({
  found,
  materials,
  isBusy,
  onStart,
}: {
  found: Found;
  /** To name what it is made of, where one pattern comes with several; left out where each comes once. */
  materials?: readonly MaterialRow[];
  isBusy: boolean;
  onStart: (s: Suggestion) => void;
}) {
  const nameOf = (id: number): string => materials?.find((m) => m.id === id)?.name ?? '';
  return (
    <>
      {found.error && <Notice tone="stop">{words(found.error)}</Notice>}
      {found.isTrying && <p role="status">{text('tryingWhatGoesTogether')}</p>}
      <Cards aria-label={text('whatYouCanMake')}>
        {found.suggestions.map((s) => {
          const ids = Object.values(s.materials).flat();
          const of = ids.map(nameOf).filter(Boolean).join(' + ');
          return (
            <li key={s.pattern + ids.join()}>
              <span className="picture">
                <ScenePicture scene={s.picture} width={76} />
              </span>
              <div>
                <h3>{s.name}</h3>
                <Quiet>{of === '' ? s.does : of}</Quiet>
              </div>
              <div className="foot">
                <span>
                  <b>{text('fromFreeStock', { kits: kits(s.kits) })}</b>
                  {s.first &&
                    text('thenNoMore', { what: s.first[0]!.toLowerCase(), first: s.first.slice(1) })}
                  {s.blade
                    ? s.tools.length > 0
                      ? text('tools', {
                          minutes: formatMinutes(s.minutes),
                          s: stepWords(s),
                          tools: s.tools.join(', '),
                        })
                      : text('for2', { minutes: formatMinutes(s.minutes), s: stepWords(s) })
                    : s.tools.length > 0
                      ? text('noBladeNeededTools', {
                          minutes: formatMinutes(s.minutes),
                          s: stepWords(s),
                          tools: s.tools.join(', '),
                        })
                      : text('noBladeNeeded', { minutes: formatMinutes(s.minutes), s: stepWords(s) })}
                </span>
                {s.cautions.length > 0 && (
                  <Quiet>{text('takeCare', { cautions: s.cautions.join(', ').toLowerCase() })}</Quiet>
                )}
                <Row>
                  <Button small isDisabled={isBusy} onPress={() => onStart(s)}>
                    {text('start', { s: s.name.toLowerCase() })}
                  </Button>
                </Row>
              </div>
            </li>
          );
        })}
      </Cards>
      {!found.isTrying && !found.error && found.suggestions.length === 0 && (
        <p>{text('nothingCanStartedChoose')}</p>
      )}
      {!found.isTrying && found.left.length > 0 && (
        <Quiet>
          {text('notOffered', { left: found.left.map((l) => `${l.name} (${l.why})`).join('; ') })}
        </Quiet>
      )}
    </>
  );
}

/** A design of what was chosen, as it is begun; called by what it is until somebody names it. */
export const begunFrom = (s: Suggestion, { wish, whom }: Pick<Wishes, 'wish' | 'whom'>) => ({
  ownName: false,
  name: s.name,
  pattern: s.pattern,
  forGroup: whom.group,
  ageFrom: whom.ageFrom,
  ageTo: whom.ageTo,
  skill: wish.skill,
  approach: wish.approach,
  copies: 1,
  dials: s.dials,
  materials: Object.fromEntries(Object.entries(s.materials).map(([role, ids]) => [role, [...ids]])),
});
