import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { FamilyHistory, KitCount, KitHistory, PastLoan } from '../../../contract/lending.ts';
import { missing } from '../../../core/lend/status.ts';
import { api, words } from '../../data/api.ts';
import { shortDay } from '../../data/style.ts';
import { FileLink } from '../../parts/Button.tsx';
import { Notice, Quiet, Stack } from '../../parts/Panel.tsx';

const List = styled.ol`
  display: grid;
  font-size: 14px;
  li {
    border-top: 1px dashed var(--seam);
    padding: 7px 0;
    line-height: 1.35;
  }
  li:first-child {
    border-top: 0;
  }
`;
const OUTCOME: Readonly<Record<string, string>> = {
  shelve: 'left as it was',
  fill: 'filled from stock',
  repair: 'sent to repair',
  'write off': 'written off',
  'ask back': 'asked back',
};

/** What was missing at a count, what became of it, and where what was filled came from. */
function countWords(count: KitCount): string {
  const gaps = missing(count.parts);
  if (gaps.length === 0) return 'all there';
  const lacked = gaps
    .flatMap((g) => [
      ...(g.lost > 0 ? [`${g.lost} × ${g.part.name} missing`] : []),
      ...(g.short > g.lost ? [`${g.short - g.lost} × ${g.part.name} spoiled`] : []),
    ])
    .join(', ');
  const from = count.filled.flatMap((f) =>
    f.lots.map(
      (l) => `${l.quantity} × ${f.name} from the lot of ${shortDay(l.cameOn)}${l.from ? ` (${l.from})` : ''}`,
    ),
  );
  return `${lacked}; ${OUTCOME[count.outcome] ?? count.outcome}${from.length > 0 ? `: ${from.join(', ')}` : ''}`;
}

const LoanLine = ({ loan, who }: { loan: PastLoan; who: 'family' | 'kit' }) => (
  <li>
    <b>{who === 'family' ? loan.borrower : `${loan.design}, ${loan.label}`}</b> {shortDay(loan.lentOn)} to{' '}
    {loan.returnedOn ? shortDay(loan.returnedOn) : `now, due ${shortDay(loan.dueOn)}`}
    <br />
    {loan.override && (
      <>
        <b>Lent against the check</b> by {loan.override.by}: {loan.override.why}{' '}
        <FileLink small href={`/api/loans/${loan.id}/slip.pdf`}>
          Slip
        </FileLink>
        <br />
      </>
    )}
    <Quiet>{loan.count ? countWords(loan.count) : loan.returnedOn ? 'not counted' : 'still out'}</Quiet>
  </li>
);

/** A kit's past: who had it, what came back, what was filled and from where. */
export function KitPast({ copyId }: { copyId: number }) {
  const { data, error } = useQuery({
    queryKey: ['copies', copyId, 'history'],
    queryFn: () => api<KitHistory>('GET', `/copies/${copyId}/history`),
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data) return <p role="status">Loading its history …</p>;
  const between = data.counts.filter((c) => c.loanId === null);
  if (data.loans.length === 0 && between.length === 0 && data.events.length === 0)
    return <Quiet>It was never lent or counted.</Quiet>;
  return (
    <Stack $gap={6}>
      <List>
        {data.loans.map((l) => (
          <LoanLine key={l.id} loan={l} who="family" />
        ))}
      </List>
      {data.events.length > 0 && (
        <List>
          {data.events.map((e) => (
            <li key={e.id}>
              {shortDay(e.on)}: {e.what}
              <Quiet>{[e.by, e.why].filter(Boolean).map((x) => `, ${x}`)}</Quiet>
            </li>
          ))}
        </List>
      )}
      {between.length > 0 && (
        <>
          <b style={{ fontSize: 14 }}>Counted between loans</b>
          <List>
            {between.map((c) => (
              <li key={c.id}>
                {shortDay(c.countedOn)}: <Quiet>{countWords(c)}</Quiet>
              </li>
            ))}
          </List>
        </>
      )}
    </Stack>
  );
}

/** A family's past: every kit it had, and how each came back. */
export function FamilyPast({ borrowerId }: { borrowerId: number }) {
  const { data, error } = useQuery({
    queryKey: ['borrowers', borrowerId, 'history'],
    queryFn: () => api<FamilyHistory>('GET', `/borrowers/${borrowerId}/history`),
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data) return <p role="status">Loading the history …</p>;
  if (data.loans.length === 0) return <Quiet>Nothing was lent to this family yet.</Quiet>;
  return (
    <List>
      {data.loans.map((l) => (
        <LoanLine key={l.id} loan={l} who="kit" />
      ))}
    </List>
  );
}
