import type { MaterialInput } from '../../core/materials/material.ts';
import { materialMarks, pictureSize } from '../../core/drawing/material.ts';
import { Marks } from './Marks.tsx';

/** A material in its own sizes; `span` mm fill the picture, so that neighbours are drawn to one scale. */
export function Picture({
  material,
  size = 52,
  span,
}: {
  material: MaterialInput;
  size?: number;
  span?: number;
}) {
  const [w, h] = pictureSize(material);
  const reach = Math.max(span ?? 0, w, h) * 1.06;
  return (
    <svg
      width={size}
      height={size}
      viewBox={`${-reach / 2} ${-reach / 2} ${reach} ${reach}`}
      aria-hidden
      style={{ flex: 'none' }}
    >
      <Marks marks={materialMarks(material, [0, 0])} px={reach / size} unit="mm" />
    </svg>
  );
}
