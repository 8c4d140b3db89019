import type { Move } from '../../challenge/bits.ts';
import type { Beside } from '../../challenge/load.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { parts, PATTERNS, springsOf, STIFF, type Dials } from './dials.ts';

const { floor, max, min } = Math;

/** Most pegs that go round a rim on its outside, with room between two. */
const pegsRound = (rim: number, wide: number, gap: number): number => floor(rim / (wide + gap) + 1e-9);

/** Pegs for rims with 1 to k spots: k(k + 1)/2, so three plates take exactly 6. */
const pegsFor = (k: number): number => (k * (k + 1)) / 2;

/** The colours round the rim in turn, by number; a growing pattern has one more of the second each time. */
export function colours(d: Dials, n: number, kinds = 2): number[] {
  if (d.pattern === 'growing') {
    const out: number[] = [];
    for (let run = 1; out.length < n; run++) out.push(0, ...Array.from({ length: run }, () => 1));
    return out.slice(0, n);
  }
  if (d.pattern === 'matching') return Array.from({ length: n }, (_, i) => i % kinds);
  const { unit } = PATTERNS[d.pattern];
  return Array.from({ length: n }, (_, i) => unit[i % unit.length]!);
}

/** How many of each colour a kit needs. */
export function perColour(at: At<Dials>): number[] {
  const { kinds } = parts(at);
  const count = kinds.map(() => 0);
  const list = colours(at.dials, pegsNeeded(at.dials), kinds.length);
  // With one pattern colour all kinds are shared out; with several each has its own.
  list.forEach((c, i) => {
    count[at.dials.pattern === 'free' ? i % kinds.length : min(c, kinds.length - 1)]! += 1;
  });
  return count;
}

export const pegsNeeded = (d: Dials): number => (d.counting > 0 ? pegsFor(d.counting) : d.number);
/** Most pegs on any one rim. */
const onOneRim = (d: Dials): number => (d.counting > 0 ? d.counting : d.number);

export interface Detail {
  readonly round: number;
}
/** A rim must be as deep as a peg bites, mm (common practice). */
const BITE = 15;

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { rim, kinds, wide, length, deep } = parts(at);
  const round = pegsRound(length, wide, d.gap);
  const thick = (rim.sizes.wall ?? 1) * d.layers;
  const one = onOneRim(d);
  const { unit } = PATTERNS[d.pattern];
  const springs = springsOf(at);
  const bySpring = kinds
    .flatMap((m, i): [string, number][] => (springs[i] === null ? [] : [[m.name, springs[i]!]]))
    .sort((a, b) => a[1] - b[1]);
  const facts: Fit['facts'] = [
    { id: 'pegsRound', label: 'Pegs that go round', value: round, unit: 'each', onMat: true },
    { id: 'pegsNeeded', label: 'Pegs needed', value: pegsNeeded(d), unit: 'each', onMat: true },
    { id: 'bite', label: 'Jaw over the rim', value: d.jaw - thick, unit: 'mm', onMat: true },
    { id: 'left', label: 'Places left on the rim', value: max(0, round - one), unit: 'each' },
    ...(kinds.length > 1
      ? perColour(at).map((n, i): Fact => ({
          id: `kind-${i + 1}`,
          label: kinds[i]!.name,
          value: n,
          unit: 'each',
        }))
      : []),
    ...(bySpring.length > 1
      ? [
          {
            id: 'springs',
            label: 'Weakest first, within this set',
            value: bySpring.map(([name, n]) => `${name} ${n} N`).join(', '),
          },
        ]
      : []),
    { id: 'rim', label: 'Round the rim', value: Math.round(length), unit: 'mm' },
  ];
  const say = answers(facts, { round });
  if (one > round)
    return say(
      'stop',
      'Too many pegs for the rim',
      `At most ${round} go round; ${one} are wanted. Less room between two, or a larger rim.`,
    );
  if (thick >= d.jaw)
    return say(
      'stop',
      'The jaw does not go over',
      `The rim is ${mm(thick)} thick; the jaw opens ${mm(d.jaw)}.`,
    );
  if (deep < BITE)
    return say('stop', 'The rim is too shallow', `A peg bites ${BITE} mm; ${rim.name} has ${mm(deep)}.`);
  if (thick < STIFF && rim.form !== 'container')
    return say('care', 'The rim bends', 'Hold two together, or double the card.');
  if (
    d.pattern !== 'free' &&
    d.pattern !== 'growing' &&
    d.pattern !== 'matching' &&
    d.counting === 0 &&
    d.number % unit.length !== 0
  )
    return say(
      'care',
      'The pattern does not close',
      `${d.pattern} repeats every ${unit.length}: use ${d.number - (d.number % unit.length)} or ${d.number - (d.number % unit.length) + unit.length} pegs.`,
    );
  return say('clear', 'Bites and holds', null);
}

/** From the basket to the rim, mm (common practice). */
const REACH = 200;
/** Mouth of the basket, mm (common practice). */
const BASKET = 120;

/** One peg: take it, press it open, set it on its place; the colour that comes next has to be chosen. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { rim, kinds, wide } = parts(at);
  const choices = d.pattern === 'free' ? 1 : kinds.length;
  const thick = (rim.sizes.wall ?? 1) * d.layers;
  // Taking off asks for no place: press, pull, let go over the basket.
  if (d.way !== 'on')
    return [
      {
        distance: REACH,
        tolerance: max(5, wide),
        ...(d.way === 'off by colour' ? { choices: kinds.length } : {}),
      },
      { distance: REACH, tolerance: BASKET },
    ];
  return [
    { distance: REACH, tolerance: max(5, wide), choices },
    { distance: REACH, tolerance: max(0.5, d.jaw - thick) },
    // Beside the one before: where they touch, each stands in the way of the next.
    { distance: max(wide, d.gap), tolerance: max(1, d.gap) },
    ...(d.counting > 1 && d.mixed ? [{ distance: REACH, tolerance: REACH * 2, choices: d.counting }] : []),
  ];
}

/** Pegs round the rim are kept in view to see where the next goes; a stiff spring asks for force. */
export function beside(at: At<Dials>): Beside {
  const stiff = max(0, ...springsOf(at).map((n) => n ?? 0));
  return { attend: at.dials.number, ...(stiff > 0 ? { force: stiff } : {}) };
}
