import { watchedNote as note } from '../testing.ts';
import { ladderModel, patternDoubt } from './ladderModel.ts';
import { outcomesOf, type Watched } from './outcomes.ts';
import { boredOf, whatNext, type Candidate } from './whatNext.ts';

const PINCER = 'Pincer and release';
const level = (designId: number, bits: number, skill = PINCER): Candidate => ({
  designId,
  design: `Design ${designId}`,
  skill,
  level: `${bits} bits`,
  bits,
  label: `FB-00${designId}a`,
  check: { verdict: 'clear', title: null, words: null },
});
/** A child in the middle, known well; a level of 10 bits is managed half the time. */
const ask = (notes: Watched[], candidates: Candidate[], part: { sd?: number; skill?: string } = {}) => {
  const model = {
    ...ladderModel(outcomesOf([]), null),
    difficulty: (r: { bits: number }) => Math.LN2 * (r.bits - 10),
    isGuess: false,
  };
  return whatNext({
    notes,
    candidates,
    model,
    ability: () => ({ mean: 0, sd: part.sd ?? 0.01 }),
    skill: part.skill ?? PINCER,
    nameOf: (id) => `Design ${id}`,
    skillOf: (id) => candidates.find((c) => c.designId === id)?.skill,
  });
};
const LADDER = [6, 7, 8, 9, 10, 11].map((b) => level(1, b));

it('offers the level of about seven in ten, an easier one, and another skill', () => {
  const found = ask([], [...LADDER, level(2, 9, 'Hand strength'), level(2, 13, 'Hand strength')]);
  // Odds of 2 at 9 bits: two in three, nearer to 0.7 than four in five at 8.
  expect(found.next).toMatchObject({ level: '9 bits', label: 'FB-001a' });
  expect(found.next!.chance).toBeCloseTo(2 / 3, 2);
  expect(found.easier).toMatchObject({ level: '7 bits' });
  expect(found.other).toMatchObject({ designId: 2, level: '9 bits' });
  expect(found.next!.reason).toMatch(
    /^About 7 in 10 to manage this alone \(between \d and \d+ in 10; 0 notes\)\. A guess: few notes on this child yet\.$/,
  );
});

it('goes on from what was managed alone, and keeps what is done for a tired day', () => {
  const found = ask([note({ level: '9 bits', bits: 9 })], LADDER);
  expect(found.next).toMatchObject({ level: '10 bits' });
  expect(found.next!.reason).toMatch(
    /^“9 bits” was managed alone; about 5 in 10 to manage this alone \(between \d and \d+ in 10; 1 note\)/,
  );
  expect(found.easier).toMatchObject({ level: '7 bits' });
});

it('says what it goes by: the last sitting on the design, or on another of the skill', () => {
  const helped = note({ level: '9 bits', bits: 9, help: 'verbal prompt' });
  expect(ask([helped], LADDER).next!.reason).toMatch(
    /^“9 bits” was done with a verbal prompt; about 7 in 10/,
  );
  const other = [...LADDER, level(3, 15)];
  const onThree = note({ designId: 3, level: '15 bits', bits: 15, tries: 2, managed: 0 });
  expect(ask([onThree], other).next!.reason).toMatch(/^Design 3, “15 bits” was not yet managed; about/);
});

describe('boredom', () => {
  const pace = (seconds: number[]) =>
    seconds.map((s, i) => note({ id: i + 1, satOn: `2026-11-0${i + 1}`, seconds: s, count: 8 }));
  it('is said, or seen: three sittings on one level, each faster, none higher', () => {
    expect(boredOf([note({ liked: 'bored' })], 1)).toMatch(/“bored”/);
    expect(boredOf(pace([90, 80, 70]), 1)).toMatch(/faster each time/);
    expect(boredOf(pace([90, 80, 85]), 1)).toBeNull();
    expect(boredOf(pace([90, 80]), 1)).toBeNull();
    expect(
      boredOf([...pace([90, 80]), note({ id: 9, satOn: '2026-11-09', level: 'x', seconds: 10 })], 1),
    ).toBeNull();
    expect(
      boredOf([note({ liked: 'bored' }), note({ id: 2, satOn: '2026-11-20', liked: 'fine' })], 1),
    ).toBeNull();
    expect(boredOf([note({ liked: 'bored', designId: 2 })], 1)).toBeNull();
  });
  it('is seen in liking that falls over three sittings, not in one worse day', () => {
    const liked = (...list: (Watched['liked'] | null)[]) =>
      list.map((l, i) => note({ id: i + 1, satOn: `2026-11-0${i + 1}`, liked: l }));
    expect(boredOf(liked('loved it', 'fine', 'fine'), 1)).toMatch(/liked less/);
    expect(boredOf(liked('loved it', 'loved it', null, 'fine'), 1)).toMatch(/liked less/);
    expect(boredOf(liked('loved it', 'fine'), 1)).toBeNull();
    expect(boredOf(liked('fine', 'fine', 'fine'), 1)).toBeNull();
    expect(boredOf(liked('loved it', 'fine', 'loved it'), 1)).toBeNull();
  });
  it('brings something else of the same skill', () => {
    const found = ask([note({ liked: 'bored' })], [...LADDER, level(4, 9.2)]);
    expect(found.next).toMatchObject({ designId: 4 });
    expect(found.next!.reason).toMatch(/^Something else for the same skill/);
    expect(found.bored).toEqual([{ design: 1, why: expect.stringContaining('bored') }]);
  });
});

it('offers nothing where nothing is in, and says when it guesses', () => {
  expect(ask([], [])).toMatchObject({ next: null, easier: null, other: null });
  const model = ladderModel(outcomesOf([]), null);
  const guess = whatNext({
    notes: [],
    candidates: LADDER,
    model,
    ability: () => ({ mean: 0, sd: 1.5 }),
    skill: PINCER,
    nameOf: String,
    skillOf: () => PINCER,
  });
  expect(guess.next!.reason).toMatch(/A guess: few notes on this child yet\.$/);
});

it('a pattern that no note on the child is of is not known yet, however sure its other patterns are', () => {
  const six = Array.from({ length: 6 }, (_, i) => note({ id: i + 1, level: '9 bits', bits: 9 }));
  const model = ladderModel(outcomesOf([]), null);
  const asked = (share: number) =>
    whatNext({
      notes: six,
      candidates: [level(7, 8)],
      model,
      ability: () => ({ mean: model.difficulty(level(7, 8)) + 1, sd: 0.3 }),
      doubt: () => patternDoubt(share),
      skill: PINCER,
      nameOf: String,
      skillOf: () => PINCER,
    }).next!.reason;
  expect(asked(0)).toContain('is not known yet (6 notes)');
  expect(asked(0)).not.toContain(' in 10');
  expect(asked(1)).toMatch(/about \d in 10 .*\(between \d+ and \d+ in 10; 6 notes\)/);
  expect(patternDoubt(0)).toBe(1.5);
  expect(patternDoubt(1)).toBe(0);
});
