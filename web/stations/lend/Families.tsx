import { useState } from 'react';
import { useInfiniteQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { ListedFamily } from '../../../contract/lending.ts';
import { apiPage, words, type Page } from '../../data/api.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { FamilyFacts, factWords, newFamily } from './FamilyFacts.tsx';
import { text } from './text.ts';

const Cards = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
  gap: 0 22px;
  li {
    border-top: 1px dashed var(--seam);
    padding: 8px 0;
    line-height: 1.35;
  }
  a {
    font-weight: 700;
    display: inline-block;
    min-height: 24px;
  }
`;

const byGroup = (list: readonly ListedFamily[]): [string, ListedFamily[]][] => {
  const groups = new Map<string, ListedFamily[]>();
  for (const b of list) groups.set(b.group, [...(groups.get(b.group) ?? []), b]);
  return [...groups].sort(([a], [b]) => (a < b ? -1 : 1));
};

/** Every family by its group, and the way to add one. */
export function Component() {
  const [q, setQ] = useState('');
  const [isAdding, setAdding] = useState(false);
  const navigate = useNavigate();
  const wanted = q.trim();
  const pages = useInfiniteQuery({
    queryKey: ['borrowers', 'pages', wanted],
    queryFn: ({ pageParam }) => apiPage<ListedFamily>(pageParam),
    initialPageParam: `/borrowers?limit=200${wanted === '' ? '' : `&q=${encodeURIComponent(wanted)}`}`,
    getNextPageParam: (last: Page<ListedFamily>) => last.next ?? undefined,
    placeholderData: (before) => before,
  });
  if (pages.error) return <Notice tone="stop">{words(pages.error)}</Notice>;
  if (!pages.data) return <p role="status">{text('loadingFamilies')}</p>;
  const list = pages.data.pages.flatMap((p) => p.items);
  const n = pages.data.pages[0]!.total;
  return (
    <Stack>
      <Heading
        over={text('allFamilies')}
        title={wanted === '' ? text('familiesTitle', { n }) : text('familiesFound', { n })}
      >
        <Button onPress={() => setAdding(true)}>{text('addFamily')}</Button>
        <ButtonLink plain to="/gather/files?kind=families">
          {text('familiesByFile')}
        </ButtonLink>
        <ButtonLink plain to="/lend">
          {text('backRail')}
        </ButtonLink>
      </Heading>
      {(n > 0 || wanted !== '') && (
        <div style={{ maxWidth: 420 }}>
          <TextField label={text('findFamily')} value={q} onChange={setQ} />
        </div>
      )}
      {n === 0 && wanted === '' && <Notice tone="care">{text('noFamiliesYet')}</Notice>}
      {n === 0 && wanted !== '' && (
        <Row>
          <Button plain onPress={() => setAdding(true)}>
            {text('addFamilyCalled', { name: wanted })}
          </Button>
        </Row>
      )}
      {byGroup(list).map(([group, families]) => (
        <Panel key={group} as="section" aria-label={group}>
          <Stack $gap={6}>
            <Row style={{ justifyContent: 'space-between' }}>
              <h2>{group}</h2>
              <Link to={`/watch/groups/${encodeURIComponent(group)}`}>{text('groupPage', { group })}</Link>
            </Row>
            <Cards>
              {families.map((b) => (
                <li key={b.id}>
                  <Link to={`/lend/families/${b.id}`}>{b.name}</Link>
                  <br />
                  {b.has > 0 && <span>{text('hasN', { n: b.has })}</span>}
                  {b.late > 0 && (
                    <b style={{ color: 'var(--stop)' }}>, {text('ofThemLate', { n: b.late })}</b>
                  )}
                  {b.has > 0 && <br />}
                  <Quiet>{factWords(b)}</Quiet>
                </li>
              ))}
            </Cards>
          </Stack>
        </Panel>
      ))}
      {pages.hasNextPage && (
        <Row>
          <Button plain isDisabled={pages.isFetchingNextPage} onPress={() => void pages.fetchNextPage()}>
            {text('someMore')}
          </Button>
        </Row>
      )}
      {isAdding && (
        <FamilyFacts
          family={newFamily(n === 0 ? wanted : '')}
          onDone={(made) => {
            setAdding(false);
            if (made) void navigate(`/lend/families/${made.id}`);
          }}
        />
      )}
    </Stack>
  );
}
