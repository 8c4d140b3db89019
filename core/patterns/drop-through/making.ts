import { perimeter } from '../../geometry/polygon.ts';
import { atLeast, cleaningOf, shapeOf, type Material } from '../../materials/material.ts';
import { outlineOf } from '../../passage/opening.ts';
import type { Chosen, Feature, Need, Show, Step } from '../kernel.ts';
import { parts, ROLES, type Dials } from './dials.ts';
import { openingOf } from './fit.ts';

const isWashed = (m: Material): boolean => cleaningOf(m) === 'wash';

/** Length of the cut, mm. */
export function cutLength(d: Dials): number {
  const o = openingOf(d);
  return o.kind === 'round' ? Math.PI * o.diameter : perimeter(outlineOf(o)!);
}

/** One container, the pieces, tape once round the edge with a tenth over, a bag. */
export function needs(d: Dials, chosen: Chosen): Need[] {
  const { container, piece } = parts(chosen);
  const line = (role: string, m: Material, quantity: number, counted: boolean): Need => ({
    role,
    materialId: m.id,
    name: m.name,
    quantity,
    unit: m.unit,
    counted,
  });
  const edge = chosen[ROLES.edge.id];
  const bag = chosen[ROLES.bag.id];
  return [
    line('container', container, 1, true),
    line('piece', piece, d.pieces, true),
    ...(edge ? [line('edge', edge, edge.unit === 'mm' ? Math.ceil(1.1 * cutLength(d)) : 1, false)] : []),
    ...(bag ? [line('bag', bag, 1, true)] : []),
  ];
}

/** Minutes from hand trials of the trade (common practice): a blade goes 60 mm a minute with care, drawing twice that. */
export function steps(d: Dials, chosen: Chosen): Step[] {
  const { container, piece } = parts(chosen);
  const cut = cutLength(d);
  const washable = isWashed(piece);
  const together = d.approach === 'made together';
  const step = (s: Partial<Step> & Pick<Step, 'id' | 'title' | 'words' | 'perCopy'>): Step => ({
    setUp: 0,
    who: 'adult',
    blade: false,
    heat: false,
    drying: 0,
    after: [],
    ...s,
  });
  return [
    // What was clean when it was looked over is not washed again.
    ...(piece.clean
      ? []
      : [
          step({
            id: 'wash',
            title: washable ? `Wash ${d.pieces} × ${piece.name}` : `Look over ${d.pieces} × ${piece.name}`,
            words: washable
              ? 'Warm water and washing-up liquid, rinse, lay out on a towel with space between them.'
              : 'Brush off, feel each for splinters or crumbs; throw away any that are split.',
            setUp: 3,
            perCopy: Math.max(1, 0.25 * d.pieces),
            who: together ? 'child' : 'either',
            drying: washable ? 120 : 0,
          }),
        ]),
    ...(piece.hazards.includes('loose liner')
      ? [
          step({
            id: 'liner',
            title: 'Take out the liners',
            words:
              'Lift each liner with the back of a spoon and throw it away: it is a small part of its own.',
            perCopy: 0.3 * d.pieces,
            after: piece.clean ? [] : ['wash'],
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
      blade: true,
      after: ['draw'],
    }),
    step({
      id: 'edge',
      title: chosen[ROLES.edge.id] ? 'Rub down and tape the edge' : 'Rub the cut edge down',
      words:
        'Fine sandpaper round the cut, then feel it with a fingertip. Tape over it where it still catches.',
      perCopy: 2 + cut / 100,
      after: ['cut'],
    }),
    step({
      id: 'try',
      title: 'Post every piece once',
      words: 'Each piece goes in and drops. Shake: none comes out again, none jams.',
      perCopy: 0.1 * d.pieces + 0.5,
      after: [
        ...(piece.clean ? [] : ['wash']),
        'edge',
        ...(piece.hazards.includes('loose liner') ? ['liner'] : []),
      ],
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
    step({
      id: 'count',
      title: `Count ${d.pieces} in, label and bag`,
      words: 'Lid on, label on the side, the count written where a family can see it.',
      perCopy: 2,
      who: 'either',
      after: ['try', ...(together ? ['stickers'] : [])],
    }),
  ];
}

export function features(d: Dials, chosen: Chosen): Feature[] {
  const { container, piece } = parts(chosen);
  // The smallest that was measured: one small piece among large ones is what chokes.
  const shape = shapeOf(atLeast(piece))!;
  const soft = container.materialClass === 'fabric' || container.materialClass === 'paper';
  return [
    {
      kind: 'piece',
      name: piece.name,
      shape,
      count: d.pieces,
      ball: shape.kind === 'sphere' || shape.kind === 'ellipsoid',
    },
    {
      kind: 'opening',
      opening: openingOf(d),
      sheet: soft ? 'soft' : 'rigid',
    },
    {
      kind: 'cut edge',
      where: `the ${d.opening === 'round' ? 'hole' : d.opening} in the lid`,
      material: container.materialClass,
      covered: chosen[ROLES.edge.id] !== undefined,
    },
    ...[container, piece].flatMap((m) =>
      m.hazards.map((hazard) => ({ kind: 'hazard', name: m.name, hazard }) as const),
    ),
    ...[container, piece].map((m) => ({ kind: 'surface', name: m.name, washable: isWashed(m) }) as const),
    ...(d.tool === 'fingers' ? [] : [{ kind: 'tool', name: d.tool } as const]),
    ...(piece.give > 0 ? [{ kind: 'give', name: piece.name, share: piece.give } as const] : []),
  ];
}

export function show(d: Dials, chosen: Chosen): Show {
  const { piece } = parts(chosen);
  const one = piece.name.toLowerCase();
  const say: Record<Dials['approach'], string> = {
    'prepared shelf': 'Show it once, slowly, without words. Then push the tray to the child.',
    'graded play': `“The tub is hungry: how many can it eat before the bell?”`,
    'made together': '“We made this one. Shall we see what it swallows?”',
    'grab bag': '“Let us count them in while we wait.”',
  };
  return {
    say: say[d.approach],
    lookFor: `Does the hand turn the ${one} before it reaches the opening, and do the fingers open to let go?`,
    easier: 'Open it wider, or hold the tub steady for the child.',
    harder:
      d.tool === 'fingers'
        ? 'Narrow it, turn it, then offer tongs.'
        : 'Move the tray to the other side, so that the arm crosses the middle.',
  };
}
