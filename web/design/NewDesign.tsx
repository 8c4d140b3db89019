import { useMemo, useState } from 'react';
import { useQueries } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Design, DesignInput } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import type { Place } from '../../contract/place.ts';
import { formatAges } from '../../core/calendar/ages.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import { asMeasured } from '../../core/materials/material.ts';
import { kits, reservedStock } from '../../core/needs/supply.ts';
import { patternIds, SKILLS, type BenchTool, type Skill } from '../../core/patterns/index.ts';
import { freeOf } from '../../core/plan/makeable.ts';
import { bestFirst } from '../../core/plan/bestFirst.ts';
import type { Suggestion, Wish } from '../../core/plan/suggest.ts';
import { skillPlain } from '../../core/patterns/skillWords.ts';
import { api, words } from '../data/api.ts';
import { useChange, useDesigns, useOwnTimes, useRules } from '../data/queries.ts';
import { ScenePicture } from '../drawing/ScenePicture.tsx';
import { Button } from '../parts/Button.tsx';
import { Choice, ChoiceOfMany } from '../parts/Choice.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { Notice, Quiet, Row, Seam, Stack } from '../parts/Panel.tsx';
import { planner } from '../work/door.ts';
import { useNeeds } from './onBench.ts';
import { OtherDesigns } from './OtherDesigns.tsx';
import { text } from './text.ts';

/** Where a place has no groups yet, months. */
const BANDS = [
  [12, 18],
  [18, 30],
  [30, 48],
  [48, 72],
] as const;

const Cards = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
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

interface Whom {
  readonly group: string;
  readonly ageFrom: number;
  readonly ageTo: number;
}

/** Whose steps there are, in words: “: 2 adult steps, 1 for a child”. */
function stepWords(s: Suggestion): string {
  const said = [
    s.adultSteps > 0 ? text('adult', { adultSteps: s.adultSteps }) : '',
    s.childSteps > 0 ? text('child', { childSteps: s.childSteps }) : '',
  ].filter(Boolean);
  return said.length > 0 ? `: ${said.join(', ')}` : '';
}

/** Three touches to a design: which skill, for whom, what is at hand; then a pattern that the free stock can make. */
export function NewDesign({
  isOpen,
  onClose,
  materials,
  place,
}: {
  isOpen: boolean;
  onClose(): void;
  materials: MaterialRow[];
  place: Place;
}) {
  const { data: designs } = useDesigns();
  const { data: rules } = useRules();
  const bench = useNeeds();
  const groups = useMemo((): Whom[] => {
    const known = new Map<string, Whom>();
    for (const d of designs ?? [])
      known.set(d.forGroup, { group: d.forGroup, ageFrom: d.ageFrom, ageTo: d.ageTo });
    if (known.size > 0) return [...known.values()].sort((a, b) => a.ageFrom - b.ageFrom);
    return BANDS.map(([ageFrom, ageTo]) => ({ group: place.name, ageFrom, ageTo }));
  }, [designs, place.name]);
  const { data: own } = useOwnTimes();
  const [skill, setSkill] = useState<Skill>(SKILLS[0]);
  const [whom, setWhom] = useState(0);
  const [atHand, setAtHand] = useState<readonly AtHand[]>([]);
  const wishes = (w: AtHand): boolean => atHand.includes(w);
  const [lacks, setLacks] = useState<readonly BenchTool[]>([]);
  const navigate = useNavigate();
  const add = useChange((input: DesignInput) => api<Design>('POST', '/designs', input));
  const free = useMemo(
    () => (bench ? [...freeOf(materials, reservedStock(bench))] : null),
    [materials, bench],
  );
  const forWhom = groups[Math.min(whom, groups.length - 1)]!;
  const wish: Wish = {
    skill,
    ageFrom: forWhom.ageFrom,
    approach: wishes('waiting') ? 'grab bag' : place.approach,
    market: place.market,
    rules: rules?.rules,
    without: wishes('noBlade') ? ['craft knife', 'saw', ...lacks] : lacks,
    quiet: wishes('quiet') || wishes('waiting'),
    minutes: wishes('half') ? 30 : null,
  };
  // Pattern by pattern, so that the first stands there while the next is tried.
  const found = useQueries({
    queries: patternIds().map((family) => ({
      queryKey: ['suggest', family, wish, free, own],
      queryFn: () => planner().suggest(family, wish, materials.map(asMeasured), free!, own!),
      enabled: isOpen && free !== null && own !== undefined,
      staleTime: Infinity,
      retry: false,
    })),
    combine: (all) => ({
      suggestions: all.flatMap((q) => q.data?.suggestions ?? []).sort(bestFirst),
      left: all.flatMap((q) => q.data?.left ?? []),
      error: all.find((q) => q.error)?.error ?? null,
      isTrying: all.some((q) => q.isPending && !q.error),
    }),
  });
  const start = async (s: Suggestion): Promise<void> => {
    try {
      const made = await add.mutateAsync({
        // Called by what it is, until somebody names it.
        ownName: false,
        name: s.name,
        pattern: s.pattern,
        forGroup: forWhom.group,
        ageFrom: forWhom.ageFrom,
        ageTo: forWhom.ageTo,
        skill,
        approach: wish.approach,
        copies: 1,
        dials: s.dials,
        materials: Object.fromEntries(Object.entries(s.materials).map(([role, ids]) => [role, [...ids]])),
      });
      onClose();
      await navigate(`/shape/${made.id}`);
    } catch {
      // What went wrong stands above the list.
    }
  };
  const copy = async ({ id: _, version: __, made: ___, ...d }: Design): Promise<void> => {
    try {
      const made = await add.mutateAsync({
        ...d,
        name: d.ownName === false ? d.name : text('copy', { d: d.name.slice(0, 66) }),
        forGroup: forWhom.group,
        ageFrom: forWhom.ageFrom,
        ageTo: forWhom.ageTo,
        copies: 1,
        onBench: true,
      });
      onClose();
      await navigate(`/shape/${made.id}`);
    } catch {
      // What went wrong stands above the list.
    }
  };
  return (
    <Dialog title={text('newDesign')} isOpen={isOpen} onClose={onClose} wide>
      <Stack $gap={12}>
        <Choice
          label={text('whichSkill')}
          columns={3}
          value={skill}
          onChange={(v) => setSkill(v as Skill)}
          options={SKILLS.map((s) => ({ value: s, label: skillPlain(s) }))}
        />
        <Choice
          label={text('whom')}
          value={String(Math.min(whom, groups.length - 1))}
          onChange={(v) => setWhom(Number(v))}
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
        <Seam />
        {found.error && <Notice tone="stop">{words(found.error)}</Notice>}
        {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
        {found.isTrying && <p role="status">{text('tryingWhatGoesTogether')}</p>}
        <Cards aria-label={text('whatYouCanMake')}>
          {found.suggestions.map((s) => (
            <li key={s.pattern}>
              <span className="picture">
                <ScenePicture scene={s.picture} width={76} />
              </span>
              <div>
                <h3>{s.name}</h3>
                <Quiet>{s.does}</Quiet>
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
                  <Button small isDisabled={add.isPending} onPress={() => void start(s)}>
                    {text('start', { s: s.name.toLowerCase() })}
                  </Button>
                </Row>
              </div>
            </li>
          ))}
        </Cards>
        {!found.isTrying && !found.error && found.suggestions.length === 0 && (
          <p>{text('nothingCanStartedChoose')}</p>
        )}
        {!found.isTrying && found.left.length > 0 && (
          <Quiet>
            {text('notOffered', { left: found.left.map((l) => `${l.name} (${l.why})`).join('; ') })}
          </Quiet>
        )}
        <OtherDesigns
          skill={skill}
          materials={materials}
          isBusy={add.isPending}
          onStart={(d) => void copy(d)}
        />
        <Row>
          <Button plain onPress={onClose}>
            {text('cancel')}
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
