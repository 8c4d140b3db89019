import { useQuery } from '@tanstack/react-query';
import type { Lot } from '../../contract/lots.ts';
import type { Look } from '../../core/gather/lookOver.ts';
import type { LengthUnit } from '../../core/measure/length.ts';
import type { Material } from '../../core/materials/material.ts';
import { insideOf, packingOf, type KitPart } from '../../core/packing/container.ts';
import type { PackingAnswer } from '../../core/packing/problem.ts';
import type { Opening } from '../../core/passage/opening.ts';
import type { Verdict } from '../../core/patterns/kernel.ts';
import { api } from '../data/api.ts';
import { workbench } from '../work/door.ts';

/** Whether parts go into a container at once, packed and proved. */
export function usePacking(container: Material | undefined, parts: readonly KitPart[]) {
  const request = container ? packingOf(container, parts) : null;
  const packing = useQuery({
    queryKey: ['packing', request],
    queryFn: () => api<PackingAnswer>('POST', '/compute/packing', request),
    enabled: request !== null,
    staleTime: Infinity,
    retry: false,
  });
  const answer = request ? packing.data : undefined;
  // The inside of a round container is only the square in its mouth: a no for the square is no no for the tub.
  const verdict: Verdict | null =
    !answer || !container
      ? null
      : answer.fits
        ? 'clear'
        : insideOf(container).round || answer.fits === null
          ? 'care'
          : 'stop';
  return { request, answer, verdict, error: packing.error, refetch: packing.refetch };
}

/** What was seen of a container, whether it closes and what could fall out of it. `parts` in their measured sizes. */
export function useContainer(options: {
  container: Material | undefined;
  parts: readonly KitPart[];
  unit: LengthUnit | undefined;
  /** What a design cuts into it; undefined while that is not known. */
  openings: readonly Opening[] | undefined;
}) {
  const { container, parts, unit, openings } = options;
  const { data: lots } = useQuery({
    queryKey: ['lots', container?.id],
    queryFn: () => api<Lot[]>('GET', `/lots?material=${container!.id}`),
    enabled: container !== undefined,
  });
  // Of several lots the one that would be used first speaks: the oldest that was looked over.
  const look: Look | null =
    [...(lots ?? [])].reverse().find((l) => l.quantity > 0 && l.look && l.state !== 'never')?.look ?? null;
  return useQuery({
    queryKey: ['container', container, parts, look, unit, openings],
    queryFn: () =>
      workbench().container({
        container: container!,
        parts,
        look,
        unit: unit!,
        openings: openings ?? [],
      }),
    enabled: container !== undefined && unit !== undefined && lots !== undefined,
    staleTime: Infinity,
    retry: false,
    placeholderData: (before) => before,
  });
}
