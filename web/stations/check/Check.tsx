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
import { Answer, Heading, Panel, Seam, Stack } from '../../parts/Panel.tsx';
import { SewnButton, Verdict } from '../../shell/Verdict.tsx';
import { useRules } from '../../data/queries.ts';
import { useWorkings } from '../../design/workings.ts';
import { Cleaning } from './Cleaning.tsx';
import { OnDesign, OnGauge } from './OnDesign.tsx';
import { FindingItem } from './Findings.tsx';
import { HandTests } from './HandTests.tsx';
import { Turned } from './Turned.tsx';
import { answerWords } from './answerWords.ts';
import { text } from './text.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 0.95fr) minmax(0, 1.15fr) 250px;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 12px 16px;
  > .top {
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
    > .top,
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
    > .top,
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
  return (
    <Grid>
      <div className="top">
        <Heading
          over={
            report
              ? text('rulesAppliedYoungestMonths', {
                  market: report.market,
                  youngest: report.youngest,
                  forGroup: design.forGroup,
                  ages: formatAges(design.ageFrom, design.ageTo),
                })
              : text('youngestMonths', {
                  youngest: design.ageFrom,
                  forGroup: design.forGroup,
                  ages: formatAges(design.ageFrom, design.ageTo),
                })
          }
          title={text('canMouthFingerOr')}
        >
          <DesignFile href={`/api/designs/${design.id}/check-sheet.pdf`}>{text('checkSheet')}</DesignFile>
          <DesignFile href={`/api/designs/${design.id}/family-check.pdf`}>{text('parent')}</DesignFile>
          <ButtonLink plain to="/rules">
            {text('rules')}
          </ButtonLink>
          <ButtonLink to={`/price/${design.id}`}>{text('price')}</ButtonLink>
        </Heading>
        <Answer role="status">
          {overall && <Verdict kind={overall} size={28} word="" />}
          {report ? answerWords(report) : text('lookingFirst')}
        </Answer>
      </div>
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
                <p role="alert">{text('checkCouldNotWorked', { problem: heavy.problem })}</p>
                <div>
                  <Button small plain onPress={heavy.again}>
                    {text('tryAgain')}
                  </Button>
                </div>
              </Stack>
            ) : (
              <p>
                {report
                  ? report.isAccounted
                    ? text('thereNoLoosePiece')
                    : text('thereNoPieceTurn')
                  : text('turningEachPieceEvery')}
              </p>
            )}
          </Panel>
        )}
      </div>
      <Panel className="findings" aria-label={text('findings')} tabIndex={0}>
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
          )) ?? <li>{heavy.problem ?? text('lookingEveryFeature')}</li>}
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
                <h2>{text('looked')}</h2>
                <ul style={{ fontSize: 14 }}>
                  {report.answered.map((a) => (
                    <li key={a}>{a}.</li>
                  ))}
                </ul>
              </>
            )}
            <h2>{text('notChecked')}</h2>
            <Tests as="ul">
              {report?.unchecked.map((u) => (
                <li key={u}>{u}</li>
              ))}
            </Tests>
            {report && report.changed.length > 0 && (
              <>
                <Seam />
                <h2>{text('rulesChangedHere')}</h2>
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
            <strong>{text('theseUsualCautionsNot')}</strong> {text('yourLocalToySafety')}
          </p>
        </div>
      </Panel>
    </Grid>
  );
}

export const Component = () => <DesignBench station="check">{(at) => <CheckWork at={at} />}</DesignBench>;
