import { useEffect, useState } from 'react';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { api } from '../data/api.ts';
import { useDesigns, useMaterials } from '../data/queries.ts';
import type { NeedingDesign } from './needingDesign.ts';
import { useOpenDesign } from './store.ts';

export type { NeedingDesign };

const known = new WeakMap<readonly Design[], WeakMap<readonly MaterialRow[], Promise<NeedingDesign[]>>>();

/** What every design needs, worked out once for a list and a shelf: patterns are heavier than the shelf, so they load later. */
export function needsOf(
  designs: readonly Design[],
  materials: readonly MaterialRow[],
): Promise<NeedingDesign[]> {
  let byShelf = known.get(designs);
  if (!byShelf) known.set(designs, (byShelf = new WeakMap()));
  let found = byShelf.get(materials);
  if (!found) {
    found = import('./derived.ts').then(({ neededByAll }) => neededByAll(designs, materials));
    byShelf.set(materials, found);
  }
  return found;
}

/** Designs with their needs; undefined until they are known, those of before while new ones are worked out. */
export function useNeeds(): NeedingDesign[] | undefined {
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const [needs, setNeeds] = useState<NeedingDesign[]>();
  useEffect(() => {
    if (!designs || !materials) return;
    let gone = false;
    void needsOf(designs, materials).then((n) => {
      if (!gone) setNeeds(n);
    });
    return () => {
      gone = true;
    };
  }, [designs, materials]);
  return needs;
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
