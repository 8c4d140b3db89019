import type { At, RungDials, Show } from '../kernel.ts';
import { sayFor, STOP_WORDS } from '../making.ts';
import { mostShown, partnersOf, type Dials } from './dials.ts';
import { ORDER_WORDS } from './order.ts';

export function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const words = ORDER_WORDS[d.measure];
  return {
    say: sayFor(
      at.approach,
      d.kind === 'order'
        ? `Which is the ${words[2]}? And which comes next to it?`
        : 'This boat has lost its other half. Where is it?',
      'You made these. Which two belong together?',
    ),
    lookFor:
      d.kind === 'insets'
        ? 'Is the edge felt before it is set down, and is it turned in the fingers rather than pushed?'
        : d.kind === 'order'
          ? 'Are two held side by side before one is put down?'
          : 'Is each one looked at before the hand takes it, and set down edge to edge?',
    easier:
      d.kind === 'order'
        ? 'Three, far apart in size.'
        : 'Fewer shown at once; the first one of each laid out already.',
    harder:
      d.kind === 'halves'
        ? 'More shown at once, cuts more alike, the picture face down.'
        : d.kind === 'insets'
          ? 'More holes, less room, eyes closed.'
          : d.kind === 'order'
            ? 'Five, nearer in size; then by feel alone.'
            : 'More shown at once; a word in place of the picture; face down, two at a time.',
    more:
      d.kind === 'order'
        ? `Say it: ${words.join(', ')}.`
        : 'Name each pair; sort by colour; which is missing?',
    oneHand: 'The board clamped, the cards on a non-slip mat; a knob that the whole hand closes on.',
    stop: STOP_WORDS,
  };
}

export function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const grip = 'thumb and finger';
  const most = Math.min(mostShown(d), 24);
  const of = (id: string, name: string, part: Partial<Dials>): RungDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  switch (d.kind) {
    case 'order':
      return [3, 4, 5].flatMap((number) => [
        of(`look-${number}`, `${number} things`, { number }),
        ...(number === 5
          ? []
          : [of(`thick-${number}`, `${number} by thickness`, { number, measure: 'thickness' as const })]),
      ]);
    case 'insets':
      return [
        of('two', 'Two, with room', { number: 2, loose: 3 }),
        of('four', 'Four, with room', { number: 4, loose: 3 }),
        of('close', 'Four, close', { number: 4, loose: 1.5 }),
        of('six', 'Six, close', { number: 6, loose: 1.5 }),
        of('snug', 'Six, snug', { number: 6, loose: 0.75 }),
      ];
    case 'halves': {
      const cut = d.cut === 'straight' ? 'wave' : d.cut;
      const n = (k: number): number => Math.min(k, most, 12);
      return [
        of('two', 'Two cards', { cut, number: n(2), shown: n(2) }),
        of('four', 'Four cards', { cut, number: n(4), shown: n(4) }),
        of('six', 'Six cards', { cut, number: n(6), shown: n(6) }),
        of('eight', 'Eight cards', { cut, number: n(8), shown: n(8) }),
        of('step', 'In steps', {
          cut: d.cut === 'step' ? 'zigzag' : 'step',
          number: n(6),
          shown: n(6),
        }),
      ];
    }
    case 'pairs': {
      const n = (k: number): number => Math.min(k, most);
      const [, other] = partnersOf(d.shows);
      return [
        of('two', 'Two shown', { number: n(4), shown: 2, partner: 'same' }),
        of('four', 'Four shown', { number: n(4), shown: n(4), partner: 'same' }),
        of('six', 'Six shown', { number: n(6), shown: n(6), partner: 'same' }),
        ...(other ? [of('other', 'Other half', { number: n(6), shown: n(6), partner: other })] : []),
        of('eight', 'Eight shown', { number: n(8), shown: n(8), partner: 'same' }),
        of('small', 'Small cards', {
          number: n(8),
          shown: n(8),
          partner: 'same',
          width: 45,
          height: 45,
        }),
      ];
    }
  }
}
