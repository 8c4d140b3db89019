import { useRef, useState } from 'react';
import { styled } from 'styled-components';
import type { HandGauge } from '../../../core/gauge/handGauges.ts';
import type { Finding } from '../../../core/safety/check.ts';
import type { Rule } from '../../../core/safety/rules.ts';
import { formatAges } from '../../../core/calendar/ages.ts';
import { worst } from '../../../core/patterns/kernel.ts';
import { DesignFile } from '../../design/DesignFile.tsx';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Heading, Panel, Seam, Stack } from '../../parts/Panel.tsx';
import { SewnButton, Verdict } from '../../shell/Verdict.tsx';
import { useRules } from '../../data/queries.ts';
import { useWorkings } from '../../design/workings.ts';
import { Cleaning } from './Cleaning.tsx';
import { OnDesign, OnGauge } from './OnDesign.tsx';
import { FindingItem } from './Findings.tsx';
import { HandTests } from './HandTests.tsx';
import { Turned } from './Turned.tsx';

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
  const gauged = report?.gauged[0];
  const { data: rules } = useRules();
  const drawing = useWorkings((s) => s.drawing);
  /** The finding that is looked for on the design. */
  const [where, setWhere] = useState<{ id: string; on: 'design' | 'gauge' } | null>(null);
  const mat = useRef<HTMLDivElement>(null);
  const shown = report?.findings.find((f) => f.id === where?.id) ?? null;
  const gaugeOf = (f: Finding): HandGauge | undefined =>
    report?.handGauges.find((g) => g.rule === f.rule && g.where === f.where);
  const ruleOf = (f: Finding): Rule | undefined => rules?.list.find((r) => r.id === f.rule);
  const show = (f: Finding, on: 'design' | 'gauge'): void => {
    setWhere({ id: f.id, on });
    // On a phone the drawing lies above the list.
    mat.current?.scrollIntoView({ block: 'nearest' });
  };
  const gauge = shown && where?.on === 'gauge' ? gaugeOf(shown) : undefined;
  const overall = report ? worst(report.findings.map((f) => f.verdict)) : null;
  const count = (kind: string): number => report?.findings.filter((f) => f.verdict === kind).length ?? 0;
  return (
    <Grid>
      <Heading
        over={`${report ? `Rules applied: ${report.market} · ` : ''}youngest ${report?.youngest ?? design.ageFrom} months (${design.forGroup}, ${formatAges(design.ageFrom, design.ageTo)})`}
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
        <DesignFile href={`/api/designs/${design.id}/check-sheet.pdf`}>Check sheet</DesignFile>
        <DesignFile href={`/api/designs/${design.id}/family-check.pdf`}>For a parent</DesignFile>
        <ButtonLink plain to="/rules">
          Rules
        </ButtonLink>
        <ButtonLink to={`/price/${design.id}`}>Price it</ButtonLink>
      </Heading>
      <div ref={mat} className={gauged || shown ? 'mat' : undefined}>
        {shown && gauge ? (
          <OnGauge
            gauge={gauge}
            limit={ruleOf(shown)?.limit ?? 0}
            of={shown}
            unit={unit}
            onBack={() => setWhere(null)}
          />
        ) : shown && drawing ? (
          <OnDesign
            scene={drawing.scene}
            of={shown}
            looksAt={ruleOf(shown)?.looksAt}
            unit={unit}
            onBack={() => setWhere(null)}
          />
        ) : report && gauged ? (
          <Turned key={design.id} gauged={report.gauged} unit={unit} />
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
                  ? report.isAccounted
                    ? 'There is no loose piece in it to turn in the test cylinder.'
                    : 'There is no piece to turn in the test cylinder, and not everything in it was judged: see the list.'
                  : 'Turning each piece every way in the test cylinder …'}
              </p>
            )}
          </Panel>
        )}
      </div>
      <Panel className="findings" aria-label="Findings" tabIndex={0}>
        <ul>
          {report?.findings.map((f) => (
            <FindingItem
              key={f.id}
              of={f}
              design={design}
              materials={at.materials}
              unit={unit}
              onWhere={() => show(f, 'design')}
              onGauge={gaugeOf(f) && (ruleOf(f)?.limit ?? 0) > 0 ? () => show(f, 'gauge') : null}
            />
          )) ?? <li>{heavy.problem ?? 'Looking at every feature …'}</li>}
        </ul>
      </Panel>
      <div className="aside">
        <Panel as="div">
          <Stack $gap={10}>
            <HandTests design={design} report={report} market={report?.market ?? place.market} unit={unit} />
            <Seam />
            <Cleaning design={design} materials={at.materials} restDays={place.restDays} />
            <Seam />
            {report && report.answered.length > 0 && (
              <>
                <h2>Looked at</h2>
                <ul style={{ fontSize: 14 }}>
                  {report.answered.map((a) => (
                    <li key={a}>{a}.</li>
                  ))}
                </ul>
              </>
            )}
            <h2>Not checked</h2>
            <Tests as="ul">
              {report?.unchecked.map((u) => (
                <li key={u}>{u}</li>
              ))}
            </Tests>
            {report && report.changed.length > 0 && (
              <>
                <Seam />
                <h2>Rules changed here</h2>
                <Tests as="ul">
                  {report.changed.map((c) => (
                    <li key={c}>{c}</li>
                  ))}
                </Tests>
              </>
            )}
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
