import { useQuery } from '@tanstack/react-query';
import { skillPlain } from '../../../core/patterns/skillWords.ts';
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
import { text } from './text.ts';

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
  'too hard': { kind: 'stop', word: text('nobodyManagesAlYet') },
  dull: { kind: 'care', word: text('mostFindDull') },
} as const;

function Make({ page }: { page: GroupPage }) {
  const n = page.children.length;
  return (
    <Panel as="div">
      <Stack $gap={10}>
        <h2>{text('makeNext', { group: page.group })}</h2>
        {page.make.length === 0 ? (
          <Quiet>{text('everyDesignWouldSuit')}</Quiet>
        ) : (
          <Lines aria-label={text('makeNext', { group: page.group })}>
            {page.make.map((m) => (
              <li key={m.designId}>
                <Spread>
                  <b>
                    {m.design}, “{m.level}”
                  </b>
                  <ButtonLink small plain to={`/make/${m.designId}`}>
                    {text('make')}
                  </ButtonLink>
                </Spread>
                <Quiet>{text('suits5910', { skill: skillPlain(m.skill), suits: m.suits, n })}</Quiet>
                <div>
                  <Verdict kind={m.check.verdict} />{' '}
                  <Quiet>{m.check.words ?? text('checkFoundNothing', { group: page.group })}</Quiet>
                </div>
              </li>
            ))}
          </Lines>
        )}
        <Row>
          <ButtonLink small plain to="/gather/today">
            {text('whatCouldIMake')}
          </ButtonLink>
        </Row>
        <Quiet>{page.isGuess ? text('guessBitsTooFew') : text('fromNotesNoDiagnosis')}</Quiet>
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
        <Heading over={place?.name ?? ''} title={text('nobodyWasWatchedYet')} />
        <div>
          <ButtonLink to="/watch">{text('writeNote')}</ButtonLink>
        </div>
      </Stack>
    );
  if (!groups.data || !page.data || !place) return <p role="status">{text('lookingNotes')}</p>;
  const { children, designs } = page.data;
  return (
    <Stack>
      <Heading
        over={text('group2', { place: place.name, group: page.data.group, children: children.length })}
        title={text('whoWhereOnWhich')}
      >
        <div style={{ width: 210 }}>
          <Select
            label={text('group3')}
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
          {text('allNotes')}
        </ButtonLink>
      </Heading>
      <SideBySide $left={2}>
        <Panel as="div">
          <Stack $gap={8}>
            <Table
              caption={text('ladders', { group: page.data.group })}
              left={children.map((_, i) => i + 1)}
              head={[text('design'), ...children]}
              rows={designs.map((d) => ({
                key: String(d.designId),
                cells: [
                  <span key="d">
                    <b>{d.design}</b>
                    <br />
                    <Quiet>{skillPlain(d.skill)}</Quiet>
                    {d.says && <Verdict kind={SAYS[d.says].kind} word={SAYS[d.says].word} />}
                  </span>,
                  ...children.map((c) => {
                    const at = d.places.find((p) => p.child === c);
                    return !at ? (
                      '–'
                    ) : at.alone ? (
                      <b key={c}>{at.alone}</b>
                    ) : (
                      <Quiet key={c}>{text('help', { last: at.last })}</Quiet>
                    );
                  }),
                ],
              }))}
            />
            <Quiet>
              {text('boldHardestLevelManaged')}{' '}
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
