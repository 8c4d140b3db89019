import type { Watched } from './watch/outcomes.ts';
import { type Material } from './materials/material.ts';
import { materialInput } from './materials/materialInput.ts';
import type { AnyAt, Chosen, Need } from './patterns/index.ts';

/** A material for tests and benches: plastic, counted, twenty kept, unless said otherwise. */
export const material = (id: number, part: object): Material => ({
  id,
  ...materialInput.parse({
    unit: 'each',
    kept: 20,
    materialClass: 'plastic',
    give: 0,
    hazards: [],
    colour: '#B0451A',
    ...part,
  }),
});

export const TUB = material(1, {
  name: 'Tub',
  form: 'container',
  sizes: { diameter: 95, height: 110, wall: 1.2 },
});
export const CAP = material(2, {
  name: 'Cap',
  form: 'disc',
  sizes: { diameter: 38, height: 14, wall: 1.4 },
});
export const TAPE = material(5, {
  name: 'Tape',
  form: 'consumable',
  sizes: { width: 25 },
  unit: 'mm',
  kept: 5000,
  materialClass: 'tape',
});

/** An A4 sheet of card; a wooden rod. mm. */
export const cardSheet = (id: number, wall = 0.5): Material =>
  material(id, {
    name: 'Card',
    form: 'sheet',
    sizes: { length: 297, width: 210, wall },
    materialClass: 'card',
  });
export const rod = (id: number, name: string, diameter: number, length: number): Material =>
  material(id, { name, form: 'piece', solid: 'rod', sizes: { diameter, length }, materialClass: 'wood' });

/** Whom a tested design is for, where it does not matter. */
export const AT = { approach: 'prepared shelf', ageFrom: 24 } as const;

/** The slot of the check values: 42 × 17 mm for a 38 × 14 mm cap. */
export const SLOT_DIALS = {
  opening: 'slot',
  length: 42,
  width: 17,
  points: 5,
  turn: 0,
  pieces: 8,
  tool: 'fingers',
};

/** Materials by role, one or several a role. */
export const kinds = (by: Readonly<Record<string, Material | readonly Material[] | undefined>>): Chosen =>
  Object.fromEntries(Object.entries(by).map(([role, m]) => [role, m === undefined ? [] : [m].flat()]));

/** A design as a family sees it, for the group of the tests. */
export const design = (dials: unknown, chosen: Chosen, part: Partial<AnyAt> = {}): AnyAt => ({
  ...AT,
  dials,
  chosen,
  ...part,
});

/** A need used whole, in pieces. */
export const wholeNeed = (
  role: string,
  materialId: number,
  quantity: number,
  part: Partial<Need> = {},
): Need => ({
  role,
  use: 'piece',
  materialId,
  name: role,
  quantity,
  unit: 'each',
  counted: true,
  ...part,
});

/** A sitting of one child on one level, managed without help. */
export const watchedNote = (part: Partial<Watched>): Watched => ({
  id: 1,
  child: 'G-04',
  designId: 1,
  level: 'Close slot',
  bits: 11.5,
  help: 'none',
  seconds: 80,
  count: 8,
  tries: 1,
  managed: 1,
  liked: null,
  satOn: '2026-11-10',
  before: [],
  ...part,
});
