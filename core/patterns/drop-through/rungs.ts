import type { At, RungDials } from '../kernel.ts';
import { parts, type Dials } from './dials.ts';
import { overRim } from './fit.ts';

const GRIP: Record<Dials['tool'], string> = {
  fingers: 'thumb and finger',
  tongs: 'whole hand on tongs',
  peg: 'thumb and finger, pressed hard',
};

/**
 * The ladder for this piece and lid. Each rung changes one thing from the one it grew from:
 * the opening's room, its turn, then the tool. Rungs that the lid has no room for are left out.
 */
export function rungs({ dials: d, chosen }: At<Dials>): RungDials<Dials>[] {
  const { longest, shortest, room } = parts(chosen);
  const round = shortest > 0.8 * longest;
  const along = !round && room.across > room.along ? 90 : 0;
  const base: Dials = { ...d, tool: 'fingers', turn: along };
  const least = Math.min(room.along, room.across);
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
  const candidates: [string, string, Dials][] = round
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
      ];
  return candidates
    .filter(([, , dials]) => overRim(dials, room) <= 1e-6)
    .map(([id, name, dials]) => ({ id, name, dials, grip: GRIP[dials.tool] }));
}
