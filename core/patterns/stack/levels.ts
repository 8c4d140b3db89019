import type { At, LevelDials } from '../kernel.ts';
import { isTube, looseFor, parts, type Dials } from './dials.ts';
import { text } from './words.ts';

/** Fewer and wider rings first, then an order to keep, a picture, or less room. */
export function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { part, thick } = parts(at);
  const n = d.number;
  if (isTube(part))
    return [
      {
        id: 'two',
        name: text(at, 'twoTallRings'),
        grip: text(at, 'wholeHand'),
        dials: { ...d, number: 2, shows: 'plain' },
      },
      {
        id: 'plain',
        name: text(at, 'anyOrder'),
        grip: text(at, 'wholeHand'),
        dials: { ...d, shows: 'plain' },
      },
      {
        id: 'pair',
        name: text(at, 'threeOrder'),
        grip: text(at, 'wholeHand'),
        dials: { ...d, number: Math.min(3, n), shows: 'numbers' },
      },
      {
        id: 'order',
        name: text(at, 'allOrder'),
        grip: text(at, 'wholeHandTurnsWrist'),
        dials: { ...d, shows: 'numbers' },
      },
      {
        id: 'picture',
        name: text(at, 'picture'),
        grip: text(at, 'wholeHandTurnsRing'),
        dials: { ...d, number: Math.max(4, n), shows: 'picture' },
      },
    ];
  const ring = (over: number, part2: Partial<Dials> = {}): Dials => ({
    ...d,
    hole: Math.round(thick + over),
    outer: Math.max(d.outer, Math.round(thick + over) + 24),
    ...part2,
  });
  return [
    {
      id: 'wide',
      name: text(at, 'wideRings'),
      grip: text(at, 'wholeHand'),
      dials: ring(25, { shows: 'plain' }),
    },
    {
      id: 'loose',
      name: text(at, 'looseRings'),
      grip: text(at, 'thumbFingers'),
      dials: ring(looseFor(24), { shows: 'plain' }),
    },
    {
      id: 'close',
      name: text(at, 'closeRings'),
      grip: text(at, 'thumbFingers'),
      dials: ring(9, { shows: 'plain' }),
    },
    {
      id: 'order',
      name: text(at, 'closeOrder'),
      grip: text(at, 'thumbFingers'),
      dials: ring(9, { shows: 'numbers' }),
    },
  ];
}
