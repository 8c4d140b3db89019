import { smallParts, type SmallPartsAnswer } from '../gauge/smallParts.ts';
import { scaled, type Shape } from '../geometry/shape.ts';
import { shape as aShape } from '../geometry/shapeInput.ts';
import type { Told } from '../languages/messages.ts';
import { extentsOf } from '../materials/material.ts';
import { PatternError } from '../patterns/kernel.ts';
import { atLeast, mm, type Bench, type Judge, type Measured } from './judging.ts';
import type { Rule } from './rules.ts';
import { text } from './words.ts';

const answers = new Map<string, SmallPartsAnswer>();
const MOST_ANSWERS = 400;

const ofShape = new WeakMap<Shape, SmallPartsAnswer>();

/**
 * The gauge's answer for a shape, asked once: most dials leave the pieces as they are.
 *
 * @throws PatternError where a part would have sizes that nothing has, such as a ring with no wall left
 */
export function gaugedOnce(shape: Shape): SmallPartsAnswer {
  let answer = ofShape.get(shape);
  if (!answer) ofShape.set(shape, (answer = gaugedAlike(shape)));
  return answer;
}

function gaugedAlike(shape: Shape): SmallPartsAnswer {
  const key = JSON.stringify(shape);
  let answer = answers.get(key);
  if (!answer) {
    const parsed = aShape.safeParse(shape);
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      throw new PatternError(
        'materials',
        `a part of it cannot be judged: its ${issue!.path.join('.') || 'shape'} ${issue!.message}; expected materials and dials whose parts can be made`,
      );
    }
    answer = smallParts(parsed.data);
    if (answers.size >= MOST_ANSWERS) answers.delete(answers.keys().next().value!);
    answers.set(key, answer);
  }
  return answer;
}

const sizes = (shape: Shape, to: Told): string =>
  shape.kind === 'sphere'
    ? text(to, 'sizeOfBall', { diameter: mm(shape.diameter) })
    : text(to, 'sizeOfPiece', {
        size:
          shape.kind === 'cylinder'
            ? `${mm(shape.diameter)} × ${mm(shape.length)}`
            : `${extentsOf(shape)
                .map((x) => mm(x).replace(' mm', ''))
                .join(' × ')} mm`,
      });

/** When a part meets the cylinder: as it lies there, once it or one of several came off, or once what it is in has opened. */
type When = 'always' | 'loose' | 'one' | 'opened';

/** How a shape lies in the test cylinder, in words, and the margin: what it stands out by, less than 0 where it lies inside. */
function inCylinder(
  shape: Shape,
  when: When,
  to: Told,
): { small: boolean; words: string; measured: Measured } {
  const answer = gaugedOnce(shape);
  const measured: Measured = { value: -answer.clearance, limit: 0, unit: 'mm', margin: -answer.clearance };
  const said = { when, what: sizes(shape, to) };
  if (answer.fits === null) return { small: true, measured, words: text(to, 'tooCloseToCall', said) };
  return answer.fits
    ? { small: true, measured, words: text(to, 'inCylinder', { ...said, spare: mm(answer.clearance) }) }
    : {
        small: false,
        measured,
        words: text(to, 'tooLargeForCylinder', { ...said, out: mm(-answer.bounds[1]) }),
      };
}

function small(rule: Rule | null, f: { name: string; shape: Shape }, on: Bench): void {
  if (!rule) return;
  const { small: fits, words, measured } = inCylinder(f.shape, 'always', on);
  if (!fits) return on.clear(rule, { words, where: f.name, measured });
  const isOlder = on.youngest >= (rule.below ?? Infinity);
  const also = isOlder ? ` ${text(on, 'allowedOver', { below: rule.below! })}` : '';
  on.broken(rule, { words: `${words}${also}`, where: f.name, measured });
}

function ball(f: { name: string; shape: Shape }, on: Bench): void {
  const rule = on.rule('small-ball');
  if (!rule) return;
  // A ball that can pass the round gauge in any way counts; an egg passes by its two smaller extents.
  const [, second] = extentsOf(f.shape);
  const measured = atLeast(second, rule.limit);
  if (second > rule.limit)
    on.clear(rule, {
      words: text(on, 'notPastBallGauge', { across: mm(second), limit: rule.limit }),
      where: f.name,
      measured,
    });
  else
    on.broken(rule, {
      words: text(on, 'passesBallGauge', { across: mm(second), limit: rule.limit }),
      where: f.name,
      measured,
    });
}

export const piece: Judge<'piece'> = (f, on) => {
  small(on.rule('small-part'), f, on);
  if (f.ball) ball(f, on);
};

/** As if it came off; a pull test that is passed and on record says that it holds, for now. */
export const attached: Judge<'attached'> = (f, on) => {
  const rule = on.rule('attached');
  if (!rule) return;
  const { small: fits, words: asIf, measured } = inCylinder(f.shape, f.count === 1 ? 'loose' : 'one', on);
  const said = {
    title: text(on, 'held', { name: f.name, held: f.held.replace(' ', '_') }),
    where: f.name,
    measured,
  };
  if (!fits) return on.clear(rule, { ...said, words: asIf });
  const proof = on.proof(f.name, 'pull');
  if (proof?.holds)
    return on.care(rule, { ...said, words: `${asIf} ${proof.words}`, remedy: rule.remedyOlder });
  on.broken(rule, { ...said, words: `${asIf} ${proof?.words ?? text(on, 'noPullTestPassed')}` });
};

/** As if the seal opened. */
export const filler: Judge<'filler'> = (f, on) => {
  const rule = on.rule('filler');
  if (!rule) return;
  const { small: fits, words: asIf, measured } = inCylinder(f.shape, 'opened', on);
  const said = { title: text(on, 'behind', { name: f.name, seal: f.seal }), where: f.name, measured };
  if (!fits) on.clear(rule, { ...said, words: asIf });
  else {
    const [drop, pull] = [on.proof(f.name, 'drop'), on.proof(f.name, 'pull')];
    if (drop?.holds && pull?.holds)
      on.care(rule, {
        ...said,
        words: `${asIf} ${drop.words} ${pull.words}`,
        remedy: rule.remedyOlder,
      });
    else {
      const short = [drop, pull].filter((p) => p && !p.holds).map((p) => p!.words);
      on.broken(rule, {
        ...said,
        words: [asIf, ...(short.length > 0 ? short : [text(on, 'noDropPullTests')])].join(' '),
      });
    }
  }
  if (f.ball) ball(f, on);
};

/** The published test is uncompressed; a mouth is not: who mouths is kept from what is small when it is pressed. */
export const give: Judge<'give'> = (f, on) => {
  const rule = on.rule('soft');
  const of = on.features.find((p) => p.kind === 'piece' && p.name === f.name);
  if (!rule || of?.kind !== 'piece') return;
  const answer = gaugedOnce(scaled(of.shape, 1 - f.share));
  if (answer.fits === false) return;
  on.broken(rule, {
    words: text(on, 'pressedWouldLieInside', { number: Math.round(100 * f.share) }),
    where: f.name,
  });
};

export const remnant: Judge<'remnant'> = (f, on) => {
  const rule = on.rule('remnant');
  if (!rule) return;
  on.care(rule, {
    words: text(on, 'leftOnTable', { count: f.count, name: f.name.toLowerCase() }),
    where: f.name,
  });
};
