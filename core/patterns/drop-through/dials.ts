import { z } from 'zod';
import { size } from '../../geometry/shape.ts';
import { extentsOf, lidOf, shapeOf, type Material } from '../../materials/material.ts';
import {
  PatternError,
  taken,
  type Approach,
  type At,
  type Chosen,
  type DialSpec,
  type Role,
  type Start,
} from '../kernel.ts';
import { BAG, half } from '../making.ts';

export const ROLES = {
  container: {
    id: 'container',
    label: 'Container',
    forms: ['container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['yogurt-tub'],
  },
  piece: {
    id: 'piece',
    label: 'Piece',
    forms: ['piece', 'disc'],
    least: 1,
    most: 1,
    use: 'piece',
    usual: ['milk-cap'],
  },
  edge: {
    id: 'edge',
    label: 'Edge tape',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['cloth-tape'],
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

export const OPENINGS = ['round', 'slot', 'star'] as const;
export const TOOLS = ['fingers', 'tongs', 'peg'] as const;
export type Tool = (typeof TOOLS)[number];

/** How wide each opens, mm (a young child's thumb and finger, kitchen tongs, a clothes peg; common practice). */
export const JAW: Record<Tool, number> = { fingers: 55, tongs: 45, peg: 12 };

/** Lid left standing round the opening so that it neither tears nor folds, mm (common practice). */
export const RIM = 10;

/** The dials of a drop-through tub; lengths in mm, turn in degrees. */
export const dials = z.strictObject({
  opening: z.enum(OPENINGS, { error: `expected one of ${OPENINGS.join(', ')}` }),
  /** Slot length, hole diameter, or the star's width over its tips. */
  length: size,
  /** Slot width, or the star's width over its inner corners; not used by a round hole. */
  width: size,
  points: z
    .number({ error: 'expected a number of points' })
    .int('must be a whole number')
    .min(3, 'must be at least 3')
    .max(8, 'must be at most 8'),
  turn: z.number({ error: 'expected degrees' }).min(0, 'must be at least 0°').max(90, 'must be at most 90°'),
  pieces: z
    .number({ error: 'expected a number of pieces' })
    .int('must be a whole number')
    .min(1, 'must be at least 1')
    .max(60, 'must be at most 60'),
  tool: z.enum(TOOLS, { error: `expected one of ${TOOLS.join(', ')}` }),
});
export type Dials = z.infer<typeof dials>;

export interface Room {
  readonly along: number;
  readonly across: number;
  readonly round: boolean;
}

/** The longest slot that a lid takes at a turn, its width left aside, mm. */
export function longestSlot(room: Room, turn: number): number {
  if (room.round) return room.along;
  const angle = (turn * Math.PI) / 180;
  const [c, s] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  return Math.min(c > 1e-9 ? room.along / c : Infinity, s > 1e-9 ? room.across / s : Infinity);
}

/** Container and piece, with what both are to each other. */
export function parts(chosen: Chosen): {
  container: Material;
  piece: Material;
  longest: number;
  shortest: number;
  /** Lid inside the rim that must stay, along and across, mm. */
  room: Room;
} {
  const container = taken(chosen, ROLES.container);
  const piece = taken(chosen, ROLES.piece);
  const shape = shapeOf(piece);
  if (!shape) throw new PatternError('materials.piece', `${piece.name} has no solid shape to post`);
  // A soft piece is as large as it is when pushed.
  const [longest, , shortest] = extentsOf(shape).map((x) => x * (1 - piece.give)) as [number, number, number];
  const lid = lidOf(container);
  const room = { along: lid.along - 2 * RIM, across: lid.across - 2 * RIM, round: lid.round };
  if (Math.min(room.along, room.across) <= 0)
    throw new PatternError(
      'materials.container',
      `the mouth of ${container.name} is too small to cut: expected more than ${2 * RIM} mm`,
    );
  return { container, piece, longest, shortest, room };
}

/** How loosely each approach starts, mm over the piece; how many pieces; what picks them up. */
const STARTS: Record<Approach, { along: number; across: number; pieces: number }> = {
  'prepared shelf': { along: 4, across: 3, pieces: 6 },
  'graded play': { along: 8, across: 5, pieces: 10 },
  'made together': { along: 10, across: 6, pieces: 8 },
  'grab bag': { along: 6, across: 4, pieces: 4 },
};

/**
 * Where a design starts: the slot that lets the piece through edge on, a hole for what is round and as thick as it is long.
 * A block keeps its slot: its corners stand out of a hole as wide as its sides.
 */
export function defaults(options: Start): Dials {
  const { piece, longest, shortest, room } = parts(options.chosen);
  const start = STARTS[options.approach];
  const young = options.ageFrom < 18;
  const round = shortest > 0.8 * longest && shapeOf(piece)?.kind !== 'box';
  const loose = young ? 2 : 1;
  // A slot lies along the longer way of the lid.
  const turn = !round && room.across > room.along ? 90 : 0;
  const least = Math.min(room.along, room.across);
  const most = round ? least : Math.max(room.along, room.across);
  return {
    opening: round ? 'round' : 'slot',
    length: Math.min(most, half(longest + loose * (round ? start.across : start.along))),
    width: Math.min(least, half(shortest + loose * start.across)),
    points: 5,
    turn,
    pieces: start.pieces,
    tool: 'fingers',
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { room } = parts(chosen);
  const least = Math.min(room.along, room.across);
  const most = d.opening === 'slot' ? longestSlot(room, d.turn) : least;
  const max = Math.max(10, Math.floor(2 * most) / 2);
  const widest = Math.max(10, Math.floor(2 * least) / 2);
  const length: DialSpec = {
    kind: 'number',
    unit: 'mm',
    id: 'length',
    label:
      d.opening === 'round' ? 'Hole across' : d.opening === 'slot' ? 'Slot length' : 'Star over its tips',
    min: 5,
    max,
    step: 0.5,
  };
  const width: DialSpec = {
    kind: 'number',
    unit: 'mm',
    id: 'width',
    label: d.opening === 'slot' ? 'Slot width' : 'Star over its inner corners',
    min: 3,
    max: d.opening === 'star' ? Math.max(3, d.length - 1) : widest,
    step: 0.5,
  };
  const turn: DialSpec = {
    kind: 'number',
    unit: 'deg',
    id: 'turn',
    label: d.opening === 'slot' ? 'Slot turned' : 'Star turned',
    min: 0,
    max: d.opening === 'star' ? Math.floor(180 / d.points) : 90,
    step: 5,
  };
  const points: DialSpec = {
    kind: 'number',
    unit: 'each',
    id: 'points',
    label: 'Tips',
    min: 3,
    max: 8,
    step: 1,
  };
  return [
    {
      kind: 'choice',
      id: 'opening',
      label: 'Opening',
      options: [
        { value: 'round', label: 'Round' },
        { value: 'slot', label: 'Slot' },
        { value: 'star', label: 'Star' },
      ],
    },
    length,
    ...(d.opening === 'round' ? [] : [width, turn]),
    ...(d.opening === 'star' ? [points] : []),
    { kind: 'number', unit: 'each', id: 'pieces', label: 'Pieces', min: 1, max: 24, step: 1 },
    {
      kind: 'choice',
      id: 'tool',
      label: 'Picked up with',
      options: [
        { value: 'fingers', label: 'Fingers' },
        { value: 'tongs', label: 'Tongs' },
        { value: 'peg', label: 'Peg' },
      ],
    },
  ];
}
