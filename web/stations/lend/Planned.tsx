import { Link } from 'react-router';
import { shortDay } from '../../data/style.ts';
import { usePlannedNow } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** What the plan of a term has for these days and was not lent yet; nothing where no term runs. */
export function Planned({ onChoose }: { onChoose(label: string): void }) {
  const { data } = usePlannedNow();
  if (!data || data.length === 0) return null;
  return (
    <Panel as="section" aria-label={text('plannedNow')}>
      <Stack $gap={6}>
        <Spread>
          <h2>{text('plannedNow')}</h2>
          <Link to="/lend/terms">{data[0]!.plan}</Link>
        </Spread>
        {data.map((p) => (
          <Spread key={`${p.borrowerId}-${p.kitId}`}>
            <span>
              <b>{p.borrower}</b>: {p.kit} <Quiet>{text('until2', { due: shortDay(p.due) })}</Quiet>
            </span>
            <Button
              small
              plain
              onPress={() => onChoose(p.label)}
              aria-label={text('open3', { p: p.label, borrower: p.borrower })}
            >
              {p.label}
            </Button>
          </Spread>
        ))}
      </Stack>
    </Panel>
  );
}
