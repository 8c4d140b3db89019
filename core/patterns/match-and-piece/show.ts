import type { At, LevelDials, Show } from '../kernel.ts';
import { sayFor, stopWords } from '../making.ts';
import { mostShown, partnersOf, type Dials } from './dials.ts';
import { text } from './words.ts';

export function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(
      at,
      d.kind === 'order' ? text(at, 'whichIsMost', { measure: d.measure }) : text(at, 'boatLostHalf'),
      text(at, 'youMadeThese'),
    ),
    lookFor:
      d.kind === 'insets'
        ? text(at, 'edgeFeltBeforeSet')
        : d.kind === 'order'
          ? text(at, 'twoHeldSideSide')
          : text(at, 'eachLookedBeforeHand'),
    easier: d.kind === 'order' ? text(at, 'threeFarApartSize') : text(at, 'fewerShownOnceFirst'),
    harder:
      d.kind === 'halves'
        ? text(at, 'moreShownOnceCuts')
        : d.kind === 'insets'
          ? text(at, 'moreHolesLessRoom')
          : d.kind === 'order'
            ? text(at, 'fiveNearerSizeThen')
            : text(at, 'moreShownOnceWord'),
    more:
      d.kind === 'order'
        ? text(at, 'sayIt', { words: text(at, 'orderWords', { measure: d.measure }) })
        : text(at, 'nameEachPair'),
    oneHand: text(at, 'boardClampedCardsNon'),
    stop: stopWords(at),
  };
}

export function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const grip = text(at, 'thumbFinger');
  const most = Math.min(mostShown(d), 24);
  const of = (id: string, name: string, part: Partial<Dials>): LevelDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  switch (d.kind) {
    case 'order':
      return [3, 4, 5].flatMap((number) => [
        of(`look-${number}`, text(at, 'things', { number }), { number }),
        ...(number === 5
          ? []
          : [
              of(`thick-${number}`, text(at, 'byThickness', { number }), {
                number,
                measure: 'thickness' as const,
              }),
            ]),
      ]);
    case 'insets':
      return [
        of('two', text(at, 'twoRoom'), { number: 2, loose: 3 }),
        of('four', text(at, 'fourRoom'), { number: 4, loose: 3 }),
        of('close', text(at, 'fourClose'), { number: 4, loose: 1.5 }),
        of('six', text(at, 'sixClose'), { number: 6, loose: 1.5 }),
        of('snug', text(at, 'sixSnug'), { number: 6, loose: 0.75 }),
      ];
    case 'halves': {
      const cut = d.cut === 'straight' ? 'wave' : d.cut;
      const n = (k: number): number => Math.min(k, most, 12);
      return [
        of('two', text(at, 'twoCards'), { cut, number: n(2), shown: n(2) }),
        of('four', text(at, 'fourCards'), { cut, number: n(4), shown: n(4) }),
        of('six', text(at, 'sixCards'), { cut, number: n(6), shown: n(6) }),
        of('eight', text(at, 'eightCards'), { cut, number: n(8), shown: n(8) }),
        of('step', text(at, 'steps'), {
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
        of('two', text(at, 'twoShown'), { number: n(4), shown: 2, partner: 'same' }),
        of('four', text(at, 'fourShown'), { number: n(4), shown: n(4), partner: 'same' }),
        of('six', text(at, 'sixShown'), { number: n(6), shown: n(6), partner: 'same' }),
        ...(other ? [of('other', text(at, 'otherHalf'), { number: n(6), shown: n(6), partner: other })] : []),
        of('eight', text(at, 'eightShown'), { number: n(8), shown: n(8), partner: 'same' }),
        of('small', text(at, 'smallCards'), {
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
