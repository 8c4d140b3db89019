import { outlineName } from '../../outline/outline.ts';
import type { At, Pattern, LevelDials } from '../kernel.ts';
import { PUNCH, ROLES, type Dials } from './dials.ts';
import { dials } from './table.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';
import { most } from './holes.ts';
import { features, plan, reaches, show } from './plan.ts';
import { text } from './words.ts';

/** The same card with fewer, larger holes, then more, then another stitch; each changes one or two things. */
function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const holes = (n: number, part: Partial<Dials>): Dials => {
    const next = { ...d, ...part };
    return {
      ...next,
      edge: Math.max(next.edge, Math.ceil(1.5 * PUNCH[next.punch])),
      holes: Math.max(3, Math.min(n, most(next) || 3)),
    };
  };
  const n = Math.max(6, d.holes);
  return [
    {
      id: 'few',
      name: text(at, 'fewThickTip'),
      grip: text(at, 'fistOrFingersThick'),
      dials: holes(5, { punch: 'double', stitch: 'running', tip: 3 }),
    },
    {
      id: 'double',
      name: text(at, 'doubleHoles'),
      grip: text(at, 'thumbFingerTip'),
      dials: holes(n, { punch: 'double', stitch: 'running', tip: 3 }),
    },
    {
      id: 'single',
      name: text(at, 'singleHoles'),
      grip: text(at, 'tipOnTip'),
      dials: holes(n, { punch: 'single', stitch: 'running', tip: 4 }),
    },
    {
      id: 'more',
      name: text(at, 'closeHolesThickTip'),
      grip: text(at, 'fingersWalk'),
      dials: holes(2 * n, { punch: 'single', stitch: 'running', tip: 4.5 }),
    },
    {
      id: 'whip',
      name: text(at, 'whipStitch'),
      grip: text(at, 'handTurnsCard'),
      dials: holes(n, { punch: 'single', stitch: 'whip', tip: 4.5 }),
    },
    {
      id: 'cross',
      name: text(at, 'crossStitch'),
      grip: text(at, 'handTurnsCard'),
      dials: holes(n, { punch: 'single', stitch: 'cross', tip: 4.5 }),
    },
  ];
}

/** A stiff card with holes, and a lace. */
export const lace: Pattern<Dials, Detail> = {
  id: 'lace',
  name: 'Lace',
  does: (to) => text(to, 'threadsLaceThroughHoles'),
  skills: ['Two hands together', 'Pincer and release', 'In-hand manipulation', 'Crossing the midline'],
  // The tip comes back out of the other side; the lace is drawn out to the arm's length.
  acts: () => ['other hand holds', 'picks up', 'turns in the fingers', 'reaches across'],
  quiet: true,
  usualFrom: ({ dials: d }) => (({ running: [24, 42], whip: [36, 54], cross: [48, 66] }) as const)[d.stitch],
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => `Lace round the ${outlineName(d.outline)}`,
  fit,
  plan,
  drawsFit: true,
  draw,
  moves,
  // The next hole is found among all of them; over the edge, the other hand turns the card.
  beside: ({ dials: d }) => ({ attend: d.holes, ...(d.stitch === 'running' ? {} : { hands: 2 }) }),
  counts: ({ dials: d }) => ({ of: 'holes', one: 'hole', number: d.holes }),
  features,
  reaches,
  // A card that one hand holds is a little wider than the hand spans (common practice).
  forHand: ({ dials: d }, { span }) =>
    span === undefined ? {} : { longest: Math.min(d.longest, 1.2 * span) },
  levels,
  show,
};
