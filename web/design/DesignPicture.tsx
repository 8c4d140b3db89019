import { useQuery } from '@tanstack/react-query';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { ScenePicture } from '../drawing/ScenePicture.tsx';
import { planner } from '../work/door.ts';
import { atOf } from './derived.ts';

/** The small picture of a design, or what it looks like at a step of its making, worked out beside the page. */
export function DesignPicture({
  design,
  materials,
  step,
  width = 96,
  height = 56,
}: {
  design: Design;
  materials: readonly MaterialRow[];
  step?: string;
  width?: number;
  height?: number;
}) {
  const ask = { ...atOf(design, materials), pattern: design.pattern };
  const { data } = useQuery({
    queryKey: ['picture', ask, step],
    queryFn: () => (step === undefined ? planner().picture(ask) : planner().pictureAt(ask, step)),
    staleTime: Infinity,
    retry: false,
  });
  return data ? (
    <ScenePicture scene={data} width={width} height={height} />
  ) : (
    <span style={{ display: 'block', height }} />
  );
}
