import { perimeter } from '../../geometry/polygon.ts';
import { outlineOf } from '../../passage/opening.ts';
import type { At, Feature, Need, Plan, Show, Step } from '../kernel.ts';
import {
  bagNeed,
  cleaningStep,
  countStep,
  materialFeatures,
  need,
  pieceFeature,
  sayFor,
  step,
  STOP_WORDS,
} from '../making.ts';
import { parts, ROLES, type Dials } from './dials.ts';
import { openingOf } from './fit.ts';

/** Length of the cut, mm. */
export function cutLength(d: Dials): number {
  const o = openingOf(d);
  return o.kind === 'round' ? Math.PI * o.diameter : perimeter(outlineOf(o)!);
}

/** One container, the pieces, tape once round the edge with a tenth over, a bag. */
function needs({ dials: d, chosen }: At<Dials>): Need[] {
  const { container, piece } = parts(chosen);
  const [edge] = chosen[ROLES.edge.id] ?? [];
  return [
    need(ROLES.container, container, 1, true),
    need(ROLES.piece, piece, d.pieces, true),
    ...(edge ? [need(ROLES.edge, edge, edge.unit === 'mm' ? Math.ceil(1.1 * cutLength(d)) : 1, false)] : []),
    ...bagNeed(chosen),
  ];
}

export const plan = (at: At<Dials>): Plan => ({ needs: needs(at), cuts: [], steps: steps(at) });

/** Minutes from hand trials of the trade (common practice): a blade goes 60 mm a minute with care, drawing twice that. */
function steps({ dials: d, chosen, approach }: At<Dials>): Step[] {
  const { container, piece } = parts(chosen);
  const cut = cutLength(d);
  const together = approach === 'made together';
  const washed = cleaningStep([{ material: piece, count: d.pieces }], approach);
  const afterWash = washed.map((s) => s.id);
  return [
    // What was clean when it was looked over is not washed again.
    ...washed,
    ...(piece.hazards.includes('loose liner')
      ? [
          step({
            id: 'liner',
            title: 'Take out the liners',
            words:
              'Lift each liner with the back of a spoon and throw it away: it is a small part of its own.',
            perCopy: 0.3 * d.pieces,
            who: 'adult',
            after: afterWash,
          }),
        ]
      : []),
    step({
      id: 'draw',
      title: `Draw the ${d.opening === 'round' ? 'hole' : d.opening} on the lid`,
      words: 'Cut the printed template out, centre it on the lid, draw round the opening with a marker.',
      setUp: 2,
      perCopy: 1 + cut / 120,
      who: together ? 'child' : 'either',
      tools: ['printer', 'scissors', 'marker'],
    }),
    step({
      id: 'cut',
      title:
        d.opening === 'round'
          ? 'Cut along the drawn circle, a little at a time'
          : 'Cut along the drawn line, from the middle out',
      words: `Lid of ${container.name} face down on the board. Short strokes; turn the lid, not the hand. The piece should drop through without a push.`,
      setUp: 3,
      perCopy: 1 + cut / 60,
      who: 'adult',
      blade: true,
      tools: ['craft knife', 'cutting board'],
      after: ['draw'],
    }),
    step({
      id: 'edge',
      title: chosen[ROLES.edge.id]?.length ? 'Rub down and tape the edge' : 'Rub the cut edge down',
      words:
        'Fine sandpaper round the cut, then feel it with a fingertip. Tape over it where it still catches.',
      perCopy: 2 + cut / 100,
      who: 'adult',
      tools: ['sandpaper'],
      after: ['cut'],
    }),
    step({
      id: 'try',
      title: 'Post every piece once',
      words: 'Each piece goes in and drops. Shake: none comes out again, none jams.',
      perCopy: 0.1 * d.pieces + 0.5,
      who: 'adult',
      after: [...afterWash, 'edge', ...(piece.hazards.includes('loose liner') ? ['liner'] : [])],
    }),
    ...(together
      ? [
          step({
            id: 'stickers',
            title: 'Stickers round the tub',
            words: 'Peeling and pressing are the exercise: let the children choose where.',
            perCopy: 8,
            who: 'child' as const,
            after: ['edge'],
          }),
        ]
      : []),
    countStep(`${d.pieces}`, ['try', ...(together ? ['stickers'] : [])]),
  ];
}

export function features({ dials: d, chosen }: At<Dials>): Feature[] {
  const { container, piece } = parts(chosen);
  const soft = container.materialClass === 'fabric' || container.materialClass === 'paper';
  const where = `the ${d.opening === 'round' ? 'hole' : d.opening} in the lid`;
  return [
    ...pieceFeature(piece, d.pieces),
    { kind: 'opening', where, opening: openingOf(d), sheet: soft ? 'soft' : 'rigid' },
    {
      kind: 'cut edge',
      where,
      material: container.materialClass,
      covered: (chosen[ROLES.edge.id]?.length ?? 0) > 0,
    },
    ...materialFeatures([container, piece]),
    ...(d.tool === 'fingers' ? [] : [{ kind: 'tool', name: d.tool } as const]),
  ];
}

export function show({ dials: d, chosen, approach }: At<Dials>): Show {
  const one = parts(chosen).piece.name.toLowerCase();
  return {
    say: sayFor(
      approach,
      'The tub is hungry: how many can it eat before the bell?',
      'We made this one. Shall we see what it swallows?',
    ),
    lookFor: `Does the hand turn the ${one} before it reaches the opening, and do the fingers open to let go?`,
    easier: 'Open it wider, or hold the tub steady for the child.',
    harder:
      d.tool === 'fingers'
        ? 'Narrow it, turn it, then offer tongs.'
        : 'Move the tray to the other side, so that the arm crosses the middle.',
    more: 'Count aloud as each one drops; ask for two of one colour.',
    stop: STOP_WORDS,
  };
}
