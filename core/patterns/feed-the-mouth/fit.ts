import type { Move } from '../../challenge/bits.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { mouthOf, parts, type Dials } from './dials.ts';
import { lensOf, longestSlit, loopOf, shortestSlit, type Loop } from './mouth.ts';

const { floor, max, min, round } = Math;

/** From here on a child of about four has to use both hands (common practice); weaker balls first. */
const FIRM = 35;

export interface Detail {
  readonly loops: readonly Loop[];
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d, ageFrom } = at;
  const { ball, items } = parts(at);
  const mouth = mouthOf(ball, d);
  const loops = items.map((m) => loopOf(m, mouth));
  const worst = loops.reduce((a, b) => (b.spare < a.spare ? b : a));
  const tightest = items[loops.indexOf(worst)]!;
  const full = min(...loops.map((l) => l.fullAfter));
  const lens = lensOf(mouth);
  const facts: Fact[] = [
    {
      id: 'goesIn',
      label: 'Goes in',
      value: worst.goesIn ? 1 : 0,
      said: worst.goesIn ? 'yes' : 'no',
      onMat: true,
    },
    { id: 'fullAfter', label: 'Full after', value: full, unit: 'each', onMat: true },
    { id: 'girth', label: 'Round the piece', value: worst.girth, unit: 'mm', onMat: true },
    { id: 'loop', label: 'The slit opens to', value: 2 * d.slit, unit: 'mm', onMat: true },
    { id: 'opening', label: 'Squeezed mouth', value: round(lens.opening * 10) / 10, unit: 'mm' },
    { id: 'spare', label: 'Room over the piece', value: worst.spare, unit: 'mm' },
    { id: 'longestSlit', label: 'Longest slit', value: floor(longestSlit(mouth)), unit: 'mm' },
    ...(d.force > 0
      ? [{ id: 'force', label: 'Squeeze', value: d.force, unit: 'N', byHand: true } as const]
      : []),
  ];
  const say = answers(facts, { loops });
  if (d.slit > longestSlit(mouth) + 1e-6)
    return say(
      'stop',
      'The slit is too long: it folds shut',
      `At most a third of the girth, ${mm(floor(longestSlit(mouth)))}.`,
    );
  if (!worst.goesIn) {
    const least = shortestSlit(tightest, mouth);
    return say(
      'stop',
      `${tightest.name} does not go in`,
      least === null
        ? 'No slit this ball can carry lets it in: a larger ball, or smaller pieces.'
        : `Cut the slit at least ${mm(least)} long.`,
    );
  }
  if (full === 0)
    return say(
      'stop',
      'It is longer than the inside',
      'A stiff piece must lie inside: a larger ball, or shorter pieces.',
    );
  if (d.pieces > full)
    return say(
      'care',
      `Full after ${full}`,
      `${d.pieces} pieces do not go in: at most ${full}, or empty it between.`,
    );
  if (d.dice > 0 && full < 6 * d.dice)
    return say(
      'care',
      'The dice ask for more than go in',
      `${d.dice === 1 ? 'A die asks' : 'Two dice ask'} for up to ${6 * d.dice}; it is full after ${full}: use flatter pieces, or empty it between.`,
    );
  if (worst.spare < 1) return say('care', 'It goes in tightly', 'A slit a little longer is easier to feed.');
  if (d.force > FIRM && !d.crossed && ageFrom < 60)
    return say(
      'care',
      'A firm ball',
      `${d.force} N is much for small hands: a weaker ball first, or a second slit across.`,
    );
  return say('clear', d.goal === 'feed' ? 'Opens, and takes it in' : 'Comes out with a pull', null);
}

/** From the table to the mouth, mm (common practice). */
const REACH = 250;

/** One piece: taken, the mouth squeezed open, and put in; or a cloth gripped and pulled out. */
export function moves(at: At<Dials>, { detail }: Fit<Detail>): Move[] {
  const { dials: d } = at;
  const { items, ball } = parts(at);
  const spare = max(0.5, min(...detail.loops.map((l) => l.spare)));
  const lens = lensOf(mouthOf(ball, d));
  const choices = items.length;
  if (d.goal === 'pull out')
    return [
      { distance: REACH, tolerance: max(2, lens.chord / 2) },
      { distance: REACH, tolerance: REACH / 2 },
    ];
  return [
    { distance: REACH, tolerance: 25, ...(choices > 1 ? { choices } : {}) },
    { distance: REACH, tolerance: spare },
  ];
}
