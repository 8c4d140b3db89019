import type { AnyDials, Level } from '../../core/patterns/index.ts';

/** The level with the same dials is the design's own; else one that is as difficult, the first of several. */
export const nearestLevel = (
  levels: readonly Level<AnyDials>[] | null,
  load: number | null,
): Level<AnyDials> | undefined =>
  levels?.find((r) => r.differs.length === 0) ??
  (load === null ? undefined : levels?.find((r) => Math.abs(load - r.load.total) < 0.05));
