import {
  requiredSizes,
  SIZES_OF,
  type MaterialInput,
  type SizeName,
  type Sizes,
} from '../../../core/materials/material.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { LengthField } from '../../parts/TypedField.tsx';
import { text } from './text.ts';

const SIZE: Record<SizeName, string> = {
  length: text('length'),
  width: text('width'),
  height: text('height'),
  diameter: text('across'),
  wall: text('wall'),
};

/** The measured sizes of one lot, each empty where the kind's own size holds. */
export function MeasuredFields({
  material,
  sizes,
  unit,
  onChange,
}: {
  material: MaterialInput;
  sizes: Sizes;
  unit: LengthUnit;
  onChange(sizes: Sizes): void;
}) {
  const needed = requiredSizes(material);
  return SIZES_OF[material.form]
    .filter((s) => material.form !== 'piece' || needed.includes(s))
    .map((s) => (
      <LengthField
        key={s}
        label={SIZE[s]}
        mm={sizes[s] ?? null}
        unit={unit}
        onChange={(mm) => {
          const { [s]: _, ...rest } = sizes;
          onChange(mm === null ? rest : { ...rest, [s]: mm });
        }}
      />
    ));
}
