import { ALONE, type HelpRange } from './helpSteps.ts';
import type { Response } from './rasch.ts';

/** Levels of prompting, from none up (the field's own words). */
export const HELP = ['none', 'shown once', 'verbal prompt', 'hand on wrist', 'hand over hand'] as const;
export type Help = (typeof HELP)[number];

/** How it was liked, from best down. */
export const LIKED = ['loved it', 'fine', 'bored', 'refused'] as const;
export type Liked = (typeof LIKED)[number];

/** What a note says of one level of one sitting. */
export interface Watched {
  readonly id: number;
  readonly child: string;
  readonly designId: number;
  readonly level: string;
  readonly bits: number;
  readonly help: Help;
  readonly seconds: number | null;
  readonly count: number | null;
  /** How often it was tried in the sitting, and how often managed. */
  readonly tries: number;
  readonly managed: number;
  readonly liked: Liked | null;
  readonly satOn: string;
  /** Levels done on the way to this one, with the same help. */
  readonly before: readonly { readonly level: string; readonly bits: number }[];
}

/** Shown beforehand, a child still does it alone; every other help is given while the hand works. */
export const isAlone = (help: Help): boolean => help === 'none' || help === 'shown once';

/** Whether a sitting shows that the child manages the level alone: most tries managed, and no help while it was done. */
export const managedAlone = (n: Pick<Watched, 'help' | 'tries' | 'managed' | 'count'>): 0 | 1 =>
  levelsOf(n).low === ALONE ? 1 : 0;

/** Levels that a sitting shows as managed alone, those on the way to its own among them. */
export const aloneIn = (n: Watched): string[] => [
  ...(isAlone(n.help) ? n.before.map((b) => b.level) : []),
  ...(managedAlone(n) === 1 ? [n.level] : []),
];

const HELP_LEVEL: Readonly<Record<Help, number>> = {
  'hand over hand': 1,
  'hand on wrist': 2,
  'verbal prompt': 3,
  'shown once': ALONE,
  none: ALONE,
};

/** What a sitting leaves possible of how much of the level the child does itself. */
export function levelsOf(n: Pick<Watched, 'help' | 'tries' | 'managed' | 'count'>): HelpRange {
  const helpLevel = HELP_LEVEL[n.help];
  return n.count !== 0 && 2 * n.managed > n.tries
    ? { low: helpLevel, high: helpLevel }
    : { low: 0, high: helpLevel - 1 };
}

/** One level of one design, as everybody met it. */
interface LevelSeen {
  readonly designId: number;
  readonly level: string;
  /** As it stood at the latest note. */
  readonly bits: number;
}
export const levelKey = (r: { readonly designId: number; readonly level: string }): string =>
  `${r.designId} ${r.level}`;

export interface Outcomes {
  readonly children: readonly string[];
  readonly levels: readonly LevelSeen[];
  /** A row a child, a column a level: managed alone at the latest sitting, not, or never tried. */
  readonly responses: readonly (readonly Response[])[];
  /** The same with the help that was given; null where it was never tried. */
  readonly helpRanges: readonly (readonly (HelpRange | null)[])[];
}

/** Notes as a table of who managed what alone; of several sittings the latest speaks, since children learn. */
export function outcomesOf(notes: readonly Watched[]): Outcomes {
  const inOrder = [...notes].sort((a, b) => (a.satOn < b.satOn ? -1 : a.satOn > b.satOn ? 1 : a.id - b.id));
  const levels = new Map<string, LevelSeen>();
  const found = new Map<string, Map<string, HelpRange>>();
  for (const n of inOrder) {
    const own = found.get(n.child) ?? new Map<string, HelpRange>();
    found.set(n.child, own);
    const put = (level: string, bits: number, answer: HelpRange): void => {
      const key = levelKey({ designId: n.designId, level });
      levels.set(key, { designId: n.designId, level, bits });
      own.set(key, answer);
    };
    for (const b of n.before) put(b.level, b.bits, { low: HELP_LEVEL[n.help], high: HELP_LEVEL[n.help] });
    put(n.level, n.bits, levelsOf(n));
  }
  const keys = [...levels.keys()];
  const helpRanges = [...found.values()].map((own) => keys.map((k) => own.get(k) ?? null));
  return {
    children: [...found.keys()],
    levels: [...levels.values()],
    responses: helpRanges.map((row) => row.map((x) => (x === null ? null : x.low === ALONE ? 1 : 0))),
    helpRanges,
  };
}
