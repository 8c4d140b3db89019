import { memo } from 'react';
import type { Scene } from '../../core/drawing/mark.ts';
import { Marks } from './Marks.tsx';

/** A small picture of a drawing, `size` pixels in its longer way. */
export const ScenePicture = memo(function ScenePicture({
  scene,
  width,
  height = width,
}: {
  scene: Scene;
  width: number;
  height?: number;
}) {
  const px = Math.max(scene.width / width, scene.height / height, 1e-3);
  const [w, h] = [width * px, height * px];
  return (
    <svg
      width={width}
      height={height}
      viewBox={`${-(w - scene.width) / 2} ${-(h - scene.height) / 2} ${w} ${h}`}
      aria-hidden
      style={{ flex: 'none' }}
    >
      <Marks marks={scene.marks} px={px} unit="mm" on="paper" />
    </svg>
  );
});
