import type { At, LevelDials } from '../kernel.ts';
import type { Dials } from './dials.ts';
import { overRim } from './openings.ts';
import { parts } from './pieces.ts';
import { text } from './words.ts';

const gripOf = (at: At<Dials>, { tool, turn }: Dials, along: number): string =>
  ({
    fingers: text(at, turn === along ? 'thumbFinger' : 'turnsInFingers'),
    tongs: text(at, 'wholeHandTongs'),
    peg: text(at, 'thumbFingerPressedHard'),
  })[tool];

/**
 * The ladder for these pieces and this container. Each level changes one thing from the one it grew from: the opening's
 * room, its turn, then the tool. Levels that the lid has no room for are left out.
 */
export function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d, chosen } = at;
  const { kinds, room, tape } = parts(at);
  // With an opening each, the others follow the first.
  const meant = d.openings === 'one' ? kinds : kinds.slice(0, 1);
  const longest = Math.max(...meant.map((k) => k.longest));
  const shortest = Math.max(...meant.map((k) => k.shortest));
  const round = meant.every((k) => k.isRound);
  const along = !round && room.across > room.along ? 90 : 0;
  const base: Dials = { ...d, tool: 'fingers', turn: along };
  const least = Math.min(room.along, room.across);
  const named = (list: [string, string, Dials][]): LevelDials<Dials>[] =>
    list
      .filter(([, , dials]) => overRim({ dials, chosen }) <= 1e-6)
      .map(([id, name, dials]) => ({ id, name, dials, grip: gripOf(at, dials, along) }));
  if (d.cover === 'sip hole') {
    // The hole is as it is: the piece made for it changes.
    const one = (share: number): Dials => ({
      ...base,
      stripLength: Math.max(10, Math.round(d.stripLength * share)),
    });
    return named([
      ['small', d.made === 'rolled' ? text(at, 'smallerBall') : text(at, 'shorterStrip'), one(0.7)],
      ['own', text(at, 'as'), base],
      ['tongs', text(at, 'tongs'), { ...base, tool: 'tongs' }],
      ['peg', text(at, 'peg'), { ...base, tool: 'peg' }],
    ]);
  }
  if (d.cover === 'tape' || d.cover === 'open') {
    const slit = (over: number): Dials => ({
      ...base,
      cover: 'tape',
      opening: 'slot',
      width: shortest + over,
    });
    const square = (over: number): Dials => ({
      ...base,
      cover: 'tape',
      opening: 'round',
      length: longest + over,
    });
    return named([
      ['open', text(at, 'noTape'), { ...base, cover: 'open' }],
      ...(tape
        ? ([
            ['wide slit', text(at, 'wideSlit'), slit(12)],
            ['slit', text(at, 'closeSlit'), slit(4)],
            ['square', text(at, 'square'), square(6)],
            ['tongs', text(at, 'slitTongs'), { ...slit(4), tool: 'tongs' }],
          ] as [string, string, Dials][])
        : ([['tongs', text(at, 'openTongs'), { ...base, cover: 'open', tool: 'tongs' }]] as [
            string,
            string,
            Dials,
          ][])),
      ['peg', tape ? text(at, 'slitPeg') : text(at, 'openPeg'), { ...(tape ? slit(4) : base), tool: 'peg' }],
    ]);
  }
  const hole = (over: number): Dials => ({
    ...base,
    opening: 'round',
    length: Math.min(least, longest + over),
  });
  const slot = (more: number, across: number, turn = along): Dials => ({
    ...base,
    opening: 'slot',
    length: longest + more,
    width: shortest + across,
    turn,
  });
  return named(
    round
      ? [
          ['wide', text(at, 'wideMouth'), hole(24)],
          ['loose', text(at, 'looseHole'), hole(10)],
          ['close', text(at, 'closeHole'), hole(4)],
          ['snug', text(at, 'snugHole'), hole(2)],
          ['tongs', text(at, 'closeTongs'), { ...hole(4), tool: 'tongs' }],
          ['peg', text(at, 'closePeg'), { ...hole(4), tool: 'peg' }],
        ]
      : [
          ['wide', text(at, 'wideMouth'), hole(22)],
          ['loose', text(at, 'looseSlot'), slot(10, 8)],
          ['close', text(at, 'closeSlot'), slot(4, 3)],
          ['turned', text(at, 'closeTurned'), slot(4, 3, 45)],
          ['tongs', text(at, 'closeTongs'), { ...slot(4, 3), tool: 'tongs' }],
          ['snug', text(at, 'snugTurned'), slot(2, 1.5, 45)],
          ['peg', text(at, 'closePeg'), { ...slot(4, 3), tool: 'peg' }],
        ],
  );
}
