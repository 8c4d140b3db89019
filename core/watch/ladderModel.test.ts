import fc from 'fast-check';
import { watchedNote as note } from '../testing.ts';
import { chanceAt, childAbility, doubtsOf, ladderModel, toFit, type PatternEffect } from './ladderModel.ts';
import { outcomesOf, type Watched } from './outcomes.ts';
import { rasch } from './rasch.ts';

const fitted = (notes: readonly Watched[]) => {
  const outcomes = outcomesOf(notes);
  const fit = toFit(outcomes);
  return { outcomes, fit, model: ladderModel(outcomes, fit && rasch(fit.responses)) };
};
const at = (bits: number, level = `r${bits}`) => ({ designId: 1, level, bits });

/** Children that follow the model: levels of 6 to 14 bits, a logit for each bit and a half, abilities of a spread of 1.2. */
function played(children: number): Watched[] {
  let state = 20261;
  const chance = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const normal = () => Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance());
  const notes: Watched[] = [];
  for (let c = 0; c < children; c++) {
    const ability = 1.2 * normal();
    for (const bits of [6, 8, 10, 12, 14]) {
      const alone = chance() < 1 / (1 + Math.exp((bits - 10) / 1.5 - ability));
      notes.push(
        note({
          id: notes.length + 1,
          child: `C-${c}`,
          level: `r${bits}`,
          bits,
          help: alone ? 'none' : 'verbal prompt',
        }),
      );
    }
  }
  return notes;
}

it('finds the difficulties, the slope and the spread that children were played with', () => {
  const { model } = fitted(played(600));
  expect(model).toMatchObject({ isGuess: false, levels: 5, children: 600, answers: 3000 });
  for (const bits of [6, 8, 10, 12, 14])
    expect(Math.abs(model.difficulty(at(bits)) - (bits - 10) / 1.5)).toBeLessThan(0.3);
  expect(model.slope).toBeGreaterThan(0.58);
  expect(model.slope).toBeLessThan(0.75);
  expect(Math.abs(model.spread - 1.2)).toBeLessThan(0.15);
  // A level that nobody tried is placed by its bits.
  expect(model.isMeasured(at(9))).toBe(false);
  expect(Math.abs(model.difficulty(at(9)) + 1 / 1.5)).toBeLessThan(0.3);
});

it('finds what a pattern is harder by than its bits say, and knows nothing of one without notes', () => {
  // The same bits at two designs of two patterns; those of the second are managed as if each were two logits harder.
  let state = 4711;
  const chance = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const normal = () => Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance());
  const notes = Array.from({ length: 400 }, () => 1.2 * normal()).flatMap((ability, c) =>
    [1, 2].flatMap((designId) =>
      [8, 9, 10, 11, 12].map((bits) => {
        const alone = chance() < 1 / (1 + Math.exp((bits - 10) / 1.5 + (designId === 2 ? 2 : 0) - ability));
        return note({
          id: 1 + c * 100 + 10 * designId + bits,
          child: `C-${c}`,
          designId,
          level: `r${bits}`,
          bits,
          help: alone ? 'none' : 'verbal prompt',
        });
      }),
    ),
  );
  const outcomes = outcomesOf(notes);
  const patternOf = (id: number) => ['', 'lace', 'stack', 'track'][id];
  const model = ladderModel(outcomes, rasch(toFit(outcomes)!.responses), patternOf);
  const [lace, stack, track] = [1, 2, 3].map((id) => model.patternEffect(id)) as [
    PatternEffect,
    PatternEffect,
    PatternEffect,
  ];
  expect(stack.mean - lace.mean).toBeGreaterThan(1.5);
  expect(stack.mean - lace.mean).toBeLessThan(2.2);
  expect(lace.sd).toBeLessThan(0.5);
  expect(track).toEqual({ mean: 0, sd: 1.5 });
  // A level that nobody tried is placed by its pattern, too.
  const between = (designId: number) => model.difficulty({ designId, level: 'new', bits: 10.5 });
  expect(between(2) - between(1)).toBeCloseTo(stack.mean - lace.mean, 9);
  // A child seen at one pattern: of the other as much is unknown as everybody's notes leave, of a third all.
  const doubts = doubtsOf(
    outcomesOf(notes.filter((n) => n.child !== 'C-0' || n.designId === 1)),
    'C-0',
    model,
    patternOf,
  );
  const level = (designId: number) => ({ designId, level: 'new' });
  expect(doubts(level(1))).toBe(0);
  expect(doubts(level(2))).toBeCloseTo(stack.sd, 9);
  expect(doubts(level(3))).toBe(1.5);
});

it('draws a pattern of few notes to none: a handful makes no strong claim of it', () => {
  // The same children on two designs; of the second pattern each did one level, and none managed it.
  const rows = Array.from({ length: 12 }, (_, c) => [
    note({ id: 10 * c + 1, child: `C-${c}`, level: 'a', bits: 8, help: c % 3 ? 'none' : 'verbal prompt' }),
    note({ id: 10 * c + 2, child: `C-${c}`, level: 'b', bits: 10, help: c % 2 ? 'none' : 'verbal prompt' }),
    note({
      id: 10 * c + 3,
      child: `C-${c}`,
      designId: 2,
      level: 'c',
      bits: 9,
      help: c === 0 ? 'none' : 'verbal prompt',
    }),
  ]).flat();
  const outcomes = outcomesOf(rows);
  const patternOf = (id: number) => (id === 1 ? 'lace' : 'stack');
  const model = ladderModel(outcomes, rasch(toFit(outcomes)!.responses), patternOf);
  const [lace, stack] = [model.patternEffect(1), model.patternEffect(2)];
  expect(stack.mean).toBeGreaterThan(lace.mean);
  // One level of twelve answers, eleven of them not alone: harder, and far from certain.
  expect(stack.sd).toBeGreaterThan(0.5);
  expect(stack.sd).toBeLessThan(1.5);
  // Where no design’s pattern is told, all count as of one, and nothing is taken off.
  const plain = ladderModel(outcomes, rasch(toFit(outcomes)!.responses));
  expect(plain.patternEffect(1)).toEqual(plain.patternEffect(2));
});

it('guesses by bits where notes are few, and says so', () => {
  const { model, fit, outcomes } = fitted([note({}), note({ id: 2, child: 'S-02', help: 'hand on wrist' })]);
  expect(fit).toBeNull();
  expect(model).toMatchObject({ isGuess: true, children: 2, answers: 2, levels: 0 });
  // Half of the answers were alone: there a child in the middle manages half; a bit more halves the odds.
  expect(model.difficulty(at(11.5))).toBeCloseTo(0, 9);
  const odds = (bits: number) => {
    const p = 1 / (1 + Math.exp(model.difficulty(at(bits))));
    return p / (1 - p);
  };
  expect(odds(12.5) / odds(11.5)).toBeCloseTo(0.5, 9);
  expect(childAbility(outcomes, 'nobody', model)).toMatchObject({ mean: expect.closeTo(0, 6) });
});

it('makes no strong claim of a handful, though they were all alike', () => {
  // Six children of whom none differs from another: an estimate alone would say that children have no spread.
  const notes = Array.from({ length: 6 }, (_, i) => [
    note({ id: 2 * i + 1, child: `C-${i}`, level: 'a', bits: 8, help: i % 2 ? 'none' : 'verbal prompt' }),
    note({ id: 2 * i + 2, child: `C-${i}`, level: 'b', bits: 9, help: i % 2 ? 'verbal prompt' : 'none' }),
  ]).flat();
  const { model, outcomes } = fitted(notes);
  expect(model.isGuess).toBe(false);
  expect(model.spread).toBeGreaterThan(1);
  expect(childAbility(outcomes, 'C-1', model).sd).toBeGreaterThan(0.6);
});

it('lets answers at other skills count for a part', () => {
  const { outcomes, model } = fitted([
    note({ id: 1, designId: 1 }),
    note({ id: 2, designId: 2, bits: 9, help: 'hand over hand' }),
  ]);
  const of = (serves: (id: number) => boolean) => childAbility(outcomes, 'G-04', model, serves).mean;
  expect(of((id) => id === 1)).toBeGreaterThan(of(() => true));
  expect(of((id) => id === 2)).toBeLessThan(of(() => true));
});

it('keeps chances in order: within the interval, higher for the able, lower for what is difficult', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -4, max: 4, noNaN: true }),
      fc.double({ min: 0.05, max: 2, noNaN: true }),
      fc.double({ min: -6, max: 6, noNaN: true }),
      (mean, sd, difficulty) => {
        const { chance, low, high } = chanceAt({ mean, sd }, difficulty);
        expect(low).toBeLessThan(chance);
        expect(chance).toBeLessThan(high);
        expect(chanceAt({ mean: mean + 0.5, sd }, difficulty).chance).toBeGreaterThan(chance);
        expect(chanceAt({ mean, sd }, difficulty + 0.5).chance).toBeLessThan(chance);
      },
    ),
    { numRuns: 60 },
  );
});
