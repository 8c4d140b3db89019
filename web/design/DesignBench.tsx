import { reservedStock } from '../../core/needs/supply.ts';
import { freeOf } from '../../core/plan/makeable.ts';
import { useAhead, useWishes } from './wishes.tsx';
import { memo, useEffect, useLayoutEffect, useMemo, useState } from 'react';
import { Navigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import type { Place } from '../../contract/place.ts';
import { patternOf } from '../../core/patterns/index.ts';
import { ownFactor, type OwnFactor } from '../../core/plan/minutes.ts';
import type { OwnTimes } from '../../core/plan/ownMinutes.ts';
import { useDesigns, useMaterials, useOwnTimes, usePlace, useRules } from '../data/queries.ts';
import { words } from '../data/api.ts';
import { Button, ButtonLink } from '../parts/Button.tsx';
import { Notice, Panel, Seam, Stack } from '../parts/Panel.tsx';
import { DesignFacts } from './DesignFacts.tsx';
import { BenchList, DesignTag } from './DesignTag.tsx';
import { neededOf, type Light, type Needed } from './derived.ts';
import type { Heavy } from './heavy.ts';
import { Files } from './Files.tsx';
import { NewDesign } from './NewDesign.tsx';
import { useNeeds, type NeedingDesign } from './onBench.ts';
import { useOpenDesign } from './store.ts';
import { PhoneFold } from '../parts/Fold.tsx';
import { useWorkings, workFrom } from './workings.ts';
import { text } from './text.ts';

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
  readonly needed: Needed;
  readonly heavy: Heavy;
  readonly materials: MaterialRow[];
  /** Every design with its needs, once they are known. */
  readonly bench: readonly NeedingDesign[];
  readonly place: Place;
  /** Minutes of this design's steps as this place takes them, over the usual. */
  readonly own: OwnFactor;
  readonly newDesign: () => void;
}

const NO_TIMES: OwnTimes = {};
const NO_BENCH: readonly NeedingDesign[] = [];

/** The open design told of a failed save, apart from what moves with a dial. */
function SaveProblem() {
  const saving = useOpenDesign((s) => s.saving);
  const problem = useOpenDesign((s) => s.problem);
  return saving === 'failed' && problem ? <Notice tone="stop">{problem}</Notice> : null;
}

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
    <Files open={open}>
      {(buttons) => (
        <>
          <Button plain onPress={newDesign}>
            {text('newDesign')}
          </Button>
          <PhoneFold>
            <summary>{text('otherDesigns2', { designs: designs.length - 1 })}</summary>
            <BenchList station={station} designs={designs} materials={materials} open={open} />
            {buttons}
          </PhoneFold>
        </>
      )}
    </Files>
  );
});

/** The tag of the open design, worked out anew as it changes. */
function OpenTag() {
  const { design, light, heavy, rested, handsOn } = useWorkings();
  return (
    design && light && <DesignTag design={design} handsOn={handsOn} heavy={heavy} picture={rested?.picture} />
  );
}

/** What stands in for the work while the design cannot be read: what it is made of, to be mended. */
function Unread({ materials }: { materials: readonly MaterialRow[] }) {
  const design = useWorkings((s) => s.design);
  const change = useOpenDesign((s) => s.change);
  return (
    design && (
      <Panel as="div" style={{ maxWidth: 420 }}>
        <DesignFacts
          design={design}
          materials={materials}
          pattern={patternOf(design.pattern)}
          onChange={change}
        />
      </Panel>
    )
  );
}

/** A station that shows all of the open design. */
function Whole({
  children,
  materials,
  bench,
  place,
  newDesign,
}: Pick<AtBench, 'materials' | 'bench' | 'place' | 'newDesign'> & {
  children: (at: AtBench) => React.ReactNode;
}) {
  const { design, light, heavy } = useWorkings();
  const needed = useMemo(
    () => design && light && neededOf(light, design, materials, bench),
    [design, light, materials, bench],
  );
  const { data: times = NO_TIMES } = useOwnTimes();
  if (!design || !light || !needed) return null;
  if ('problem' in needed) return <Notice tone="stop">{needed.problem}</Notice>;
  return children({
    design,
    light,
    needed,
    heavy,
    materials,
    bench,
    place,
    newDesign,
    own: ownFactor(times, design.pattern),
  });
}

/** Looks ahead for a new design; shows nothing. */
function Ahead({ materials, bench, place }: Pick<AtBench, 'materials' | 'bench' | 'place'>) {
  const wishes = useWishes(place);
  const free = useMemo(
    () => (bench === NO_BENCH ? null : [...freeOf(materials, reservedStock(bench))]),
    [materials, bench],
  );
  useAhead(wishes, materials, free);
  return null;
}

/**
 * The frame of the stations that one design passes through: its tag at the left, the work at the right. The work is given
 * all of the design, or takes the pieces that it shows itself.
 */
export function DesignBench({
  station,
  children,
}: {
  station: 'shape' | 'check' | 'price' | 'make';
  children: React.ReactElement | ((at: AtBench) => React.ReactNode);
}) {
  const id = Number(useParams().id);
  const designs = useDesigns();
  const { data: materials, error: materialsError } = useMaterials();
  const { data: place } = usePlace();
  const open = useOpenDesign((s) => s.open);
  const openId = useOpenDesign((s) => s.draft?.id);
  const version = useOpenDesign((s) => s.draft?.version);
  const made = useOpenDesign((s) => s.draft?.made);
  const isSaved = useOpenDesign((s) => s.saving === 'saved');
  const bench = useNeeds() ?? NO_BENCH;
  const [making, setMaking] = useState(false);
  const listed = designs.data?.find((d) => d.id === id);
  useEffect(() => {
    if (listed && openId !== listed.id)
      void useOpenDesign
        .getState()
        .flush()
        .then(() => open(listed));
    // Another screen saved while nothing here waits: follow it.
    else if (
      listed &&
      version !== undefined &&
      isSaved &&
      (listed.version > version || (listed.version === version && listed.made !== made))
    )
      open(listed);
  }, [listed, openId, version, made, open, isSaved]);
  const { data: by } = useRules();
  const { data: own = NO_TIMES } = useOwnTimes();
  useLayoutEffect(() => workFrom({ materials, bench, by, own }), [materials, bench, by, own]);
  const isWorkedOut = useWorkings((s) => s.design?.id === id);
  const problem = useWorkings((s) => s.problem);
  const failed = designs.error ?? materialsError;
  const newDesign = useMemo(() => () => setMaking(true), []);
  if (failed) return <Notice tone="stop">{words(failed)}</Notice>;
  if (!designs.data || !materials || !place) return <p role="status">{text('loadingDesigns')}</p>;
  const dialog = making ? (
    <NewDesign isOpen onClose={() => setMaking(false)} materials={materials} place={place} />
  ) : (
    <Ahead materials={materials} bench={bench} place={place} />
  );
  if (!Number.isInteger(id) || id <= 0) {
    const first = useOpenDesign.getState().draft ?? designs.data[0];
    // Not under the dialog that makes the first one: it would come up again over its own design.
    if (first && !making) return <Navigate to={`/${station}/${first.id}`} replace />;
    return (
      <>
        <Panel style={{ maxWidth: 560 }}>
          <Files open={null}>
            {(buttons) => (
              <Stack>
                <h1>{text('thereNoDesignYet')}</h1>
                <p>{materials.length > 0 ? text('startFromSkillWhom') : text('designStartsFromShelf')}</p>
                <div>
                  {materials.length > 0 ? (
                    <Button onPress={newDesign}>{text('newDesign')}</Button>
                  ) : (
                    <ButtonLink to="/gather">{text('fillShelfFirst')}</ButtonLink>
                  )}
                </div>
                <Seam />
                <div>
                  <p>{text('orOpenFile')}</p>
                  {buttons}
                </div>
              </Stack>
            )}
          </Files>
        </Panel>
        {dialog}
      </>
    );
  }
  if (!listed) return <Notice tone="stop">{text('thereNoDesignMay', { id })}</Notice>;
  if (openId !== id || !isWorkedOut)
    return openId === id && problem ? (
      <Notice tone="stop">{problem}</Notice>
    ) : (
      <p role="status">{text('loadingDesign')}</p>
    );
  return (
    <Grid>
      <aside>
        {problem ? <Notice tone="stop">{problem}</Notice> : <OpenTag />}
        <SaveProblem />
        <Others
          station={station}
          designs={designs.data}
          materials={materials}
          open={id}
          newDesign={newDesign}
        />
      </aside>
      {problem ? (
        <Unread materials={materials} />
      ) : typeof children === 'function' ? (
        <Whole {...{ materials, bench, place, newDesign }}>{children}</Whole>
      ) : (
        children
      )}
      {dialog}
    </Grid>
  );
}
