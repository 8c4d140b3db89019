import { taken, type At, type Pattern } from '../kernel.ts';
import { defaults, dials, ROLES, specs, type Dials } from './dials.ts';
import { fit, moves, type Detail } from './fit.ts';
import { draw } from './layout.ts';
import { features, plan, show } from './making.ts';
import { rungs } from './rungs.ts';

const title = ({ dials: d, chosen }: At<Dials>): string =>
  `Cut the ${d.opening === 'round' ? 'hole' : d.opening} to fit the ${taken(chosen, ROLES.piece).name.toLowerCase().split(',')[0]}`;

/** A lidded tub with an opening, and pieces to post through it. */
export const dropThrough: Pattern<Dials, Detail> = {
  id: 'drop-through',
  name: 'Drop-through',
  does: 'Posts pieces through an opening in a lid',
  skills: ['Pincer and release', 'In-hand manipulation', 'Crossing the midline', 'Hand strength'],
  quiet: false,
  roles: Object.values(ROLES),
  dials,
  title,
  defaults,
  specs,
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) => ({ of: 'pieces', one: 'piece', number: d.pieces }),
  features,
  rungs,
  show,
};
