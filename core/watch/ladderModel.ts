import { abilityAfter, USUAL_STEPS, type HelpSteps, type LevelAnswer } from './helpSteps.ts';
import { levelKey, type Outcomes } from './outcomes.ts';
import { chanceOf, type Ability, type RaschAnswer, type Response } from './rasch.ts';

export type { Ability };

/** A bit more halves the odds of managing alone, where notes do not say otherwise: one bit is about twice as demanding. */
const USUAL_SLOPE = Math.LN2;
/** How far the slope of a place lies from that, as a variance; and what is never gone below: more bits are not easier. */
const SLOPE_VARIANCE = 0.3 ** 2;
const LEAST_SLOPE = 0.1;
/** Standard deviation of abilities where nothing is known, logits, with the weight of so many children (common practice). */
const USUAL_SPREAD = 1.5;
const USUAL_CHILDREN = 15;
/** How far levels lie beside the line over bits, as a variance, logits² (common practice: other things differ too). */
const BESIDE_THE_LINE = 0.5;
/** How far one pattern lies from another at the same bits, logits: bits compare levels of one pattern (common practice). */
const BETWEEN_PATTERNS = 1.5;
/** Line and pattern effects are found in turn, so often. */
const ROUNDS = 20;
/** (16 √3 / 15 π)²: a logistic beside the normal it is nearest to. */
const LOGISTIC = ((16 * Math.sqrt(3)) / (15 * Math.PI)) ** 2;
/** Fewer than this and nothing is estimated: answers of a level, levels with both answers, children who tried them. */
const LEAST = { answers: 3, levels: 2, children: 5 } as const;

/** Of a pattern: mean and standard deviation, logits. */
export interface PatternEffect {
  readonly mean: number;
  readonly sd: number;
}

/** How difficult every level is, and what that rests on. */
export interface LadderModel {
  /** Logits, by level: at this ability it is managed alone half the time. */
  difficulty(level: { readonly designId: number; readonly level: string; readonly bits: number }): number;
  /** How much harder a design's pattern is than its bits say, logits, as everybody's notes have it, and how far that is known. */
  patternEffect(designId: number): PatternEffect;
  /** Whether the level's difficulty was found from answers, rather than from its bits. */
  isMeasured(level: { readonly designId: number; readonly level: string }): boolean;
  /** Standard deviation of abilities, logits. */
  readonly spread: number;
  /** Logits a bit. */
  readonly slope: number;
  /** How much easier a level is with each help than alone. */
  readonly help: HelpSteps;
  /** Too few notes for an estimate: bits and usual figures stand for it. */
  readonly isGuess: boolean;
  readonly children: number;
  readonly answers: number;
  /** Levels whose difficulty was found from answers. */
  readonly levels: number;
}

/** Levels that some managed and some did not, tried often enough; the rest says nothing of how difficult they are. */
const tellingColumns = ({ levels, responses }: Outcomes): number[] =>
  levels.flatMap((_, j) => {
    const answers = responses.map((r) => r[j]!).filter((x) => x !== null);
    const managed = answers.filter((x) => x === 1).length;
    return answers.length >= LEAST.answers && managed > 0 && managed < answers.length ? [j] : [];
  });

/** What the Rasch model is fitted to: the levels and rows that tell; null where there are too few. */
export function toFit(outcomes: Outcomes): { columns: number[]; responses: Response[][] } | null {
  const columns = tellingColumns(outcomes);
  const responses = outcomes.responses
    .map((row) => columns.map((j) => row[j]!))
    .filter((row) => row.some((x) => x !== null));
  return columns.length < LEAST.levels || responses.length < LEAST.children ? null : { columns, responses };
}

/**
 * Difficulties of all levels: found by the Rasch model where there are answers enough, and of the others by their bits, along
 * the line through those that were found. What rests on little is drawn to what is usual, so that a handful of notes makes no
 * strong claim; with too few answers everything goes by bits, and says so.
 *
 * @param fitted the answer of `rasch` to what `toFit` gave; null where that gave nothing
 * @param patternOf the pattern of a design; where none is known every design counts as of one
 */
export function ladderModel(
  outcomes: Outcomes,
  fitted: RaschAnswer | null,
  patternOf: (designId: number) => string | undefined = () => undefined,
): LadderModel {
  const { levels, responses } = outcomes;
  const answered = responses.flatMap((row) =>
    row.flatMap((x, j) => (x === null ? [] : [{ x, bits: levels[j]!.bits }])),
  );
  const managed = answered.filter((a) => a.x === 1).length;
  const children = outcomes.children.length;
  const columns = fitted ? tellingColumns(outcomes) : [];
  // The spread of a few children says little of children: it is drawn to the usual one, as if so many had been seen before.
  const spread = fitted
    ? Math.sqrt(
        (children * fitted.sd ** 2 + USUAL_CHILDREN * USUAL_SPREAD ** 2) / (children + USUAL_CHILDREN),
      )
    : USUAL_SPREAD;
  // A wider spread with the same shares managed lays difficulties further apart (normal approximation of the logistic).
  const stretch = fitted ? Math.sqrt((1 + LOGISTIC * spread ** 2) / (1 + LOGISTIC * fitted.sd ** 2)) : 1;
  const points = columns.map((j, k) => {
    const answers = responses.map((r) => r[j]!).filter((x) => x !== null);
    const share = answers.filter((x) => x === 1).length / answers.length;
    return {
      key: levelKey(levels[j]!),
      pattern: patternOf(levels[j]!.designId) ?? '',
      bits: levels[j]!.bits,
      difficulty: stretch * fitted!.difficulties[k]!,
      variance: stretch ** 2 / (answers.length * share * (1 - share)),
    };
  });
  const weights = points.map((p) => 1 / (p.variance + BESIDE_THE_LINE));
  const weight = weights.reduce((n, w) => n + w, 0);
  const weighted = (of: (p: (typeof points)[number]) => number): number =>
    points.reduce((n, p, k) => n + weights[k]! * of(p), 0) / weight;
  const meanBits =
    points.length > 0
      ? weighted((p) => p.bits)
      : answered.reduce((n, a) => n + a.bits, 0) / Math.max(1, answered.length);
  const over = (of: (p: (typeof points)[number]) => number): number =>
    points.reduce((n, p, k) => n + weights[k]! * (p.bits - meanBits) * of(p), 0);
  const effects = new Map<string, PatternEffect>();
  const effectOf = (pattern: string): PatternEffect =>
    effects.get(pattern) ?? { mean: 0, sd: BETWEEN_PATTERNS };
  /** The line over bits, once what a pattern is harder or easier by is taken off; a regression with the usual slope as what was known before. */
  const line = (): { mean: number; slope: number } => {
    const own = (p: (typeof points)[number]): number => p.difficulty - effectOf(p.pattern).mean;
    const mean = weighted(own);
    return {
      mean,
      slope: Math.max(
        LEAST_SLOPE,
        (over((p) => own(p) - mean) + USUAL_SLOPE / SLOPE_VARIANCE) /
          (over((p) => p.bits - meanBits) + 1 / SLOPE_VARIANCE),
      ),
    };
  };
  // Line and patterns in turn, each given the other: they settle within a few rounds.
  for (let round = 0; round < ROUNDS && points.length > 0; round++) {
    const { mean, slope } = line();
    for (const pattern of new Set(points.map((p) => p.pattern))) {
      let [sum, all] = [0, 1 / BETWEEN_PATTERNS ** 2];
      points.forEach((p, k) => {
        if (p.pattern !== pattern) return;
        sum += weights[k]! * (p.difficulty - mean - slope * (p.bits - meanBits));
        all += weights[k]!;
      });
      effects.set(pattern, { mean: sum / all, sd: 1 / Math.sqrt(all) });
    }
  }
  const settled = points.length > 0 ? line() : null;
  const meanDifficulty = settled
    ? settled.mean
    : // Half an answer each way keeps a place where all was managed, or nothing, within reason.
      -Math.log((managed + 0.5) / (answered.length - managed + 0.5)) * Math.sqrt(1 + LOGISTIC * spread ** 2);
  const slope = settled?.slope ?? USUAL_SLOPE;
  const patternEffect = (designId: number): PatternEffect => effectOf(patternOf(designId) ?? '');
  const byBits = (bits: number, pattern: string): number =>
    meanDifficulty + effectOf(pattern).mean + slope * (bits - meanBits);
  // Of a level with few answers its bits speak too, of one with many hardly.
  const found = new Map(
    points.map((p) => [
      p.key,
      (p.difficulty / p.variance + byBits(p.bits, p.pattern) / BESIDE_THE_LINE) /
        (1 / p.variance + 1 / BESIDE_THE_LINE),
    ]),
  );
  return {
    difficulty: (r) => found.get(levelKey(r)) ?? byBits(r.bits, patternOf(r.designId) ?? ''),
    patternEffect,
    isMeasured: (r) => found.has(levelKey(r)),
    spread,
    slope,
    help: USUAL_STEPS,
    isGuess: fitted === null,
    children,
    answers: answered.length,
    levels: found.size,
  };
}

/** What a child does at one skill says something of the others, but less (common practice). */
const OTHER_SKILL = 0.35;

/**
 * What a child's answers leave likely of its ability; the prior where it has none.
 *
 * @param serves whether a design is for the skill that is asked about: answers at others then count for a part only
 */
export function childAbility(
  outcomes: Outcomes,
  child: string,
  model: LadderModel,
  serves: (designId: number) => boolean = () => true,
): Ability {
  const at = outcomes.children.indexOf(child);
  return abilityAfter(
    at < 0
      ? []
      : answersOf(outcomes, at, model).map((a) => ({ ...a, counts: serves(a.designId) ? 1 : OTHER_SKILL })),
    model.spread,
    model.help,
  );
}

/** A child's answers with how difficult each level is. */
const answersOf = (
  { levels, helpRanges }: Outcomes,
  at: number,
  model: Pick<LadderModel, 'difficulty'>,
): (LevelAnswer & { readonly designId: number })[] =>
  helpRanges[at]!.flatMap((x, j) => {
    const level = levels[j]!;
    return x === null ? [] : [{ ...x, difficulty: model.difficulty(level), designId: level.designId }];
  });

/** Everybody's answers, to find the steps of help from. */
export const levelAnswers = (outcomes: Outcomes, model: Pick<LadderModel, 'difficulty'>): LevelAnswer[][] =>
  outcomes.children.map((_, at) =>
    answersOf(outcomes, at, model).map(({ low, high, difficulty }) => ({ low, high, difficulty })),
  );

/** Points that an ability is spread over: its mean and steps of its standard deviation, with the normal's weights. */
const SPREAD = Array.from({ length: 25 }, (_, i) => -3 + i / 4);
const WEIGHTS = SPREAD.map((z) => Math.exp((-z * z) / 2));
const WEIGHT = WEIGHTS.reduce((a, b) => a + b, 0);

export interface Chance {
  /** Of managing it alone, 0 to 1, over all that is likely of the ability. */
  readonly chance: number;
  /** The same at the ends of the 95 % interval of the ability. */
  readonly low: number;
  readonly high: number;
}
/**
 * @param doubt standard deviation of what a pattern the notes say little of may be easier or harder by, logits
 */
export function chanceAt({ mean, sd }: Ability, difficulty: number, doubt = 0): Chance {
  const wide = Math.hypot(sd, doubt);
  return {
    chance: SPREAD.reduce((n, z, i) => n + WEIGHTS[i]! * chanceOf(mean + z * wide, difficulty), 0) / WEIGHT,
    low: chanceOf(mean - 1.96 * wide, difficulty),
    high: chanceOf(mean + 1.96 * wide, difficulty),
  };
}

/**
 * What an ability found at other patterns leaves unknown of a pattern: as much as nobody's notes have told of it where none of
 * the child's are of that pattern, nothing where all are.
 *
 * @param share of the child's answers that are of the pattern, 0 to 1
 * @param sd how far the pattern's effect is known, logits
 */
export const patternDoubt = (share: number, sd = BETWEEN_PATTERNS): number =>
  sd * Math.sqrt(Math.max(0, 1 - share));

/** For one child, what is unknown of a level beside its ability, logits; nothing of one whose difficulty answers have told. */
export function doubtsOf(
  { children, levels, responses }: Outcomes,
  child: string,
  model: LadderModel,
  patternOf: (designId: number) => string | undefined,
): (level: { readonly designId: number; readonly level: string }) => number {
  const row = responses[children.indexOf(child)] ?? [];
  const answered = levels.filter((_, j) => row[j] != null).map((l) => patternOf(l.designId));
  return (level) => {
    if (model.isMeasured(level)) return 0;
    const own = answered.filter((p) => p === patternOf(level.designId)).length;
    return patternDoubt(
      answered.length > 0 ? own / answered.length : 0,
      model.patternEffect(level.designId).sd,
    );
  };
}

/** A chance whose interval is wider than this is no answer. */
const UNKNOWN = 0.75;
export const isKnownChance = ({ low, high }: Chance): boolean => high - low < UNKNOWN;
