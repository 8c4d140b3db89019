import type { Move } from '../../challenge/bits.ts';
import type { Beside } from '../../challenge/load.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { Material } from '../../materials/material.ts';
import type { At, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { girth, isCloth, parts, SQUEEZED, type Dials, type Stem } from './dials.ts';

const { floor, max, min } = Math;

/** Card between a slit and a fold, mm (common practice). */
export const FROM_FOLD = 15;
/** A hand that pushes pieces up from inside needs this opening and depth, mm (common practice). */
const HAND = { length: 80, width: 40, depth: 60 };
/** Of a slit's loop taken up by what stands in it: from here it stays when the box is turned, under the other it falls. */
const HOLDS = 0.85;
const FALLS = 0.6;

const shortestSlit = (s: Stem): number => girth(s) / 2;

/** Middles of the openings on the top of the box, mm about its middle: rows with a fold's distance all round. */
export function places(at: At<Dials>): Vec2[] {
  const { dials: d } = at;
  const { along, across, round, stem, soft } = parts(at);
  // Balls are wider than the hole they stand on.
  const own = max(d.length, soft ? stem.wide : 0);
  // Slits lie along the box, so that a flat piece shows its width to the child.
  const [stepX, stepY] = d.opening === 'slit' ? [4 * own, max(3 * own, 8)] : [own + 12, own + 12];
  const thick = d.opening === 'slit' ? 0 : own;
  const [roomX, roomY] = [along - 2 * FROM_FOLD - own, across - 2 * FROM_FOLD - thick];
  if (roomX < 0 || roomY < 0) return [];
  const [nx, ny] = [floor(roomX / stepX + 1e-9) + 1, floor(roomY / stepY + 1e-9) + 1];
  const out: Vec2[] = [];
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const x = nx === 1 ? 0 : -roomX / 2 + (i * roomX) / (nx - 1);
      const y = ny === 1 ? 0 : -roomY / 2 + (j * roomY) / (ny - 1);
      if (!round || Math.hypot(x, y) + own / 2 <= along / 2 - FROM_FOLD + 1e-9) out.push([x, y]);
    }
  return out;
}

/** So many of the places, spread over all of them. */
export const spread = (all: readonly Vec2[], n: number): Vec2[] =>
  n >= all.length ? [...all] : Array.from({ length: n }, (_, i) => all[floor(((i + 0.5) * all.length) / n)]!);

export interface Detail {
  readonly grip: number;
  readonly places: readonly Vec2[];
}

/** What a soft piece is squeezed to as it is pulled through, mm. */
const squeezed = (stem: Stem, kinds: readonly Material[]): number =>
  stem.wide * (1 - min(...kinds.map((m) => m.give)));

/** Share of the opening that the piece takes up; a hole by its width, a slit by its loop. */
function gripOf({ dials: d, chosen }: At<Dials>): number {
  const { stem } = parts({ chosen });
  return d.opening === 'slit' ? girth(stem) / (2 * d.length) : stem.wide / d.length;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { box, kinds, stem, along, across, depth, soft } = parts(at);
  const all = places(at);
  const grip = gripOf(at);
  const inside = stem.long - d.proud;
  const cloth = kinds.some(isCloth);
  const through = soft && d.opening === 'hole';
  const least = d.opening === 'slit' ? shortestSlit(stem) : through ? squeezed(stem, kinds) : stem.wide;
  const facts: Fit['facts'] = [
    {
      id: 'grip',
      label: 'Grip, 1 is tight',
      value: Math.round(grip * 1000) / 1000,
      onMat: true,
    },
    {
      id: 'shortestSlit',
      label: d.opening === 'slit' ? 'Shortest slit that takes it' : 'Least hole that takes it',
      value: Math.round(least * 100) / 100,
      unit: 'mm',
      onMat: true,
    },
    { id: 'places', label: 'Openings that go on top', value: all.length, unit: 'each' },
    { id: 'inside', label: 'Inside the box', value: max(0, inside), unit: 'mm' },
  ];
  const say = answers(facts, { grip, places: all });
  const holdsHere = d.opening === 'slit' ? grip >= HOLDS : d.length - stem.wide <= 0.2 + 1e-9;
  if (d.hidden >= d.number)
    return say('stop', 'All of them are hidden', `Hide at most ${d.number - 1} of ${d.number}.`);
  if (through ? d.length < least - 1e-9 : grip > 1 + 1e-9)
    return say('stop', 'It does not go in', `Make the ${d.opening} at least ${mm(least)}.`);
  if (all.length === 0)
    return say(
      'stop',
      'No room on top',
      `Keep ${FROM_FOLD} mm to every fold: the box needs to be wider than ${mm(2 * FROM_FOLD + d.length)}.`,
    );
  if (d.number > all.length)
    return say('stop', 'Too many openings', `At most ${all.length} go on ${box.name} with the card to hold.`);
  if (through)
    return d.length >= stem.wide
      ? say('care', 'It falls through', `A soft piece is held by a hole of less than ${mm(stem.wide)}.`)
      : say('clear', 'Held, and comes out with a squeeze', null);
  if (!cloth && inside > depth)
    return say('stop', 'It stands on the bottom', `Let it stand out by at least ${mm(stem.long - depth)}.`);
  if (!cloth && inside < 10)
    return say(
      'stop',
      'Nothing holds it',
      `Let at least 10 mm go in: stand out by ${mm(max(5, stem.long - 10))} at most.`,
    );
  if (
    (d.start === 'in' || d.hidden > 0) &&
    !cloth &&
    (along < HAND.length || across < HAND.width || depth < HAND.depth)
  )
    return say(
      'care',
      'No room for a hand inside',
      `To push pieces up again a hand needs ${HAND.length} × ${HAND.width} mm and ${HAND.depth} mm of depth.`,
    );
  if (d.opening === 'hole' && !holdsHere)
    return say(
      'care',
      'It falls through',
      `A hole holds only within 0.2 mm of the piece; a slit of ${mm(shortestSlit(stem) / 0.9)} grips it.`,
    );
  if (d.opening === 'slit' && grip < FALLS)
    return say(
      'care',
      'It falls out when the box is turned',
      `Shorten the slit to ${mm(shortestSlit(stem) / 0.9)}.`,
    );
  if (!holdsHere) return say('clear', 'Stands; falls when turned over', null);
  return say('clear', 'Stands and holds', null);
}

/** Where a hand takes hold: between its width and what stands out. Pulling against the grip asks force, told beside. */
const REACH = 200;
const HOLD: Record<Dials['tool'], number> = {
  fingers: 22,
  'fist on a peg': 12,
  'finger and thumb on a peg': 8,
  tweezers: 5,
};

/** One piece: reach the end that stands out; out again into the slit where the child puts it back. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { stem } = parts(at);
  const take: Move = { distance: REACH, tolerance: max(1, min(d.proud, HOLD[d.tool] + stem.thick)) };
  const room = d.opening === 'slit' ? (2 * d.length - girth(stem)) / 2 : d.length - stem.wide;
  const put: Move = { distance: REACH, tolerance: max(0.5, room), ways: stem.round ? 1 : 2, waysIn: 1 };
  // One that is hidden is found among the others first.
  const find: Move[] = d.hidden > 0 ? [{ distance: REACH, tolerance: REACH, choices: d.number }] : [];
  return d.start === 'in' ? [...find, take] : [...find, take, put];
}

/** What a whole hand closes round, mm: what stands out less is held by fewer fingers (common practice). */
const WHOLE_HAND = 60;

/** The less stands out, the fewer fingers hold it and the harder each pulls: at least two of them. */
export const beside = ({ dials: d }: At<Dials>): Beside => ({
  force: d.tool === 'fingers' ? 5 * min(4, WHOLE_HAND / max(1, min(WHOLE_HAND, d.proud))) : 2 * SQUEEZED,
});
