import type { Move } from '../../challenge/bits.ts';
import type { Mark } from '../../drawing/mark.ts';
import type { Material } from '../../materials/material.ts';
import type { Act } from '../acts.ts';
import type { At, Fact, Feature, LevelDials, Need, Sheet, Step, Verdict } from '../kernel.ts';
import type { Dials } from './dials.ts';

export type Surface = At<Dials>;

/** What is wrong, or right, and what to change. */
export type Judged = readonly [verdict: Verdict, headline: string, remedy: string | null];

/** One of the things that are done on a tray or a surface: all that differs between them. */
export interface Activity {
  title(d: Dials): string;
  facts(at: Surface): Fact[];
  judge(at: Surface): Judged;
  needs(at: Surface): readonly Need[];
  /** What a step takes up and nothing is chosen for. */
  unlisted?(at: Surface): readonly string[];
  /** What is washed or looked over before it. */
  washed?(at: Surface): readonly { readonly material: Material; readonly count: number }[];
  /** How it is set out. */
  ready(at: Surface): Pick<Step, 'title' | 'words' | 'perCopy' | 'who'> & Partial<Pick<Step, 'tools'>>;
  /** How it is cleared away, by whom, and in how many minutes for one child (common practice). */
  clean(at: Surface): { readonly words: string; readonly who: Step['who']; readonly minutes: number };
  features?(at: Surface): Feature[];
  moves(at: Surface): Move[];
  /** What the hands do. */
  acts(at: Surface): readonly Act[];
  /** When most children begin it, months (common practice). */
  readonly usualFrom: readonly [number, number];
  levels(at: Surface): LevelDials<Dials>[];
  /** What is said and looked for. */
  says(at: Surface): Says;
  draw(at: Surface): Drawn;
  sheets(at: Surface): Sheet[];
}

interface Says {
  readonly play: string;
  readonly look: string;
  readonly easier: string;
  readonly harder: string;
  readonly more: string;
}

/** Marks of the thing itself, of its measures, and in a sentence what they show. */
export interface Drawn {
  readonly made: readonly Mark[];
  readonly measures: readonly Mark[];
  readonly about: string;
}

/** A level with the dials that differ. */
export const levelOf = (
  { dials }: Surface,
  id: string,
  name: string,
  grip: string,
  part: Partial<Dials>,
): LevelDials<Dials> => ({ id, name, grip, dials: { ...dials, ...part } });
