import { widestRod } from '../passage/opening.ts';
import { atLeast, atMost, mm, type Judge } from './judging.ts';

/** A rod of this goes in means that a small finger does, mm. */
const FINGER = 6;
/** The text speaks of sheet thinner than this, mm. */
const THIN = 1.58;
/** An opening so many times as long as it is wide rings no finger: the text speaks of round holes. */
const LONG = 2;

/** Whether an opening is about as wide as it is long, so that it can ring a finger. */
function isRing(opening: Parameters<typeof widestRod>[0]): boolean {
  switch (opening.kind) {
    case 'slot':
      return Math.max(opening.length, opening.width) < LONG * Math.min(opening.length, opening.width);
    default:
      return true;
  }
}

export const opening: Judge<'opening'> = (f, on) => {
  const rule = f.sheet === 'rigid' ? on.rule('finger') : null;
  if (!rule) return;
  const rod = widestRod(f.opening);
  const said = { where: f.where, measured: atLeast(rod, rule.limit) };
  if (rod >= rule.limit)
    return on.clear(rule, {
      ...said,
      words: `A rod of ${mm(rod)} goes in: a finger that goes in comes out again.`,
    });
  if (rod < FINGER)
    return on.clear(rule, {
      words: `No rod over ${mm(rod)} goes in: a small finger does not either.`,
      where: f.where,
      measured: atMost(rod, FINGER),
    });
  const words = `A rod of ${mm(rod)} goes in, one of ${mm(rule.limit)} does not: a finger can get stuck.`;
  if (!isRing(f.opening))
    return on.care(rule, { ...said, words: `${words} The text speaks of round holes, this one is long.` });
  if ((f.thick ?? 0) >= THIN)
    return on.care(rule, {
      ...said,
      words: `${words} The text speaks of sheet under ${THIN} mm, this one is thicker.`,
    });
  on.broken(rule, { ...said, words });
};

/** Narrower than this no finger lies in it, mm. */
const PINCH = 5;

export const movingGap: Judge<'moving gap'> = (f, on) => {
  const rule = on.rule('moving-gap');
  if (!rule) return;
  const said = { title: `Gap that opens and closes: ${f.where}`, where: f.where };
  const range = `It opens from ${mm(f.from)} to ${mm(f.to)}`;
  if (f.to < PINCH || f.from > rule.limit)
    return on.clear(rule, { ...said, words: `${range}: no finger is pinched.` });
  on.broken(rule, {
    ...said,
    words: `${range}: between ${mm(PINCH)} and ${mm(rule.limit)} it pinches a finger.`,
    measured: atMost(f.to, PINCH),
  });
};

export const cord: Judge<'cord'> = (f, on) => {
  const length = on.rule('cord');
  if (length) {
    const measured = atMost(f.free, length.limit);
    if (f.free <= length.limit)
      on.clear(length, {
        words: `${f.name}: ${mm(f.free)} free, at most ${mm(length.limit)} allowed.`,
        where: f.name,
        measured,
      });
    else {
      const isOlder = on.youngest >= (length.below ?? Infinity);
      on.broken(length, {
        words: isOlder
          ? `${f.name}: ${mm(f.free)} free. Allowed from ${length.below} months, never round a neck.`
          : `${f.name}: ${mm(f.free)} free, over ${mm(length.limit)}.`,
        where: f.name,
        measured,
      });
    }
  }
  const loop = on.rule('loop');
  if (loop && f.loop > loop.limit)
    on.broken(loop, {
      words: `${f.name}: a loop of ${mm(f.loop)} goes over a head.`,
      where: f.name,
      measured: atMost(f.loop, loop.limit),
    });
  const tangle = f.carries ? on.rule('cord-tangle') : null;
  if (tangle && f.free > tangle.limit)
    on.broken(tangle, {
      words: `${f.name}: ${mm(f.free)} free with something at its end: it can tangle to a noose.`,
      where: f.name,
      measured: atMost(f.free, tangle.limit),
    });
  const knot = on.rule('knot');
  if (knot && (f.knots ?? 0) > 0)
    on.care(knot, {
      words: `${f.name}: ${f.knots} ${f.knots === 1 ? 'knot' : 'knots'}${f.tails ? `, tails of ${mm(f.tails)}` : ''}. What is untied is loose.`,
      where: f.name,
    });
};

export const bag: Judge<'bag'> = (f, on) => {
  const mouth = on.rule('bag-mouth');
  const over = mouth && f.mouth > mouth.limit && !f.airy;
  if (mouth) {
    const said = { where: f.name, measured: atMost(f.mouth, mouth.limit) };
    if (over)
      on.broken(mouth, {
        ...said,
        words: `${f.name}: its mouth is ${mm(f.mouth)} round and goes over a head.`,
      });
    else
      on.clear(mouth, {
        ...said,
        words: f.airy
          ? `${f.name}: of cloth, which lets air through.`
          : `${f.name}: its mouth is ${mm(f.mouth)} round, too narrow for a head.`,
      });
  }
  const film = on.rule('bag-film');
  if (film && over && f.film !== null) {
    const thick = (x: number): string => `${Math.round(x * 1000) / 1000} mm`;
    const said = { where: f.name, measured: atLeast(f.film, film.limit) };
    if (f.film < film.limit)
      on.broken(film, { ...said, words: `${f.name}: film of ${thick(f.film)} clings to a face.` });
    else
      on.clear(film, {
        ...said,
        words: `${f.name}: film of ${thick(f.film)}, at least ${thick(film.limit)} is asked.`,
      });
  }
  const string = on.rule('drawstring');
  if (string && f.drawstring > string.limit)
    on.broken(string, {
      words: `${f.name}: its drawstring is ${mm(f.drawstring)} long.`,
      where: f.name,
      measured: atMost(f.drawstring, string.limit),
    });
};

/** Up to this width a cup closes over mouth and nose, and from this depth, mm. */
const WIDEST = 102;
const DEEP = 13;

export const hollow: Judge<'hollow'> = (f, on) => {
  const rule = on.rule('hollow');
  if (!rule || f.depth <= DEEP || f.mouth < rule.limit || f.mouth > WIDEST) return;
  if (on.youngest >= (rule.below ?? Infinity))
    return on.clear(rule, {
      words: `${f.name}: a cup that the text asks about under ${rule.below} months only.`,
      where: f.name,
    });
  on.broken(rule, {
    words: `${f.name}: ${mm(f.mouth)} across and ${mm(f.depth)} deep, it can lie over mouth and nose and hold by suction.`,
    where: f.name,
    measured: atMost(f.mouth, rule.limit),
  });
};
