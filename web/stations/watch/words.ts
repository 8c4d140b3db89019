import type { Note } from '../../../contract/notes.ts';
import type { Help, Liked } from '../../../core/watch/outcomes.ts';
import { text } from './text.ts';

/** What each level of prompting is called on screen. */
export const HELP_WORDS: Record<Help, string> = {
  none: text('noHelp'),
  'shown once': text('shownOnce'),
  'verbal prompt': text('verbalPrompt'),
  'hand on wrist': text('handOnWrist'),
  'hand over hand': text('handOverHand'),
};
export const LIKED_WORDS: Record<Liked, string> = {
  'loved it': text('lovedIt'),
  fine: text('fine'),
  bored: text('bored'),
  refused: text('refused'),
};

/** Seconds for one of what was counted; null where either was not noted. */
export const secondsEach = (n: Pick<Note, 'count' | 'seconds'>): number | null =>
  n.count !== null && n.count > 0 && n.seconds !== null ? n.seconds / n.count : null;

/** How often it was managed, where it was tried more than once or not managed. */
export const triesWords = (n: Pick<Note, 'tries' | 'managed'>): string | null =>
  n.tries === 1 && n.managed === 1 ? null : text('managedOfTries', { managed: n.managed, tries: n.tries });
