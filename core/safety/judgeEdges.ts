import { mm, type Judge } from './judging.ts';
import { text } from './words.ts';

const capital = (s: string): string => `${s[0]!.toUpperCase()}${s.slice(1)}`;
const SOFT = ['card', 'paper', 'fabric'];

export const cutEdge: Judge<'cut edge'> = (f, on) => {
  const where = f.where;
  if (f.material === 'metal') {
    const rule = on.rule('cut-metal');
    if (rule) on.broken(rule, { words: text(on, 'cutMetalRoundStays', { where }), where });
    return;
  }
  if (f.material === 'glass') {
    const never = on.rule('glass-cut');
    if (never) on.broken(never, { words: text(on, 'cutGlassRound', { where }), where });
    return;
  }
  const rule = on.rule('cut-edge');
  if (!rule) return;
  // Film that is melted on has corners of its own, whatever lies under it.
  if (f.material === 'film')
    return on.care(rule, {
      words: text(on, 'hasFilmWhoseCorners', { where: capital(where) }),
      remedy: text(on, 'roundEveryCornerFeel'),
      where,
    });
  if (SOFT.includes(f.material))
    return on.clear(rule, {
      words: text(on, 'cutEdgeSoft', { where: capital(where), material: f.material }),
      where,
    });
  if (f.covered)
    return on.care(rule, {
      words: text(on, 'cutTapedOver', { material: f.material, where }),
      remedy: text(on, 'feelUnderTapeFingertip'),
      where,
    });
  on.broken(rule, { words: text(on, 'cutNotCovered', { material: f.material, where }), where });
};

export const post: Judge<'post'> = (f, on) => {
  const rule = on.rule('post');
  if (!rule) return;
  on.care(rule, {
    title: f.name,
    words: text(on, 'postStands', {
      height: mm(f.height),
      diameter: mm(f.diameter),
      end: f.capped ? 'capped' : f.blunt ? 'blunt' : 'bare',
    }),
    remedy: f.capped ? text(on, 'useTableNotFloor') : rule.remedy,
    where: f.name,
  });
};

export const point: Judge<'point'> = (f, on) => {
  const rule = on.rule('point');
  if (!rule) return;
  if (!f.thin && f.guarded === null)
    return on.clear(rule, { title: f.name, words: text(on, 'endsThickBlunt'), where: f.name });
  on.care(rule, {
    title: f.name,
    words:
      f.guarded === null
        ? text(on, 'endsThinTakeCare')
        : text(on, f.guarded === 'sanded' ? 'endsSandedWhenMade' : 'wireEndsTurnedOver'),
    remedy: f.guarded === null ? rule.remedy : text(on, 'feelAgainEachTime'),
    where: f.name,
  });
};

export const staple: Judge<'staple'> = (f, on) => {
  const rule = on.rule('staple');
  if (!rule) return;
  if (f.covered)
    return on.care(rule, {
      words: text(on, 'staplesTapedOver', { count: f.count, where: f.where }),
      remedy: rule.remedyOlder,
      where: f.where,
    });
  on.broken(rule, {
    words: text(on, 'staplesNotCovered', { count: f.count, where: f.where }),
    where: f.where,
  });
};

/** The metal of a spring is a small part as soon as it comes off. */
export const spring: Judge<'spring'> = (f, on) => {
  const rule = on.rule('spring');
  if (!rule) return;
  const said = { title: f.name, where: f.name };
  const words = text(on, 'pinchesSpringCanCome');
  const proof = on.proof(f.name, 'pull');
  if (proof?.holds)
    return on.care(rule, { ...said, words: `${words} ${proof.words}`, remedy: rule.remedyOlder });
  on.broken(rule, {
    ...said,
    words: `${words} ${proof?.words ?? text(on, 'noPullTestPassed')}`,
  });
};
