import type { Told } from '../languages/messages.ts';
import type { Feature, Verdict } from '../patterns/kernel.ts';
import type { HandTestId } from './handTests.ts';
import type { Rule, RuleUnit } from './rules.ts';

/** The number that decided, and how far it is from the limit: over 0 there is room left. */
export interface Measured {
  readonly value: number;
  readonly limit: number;
  readonly unit: RuleUnit;
  readonly margin: number;
}

export interface Finding {
  /** Its own in one report. */
  readonly id: string;
  /** The rule that was applied. */
  readonly rule: string;
  readonly verdict: Verdict;
  readonly title: string;
  readonly words: string;
  readonly remedy: string | null;
  readonly source: string;
  readonly measured: Measured | null;
  /** Where on the design it sits, in the design's own word. */
  readonly where: string;
  /** What the place has changed in the rule. */
  readonly changed: string | null;
  /** Age below which the rule’s limit holds, months, where who uses it is older; else null. */
  readonly younger: number | null;
}

/** What a judge says of one feature. */
export interface Said {
  readonly words: string;
  readonly where: string;
  readonly title?: string | undefined;
  readonly remedy?: string | undefined;
  readonly source?: string | undefined;
  readonly measured?: Measured | undefined;
}

/** A test that was done by hand on a finished kit. */
export interface TestDone {
  /** The part it was done on, as the check names it. */
  readonly part: string;
  readonly test: string;
  readonly passed: boolean;
  /** ISO date. */
  readonly on: string;
  readonly by: string;
  /** The greatest force that was held, N; null or left out where none was measured. */
  readonly force?: number | null;
  /** The last day it counts, where that was said. */
  readonly until?: string | undefined;
}

/** What a test that was done says of a part: that it holds, or that it proves less than is asked. */
export interface Proof {
  readonly holds: boolean;
  readonly words: string;
}

/** How a judge finds its rule and says what came out. */
export interface Bench extends Told {
  /** Deciding age, months. */
  readonly youngest: number;
  readonly features: readonly Feature[];
  /** null where the place has switched it off. */
  rule(id: string): (Rule & { readonly limit: number }) | null;
  /** The rule is kept. */
  clear(rule: Rule, said: Said): void;
  /** The rule is broken: its verdict for the ages it speaks of, the milder one for those who are older. */
  broken(rule: Rule, said: Said): void;
  /** Told whatever the age, and no more than that. */
  care(rule: Rule, said: Said): void;
  /** What the last test of that kind on a part proves; null where none was passed. */
  proof(part: string, test: HandTestId): Proof | null;
}

export type Judge<K extends Feature['kind']> = (f: Extract<Feature, { kind: K }>, on: Bench) => void;

export const mm = (x: number): string => `${(Math.round(x * 10) / 10).toFixed(1).replace(/\.0$/, '')} mm`;
/** A value that must be at least its limit, or at most. */
export const atLeast = (value: number, limit: number, unit: RuleUnit = 'mm'): Measured => ({
  value,
  limit,
  unit,
  margin: value - limit,
});
export const atMost = (value: number, limit: number, unit: RuleUnit = 'mm'): Measured => ({
  value,
  limit,
  unit,
  margin: limit - value,
});
