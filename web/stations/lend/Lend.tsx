import { memo, useCallback, useEffect, useRef, useState } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useBlocker, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Copy } from '../../../contract/lending.ts';
import { shortDay } from '../../data/style.ts';
import { readLabel } from '../../../core/lend/labels.ts';
import { mainPart } from '../../../core/lend/parts.ts';
import { missing, standing } from '../../../core/lend/status.ts';
import { api, words } from '../../data/api.ts';
import { useBorrowers, useCopyPages, useLendingSummary, useMaterials, usePlace } from '../../data/queries.ts';
import { kits } from '../../../core/needs/supply.ts';
import { useNeeds } from '../../design/onBench.ts';
import { Confirm } from '../../parts/Confirm.tsx';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { Desk } from './Desk.tsx';

/** Kits of one skill that are fetched together. */
const ON_RAIL = 24;

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
const Rail = styled.section`
  > h2 {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    font-size: 16px;
    small {
      font: 400 13px/1 var(--body);
      color: var(--slate);
      letter-spacing: 0;
    }
  }
  > .wood {
    height: 9px;
    border-radius: 5px;
    background: linear-gradient(#b98f5c 62%, #8e6836 62%);
    margin: 5px 0 0;
  }
  > ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0 8px;
  }
`;
const Hung = styled.button<{ $dashed: boolean; $late: boolean; $on: boolean }>`
  position: relative;
  margin-top: 14px;
  width: 118px;
  min-height: 90px;
  height: calc(100% - 14px);
  text-align: left;
  padding: 7px 9px 8px;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  background: ${(p) => (p.$dashed ? 'transparent' : 'var(--paper)')};
  border: ${(p) => (p.$dashed ? '1.5px dashed' : '1px solid')}
    ${(p) => (p.$late ? 'var(--stop)' : p.$dashed ? 'var(--seam-strong)' : 'var(--seam)')};
  border-radius: 9px;
  ${(p) => p.$on && 'outline: 3px solid var(--fox); outline-offset: 1px;'}
  &:hover {
    border-color: var(--fox);
  }
  &::before {
    content: '';
    position: absolute;
    left: 50%;
    top: -15px;
    width: 9px;
    height: 15px;
    margin-left: -5px;
    border: 2.5px solid #6b604b;
    border-top: 0;
    border-right: 0;
    border-radius: 0 0 0 8px;
  }
  code {
    font: 600 12.5px/1.2 var(--body);
    color: var(--slate);
    display: block;
    letter-spacing: 0.02em;
  }
  b {
    font: 700 14px/1.12 var(--display);
    display: block;
    margin: 2px 0 4px;
  }
  small {
    font-size: 12.5px;
    line-height: 1.25;
    display: block;
    color: ${(p) => (p.$late ? 'var(--stop)' : 'var(--slate)')};
    font-weight: ${(p) => (p.$late ? 700 : 400)};
  }
`;

function stateWords(copy: Copy, today: string): string {
  const s = standing(copy, today);
  const loan = copy.openLoan;
  if (s.standing === 'late')
    return `overdue ${s.daysLate} ${s.daysLate === 1 ? 'day' : 'days'} · ${loan!.borrower}`;
  if (s.standing === 'out') return `with ${loan!.borrower}, back ${shortDay(loan!.dueOn)}`;
  const gaps = missing(copy.parts);
  const short = gaps.reduce((n, g) => n + g.short, 0);
  if (s.standing === 'repair') return `in repair${short > 0 ? ` · ${short} missing` : ''}`;
  const piece = mainPart(copy.parts);
  return short > 0 ? `in · ${short} missing` : `in · counted ${piece ? `${piece.present}/${piece.due}` : ''}`;
}

/** One rail of the peg shelf: the kits of a skill, a handful at a time however many there are. */
const SkillRail = memo(function SkillRail({
  skill,
  kits: all,
  today,
  open,
  onChoose,
}: {
  skill: string;
  kits: number;
  today: string;
  open: string | null;
  onChoose(label: string): void;
}) {
  const pages = useCopyPages({ skill, limit: ON_RAIL });
  const here = pages.data?.pages.flatMap((p) => p.items) ?? [];
  return (
    <Rail aria-label={skill}>
      <h2>
        {skill}
        <small>{kits(all)}</small>
      </h2>
      <div className="wood" />
      <ul>
        {here.map((c) => {
          const s = standing(c, today).standing;
          return (
            <li key={c.id}>
              <Hung
                type="button"
                $dashed={s === 'out' || s === 'late' || s === 'repair'}
                $late={s === 'late'}
                $on={c.label === open}
                aria-pressed={c.label === open}
                onClick={() => onChoose(c.label)}
              >
                <code>{c.label}</code>
                <b>{c.design}</b>
                <small>{stateWords(c, today)}</small>
              </Hung>
            </li>
          );
        })}
      </ul>
      {here.length < all && (
        <Row style={{ marginTop: 8 }}>
          <Button
            small
            plain
            isDisabled={pages.isFetchingNextPage}
            onPress={() => void pages.fetchNextPage()}
          >
            Show more of {skill.toLowerCase()} ({all - here.length})
          </Button>
        </Row>
      )}
    </Rail>
  );
});

/** Kits that are due, the longest first. */
function NextBack({ late, out, today }: { late: number; out: number; today: string }) {
  const due = useCopyPages({ order: 'due', limit: 6 });
  return (
    <Panel as="div">
      <Stack $gap={6}>
        <h2>{late > 0 ? 'Overdue, ask for these first' : 'Due next'}</h2>
        {out === 0 && <Quiet>Nothing is out.</Quiet>}
        <ul style={{ display: 'grid', gap: 6, fontSize: 14 }}>
          {due.data?.pages[0]?.items.map((c) => (
            <li key={c.id} style={{ color: c.openLoan!.dueOn < today ? 'var(--stop)' : undefined }}>
              <b>{c.openLoan!.borrower}</b>: {c.design}, {c.openLoan!.dueOn < today ? 'was due' : 'due'}{' '}
              {shortDay(c.openLoan!.dueOn)}
            </li>
          ))}
        </ul>
      </Stack>
    </Panel>
  );
}

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
  const desk = useRef<HTMLDivElement>(null);
  const label = params.get('kit');
  const { data: opened } = useQuery({
    queryKey: ['copies', 'label', label],
    queryFn: () => api<Copy[]>('GET', `/copies?label=${encodeURIComponent(label!)}`),
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
  const find = useMutation({
    mutationFn: async (text: string): Promise<Copy | undefined> => {
      const wanted = readLabel(text);
      const [byLabel] = wanted ? await api<Copy[]>('GET', `/copies?label=${encodeURIComponent(wanted)}`) : [];
      if (byLabel || text.length < 2) return byLabel;
      const found = await api<Copy[]>('GET', `/copies?limit=200&q=${encodeURIComponent(text)}`);
      const part = text.toLowerCase();
      return (
        found.find((c) => c.openLoan?.borrower.toLowerCase().includes(part)) ??
        found.find((c) => !c.openLoan && !c.repair)
      );
    },
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!summary || !borrowers || !materials || !place) return <p role="status">Loading the kits …</p>;
  const seek = (): void => {
    const text = typed.trim();
    if (text === '') return setMiss('Type or scan a label first.');
    find.mutate(text, {
      onSuccess: (found) =>
        found
          ? choose(found.label)
          : setMiss(
              `No kit has the label “${text}”, is with a family of that name, or is in under that name.`,
            ),
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
                ? 'No kits yet'
                : `${kits(summary.kits)}, ${summary.out} out${summary.late > 0 ? `, ${summary.late} overdue` : ''}`
            }
          />
          {summary.kits === 0 && (
            <Notice tone="care">Kits hang here once they are marked as made in Make.</Notice>
          )}
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
                <h2>Desk</h2>
                <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}>
                  <TextField label="Kit or family" value={typed} onChange={setTyped} />
                  <Button type="submit">Find it</Button>
                </div>
                <Quiet>Scan a label, or type it (FB-001a), the kit’s name or the family.</Quiet>
                {miss && <Notice tone="care">{miss}</Notice>}
              </Stack>
            </form>
          </Panel>
          {open && (
            <Desk
              key={`${open.id}-${open.openLoan?.id ?? 'in'}-${open.repair}-${open.lastCounted}`}
              copy={open}
              borrowers={borrowers}
              materials={materials}
              bench={bench}
              place={place}
              onUnfinished={setUnfinished}
            />
          )}
          {!open && <NextBack late={summary.late} out={summary.out} today={place.today} />}
        </Stack>
      </aside>
      <Confirm
        title="Leave this count unfinished?"
        words={`What you counted of ${label ?? 'this kit'} is not saved yet.`}
        yes="Leave it"
        no="Go on counting"
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
