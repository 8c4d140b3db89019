import { memo } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { Kit } from '../../../contract/lending.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { mainPart } from '../../../core/lend/parts.ts';
import { missing, standing } from '../../../core/lend/status.ts';
import { kits } from '../../../core/needs/supply.ts';
import { skillPlain } from '../../../core/patterns/skillWords.ts';
import { useAnswers, useKitPages, useReservations } from '../../data/queries.ts';
import { SewnButton } from '../../shell/Verdict.tsx';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Kits of one skill that are fetched together. */
const ON_RAIL = 24;

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
    display: flex;
    justify-content: space-between;
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

function stateWords(kit: Kit, today: string, keptFor: string | undefined): string {
  const s = standing(kit, today);
  const loan = kit.openLoan;
  const back = kit.recalled === null ? '' : text('calledBack3');
  if (s.standing === 'late')
    return text('overdue2', { back, daysLate: s.daysLate, borrower: loan!.borrower });
  if (s.standing === 'out')
    return text('back2', { back, borrower: loan!.borrower, dueOn: shortDay(loan!.dueOn) });
  const gaps = missing(kit.parts);
  const short = gaps.reduce((n, g) => n + g.short, 0);
  if (s.standing === 'recalled') return text('calledBack4');
  if (s.standing === 'to clean') return short > 0 ? text('cleanMissing', { short }) : text('clean3');
  if (s.standing === 'resting') return text('restsUntil2', { restsUntil: shortDay(kit.restsUntil!) });
  if (s.standing === 'retired') return 'retired';
  if (s.standing === 'repair') return short > 0 ? text('repairMissing', { short }) : text('repair4');
  const piece = mainPart(kit.parts);
  if (keptFor) return short > 0 ? text('keptMissing', { keptFor, short }) : text('kept3', { keptFor });
  return short > 0
    ? text('missing2', { short })
    : piece
      ? text('counted2', { present: piece.present, due: piece.due })
      : text('counted3');
}

/** What a sewn button on a tag says. */
const TITLES = {
  clear: text('checkFoundNothingAges'),
  care: text('takeCareAgesMade'),
  stop: text('checkSaysStopAges'),
} as const;

/** One rail of the peg shelf: the kits of a skill, a handful at a time however many there are. */
export const SkillRail = memo(function SkillRail({
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
  const pages = useKitPages({ skill, limit: ON_RAIL });
  const { data: reservations } = useReservations();
  const here = pages.data?.pages.flatMap((p) => p.items) ?? [];
  const answers = useAnswers(here.map((c) => c.id));
  return (
    <Rail aria-label={skillPlain(skill)}>
      <h2>
        {skillPlain(skill)}
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
                $dashed={s !== 'in'}
                $late={s === 'late' || c.recalled !== null || answers.get(c.id)?.verdict === 'stop'}
                $on={c.label === open}
                aria-pressed={c.label === open}
                onClick={() => onChoose(c.label)}
              >
                <code>
                  {c.label}
                  {answers.has(c.id) && (
                    <span title={TITLES[answers.get(c.id)!.verdict]}>
                      <SewnButton kind={answers.get(c.id)!.verdict} size={15} />
                    </span>
                  )}
                </code>
                <b>{c.design}</b>
                <small>
                  {stateWords(c, today, reservations?.find((r) => r.ready === c.label)?.borrower)}
                </small>
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
            {text('showMore', { skill: skillPlain(skill).toLowerCase(), all: all - here.length })}
          </Button>
        </Row>
      )}
    </Rail>
  );
});

/** Kits of one kind of lateness, and the way to the rest of them. */
function DueList({ title, list, today }: { title: string; list: readonly Kit[]; today: string }) {
  if (list.length === 0) return null;
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      <ul style={{ display: 'grid', gap: 6, fontSize: 14 }}>
        {list.map((c) => (
          <li key={c.id} style={{ color: c.openLoan!.dueOn < today ? 'var(--stop)' : undefined }}>
            <Link to={`/lend/families/${c.openLoan!.borrowerId}`}>{c.openLoan!.borrower}</Link>: {c.design},{' '}
            {c.openLoan!.dueOn < today ? text('wasDue') : 'due'} {shortDay(c.openLoan!.dueOn)}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A loan is due soon from so many days before, as families are told. */
const SOON = 3;
/** Loans that are fetched at first, and with each touch more. */
const AT_ONCE = 40;

/** Kits that are overdue, and those that are due soon: each a whole list. */
export function NextBack({ late, out, today }: { late: number; out: number; today: string }) {
  const due = useKitPages({ order: 'due', limit: AT_ONCE });
  const here = due.data?.pages.flatMap((p) => p.items) ?? [];
  const soon = addDays(today, SOON);
  const later = here.filter((c) => c.openLoan!.dueOn >= today);
  const isSoon = later.filter((c) => c.openLoan!.dueOn <= soon);
  // What comes later is only of use where nothing is near.
  const next = late === 0 && isSoon.length === 0 ? later.slice(0, 6) : [];
  const last = here.at(-1)?.openLoan?.dueOn;
  const mayGoOn = due.hasNextPage && last !== undefined && last <= soon;
  return (
    <Panel as="div">
      <Stack $gap={10}>
        <h2>{late > 0 ? text('overdueAskTheseFirst') : text('dueNext')}</h2>
        {out === 0 && <Quiet>{text('nothingOut')}</Quiet>}
        <DueList
          title={text('overdueN', { n: late })}
          list={here.filter((c) => c.openLoan!.dueOn < today)}
          today={today}
        />
        <DueList title={text('dueSoonBy', { day: shortDay(soon) })} list={isSoon} today={today} />
        <DueList title={text('dueLater')} list={next} today={today} />
        {mayGoOn && (
          <Row>
            <Button small plain isDisabled={due.isFetchingNextPage} onPress={() => void due.fetchNextPage()}>
              {text('moreDue')}
            </Button>
          </Row>
        )}
      </Stack>
    </Panel>
  );
}
