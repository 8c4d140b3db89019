import type { Load } from '../../../core/challenge/load.ts';
import { text } from './text.ts';

/** What a design or a level asks of a child, part by part, without what it does not ask. */
export const partsOf = (load: Load): string =>
  (
    [
      [text('aim'), load.aim],
      [text('whichOne'), load.choice],
      [text('twoHandsAtOnce'), load.hands],
      [text('force'), load.force],
      [text('orderRemember'), load.remember],
      [text('thingsInView'), load.attend],
    ] as const
  )
    .flatMap(([name, n]) => (n > 0.05 ? [`${name} ${n.toFixed(1)}`] : []))
    .join(', ');
