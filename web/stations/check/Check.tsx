import { useState } from 'react';
import { styled } from 'styled-components';
import { formatAges } from '../../../core/calendar/ages.ts';
import { formatLength, inUnit } from '../../../core/measure/length.ts';
import { worst } from '../../../core/patterns/kernel.ts';
import { handTests } from '../../../core/safety/handTests.ts';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { Gauge } from '../../drawing/Gauge.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Heading, Panel, Quiet, Seam, Stack } from '../../parts/Panel.tsx';
import { SewnButton, Verdict } from '../../shell/Verdict.tsx';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 0.95fr) minmax(0, 1.15fr) 250px;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 12px 16px;
  > header {
    grid-column: 1 / 4;
  }
  .mat {
    min-height: 300px;
  }
  .findings {
    overflow: auto;
    padding: 4px 16px;
  }
  .aside {
    grid-row: 2 / 4;
    grid-column: 3;
    overflow: auto;
  }
  .caution {
    grid-column: 1 / 3;
    font-size: 14px;
  }
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: none;
    > header,
    .caution,
    .aside {
      grid-column: 1 / 3;
      grid-row: auto;
    }
    .mat {
      height: 420px;
    }
  }
  @media (max-width: 640px) {
    grid-template-columns: minmax(0, 1fr);
    > header,
    .caution,
    .aside {
      grid-column: 1;
    }
  }
`;
const Finding = styled.li`
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 10px;
  padding: 9px 0;
  border-top: 1px dashed var(--seam);
  font-size: 14px;
  line-height: 1.32;
  &:first-child {
    border-top: 0;
  }
  > :first-child {
    align-self: start;
  }
`;
const Legend = styled.div`
  position: absolute;
  left: 14px;
  bottom: 12px;
  right: 14px;
  background: rgba(29, 74, 67, 0.88);
  border-radius: 8px;
  padding: 8px 10px;
  font-size: 14px;
  strong {
    font-family: var(--display);
    display: block;
  }
  span {
    color: #cfe0d6;
  }
`;
const Pieces = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 6px;
  button {
    min-height: 32px;
    padding: 2px 10px;
    border: 1px solid var(--chalk);
    border-radius: 8px;
    background: none;
    color: var(--chalk);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--chalk);
    color: var(--ink);
  }
`;
const Tests = styled.ul`
  display: grid;
  gap: 8px;
  font-size: 14px;
  li {
    padding-left: 18px;
    position: relative;
  }
  li::before {
    content: '';
    position: absolute;
    left: 0;
    top: 7px;
    width: 9px;
    height: 9px;
    border-radius: 50%;
    border: 2px solid var(--care);
  }
`;

function CheckWork({ at }: { at: AtBench }) {
  const { design, heavy, place } = at;
  const unit = place.lengthUnit;
  const report = heavy.safety;
  const [shown, setShown] = useState(0);
  const gauged = report?.gauged[shown] ?? report?.gauged[0];
  const overall = report ? worst(report.findings.map((f) => f.verdict)) : null;
  const count = (kind: string): number => report?.findings.filter((f) => f.verdict === kind).length ?? 0;
  return (
    <Grid>
      <Heading
        over={`${report ? `Rules applied: ${report.market} · ` : ''}youngest ${design.ageFrom} months (${design.forGroup}, ${formatAges(design.ageFrom, design.ageTo)})`}
        title="Can a mouth, a finger or a neck get caught?"
      >
        {overall && (
          <Verdict
            kind={overall}
            size={30}
            word={
              overall === 'clear'
                ? 'Nothing found'
                : `${count('stop') > 0 ? `${count('stop')} × stop` : ''}${count('stop') > 0 && count('care') > 0 ? ', ' : ''}${count('care') > 0 ? `${count('care')} × take care` : ''}`
            }
          />
        )}
        <ButtonLink to={`/price/${design.id}`}>Price it</ButtonLink>
      </Heading>
      <div className={gauged ? 'mat' : undefined}>
        {gauged ? (
          <Gauge
            shape={gauged.shape}
            answer={gauged.answer}
            name={gauged.name}
            unit={unit}
            over={
              <Legend>
                {(report?.gauged.length ?? 0) > 1 && (
                  <Pieces role="group" aria-label="Pieces">
                    {report!.gauged.map((g, i) => (
                      <button
                        key={`${g.name}${i}`}
                        type="button"
                        aria-pressed={g === gauged}
                        onClick={() => setShown(i)}
                      >
                        {g.name}
                      </button>
                    ))}
                  </Pieces>
                )}
                {gauged.answer.fits === false ? (
                  <>
                    <strong>Stands out by {formatLength(-gauged.answer.clearance, unit)} at its best</strong>
                    <span>
                      of all ways round, proved to at least {formatLength(-gauged.answer.bounds[1], unit)}
                    </span>
                  </>
                ) : gauged.answer.fits ? (
                  <>
                    <strong>Lies inside with {formatLength(gauged.answer.clearance, unit)} to spare</strong>
                    <span>{gauged.name}, in the way shown: a small part</span>
                  </>
                ) : (
                  <>
                    <strong>Too close to call</strong>
                    <span>treated as a small part</span>
                  </>
                )}
              </Legend>
            }
          />
        ) : (
          <Panel>
            {heavy.problem ? (
              <Stack $gap={8}>
                <p role="alert">The check could not be worked out: {heavy.problem}</p>
                <div>
                  <Button small plain onPress={heavy.again}>
                    Try again
                  </Button>
                </div>
              </Stack>
            ) : (
              <p>
                {report
                  ? 'Nothing loose: there is no piece to turn in the test cylinder.'
                  : 'Turning each piece every way in the test cylinder …'}
              </p>
            )}
          </Panel>
        )}
      </div>
      <Panel className="findings" aria-label="Findings" tabIndex={0}>
        <ul>
          {report?.findings.map((f) => (
            <Finding key={f.id}>
              <Verdict kind={f.verdict} />
              <div>
                <h3>{f.title}</h3>
                <p>{inUnit(`${f.words} ${f.remedy ?? ''}`, place.lengthUnit)}</p>
                <Quiet>{f.source}</Quiet>
              </div>
            </Finding>
          )) ?? <li>{heavy.problem ?? 'Looking at every feature …'}</li>}
        </ul>
      </Panel>
      <div className="aside">
        <Panel as="div">
          <Stack $gap={10}>
            <h2>Tests to do by hand</h2>
            <Quiet>On one finished kit, before the others are lent.</Quiet>
            <Tests>
              {handTests(design.ageFrom, report?.market ?? place.market).map((t) => (
                <li key={t.id}>{inUnit(t.words, place.lengthUnit)}</li>
              ))}
            </Tests>
            <Quiet>
              Then check it again here: what broke off is a piece of its own. 16 CFR 1500.51–.53, EN 71-1,
              from memory.
            </Quiet>
            <Seam />
            <h2>Not checked</h2>
            <Tests as="ul">
              {report?.unchecked.map((u) => (
                <li key={u}>{u}</li>
              ))}
            </Tests>
          </Stack>
        </Panel>
      </div>
      <Panel className="caution">
        <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
          <SewnButton kind="care" size={28} />
          <p>
            <strong>These are the usual cautions, not a certificate.</strong> Your local toy-safety and
            licensing rules come first; ask the therapist who knows the child. Rule values are from memory of
            the published texts: compare them with your own copy.
          </p>
        </div>
      </Panel>
    </Grid>
  );
}

export const Component = () => <DesignBench station="check">{(at) => <CheckWork at={at} />}</DesignBench>;
