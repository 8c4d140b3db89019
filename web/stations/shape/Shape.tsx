import { memo, useCallback, useMemo } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../../contract/designs.ts';
import { formatLength, type LengthUnit } from '../../../core/measure/length.ts';
import { shortWords } from '../../../core/needs/supply.ts';
import type { AnyDials, DialSpec, Fit, Rung } from '../../../core/patterns/index.ts';
import { secondsLine } from '../../../core/challenge/line.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useNotePages } from '../../data/queries.ts';
import type { Heavy } from '../../design/derived.ts';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { Mat } from '../../drawing/Mat.tsx';
import { Marks } from '../../drawing/Marks.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Dial } from '../../parts/Dial.tsx';
import { Heading, Notice, Panel, Quiet, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { WhatAreBits } from '../../parts/WhatIs.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { DesignFacts } from '../../design/DesignFacts.tsx';
import { SupplyList } from '../../design/SupplyList.tsx';
import { Ladder } from './Ladder.tsx';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 16px;
  .work {
    display: grid;
    grid-template-rows: auto minmax(280px, 1fr) auto;
    gap: 12px;
    min-width: 0;
  }
  @media (min-width: 1101px) {
    min-height: 0;
    > * {
      min-height: 0;
    }
    > aside {
      overflow: auto;
    }
  }
  @media (max-width: 1100px) {
    .work {
      grid-template-rows: auto 318px auto;
      align-content: start;
    }
  }
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr);
  }
  @media (max-width: 560px) {
    .work {
      grid-template-rows: auto 330px auto;
    }
  }
`;
const Legend = styled.div`
  position: absolute;
  right: 14px;
  bottom: 12px;
  max-width: 330px;
  font-size: 14px;
  background: rgba(29, 74, 67, 0.88);
  border-radius: 8px;
  padding: 8px 10px;
  strong {
    font-family: var(--display);
    display: block;
  }
  .quiet {
    color: #cfe0d6;
  }
  .verdict span {
    color: #fff;
  }
`;

/** On the mat: chalk on green. */
const Retry = styled(Button)`
  margin-top: 6px;
  background: var(--chalk);
  border-color: var(--chalk);
  color: var(--ink);
`;

const GapWords = memo(function GapWords({ heavy, unit }: { heavy: Heavy; unit: LengthUnit }) {
  const { fit, behind, problem, again } = heavy;
  if (problem)
    return (
      <div role="alert">
        <strong>The fit could not be worked out</strong>
        <div className="quiet">{problem}</div>
        <Retry small onPress={again}>
          Try again
        </Retry>
      </div>
    );
  if (!fit) return <span className="quiet">Trying every way round …</span>;
  const p = fit.passage;
  return (
    <div style={{ opacity: behind ? 0.65 : 1 }}>
      <strong>{p.passes ? 'Gap round the piece' : 'It does not go through'}</strong>
      <div>
        {formatLength(p.gapAlong, unit)} along · {formatLength(p.gapAcross, unit)} across
      </div>
      <div className="quiet">
        {p.waysIn} of {p.ways} {p.ways === 1 ? 'way' : 'ways'} in
        {p.waysInNamed.length > 0 ? `: ${p.waysInNamed.join(', ')}` : ''} · tightest{' '}
        {formatLength(p.gap, unit)}
      </div>
    </div>
  );
});

const Head = memo(function Head({ over, title, id }: { over: string; title: string; id: number }) {
  return (
    <Heading over={over} title={title}>
      <DesignFile href={`/api/designs/${id}/template.pdf`}>Print template</DesignFile>
      <ButtonLink to={`/check/${id}`}>Check it</ButtonLink>
    </Heading>
  );
});

/** One dial of the open design; drawn again only when its own range or value moves. */
const DialOf = memo(
  function DialOf({
    spec,
    value,
    unit,
    preview,
  }: {
    spec: DialSpec;
    value: unknown;
    unit: LengthUnit;
    preview: boolean;
  }) {
    const set = (v: unknown): void => useOpenDesign.getState().dial(spec.id, v);
    return spec.kind === 'choice' ? (
      <Choice
        label={spec.label}
        options={spec.options}
        value={String(value)}
        onChange={set}
        isDisabled={preview}
      />
    ) : (
      <Dial spec={spec} unit={unit} value={Number(value)} onChange={set} isDisabled={preview} />
    );
  },
  (a, b) =>
    a.value === b.value &&
    a.unit === b.unit &&
    a.preview === b.preview &&
    JSON.stringify(a.spec) === JSON.stringify(b.spec),
);

const FactStrip = memo(function FactStrip({
  fit,
  bits,
  say,
}: {
  fit: Fit | null;
  bits: number | null;
  say: string;
}) {
  return (
    <Facts>
      <div>
        <Quiet>Fit</Quiet>
        <span aria-live="polite">{fit ? <Verdict kind={fit.verdict} word={fit.headline} /> : '…'}</span>
      </div>
      <div>
        <Quiet>Difficulty per piece</Quiet>
        <b>
          {bits === null
            ? '…'
            : fit && !fit.passage.passes
              ? 'none: it stays out'
              : `${bits.toFixed(1)} bits`}
        </b>
        <WhatAreBits />
      </div>
      <div>
        <Quiet>Container holds</Quiet>
        <b>{fit ? `about ${fit.holds}` : '…'}</b>
      </div>
      <div>
        <Quiet>Show it</Quiet>
        <span>{say}</span>
      </div>
    </Facts>
  );
});

function ShapeWork({ at }: { at: AtBench }) {
  const { design, light, heavy, place } = at;
  const unit = place.lengthUnit;
  const change = useOpenDesign((s) => s.change);
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const notes = useNotePages({ design: design.id, limit: 1000 });
  const takeOver = useChange((d: Omit<Design, 'id' | 'version'>) => api<Design>('POST', '/designs', d));
  const rungId = params.get('rung');
  const rung: Rung<AnyDials> | null = heavy.rungs?.find((r) => r.id === rungId) ?? null;
  const dials = rung?.dials ?? design.dials;
  const fit = rung?.fit ?? heavy.fit;
  const bits = rung?.bits ?? heavy.bits;
  // While a rung is looked at the dials show the rung's values, in the rung's own ranges.
  const specs = rung ? light.pattern.dialSpecs(rung.dials, light.chosen) : light.specs;
  const layout = rung
    ? light.pattern.layout(rung.dials, light.chosen, rung.fit)
    : light.layout(heavy.fit ?? undefined);
  const piece = light.chosen.piece!;
  const line = useMemo(
    () =>
      secondsLine(
        (notes.data?.pages.flatMap((p) => p.items) ?? [])
          .filter((n) => n.pieces > 0)
          .map((n) => [n.bits, n.seconds / n.pieces] as const),
      ),
    [notes.data],
  );
  const short = shortWords(light.supply);
  const choose = useCallback(
    (id: string | null): void => setParams(id ? { rung: id } : {}, { replace: true }),
    [setParams],
  );
  const { mutateAsync } = takeOver;
  const adopt = useCallback(
    (r: Rung<AnyDials>): void => {
      const open = useOpenDesign.getState().draft;
      if (!open) return;
      const { id: _, version: __, ...rest } = open;
      void mutateAsync({
        ...rest,
        name: `${open.name}, ${r.name.toLowerCase()}`.slice(0, 80),
        dials: r.dials,
        copies: 1,
        made: 0,
      }).then((made) => navigate(`/shape/${made.id}`));
    },
    [mutateAsync, navigate],
  );
  return (
    <Grid>
      <div className="work">
        <Head
          over={`${light.pattern.name} pattern · ${String(design.dials.approach)}`}
          title={titleOf(dials, piece.name)}
          id={design.id}
        />
        <Mat
          width={layout.width}
          height={layout.height}
          unit={unit}
          reserve={84}
          label={`Lid with its opening and ${piece.name} beside it, to scale`}
          over={
            <Legend>
              {rung ? (
                <>
                  <strong>Rung: {rung.name}</strong>
                  <div className="quiet">
                    gap {formatLength(rung.fit.passage.gap, unit)} · {rung.fit.passage.waysIn} of{' '}
                    {rung.fit.passage.ways} ways in · {rung.grip}
                  </div>
                </>
              ) : (
                <GapWords heavy={heavy} unit={unit} />
              )}
            </Legend>
          }
        >
          {({ px }) => <Marks marks={layout.marks} px={px} unit={unit} />}
        </Mat>
        <Stack $gap={10}>
          <Ladder
            rungs={heavy.rungs}
            problem={heavy.problem}
            chosen={rung?.id ?? null}
            here={heavy.bits}
            line={line}
            onChoose={choose}
            onAdopt={adopt}
            busy={takeOver.isPending}
          />
          {takeOver.error && <Notice tone="stop">{words(takeOver.error)}</Notice>}
          <FactStrip fit={fit} bits={bits} say={light.show.say} />
        </Stack>
      </div>
      <aside>
        <Panel as="div">
          <Stack $gap={10}>
            <Spread>
              <h2>{rung ? `Dials of ${rung.name.toLowerCase()}` : 'Dials'}</h2>
              {rung && (
                <Button small plain onPress={() => choose(null)}>
                  Back to mine
                </Button>
              )}
            </Spread>
            {specs.map((spec) => (
              <DialOf
                key={`${rung?.id ?? ''}${spec.id}`}
                spec={spec}
                unit={unit}
                value={dials[spec.id]}
                preview={rung !== null}
              />
            ))}
            {fit?.remedy && <Notice tone={fit.verdict}>{fit.remedy}</Notice>}
            <Seam />
            <h2>Uses from the shelf</h2>
            <SupplyList supply={light.supply} />
            {short && (
              <Notice tone="stop">
                <strong>{short}</strong>
              </Notice>
            )}
            <Seam />
            <DesignFacts design={design} materials={at.materials} pattern={light.pattern} onChange={change} />
          </Stack>
        </Panel>
      </aside>
    </Grid>
  );
}

const titleOf = (dials: AnyDials, piece: string): string => {
  const opening = dials.opening === 'round' ? 'hole' : String(dials.opening);
  return `Cut the ${opening} to fit the ${piece.toLowerCase().split(',')[0]}`;
};

const Facts = styled.div`
  display: grid;
  grid-template-columns: 1.1fr 1fr 0.9fr 1.6fr;
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 10px;
  > div {
    padding: 8px 14px;
    border-left: 1px solid var(--seam);
    display: grid;
    align-content: start;
    gap: 2px;
    font-size: 13.5px;
    line-height: 1.3;
  }
  > div:first-child {
    border-left: 0;
  }
  b {
    font: 700 17px/1.25 var(--display);
  }
  @media (max-width: 700px) {
    grid-template-columns: 1fr 1fr;
  }
`;
export const Component = () => <DesignBench station="shape">{(at) => <ShapeWork at={at} />}</DesignBench>;
