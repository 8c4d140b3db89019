import { placeUnit } from '../../data/style.ts';
import { memo, useMemo, useEffect } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../../contract/designs.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { shortWords } from '../../../core/needs/supply.ts';
import type { AnyDials, Level } from '../../../core/patterns/index.ts';
import { secondsLine } from '../../../core/challenge/line.ts';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import { skillPlain } from '../../../core/patterns/skillWords.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useMaterials, useNotePages, usePlace } from '../../data/queries.ts';
import { DesignBench } from '../../design/DesignBench.tsx';
import type { Light } from '../../design/derived.ts';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { useLight, useWorkings } from '../../design/workings.ts';
import { Mat } from '../../drawing/Mat.tsx';
import { Marks } from '../../drawing/Marks.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Heading, Notice, Panel, Quiet, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { DesignFacts } from '../../design/DesignFacts.tsx';
import { SupplyList } from '../../design/SupplyList.tsx';
import { DialField } from './DialField.tsx';
import { FactStrip } from './FactStrip.tsx';
import { HandFit } from './HandFit.tsx';
import { nearestLevel } from '../../design/nearestLevel.ts';
import { Ladder } from './Ladder.tsx';
import { MatLegend } from './MatLegend.tsx';
import { text } from './text.ts';

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

/** A level that is looked at, as the pattern sees it: its own dials in their own ranges. */
const atLevel = (light: Light, level: Level<AnyDials>) => ({ ...light.at, dials: level.dials });

const useLevel = (id: string | null): Level<AnyDials> | null =>
  useWorkings((s) => (id === null ? null : (s.heavy.levels?.find((r) => r.id === id) ?? null)));

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
  // The words move with the dials, the buttons do not.
  const buttons = useMemo(
    () => (
      <>
        {hasTemplate && (
          <DesignFile href={`/api/designs/${id}/template.pdf`}>{text('printTemplate')}</DesignFile>
        )}
        <ButtonLink to={`/check/${id}`}>{text('check')}</ButtonLink>
      </>
    ),
    [id, hasTemplate],
  );
  return (
    <Heading over={over} title={title}>
      {buttons}
    </Heading>
  );
});

/** The heading: of the design, or of a level that is looked at. */
function Titled({ level }: { level: Level<AnyDials> | null }) {
  const over = useLight((l) => text('pattern', { pattern: l.pattern.name, approach: l.at.approach }));
  const title = useLight((l) => (level ? l.pattern.title(atLevel(l, level)) : l.title));
  const id = useWorkings((s) => s.design!.id);
  // Whether there is something to print changes with the kind of thing made, not with every press.
  const rested = useWorkings((s) => s.rested ?? s.drawing!);
  return <Head over={over} title={title} id={id} hasTemplate={rested.sheets.length > 0} />;
}

/** The drawing: of the design, or of a level that is looked at. A turned dial reaches it once it is drawn. */
const Drawn = memo(function Drawn({ level, unit }: { level: Level<AnyDials> | null; unit: LengthUnit }) {
  const own = useWorkings((s) => (level ? null : s.drawing!));
  const light = useWorkings((s) => (level ? s.light! : null));
  const { scene, about } = useMemo(
    () => own ?? light!.pattern.draw(atLevel(light!, level!), level!.fit),
    [level, light, own],
  );
  return (
    <Mat
      width={scene.width}
      height={scene.height}
      unit={unit}
      reserve={98}
      aside={206}
      steady
      label={about}
      over={<MatLegend level={level} unit={unit} />}
    >
      {({ px }) => <Marks marks={scene.marks} px={px} unit={unit} />}
    </Mat>
  );
});

/** The ladder, with the seconds that one's own notes foretell. */
function Levels({ chosen, unit }: { chosen: string | null; unit: LengthUnit }) {
  const design = useWorkings((s) => s.design!.id);
  const levels = useWorkings((s) => s.heavy.levels);
  const problem = useWorkings((s) => s.heavy.problem);
  const nearest = useWorkings((s) => nearestLevel(s.heavy.levels, s.heavy.load?.total ?? null)?.id ?? null);
  const [, setParams] = useSearchParams();
  const navigate = useNavigate();
  const notes = useNotePages({ design, limit: 1000 });
  const takeOver = useChange((d: Omit<Design, 'id' | 'version'>) => api<Design>('POST', '/designs', d));
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
  const adopt = (r: Level<AnyDials>): void => {
    const open = useOpenDesign.getState().draft;
    if (!open) return;
    const { id: _, version: __, ...rest } = open;
    void takeOver
      .mutateAsync({
        ...rest,
        // It says which level it was, and is called so for good: a name that follows could be that of the design it came from.
        name: `${open.name}, ${r.name.toLowerCase()}`.slice(0, 80),
        ownName: true,
        dials: r.dials,
        copies: 1,
        made: 0,
      })
      .then((made) => navigate(`/shape/${made.id}`));
  };
  return (
    <>
      <Ladder
        levels={levels}
        problem={problem}
        chosen={chosen}
        nearest={nearest}
        line={line}
        onChoose={(id) => setParams(id ? { level: id } : {}, { replace: true })}
        onAdopt={adopt}
        busy={takeOver.isPending}
        unit={unit}
      />
      {takeOver.error && <Notice tone="stop">{words(takeOver.error)}</Notice>}
    </>
  );
}

const titleNow = (): string => useWorkings.getState().light?.title ?? '';

function Facts({ level, unit }: { level: Level<AnyDials> | null; unit: LengthUnit }) {
  const fit = useWorkings((s) => s.heavy.fit);
  const load = useWorkings((s) => s.heavy.load);
  const show = useLight((l) => l.show);
  return (
    <FactStrip fit={level?.fit ?? fit} load={level?.load ?? load} show={show} title={titleNow} unit={unit} />
  );
}

function OwnDial({ id, unit }: { id: string; unit: LengthUnit }) {
  const spec = useLight((l) => l.specs.find((s) => s.id === id));
  const value = useLight((l) => l.at.dials[id]);
  const isLocked = useOpenDesign((s) => s.locked !== null);
  return spec && <DialField spec={spec} unit={unit} value={value} preview={isLocked} />;
}
const OwnDials = memo(function OwnDials({ unit }: { unit: LengthUnit }) {
  const ids = useLight((l) => l.specs.map((s) => s.id).join(' '));
  const locked = useOpenDesign((s) => s.locked);
  return (
    <>
      {locked !== null && <Notice tone="care">{locked}</Notice>}
      {ids.split(' ').map((id) => (
        <OwnDial key={id} id={id} unit={unit} />
      ))}
    </>
  );
});

/** While a level is looked at the dials show the level's values. */
function LevelDials({ level, unit }: { level: Level<AnyDials>; unit: LengthUnit }) {
  const light = useWorkings((s) => s.light!);
  return light.pattern
    .specs(atLevel(light, level))
    .map((spec) => (
      <DialField key={`${level.id}${spec.id}`} spec={spec} unit={unit} value={level.dials[spec.id]} preview />
    ));
}

const Remedy = memo(function Remedy({ level, unit }: { level: Level<AnyDials> | null; unit: LengthUnit }) {
  const own = useWorkings((s) => s.heavy.fit?.remedy);
  const verdict = useWorkings((s) => s.heavy.fit?.verdict);
  const remedy = level ? level.fit.remedy : own;
  return remedy && <Notice tone={level?.fit.verdict ?? verdict!}>{inUnit(remedy, unit)}</Notice>;
});

/** Says where the dials have left the skill that the design is for, and sets them so that it is practised again. */
function Practised() {
  const skill = useWorkings((s) => s.design!.skill);
  const practises = useLight((l) => l.pattern.practises(l.at).join('; '));
  const light = useWorkings((s) => s.light!);
  const change = useOpenDesign((s) => s.change);
  if (practises.split('; ').includes(skill)) return null;
  const dials = light.pattern.practising(light.at, skill);
  return (
    <Notice tone="care">
      {text('notPractised', {
        skill: skillPlain(skill).toLowerCase(),
        practises: practises.split('; ').map(skillPlain).join(', ').toLowerCase(),
      })}{' '}
      {dials && (
        <Button small plain onPress={() => change({ dials })}>
          {text('setSo')}
        </Button>
      )}
    </Notice>
  );
}

function FromShelf() {
  const { supply, problem } = useWorkings((s) => s.supplied);
  if (problem) return <Notice tone="stop">{problem}</Notice>;
  if (!supply) return <Quiet role="status">{text('workingOut')}</Quiet>;
  const short = shortWords(supply, placeUnit());
  return (
    <>
      <SupplyList supply={supply} />
      {short && (
        <Notice tone="stop">
          <strong>{short}</strong>
        </Notice>
      )}
    </>
  );
}

function MadeOf({ materials }: { materials: readonly MaterialRow[] }) {
  const design = useWorkings((s) => s.design!);
  const pattern = useLight((l) => l.pattern);
  const change = useOpenDesign((s) => s.change);
  return <DesignFacts design={design} materials={materials} pattern={pattern} onChange={change} />;
}

/** Each part takes the pieces it shows, so that a turned dial draws only what follows from it. */
/** Takes the last change back, by a touch or by Ctrl and Z; in a field that is typed in the keys are the field's. */
function Undo() {
  const canUndo = useOpenDesign((s) => s.canUndo);
  useEffect(() => {
    const press = (e: KeyboardEvent): void => {
      if (e.key.toLowerCase() !== 'z' || !(e.ctrlKey || e.metaKey) || e.shiftKey || e.altKey) return;
      const at = e.target;
      if (at instanceof HTMLTextAreaElement || (at instanceof HTMLInputElement && at.type !== 'range'))
        return;
      if (!useOpenDesign.getState().canUndo) return;
      e.preventDefault();
      useOpenDesign.getState().undo();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, []);
  return (
    <Button small plain isDisabled={!canUndo} onPress={() => useOpenDesign.getState().undo()}>
      {text('undo')}
    </Button>
  );
}

function ShapeWork() {
  const { data: place } = usePlace();
  const { data: materials } = useMaterials();
  const [params, setParams] = useSearchParams();
  const level = useLevel(params.get('level'));
  if (!place || !materials) return null;
  const unit = place.lengthUnit;
  return (
    <Grid>
      <div className="work">
        <Titled level={level} />
        <Drawn level={level} unit={unit} />
        <Stack $gap={10}>
          <Levels chosen={level?.id ?? null} unit={unit} />
          <Facts level={level} unit={unit} />
        </Stack>
      </div>
      <aside>
        <Panel as="div">
          <Stack $gap={10}>
            <Spread>
              <h2>{level ? text('dials', { level: level.name.toLowerCase() }) : text('dials2')}</h2>
              {!level && <Undo />}
              {level && (
                <Button small plain onPress={() => setParams({}, { replace: true })}>
                  {text('backMine')}
                </Button>
              )}
            </Spread>
            {level ? <LevelDials level={level} unit={unit} /> : <OwnDials unit={unit} />}
            <Remedy level={level} unit={unit} />
            {!level && <Practised />}
            <Seam />
            <HandFit materials={materials} unit={unit} />
            <Seam />
            <h2>{text('usesFromShelf')}</h2>
            <FromShelf />
            <Seam />
            <MadeOf materials={materials} />
          </Stack>
        </Panel>
      </aside>
    </Grid>
  );
}

export const Component = () => (
  <DesignBench station="shape">
    <ShapeWork />
  </DesignBench>
);
