import type { Market } from './rules.ts';

export const HAND_TESTS = ['drop', 'pull', 'twist', 'press', 'bite', 'soak'] as const;
export type HandTestId = (typeof HAND_TESTS)[number];

/** Use and abuse by hand: what to do, by age in months (16 CFR 1500.51 to .53 and EN 71-1, from memory). */
export interface HandTest {
  readonly id: HandTestId;
  readonly words: string;
  /** What must be held at least, where a scale reads it, N. */
  readonly force: number | null;
  /** For how long, s. */
  readonly hold: number | null;
  /** How often. */
  readonly times: number;
}

/**
 * What a test by hand holds for: the family, dials and materials that the tested thing was made with. One that was turned
 * and turned back is the same again.
 */
export function madeAs(design: {
  readonly pattern: string;
  readonly dials: Readonly<Record<string, unknown>>;
  readonly materials: Readonly<Record<string, readonly number[]>>;
}): string {
  const sorted = (o: object): unknown[] => Object.entries(o).sort(([a], [b]) => (a < b ? -1 : 1));
  return JSON.stringify([design.pattern, sorted(design.dials), sorted(design.materials)]);
}

/**
 * Tests that count for a design as it stands: those done on a thing made just so. A failed one of which it is not known what
 * it was done on counts too, a passed one does not.
 */
export const testsThatCount = <T extends { readonly passed: boolean; readonly madeAs: string }>(
  tests: readonly T[],
  as: string,
): T[] => tests.filter((t) => t.madeAs === as || (t.madeAs === '' && !t.passed));

/** The tests to do by hand for the youngest who will use it; the greater figure where markets differ. */
export function handTests(youngest: number, market: Market): HandTest[] {
  const us = market !== 'EU-type';
  const eu = market !== 'US-type';
  const step = youngest < 18 ? 0 : youngest < 36 ? 1 : 2;
  const drop = [
    us ? (step === 0 ? '10 × from 1.37 m' : '4 × from 0.91 m') : null,
    eu ? '5 × from 0.85 m' : null,
  ];
  const ours = step === 0 ? 44.5 : 66.7;
  const pull = [us ? `${ours} N` : null, eu ? '50 N (parts to 6 mm) or 90 N' : null];
  const join = (parts: (string | null)[]): string => parts.filter(Boolean).join(', then ');
  const press = [89, 111, 133][step]!;
  const test = (id: HandTestId, words: string, part: Partial<HandTest> = {}): HandTest => ({
    id,
    words,
    force: null,
    hold: null,
    times: 1,
    ...part,
  });
  return [
    test('drop', `Drop ${join(drop)}`, { times: us && step === 0 ? 10 : eu ? 5 : 4 }),
    test('pull', `Pull each piece and each part that is fixed on, ${join(pull)}, 10 s`, {
      force: eu ? 90 : ours,
      hold: 10,
    }),
    ...(us
      ? [
          test('twist', `Twist each piece, ${['0.23', '0.34', '0.45'][step]} N·m`, { hold: 10 }),
          test('press', `Press each piece, ${press} N`, { force: press, hold: 10 }),
        ]
      : []),
    ...(us
      ? [
          test('bite', `Bite each part that goes in a mouth with pliers, ${['111', '222', '445'][step]} N`, {
            force: [111, 222, 445][step]!,
            hold: 10,
          }),
        ]
      : []),
    // EN 71-1, 8.9: four times under water for four minutes, ten minutes of rest between.
    ...(eu && step < 2
      ? [test('soak', 'Soak what is glued 4 × for 4 min in water, then pull again', { times: 4, hold: 240 })]
      : []),
  ];
}
