import { addDays, type Day } from '../calendar/days.ts';
import type { Market } from './rules.ts';

export const HAND_TESTS = ['drop', 'pull', 'twist', 'press', 'bite', 'soak', 'feel'] as const;
export type HandTestId = (typeof HAND_TESTS)[number];

/** Use and abuse by hand: what to do, by age in months (16 CFR 1500.51 to .53 and EN 71-1, from memory). */
export interface HandTest {
  readonly id: HandTestId;
  readonly words: string;
  /** What must be held at least, where a scale reads it, N. */
  readonly force: number | null;
  /** How it is done without a gauge, and what that proves; null where nothing in a household does. */
  readonly household: string | null;
  /** For how long, s. */
  readonly hold: number | null;
  /** How often. */
  readonly times: number;
}

/**
 * What a test by hand holds for: the pattern, dials and materials that the tested thing was made with. One that was turned
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

/** How long a test that was passed counts: half a year, or so many loans of one kit (common practice; glue ages, and so does tape). */
export const PASS_COUNTS = { days: 180, loans: 10 } as const;

/** The last day on which a test that was passed on a day counts. */
export const countsUntil = (on: Day): Day => addDays(on, PASS_COUNTS.days);

/** Whether a test that was passed counts no more. `loans` of the kit of its kind that was lent most since. */
export const isSpent = (t: { readonly on: Day; readonly loans: number }, today: Day): boolean =>
  countsUntil(t.on) < today || t.loans >= PASS_COUNTS.loans;

/**
 * Tests that count for a design as it stands: those done on a thing made just so, passed ones only for their time and number
 * of loans. A failed one of which it is not known what it was done on counts too, a passed one does not.
 */
export const testsThatCount = <
  T extends { readonly passed: boolean; readonly madeAs: string; readonly isSpent?: boolean },
>(
  tests: readonly T[],
  as: string,
): T[] =>
  tests.filter((t) => (t.madeAs === as && !(t.passed && t.isSpent)) || (t.madeAs === '' && !t.passed));

/** Standard gravity, N/kg. */
const G = 9.80665;
const POUND = 4.4482216;
/** Forces as people read them off a scale: in N, as a mass that hangs, or in pounds. */
export const FORCE_UNITS = ['N', 'kg', 'lb'] as const;
export type ForceUnit = (typeof FORCE_UNITS)[number];

/**
 * A force that was read in a unit, N.
 *
 * @example newtons(9, 'kg') // => 88.3
 * @example newtons(20, 'lb') // => 89
 */
export const newtons = (value: number, unit: ForceUnit): number =>
  Math.round(10 * value * (unit === 'N' ? 1 : unit === 'kg' ? G : POUND)) / 10;

/**
 * The least mass to hang on a thing that pulls at it with a force, kg, rounded up to a tenth: 9.2 for 90 N.
 */
const hangs = (force: number): number => Math.ceil((10 * force) / G - 1e-9) / 10;

/**
 * What is asked of a test by force, N; null where it asks for none.
 *
 * @param youngest months
 */
export const askedForce = (test: HandTestId, youngest: number, market: Market): number | null =>
  handTests(youngest, market).find((t) => t.id === test)?.force ?? null;

/** A bag of water that hangs from a thing for ten seconds, and the force that it proves. */
const hung = (force: number): string =>
  `Hang a strong bag with ${hangs(force)} kg of water on it for 10 s, over a bed or a pillow: that pulls with ${newtons(hangs(force), 'kg')} N, at least the ${force} N asked.`;

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
  // The greater of two texts: 20, 25 and 30 pounds; EN 71-1 8.8, 110 N.
  const press = Math.max(us ? [89, 111, 133][step]! : 0, eu ? 110 : 0);
  // 2, 3 and 4 inch-pounds; EN 71-1 8.3, 0.34 N·m.
  const twist = Math.max(us ? [0.23, 0.34, 0.45][step]! : 0, eu ? 0.34 : 0);
  const test = (id: HandTestId, words: string, part: Partial<HandTest> = {}): HandTest => ({
    id,
    words,
    force: null,
    household: null,
    hold: null,
    times: 1,
    ...part,
  });
  return [
    test('drop', `Drop ${join(drop)}`, { times: us && step === 0 ? 10 : eu ? 5 : 4 }),
    test('pull', `Pull each piece and each part that is fixed on, ${join(pull)}, 10 s`, {
      force: eu ? Math.max(90, us ? ours : 0) : ours,
      household: hung(eu ? 90 : ours),
      hold: 10,
    }),
    test('twist', `Twist each piece, ${twist} N·m`, { hold: 10 }),
    test('press', `Press each piece, ${press} N`, {
      force: press,
      household: `Lay it on the floor under a board and stand ${hangs(press)} kg on it, a bucket of water on a scale before: that presses with ${press} N.`,
      hold: 10,
    }),
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
    test(
      'feel',
      'Cover each sharp edge, then feel all round it with a fingertip and a bit of thin cloth: nothing catches',
    ),
  ];
}
