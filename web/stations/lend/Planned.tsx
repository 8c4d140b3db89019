import { Link } from 'react-router';
import { shortDay } from '../../data/style.ts';
import { usePlannedNow } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';

/** What the plan of a term has for these days and was not lent yet; nothing where no term runs. */
export function Planned({ onChoose }: { onChoose(label: string): void }) {
  const { data } = usePlannedNow();
  if (!data || data.length === 0) return null;
  return (
    <Panel as="section" aria-label="Planned for now">
      <Stack $gap={6}>
        <Spread>
          <h2>Planned for now</h2>
          <Link to="/lend/terms">{data[0]!.plan}</Link>
        </Spread>
        {data.map((p) => (
          <Spread key={`${p.borrowerId}-${p.copyId}`}>
            <span>
              <b>{p.borrower}</b>: {p.kit} <Quiet>until {shortDay(p.due)}</Quiet>
            </span>
            <Button
              small
              plain
              onPress={() => onChoose(p.label)}
              aria-label={`Open ${p.label} for ${p.borrower}`}
            >
              {p.label}
            </Button>
          </Spread>
        ))}
      </Stack>
    </Panel>
  );
}
