import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { Data } from 'plotly.js-basic-dist-min';
import { useParams, useSearchParams, useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Note } from '../../../contract/lending.ts';
import type { ChildPage, RungChance } from '../../../contract/watching.ts';
import { secondsLine } from '../../../core/challenge/line.ts';
import { SKILLS } from '../../../core/patterns/kernel.ts';
import type { Suggestion, WhatNext } from '../../../core/watch/whatNext.ts';
import { api, words } from '../../data/api.ts';
import { useNotePages, usePlace } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { ButtonLink, FileLink } from '../../parts/Button.tsx';
import { Chart } from '../../parts/Chart.tsx';
import { Heading, Notice, Panel, Quiet, Row, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { say } from '../../parts/messages.ts';
import { OwnData } from '../../parts/OwnData.tsx';
import { Select } from '../../parts/Select.tsx';
import { Table } from '../../parts/Table.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { WhatAreBits, WhatIsRung } from '../../parts/WhatIs.tsx';
import { ChildFacts } from './ChildFacts.tsx';
import { HELP_WORDS, LIKED_WORDS, secondsEach, triesWords } from './words.ts';

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

const inTen = (chance: number): string => `${Math.round(10 * chance)} in 10`;

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
  const note = new URLSearchParams({ child, design: String(of.designId), rung: of.rung }).toString();
  return (
    <Next data-first={first} aria-label={title}>
      <div>
        <Quiet>{title}</Quiet>
        <h3>
          {of.design}, “{of.rung}”
        </h3>
      </div>
      <Row>
        <ButtonLink small plain={!first} to={`/watch?${note}`}>
          Note it
        </ButtonLink>
      </Row>
      <p>
        {of.reason}{' '}
        <Quiet>
          On the rail as <span className="label">{of.label}</span>.
        </Quiet>
      </p>
      <p>
        <Verdict kind={of.check.verdict} />{' '}
        <Quiet>{of.check.words ?? 'The check found nothing for this child.'}</Quiet>
      </p>
    </Next>
  );
}

function Suggestions({ child, next }: { child: string; next: WhatNext }) {
  if (!next.next && !next.other)
    return (
      <Notice tone="care">
        No kit that is in, clean and whole fits. Clean what came back, or make one for{' '}
        {next.skill.toLowerCase()}.
      </Notice>
    );
  return (
    <Stack $gap={12}>
      {next.next ? (
        <Offer child={child} title="Next" of={next.next} first />
      ) : (
        <Notice tone="care">No kit for {next.skill.toLowerCase()} is in, clean and whole.</Notice>
      )}
      {next.easier && <Offer child={child} title="On a tired day" of={next.easier} />}
      {next.other && <Offer child={child} title="For another skill" of={next.other} />}
    </Stack>
  );
}

/** How likely each rung of a design is managed alone, as a bar with its interval. */
function Ladders({ rungs }: { rungs: readonly RungChance[] }) {
  const designs = [...new Map(rungs.map((r) => [r.designId, r.design]))];
  return designs.map(([id, design]) => (
    <section key={id} aria-label={`Rungs of ${design}`}>
      <h3 style={{ fontSize: 15, marginBottom: 4 }}>{design}</h3>
      <Chances>
        {rungs
          .filter((r) => r.designId === id)
          .map((r) => (
            <li key={r.rung}>
              <span>
                {r.rung}
                {r.alone !== null && <Quiet> {r.alone === 1 ? '· alone' : '· with help'}</Quiet>}
              </span>
              <span
                className="bar"
                role="img"
                aria-label={`${inTen(r.chance)} alone, ${inTen(r.low)} to ${inTen(r.high)}`}
              >
                <i style={{ left: `${100 * r.low}%`, width: `${100 * (r.high - r.low)}%` }} />
                <b style={{ left: `${100 * r.chance}%` }} />
              </span>
              <b>{inTen(r.chance)}</b>
            </li>
          ))}
      </Chances>
    </section>
  ));
}

/** Seconds for one against its bits, with the line and the interval of its mean where there is enough. */
function Pace({ notes }: { notes: readonly Note[] }) {
  const timed = useMemo(
    () =>
      notes.flatMap((n) => {
        const each = secondsEach(n);
        return each === null ? [] : [{ bits: n.bits, each, of: `${n.design}, ${shortDay(n.satOn)}` }];
      }),
    [notes],
  );
  const line = useMemo(() => secondsLine(timed.map((t) => [t.bits, t.each] as const)), [timed]);
  const data = useMemo((): Data[] => {
    const points: Data = {
      x: timed.map((t) => t.bits),
      y: timed.map((t) => t.each),
      text: timed.map((t) => t.of),
      name: 'Sittings',
      type: 'scatter',
      mode: 'markers',
      marker: { color: '#B0451A', size: 10 },
    };
    if (!line) return [points];
    const bits = timed.map((t) => t.bits);
    const [from, to] = [Math.min(...bits), Math.max(...bits)];
    const x = Array.from({ length: 31 }, (_, i) => from + ((to - from) * i) / 30);
    const at = (b: number): number => line.intercept + line.slope * b;
    const drawn = (y: number[], name: string, style: object, more: object = {}): Data => ({
      x,
      y,
      name,
      type: 'scatter',
      mode: 'lines',
      line: style,
      ...more,
    });
    return [
      points,
      drawn(x.map(at), 'Line', { color: '#2C5F8A', width: 3 }),
      drawn(
        x.map((b) => Math.max(0, at(b) - line.halfWidth(b))),
        '95 % interval of the mean',
        { color: '#8d8069', dash: 'dot', width: 1.5 },
      ),
      drawn(
        x.map((b) => at(b) + line.halfWidth(b)),
        '',
        { color: '#8d8069', dash: 'dot', width: 1.5 },
        { showlegend: false },
      ),
    ];
  }, [timed, line]);
  if (timed.length === 0) return <Quiet>Nothing was timed and counted yet.</Quiet>;
  return (
    <Stack $gap={6}>
      <Chart
        data={data}
        layout={{
          xaxis: { title: { text: 'bits' } },
          yaxis: { title: { text: 'seconds each' }, rangemode: 'tozero' },
          margin: { l: 56, r: 12, t: 40, b: 44 },
        }}
        height={270}
        label={`Seconds each against bits: ${timed.map((t) => `${t.bits.toFixed(1)} bits ${t.each.toFixed(1)} s`).join(', ')}`}
      />
      <Quiet>
        {line
          ? `Least squares over ${line.n} sittings: ${line.slope.toFixed(1)} s more for each bit, ± ${line.halfWidth(timed[0]!.bits).toFixed(1)} s at ${timed[0]!.bits.toFixed(1)} bits (95 %).`
          : `No line yet: it takes four timed sittings at three different numbers of bits, and there ${timed.length === 1 ? 'is 1' : `are ${timed.length}`}.`}
      </Quiet>
    </Stack>
  );
}

/** One child, by code: what to offer next, how likely each rung is, and every sitting. */
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
            To the notes
          </ButtonLink>
        </div>
      </Stack>
    );
  if (!page.data || !place) return <p role="status">Looking at the notes …</p>;
  const { rests, whatNext } = page.data;
  return (
    <Stack>
      <Heading
        over={`${place.name} · ${page.data.notes} ${page.data.notes === 1 ? 'note' : 'notes'} on ${child}`}
        title={`What next for ${child}?`}
      >
        <div style={{ width: 230 }}>
          <Select
            label="To practise"
            value={whatNext.skill}
            onChange={(s) => setParams({ skill: s }, { replace: true })}
            options={SKILLS.map((s) => ({ value: s, label: s }))}
          />
        </div>
        <FileLink href={`/api/children/${encodeURIComponent(child)}/page.pdf${asked}`}>Print</FileLink>
        <ButtonLink plain to="/watch">
          All notes
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
                  Left out, since it bores:{' '}
                  {whatNext.bored
                    .map((b) => `${notes.find((n) => n.designId === b.design)?.design ?? 'one'} (${b.why})`)
                    .join('; ')}
                  .
                </Quiet>
              )}
              {whatNext.stopped.length > 0 && (
                <Notice tone="stop">
                  <strong>
                    Left out, since the check stops {whatNext.stopped.length === 1 ? 'it' : 'them'} for{' '}
                    {child}:
                  </strong>{' '}
                  {whatNext.stopped.map((s) => `${s.design} (${s.why})`).join('; ')}.
                </Notice>
              )}
              <Quiet>A suggestion from notes, no diagnosis: the therapist who knows the child decides.</Quiet>
            </Stack>
          </Panel>
          <Panel as="div">
            <Stack $gap={10}>
              <Spread>
                <h2>Alone, out of ten tries</h2>
                <WhatIsRung />
              </Spread>
              <Ladders rungs={page.data.rungs} />
              <Quiet>
                {rests.isGuess
                  ? `A guess by bits: ${rests.answers} answers of ${rests.children} children are too few to find difficulties from. `
                  : `Rasch model, difficulties of ${rests.rungs} rungs found from ${rests.answers} answers of ${rests.children} children, the others by their bits. `}
                The band is the 95 % interval. {child} stands at {page.data.ability.mean.toFixed(1)} ±{' '}
                {(1.96 * page.data.ability.sd).toFixed(1)} logits, 0 being the middle of the children watched
                here. A verbal prompt makes a rung {rests.help[2].toFixed(1)} logits easier, a hand on the
                wrist {rests.help[1].toFixed(1)}, hand over hand {rests.help[0].toFixed(1)}.
              </Quiet>
            </Stack>
          </Panel>
        </Stack>
        <Stack>
          <Panel as="div">
            <Stack $gap={8}>
              <Spread>
                <h2>Pace</h2>
                <WhatAreBits />
              </Spread>
              <Pace notes={notes} />
            </Stack>
          </Panel>
          <Panel as="div">
            <Stack $gap={8}>
              <h2>Sittings</h2>
              <Table
                caption={`Sittings of ${child}`}
                left={[1, 2, 3, 4]}
                head={['Day', 'Design and rung', 'Help', 'How it went', 'Words']}
                rows={notes.map((n) => ({
                  key: String(n.id),
                  cells: [
                    shortDay(n.satOn),
                    <span key="d">
                      {n.design}
                      <br />
                      <Quiet>
                        {n.rung}, {n.bits.toFixed(1)} bits
                      </Quiet>
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
                say(`${child} is erased.`);
                void go('/watch');
              }}
            />
          </Panel>
        </Stack>
      </SideBySide>
    </Stack>
  );
}
