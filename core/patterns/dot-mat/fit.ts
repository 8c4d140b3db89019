import type { Move } from '../../challenge/bits.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm, sharedKinds } from '../making.ts';
import { dotsOf, kindsOf, parts, pieceWide, type Dials } from './dials.ts';

const { atan, max, PI } = Math;

/** Friction of a cap or a pom-pom on laminate (common practice): it slides when the tangent of the lean is more. */
const FRICTION = 0.3;
const SLIDES = (atan(FRICTION) * 180) / PI;

export interface Detail {
  readonly dots: number;
}
export const isPainted = (d: Dials): boolean => d.use === 'paint' || d.use === 'sticker';

/** A dab lies so thick, mm, and a ml of paint weighs so many grams (common practice for ready-mixed paint). */
const FILM = 0.3;
const PAINT_DENSITY = 1.3;

/** Grams of paint for so many dots of a diameter in mm. */
export const paintFor = (dots: number, dot: number): number =>
  (dots * (PI / 4) * dot * dot * FILM * PAINT_DENSITY) / 1000;

/** Where nothing that is chosen goes on a dot as it is used: what is wrong, and what to choose. */
const NOTHING: Readonly<Record<Dials['use'], readonly [string, string]>> = {
  loose: ['Nothing to lay on the dots', 'Choose caps, pom-poms or other pieces from the shelf.'],
  magnet: ['Nothing to lay on the dots', 'Choose pieces of metal, or with a magnet, from the shelf.'],
  sticker: ['No stickers are chosen', 'Choose stickers from the shelf, or lay loose pieces on the dots.'],
  paint: ['No paint is chosen', 'Choose paint from the shelf, or lay loose pieces on the dots.'],
};

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { page, tray, laminate } = parts(at);
  const kinds = kindsOf(at);
  const dots = dotsOf(d).length;
  const most = d.asked > 0 ? dotsOf({ ...d, asked: 0 }).length : dots;
  const wide = max(0, ...kinds.map(pieceWide));
  const facts: Fit['facts'] = [
    { id: 'dots', label: 'Dots', value: dots, unit: 'each', onMat: true },
    { id: 'mostDots', label: 'Most that go', value: most, unit: 'each', onMat: true },
    ...(isPainted(d)
      ? []
      : [{ id: 'over', label: 'Dot over the piece', value: d.dot - wide, unit: 'mm' as const, onMat: true }]),
    ...(kinds.length > 1
      ? sharedKinds(kinds, dots).map((k, i): Fact => ({
          id: `kind-${i + 1}`,
          label: k.material.name,
          value: k.count * (d.use === 'sticker' ? d.children : 1),
          unit: 'each',
        }))
      : []),
    ...(d.use === 'paint'
      ? [
          {
            id: 'paint',
            label: 'Paint for every page',
            value: Math.round(10 * paintFor(dots * d.children, d.dot)) / 10,
            unit: 'g' as const,
          },
        ]
      : []),
    ...(d.use === 'magnet'
      ? kinds.map((m, i): Fact => ({
          id: `flux-${i + 1}`,
          label: `Flux index of ${m.name.toLowerCase()}`,
          value: m.risks?.flux ?? 'not measured',
          ...(m.risks?.flux === undefined ? {} : { said: `${m.risks.flux} kG² mm²` }),
        }))
      : []),
    ...(d.use === 'loose'
      ? [{ id: 'slides', label: 'Slides from', value: Math.round(SLIDES * 10) / 10, unit: 'deg' as const }]
      : []),
  ];
  const say = answers(facts, { dots });
  const [w, h] = [page.sizes.width ?? 0, page.sizes.length ?? 0];
  if (d.longest > Math.min(w, h))
    return say('stop', 'Larger than the page', `The outline can be at most ${mm(Math.min(w, h))}.`);
  if (dots === 0) return say('stop', 'No dot goes in', 'Make the outline larger or the dots smaller.');
  if (d.asked > dots)
    return say(
      'stop',
      'Not all dots go in',
      `At most ${most} go; smaller dots, less between them, or fewer.`,
    );
  if (kinds.length === 0) return say('stop', ...NOTHING[d.use]);
  if (!isPainted(d) && wide > d.dot + d.gap)
    return say(
      'stop',
      'Pieces push each other off',
      `They are ${mm(wide)} wide: put at least ${mm(wide - d.dot)} between two dots.`,
    );
  if (d.use === 'magnet' && !kinds.every((m) => m.hazards.includes('magnet') || m.materialClass === 'metal'))
    return say(
      'stop',
      'The pieces do not hold',
      'Magnets are wanted on the dots; choose a piece of metal or one with a magnet.',
    );
  if (d.use === 'magnet' && tray && tray.materialClass !== 'metal')
    return say(
      'care',
      'The tray does not hold a magnet',
      'Use a steel tray; aluminium, card and plastic do not hold it.',
    );
  if (tray) {
    const inside = [
      tray.sizes.diameter ?? tray.sizes.length ?? 0,
      tray.sizes.diameter ?? tray.sizes.width ?? 0,
    ];
    if (Math.max(...inside) < Math.max(w, h) || Math.min(...inside) < Math.min(w, h))
      return say(
        'care',
        'The page does not lie flat',
        `${tray.name} is smaller than the page: trim it, or use a larger tray.`,
      );
  }
  const unmeasured = d.use === 'magnet' ? kinds.filter((m) => m.risks?.flux === undefined) : [];
  if (unmeasured.length > 0)
    return say(
      'care',
      'How strong the magnet is has not been measured',
      `${unmeasured.map((m) => m.name).join(', ')}: put its flux index on the shelf; until then nobody knows whether it holds, and a strong one that is swallowed injures.`,
    );
  if (isPainted(d) && laminate)
    return say(
      'care',
      'Paint does not soak in',
      'Leave the laminate out: plain paper or card for paint and stickers.',
    );
  if (d.use === 'loose' && d.tilt > SLIDES)
    return say(
      'care',
      'Pieces slide off',
      `They slide from ${SLIDES.toFixed(0)}° on; lean it less, or use magnets.`,
    );
  if (!isPainted(d) && wide > d.dot)
    return say('care', 'Pieces hide their dots', `Make the dots at least ${mm(wide)}.`);
  return say('clear', 'Every dot has its place', null);
}

/** From the bowl to the page, mm (common practice). */
const REACH = 220;

/** One dot: take a piece, set it on a dot; which one follows from the key, or from what is still empty. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const kinds = kindsOf(at);
  const wide = max(3, ...kinds.map(pieceWide));
  const keyed = kinds.length > 1 && d.colours !== 'free';
  const take: Move = {
    distance: REACH,
    tolerance: isPainted(d) ? 12 : wide,
    ...(keyed ? { choices: kinds.length } : {}),
  };
  return [
    take,
    {
      distance: REACH,
      tolerance: max(2, d.dot / 2 + d.gap / 2),
      ...(keyed ? { choices: kinds.length } : {}),
    },
  ];
}
