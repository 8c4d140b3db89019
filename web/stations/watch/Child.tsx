import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { useParams, useSearchParams, useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { ChildPage, LevelChance } from '../../../contract/watching.ts';
import { SKILLS } from '../../../core/patterns/kernel.ts';
import { isKnownChance } from '../../../core/watch/ladderModel.ts';
import type { Suggestion, WhatNext } from '../../../core/watch/whatNext.ts';
import { skillPlain } from '../../../core/patterns/skillWords.ts';
import { api, words } from '../../data/api.ts';
import { useNotePages, usePlace } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { ButtonLink } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Method } from '../../parts/Fold.tsx';
import { Heading, Notice, Panel, Quiet, Row, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { say } from '../../parts/messages.ts';
import { OwnData } from '../../parts/OwnData.tsx';
import { Select } from '../../parts/Select.tsx';
import { Table } from '../../parts/Table.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { WhatAreBits, WhatIsLevel } from '../../parts/WhatIs.tsx';
import { ChildFacts } from './ChildFacts.tsx';
import { Pace } from './Pace.tsx';
import { HELP_WORDS, LIKED_WORDS, triesWords } from './words.ts';
import { text } from './text.ts';

const Next = styled.article`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 14px;
  align-items: center;
  border-top: 1px dashed var(--seam);
  padding-top: 10px;
  h3 {
    font-size: 17px;
  }
  &[data-first='true'] {
    border-top: 0;
    padding-top: 0;
  }
  &[data-first='true'] h3 {
    font-size: 25px;
    line-height: 1.15;
  }
  p {
    grid-column: 1 / -1;
  }
  .label {
    white-space: nowrap;
  }
`;
const Chances = styled.ul`
  display: grid;
  gap: 4px;
  li {
    display: grid;
    grid-template-columns: minmax(110px, 1fr) minmax(0, 1.5fr) 62px;
    gap: 10px;
    align-items: center;
    min-height: 26px;
    font-size: 14px;
  }
  li > b {
    text-align: right;
  }
  /* The interval as a band, the chance as a line on it. */
  .bar {
    position: relative;
    height: 14px;
    border-radius: 4px;
    background: var(--linen);
  }
  .bar i {
    position: absolute;
    inset: 0 auto 0 0;
    border-radius: 4px;
    background: #e3b79f;
  }
  .bar b {
    position: absolute;
    top: -2px;
    width: 4px;
    height: 18px;
    margin-left: -2px;
    border-radius: 2px;
    background: var(--fox);
  }
`;

const inTen = (chance: number): string => text('n10', { what: Math.round(10 * chance) });

function Offer({
  child,
  title,
  of,
  first = false,
}: {
  child: string;
  title: string;
  of: Suggestion;
  first?: boolean;
}) {
  const note = new URLSearchParams({ child, design: String(of.designId), level: of.level }).toString();
  return (
    <Next data-first={first} aria-label={title}>
      <div>
        <Quiet>{title}</Quiet>
        <h3>
          {of.design}, “{of.level}”
        </h3>
      </div>
      <Row>
        <ButtonLink small plain={!first} to={`/watch?${note}`}>
          {text('note')}
        </ButtonLink>
      </Row>
      <p>
        {of.reason}{' '}
        <Quiet>
          {text('onRailAs')} <span className="label">{of.label}</span>.
        </Quiet>
      </p>
      <p>
        <Verdict kind={of.check.verdict} /> <Quiet>{of.check.words ?? text('checkFoundNothingThis')}</Quiet>
      </p>
    </Next>
  );
}

function Suggestions({ child, next }: { child: string; next: WhatNext }) {
  if (!next.next && !next.other)
    return (
      <Notice tone="care">{text('noKitCleanWhole', { skill: skillPlain(next.skill).toLowerCase() })}</Notice>
    );
  return (
    <Stack $gap={12}>
      {next.next ? (
        <Offer child={child} title={text('next')} of={next.next} first />
      ) : (
        <Notice tone="care">
          {text('noKitCleanWhole2', { skill: skillPlain(next.skill).toLowerCase() })}
        </Notice>
      )}
      {next.easier && <Offer child={child} title={text('onTiredDay')} of={next.easier} />}
      {next.other && <Offer child={child} title={text('skill')} of={next.other} />}
    </Stack>
  );
}

/** How likely each level of a design is managed alone, as a bar with its interval. */
function Ladders({ levels }: { levels: readonly LevelChance[] }) {
  const designs = [...new Map(levels.map((r) => [r.designId, r.design]))];
  return designs.map(([id, design]) => (
    <section key={id} aria-label={text('levels', { design })}>
      <h3 style={{ fontSize: 15, marginBottom: 4 }}>{design}</h3>
      <Chances>
        {levels
          .filter((r) => r.designId === id)
          .map((r) => (
            <li key={r.level}>
              <span>
                {r.level}
                {r.alone !== null && <Quiet> {r.alone === 1 ? text('al') : text('help2')}</Quiet>}
              </span>
              <span
                className="bar"
                role="img"
                aria-label={text('al2', { chance: inTen(r.chance), low: inTen(r.low), high: inTen(r.high) })}
              >
                <i style={{ left: `${100 * r.low}%`, width: `${100 * (r.high - r.low)}%` }} />
                <b style={{ left: `${100 * r.chance}%` }} />
              </span>
              <b>{isKnownChance(r) ? inTen(r.chance) : text('notKnownYet')}</b>
            </li>
          ))}
      </Chances>
    </section>
  ));
}

/** One child, by code: what to offer next, how likely each level is, and every sitting. */
export function Component() {
  const child = useParams().child!;
  const go = useNavigate();
  const [params, setParams] = useSearchParams();
  const skill = params.get('skill');
  const asked = skill ? `?skill=${encodeURIComponent(skill)}` : '';
  const { data: place } = usePlace();
  const page = useQuery({
    queryKey: ['children', child, 'page', skill],
    queryFn: () => api<ChildPage>('GET', `/children/${encodeURIComponent(child)}/page${asked}`),
    placeholderData: (before) => before,
  });
  const pages = useNotePages({ child, limit: 500 });
  const notes = useMemo(() => pages.data?.pages.flatMap((p) => p.items) ?? [], [pages.data]);
  if (page.error)
    return (
      <Stack>
        <Notice tone="stop">{words(page.error)}</Notice>
        <div>
          <ButtonLink plain to="/watch">
            {text('notes2')}
          </ButtonLink>
        </div>
      </Stack>
    );
  if (!page.data || !place) return <p role="status">{text('lookingNotes')}</p>;
  const { rests, whatNext } = page.data;
  return (
    <Stack>
      <Heading
        over={text('on2', { place: place.name, notes: page.data.notes, child })}
        title={text('whatNext', { child })}
      >
        <div style={{ width: 230 }}>
          <Select
            label={text('practise')}
            value={whatNext.skill}
            onChange={(s) => setParams({ skill: s }, { replace: true })}
            options={SKILLS.map((s) => ({ value: s, label: skillPlain(s) }))}
          />
        </div>
        <FileLink href={`/api/children/${encodeURIComponent(child)}/page.pdf${asked}`}>
          {text('print')}
        </FileLink>
        <ButtonLink plain to="/watch">
          {text('allNotes')}
        </ButtonLink>
      </Heading>
      <SideBySide $left={1}>
        <Stack>
          <Panel as="div">
            <Stack $gap={12}>
              <ChildFacts code={child} />
              <Suggestions child={child} next={whatNext} />
              {whatNext.bored.length > 0 && (
                <Quiet>
                  {text('leftOutSinceBores', {
                    bored: whatNext.bored
                      .map((b) => `${notes.find((n) => n.designId === b.design)?.design ?? 'one'} (${b.why})`)
                      .join('; '),
                  })}
                </Quiet>
              )}
              {whatNext.stopped.length > 0 && (
                <Notice tone="stop">
                  <strong>{text('leftOutSinceCheck', { stopped: whatNext.stopped.length, child })}</strong>{' '}
                  {whatNext.stopped.map((s) => `${s.design} (${s.why})`).join('; ')}.
                </Notice>
              )}
              <Quiet>{text('suggestionFromNotesNo')}</Quiet>
            </Stack>
          </Panel>
          <Panel as="div">
            <Stack $gap={10}>
              <Spread>
                <h2>{text('alOutTenTries')}</h2>
                <WhatIsLevel />
              </Spread>
              <Ladders levels={page.data.levels} />
              <Quiet>
                {rests.isGuess
                  ? text('guessSoFar')
                  : text('fromAnswers', { answers: rests.answers, children: rests.children })}
              </Quiet>
              <Method>
                {rests.isGuess
                  ? text('guessBitsAnswersChildren', {
                      answers: rests.answers,
                      children: rests.children,
                      child,
                      mean: page.data.ability.mean.toFixed(1),
                      what: (1.96 * page.data.ability.sd).toFixed(1),
                      what2: rests.help[2].toFixed(1),
                      what3: rests.help[1].toFixed(1),
                      what4: rests.help[0].toFixed(1),
                    })
                  : text('raschModelDifficultiesLevels', {
                      levels: rests.levels,
                      answers: rests.answers,
                      children: rests.children,
                      child,
                      mean: page.data.ability.mean.toFixed(1),
                      what: (1.96 * page.data.ability.sd).toFixed(1),
                      what2: rests.help[2].toFixed(1),
                      what3: rests.help[1].toFixed(1),
                      what4: rests.help[0].toFixed(1),
                    })}
              </Method>
            </Stack>
          </Panel>
        </Stack>
        <Stack>
          <Panel as="div">
            <Stack $gap={8}>
              <Spread>
                <h2>{text('pace')}</h2>
                <WhatAreBits />
              </Spread>
              <Pace notes={notes} />
            </Stack>
          </Panel>
          <Panel as="div">
            <Stack $gap={8}>
              <h2>{text('sittings')}</h2>
              <Table
                caption={text('sittings2', { child })}
                left={[1, 2, 3, 4]}
                head={[text('day'), text('designLevel'), text('help3'), text('howWent'), text('words')]}
                rows={notes.map((n) => ({
                  key: String(n.id),
                  cells: [
                    shortDay(n.satOn),
                    <span key="d">
                      {n.design}
                      <br />
                      <Quiet>{n.level}</Quiet>
                    </span>,
                    HELP_WORDS[n.help],
                    [
                      n.count === null ? null : `${n.count} ${n.of}`,
                      n.seconds === null ? null : `${n.seconds} s`,
                      triesWords(n),
                      n.liked && LIKED_WORDS[n.liked].toLowerCase(),
                    ]
                      .filter(Boolean)
                      .join(', '),
                    n.words,
                  ],
                }))}
              />
            </Stack>
          </Panel>
          <Panel as="div">
            <OwnData
              of={child}
              href={`/api/children/${encodeURIComponent(child)}/data`}
              erase={() => api<void>('POST', `/children/${encodeURIComponent(child)}/erase`, {})}
              onErased={() => {
                say(text('erased', { child }));
                void go('/watch');
              }}
            />
          </Panel>
        </Stack>
      </SideBySide>
    </Stack>
  );
}
