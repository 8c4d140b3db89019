import fc from 'fast-check';
import {
  abilityAfter,
  ALONE,
  helpSteps,
  helpChance,
  USUAL_STEPS,
  type HelpSteps,
  type LevelAnswer,
  type HelpRange,
} from './helpSteps.ts';
import { HELP, levelsOf } from './outcomes.ts';
import { rasch } from './rasch.ts';

const exactly = (helpLevel: number): HelpRange => ({ low: helpLevel, high: helpLevel });
const HELP_LEVELS = [0, 1, 2, 3, ALONE];

/** Random numbers that are the same in every run (Park and Miller 1988). */
function chances(seed: number) {
  let state = seed;
  const chance = () => (state = (state * 48271) % 2147483647) / 2147483647;
  return { chance, normal: () => Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance()) };
}

/** Children whose levels follow the model with these steps, at levels of five difficulties. */
function played(children: number, steps: HelpSteps, spread: number): LevelAnswer[][] {
  const { chance, normal } = chances(41);
  return Array.from({ length: children }, () => {
    const ability = spread * normal();
    return [-2, -1, 0, 1, 2].map((difficulty) => {
      const drawn = chance();
      let [helpLevel, sum] = [0, helpChance(ability - difficulty, exactly(0), steps)];
      while (sum < drawn && helpLevel < ALONE)
        sum += helpChance(ability - difficulty, exactly(++helpLevel), steps);
      return { difficulty, ...exactly(helpLevel) };
    });
  });
}

describe('levels of help as ordered steps', () => {
  it('a sitting leaves possible what its help says', () => {
    const of = (part: object) => levelsOf({ help: 'none', tries: 1, managed: 1, count: 8, ...part });
    expect(HELP.map((help) => of({ help }).low)).toEqual([4, 4, 3, 2, 1]);
    // Not managed alone, it may be managed with any help or none; not with a hand on the wrist, at most hand over hand.
    expect(of({ managed: 0 })).toEqual({ low: 0, high: 3 });
    expect(of({ managed: 0, help: 'hand on wrist' })).toEqual({ low: 0, high: 1 });
    expect(of({ managed: 0, help: 'hand over hand' })).toEqual({ low: 0, high: 0 });
    expect(of({ count: 0 })).toEqual({ low: 0, high: 3 });
  });

  it('one of the levels it is, and more help is never less likely to do', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -6, max: 6, noNaN: true }),
        fc.tuple(...[1, 2, 3].map(() => fc.double({ min: 0.1, max: 3, noNaN: true }))),
        (gap, [a, b, c]) => {
          const steps: HelpSteps = [a! + b! + c!, a! + b!, a!];
          const sum = HELP_LEVELS.reduce((n, helpLevel) => n + helpChance(gap, exactly(helpLevel), steps), 0);
          expect(sum).toBeCloseTo(1, 9);
          const with_ = HELP_LEVELS.map((low) => helpChance(gap, { low, high: ALONE }, steps));
          for (let i = 1; i < with_.length; i++) expect(with_[i]!).toBeLessThanOrEqual(with_[i - 1]!);
        },
      ),
    );
  });

  it('of alone or not it is the Rasch model', () => {
    const responses = (
      [
        [1, 1, 0],
        [0, 1, 0],
        [1, 0, 0],
        [1, 1, 1],
        [0, 0, 1],
        [0, 1, null],
      ] as const
    ).map((r) => [...r]);
    const fit = rasch(responses);
    responses.forEach((row, i) => {
      const answers = row.flatMap((x, j) =>
        x === null
          ? []
          : [{ difficulty: fit.difficulties[j]!, ...(x === 1 ? exactly(ALONE) : { low: 0, high: 3 }) }],
      );
      const { mean, sd } = abilityAfter(answers, fit.sd, USUAL_STEPS);
      expect(mean).toBeCloseTo(fit.abilities[i]!.mean, 6);
      expect(sd).toBeCloseTo(fit.abilities[i]!.sd, 6);
    });
  });

  it('whoever needs less help stands higher', () => {
    const means = [{ low: 0, high: 0 }, ...[1, 2, 3, 4].map(exactly)].map(
      (helpRanges) => abilityAfter([{ difficulty: 0, ...helpRanges }], 1.5, USUAL_STEPS).mean,
    );
    expect(means).toEqual([...means].sort((a, b) => a - b));
    expect(new Set(means).size).toBe(5);
    // An answer that counts for a part says less.
    const part = abilityAfter([{ difficulty: 0, ...exactly(1), counts: 0.3 }], 1.5, USUAL_STEPS).mean;
    expect(part).toBeGreaterThan(means[1]!);
    expect(part).toBeLessThan(0);
  });
});

describe('how much each help makes easier', () => {
  it('is found from what children were played with', () => {
    const found = helpSteps(played(600, [3.4, 1.7, 0.6], 1.3), 1.3);
    [3.4, 1.7, 0.6].forEach((step, i) => expect(Math.abs(found[i]! - step)).toBeLessThan(0.25));
  });

  it('is what is usual where no note speaks of help, and stays near it where few do', () => {
    expect(helpSteps([], 1.5)).toEqual(USUAL_STEPS);
    expect(helpSteps([[{ difficulty: 0, ...exactly(ALONE) }]], 1.5)).toEqual(USUAL_STEPS);
    const few = helpSteps([[{ difficulty: 0, ...exactly(2) }], [{ difficulty: 1, ...exactly(3) }]], 1.5);
    few.forEach((step, i) => expect(Math.abs(step - USUAL_STEPS[i]!)).toBeLessThan(0.6));
    expect(few[0]).toBeGreaterThan(few[1]);
    expect(few[1]).toBeGreaterThan(few[2]);
  });

  it('no other steps are more likely: against an integral of its own', () => {
    const children = played(40, [2.2, 1.6, 0.9], 1.5);
    /** Log-likelihood with the prior, abilities over 301 even points. */
    const worth = (steps: HelpSteps): number => {
      const sizes = [steps[2], steps[1] - steps[2], steps[0] - steps[1]];
      let sum = -sizes.reduce((n, s) => n + Math.log(s) ** 2, 0) / (2 * 0.5 ** 2);
      for (const answers of children) {
        let integral = 0;
        for (let x = -9; x <= 9; x += 0.06)
          integral += answers.reduce(
            (p, a) => p * helpChance(x - a.difficulty, a, steps),
            Math.exp(-((x / 1.5) ** 2) / 2),
          );
        sum += Math.log(integral);
      }
      return sum;
    };
    const found = helpSteps(children, 1.5);
    const best = worth(found);
    for (let k = 0; k < 3; k++)
      for (const by of [0.85, 1.15]) {
        const sizes = [found[2], found[1] - found[2], found[0] - found[1]];
        sizes[k]! *= by;
        const other: HelpSteps = [sizes[0]! + sizes[1]! + sizes[2]!, sizes[0]! + sizes[1]!, sizes[0]!];
        expect(worth(other)).toBeLessThan(best);
      }
  });
});
