import { styled } from 'styled-components';
import type { LengthUnit } from '../../../core/measure/length.ts';
import {
  DOORS,
  GRAINS,
  KEEP_OUT_REASONS,
  PANELS,
  panelSize,
  type Grain,
  type KeepOutArea,
} from '../../../core/materials/material.ts';
import { Button } from '../../parts/Button.tsx';
import { CountField, LengthField } from '../../parts/TypedField.tsx';
import { Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import type { Draft } from './draft.ts';
import { text } from './text.ts';

const Place = styled.fieldset`
  border: 1px dashed var(--seam-strong);
  border-radius: 8px;
  margin: 0;
  padding: 10px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 10px;
  legend {
    font-size: 14px;
    font-weight: 600;
    padding: 0 4px;
  }
  > .wide {
    grid-column: 1 / -1;
  }
`;
const upper = (words: string): string => words[0]!.toUpperCase() + words.slice(1);

/** Which panels a draft opens into; none where nothing is cut from it. */
const panelsOf = (draft: Draft): KeepOutArea['panel'][] => PANELS.filter((p) => panelSize(draft, p) !== null);

/** What of a find can be cut: which way its grain runs, and places that are printed, holed, folded or stained. */
export function CutFields({
  draft,
  set,
  errors,
  unit,
}: {
  draft: Draft;
  set(part: Partial<Draft>): void;
  errors: Record<string, string>;
  unit: LengthUnit;
}) {
  const panels = panelsOf(draft);
  const isBox = draft.form === 'container';
  const places = draft.keepOut ?? [];
  if (panels.length === 0 || draft.form === 'consumable') return null;
  const change = (i: number, part: Partial<KeepOutArea>): void =>
    set({ keepOut: places.map((k, j) => (j === i ? { ...k, ...part } : k)) });
  const add = (): void => {
    const [panel] = panels;
    const [width, height] = panelSize(draft, panel!)!;
    set({
      keepOut: [
        ...places,
        { panel: panel!, why: 'print', left: 0, top: 0, width: width || 50, height: (height || 50) / 2 },
      ],
    });
  };
  const length = (i: number, key: 'left' | 'top' | 'width' | 'height', label: string) => (
    <LengthField
      label={label}
      mm={places[i]![key]}
      unit={unit}
      error={errors[`keepOut.${i}.${key}`]}
      onChange={(mm) => change(i, { [key]: mm ?? 0 })}
    />
  );
  return (
    <Stack $gap={8}>
      <Select
        label={text('grainOrFlutesRun')}
        value={draft.grain ?? 'unknown'}
        onChange={(g) => set({ grain: g === 'unknown' ? undefined : (g as Grain) })}
        options={[
          { value: 'unknown', label: text('notKnown') },
          ...GRAINS.map((g) => ({
            value: g,
            label: isBox
              ? { along: text('upDown'), across: text('roundBox') }[g]
              : { along: text('alongLongerSide'), across: text('across2') }[g],
          })),
        ]}
      />
      {places.map((k, i) => (
        <Place key={i}>
          <legend>{text('notCut', { i: i + 1 })}</legend>
          <Select
            label={text('on')}
            value={k.panel}
            error={errors[`keepOut.${i}.panel`] ?? null}
            onChange={(p) => change(i, { panel: p as KeepOutArea['panel'] })}
            options={panels.map((p) => ({ value: p, label: upper(p) }))}
          />
          <Select
            label={text('because')}
            value={k.why}
            onChange={(w) => change(i, { why: w as KeepOutArea['why'] })}
            options={KEEP_OUT_REASONS.map((w) => ({ value: w, label: upper(w) }))}
          />
          {length(i, 'left', text('fromLeft'))}
          {length(i, 'top', text('fromTop'))}
          {length(i, 'width', text('howWide'))}
          {length(i, 'height', text('howHigh'))}
          {errors[`keepOut.${i}`] && (
            <span className="wide" role="alert" style={{ color: 'var(--stop)', fontSize: 13.5 }}>
              {upper(errors[`keepOut.${i}`]!)}
            </span>
          )}
          <div className="wide">
            <Button small plain onPress={() => set({ keepOut: places.filter((_, j) => j !== i) })}>
              {text('removePlace', { i: i + 1 })}
            </Button>
          </div>
        </Place>
      ))}
      <Spread>
        <Quiet>
          {places.length === 0 ? text('allCanCut') : text('partsLaidRoundThese', { places: places.length })}
        </Quiet>
        <Button small plain onPress={add}>
          {text('addPlaceNotCut')}
        </Button>
      </Spread>
    </Stack>
  );
}

/** How long food or a plant keeps. */
export function KeepingFields({
  draft,
  set,
  errors,
}: {
  draft: Draft;
  set(part: Partial<Draft>): void;
  errors: Record<string, string>;
}) {
  if (draft.materialClass !== 'food' && draft.materialClass !== 'plant') return null;
  const change = (part: NonNullable<Draft['keeping']>): void => {
    const next = Object.fromEntries(
      Object.entries({ ...draft.keeping, ...part }).filter(([, v]) => v !== undefined),
    );
    set({ keeping: Object.keys(next).length > 0 ? next : undefined });
  };
  return (
    <Row>
      <CountField
        label={text('keepsOutHours')}
        value={draft.keeping?.out ?? null}
        onChange={(n) => change({ out: n ?? undefined })}
        error={errors['keeping.out']}
      />
      <CountField
        label={text('keepsClosedDays')}
        value={draft.keeping?.closed ?? null}
        onChange={(n) => change({ closed: n ?? undefined })}
        error={errors['keeping.closed']}
      />
    </Row>
  );
}

/** What is known of a magnet, a battery door or a drawstring: asked only of what has one. */
export function RiskFields({
  draft,
  set,
  errors,
  unit,
}: {
  draft: Draft;
  set(part: Partial<Draft>): void;
  errors: Record<string, string>;
  unit: LengthUnit;
}) {
  const change = (part: NonNullable<Draft['risks']>): void => {
    const next = Object.fromEntries(
      Object.entries({ ...draft.risks, ...part }).filter(([, v]) => v !== undefined),
    );
    set({ risks: Object.keys(next).length > 0 ? next : undefined });
  };
  const isBag =
    draft.materialClass === 'fabric' || (draft.materialClass === 'plastic' && draft.form === 'consumable');
  return (
    <>
      {draft.hazards.includes('magnet') && (
        <CountField
          label={text('fluxIndexMagnetKg')}
          value={draft.risks?.flux ?? null}
          onChange={(n) => change({ flux: n ?? undefined })}
          error={errors['risks.flux']}
        />
      )}
      {draft.hazards.includes('battery') && (
        <Select
          label={text('howBatteryDoorOpens')}
          value={draft.risks?.door ?? text('notTried')}
          onChange={(d) => change({ door: DOORS.find((x) => x === d) })}
          options={[text('notTried'), ...DOORS].map((d) => ({ value: d, label: d }))}
        />
      )}
      {isBag && (
        <LengthField
          label={text('lengthDrawstringIfAny')}
          mm={draft.risks?.drawstring ?? null}
          unit={unit}
          onChange={(n) => change({ drawstring: n ?? undefined })}
          error={errors['risks.drawstring']}
        />
      )}
    </>
  );
}
