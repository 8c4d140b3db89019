import type { z } from 'zod';
import type { Move } from '../challenge/bits.ts';
import type { Mark } from '../drawing/mark.ts';
import type { Form, Material } from '../materials/material.ts';
import type { PassageAnswer } from '../passage/passage.ts';
import type { Opening } from '../passage/opening.ts';
import type { Shape } from '../geometry/shape.ts';

/** Schools of practice; each changes the defaults a design starts from. */
export const APPROACHES = ['prepared shelf', 'graded play', 'made together', 'grab bag'] as const;
export type Approach = (typeof APPROACHES)[number];

export const SKILLS = [
  'Pincer and release',
  'Two hands together',
  'Hand strength',
  'In-hand manipulation',
  'Crossing the midline',
] as const;
export type Skill = (typeof SKILLS)[number];

export type Verdict = 'clear' | 'care' | 'stop';

/** The worst of several verdicts; clear when there is none. */
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.includes('stop') ? 'stop' : verdicts.includes('care') ? 'care' : 'clear';

/** What a material is for in a design, and which forms can do it. */
export interface Role {
  readonly id: string;
  readonly label: string;
  readonly forms: readonly Form[];
  readonly optional: boolean;
}

/** The materials a design has taken up, by role. */
export type Chosen = Readonly<Record<string, Material | undefined>>;

/** How a dial looks on the bench. Ranges follow from the other dials and the materials. */
export type DialSpec =
  | {
      readonly kind: 'choice';
      readonly id: string;
      readonly label: string;
      readonly options: readonly { readonly value: string; readonly label: string }[];
    }
  | {
      readonly kind: 'length';
      readonly id: string;
      readonly label: string;
      readonly min: number;
      readonly max: number;
      readonly step: number;
    }
  | {
      readonly kind: 'angle';
      readonly id: string;
      readonly label: string;
      readonly min: number;
      readonly max: number;
      readonly step: number;
    }
  | {
      readonly kind: 'count';
      readonly id: string;
      readonly label: string;
      readonly min: number;
      readonly max: number;
    };

export interface Layout {
  /** Extents of the scene, mm, origin at its upper left. */
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** What is printed at true scale: the outlines to copy or cut, about its own middle. */
  readonly template: { readonly width: number; readonly height: number; readonly marks: readonly Mark[] };
}

/** A line of the bill of materials for one kit. */
export interface Need {
  readonly role: string;
  readonly materialId: number;
  readonly name: string;
  /** How many, or how many mm. */
  readonly quantity: number;
  readonly unit: 'each' | 'mm';
  /** Whether it is lent with the kit and counted out and in. */
  readonly counted: boolean;
}

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
}

/** A fact that matters for safety. Facts only: the rules judge. */
export type Feature =
  | {
      readonly kind: 'piece';
      readonly name: string;
      readonly shape: Shape;
      readonly count: number;
      readonly ball: boolean;
    }
  | {
      readonly kind: 'opening';
      readonly opening: Opening;
      readonly sheet: 'rigid' | 'soft';
    }
  | {
      readonly kind: 'cut edge';
      readonly where: string;
      readonly material: string;
      readonly covered: boolean;
    }
  | { readonly kind: 'hazard'; readonly name: string; readonly hazard: string }
  | { readonly kind: 'surface'; readonly name: string; readonly washable: boolean }
  | { readonly kind: 'tool'; readonly name: string }
  | { readonly kind: 'give'; readonly name: string; readonly share: number };

/** Does the design do what it is meant to? */
export interface Fit {
  readonly verdict: Verdict;
  readonly headline: string;
  /** What to change, when the verdict is not clear. */
  readonly remedy: string | null;
  readonly passage: PassageAnswer;
  /** How many pieces the container holds, heaped as they fall. */
  readonly holds: number;
}

export interface Rung<D> {
  readonly id: string;
  readonly name: string;
  readonly dials: D;
  readonly fit: Fit;
  readonly bits: number;
  /** Reported beside the bits, never mixed into them. */
  readonly grip: string;
}

/** How to present it to a child. */
export interface Show {
  readonly say: string;
  readonly lookFor: string;
  readonly easier: string;
  readonly harder: string;
}

/** One parametric family. Everything else in the application derives from these functions. */
export interface Pattern<D extends Record<string, unknown>> {
  readonly id: string;
  readonly name: string;
  readonly question: string;
  readonly skills: readonly Skill[];
  readonly roles: readonly Role[];
  readonly dials: z.ZodType<D>;
  defaults(options: { approach: Approach; chosen: Chosen; ageFrom: number }): D;
  /** The dials with whatever the chosen materials no longer allow brought back into range. */
  dialSpecs(dials: D, chosen: Chosen): DialSpec[];
  layout(dials: D, chosen: Chosen, fit?: Fit): Layout;
  fit(dials: D, chosen: Chosen): Fit;
  needs(dials: D, chosen: Chosen): Need[];
  steps(dials: D, chosen: Chosen): Step[];
  moves(dials: D, chosen: Chosen, fit: Fit): Move[];
  features(dials: D, chosen: Chosen): Feature[];
  /** Easier to harder, sorted by bits. */
  rungs(dials: D, chosen: Chosen): Rung<D>[];
  show(dials: D, chosen: Chosen): Show;
}

/** A wish that the materials cannot meet, with the field that stands in the way. */
export class PatternError extends Error {
  readonly path: string;
  constructor(path: string, message: string) {
    super(message);
    this.path = path;
    this.name = 'PatternError';
  }
}

/** The material in a role, or a clear word that it is missing. */
export function taken(chosen: Chosen, role: Role): Material {
  const m = chosen[role.id];
  if (!m)
    throw new PatternError(
      `materials.${role.id}`,
      `no ${role.label.toLowerCase()} is chosen; expected a ${role.forms.join(' or ')} from the shelf`,
    );
  if (!role.forms.includes(m.form))
    throw new PatternError(
      `materials.${role.id}`,
      `${m.name} is a ${m.form}; expected a ${role.forms.join(' or ')}`,
    );
  return m;
}
