import { lazy, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Camera } from 'lucide-react';
import { useBlocker, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Borrower, FamilyPage, Kit } from '../../../contract/lending.ts';
import { shortDay } from '../../data/style.ts';
import { standing } from '../../../core/lend/status.ts';
import { readLabel } from '../../../core/lend/labels.ts';
import { api, words } from '../../data/api.ts';
import { useBorrowers, useLendingSummary, useMaterials, usePlace } from '../../data/queries.ts';
import { kits } from '../../../core/needs/supply.ts';
import { useNeeds } from '../../design/onBench.ts';
import { useScanner } from '../../devices/scanner.ts';
import { Found } from './Found.tsx';
import { TryScanner } from './TryScanner.tsx';
import { Confirm } from '../../parts/Confirm.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Stack } from '../../parts/Panel.tsx';
import { Desk } from './Desk.tsx';
import { FamilyFacts, newFamily } from './FamilyFacts.tsx';
import { FamiliesAtDesk } from './FamiliesAtDesk.tsx';
import { JustDone, type Last } from './JustDone.tsx';
import { Planned } from './Planned.tsx';
import { Reserved } from './LoanMore.tsx';
import { NextBack, SkillRail } from './Rails.tsx';
import { QuietHour } from './Waits.tsx';
import { text } from './text.ts';

const CameraScan = lazy(() => import('./CameraScan.tsx').then((m) => ({ default: m.CameraScan })));

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 356px;
  gap: 12px 16px;
  @media (min-width: 1101px) {
    height: 100%;
    > * {
      min-height: 0;
      overflow: auto;
      padding: 3px;
      margin: -3px;
    }
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    > aside {
      order: -1;
    }
  }
`;
/** The lending room: kits on the peg shelf by skill, and the desk. */
export function Component() {
  const { data: summary, error } = useLendingSummary();
  const { data: borrowers } = useBorrowers();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const bench = useNeeds();
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useState('');
  const [miss, setMiss] = useState<string | null>(null);
  const [unfinished, setUnfinished] = useState(false);
  const [leaving, setLeaving] = useState<string | null>(null);
  const [last, setLast] = useState<Last | null>(null);
  /** Families that somebody looked for, and a name that nobody has. */
  const [looked, setLooked] = useState<readonly Borrower[] | null>(null);
  const [missed, setMissed] = useState<string | null>(null);
  const [isAdding, setAdding] = useState(false);
  const [camera, setCamera] = useState(false);
  const desk = useRef<HTMLDivElement>(null);
  const label = params.get('kit');
  const { data: opened } = useQuery({
    queryKey: ['kits', 'label', label],
    queryFn: () => api<Kit[]>('GET', `/kits?label=${encodeURIComponent(label!)}`),
    enabled: label !== null,
  });
  const open = label === null ? null : (opened?.find((c) => c.label === label) ?? null);
  const openId = open?.id;
  useEffect(() => {
    if (openId !== undefined && innerWidth < 900) desk.current?.scrollIntoView?.({ block: 'start' });
  }, [openId]);
  // A count that was begun is not lost by a press elsewhere: leaving asks first.
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => unfinished && currentLocation.pathname !== nextLocation.pathname,
  );
  const go = useCallback(
    (to: string): void => {
      setMiss(null);
      setTyped('');
      setUnfinished(false);
      setLast(null);
      setLooked(null);
      setMissed(null);
      setParams({ kit: to }, { replace: true });
    },
    [setParams],
  );
  const held = useRef({ unfinished, label });
  useEffect(() => {
    held.current = { unfinished, label };
  }, [unfinished, label]);
  const choose = useCallback(
    (to: string): void => {
      if (held.current.unfinished && to !== held.current.label) setLeaving(to);
      else go(to);
    },
    [go],
  );
  const today = place?.today ?? '';
  const find = useMutation({
    mutationFn: async (words: string): Promise<Kit | readonly Borrower[] | undefined> => {
      const wanted = readLabel(words);
      const [byLabel] = wanted ? await api<Kit[]>('GET', `/kits?label=${encodeURIComponent(wanted)}`) : [];
      if (byLabel || words.length < 2) return byLabel;
      const part = words.toLowerCase();
      const families = borrowers?.filter((b) => b.name.toLowerCase().includes(part)) ?? [];
      if (families.length === 1) {
        const { has, planned, kept } = await api<FamilyPage>('GET', `/borrowers/${families[0]!.id}`);
        // Nothing else of theirs could be meant.
        if (has.length === 1 && planned.length === 0 && kept.length === 0)
          return (await api<Kit[]>('GET', `/kits?label=${encodeURIComponent(has[0]!.label)}`))[0];
      }
      if (families.length > 0) return families;
      const found = await api<Kit[]>('GET', `/kits?limit=200&q=${encodeURIComponent(words)}`);
      return found.find((c) => standing(c, today).standing === 'in') ?? found[0];
    },
  });
  const show = (found: Kit | readonly Borrower[] | undefined, miss: string): void => {
    setLooked(null);
    if (found === undefined) return setMiss(miss);
    if ('label' in found) return choose(found.label);
    setMiss(null);
    setParams({}, { replace: true });
    setLooked(found);
  };
  const scan = (scanned: string): void => {
    setTyped('');
    find.mutate(scanned, {
      onSuccess: (found) => show(found, text('noKitLabel2', { scanned })),
      onError: (e) => setMiss(words(e)),
    });
  };
  useScanner(scan);
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!summary || !borrowers || !materials || !place) return <p role="status">{text('loadingKits')}</p>;
  const seek = (): void => {
    const wanted = typed.trim();
    if (wanted === '') return setMiss(text('typeOrScanLabel'));
    find.mutate(wanted, {
      onSuccess: (found) => {
        show(found, text('noKitLabelFamily', { wanted }));
        setMissed(found === undefined ? wanted : null);
      },
      onError: (e) => setMiss(words(e)),
    });
  };
  const asking = leaving !== null || blocker.state === 'blocked';
  return (
    <Grid>
      <div>
        <Stack $gap={14}>
          <Heading
            over={`${place.name} · ${shortDay(place.today)}`}
            title={
              summary.kits === 0
                ? text('noKitsYet')
                : summary.late > 0
                  ? text('outOverdue', { kits: kits(summary.kits), out: summary.out, late: summary.late })
                  : text('out', { kits: kits(summary.kits), out: summary.out })
            }
          >
            <ButtonLink plain to="/lend/families">
              {text('allFamilies')}
            </ButtonLink>
            <ButtonLink plain to="/lend/tell">
              {text('tellFamilies')}
            </ButtonLink>
            <ButtonLink plain to="/lend/terms">
              {text('planTerm')}
            </ButtonLink>
            <ButtonLink plain to="/lend/lasting">
              {text('whatLasts')}
            </ButtonLink>
            <ButtonLink plain to="/lend/kits">
              {text('kitsSeveralDesigns')}
            </ButtonLink>
          </Heading>
          {summary.kits === 0 && <Notice tone="care">{text('kitsHangHereOnce')}</Notice>}
          {summary.skills.map((s) => (
            <SkillRail
              key={s.skill}
              skill={s.skill}
              kits={s.kits}
              today={place.today}
              open={label}
              onChoose={choose}
            />
          ))}
          <Found title={text('pieceTurnedUpWhose')} />
          <TryScanner isSimulated={place.simulated} />
        </Stack>
      </div>
      <aside ref={desk}>
        <Stack>
          <Panel as="div">
            <form
              onSubmit={(e) => {
                e.preventDefault();
                seek();
              }}
            >
              <Stack $gap={8}>
                <h2>{text('desk')}</h2>
                <div
                  style={{ display: 'grid', gridTemplateColumns: '1fr auto auto', gap: 8, alignItems: 'end' }}
                >
                  <TextField label={text('kitOrFamily')} value={typed} onChange={setTyped} />
                  <Button plain small aria-label={text('scanCamera')} onPress={() => setCamera(true)}>
                    <Camera size={20} aria-hidden />
                  </Button>
                  <Button type="submit">{text('find')}</Button>
                </div>
                <Quiet>{text('scanLabelOrType')}</Quiet>
                {miss && <Notice tone="care">{miss}</Notice>}
                {missed !== null && (
                  <div>
                    <Button small plain onPress={() => setAdding(true)}>
                      {text('addFamilyCalled', { name: missed })}
                    </Button>
                  </div>
                )}
              </Stack>
            </form>
          </Panel>
          {!open && looked && <FamiliesAtDesk families={looked} onChoose={choose} />}
          {open && last?.label === open.label && (
            <JustDone last={last} onAgain={() => setLast(null)} onUndone={() => setLast(null)} />
          )}
          {open && last?.label !== open.label && (
            <Desk
              key={`${open.id}-${open.openLoan?.id ?? 'in'}-${open.repair}-${open.lastCounted}-${open.toClean}-${open.retiredOn}`}
              kit={open}
              borrowers={borrowers}
              materials={materials}
              bench={bench}
              place={place}
              onUnfinished={setUnfinished}
              onDone={(done) => setLast({ label: open.label, ...done })}
            />
          )}
          {!open && <QuietHour toClean={summary.toClean} repair={summary.repair} onChoose={choose} />}
          {!open && <Planned onChoose={choose} />}
          {!open && <Reserved onChoose={choose} />}
          {!open && <NextBack late={summary.late} out={summary.out} today={place.today} />}
        </Stack>
      </aside>
      {isAdding && (
        <FamilyFacts
          family={newFamily(missed ?? '')}
          onDone={(made) => {
            setAdding(false);
            if (!made) return;
            setMiss(null);
            setMissed(null);
            setLooked([made]);
          }}
        />
      )}
      {camera && (
        <Suspense fallback={null}>
          <CameraScan
            onLabel={(found) => {
              setCamera(false);
              scan(found);
            }}
            onClose={() => setCamera(false)}
          />
        </Suspense>
      )}
      <Confirm
        title={text('leaveThisCountUnfinished')}
        words={text('whatYouCountedNot', { label: label ?? text('thisKit') })}
        yes={text('leave')}
        no={text('goOnCounting')}
        backFirst
        isOpen={asking}
        onYes={() => {
          const to = leaving;
          setLeaving(null);
          if (to !== null) go(to);
          else blocker.proceed?.();
        }}
        onNo={() => {
          setLeaving(null);
          blocker.reset?.();
        }}
      />
    </Grid>
  );
}
