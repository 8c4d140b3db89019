import { styled } from 'styled-components';
import type { PlannedFamily, PlannedLoan, TermPlanPage } from '../../../contract/termPlan.ts';
import { shortDay } from '../../data/style.ts';
import { Quiet } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { SewnButton } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

const Cell = styled.button<{ $state: 'planned' | 'hand' | 'fault' | 'empty'; $aim: boolean }>`
  display: grid;
  gap: 1px;
  align-content: center;
  width: 100%;
  min-width: 104px;
  min-height: 52px;
  padding: 4px 8px;
  text-align: left;
  font: inherit;
  font-size: 13px;
  line-height: 1.2;
  cursor: pointer;
  border-radius: 8px;
  border: 1.5px ${(p) => (p.$state === 'hand' ? 'solid' : 'dashed')}
    var(--${(p) => (p.$state === 'fault' ? 'stop' : p.$state === 'hand' ? 'ink' : 'seam-strong')});
  background: var(
    --${(p) => (p.$state === 'fault' ? 'stop-tint' : p.$state === 'empty' ? 'paper' : p.$aim ? 'clear-tint' : 'oat')}
  );
  color: ${(p) => (p.$state === 'empty' ? 'var(--slate)' : 'inherit')};
  small {
    font-size: 12px;
    color: var(--slate);
    display: flex;
    align-items: center;
    gap: 4px;
  }
  &:hover {
    background: var(--fox-tint);
  }
`;
const Name = styled.button`
  border: 0;
  background: none;
  padding: 4px 0;
  font: 700 14.5px/1.2 var(--display);
  text-align: left;
  cursor: pointer;
  text-decoration: underline;
  text-underline-offset: 2px;
`;

const STATE = { planned: '', lent: text('lent2'), missed: text('notLent2') } as const;

const stateOf = (loan: PlannedLoan | undefined) =>
  !loan ? 'empty' : loan.faults.length > 0 ? 'fault' : loan.kept ? 'hand' : 'planned';

/** What is known of a family under its name, as far as the plan goes by it. */
function Known({ family }: { family: PlannedFamily }) {
  return (
    <>
      <Quiet style={{ display: 'block' }}>
        {[
          family.group,
          family.aim?.toLowerCase() ?? text('noAimYet'),
          family.youngest === null
            ? text('ageNotKnown')
            : family.isYoungestTold
              ? text('youngestMo', { youngest: family.youngest })
              : text('youngestGroupMo', { youngest: family.youngest }),
        ].join(' · ')}
      </Quiet>
      {family.now.map((n) => (
        <Quiet key={n.label} style={{ display: 'block', color: n.dull ? 'var(--care)' : undefined }}>
          {n.dull
            ? text('boresTakeOut', { kit: n.kit, dull: n.dull })
            : text('until3', { kit: n.kit, dueOn: shortDay(n.dueOn) })}
        </Quiet>
      ))}
    </>
  );
}

/** The table of a term: families down, changes of hands across. */
export const TermTable = ({
  page,
  onPlace,
  onFamily,
}: {
  page: TermPlanPage;
  onPlace(familyId: number, week: number): void;
  onFamily(familyId: number): void;
}) => (
  <Table
    caption={text('plan', { page: page.name })}
    left={[0, ...page.starts.map((_, i) => i + 1)]}
    head={[text('family3'), ...page.starts.map((s) => shortDay(s.day))]}
    rows={page.families.map((f) => ({
      key: String(f.id),
      cells: [
        <div key="who" style={{ width: 'clamp(118px, 32vw, 190px)' }}>
          <Name type="button" onClick={() => onFamily(f.id)} aria-label={text('whatKnown2', { f: f.name })}>
            {f.name}
          </Name>
          <Known family={f} />
        </div>,
        ...page.starts.map(({ week, day }) => {
          const loan = f.loans.find((l) => l.week === week);
          return (
            <Cell
              key={week}
              type="button"
              $state={stateOf(loan)}
              $aim={loan?.isAim ?? false}
              onClick={() => onPlace(f.id, week)}
              aria-label={`${f.name}, ${shortDay(day)}: ${loan ? `${loan.kit}, ${loan.label}` : text('noKit')}${loan?.kept ? text('setHand') : ''}${loan && [...loan.faults, ...loan.notes].length > 0 ? `, ${[...loan.faults, ...loan.notes].join(' ')}` : ''}`}
            >
              {loan?.state !== 'lent' && f.had.some((h) => h.week === week) ? (
                // What was planned for a week that has begun, and was not lent, is told after what they had instead.
                <>
                  {f.had
                    .filter((h) => h.week === week)
                    .map((h) => (
                      <span key={h.label}>
                        {h.kit}
                        <small>
                          {text(h.returnedOn === null ? 'hadInstead' : 'hadInsteadBack', {
                            label: h.label,
                            lentOn: shortDay(h.lentOn),
                            back: h.returnedOn === null ? '' : shortDay(h.returnedOn),
                          })}
                        </small>
                      </span>
                    ))}
                  {loan && <small>{text('wasPlanned', { label: loan.label })}</small>}
                </>
              ) : loan ? (
                <>
                  <span>{loan.kit}</span>
                  <small>
                    {loan.faults.length > 0 && <SewnButton kind="stop" size={14} />}
                    {loan.label}
                    {STATE[loan.state]}
                    {loan.isReserved ? text('reserved4') : loan.isAim ? text('aim2') : ''}
                    {loan.kept ? text('hand') : ''}
                    {loan.again ? text('again2') : ''}
                  </small>
                  {loan.notes.length > 0 && <small>{text('wouldHaveTwo')}</small>}
                </>
              ) : (
                text('noKit')
              )}
            </Cell>
          );
        }),
      ],
    }))}
  />
);
