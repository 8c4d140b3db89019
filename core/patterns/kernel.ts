import type { z } from 'zod';
import type { Hand } from '../child/hand.ts';
import type { Move } from '../challenge/bits.ts';
import type { Beside, Load } from '../challenge/load.ts';
import type { Mark, Scene } from '../drawing/mark.ts';
import type { Vec2 } from '../geometry/vector.ts';
import type { Language, Told } from '../languages/messages.ts';
import type { Grain } from '../materials/material.ts';
import type { Feature } from './feature.ts';
import type { Act } from './acts.ts';
import type { Reaches } from './reach.ts';
import type { Chosen, Role, Use } from './roles.ts';
import type { Skill } from './skills.ts';

export type { Feature, Reaches };
export * from './roles.ts';
export * from './skills.ts';

/** Schools of practice; each changes the defaults a design starts from. */
export const APPROACHES = ['prepared shelf', 'graded play', 'made together', 'grab bag'] as const;
export type Approach = (typeof APPROACHES)[number];

export type Verdict = 'clear' | 'care' | 'stop';

/** The worst of several verdicts; clear when there is none. */
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.includes('stop') ? 'stop' : verdicts.includes('care') ? 'care' : 'clear';

/** A design as far as a pattern sees it. Approach and age belong to the design, not to its dials. */
export interface At<D> {
  readonly dials: D;
  readonly chosen: Chosen;
  readonly approach: Approach;
  /** Age of the youngest it is made for, months. */
  readonly ageFrom: number;
  /** What its sentences are said in: English where none is told. */
  readonly language?: Language | undefined;
  /** For how many kits a step speaks that is done for all of them at one go; one where it is left out. */
  readonly kits?: number | undefined;
}

/** The first answer of a design that is about to begin. */
export type Start = Omit<At<never>, 'dials'> & {
  /** Tools that are not at hand: a pattern that can do without them begins so. */
  readonly without?: readonly BenchTool[] | undefined;
};

export interface Option {
  readonly value: string;
  readonly label: string;
  /** The reason beside a choice on which practitioners differ. */
  readonly why?: string;
}

/** What a dial on the bench is told in. */
export type DialUnit = 'mm' | 'deg' | 'each' | '%' | 'g' | 'N' | 'h' | 'ml';

/** How a dial looks on the bench. Ranges follow from the other dials and the materials. */
export type DialSpec = { readonly id: string; readonly label: string; readonly why?: string } & (
  | { readonly kind: 'choice'; readonly options: readonly Option[] }
  | { readonly kind: 'switch' }
  | {
      readonly kind: 'number';
      readonly unit: DialUnit;
      readonly min: number;
      readonly max: number;
      readonly step: number;
    }
  | {
      readonly kind: 'text';
      readonly most: number;
      readonly hint?: string;
      /** What may be typed, as a regular expression for the whole of it. */
      readonly allowed?: string;
    }
  | {
      readonly kind: 'outline';
      readonly options: readonly Option[];
      /** The dial that says how long its longer side is, mm. */
      readonly size: string;
      /** What is traced is drawn so much larger all round, mm: something of its form is to go through. */
      readonly around: number;
    }
);

/** A part of a template, drawn at true scale about its own middle, mm. */
export interface Sheet {
  readonly id: string;
  readonly title: string;
  readonly marks: readonly Mark[];
  /** How often a kit needs it; it is drawn once, with this beside it. */
  readonly count: number;
}

/** A pattern's drawing: the thing to scale with its pieces, its small picture, and what is printed to cut from. */
export interface Drawing {
  readonly scene: Scene;
  /** What the scene shows, for those who do not see it. */
  readonly about: string;
  readonly picture: Scene;
  readonly sheets: readonly Sheet[];
}

/** A part that is cut from a material: a length off a tube or cord, or an outline off a panel. mm. */
export type Cut = {
  readonly id: string;
  readonly label: string;
  readonly role: string;
  readonly materialId: number;
  /** In one kit. */
  readonly count: number;
  readonly use: Use;
  /** Whether it is counted out and in with the kit. */
  readonly counted: boolean;
  /** What is on it, where designs of one kit that show the same may use one set in turn; a larger set holds a smaller. */
  readonly shows?: string;
} & (
  | { readonly kind: 'length'; readonly length: number; readonly loss: number }
  | {
      readonly kind: 'outline';
      readonly outline: readonly Vec2[];
      readonly turn: 'any' | 'right' | 'none';
      readonly gap: number;
      /** Along which of the outline's axes the board's grain or flutes should run, where the board's direction is known. */
      readonly grain?: 'x' | 'y';
      /** It may be turned over: nothing on it has a front. */
      readonly mirror?: boolean;
    }
);

/** A line of the bill of materials for one kit. */
export interface Need {
  readonly role: string;
  readonly use: Use;
  readonly materialId: number;
  readonly name: string;
  /** How many, or how many mm, one kit takes by itself; a batch may take less a kit where parts share a sheet. */
  readonly quantity: number;
  /** Of one bottle, bag or roll the part that a kit takes, where it is poured or measured off; `quantity` is then whole. */
  readonly share?: number;
  readonly unit: 'each' | 'mm';
  /** Used up each time the kit is used, and laid out anew for the next loan. */
  readonly eachTime?: true;
  /** Whether it is lent with the kit and counted out and in. */
  readonly counted: boolean;
  /** The parts cut from it, where it is not used whole. */
  readonly cuts?: readonly Cut[];
  /** What it is cut from: lengths or panels, mm. */
  readonly stock?: Stock;
}

/** What one of a material gives to cut from: a length, panels [length, width], or a roll that is measured off. mm. */
export type Stock =
  | { readonly kind: 'length'; readonly length: number }
  | {
      readonly kind: 'panels';
      readonly panels: readonly Vec2[];
      /** For each panel the outlines that nothing is cut over: print, holes, folds, stains. */
      readonly keepOut?: readonly (readonly (readonly Vec2[])[])[];
      /** Along the first side of each panel, or across it; unknown where it is left out. */
      readonly grain?: Grain;
    }
  | { readonly kind: 'roll' };

/** Tools of the bench; who has none of them can filter by it. */
export const TOOLS = [
  'scissors',
  'craft knife',
  'saw',
  'cutting board',
  'ruler',
  'marker',
  'hole punch',
  'bradawl',
  'sandpaper',
  'stapler',
  'laminator',
  'printer',
] as const;
export type BenchTool = (typeof TOOLS)[number];

export interface Step {
  readonly id: string;
  readonly title: string;
  readonly words: string;
  /** Minutes once for the batch, and for each kit. */
  readonly setUp: number;
  readonly perCopy: number;
  readonly who: 'adult' | 'child' | 'either';
  readonly blade: boolean;
  readonly heat: boolean;
  /** Minutes it must be left alone afterwards. */
  readonly drying: number;
  readonly after: readonly string[];
  readonly tools: readonly BenchTool[];
}

/**
 * What a kit takes and how it is made. Asked of every design on the bench by the shelf, the wanted list and buying, so it
 * must be quick: it is not handed the fit.
 */
export interface Plan {
  readonly needs: readonly Need[];
  /** What a step takes up and nothing is chosen for, by its role's label: it is on no bill, which is said beside it. */
  readonly unlisted?: readonly string[];
  readonly cuts: readonly Cut[];
  readonly steps: readonly Step[];
}

type FactUnit = 'mm' | 'deg' | 'each' | 'g' | 'N' | 'ml' | '%' | 'h' | 's';

/** Something a pattern computes of a design, as every station shows it. */
export interface Fact {
  readonly id: string;
  readonly label: string;
  readonly value: number | string;
  readonly unit?: FactUnit;
  /** Of how many, where it is a share. */
  readonly of?: number;
  /** How a station says it, where the number alone would not be understood. */
  readonly said?: string;
  readonly verdict?: Verdict;
  /** A force that the child's own hand gives: it is compared with a pinch that was measured. */
  readonly byHand?: true;
  /** Shown beside the drawing, not only in the strip of facts. */
  readonly onMat?: boolean;
}

/** Does the design do what it is meant to? `detail` is the pattern's own and is read nowhere else. */
export interface Fit<F = unknown> {
  readonly verdict: Verdict;
  readonly headline: string;
  /** What to change, when the verdict is not clear. */
  readonly remedy: string | null;
  readonly facts: readonly Fact[];
  readonly detail: F;
}

/** What a note counts, in the pattern's word: pieces, holes, rings. */
export interface Counts {
  readonly of: string;
  readonly one: string;
  readonly number: number;
}

/** A place on a ladder as a pattern names it; the kernel adds fit, load and picture, and sorts. */
export interface LevelDials<D> {
  readonly id: string;
  readonly name: string;
  /** Reported beside the bits, never mixed into them. */
  readonly grip: string;
  readonly dials: D;
}

export interface Level<D> extends LevelDials<D> {
  /** The dials that differ from the design's own, as they stand on this level. */
  readonly differs: readonly Fact[];
  readonly fit: Fit;
  readonly bits: number;
  /** The bits and what is asked beside them; it rises from level to level. */
  readonly load: Load;
  readonly picture: Scene;
}

/** How to present it to a child. */
export interface Show {
  readonly say: string;
  readonly lookFor: string;
  readonly easier: string;
  readonly harder: string;
  /** One way to bring in counting, colour or order. */
  readonly more: string;
  /** For one hand, or the left: what holds it still, and on which side things lie. */
  readonly oneHand: string;
  readonly stop: string;
  /** What is done in time: the sitting from its first minute to its last, a step after the other. */
  readonly script?: readonly ScriptStep[];
}

/** A part of a sitting. */
export interface ScriptStep {
  readonly minutes: number;
  readonly words: string;
  /** The level it is, where it is one. */
  readonly level?: string;
}

/** The dials of a pattern, all from one table: `dialTable` makes it. */
export interface Dialled<D> {
  /** What may be told of each. */
  readonly schema: z.ZodType<D>;
  /** What a new design begins with. */
  begin(start: Start): D;
  /** The dials that matter now, with the ranges that the other dials and the materials leave. */
  specs(at: At<D>): DialSpec[];
  /** The least and the most of each number, and whether it is so whatever the others are. */
  readonly ends: Readonly<
    Record<string, { readonly ends: readonly [number, number]; readonly isFixed: boolean }>
  >;
}

/** One parametric pattern. Everything else in the application derives from these functions. */
export interface Pattern<D extends object, F = unknown> {
  readonly id: string;
  readonly name: string;
  /** What the child does, in one line. */
  does(to: Told): string;
  /** What it can practise, the first before all; what it does practise as it is set follows from `acts`. */
  readonly skills: readonly Skill[];
  /** What the hands do as it is set. */
  acts(at: At<D>): readonly Act[];
  /** Whether it can be used in a waiting room without disturbing anybody. */
  readonly quiet: boolean;
  /**
   * Between which ages most children begin it as it is set, months (common practice, without a source): a band, for
   * children differ, and who knows the child decides.
   */
  usualFrom(at: At<D>): readonly [number, number];
  readonly roles: readonly Role[];
  readonly dials: Dialled<D>;
  title(at: At<D>): string;
  /** What a design is called until somebody names it; the title where that does. */
  called?(at: At<D>): string;
  /** The one part that may be slow; it runs in a worker and is handed to what needs it. */
  fit(at: At<D>): Fit<F>;
  plan(at: At<D>): Plan;
  /** Whether the drawing takes what the fit found; without it a drawing is not given the fit, nor drawn again for it. */
  readonly drawsFit?: boolean;
  draw(at: At<D>, fit?: Fit<F>): Drawing;
  moves(at: At<D>, fit: Fit<F>): Move[];
  /** What it asks beside aim and choice, where that differs along its ladder. */
  beside?(at: At<D>, fit: Fit<F>): Beside;
  counts(at: At<D>): Counts;
  /** What no line of the bill tells: openings, gaps, posts, edges, what a step makes. */
  features(at: At<D>): Feature[];
  /** How lines of the bill are held, covered, closed in or used up, where it does not follow from what they are for. */
  reaches?(at: At<D>): Reaches;
  /** Dials that a child's own hand asks for, where they follow from what was measured; the kernel keeps them in range. */
  forHand?(at: At<D>, hand: Hand): Partial<D>;
  levels(at: At<D>): LevelDials<D>[];
  show(at: At<D>): Show;
}
