import type { Done } from '../../../contract/undo.ts';
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { FamilyHistory, KitCount, KitHistory, PastLoan } from '../../../contract/lending.ts';
import { missing } from '../../../core/lend/status.ts';
import { api, words } from '../../data/api.ts';
import { shortDay } from '../../data/style.ts';
import { FileLink } from '../../parts/FileLink.tsx';
import { Notice, Quiet, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

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
  shelve: text('leftAsWas'),
  fill: text('filledFromStock'),
  repair: text('sentRepair'),
  'write off': text('writtenOff'),
  'ask back': text('askedBack'),
};

/** What was missing at a count, what became of it, and where what was filled came from. */
function countWords(count: KitCount): string {
  const gaps = missing(count.parts);
  if (gaps.length === 0) return text('allThere2');
  const lacked = gaps
    .flatMap((g) => [
      ...(g.lost > 0 ? [text('missing', { lost: g.lost, part: g.part.name })] : []),
      ...(g.short > g.lost ? [text('spoiled2', { short: g.short - g.lost, part: g.part.name })] : []),
    ])
    .join(', ');
  const from = count.filled.flatMap((f) =>
    f.lots.map((l) =>
      l.from
        ? text('fromLot', { quantity: l.quantity, f: f.name, cameOn: shortDay(l.cameOn), from: l.from })
        : text('fromLot2', { quantity: l.quantity, f: f.name, cameOn: shortDay(l.cameOn) }),
    ),
  );
  const found = count.parts.reduce((n, p) => n + (p.found ?? 0), 0);
  const since = found > 0 ? `, ${text('foundSince', { n: found })}` : '';
  return `${lacked}${since}; ${OUTCOME[count.outcome] ?? count.outcome}${from.length > 0 ? `: ${from.join(', ')}` : ''}`;
}

/** What was done and undone the same day: it is no loan and no count, and yet it was. */
function UndoneList({ of }: { of: readonly Done[] }) {
  if (of.length === 0) return null;
  return (
    <>
      <b style={{ fontSize: 14 }}>{text('undoneHead')}</b>
      <List>
        {of.map((d) => (
          <li key={d.id}>
            {shortDay(d.at.slice(0, 10))}:{' '}
            <Quiet>
              {text('undoneLine', {
                did: d.did,
                about: d.about,
                by: d.undone!.by === '' ? text('nobodySigned') : d.undone!.by,
                why: d.undone!.why,
              })}
            </Quiet>
          </li>
        ))}
      </List>
    </>
  );
}

const LoanLine = ({ loan, who }: { loan: PastLoan; who: 'family' | 'kit' }) => (
  <li>
    <b>{who === 'family' ? loan.borrower : `${loan.design}, ${loan.label}`}</b>{' '}
    {text('to', {
      lentOn: shortDay(loan.lentOn),
      returnedOn: loan.returnedOn
        ? shortDay(loan.returnedOn)
        : text('nowDue', { dueOn: shortDay(loan.dueOn) }),
    })}
    <br />
    {loan.override && (
      <>
        <b>{text('lentAgainstCheck')}</b> {text('by', { by: loan.override.by, why: loan.override.why })}{' '}
        <FileLink small href={`/api/loans/${loan.id}/slip.pdf`}>
          {text('slip')}
        </FileLink>
        <br />
      </>
    )}
    <Quiet>
      {loan.count ? countWords(loan.count) : loan.returnedOn ? text('notCounted') : text('stillOut')}
    </Quiet>
  </li>
);

/** A kit's past: who had it, what came back, what was filled and from where. */
export function KitPast({ kitId }: { kitId: number }) {
  const { data, error } = useQuery({
    queryKey: ['kits', kitId, 'history'],
    queryFn: () => api<KitHistory>('GET', `/kits/${kitId}/history`),
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data) return <p role="status">{text('loadingHistory')}</p>;
  const between = data.counts.filter((c) => c.loanId === null);
  if (data.loans.length + between.length + data.events.length + data.undone.length === 0)
    return <Quiet>{text('wasNeverLentOr')}</Quiet>;
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
          <b style={{ fontSize: 14 }}>{text('countedBetweenLoans')}</b>
          <List>
            {between.map((c) => (
              <li key={c.id}>
                {shortDay(c.countedOn)}: <Quiet>{countWords(c)}</Quiet>
              </li>
            ))}
          </List>
        </>
      )}
      <UndoneList of={data.undone} />
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
  if (!data) return <p role="status">{text('loadingHistory2')}</p>;
  if (data.loans.length + data.undone.length === 0) return <Quiet>{text('nothingWasLentThis')}</Quiet>;
  return (
    <>
      <List>
        {data.loans.map((l) => (
          <LoanLine key={l.id} loan={l} who="kit" />
        ))}
      </List>
      <UndoneList of={data.undone} />
    </>
  );
}
