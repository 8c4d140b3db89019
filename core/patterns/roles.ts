import type { Form, Material } from '../materials/material.ts';

/** What something in a kit is: moved by the child, part of what is made, used up, lent beside it, or wrapped round it. */
export type Use = 'piece' | 'part' | 'filler' | 'consumable' | 'tool' | 'package';

/** What materials are for in a design, and which can do it. */
export interface Role {
  readonly id: string;
  readonly label: string;
  readonly forms: readonly Form[];
  /** How many kinds it takes: `least` 0 where it may stay empty, `most` over 1 where kinds are mixed. */
  readonly least: number;
  readonly most: number;
  readonly use: Use;
  /** What else is asked of a material; the words say what was expected where it does not do. */
  readonly accepts?: (
    m: Pick<Material, 'form' | 'solid' | 'sizes' | 'traits' | 'materialClass'>,
  ) => string | null;
  /** Whether it usually serves so for that age, months: suggestions take nothing else. Left out, all that it accepts does. */
  readonly serves?: (m: Material, ageFrom: number) => boolean;
  /** Catalogue keys a design starts from where nothing is chosen. */
  readonly usual: readonly string[];
}

/** The materials a design has taken up, by role: several kinds where the role takes several. */
export type Chosen = Readonly<Record<string, readonly Material[]>>;

/** A wish that the materials cannot meet, with the field that stands in the way. */
export class PatternError extends Error {
  readonly path: string;
  constructor(path: string, message: string) {
    super(message);
    this.path = path;
    this.name = 'PatternError';
  }
}

const listed = (forms: readonly Form[]): string => forms.join(' or ');

/** Why a material cannot take a role; null where it can. */
export function refusal(role: Role, m: Material): string | null {
  if (!role.forms.includes(m.form)) return `${m.name} is a ${m.form}; expected a ${listed(role.forms)}`;
  const words = role.accepts?.(m) ?? null;
  return words === null ? null : `${m.name}: ${words}`;
}

/** Whether a suggestion may begin with a material in a role: it can take it, and usually does for that age. */
export const usuallyServes = (role: Role, m: Material, ageFrom: number): boolean =>
  refusal(role, m) === null && (role.serves?.(m, ageFrom) ?? true);

/** The materials in a role, checked; empty only where the role may stay empty. */
export function allTaken(chosen: Chosen, role: Role): readonly Material[] {
  const kinds = chosen[role.id] ?? [];
  const path = `materials.${role.id}`;
  if (kinds.length < role.least)
    throw new PatternError(
      path,
      `no ${role.label.toLowerCase()} is chosen; expected a ${listed(role.forms)} from the shelf`,
    );
  if (kinds.length > role.most)
    throw new PatternError(
      path,
      `${kinds.length} kinds are chosen; expected at most ${role.most} for ${role.label.toLowerCase()}`,
    );
  for (const m of kinds) {
    const words = refusal(role, m);
    if (words !== null) throw new PatternError(path, words);
  }
  return kinds;
}

/** The one material in a role, or a clear word that it is missing. */
export function taken(chosen: Chosen, role: Role): Material {
  const [first] = allTaken(chosen, role);
  if (!first) throw new PatternError(`materials.${role.id}`, `no ${role.label.toLowerCase()} is chosen`);
  return first;
}
