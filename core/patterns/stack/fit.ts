import type { Move } from '../../challenge/bits.ts';
import { massOfOne } from '../../catalogue/entry.ts';
import type { Material } from '../../materials/material.ts';
import type { At, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { isTube, parts, ringOf, type Dials } from './dials.ts';

const { atan, max, min, floor, PI } = Math;

/** Most cuts of a height from a tube, n·h + (n − 1)·k ≤ L: 7 of 38 and 5 of 51 from 279 with 1 lost a cut. */
const perTube = (length: number, height: number, loss: number): number =>
  floor((length + loss) / (height + loss) + 1e-9);

/** Where nobody weighed it: grams for a cubic centimetre of what it is made of (handbook values, from memory). */
const DENSITY: Partial<Record<Material['materialClass'], number>> = { wood: 0.6, metal: 7.8, card: 0.7 };

/** Mass of a part, g: as weighed, else from its class and a hollow shell of its sizes. */
function massOf(m: Material): number {
  const known = massOfOne(m);
  if (known !== null) return known;
  const { length = 0, width = 0, height = 0, diameter, wall = 1 } = m.sizes;
  const cubic =
    diameter !== undefined
      ? m.form === 'tube'
        ? PI * diameter * wall * length
        : m.form === 'disc'
          ? (PI / 4) * diameter ** 2 * wall
          : (PI / 4) * diameter ** 2 * max(length, height)
      : length * width * (m.form === 'sheet' ? wall : height);
  return max(1, (cubic / 1000) * (DENSITY[m.materialClass] ?? 1));
}

/** Standard gravity, m/s² (ISO 80000-3). */
const G = 9.80665;

export interface Tipping {
  /** Angle at which it falls over, degrees. */
  readonly angle: number;
  /** Sideways push at the top that tips it, N. */
  readonly push: number;
}

/**
 * When a post on a round foot tips: at atan(r / h) with its centre of mass h up, and from a push at the top H of
 * m·g·r / H.
 *
 * @param options.radius of the foot, mm
 * @param options.bodies mass (g) and height of the middle (mm) of each thing that stands on it
 * @param options.top height of the push, mm
 * @example tipping({ radius: 50, top: 200, bodies: [{ mass: 100, height: 50 }] }) // => { angle: 45, push: 0.2452 }
 */
export function tipping(options: {
  radius: number;
  top: number;
  bodies: readonly { readonly mass: number; readonly height: number }[];
}): Tipping {
  const mass = options.bodies.reduce((n, b) => n + b.mass, 0);
  const h = options.bodies.reduce((n, b) => n + b.mass * b.height, 0) / max(1e-9, mass);
  return {
    angle: (atan(options.radius / max(1e-9, h)) * 180) / PI,
    push: ((mass / 1000) * G * options.radius) / max(1e-9, options.top),
  };
}

/** The foot's radius and height, mm: half of the base's shorter way, or of the post where it has none. */
export function foot(at: At<Dials>): { radius: number; height: number } {
  const { base, thick } = parts(at);
  if (!base) return { radius: thick / 2, height: 0 };
  const { diameter, length = 0, width = 0, height, wall = 1 } = base.sizes;
  return {
    radius: (diameter ?? min(length, width)) / 2,
    height: base.form === 'sheet' ? wall : (height ?? wall),
  };
}

export interface Detail {
  readonly perTube: number;
  readonly stack: number;
  readonly tipping: Tipping;
}

/** A lean under this is met by a knock of a sleeve (common practice). */
const STANDS = 20;
/** A sideways push under this, N, comes from a ring that is set down beside the post (common practice). */
const TOUCH = 0.5;
/** Rings with more room than this over the post lean on it, mm (common practice). */
const LOOSE = 20;

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { part, post, base, thick, long } = parts(at);
  const ring = ringOf(at);
  const stack = d.number * ring.height;
  const under = foot(at);
  const rings = (stack * ring.outer * PI * ((ring.outer - ring.hole) / 2) * 0.7) / 1000;
  const detail: Detail = {
    perTube: isTube(part) ? perTube(part.sizes.length!, d.height, d.loss) : 0,
    stack,
    tipping: tipping({
      radius: under.radius,
      top: under.height + d.post,
      bodies: [
        { mass: massOf(post) * (d.post / max(1, long)), height: under.height + d.post / 2 },
        { mass: (base ? massOf(base) : 0) + d.weight, height: under.height / 2 },
        {
          mass: isTube(part) ? (massOf(part) * stack) / part.sizes.length! : rings,
          height: under.height + stack / 2,
        },
      ],
    }),
  };
  const over = ring.hole - thick;
  const facts: Fit['facts'] = [
    { id: 'room', label: 'Hole over the post', value: over, unit: 'mm', onMat: true },
    { id: 'stack', label: 'All rings', value: stack, unit: 'mm', onMat: true },
    {
      id: 'tipsAt',
      label: 'Tips at',
      value: Math.round(detail.tipping.angle * 10) / 10,
      unit: 'deg',
      onMat: true,
    },
    ...(isTube(part)
      ? [{ id: 'perTube', label: 'Cuts from one tube', value: detail.perTube, unit: 'each' as const }]
      : []),
    { id: 'push', label: 'Push that tips it', value: Math.round(detail.tipping.push * 100) / 100, unit: 'N' },
    { id: 'left', label: 'Post above the rings', value: d.post - stack, unit: 'mm' },
  ];
  const say = answers(facts, detail);
  if (d.post > long + 1e-9) return say('stop', 'The post is not that long', `${post.name} is ${mm(long)}.`);
  if (isTube(part) && d.height > part.sizes.length!)
    return say('stop', 'The tube is too short', `A cut can be at most ${mm(part.sizes.length!)} high.`);
  if (!isTube(part) && d.hole > d.outer - 8)
    return say('stop', 'Nothing is left of the ring', `Make it at least ${mm(d.hole + 8)} across.`);
  if (over < 1)
    return say('stop', 'The rings do not go over', `The hole needs ${mm(1 - over)} more than it has.`);
  if (stack > d.post - 30)
    return say(
      'stop',
      'The stack is higher than the post',
      `Use ${Math.max(0, Math.floor((d.post - 30) / ring.height))} rings, or a post of ${mm(stack + 30)}: the top 30 mm are to hold.`,
    );
  if (under.radius * 2 <= ring.hole)
    return say('stop', 'The rings slip over the foot', `The base must be wider than ${mm(ring.hole)}.`);
  if (d.shows === 'letters' && [...d.word.replaceAll(' ', '')].length !== d.number)
    return say(
      'care',
      'Letters and rings do not match',
      `The word has ${[...d.word.replaceAll(' ', '')].length} letters; there are ${d.number} rings.`,
    );
  if (over < 8) return say('care', 'Close: the rings catch', 'Give the hole 10 to 15 mm over the post.');
  if (detail.tipping.angle < STANDS || detail.tipping.push < TOUCH)
    return say(
      'care',
      'Tips over at a touch',
      'Hold it while it is used, or give it a wider or heavier base or a shorter post.',
    );
  if (over > LOOSE) return say('clear', 'Loose: the rings go on easily and lean', null);
  return say('clear', 'Stacks and stands', null);
}

/** From the tray to the top of the post, mm (common practice). */
const REACH = 220;

/** One ring: pick it up, bring its hole over the post; in order, one of those left has to be found. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { thick } = parts(at);
  const ring = ringOf(at);
  const ordered = d.shows !== 'plain';
  return [
    { distance: REACH, tolerance: max(5, ring.outer) },
    {
      distance: REACH,
      tolerance: max(0.5, ring.hole - thick),
      ...(ordered ? { choices: max(1, Math.ceil((d.number + 1) / 2)), ways: 2, waysIn: 1 } : {}),
    },
  ];
}
