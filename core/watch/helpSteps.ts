import { chanceOf, expectedAbility, NORMAL_POINTS, type Ability } from './rasch.ts';

/** How much of a level a child does itself: nothing managed 0, hand over hand 1, hand on wrist 2, verbal prompt 3, alone 4. */
export const ALONE = 4;

/** What a sitting leaves possible: every level from `low` to `high`. Not managed with some help, it may be any below that. */
export interface HelpRange {
  readonly low: number;
  readonly high: number;
}

/** How much easier a level is with help than alone, logits: hand over hand, hand on wrist, verbal prompt; the most first. */
export type HelpSteps = readonly [number, number, number];

/** Each level of help makes a level a logit easier than the one before, where notes do not say otherwise (common practice). */
export const USUAL_STEPS: HelpSteps = [3, 2, 1];
/** How far a place's steps lie from that, as a variance of their logarithm: half as much to twice as much is nothing strange. */
const STEP_VARIANCE = 0.5 ** 2;
/** Smallest and largest step that is looked for, logits. */
const [LEAST_STEP, MOST_STEP] = [0.05, 6];

/** Chance of at least a level, at an ability so many logits over the level's difficulty. */
const atLeast = (gap: number, helpLevel: number, steps: HelpSteps): number =>
  helpLevel <= 0
    ? 1
    : helpLevel > ALONE
      ? 0
      : chanceOf(gap + (helpLevel === ALONE ? 0 : steps[helpLevel - 1]!), 0);

/**
 * Chance of what a sitting leaves possible. Levels are cumulative logits with steps that all levels share (Samejima 1969;
 * Muraki 1990): of alone or not it is the Rasch model.
 */
export const helpChance = (gap: number, { low, high }: HelpRange, steps: HelpSteps): number =>
  Math.max(1e-12, atLeast(gap, low, steps) - atLeast(gap, high + 1, steps));

/** One answer of one child: the level's difficulty, logits, what it leaves possible, and for how much it counts. */
export interface LevelAnswer extends HelpRange {
  readonly difficulty: number;
  readonly counts?: number;
}

/** Ability after a child's answers, abilities being normal about 0: mean and standard deviation, logits. */
export const abilityAfter = (answers: readonly LevelAnswer[], spread: number, steps: HelpSteps): Ability =>
  expectedAbility(
    (ability) =>
      answers.reduce(
        (log, a) => log + (a.counts ?? 1) * Math.log(helpChance(ability - a.difficulty, a, steps)),
        0,
      ),
    spread,
  );

/** Every other point of the normal: this smooth, integrals lose nothing by it. */
const POINTS = NORMAL_POINTS.filter((_, q) => q % 2 === 0);

/** Gaps are looked up in a table from -REACH to REACH, in steps of FINE logits. */
const REACH = 16;
const FINE = 0.05;
const cellOf = (gap: number): number => Math.round((Math.max(-REACH, Math.min(REACH, gap)) + REACH) / FINE);
const CELLS = cellOf(REACH) + 1;

/** Every pair of levels there is, by one number. */
const pairOf = ({ low, high }: HelpRange): number => low * (ALONE + 1) + high;

/**
 * The steps that a place's notes make most likely, with what is usual as what was known before (marginal maximum
 * likelihood, abilities normal about 0; difficulties and their spread as they were found).
 *
 * @param children the answers of each
 */
export function helpSteps(children: readonly (readonly LevelAnswer[])[], spread: number): HelpSteps {
  const all = children.flat();
  // What was done alone says nothing of help.
  const pairs = new Map(all.filter((a) => a.low < ALONE).map((a) => [pairOf(a), a as HelpRange]));
  if (pairs.size === 0) return USUAL_STEPS;
  const rows = children.map((answers) =>
    answers.map((a) => ({
      pair: pairOf(a),
      cells: Int16Array.from(POINTS, (z) => cellOf(spread * z - a.difficulty)),
    })),
  );
  const prior = POINTS.map((z) => Math.exp((-z * z) / 2));
  const alone: HelpRange = { low: ALONE, high: ALONE };
  const logOf = (helpRanges: HelpRange, steps: HelpSteps): Float64Array =>
    Float64Array.from({ length: CELLS }, (_, i) => Math.log(helpChance(i * FINE - REACH, helpRanges, steps)));
  const aloneTable = logOf(alone, USUAL_STEPS);
  const stepsOf = (sizes: readonly number[]): HelpSteps => [
    sizes[0]! + sizes[1]! + sizes[2]!,
    sizes[0]! + sizes[1]!,
    sizes[0]!,
  ];
  const logs = new Float64Array(POINTS.length);
  const worth = (sizes: readonly number[]): number => {
    const steps = stepsOf(sizes);
    const tables: Float64Array[] = [];
    for (const [pair, helpRanges] of pairs) tables[pair] = logOf(helpRanges, steps);
    tables[pairOf(alone)] = aloneTable;
    let sum = 0;
    for (const row of rows) {
      logs.fill(0);
      for (const { pair, cells } of row) {
        const table = tables[pair]!;
        for (let q = 0; q < cells.length; q++) logs[q]! += table[cells[q]!]!;
      }
      let [most, integral] = [-Infinity, 0];
      for (let q = 0; q < logs.length; q++) if (logs[q]! > most) most = logs[q]!;
      for (let q = 0; q < logs.length; q++) integral += prior[q]! * Math.exp(logs[q]! - most);
      sum += most + Math.log(integral);
    }
    for (const size of sizes) sum -= Math.log(size) ** 2 / (2 * STEP_VARIANCE);
    return sum;
  };
  const sizes = [1, 1, 1];
  for (let round = 0; round < 3; round++)
    for (let k = 0; k < 3; k++)
      sizes[k] = Math.exp(
        peakOf(
          (log) => worth(sizes.map((s, i) => (i === k ? Math.exp(log) : s))),
          Math.log(LEAST_STEP),
          Math.log(MOST_STEP),
        ),
      );
  return stepsOf(sizes);
}

/** Where a function with one peak has it, by golden sections, to two hundredths. */
function peakOf(of: (x: number) => number, from: number, to: number): number {
  const RATIO = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [from, to];
  let [c, d] = [b - RATIO * (b - a), a + RATIO * (b - a)];
  let [atC, atD] = [of(c), of(d)];
  while (b - a > 0.02) {
    if (atC > atD) {
      [b, d, atD] = [d, c, atC];
      c = b - RATIO * (b - a);
      atC = of(c);
    } else {
      [a, c, atC] = [c, d, atD];
      d = a + RATIO * (b - a);
      atD = of(d);
    }
  }
  return (a + b) / 2;
}
