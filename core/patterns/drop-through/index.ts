import type { Pattern } from '../kernel.ts';
import { defaults, dials, dialSpecs, ROLES, type Dials } from './dials.ts';
import { fit, moves } from './fit.ts';
import { layout } from './layout.ts';
import { features, needs, show, steps } from './making.ts';
import { rungs } from './rungs.ts';

/** A lidded tub with an opening, and pieces to post through it. */
export const dropThrough: Pattern<Dials> = {
  id: 'drop-through',
  name: 'Drop-through',
  question: 'Cut the opening to fit the piece',
  skills: ['Pincer and release', 'In-hand manipulation', 'Crossing the midline', 'Hand strength'],
  roles: Object.values(ROLES),
  dials,
  defaults,
  dialSpecs,
  layout,
  fit,
  needs,
  steps,
  moves,
  features,
  rungs,
  show,
};
export type { Dials as DropThroughDials };
