import { materialInput, type Material } from './materials/material.ts';

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

/** The slot of the check values: 42 × 17 mm for a 38 × 14 mm cap. */
export const SLOT_DIALS = {
  opening: 'slot',
  length: 42,
  width: 17,
  points: 5,
  turn: 0,
  pieces: 8,
  tool: 'fingers',
  approach: 'prepared shelf',
};
