import { useQuery } from '@tanstack/react-query';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import type { BenchDesign } from '../../core/plan/makeable.ts';
import { api } from '../data/api.ts';
import { useDesigns, useMaterials } from '../data/queries.ts';
import { useOpenDesign } from './store.ts';

/** A design with what one copy of it needs; `problem` where it cannot be read. */
export type NeedingDesign = BenchDesign & { readonly design: Design; readonly problem: string | null };

/** What every design needs, worked out after the page stands: patterns are heavier than the shelf. */
export async function needsOf(
  designs: readonly Design[],
  materials: readonly MaterialRow[],
): Promise<NeedingDesign[]> {
  const { lightOf } = await import('./derived.ts');
  return designs.map((design) => {
    const light = lightOf(design, materials);
    const base = { id: design.id, copies: design.copies, onBench: design.onBench, design };
    return 'problem' in light
      ? { ...base, needs: [], problem: light.problem }
      : { ...base, needs: light.needs, problem: null };
  });
}

/** Designs with their needs; undefined until they are known. */
export function useNeeds(): NeedingDesign[] | undefined {
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data } = useQuery({
    queryKey: ['needs', designs, materials],
    queryFn: () => needsOf(designs!, materials!),
    enabled: designs !== undefined && materials !== undefined,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return data;
}

/** Puts a design on the bench or takes it off; the open one goes through its own store, so that no turn of a dial is lost. */
export async function setOnBench(design: Design, onBench: boolean): Promise<void> {
  const open = useOpenDesign.getState();
  if (open.draft?.id === design.id) {
    open.change({ onBench });
    await useOpenDesign.getState().flush();
    return;
  }
  const { id, ...body } = design;
  await api<Design>('PUT', `/designs/${id}`, { ...body, onBench });
}
