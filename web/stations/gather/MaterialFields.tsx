import { styled } from 'styled-components';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { traitsNamed } from '../../../core/catalogue/traitNames.ts';
import {
  FORMS,
  HAZARDS,
  MATERIAL_CLASSES,
  requiredSizes,
  SIZES_OF,
  SOLIDS,
  type Form,
  type MaterialInput,
  type SizeName,
  TRAITS,
  type Trait,
} from '../../../core/materials/material.ts';
import { Select } from '../../parts/Select.tsx';
import { TextField } from '../../parts/Field.tsx';
import { CountField, LengthField, MoneyField } from '../../parts/TypedField.tsx';
import type { Draft } from './draft.ts';
import { CutFields, KeepingFields, RiskFields } from './CutFields.tsx';
import { text } from './text.ts';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
`;
const Boxes = styled.fieldset`
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  legend {
    font-size: 14px;
    font-weight: 600;
    padding: 0;
    margin-bottom: 4px;
  }
  label {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    border: 1px solid var(--seam-strong);
    border-radius: 20px;
    padding: 0 12px;
    min-height: 36px;
    font-size: 13.5px;
    cursor: pointer;
  }
  label:has(input:checked) {
    background: var(--care-tint);
    border-color: var(--care);
  }
`;
const FORM_WORDS: Record<Form, string> = {
  piece: text('pieceBallBlockStick'),
  disc: text('discCapLidButton'),
  sheet: text('sheetCardPanel'),
  tube: text('tube'),
  container: text('containerLid'),
  cord: text('cordOrLace'),
  consumable: text('consumableTapeBagGlue'),
};
const SIZE_WORDS: Record<SizeName, string> = {
  length: text('length'),
  width: text('width'),
  height: text('height'),
  diameter: text('across'),
  wall: text('wallThickness'),
};
const COLOURS = ['#B0451A', '#D8A657', '#2C5F8A', '#2C6A3E', '#A3455F', '#E9E8DF', '#C8A877', '#53625F'];

/** The sizes the form of a draft is measured by. */
export const askedSizes = (draft: Draft): SizeName[] => {
  const needed = requiredSizes(draft);
  return SIZES_OF[draft.form].filter((s) => draft.form !== 'piece' || needed.includes(s));
};

/** What it can do or is: as told, else a guess from the name of what is new. */
export const traitsOf = (draft: Draft, isNew: boolean): readonly Trait[] =>
  draft.traits ?? (isNew ? traitsNamed(draft) : []);

/** What a material is: name, form, sizes, how it is counted, what to take care of. */
export function MaterialFields({
  draft,
  set,
  errors,
  unit,
  isNew,
}: {
  draft: Draft;
  set(part: Partial<Draft>): void;
  errors: Record<string, string>;
  unit: LengthUnit;
  isNew: boolean;
}) {
  const needed = requiredSizes(draft);
  const asked = askedSizes(draft);
  const traits = traitsOf(draft, isNew);
  return (
    <>
      <TextField
        label={text('name')}
        value={draft.name}
        onChange={(name) => set({ name })}
        error={errors.name}
        required
      />
      <Select
        label={text('form')}
        value={draft.form}
        onChange={(form) =>
          set({
            form: form as Form,
            ...(form === 'piece' && !draft.solid ? { solid: 'block' as const } : {}),
          })
        }
        options={FORMS.map((f) => ({ value: f, label: FORM_WORDS[f] }))}
      />
      {draft.form === 'piece' && (
        <Select
          label={text('solid')}
          value={draft.solid ?? null}
          error={errors.solid ?? null}
          onChange={(solid) => set({ solid: solid as (typeof SOLIDS)[number] })}
          options={SOLIDS.map((s) => ({ value: s, label: s[0]!.toUpperCase() + s.slice(1) }))}
        />
      )}
      <Two>
        {asked.map((s) => (
          <LengthField
            key={s}
            label={needed.includes(s) ? SIZE_WORDS[s] : text('ifAny', { s: SIZE_WORDS[s] })}
            mm={draft.sizes[s] ?? null}
            unit={unit}
            error={errors[`sizes.${s}`]}
            onChange={(v) => {
              const { [s]: _, ...rest } = draft.sizes;
              set({ sizes: v === null ? rest : { ...rest, [s]: v } });
            }}
          />
        ))}
      </Two>
      <Two>
        {isNew && (
          <CountField
            label={draft.unit === 'mm' ? text('keptMm') : text('kept')}
            value={draft.kept}
            onChange={(kept) => set({ kept })}
            error={errors.kept}
          />
        )}
        <Select
          label={text('counted')}
          value={draft.unit}
          onChange={(u) => set({ unit: u as 'each' | 'mm' })}
          options={[
            { value: 'each', label: text('each') },
            { value: 'mm', label: text('lengthMm') },
          ]}
        />
        <Select
          label={text('made')}
          value={draft.materialClass}
          onChange={(c) => set({ materialClass: c as MaterialInput['materialClass'] })}
          options={MATERIAL_CLASSES.map((c) => ({ value: c, label: c[0]!.toUpperCase() + c.slice(1) }))}
        />
        <CountField
          label={text('gives')}
          value={Math.round(draft.give * 100)}
          onChange={(g) => set({ give: (g ?? 0) / 100 })}
          error={errors.give}
        />
        <MoneyField
          label={draft.unit === 'mm' ? text('valueFindMetre') : text('valueFindEach')}
          minor={draft.worth ?? null}
          onChange={(worth) => set({ worth: worth ?? undefined })}
        />
      </Two>
      <KeepingFields draft={draft} set={set} errors={errors} />
      <CutFields draft={draft} set={set} errors={errors} unit={unit} />
      <Boxes>
        <legend>{text('takeCare')}</legend>
        {HAZARDS.map((h) => (
          <label key={h}>
            <input
              type="checkbox"
              checked={draft.hazards.includes(h)}
              onChange={(e) =>
                set({
                  hazards: e.currentTarget.checked
                    ? [...draft.hazards, h]
                    : draft.hazards.filter((x) => x !== h),
                })
              }
            />
            {h}
          </label>
        ))}
      </Boxes>
      <Boxes>
        <legend>{text('canDoOr')}</legend>
        {TRAITS.map((t) => (
          <label key={t}>
            <input
              type="checkbox"
              checked={traits.includes(t)}
              onChange={(e) =>
                set({ traits: e.currentTarget.checked ? [...traits, t] : traits.filter((x) => x !== t) })
              }
            />
            {t}
          </label>
        ))}
      </Boxes>
      <RiskFields draft={draft} set={set} errors={errors} unit={unit} />
      <Boxes>
        <legend>{text('colour')}</legend>
        {[...new Set([...COLOURS, draft.colour])].map((c) => (
          <label
            key={c}
            style={{
              background: c,
              width: 40,
              padding: 0,
              justifyContent: 'center',
              boxShadow: draft.colour === c ? '0 0 0 3px var(--ink)' : 'none',
            }}
          >
            <input
              type="radio"
              name="colour"
              aria-label={c}
              checked={draft.colour === c}
              onChange={() => set({ colour: c })}
              style={{ opacity: 0, position: 'absolute' }}
            />
          </label>
        ))}
      </Boxes>
    </>
  );
}
