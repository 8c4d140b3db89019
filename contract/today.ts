/** What is to be done on a day, in the order of the day. */
export const TODAY_KINDS = [
  'called back',
  'lend',
  'late',
  'due',
  'kept',
  'clean',
  'quarantine',
  'test',
  'session',
  'tell',
  'note',
  'short',
] as const;
export type TodayKind = (typeof TODAY_KINDS)[number];

/** Kinds whose lines take long to find in a large place; they are asked for after the others. */
export const LATER_KINDS = ['tell', 'note', 'short'] as const satisfies readonly TodayKind[];

export interface NamedKit {
  readonly id: number;
  readonly label: string;
  readonly name: string;
  /** Why it is not lent as it stands; null where it can be. */
  readonly why: string | null;
}

/** One thing to do; it is gone from the list when it is done. */
export interface TodayLine {
  readonly kind: TodayKind;
  readonly family: { readonly id: number; readonly name: string } | null;
  readonly kits: readonly NamedKit[];
  readonly design: { readonly id: number; readonly name: string } | null;
  /** When it is or was due. */
  readonly day: string | null;
  /** The lot, session or reservation it is about; null where it is about none. */
  readonly id: number | null;
  /** A version to change it with; null where there is none. */
  readonly version: number | null;
  /** Of a making session, steps that are done; null of all else. */
  readonly steps: number | null;
  /** Its own words: why, how many of what, who. */
  readonly words: string;
}
export interface TodayPage {
  readonly day: string;
  readonly lines: readonly TodayLine[];
  /** Of kinds with more lines than are listed, how many there are. */
  readonly counts: Readonly<Partial<Record<TodayKind, number>>>;
}
