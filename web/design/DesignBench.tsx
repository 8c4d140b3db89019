import { memo, useEffect, useMemo, useState } from 'react';
import { Navigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import type { Place } from '../../contract/place.ts';
import { patternOf } from '../../core/patterns/index.ts';
import { useDesigns, useMaterials, usePlace } from '../data/queries.ts';
import { words } from '../data/api.ts';
import { Button, ButtonLink } from '../parts/Button.tsx';
import { Notice, Panel, Stack } from '../parts/Panel.tsx';
import { DesignFacts } from './DesignFacts.tsx';
import { BenchList, DesignTag } from './DesignTag.tsx';
import { lightOf, useHeavy, type Heavy, type Light } from './derived.ts';
import { NewDesign } from './NewDesign.tsx';
import { useFamilies } from './useFamilies.ts';
import { useNeeds, type NeedingDesign } from './onBench.ts';
import { useOpenDesign } from './store.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: 212px minmax(0, 1fr);
  gap: 16px;
  min-height: 100%;
  > aside {
    display: grid;
    align-content: start;
    gap: 12px;
  }
  @media (min-width: 1101px) {
    height: 100%;
    > * {
      min-height: 0;
    }
    > aside {
      overflow-y: auto;
      overflow-x: hidden;
    }
  }
  @media (max-width: 820px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export interface AtBench {
  readonly design: Design;
  readonly light: Light;
  readonly heavy: Heavy;
  readonly materials: MaterialRow[];
  /** Every design with its needs, once they are known. */
  readonly bench: readonly NeedingDesign[];
  readonly place: Place;
  readonly newDesign: () => void;
}

const NO_BENCH: readonly NeedingDesign[] = [];

/** The open design told of a failed save, apart from what moves with a dial. */
function SaveProblem() {
  const saving = useOpenDesign((s) => s.saving);
  const problem = useOpenDesign((s) => s.problem);
  return saving === 'failed' && problem ? <Notice tone="stop">{problem}</Notice> : null;
}

/** On a phone the list stays folded above the work: reached without scrolling past it. */
const Fold = styled.details`
  summary {
    display: none;
  }
  &::details-content {
    content-visibility: visible;
    block-size: auto;
  }
  @media (max-width: 820px) {
    &::details-content {
      content-visibility: hidden;
      block-size: 0;
    }
    &[open]::details-content {
      content-visibility: visible;
      block-size: auto;
    }
    summary {
      display: flex;
      align-items: center;
      min-height: 44px;
      cursor: pointer;
      font-weight: 600;
      text-decoration: underline;
      text-underline-offset: 3px;
    }
  }
`;

const Others = memo(function Others({
  station,
  designs,
  materials,
  open,
  newDesign,
}: {
  station: string;
  designs: readonly Design[];
  materials: readonly MaterialRow[];
  open: number;
  newDesign: () => void;
}) {
  return (
    <Stack>
      <Button plain onPress={newDesign}>
        New design
      </Button>
      <Fold>
        <summary>Other designs ({designs.length - 1})</summary>
        <BenchList station={station} designs={designs} materials={materials} open={open} />
      </Fold>
    </Stack>
  );
});

/** The frame of the stations that one design passes through: its tag at the left, the work at the right. */
export function DesignBench({
  station,
  children,
}: {
  station: 'shape' | 'check' | 'price' | 'make';
  children: (at: AtBench) => React.ReactNode;
}) {
  const id = Number(useParams().id);
  const designs = useDesigns();
  const { data: materials, error: materialsError } = useMaterials();
  const { data: place } = usePlace();
  const draft = useOpenDesign((s) => s.draft);
  const open = useOpenDesign((s) => s.open);
  const change = useOpenDesign((s) => s.change);
  const isSaved = useOpenDesign((s) => s.saving === 'saved');
  const bench = useNeeds() ?? NO_BENCH;
  const [making, setMaking] = useState(false);
  const listed = designs.data?.find((d) => d.id === id);
  useEffect(() => {
    if (listed && draft?.id !== listed.id)
      void useOpenDesign
        .getState()
        .flush()
        .then(() => open(listed));
    // Another screen saved while nothing here waits: follow it.
    else if (
      listed &&
      draft &&
      isSaved &&
      (listed.version > draft.version || (listed.version === draft.version && listed.made !== draft.made))
    )
      open(listed);
  }, [listed, draft, open, isSaved]);
  const design = draft?.id === id ? draft : null;
  const isThere = useFamilies(design?.pattern);
  const heavy = useHeavy(design, materials, place?.market);
  const light = useMemo(
    () => (design && materials && isThere ? lightOf(design, materials, bench) : null),
    [design, materials, bench, isThere],
  );
  const failed = designs.error ?? materialsError;
  const newDesign = useMemo(() => () => setMaking(true), []);
  if (failed) return <Notice tone="stop">{words(failed)}</Notice>;
  if (!designs.data || !materials || !place) return <p role="status">Loading the designs …</p>;
  const dialog = making && (
    <NewDesign isOpen onClose={() => setMaking(false)} materials={materials} place={place} />
  );
  if (!Number.isInteger(id) || id <= 0) {
    const first = draft ?? designs.data[0];
    if (first) return <Navigate to={`/${station}/${first.id}`} replace />;
    return (
      <>
        <Panel style={{ maxWidth: 560 }}>
          <Stack>
            <h1>There is no design yet</h1>
            {materials.length > 0 ? (
              <>
                <p>Start from a skill, for whom it is, and what is on your shelf.</p>
                <div>
                  <Button onPress={newDesign}>New design</Button>
                </div>
              </>
            ) : (
              <>
                <p>A design starts from the shelf, and the shelf is empty yet.</p>
                <div>
                  <ButtonLink to="/gather?material=new">Add a find</ButtonLink>
                </div>
              </>
            )}
          </Stack>
        </Panel>
        {dialog}
      </>
    );
  }
  if (!listed) return <Notice tone="stop">There is no design {id}. It may have been deleted.</Notice>;
  if (!design || !light) return <p role="status">Loading the design …</p>;
  return (
    <Grid>
      <aside>
        {'problem' in light ? (
          <Notice tone="stop">{light.problem}</Notice>
        ) : (
          <DesignTag design={design} light={light} heavy={heavy} />
        )}
        <SaveProblem />
        <Others
          station={station}
          designs={designs.data}
          materials={materials}
          open={id}
          newDesign={newDesign}
        />
      </aside>
      {'problem' in light ? (
        <Panel as="div" style={{ maxWidth: 420 }}>
          <DesignFacts
            design={design}
            materials={materials}
            pattern={patternOf(design.pattern)}
            onChange={change}
          />
        </Panel>
      ) : (
        children({ design, light, heavy, materials, bench, place, newDesign })
      )}
      {dialog}
    </Grid>
  );
}
