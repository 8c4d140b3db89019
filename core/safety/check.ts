import { smallParts, type SmallPartsAnswer } from '../gauge/smallParts.ts';
import { scaled, type Shape } from '../geometry/shape.ts';
import { extentsOf } from '../materials/material.ts';
import { widestRod } from '../passage/opening.ts';
import { plantOf } from '../catalogue/plants.ts';
import type { Feature, Verdict } from '../patterns/kernel.ts';
import { ruleOf, type Market, type Rule } from './rules.ts';

export interface Finding {
  readonly id: string;
  readonly verdict: Verdict;
  readonly title: string;
  readonly words: string;
  readonly remedy: string | null;
  readonly source: string;
}

/** A piece on the gauge, for the drawing. */
export interface Gauged {
  readonly name: string;
  readonly shape: Shape;
  readonly answer: SmallPartsAnswer;
}

/** What a finding says of where it comes from: a rule, or a caution that is none. */
interface Cause {
  readonly id: string;
  readonly title: string;
  readonly source: string;
}

export interface SafetyReport {
  /** Whose rules were applied. */
  readonly market: Market;
  readonly findings: Finding[];
  readonly gauged: Gauged[];
  /** What nobody can see from the sizes, and so was not checked. */
  readonly unchecked: string[];
}

const mm = (x: number): string => `${(Math.round(x * 10) / 10).toFixed(1).replace(/\.0$/, '')} mm`;

/**
 * Looks at a design's facts under a market's rules for the youngest who will use it.
 *
 * @param options.youngest months
 * @returns verdicts with their reasons; never a certificate
 */
export function checkFeatures(
  features: readonly Feature[],
  options: { readonly youngest: number; readonly market: Market },
): SafetyReport {
  const { youngest, market } = options;
  const findings: Finding[] = [];
  const gauged: Gauged[] = [];
  const add = (rule: Cause, verdict: Verdict, words: string, remedy: string | null): void => {
    findings.push({
      id: `${rule.id}-${findings.length}`,
      title: rule.title,
      source: rule.source,
      verdict,
      words,
      remedy: verdict === 'clear' ? null : remedy,
    });
  };
  for (const f of features) {
    switch (f.kind) {
      case 'piece': {
        const answer = gaugedOnce(f.shape);
        gauged.push({ name: f.name, shape: f.shape, answer });
        smallPart(f, answer, { youngest, rule: ruleOf('small-part', market) }, add);
        if (f.ball) ball(f, { youngest, rule: ruleOf('small-ball', market) }, add);
        break;
      }
      case 'opening':
        if (f.sheet === 'rigid') finger(f, { youngest, rule: ruleOf('finger', market) }, add);
        break;
      case 'cut edge':
        cutEdge(f, add);
        break;
      case 'hazard':
        hazard(f, youngest, add);
        break;
      case 'tool':
        add(
          { id: 'tool', title: `Tool: ${f.name}`, source: 'common practice' },
          'care',
          'It pinches or pokes, and it is one more thing to count.',
          'Show how to hold it; keep it at the table.',
        );
        break;
      case 'cord':
        cord(f, { youngest, market }, add);
        break;
      case 'post':
        add(
          { id: 'post', title: f.name, source: 'usual caution' },
          'care',
          `It stands ${mm(f.height)} high and ${mm(f.diameter)} thick${f.capped ? ', its end capped' : ''}: somebody who falls on it can hurt an eye.`,
          f.capped
            ? 'Use it at a table, not on the floor; pull at the cap when it comes back.'
            : 'Round or cap its end; use it at a table, not on the floor.',
        );
        break;
      case 'point':
        add(
          { id: 'point', title: f.name, source: 'usual caution' },
          'care',
          f.guarded ? 'Its ends are turned in or covered.' : 'Its ends are thin: take care of eyes.',
          f.guarded ? 'Feel it again each time it comes back.' : 'Turn in, round or cover the ends.',
        );
        break;
      case 'spring':
        add(
          { id: 'spring', title: f.name, source: 'usual caution' },
          'care',
          'It pinches, and its spring can come off.',
          'Pull at the spring before it is lent; throw away any that is loose.',
        );
        break;
      case 'plant':
        plant(f, add);
        break;
      case 'skin':
        add(
          { id: 'skin', title: f.name, source: 'usual caution' },
          'care',
          'It can hold back the blood, and glue irritates some skins.',
          'Never tight, never on broken or sensitive skin; off at once when the finger pales, reddens or hurts. Slide it off.',
        );
        break;
      case 'give':
        soft(f, features, add);
        break;
    }
  }
  const cleaning = { id: 'surface', title: 'Cleaning between children', source: 'common practice' };
  const surfaces = features.filter((f) => f.kind === 'surface');
  const unwashable = surfaces.filter((f) => !f.washable).map((f) => f.name);
  if (unwashable.length > 0)
    add(
      cleaning,
      'care',
      `${unwashable.join(' and ')} cannot be washed.`,
      'Wipe it, quarantine it some days between families, or throw it away when it has been in a mouth.',
    );
  else if (surfaces.length > 0) add(cleaning, 'clear', 'Everything lent can be washed and air dried.', null);
  const order: Record<Verdict, number> = { stop: 0, care: 1, clear: 2 };
  return {
    market,
    findings: findings.sort((a, b) => order[a.verdict] - order[b.verdict]),
    gauged,
    unchecked: [
      'What was in the container before',
      'Paint, print and glue',
      'Whether pieces crack or come apart: do the tests by hand',
      'The child: what they mouth, throw or are allergic to',
    ],
  };
}

const answers = new Map<string, SmallPartsAnswer>();
const MOST_ANSWERS = 400;

/** The gauge's answer for a shape, asked once: most dials leave the pieces as they are. */
function gaugedOnce(shape: Shape): SmallPartsAnswer {
  const key = JSON.stringify(shape);
  let answer = answers.get(key);
  if (!answer) {
    answer = smallParts(shape);
    if (answers.size >= MOST_ANSWERS) answers.delete(answers.keys().next().value!);
    answers.set(key, answer);
  }
  return answer;
}

/** The rule that is applied, and the youngest it is applied for, months. */
interface Under {
  readonly youngest: number;
  readonly rule: Rule;
}
type Add = (rule: Cause, verdict: Verdict, words: string, remedy: string | null) => void;

function smallPart(
  f: Extract<Feature, { kind: 'piece' }>,
  answer: SmallPartsAnswer,
  { youngest, rule }: Under,
  add: Add,
): void {
  const small = answer.fits !== false;
  const sizes =
    f.shape.kind === 'sphere'
      ? `${mm(f.shape.diameter)} ball`
      : f.shape.kind === 'cylinder'
        ? `${mm(f.shape.diameter)} × ${mm(f.shape.length)} piece`
        : `${extentsOf(f.shape)
            .map((x) => mm(x).replace(' mm', ''))
            .join(' × ')} mm piece`;
  const words =
    answer.fits === null
      ? `The ${sizes} is too close to call in the test cylinder, so it counts as a small part.`
      : small
        ? `The ${sizes} lies wholly inside the test cylinder with ${mm(answer.clearance)} to spare.`
        : `The ${sizes} stands out of the test cylinder by ${mm(-answer.bounds[1])} or more at its best.`;
  if (!small) add(rule, 'clear', words, null);
  else if (youngest < rule.below) add(rule, rule.verdict, words, rule.remedy);
  else
    add(
      rule,
      'care',
      `${words} Over three years it is allowed, but younger brothers and sisters find it too.`,
      'Say so on the label; count every piece back.',
    );
}

function ball(f: Extract<Feature, { kind: 'piece' }>, { youngest, rule }: Under, add: Add): void {
  // A ball that can pass the round gauge in any way counts; an egg passes by its two smaller extents.
  const [, second] = extentsOf(f.shape);
  if (second > rule.limit)
    return add(
      rule,
      'clear',
      `${mm(second)} across: it does not pass the ${rule.limit} mm ball gauge.`,
      null,
    );
  add(
    rule,
    youngest < rule.below ? rule.verdict : 'care',
    `${mm(second)} across: it passes the ${rule.limit} mm ball gauge.`,
    rule.remedy,
  );
}

function finger(f: Extract<Feature, { kind: 'opening' }>, { youngest, rule }: Under, add: Add): void {
  const rod = widestRod(f.opening);
  if (rod >= rule.limit)
    return add(rule, 'clear', `A rod of ${mm(rod)} goes in: a finger that goes in comes out again.`, null);
  if (rod < 6)
    return add(rule, 'clear', `No rod over ${mm(rod)} goes in: a small finger does not either.`, null);
  add(
    rule,
    youngest < rule.below ? rule.verdict : 'care',
    `A rod of ${mm(rod)} goes in, one of ${mm(rule.limit)} does not: a finger can get stuck.`,
    rule.remedy,
  );
}

function cord(
  f: Extract<Feature, { kind: 'cord' }>,
  { youngest, market }: { readonly youngest: number; readonly market: Market },
  add: Add,
): void {
  const length = ruleOf('cord', market);
  if (f.free <= length.limit)
    add(length, 'clear', `${f.name}: ${mm(f.free)} free, at most ${mm(length.limit)} allowed.`, null);
  else if (youngest < length.below)
    add(length, length.verdict, `${f.name}: ${mm(f.free)} free, over ${mm(length.limit)}.`, length.remedy);
  else
    add(
      length,
      'care',
      `${f.name}: ${mm(f.free)} free. Allowed from ${length.below} months, never round a neck.`,
      'Use it at the table with an adult there, and put it away afterwards.',
    );
  const loop = ruleOf('loop', market);
  if (f.loop <= loop.limit) return;
  add(
    loop,
    youngest < loop.below ? loop.verdict : 'care',
    `${f.name}: a loop of ${mm(f.loop)} goes over a head.`,
    loop.remedy,
  );
}

function cutEdge(f: Extract<Feature, { kind: 'cut edge' }>, add: Add): void {
  const rule = { id: 'cut-edge', title: 'Cut edge', source: 'common practice; feel it before it is lent' };
  if (f.material === 'metal')
    return add(
      rule,
      'stop',
      `Cut metal round ${f.where} stays sharp.`,
      'Use a plastic or card lid, or a tin with its own rolled rim.',
    );
  if (f.material === 'card' || f.material === 'paper' || f.material === 'fabric')
    return add(
      rule,
      'clear',
      `${f.where[0]!.toUpperCase()}${f.where.slice(1)} is ${f.material}: it frays but does not cut.`,
      null,
    );
  if (f.covered)
    return add(
      rule,
      'care',
      `Cut ${f.material} round ${f.where}, taped over.`,
      'Feel under the tape with a fingertip each time it comes back.',
    );
  add(
    rule,
    'care',
    `Cut ${f.material} round ${f.where}, not covered.`,
    'Rub down and tape the edge; feel it with a fingertip before it is lent.',
  );
}

function hazard(f: Extract<Feature, { kind: 'hazard' }>, youngest: number, add: Add): void {
  const rule = { id: `hazard-${f.hazard}`, title: `${f.name}: ${f.hazard}`, source: 'usual caution' };
  switch (f.hazard) {
    case 'magnet':
      return add(
        { ...rule, source: '16 CFR 1262 · EN 71-1' },
        'stop',
        'A loose strong magnet is not for anyone under 14.',
        'Leave magnets out, or have the piece tested by pull and flux.',
      );
    case 'button cell':
    case 'coin':
    case 'marble':
      return add(
        rule,
        youngest < 36 ? 'stop' : 'care',
        `A ${f.hazard} is swallowed easily${f.hazard === 'button cell' ? ' and burns within hours' : ''}.`,
        'Use a bottle cap over 32 mm instead.',
      );
    case 'battery':
      return add(
        rule,
        'care',
        'A battery burns when it is swallowed, and its door can open.',
        'Only a door with a screw or a stop; try it each time it comes back.',
      );
    case 'latex':
      return add(
        rule,
        youngest < 96 ? 'stop' : 'care',
        'Balloons and thin latex choke, and some children are allergic.',
        'Use cloth.',
      );
    case 'loose liner':
      return add(
        rule,
        'care',
        'The liner in the cap can peel out, and it is a small part.',
        'Take every liner out before the caps are used.',
      );
    case 'choking form':
      return add(
        rule,
        youngest < 60 ? 'stop' : 'care',
        'Round, hard or slippery food blocks the airway of a small child.',
        'Cut it lengthways into thin strips, cook it soft, or leave it out; nobody eats unwatched.',
      );
    case 'toxic':
      return add(rule, 'stop', 'Not for children’s hands or mouths.', 'Leave it out.');
    case 'allergen':
      return add(
        rule,
        'care',
        'It has held or is a common allergen.',
        'Ask each family, say so on the label.',
      );
    default:
      return add(
        rule,
        'care',
        `${f.hazard[0]!.toUpperCase()}${f.hazard.slice(1)}.`,
        'Put it right before it is lent, and feel it again when it comes back.',
      );
  }
}

function plant(f: Extract<Feature, { kind: 'plant' }>, add: Add): void {
  const known = plantOf(f.name);
  // Wood is bought, too: only what the list warns of is told.
  if (f.as === 'wood' && (!known || known.standing === 'commonly used')) return;
  const cause = { id: 'plant', title: f.name, source: 'list of plants, from memory; it is not complete' };
  if (!known)
    return add(
      cause,
      'care',
      'It is not on the list of plants. Many irritate skin or are poisonous, and some look alike.',
      'Use only what somebody who knows plants has named; hands are washed afterwards, and none of it goes in a mouth.',
    );
  const what = `${known.names[0]!} (${known.botanical}): ${known.part}`;
  if (known.standing === 'never')
    return add(
      cause,
      'stop',
      `${what}. It is poisonous.`,
      'Never near children: leave it out, wash what it touched.',
    );
  if (known.standing === 'irritant')
    return add(
      cause,
      'care',
      `${what}. It irritates or pricks.`,
      'An adult cuts and strips it with gloves; hands are washed afterwards, and none of it goes in a mouth.',
    );
  add(cause, 'clear', `${what}. It is commonly used; hands are washed afterwards.`, null);
}

function soft(f: Extract<Feature, { kind: 'give' }>, features: readonly Feature[], add: Add): void {
  const piece = features.find((p) => p.kind === 'piece' && p.name === f.name);
  if (!piece || piece.kind !== 'piece') return;
  // The published test is uncompressed; a mouth is not.
  const pressed = gaugedOnce(scaled(piece.shape, 1 - f.share));
  if (pressed.fits === false) return;
  add(
    { id: 'soft', title: 'Soft pieces', source: 'usual caution; the published test is uncompressed' },
    'care',
    `Pressed by ${Math.round(100 * f.share)} % it would lie inside the test cylinder.`,
    'Not for children who mouth.',
  );
}
