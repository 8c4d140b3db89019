import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Borrower, FamilyPage } from '../../../contract/lending.ts';
import { api, words } from '../../data/api.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { Notice, Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { factWords } from './FamilyFacts.tsx';
import { text } from './text.ts';

/** More of one name are not shown at once. */
const FEW = 6;

/** A family that somebody looked for: all that it has, what is planned and kept for it, each kit a touch away. */
function AtDesk({ family, onChoose }: { family: Borrower; onChoose(label: string): void }) {
  const { data, error } = useQuery({
    queryKey: ['borrowers', String(family.id), 'page'],
    queryFn: () => api<FamilyPage>('GET', `/borrowers/${family.id}`),
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!data) return <p role="status">{text('loadingFamily')}</p>;
  const rows = [
    ...data.has.map((h) => ({
      key: `has ${h.label}`,
      label: h.label,
      kit: h.kit,
      words: text('sinceDay', { day: shortDay(h.lentOn), due: shortDay(h.dueOn) }),
      late: h.daysLate,
    })),
    ...data.planned
      .filter((p) => !data.has.some((h) => h.label === p.label))
      .slice(0, 2)
      .map((p) => ({
        key: `plan ${p.day} ${p.label}`,
        label: p.label,
        kit: p.kit,
        words: text('plannedLine', { day: shortDay(p.day), due: shortDay(p.due), plan: p.plan }),
        late: 0,
      })),
    ...data.kept.flatMap((k) =>
      k.ready === null
        ? []
        : [{ key: `kept ${k.id}`, label: k.ready, kit: k.kit, words: text('keptForThem'), late: 0 }],
    ),
  ];
  return (
    <Panel as="section" aria-label={family.name}>
      <Stack $gap={8}>
        <h2>{text('hasKits', { name: family.name, n: data.has.length })}</h2>
        <Quiet>{factWords(data.family)}</Quiet>
        <ul style={{ display: 'grid', gap: 6 }}>
          {rows.map((r) => (
            <li key={r.key}>
              <Spread>
                <span>
                  <b>{r.kit}</b>
                  <br />
                  {r.late > 0 && (
                    <b style={{ color: 'var(--stop)' }}>{text('overdueDays', { n: r.late })}, </b>
                  )}
                  <Quiet>{r.words}</Quiet>
                </span>
                <Button small plain onPress={() => onChoose(r.label)}>
                  {r.label}
                </Button>
              </Spread>
            </li>
          ))}
        </ul>
        <Link to={`/lend/families/${family.id}`}>{text('openFamily', { name: family.name })}</Link>
      </Stack>
    </Panel>
  );
}

/** Families of the name that was typed. */
export const FamiliesAtDesk = ({
  families,
  onChoose,
}: {
  families: readonly Borrower[];
  onChoose(label: string): void;
}) => (
  <>
    {families.slice(0, FEW).map((b) => (
      <AtDesk key={b.id} family={b} onChoose={onChoose} />
    ))}
    {families.length > FEW && <Link to="/lend/families">{text('toFamilies')}</Link>}
  </>
);
