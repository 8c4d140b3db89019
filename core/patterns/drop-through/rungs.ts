import type { At, RungDials } from '../kernel.ts';
import type { Dials } from './dials.ts';
import { overRim } from './openings.ts';
import { parts } from './pieces.ts';

const GRIP: Record<Dials['tool'], string> = {
  fingers: 'thumb and finger',
  tongs: 'whole hand on tongs',
  peg: 'thumb and finger, pressed hard',
};

/**
 * The ladder for these pieces and this container. Each rung changes one thing from the one it grew from: the opening's
 * room, its turn, then the tool. Rungs that the lid has no room for are left out.
 */
export function rungs(at: At<Dials>): RungDials<Dials>[] {
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
  const named = (list: [string, string, Dials][]): RungDials<Dials>[] =>
    list
      .filter(([, , dials]) => overRim({ dials, chosen }) <= 1e-6)
      .map(([id, name, dials]) => ({ id, name, dials, grip: GRIP[dials.tool] }));
  if (d.cover === 'sip hole') {
    // The hole is as it is: the piece made for it changes.
    const one = (share: number): Dials => ({
      ...base,
      stripLength: Math.max(10, Math.round(d.stripLength * share)),
    });
    return named([
      ['small', d.made === 'rolled' ? 'A smaller ball' : 'A shorter strip', one(0.7)],
      ['own', 'As it is', base],
      ['tongs', 'With tongs', { ...base, tool: 'tongs' }],
      ['peg', 'With a peg', { ...base, tool: 'peg' }],
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
      ['open', 'No tape', { ...base, cover: 'open' }],
      ...(tape
        ? ([
            ['wide slit', 'Wide slit', slit(12)],
            ['slit', 'Close slit', slit(4)],
            ['square', 'Square', square(6)],
            ['tongs', 'Slit, tongs', { ...slit(4), tool: 'tongs' }],
          ] as [string, string, Dials][])
        : ([['tongs', 'Open, tongs', { ...base, cover: 'open', tool: 'tongs' }]] as [
            string,
            string,
            Dials,
          ][])),
      ['peg', tape ? 'Slit, peg' : 'Open, peg', { ...(tape ? slit(4) : base), tool: 'peg' }],
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
          ['wide', 'Wide mouth', hole(24)],
          ['loose', 'Loose hole', hole(10)],
          ['close', 'Close hole', hole(4)],
          ['snug', 'Snug hole', hole(2)],
          ['tongs', 'Close, tongs', { ...hole(4), tool: 'tongs' }],
          ['peg', 'Close, peg', { ...hole(4), tool: 'peg' }],
        ]
      : [
          ['wide', 'Wide mouth', hole(22)],
          ['loose', 'Loose slot', slot(10, 8)],
          ['close', 'Close slot', slot(4, 3)],
          ['turned', 'Close, turned', slot(4, 3, 45)],
          ['tongs', 'Close, tongs', { ...slot(4, 3), tool: 'tongs' }],
          ['snug', 'Snug, turned', slot(2, 1.5, 45)],
          ['peg', 'Close, peg', { ...slot(4, 3), tool: 'peg' }],
        ],
  );
}
