import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { worst } from '../../core/patterns/kernel.ts';
import type { Finding } from '../../core/safety/check.ts';
import type { KitReport } from '../../core/safety/kitCheck.ts';
import { api, words } from '../data/api.ts';
import { Quiet } from '../parts/Panel.tsx';
import { titleOf, Verdict } from '../shell/Verdict.tsx';
import { text } from './text.ts';

/** What the check says of a design in one line, with what decided it, and the way to the whole of it. */
export function CheckLine({
  designId,
  findings,
  youngest,
}: {
  /** null of a kit of several, whose check stands on its card. */
  designId: number | null;
  findings: readonly Finding[];
  youngest: number;
}) {
  const [first] = findings;
  const verdict = worst(findings.map((f) => f.verdict));
  return (
    <p>
      <Verdict kind={verdict} />{' '}
      <Quiet>
        {first && verdict !== 'clear'
          ? text('months2', { youngest, first: titleOf(first) })
          : text('monthsNothingWasFound', { youngest })}{' '}
        {designId !== null && <Link to={`/check/${designId}`}>{text('whatCheckSays')}</Link>}
      </Quiet>
    </p>
  );
}

/** The same of a design or a kit that is kept, asked of the desk: `designs/3`, `bundles/2`. */
export function CheckOf({ of }: { of: string }) {
  const { data, error } = useQuery({
    queryKey: [of, 'check'],
    queryFn: () => api<KitReport>('GET', `/${of}/check`),
    retry: false,
  });
  if (error) return <Quiet>{text('notChecked', { error: words(error) })}</Quiet>;
  if (!data) return <Quiet role="status">{text('askingCheck')}</Quiet>;
  const [kind, id] = of.split('/');
  return (
    <CheckLine
      designId={kind === 'designs' ? Number(id) : null}
      findings={data.findings}
      youngest={data.youngest}
    />
  );
}
