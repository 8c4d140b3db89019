import { widestRod } from '../passage/opening.ts';
import { atLeast, atMost, mm, type Judge } from './judging.ts';
import { text } from './words.ts';

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
      words: text(on, 'rodGoesIn', { rod: mm(rod) }),
    });
  if (rod < FINGER)
    return on.clear(rule, {
      words: text(on, 'noRodOver', { rod: mm(rod) }),
      where: f.where,
      measured: atMost(rod, FINGER),
    });
  const words = text(on, 'fingerCanGetStuck', { rod: mm(rod), limit: mm(rule.limit) });
  if (!isRing(f.opening))
    return on.care(rule, { ...said, words: `${words} ${text(on, 'textOfRoundHoles')}` });
  if ((f.thick ?? 0) >= THIN)
    return on.care(rule, {
      ...said,
      words: `${words} ${text(on, 'textOfThinSheet', { thin: THIN })}`,
    });
  on.broken(rule, { ...said, words });
};

/** Narrower than this no finger lies in it, mm. */
const PINCH = 5;

export const movingGap: Judge<'moving gap'> = (f, on) => {
  const rule = on.rule('moving-gap');
  if (!rule) return;
  const said = { title: text(on, 'gapOpensCloses', { where: f.where }), where: f.where };
  const range = { from: mm(f.from), to: mm(f.to) };
  if (f.to < PINCH || f.from > rule.limit)
    return on.clear(rule, { ...said, words: text(on, 'noFingerIsPinched', range) });
  on.broken(rule, {
    ...said,
    words: text(on, 'pinchesAFinger', { ...range, least: mm(PINCH), limit: mm(rule.limit) }),
    measured: atMost(f.to, PINCH),
  });
};

export const cord: Judge<'cord'> = (f, on) => {
  const length = on.rule('cord');
  if (length) {
    const measured = atMost(f.free, length.limit);
    if (f.free <= length.limit)
      on.clear(length, {
        words: text(on, 'cordWithin', { name: f.name, free: mm(f.free), limit: mm(length.limit) }),
        where: f.name,
        measured,
      });
    else {
      const isOlder = on.youngest >= (length.below ?? Infinity);
      on.broken(length, {
        words: isOlder
          ? text(on, 'cordOverAllowedFrom', { name: f.name, free: mm(f.free), below: length.below! })
          : text(on, 'cordOver', { name: f.name, free: mm(f.free), limit: mm(length.limit) }),
        where: f.name,
        measured,
      });
    }
  }
  const loop = on.rule('loop');
  if (loop && f.loop > loop.limit)
    on.broken(loop, {
      words: text(on, 'loopOverHead', { name: f.name, loop: mm(f.loop) }),
      where: f.name,
      measured: atMost(f.loop, loop.limit),
    });
  const tangle = f.carries ? on.rule('cord-tangle') : null;
  if (tangle && f.free > tangle.limit)
    on.broken(tangle, {
      words: text(on, 'cordCanTangle', { name: f.name, free: mm(f.free) }),
      where: f.name,
      measured: atMost(f.free, tangle.limit),
    });
  const knot = on.rule('knot');
  if (knot && (f.knots ?? 0) > 0)
    on.care(knot, {
      words: text(on, 'knots', { name: f.name, knots: f.knots!, tails: f.tails ? mm(f.tails) : 'none' }),
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
        words: text(on, 'bagOverHead', { name: f.name, mouth: mm(f.mouth) }),
      });
    else
      on.clear(mouth, {
        ...said,
        words: f.airy
          ? text(on, 'bagOfCloth', { name: f.name })
          : text(on, 'bagTooNarrow', { name: f.name, mouth: mm(f.mouth) }),
      });
  }
  const film = on.rule('bag-film');
  if (film && over && f.film !== null) {
    const thick = (x: number): string => `${Math.round(x * 1000) / 1000} mm`;
    const said = { where: f.name, measured: atLeast(f.film, film.limit) };
    if (f.film < film.limit)
      on.broken(film, { ...said, words: text(on, 'filmClings', { name: f.name, film: thick(f.film) }) });
    else
      on.clear(film, {
        ...said,
        words: text(on, 'filmThickEnough', { name: f.name, film: thick(f.film), limit: thick(film.limit) }),
      });
  }
  const string = on.rule('drawstring');
  if (string && f.drawstring > string.limit)
    on.broken(string, {
      words: text(on, 'drawstringLong', { name: f.name, drawstring: mm(f.drawstring) }),
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
      words: text(on, 'hollowUnderAge', { name: f.name, below: rule.below! }),
      where: f.name,
    });
  on.broken(rule, {
    words: text(on, 'hollowOverFace', { name: f.name, mouth: mm(f.mouth), depth: mm(f.depth) }),
    where: f.name,
    measured: atMost(f.mouth, rule.limit),
  });
};
