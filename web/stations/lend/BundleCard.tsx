import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import type { Build } from '../../../contract/designs.ts';
import type { Bundle } from '../../../contract/bundles.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { asMeasured } from '../../../core/materials/material.ts';
import { kits as kitsWords } from '../../../core/needs/supply.ts';
import type { Verdict as VerdictKind } from '../../../core/patterns/kernel.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlace } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { useContainer, usePacking } from '../../design/inContainer.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { LabelsDialog } from '../../parts/LabelsDialog.tsx';
import { Notice, Panel, Quiet, Row, Spread } from '../../parts/Panel.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { GiveAway } from './GiveAway.tsx';
import { BundleChecked } from './BundleChecked.tsx';
import { text } from './text.ts';

const Parts = styled.ul`
  list-style: none;
  margin: 8px 0;
  padding: 0;
  columns: 2;
  column-gap: 24px;
  font-size: 14.5px;
  line-height: 1.35;
  li {
    display: grid;
    grid-template-columns: 38px 1fr;
    gap: 6px;
    padding: 3px 0;
    break-inside: avoid;
  }
  b {
    text-align: right;
  }
  small {
    display: block;
    color: var(--slate);
  }
  @media (max-width: 640px) {
    columns: 1;
  }
`;
const Designs = styled.ul`
  list-style: none;
  margin: 2px 0 0;
  padding: 0;
  font-size: 14.5px;
  line-height: 1.35;
`;
const Figures = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  font-size: 14.5px;
`;

const CARRIED: Record<Bundle['carriedBy'], string> = {
  child: text('childCarries'),
  parent: text('parentCarries'),
  'two hands': text('heavyTwoHandsTrolley'),
};
const weight = (g: number): string => (g < 1000 ? `${g} g` : text('kg', { g: (g / 1000).toFixed(1) }));

const PACKED: Record<VerdictKind, string> = {
  clear: text('goesInto'),
  care: text('tryHand'),
  stop: text('doesNotGoInto'),
};

/**
 * Whether everything goes into the container at once, whether that closes and nothing falls out; nothing to say of a bag,
 * which gives.
 */
function Packed({ bundle: bundle, materials }: { bundle: Bundle; materials: readonly MaterialRow[] }) {
  const { data: place } = usePlace();
  const { container, parts } = useMemo(() => {
    const held = materials.find((m) => m.id === bundle.container?.id);
    return {
      container: held?.form === 'container' ? asMeasured(held) : undefined,
      parts: bundle.parts.flatMap((p) => {
        const m = materials.find((x) => x.id === p.materialId);
        return m && m.id !== held?.id ? [{ material: asMeasured(m), count: p.due }] : [];
      }),
    };
  }, [bundle, materials]);
  const { request, verdict, error } = usePacking(container, parts);
  const { data: checks } = useContainer({ container, parts, unit: place?.lengthUnit, openings: [] });
  if (!container) return null;
  return (
    <>
      {verdict ? (
        <Verdict
          kind={verdict}
          word={text('the', { verdict: PACKED[verdict], container: container.name.toLowerCase() })}
        />
      ) : (
        request && <Quiet>{error ? text('notPacked') : text('packing')}</Quiet>
      )}
      {checks
        ?.filter((c) => c.id === 'closes' || c.id === 'gap')
        .map((c) => (
          <Verdict key={c.id} kind={c.verdict} word={c.words.replace(/\.$/, '')} />
        ))}
    </>
  );
}

/** One kit: what is counted of it, what it weighs, how many can be made, its papers. */
export function BundleCard({
  bundle: bundle,
  materials,
  languages,
  onChange,
}: {
  bundle: Bundle;
  materials: readonly MaterialRow[];
  languages: readonly string[];
  onChange(): void;
}) {
  const [copies, setCopies] = useState(1);
  const [made, setMade] = useState<Build | null>(null);
  const [giving, setGiving] = useState(false);
  const build = useChange(() =>
    api<Build>('POST', `/bundles/${bundle.id}/build`, { version: bundle.version, copies }),
  );
  const remove = useChange(
    () => api<void>('DELETE', `/bundles/${bundle.id}`),
    () => text('kitDeleted', { kit: bundle.name }),
  );
  return (
    <Panel as="section" aria-label={bundle.name}>
      <Spread>
        <h2>{bundle.name}</h2>
        <Row>
          {bundle.made > 0 && <LabelsDialog href={`/api/bundles/${bundle.id}/labels.pdf`} />}
          {!bundle.problem && (
            <>
              <Button small plain onPress={() => setGiving(true)}>
                {text('families3')}
              </Button>
              <FileLink small href={`/api/bundles/${bundle.id}/count-card.pdf`}>
                {text('countCard2')}
              </FileLink>
              <FileLink small href={`/api/bundles/${bundle.id}/file`}>
                {text('saveAsFile')}
              </FileLink>
            </>
          )}
          <Button small plain onPress={onChange}>
            {text('change')}
          </Button>
          {bundle.made === 0 && (
            <Button small plain isDisabled={remove.isPending} onPress={() => remove.mutate(undefined)}>
              {text('delete')}
            </Button>
          )}
        </Row>
      </Spread>
      <Designs>
        {bundle.designs.map((d) => (
          <li key={d.id}>
            <b>{d.name}</b>
            {d.levels.length > 0 && (
              <Quiet>{text('fromEasierHarder', { levels: d.levels.join(' · ') })}</Quiet>
            )}
          </li>
        ))}
      </Designs>
      {bundle.problem ? (
        <Notice tone="stop">{bundle.problem}</Notice>
      ) : (
        <>
          <Parts aria-label={text('whatCounted', { kit: bundle.name })}>
            {bundle.parts.map((p) => (
              <li key={`${p.materialId ?? ''}${p.name}`}>
                <b>{p.due} ×</b>
                <span>
                  {p.name}
                  {p.for.length > 1 && <small>{text('shared', { for: p.for.join(' and ') })}</small>}
                </span>
              </li>
            ))}
          </Parts>
          <Figures>
            <span>
              {bundle.unweighed.length === 0 ? (
                <>
                  <b>{weight(bundle.mass)}</b>, {CARRIED[bundle.carriedBy]}
                </>
              ) : (
                <>
                  <b>{text('orMore', { mass: weight(bundle.mass) })}</b>
                  <Quiet>
                    {text('notWeighed', {
                      unweighed: bundle.unweighed.map((n) => n.toLowerCase()).join('; '),
                    })}
                  </Quiet>
                </>
              )}
            </span>
            <Packed bundle={bundle} materials={materials} />
          </Figures>
          <BundleChecked bundle={bundle} />
          <Spread style={{ marginTop: 10 }}>
            <span>
              <b>{text('fromFreeStock', { kitsNow: kitsWords(bundle.kitsNow) })}</b>
              {bundle.first && <Quiet>{text('thenNoMore', { first: bundle.first.toLowerCase() })}</Quiet>}
              {bundle.made > 0 && <Quiet>{text('made', { made: bundle.made })}</Quiet>}
              {bundle.givenTo > 0 && <Quiet> {text('partsGiven', { givenTo: bundle.givenTo })}</Quiet>}
              {bundle.givenAgainst.map((g, i) => (
                <div key={i}>
                  <b>{text('givenAgainstCheck')}</b>{' '}
                  {text('on', { on: shortDay(g.on), families: g.families, by: g.by, why: g.why })}
                  <br />
                  <Quiet>{text('checkHadSaid', { of: g.of })}</Quiet>
                </div>
              ))}
            </span>
            <Row>
              <Stepper
                label={text('kits', { kit: bundle.name })}
                value={copies}
                min={1}
                max={Math.max(1, bundle.kitsNow)}
                onChange={setCopies}
              />
              <Button
                small
                isDisabled={build.isPending || bundle.kitsNow < copies}
                onPress={() => build.mutate(undefined, { onSuccess: setMade })}
              >
                {text('markAsMade')}
              </Button>
            </Row>
          </Spread>
        </>
      )}
      {build.error && <Notice tone="stop">{words(build.error)}</Notice>}
      {remove.error && <Notice tone="stop">{words(remove.error)}</Notice>}
      {giving && <GiveAway bundle={bundle} languages={languages} onClose={() => setGiving(false)} />}
      {made && (
        <Notice tone="clear">
          {text('madeOnRail', { copies: made.kits.map((c) => c.label).join(', ') })}
        </Notice>
      )}
    </Panel>
  );
}
