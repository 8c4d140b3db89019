import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { GroupPage, WatchedGroup } from '../../../contract/watching.ts';
import { api, words } from '../../data/api.ts';
import { usePlace } from '../../data/queries.ts';
import { ButtonLink } from '../../parts/Button.tsx';
import { Heading, Notice, Panel, Quiet, Row, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { Table } from '../../parts/Table.tsx';
import { Verdict } from '../../shell/Verdict.tsx';

const Lines = styled.ul`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    gap: 2px;
    border-top: 1px dashed var(--seam);
    padding-top: 8px;
  }
`;

const SAYS = {
  'too hard': { kind: 'stop', word: 'nobody manages it alone yet' },
  dull: { kind: 'care', word: 'most find it dull' },
} as const;

function Make({ page }: { page: GroupPage }) {
  const n = page.children.length;
  return (
    <Panel as="div">
      <Stack $gap={10}>
        <h2>Make next for {page.group}</h2>
        {page.make.length === 0 ? (
          <Quiet>
            Every design that would suit this group has a kit already, or none is known to suit it.
          </Quiet>
        ) : (
          <Lines aria-label={`Make next for ${page.group}`}>
            {page.make.map((m) => (
              <li key={m.designId}>
                <Spread>
                  <b>
                    {m.design}, “{m.rung}”
                  </b>
                  <ButtonLink small plain to={`/make/${m.designId}`}>
                    Make it
                  </ButtonLink>
                </Spread>
                <Quiet>
                  {m.skill}: suits {m.suits} of {n} {n === 1 ? 'child' : 'children'}, 5 to 9 in 10 to manage
                  it alone.
                </Quiet>
                <div>
                  <Verdict kind={m.check.verdict} />{' '}
                  <Quiet>{m.check.words ?? `The check found nothing for ${page.group}.`}</Quiet>
                </div>
              </li>
            ))}
          </Lines>
        )}
        <Row>
          <ButtonLink small plain to="/gather/today">
            What could I make?
          </ButtonLink>
        </Row>
        <Quiet>
          {page.isGuess ? 'A guess by bits: too few notes yet. ' : ''}From notes, no diagnosis: the therapist
          who knows the children decides.
        </Quiet>
      </Stack>
    </Panel>
  );
}

/** A group: who is where on which ladder, what is too hard or dull, what to make next. */
export function Component() {
  const asked = useParams().group;
  const navigate = useNavigate();
  const { data: place } = usePlace();
  const groups = useQuery({
    queryKey: ['groups'],
    queryFn: () => api<WatchedGroup[]>('GET', '/groups'),
  });
  const group = asked ?? groups.data?.[0]?.group;
  const page = useQuery({
    queryKey: ['groups', group, 'page'],
    queryFn: () => api<GroupPage>('GET', `/groups/${encodeURIComponent(group!)}/page`),
    enabled: group !== undefined,
  });
  const error = groups.error ?? page.error;
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (groups.data?.length === 0)
    return (
      <Stack>
        <Heading over={place?.name ?? ''} title="Nobody was watched yet" />
        <div>
          <ButtonLink to="/watch">Write a note</ButtonLink>
        </div>
      </Stack>
    );
  if (!groups.data || !page.data || !place) return <p role="status">Looking at the notes …</p>;
  const { children, designs } = page.data;
  return (
    <Stack>
      <Heading
        over={`${place.name} · group ${page.data.group}, ${children.length} ${children.length === 1 ? 'child' : 'children'}`}
        title="Who is where on which ladder?"
      >
        <div style={{ width: 210 }}>
          <Select
            label="Group"
            value={page.data.group}
            onChange={(g) => void navigate(`/watch/groups/${encodeURIComponent(g)}`)}
            options={groups.data.map((g) => ({
              value: g.group,
              label: g.group,
              note: `${g.children} ${g.children === 1 ? 'child' : 'children'}`,
            }))}
          />
        </div>
        <ButtonLink plain to="/watch">
          All notes
        </ButtonLink>
      </Heading>
      <SideBySide $left={2}>
        <Panel as="div">
          <Stack $gap={8}>
            <Table
              caption={`Ladders of ${page.data.group}`}
              left={children.map((_, i) => i + 1)}
              head={['Design', ...children]}
              rows={designs.map((d) => ({
                key: String(d.designId),
                cells: [
                  <span key="d">
                    <b>{d.design}</b>
                    <br />
                    <Quiet>{d.skill}</Quiet>
                    {d.says && <Verdict kind={SAYS[d.says].kind} word={SAYS[d.says].word} />}
                  </span>,
                  ...children.map((c) => {
                    const at = d.places.find((p) => p.child === c);
                    return !at ? (
                      '–'
                    ) : at.alone ? (
                      <b key={c}>{at.alone}</b>
                    ) : (
                      <Quiet key={c}>{at.last}, with help</Quiet>
                    );
                  }),
                ],
              }))}
            />
            <Quiet>
              In bold the hardest rung managed alone; else the last one tried. A group is the code up to its
              dash:{' '}
              {children.map((c, i) => (
                <span key={c}>
                  {i > 0 && ', '}
                  <Link to={`/watch/${encodeURIComponent(c)}`}>{c}</Link>
                </span>
              ))}
              .
            </Quiet>
          </Stack>
        </Panel>
        <Make page={page.data} />
      </SideBySide>
    </Stack>
  );
}
