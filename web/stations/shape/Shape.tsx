import { memo, useCallback, useMemo } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../../contract/designs.ts';
import { shortWords } from '../../../core/needs/supply.ts';
import type { AnyDials, Rung } from '../../../core/patterns/index.ts';
import { secondsLine } from '../../../core/challenge/line.ts';
import { inUnit } from '../../../core/measure/length.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useNotePages } from '../../data/queries.ts';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { Mat } from '../../drawing/Mat.tsx';
import { Marks } from '../../drawing/Marks.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Heading, Notice, Panel, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { DesignFacts } from '../../design/DesignFacts.tsx';
import { SupplyList } from '../../design/SupplyList.tsx';
import { DialField } from './DialField.tsx';
import { FactStrip } from './FactStrip.tsx';
import { Ladder } from './Ladder.tsx';
import { MatLegend } from './MatLegend.tsx';

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
const Head = memo(function Head({
  over,
  title,
  id,
  hasTemplate,
}: {
  over: string;
  title: string;
  id: number;
  hasTemplate: boolean;
}) {
  return (
    <Heading over={over} title={title}>
      {hasTemplate && <DesignFile href={`/api/designs/${id}/template.pdf`}>Print template</DesignFile>}
      <ButtonLink to={`/check/${id}`}>Check it</ButtonLink>
    </Heading>
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
  const dials = rung?.dials ?? light.at.dials;
  const fit = rung?.fit ?? heavy.fit;
  const bits = rung?.bits ?? heavy.bits;
  // While a rung is looked at the dials show the rung's values, in the rung's own ranges.
  const there = rung ? { ...light.at, dials: rung.dials } : light.at;
  const specs = rung ? light.pattern.specs(there) : light.specs;
  // The last good fit stays on the drawing while the next is worked out, as long as it is of this design.
  const drawing = useMemo(
    () =>
      rung
        ? light.pattern.draw({ ...light.at, dials: rung.dials }, rung.fit)
        : light.draw(heavy.fit ?? undefined),
    [light, rung, heavy.fit],
  );
  const line = useMemo(
    () =>
      secondsLine(
        (notes.data?.pages.flatMap((p) => p.items) ?? []).flatMap((n) =>
          n.count !== null && n.count > 0 && n.seconds !== null
            ? [[n.bits, n.seconds / n.count] as const]
            : [],
        ),
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
          over={`${light.pattern.name} pattern · ${design.approach}`}
          title={rung ? light.pattern.title(there) : light.title}
          id={design.id}
          hasTemplate={drawing.sheets.length > 0}
        />
        <Mat
          width={drawing.scene.width}
          height={drawing.scene.height}
          unit={unit}
          reserve={84}
          aside={206}
          steady
          label={drawing.about}
          over={<MatLegend heavy={heavy} rung={rung} unit={unit} />}
        >
          {({ px }) => <Marks marks={drawing.scene.marks} px={px} unit={unit} />}
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
            unit={unit}
          />
          {takeOver.error && <Notice tone="stop">{words(takeOver.error)}</Notice>}
          <FactStrip fit={fit} bits={bits} per={light.counts.one} say={light.show.say} unit={unit} />
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
              <DialField
                key={`${rung?.id ?? ''}${spec.id}`}
                spec={spec}
                unit={unit}
                value={dials[spec.id]}
                preview={rung !== null}
              />
            ))}
            {fit?.remedy && <Notice tone={fit.verdict}>{inUnit(fit.remedy, unit)}</Notice>}
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

export const Component = () => <DesignBench station="shape">{(at) => <ShapeWork at={at} />}</DesignBench>;
