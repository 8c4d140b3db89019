import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { PlannedFamily, TermChoice, TermPlanPage } from '../../../contract/termPlan.ts';
import { api, words } from '../../data/api.ts';
import { shortDay } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Notice, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

const Kits = styled.ul`
  display: grid;
  max-height: 52vh;
  overflow: auto;
  /* One thing to scroll on a phone: the dialog itself. */
  @media (max-width: 560px) {
    max-height: none;
  }
  li {
    border-top: 1px dashed var(--seam);
    padding: 8px 2px;
  }
  li:first-child {
    border-top: 0;
  }
`;

/** One place of the plan: which kit a family gets at a change of hands, with what speaks for each and against it. */
export function TermPlace({
  page,
  family,
  week,
  isBusy,
  problem,
  onSet,
  onClose,
}: {
  page: TermPlanPage;
  family: PlannedFamily;
  week: number;
  isBusy: boolean;
  problem: string | null;
  /** A kit, set by hand; null for none; 'plan' leaves the place to the next planning. */
  onSet(kitId: number | null | 'plan', again?: boolean): void;
  onClose(): void;
}) {
  const { data, error } = useQuery({
    queryKey: ['term-plans', page.id, page.version, 'choices', family.id, week],
    queryFn: () =>
      api<TermChoice[]>('GET', `/term-plans/${page.id}/choices?borrower=${family.id}&week=${week}`),
  });
  const loan = family.loans.find((l) => l.week === week);
  const start = page.starts.find((s) => s.week === week)!;
  return (
    <Dialog
      title={text('from2', { family: family.name, day: shortDay(start.day) })}
      isOpen
      onClose={onClose}
      wide
    >
      <Stack $gap={10}>
        {loan ? (
          <>
            <span>
              <b>{loan.kit}</b> {text('backOn2', { loan: loan.label, due: shortDay(loan.due) })}{' '}
              <Quiet>{loan.reason}</Quiet>
            </span>
            {loan.faults.map((f) => (
              <Notice key={f} tone="stop">
                {f}
              </Notice>
            ))}
            {loan.notes.map((n) => (
              <Notice key={n} tone="care">
                {n}
              </Notice>
            ))}
            <Row>
              {loan.kept && (
                <Button small plain isDisabled={isBusy} onPress={() => onSet('plan')}>
                  {text('leavePlan')}
                </Button>
              )}
              <Button small plain isDisabled={isBusy} onPress={() => onSet(null)}>
                {text('noKitThen')}
              </Button>
              <ButtonLink small plain to={`/lend?kit=${loan.label}`}>
                {text('openDesk', { loan: loan.label })}
              </ButtonLink>
            </Row>
          </>
        ) : (
          <Quiet>{text('noKitPlannedWhat')}</Quiet>
        )}
        {problem && <Notice tone="stop">{problem}</Notice>}
        {error && <Notice tone="stop">{words(error)}</Notice>}
        {!data && !error && <p role="status">{text('lookingKits')}</p>}
        {data && (
          <Kits aria-label={text('kitsThisPlace')}>
            {data.map((c) => (
              <li key={c.kitId}>
                <Spread>
                  <span style={{ flex: '1 1 260px' }}>
                    <b>{c.kit}</b> <Quiet>{c.label}</Quiet>
                    <br />
                    <Quiet>{c.reason}</Quiet>
                    {c.faults.map((f) => (
                      <div key={f}>
                        <Verdict kind="stop" word={f} size={18} />
                      </div>
                    ))}
                  </span>
                  <Button
                    small
                    plain={c.faults.length > 0}
                    isDisabled={isBusy || (loan?.kitId === c.kitId && loan.kept && loan.again === c.isAgain)}
                    onPress={() => onSet(c.kitId, c.isAgain)}
                    aria-label={`${c.isAgain ? text('again') : loan?.kitId === c.kitId ? text('keep') : text('set')} ${c.kit}, ${c.label}`}
                  >
                    {c.isAgain
                      ? text('giveAgain')
                      : loan?.kitId === c.kitId
                        ? text('keepThere')
                        : text('set2')}
                  </Button>
                </Spread>
              </li>
            ))}
          </Kits>
        )}
        <Row>
          <Button plain onPress={onClose}>
            {text('close')}
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
