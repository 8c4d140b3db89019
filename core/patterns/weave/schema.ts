/** What can be told of a weave. */
export interface Dials {
  readonly frame: 'star' | 'twig' | 'loom';
  /** Sticks crossed in the middle; each makes two arms. */
  readonly sticks: number;
  /** Length of an arm, from the middle or from the fork, mm. */
  readonly arm: number;
  /** Between the two arms of a forked twig, degrees. */
  readonly angle: number;
  /** From the middle or the fork to the first crossing, mm. */
  readonly first: number;
  /** From one round or row to the next, mm. */
  readonly spacing: number;
  readonly rounds: number;
  /** Turns round an arm at each crossing. */
  readonly wraps: number;
  readonly course: 'spiral' | 'rings';
  readonly slots: number;
  /** From one slot to the next, mm. */
  readonly pitch: number;
  /** Height of the loom, mm. */
  readonly height: number;
  /** Stems, ribbons or feathers woven in upright. */
  readonly stems: number;
  /** Thread that hangs free while it is worked; the rest is on a bobbin. mm. */
  readonly free: number;
}
