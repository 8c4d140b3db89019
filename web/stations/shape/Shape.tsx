import { useNavigate, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../../contract/designs.ts';
import { formatLength, type LengthUnit } from '../../../core/measure/length.ts';
import { shortWords } from '../../../core/needs/short.ts';
import type { AnyDials, Rung } from '../../../core/patterns/index.ts';
import { secondsLine } from '../../../core/challenge/line.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useNotes } from '../../data/queries.ts';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { Mat } from '../../drawing/Mat.tsx';
import { Marks } from '../../drawing/Marks.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Dial } from '../../parts/Dial.tsx';
import { Heading, Notice, Panel, Quiet, Seam, Spread, Stack } from '../../parts/Panel.tsx';
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

function GapWords({ at, unit }: { at: AtBench; unit: LengthUnit }) {
  const { fit, behind } = at.heavy;
  if (!fit) return <span className="quiet">Trying every way round …</span>;
  const p = fit.passage;
  return (
    <div style={{ opacity: behind ? 0.65 : 1 }} aria-live="polite">
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
}

function ShapeWork({ at }: { at: AtBench }) {
  const { design, light, heavy, place } = at;
  const unit = place.lengthUnit;
  const { dial, change } = useOpenDesign();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const { data: notes } = useNotes();
  const takeOver = useChange((d: Omit<Design, 'id' | 'version'>) => api<Design>('POST', '/designs', d));
  const rungId = params.get('rung');
  const rung: Rung<AnyDials> | null = heavy.rungs?.find((r) => r.id === rungId) ?? null;
  const dials = rung?.dials ?? design.dials;
  const fit = rung?.fit ?? heavy.fit;
  const bits = rung?.bits ?? heavy.bits;
  const layout = rung
    ? light.pattern.layout(rung.dials, light.chosen, rung.fit)
    : light.layout(heavy.fit ?? undefined);
  const piece = light.chosen.piece!;
  const line = secondsLine(
    (notes ?? [])
      .filter((n) => n.designId === design.id && n.pieces > 0)
      .map((n) => [n.bits, n.seconds / n.pieces] as const),
  );
  const short = shortWords(light.supply);
  const adopt = async (r: Rung<AnyDials>): Promise<void> => {
    const { id: _, version: __, ...rest } = design;
    const made = await takeOver.mutateAsync({
      ...rest,
      name: `${design.name}, ${r.name.toLowerCase()}`.slice(0, 80),
      dials: r.dials,
      copies: 1,
    });
    await navigate(`/shape/${made.id}`);
  };
  return (
    <Grid>
      <div className="work">
        <Heading
          over={`${light.pattern.name} pattern · ${String(design.dials.approach)}`}
          title={titleOf(dials, piece.name)}
        >
          <DesignFile href={`/api/designs/${design.id}/template.pdf`}>Print template</DesignFile>
          <ButtonLink to={`/check/${design.id}`}>Check it</ButtonLink>
        </Heading>
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
                <GapWords at={at} unit={unit} />
              )}
            </Legend>
          }
        >
          {({ px }) => <Marks marks={layout.marks} px={px} unit={unit} />}
        </Mat>
        <Stack $gap={10}>
          <Ladder
            rungs={heavy.rungs}
            chosen={rung?.id ?? null}
            here={heavy.bits}
            line={line}
            onChoose={(id) => setParams(id ? { rung: id } : {}, { replace: true })}
            onAdopt={(r) => void adopt(r)}
            busy={takeOver.isPending}
          />
          {takeOver.error && <Notice tone="stop">{words(takeOver.error)}</Notice>}
          <Facts>
            <div>
              <Quiet>Fit</Quiet>
              {fit ? <Verdict kind={fit.verdict} word={fit.headline} /> : '…'}
            </div>
            <div>
              <Quiet>Challenge, a piece</Quiet>
              <b>
                {bits === null
                  ? '…'
                  : fit && !fit.passage.passes
                    ? 'none: it stays out'
                    : `${bits.toFixed(1)} bits`}
              </b>
            </div>
            <div>
              <Quiet>Container holds</Quiet>
              <b>{fit ? `${fit.holds} heaped` : '…'}</b>
            </div>
            <div>
              <Quiet>Show it</Quiet>
              <span>{light.show.say}</span>
            </div>
          </Facts>
        </Stack>
      </div>
      <aside>
        <Panel as="div">
          <Stack $gap={10}>
            <Spread>
              <h2>Dials</h2>
              {rung && (
                <Button small plain onPress={() => setParams({}, { replace: true })}>
                  Back to mine
                </Button>
              )}
            </Spread>
            {light.specs.map((spec) =>
              spec.kind === 'choice' ? (
                <Choice
                  key={spec.id}
                  label={spec.label}
                  options={spec.options}
                  value={String(design.dials[spec.id])}
                  onChange={(v) => dial(spec.id, v)}
                />
              ) : (
                <Dial
                  key={spec.id}
                  spec={spec}
                  unit={unit}
                  value={Number(design.dials[spec.id])}
                  onChange={(v) => dial(spec.id, v)}
                />
              ),
            )}
            {fit?.remedy && <Notice tone={fit.verdict}>{fit.remedy}</Notice>}
            <Seam />
            <h2>Uses from the shelf</h2>
            <SupplyList supply={light.supply} designId={design.id} />
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
