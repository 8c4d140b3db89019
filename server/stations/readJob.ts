import type { Day } from '../../core/calendar/days.ts';

/** What is worked out of designs: soon done for a few, long for hundreds. */
export const DESIGN_READS = [
  'needs',
  'check',
  'bundles',
  'suggestedBundles',
  'wanted',
  'donors',
  'buildSheet',
  'template',
  'checkSheet',
  'bundlePaper',
  'designPaper',
  'batch',
  'batchPurchase',
  'batchShopping',
  'batchSheet',
  'batchPapers',
] as const;

/** What takes long to read in a large place. */
export type ReadName =
  | (typeof DESIGN_READS)[number]
  | 'borrowed'
  | 'familyData'
  | 'dueDays'
  | 'rowsOfFile'
  | 'childPage'
  | 'groupPage'
  | 'lasting'
  | 'missing'
  | 'tellings'
  | 'termReport'
  | 'termPlan'
  | 'termProblem'
  | 'termChoices'
  | 'todayNow'
  | 'todayLater';

/** Something to be read in a worker that has a connection of its own. */
export interface ReadJob {
  readonly kind: 'read';
  readonly folder: string;
  /** How often the file was exchanged: a connection to an earlier one is opened anew. */
  readonly exchanges: number;
  readonly today: Day;
  readonly name: ReadName;
  readonly data: readonly unknown[];
  /** Whether the answer is wanted as JSON text. */
  readonly asText: boolean;
}
