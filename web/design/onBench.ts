import { useMemo } from 'react';
import type { Design } from '../../contract/designs.ts';
import { api } from '../data/api.ts';
import { useDesignNeeds, useDesigns } from '../data/queries.ts';
import type { NeedingDesign } from './needingDesign.ts';
import { useOpenDesign } from './store.ts';

export type { NeedingDesign };

/** Designs with their needs; undefined until they are known, those of before while new ones are worked out. */
export function useNeeds(): NeedingDesign[] | undefined {
  const { data: designs } = useDesigns();
  const { data: known } = useDesignNeeds();
  return useMemo(() => {
    if (!designs || !known) return undefined;
    const byId = new Map(known.map((n) => [n.id, n]));
    return designs.flatMap((design) => {
      const found = byId.get(design.id);
      if (!found) return [];
      const { id, name, copies, made, onBench } = design;
      return [{ id, name, copies, made, onBench, design, needs: found.needs, problem: found.problem }];
    });
  }, [designs, known]);
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
