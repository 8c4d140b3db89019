interface Offered {
  /** Where the skill stands among those that the pattern is for: 0 for the one it practises most. */
  readonly rank: number;
  readonly kits: number;
}

/** What practises the skill most comes first; of equals what the stock makes most kits of. */
export const bestFirst = (a: Offered, b: Offered): number => a.rank - b.rank || b.kits - a.kits;
