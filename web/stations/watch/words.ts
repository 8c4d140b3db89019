import type { Note } from '../../../contract/lending.ts';
import type { Help, Liked } from '../../../core/watch/outcomes.ts';

/** What each level of prompting is called on screen. */
export const HELP_WORDS: Record<Help, string> = {
  none: 'No help',
  'shown once': 'Shown once',
  'verbal prompt': 'Verbal prompt',
  'hand on wrist': 'Hand on wrist',
  'hand over hand': 'Hand over hand',
};
export const LIKED_WORDS: Record<Liked, string> = {
  'loved it': 'Loved it',
  fine: 'Fine',
  bored: 'Bored',
  refused: 'Refused',
};

/** Seconds for one of what was counted; null where either was not noted. */
export const secondsEach = (n: Pick<Note, 'count' | 'seconds'>): number | null =>
  n.count !== null && n.count > 0 && n.seconds !== null ? n.seconds / n.count : null;

/** How often it was managed, where it was tried more than once or not managed. */
export const triesWords = (n: Pick<Note, 'tries' | 'managed'>): string | null =>
  n.tries === 1 && n.managed === 1 ? null : `${n.managed} of ${n.tries} tries`;
