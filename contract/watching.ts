import { z } from 'zod';
import { SKILLS } from '../core/patterns/kernel.ts';
import type { GroupDesign, ToMake } from '../core/watch/groupView.ts';
import type { HelpSteps } from '../core/watch/helpSteps.ts';
import type { Ability, Chance } from '../core/watch/ladderModel.ts';
import type { Candidate, WhatNext } from '../core/watch/whatNext.ts';

/** A child that notes speak of. */
export interface WatchedChild {
  readonly child: string;
  readonly notes: number;
  readonly lastOn: string;
}

export const childPageQuery = z.strictObject({
  /** The aim; the skill of the latest note where it is left out. */
  skill: z.enum(SKILLS, { error: `expected one of ${SKILLS.join(', ')}` }).optional(),
});

/** One level of a design that the child has tried. */
export interface LevelChance extends Chance {
  readonly designId: number;
  readonly design: string;
  readonly level: string;
  readonly bits: number;
  /** Whether its difficulty was found from answers, rather than from its bits. */
  readonly isMeasured: boolean;
  /** As the latest sitting showed; null where it was not tried. */
  readonly alone: 0 | 1 | null;
}

/** What is worked out of the notes on one child. */
export interface ChildPage {
  readonly child: string;
  readonly notes: number;
  readonly ability: Ability;
  readonly rests: {
    readonly children: number;
    readonly answers: number;
    readonly levels: number;
    readonly isGuess: boolean;
    /** How much easier a level is hand over hand, with a hand on the wrist and with a verbal prompt than alone, logits. */
    readonly help: HelpSteps;
  };
  readonly levels: readonly LevelChance[];
  readonly whatNext: WhatNext;
}

/** A group of children, by their codes up to the dash. */
export interface WatchedGroup {
  readonly group: string;
  readonly children: number;
  readonly notes: number;
}
export interface GroupPage {
  readonly group: string;
  readonly children: readonly string[];
  readonly designs: readonly (GroupDesign & { readonly design: string; readonly skill: string })[];
  /** Designs without a kit that suit the group, best first. */
  readonly make: readonly (ToMake & {
    readonly design: string;
    readonly skill: string;
    /** What the check says of it for all its children together. */
    readonly check: Candidate['check'];
  })[];
  readonly isGuess: boolean;
}
