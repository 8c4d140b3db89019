import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { formatLength } from '../../../core/measure/length.ts';
import { asMeasured, shapeOf } from '../../../core/materials/material.ts';
import { insideOf, type KitPart } from '../../../core/packing/container.ts';
import { worst } from '../../../core/patterns/kernel.ts';
import { words } from '../../data/api.ts';
import { useMaterials, usePlace } from '../../data/queries.ts';
import { useContainer, usePacking } from '../../design/inContainer.ts';
import { useNeeds } from '../../design/onBench.ts';
import { Packed, packedColour } from '../../drawing/Packed.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Select } from '../../parts/Select.tsx';
import { Heading, Notice, Panel, Quiet, SideBySide, Stack } from '../../parts/Panel.tsx';
import { SewnButton, Verdict } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

const Dark = styled.div`
  background: var(--mat);
  color: var(--mat-ink);
  border-radius: 12px;
  padding: 14px;
  min-height: 300px;
  display: grid;
  gap: 10px;
  align-content: center;
`;
const Checks = styled.ul`
  display: grid;
  gap: 12px;
  li {
    display: grid;
    grid-template-columns: 26px minmax(0, 1fr);
    gap: 10px;
  }
  b {
    font: 700 15px/1.3 var(--display);
    display: block;
  }
`;
const Key = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  font-size: 14px;
  li {
    display: flex;
    gap: 6px;
    align-items: center;
  }
  i {
    width: 14px;
    height: 14px;
    border-radius: 3px;
    display: block;
  }
`;

/** Does the kit go in a container: packed and proved, and what the look-over says of lid, front, gaps and depth. */
export function Component() {
  const { data: raw } = useMaterials();
  const { data: place } = usePlace();
  const designs = useNeeds();
  const [params, setParams] = useSearchParams();
  const materials = useMemo(() => raw?.map((m) => asMeasured(m)), [raw]);
  const containers = materials?.filter((m) => m.form === 'container') ?? [];
  const chosen =
    designs?.find((d) => String(d.id) === params.get('design')) ?? designs?.find((d) => !d.problem);
  const own = chosen?.needs.find((n) => materials?.find((m) => m.id === n.materialId)?.form === 'container');
  const container =
    containers.find((m) => String(m.id) === params.get('container')) ??
    containers.find((m) => m.id === own?.materialId) ??
    containers[0];
  const parts: KitPart[] = (chosen?.needs ?? []).flatMap((n) => {
    const material = materials?.find((m) => m.id === n.materialId);
    const packed = material && n.unit === 'each' && n.counted && material.id !== container?.id;
    return packed && shapeOf(material) ? [{ material, count: n.quantity }] : [];
  });
  const packing = usePacking(container, parts);
  const { request, answer, verdict } = packing;
  const { data: openings } = useQuery({
    // What the design cuts into its own container; another container is not cut yet.
    queryKey: ['openings', chosen?.design.id, chosen?.design.version, container?.id === own?.materialId],
    queryFn: async () =>
      container?.id === own?.materialId
        ? await (await import('../../design/derived.ts')).openingsOf(chosen!.design, raw!)
        : [],
    enabled: chosen !== undefined && raw !== undefined,
    staleTime: Infinity,
  });
  const checked = useContainer({ container, parts, unit: place?.lengthUnit, openings });
  const checks = checked.data ?? [];
  if (!materials || !place || !designs) return <p role="status">{text('loading')}</p>;
  if (!container || !chosen)
    return (
      <Stack>
        <Heading over={place.name} title={text('doesKitGo')} />
        <Notice tone="care">{text('youNeedDesignContainer')}</Notice>
        <ButtonLink to={container ? '/shape' : '/gather?material=new'}>
          {container ? text('startDesign') : text('addContainer')}
        </ButtonLink>
      </Stack>
    );
  const inside = insideOf(container);
  const whole = verdict ? worst([verdict, ...checks.map((c) => c.verdict)]) : null;
  const set = (part: Record<string, string>): void =>
    setParams({ design: String(chosen.id), container: String(container.id), ...part }, { replace: true });
  return (
    <Stack>
      <Heading
        over={`${place.name} · ${chosen.design.name}, ${parts.map((p) => `${p.count} × ${p.material.name}`).join(', ') || text('noSolidParts')}`}
        title={
          !answer
            ? text('doesKitGo')
            : answer.fits
              ? text('goes', { container: container.name.toLowerCase() })
              : `${
                  answer.fits === false && !inside.round
                    ? text('doesNotGo', { container: container.name.toLowerCase() })
                    : text('tryHand', { container: container.name.toLowerCase() })
                }`
        }
      >
        <div style={{ width: 230 }}>
          <Select
            label={text('design')}
            value={String(chosen.id)}
            onChange={(id) => setParams({ design: id }, { replace: true })}
            options={designs.map((d) => ({ value: String(d.id), label: d.design.name }))}
          />
        </div>
        <div style={{ width: 230 }}>
          <Select
            label={text('container')}
            value={String(container.id)}
            onChange={(id) => set({ container: id })}
            options={containers.map((m) => ({
              value: String(m.id),
              label: m.name,
              note: text('kept4', { kept: m.kept }),
            }))}
          />
        </div>
      </Heading>
      {chosen.problem && <Notice tone="stop">{chosen.problem}</Notice>}
      {(checked.error ?? packing.error) && (
        <Notice tone="stop">
          {words(checked.error ?? packing.error)}{' '}
          <Button
            small
            plain
            onPress={() => {
              if (checked.error) void checked.refetch();
              if (packing.error) void packing.refetch();
            }}
          >
            {text('tryAgain')}
          </Button>
        </Notice>
      )}
      <SideBySide $left={1.25}>
        <Stack>
          <Dark>
            {answer?.fits && request ? (
              <Packed request={request} answer={answer} />
            ) : (
              <p style={{ textAlign: 'center' }}>
                {request === null
                  ? text('thereNothingSolidPack')
                  : (answer?.reason ?? (packing.error ? text('notPacked') : text('packing')))}
              </p>
            )}
          </Dark>
          {request && (
            <Key>
              {request.items.map((item, i) => (
                <li key={item.id}>
                  <i style={{ background: packedColour(i) }} />
                  {item.count} × {item.id}
                </li>
              ))}
            </Key>
          )}
          <Quiet>
            {inside.round
              ? text('eachPartPackedAs', {
                  inside: formatLength(inside.length, place.lengthUnit),
                  width: formatLength(inside.width, place.lengthUnit),
                  height: formatLength(inside.height, place.lengthUnit),
                })
              : text('eachPartPackedAsBox', {
                  inside: formatLength(inside.length, place.lengthUnit),
                  width: formatLength(inside.width, place.lengthUnit),
                  height: formatLength(inside.height, place.lengthUnit),
                })}
          </Quiet>
        </Stack>
        <Panel>
          <Stack $gap={14}>
            {whole && (
              <Verdict
                kind={whole}
                size={30}
                word={
                  whole === 'clear'
                    ? text('clearGoesStays')
                    : whole === 'care'
                      ? text('takeCare')
                      : text('stop')
                }
              />
            )}
            <Checks>
              <li>
                <SewnButton kind={verdict ?? 'care'} />
                <span>
                  <b>{text('doesGo')}</b>
                  {answer?.reason ??
                    (packing.error ? text('notWorkedOut') : request ? text('packing') : text('nothingPack'))}
                </span>
              </li>
              {checks.map((c) => (
                <li key={c.id}>
                  <SewnButton kind={c.verdict} />
                  <span>
                    <b>{c.title}</b>
                    {c.words}
                  </span>
                </li>
              ))}
            </Checks>
            <Quiet>{text('shakeClosedUpsideDown')}</Quiet>
          </Stack>
        </Panel>
      </SideBySide>
    </Stack>
  );
}
