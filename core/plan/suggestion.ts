import type { Scene } from '../drawing/mark.ts';
import type { AnyDials, Approach, BenchTool, Skill } from '../patterns/index.ts';
import type { Market, PlaceRules } from '../safety/rules.ts';

/** What a practitioner asks for: a skill, for whom, with what is at hand. */
export interface Wish {
  readonly skill: Skill;
  /** The youngest who will use it, months. */
  readonly ageFrom: number;
  readonly approach: Approach;
  readonly market: Market;
  readonly rules?: PlaceRules | undefined;
  /** Tools that are not at hand; without a craft knife nothing with a blade is offered. */
  readonly without: readonly BenchTool[];
  readonly quiet: boolean;
  /** Most minutes of hands-on work for one kit; null for any. */
  readonly minutes: number | null;
}

export interface Suggestion {
  readonly pattern: string;
  /** Where the skill stands among those that the pattern is for: 0 for the one it practises most. */
  readonly rank: number;
  readonly name: string;
  readonly does: string;
  readonly materials: Readonly<Record<string, readonly number[]>>;
  readonly dials: AnyDials;
  readonly picture: Scene;
  /** Kits the free stock gives, and what runs out first. */
  readonly kits: number;
  readonly first: string | null;
  /** Hands-on minutes of one kit, and how many steps are an adult's and a child's own. */
  readonly minutes: number;
  readonly adultSteps: number;
  readonly childSteps: number;
  readonly blade: boolean;
  readonly quiet: boolean;
  readonly tools: readonly BenchTool[];
  readonly cautions: readonly string[];
}

/** A pattern that serves the skill but cannot be started so, with the reason. */
export interface LeftOut {
  readonly name: string;
  readonly why: string;
}

export interface Suggested {
  readonly suggestions: readonly Suggestion[];
  readonly left: readonly LeftOut[];
}
