import { memo } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { formatAges } from '../../core/calendar/ages.ts';
import type { Scene } from '../../core/drawing/mark.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import { restOf } from '../../core/needs/supply.ts';
import { worst } from '../../core/patterns/kernel.ts';
import { skillWords } from '../../core/patterns/skillWords.ts';
import { api, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { Button } from '../parts/Button.tsx';
import { PhoneFold } from '../parts/Fold.tsx';
import { Notice } from '../parts/Panel.tsx';
import { Picture } from '../drawing/Picture.tsx';
import { ScenePicture } from '../drawing/ScenePicture.tsx';
import { Verdict } from '../shell/Verdict.tsx';
import type { Heavy } from './heavy.ts';
import { useOpenDesign, type Saving } from './store.ts';
import type { Unsaved } from './unsaved.ts';
import { text } from './text.ts';

const Tag = styled.article`
  position: relative;
  background: var(--paper);
  padding: 32px 14px 12px;
  filter: drop-shadow(0 1px 0 var(--seam)) drop-shadow(0 0 1px var(--seam-strong));
  clip-path: polygon(22px 0, calc(100% - 22px) 0, 100% 22px, 100% 100%, 0 100%, 0 22px);
  &::before {
    content: '';
    position: absolute;
    left: calc(50% - 8px);
    top: 9px;
    width: 16px;
    height: 16px;
    border-radius: 50%;
    background: var(--oat);
    box-shadow: inset 0 0 0 2px var(--fox);
  }
  small {
    color: var(--slate);
    font-size: 13px;
  }
  .picture {
    background: var(--linen);
    border-radius: 8px;
    display: flex;
    align-items: center;
    justify-content: center;
    padding: 6px;
    margin: 8px 0;
    height: 84px;
  }
  @media (max-width: 820px) {
    padding: 22px 14px 10px;
    .picture {
      display: none;
    }
  }
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 3px 8px;
    margin: 0;
    font-size: 13.5px;
  }
  dt {
    color: var(--slate);
  }
  dd {
    margin: 0;
    text-align: right;
    font-weight: 600;
  }
`;

const SAVED: Record<Saving, string> = {
  saved: 'saved',
  waiting: text('notSavedYet'),
  saving: 'saving',
  conflict: text('changedElsewhere'),
  failed: text('notSaved'),
};

/** Whether the design is saved: moves by itself, so that the tag need not. */
function Saved() {
  const saving = useOpenDesign((s) => s.saving);
  return <>{SAVED[saving]}</>;
}

interface TagProps {
  design: Design;
  /** Minutes for the rest of the batch. */
  handsOn: number;
  heavy: Heavy;
  /** As the dials last rested. */
  picture: Scene | undefined;
}

/** Whether a tag looks the same: dials are not on it, only what follows from them. */
const sameTag = (a: TagProps, b: TagProps): boolean =>
  a.picture === b.picture &&
  formatMinutes(a.handsOn) === formatMinutes(b.handsOn) &&
  a.heavy.fit?.verdict === b.heavy.fit?.verdict &&
  a.heavy.safety === b.heavy.safety &&
  Object.keys({ ...a.design, ...b.design }).every(
    (k) => k === 'dials' || a.design[k as keyof Design] === b.design[k as keyof Design],
  );

/** The paper tag: a design on its way through the stations. */
export const DesignTag = memo(function DesignTag({ design, handsOn, heavy, picture }: TagProps) {
  const open = useOpenDesign((s) => s.open);
  const next = useChange(
    () =>
      api<Design>('POST', `/designs/${design.id}/batch`, { version: design.version, copies: design.copies }),
    (d) => text('nextBegun', { copies: d.copies, design: d.name }),
  );
  const rest = restOf(design);
  return (
    <Tag aria-label={text('design', { design: design.name })}>
      <small>
        {text('design2', { design: design.id })} <Saved />
      </small>
      <h2 style={{ fontSize: 18 }}>{design.name}</h2>
      <div className="picture">{picture && <ScenePicture scene={picture} width={160} height={72} />}</div>
      <PhoneFold>
        <summary>{text('moreOfIt')}</summary>
        <dl>
          <dt>{text('for')}</dt>
          <dd>
            {design.forGroup}, {formatAges(design.ageFrom, design.ageTo)}
          </dd>
          <dt>{text('skill')}</dt>
          <dd>{skillWords(design.skill)}</dd>
          <dt>{text('kits')}</dt>
          <dd>
            {design.made > 0
              ? text('made', { made: Math.min(design.made, design.copies), copies: design.copies })
              : design.copies}
          </dd>
          {rest > 0 && (
            <>
              <dt>{text('handsOn')}</dt>
              <dd>{formatMinutes(handsOn)}</dd>
            </>
          )}
        </dl>
      </PhoneFold>
      <div style={{ display: 'flex', gap: 12, marginTop: 9, minHeight: 24 }}>
        {heavy.fit && <Verdict kind={heavy.fit.verdict} word={text('fit')} />}
        {heavy.safety && (
          <Verdict kind={worst(heavy.safety.findings.map((f) => f.verdict))} word={text('cautions')} />
        )}
      </div>
      {rest === 0 && (
        <div style={{ marginTop: 8 }}>
          <p style={{ fontSize: 13.5, marginBottom: 6 }}>
            <b>{text('thisBatchMade')}</b> {text('noLongerReservesStock')}
          </p>
          <Button
            small
            plain
            isDisabled={next.isPending}
            onPress={() => next.mutate(undefined, { onSuccess: open })}
          >
            {text('startNextBatch')}
          </Button>
          {next.error && <Notice tone="stop">{words(next.error)}</Notice>}
        </div>
      )}
    </Tag>
  );
}, sameTag);

const Rack = styled.ul`
  a {
    display: flex;
    gap: 9px;
    align-items: center;
    min-height: 38px;
    padding: 4px;
    border-top: 1px dashed var(--seam);
    font-size: 14px;
    color: var(--ink);
    text-decoration: none;
    line-height: 1.2;
  }
  a:hover {
    color: var(--fox-deep);
    text-decoration: underline;
  }
  em {
    display: block;
    font-style: normal;
    font-size: 12.5px;
    font-weight: 600;
    color: var(--stop);
  }
`;

/** What stands for a design in a list: the last kind it is made of that is no tape or bag. */
function firstOf(d: Design, materials: readonly MaterialRow[]): MaterialRow | undefined {
  const kinds = Object.values(d.materials)
    .flat()
    .flatMap((id) => materials.find((m) => m.id === id) ?? []);
  return kinds.findLast((m) => m.form !== 'consumable' && m.form !== 'container') ?? kinds[0];
}

/** One other design: drawn again only when it changes itself, however long the list is. */
const RackItem = memo(function RackItem({
  station,
  design,
  materials,
  held,
}: {
  station: string;
  design: Design;
  materials: readonly MaterialRow[];
  held: Unsaved | undefined;
}) {
  const first = firstOf(design, materials);
  return (
    <li>
      <Link to={`/${station}/${design.id}`}>
        {first && <Picture material={first} size={22} />}
        <span>
          {design.name}
          {held && <em>{held.theirs ? text('changedOnScreenChoose') : text('notSavedYetTrying')}</em>}
        </span>
      </Link>
    </li>
  );
});

/** The other designs, each with what it is made of: those whose next batch is on the bench, then those set aside. */
export const BenchList = memo(function BenchList({
  station,
  designs,
  materials,
  open,
}: {
  station: string;
  designs: readonly Design[];
  materials: readonly MaterialRow[];
  open: number;
}) {
  const unsaved = useOpenDesign((s) => s.unsaved);
  const others = designs.filter((d) => d.id !== open);
  const racks = [
    { title: text('onBench'), here: others.filter((d) => d.onBench !== false) },
    { title: text('setAside'), here: others.filter((d) => d.onBench === false) },
  ].filter((r) => r.here.length > 0);
  return (
    <nav aria-label={text('otherDesigns')} style={{ display: 'grid', gap: 10 }}>
      {racks.map(({ title, here }) => (
        <section key={title} aria-label={title}>
          <h2 style={{ margin: '0 0 4px', fontSize: 15 }}>{title}</h2>
          <Rack>
            {here.map((d) => (
              <RackItem key={d.id} station={station} design={d} materials={materials} held={unsaved[d.id]} />
            ))}
          </Rack>
        </section>
      ))}
    </nav>
  );
});
