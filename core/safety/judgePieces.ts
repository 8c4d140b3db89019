import { smallParts, type SmallPartsAnswer } from '../gauge/smallParts.ts';
import { scaled, shape as aShape, type Shape } from '../geometry/shape.ts';
import { extentsOf } from '../materials/material.ts';
import { PatternError } from '../patterns/kernel.ts';
import { atLeast, mm, type Bench, type Judge, type Measured } from './judging.ts';
import type { Rule } from './rules.ts';

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

const sizes = (shape: Shape): string => {
  if (shape.kind === 'sphere') return `${mm(shape.diameter)} ball`;
  if (shape.kind === 'cylinder') return `${mm(shape.diameter)} × ${mm(shape.length)} piece`;
  return `${extentsOf(shape)
    .map((x) => mm(x).replace(' mm', ''))
    .join(' × ')} mm piece`;
};

/** How a shape lies in the test cylinder, in words, and the margin: what it stands out by, less than 0 where it lies inside. */
function inCylinder(shape: Shape): { small: boolean; words: string; measured: Measured } {
  const answer = gaugedOnce(shape);
  const measured: Measured = { value: -answer.clearance, limit: 0, unit: 'mm', margin: -answer.clearance };
  const what = sizes(shape);
  if (answer.fits === null)
    return {
      small: true,
      measured,
      words: `The ${what} is too close to call in the test cylinder, so it counts as a small part.`,
    };
  return answer.fits
    ? {
        small: true,
        measured,
        words: `The ${what} lies wholly inside the test cylinder with ${mm(answer.clearance)} to spare.`,
      }
    : {
        small: false,
        measured,
        words: `The ${what} is too large to go in the test cylinder: it stands out by ${mm(-answer.bounds[1])} or more at its best.`,
      };
}

function small(rule: Rule | null, f: { name: string; shape: Shape }, on: Bench): void {
  if (!rule) return;
  const { small: fits, words, measured } = inCylinder(f.shape);
  if (!fits) return on.clear(rule, { words, where: f.name, measured });
  const isOlder = on.youngest >= (rule.below ?? Infinity);
  const from = rule.below === 36 ? 'three years' : `${rule.below} months`;
  const also = isOlder ? ` Over ${from} it is allowed, but younger brothers and sisters find it too.` : '';
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
      words: `${mm(second)} across: it does not pass the ${rule.limit} mm ball gauge.`,
      where: f.name,
      measured,
    });
  else
    on.broken(rule, {
      words: `${mm(second)} across: it passes the ${rule.limit} mm ball gauge.`,
      where: f.name,
      measured,
    });
}

export const piece: Judge<'piece'> = (f, on) => {
  small(on.rule('small-part'), f, on);
  if (f.ball) ball(f, on);
};

const NO_PULL = 'No pull test that it passed is on record.';

/** As if it came off; a pull test that is passed and on record says that it holds, for now. */
export const attached: Judge<'attached'> = (f, on) => {
  const rule = on.rule('attached');
  if (!rule) return;
  const { small: fits, words, measured } = inCylinder(f.shape);
  const said = { title: `${f.name}, ${f.held}`, where: f.name, measured };
  const asIf = `If ${f.count === 1 ? 'it comes' : 'one comes'} off: ${words[0]!.toLowerCase()}${words.slice(1)}`;
  if (!fits) return on.clear(rule, { ...said, words: asIf });
  const proof = on.proof(f.name, 'pull');
  if (proof?.holds)
    return on.care(rule, { ...said, words: `${asIf} ${proof.words}`, remedy: rule.remedyOlder });
  on.broken(rule, { ...said, words: `${asIf} ${proof?.words ?? NO_PULL}` });
};

/** As if the seal opened. */
export const filler: Judge<'filler'> = (f, on) => {
  const rule = on.rule('filler');
  if (!rule) return;
  const { small: fits, words, measured } = inCylinder(f.shape);
  const said = { title: `${f.name}, behind ${f.seal}`, where: f.name, measured };
  const asIf = `If it opens: ${words[0]!.toLowerCase()}${words.slice(1)}`;
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
        words: [
          asIf,
          ...(short.length > 0 ? short : ['No drop and pull tests that it passed are on record.']),
        ].join(' '),
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
    words: `Pressed by ${Math.round(100 * f.share)} % it would lie inside the test cylinder.`,
    where: f.name,
  });
};

export const remnant: Judge<'remnant'> = (f, on) => {
  const rule = on.rule('remnant');
  if (!rule) return;
  on.care(rule, {
    words: `${f.count} × ${f.name.toLowerCase()} ${f.count === 1 ? 'is' : 'are'} left on the table when a kit is made, and nobody counts ${f.count === 1 ? 'it' : 'them'} back.`,
    where: f.name,
  });
};
