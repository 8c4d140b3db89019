/** The migrations of this version by name, in order; a file that knows others is from a newer version. */
export const migrationNames = [
  '2026-11-25-start',
  '2026-11-25-stock-lots',
  '2026-11-26-one-truth',
  '2026-11-26-families',
  '2026-11-27-sittings',
  '2026-11-27-kits',
  '2026-11-27-finds',
  '2026-11-27-giving',
  '2026-11-27-children',
  '2026-11-27-checks',
  '2026-11-28-states',
  '2026-11-28-batches',
  '2026-11-29-tries',
  '2026-11-29-keeping',
  '2026-11-30-benches',
  '2026-11-30-people',
] as const;
