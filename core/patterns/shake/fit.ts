import { massOfOne } from '../../catalogue/entry.ts';
import type { Move } from '../../challenge/bits.ts';
import type { Material } from '../../materials/material.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { fillerSize, filledOf, parts, staplesFor, type Dials } from './dials.ts';
import { countIn, insideOf } from './filling.ts';

const { max, min, PI, round } = Math;

/** A band holds when it is stretched from so much of the tube's girth, and does not break from so little (common practice). */
const BAND = [1 / 3, 4 / 5] as const;
export const BANDS_AN_END = 2;

/** What goes into one shaker of each filler. */
export interface Filling {
  readonly material: Material;
  readonly count: number;
  /** g, where the mass of one is known. */
  readonly mass: number | null;
}

export function fillings(at: At<Dials>): Filling[] {
  const { body, fillers } = parts(at);
  return fillers.map((material) => {
    const count = countIn(body, material, at.dials.full);
    const one = massOfOne(material);
    return { material, count, mass: one === null ? null : one * count };
  });
}

/** Side of the square of paper that caps a tube, mm: its round with what stands over the edge. */
export const capSide = (d: Pick<Dials, 'overlap'>, across: number): number => across + 2 * d.overlap;

/** Tape once round the seam and a little over itself, mm. */
export const tapeRound = (across: number): number => round(PI * across + 20);

export interface Detail {
  readonly leastStaples: number;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d, ageFrom } = at;
  const { body, kind, across, fillers, cap, band, tape } = parts(at);
  const { count: leastStaples } = staplesFor(d, across, fillers);
  const gap = (PI * max(10, across - 2 * d.rim)) / d.staples - d.stapleWidth;
  const fills = fillings(at);
  const stapled = kind === 'plates' && d.seal === 'staples';
  const [first] = fills;
  const heavier =
    fills.length > 1
      ? [...fills].sort((a, b) => (massOfOne(b.material) ?? 0) - (massOfOne(a.material) ?? 0))
      : [];
  const facts: Fact[] = [
    ...(stapled
      ? ([
          { id: 'leastStaples', label: 'Staples at least', value: leastStaples, unit: 'each', onMat: true },
          { id: 'gap', label: 'Gap between staples', value: max(0, gap), unit: 'mm', onMat: true },
        ] as const)
      : []),
    ...(kind === 'tube'
      ? ([
          { id: 'capSide', label: 'Side of a cap', value: capSide(d, across), unit: 'mm', onMat: true },
        ] as const)
      : []),
    ...(kind === 'tube' && band
      ? ([
          {
            id: 'stretch',
            label: 'Band, of the tube’s girth',
            value: (band.sizes.length ?? 0) / (PI * across),
          },
        ] as const)
      : []),
    ...(kind === 'plates' && d.seal === 'tape'
      ? ([
          { id: 'tape', label: 'Tape round the seam', value: tapeRound(across), unit: 'mm', onMat: true },
        ] as const)
      : []),
    {
      id: 'fillerVolume',
      label: 'Filler',
      value: round((insideOf(body) * d.full) / 1e4) / 10,
      unit: 'ml',
      onMat: true,
    },
    {
      id: 'fillerCount',
      label: `${first!.material.name}, about`,
      value: first!.count,
      unit: 'each',
      onMat: true,
    },
    ...(first!.mass === null
      ? []
      : [{ id: 'fillerMass', label: 'Its mass', value: round(first!.mass), unit: 'g' } as const]),
    ...(heavier.length > 1
      ? ([
          { id: 'louder', label: 'Louder', value: heavier[0]!.material.name },
          { id: 'softer', label: 'Softer', value: heavier[1]!.material.name },
        ] as const)
      : []),
  ];
  const say = answers(facts, { leastStaples });
  const least = min(...fillers.map((m) => fillerSize(m).least));
  const long = max(...fillers.map((m) => fillerSize(m).long));
  if (stapled && d.staples < leastStaples)
    return say(
      'stop',
      'The filler comes out between two staples',
      `With ${d.staples} the gap is ${mm(gap)}, the filler ${mm(least)}: at least ${leastStaples} staples, or a band of tape all round.`,
    );
  if (kind === 'plates' && d.seal === 'tape' && !tape)
    return say('stop', 'No tape for the seam', 'Choose tape from the shelf, or close it with staples.');
  if (kind === 'tube') {
    if (!cap) return say('stop', 'No paper for the caps', 'Choose a sheet from the shelf.');
    const { length = 0, width = 0 } = cap.sizes;
    if (capSide(d, across) > min(length, width) + 1e-6)
      return say(
        'stop',
        'The cap is larger than its sheet',
        `${cap.name} gives squares of up to ${mm(min(length, width))}: less over the edge, or a larger sheet.`,
      );
    if (!band && !tape) return say('stop', 'Nothing holds the caps', 'Choose bands or tape from the shelf.');
    if (band) {
      const share = (band.sizes.length ?? 0) / (PI * across);
      if (share > BAND[1])
        return say(
          'stop',
          'The band is too loose',
          `It is ${mm(band.sizes.length ?? 0)} round, the tube ${mm(PI * across)}: at most ${mm(PI * across * BAND[1])}.`,
        );
      if (share < BAND[0])
        return say(
          'care',
          'The band may break',
          `It is stretched more than three times: at least ${mm(PI * across * BAND[0])} round.`,
        );
    }
  }
  if (long >= d.mouth)
    return say('stop', 'The filler does not go in', `It is ${mm(long)} long: leave more than that open.`);
  if (d.full < 20 || d.full > 40)
    return say(
      'care',
      d.full < 20 ? 'Little to hear' : 'It hardly moves',
      'A quarter to a third full rattles best.',
    );
  if (filledOf(at) !== d.filled)
    return say(
      'care',
      'Too many to put in by hand: they are poured',
      `${first!.count} of ${first!.material.name} would take about ${round((first!.count * 3) / 60)} minutes one by one: choose a larger filler, or pour it.`,
    );
  if (ageFrom < 36)
    return say(
      'care',
      'Under three only after a pull test',
      'Pull at the seal with 90 N for 10 s, shake it hard, and look again; without that, from three years on.',
    );
  return say('clear', 'Closed, and it rattles', null);
}

/** From the bowl to the mouth, mm (common practice). */
const REACH = 200;
/** From the palm to the fingertips, mm (common practice). */
const IN_HAND = 60;

/** One piece put in, or a cup of them poured. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { fillers } = parts(at);
  const { long, least } = fillerSize(fillers[0]!);
  const filled = filledOf(at);
  if (filled === 'poured') return [{ distance: REACH, tolerance: d.mouth }];
  return [
    { distance: REACH, tolerance: max(2, long) },
    ...(filled === 'from the hand' ? [{ distance: IN_HAND, tolerance: max(2, least), choices: 3 }] : []),
    { distance: REACH, tolerance: max(1, d.mouth - long) },
  ];
}
