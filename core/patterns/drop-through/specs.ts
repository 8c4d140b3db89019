import { lidOf } from '../../materials/material.ts';
import { taken, type Approach, type At, type DialSpec, type Start } from '../kernel.ts';
import { choice, number } from '../dialKinds.ts';
import { half } from '../making.ts';
import { RIM, ROLES, SIP, type Dials } from './dials.ts';
import { longestSlot } from './openings.ts';
import { isMade, kindsOf, parts } from './pieces.ts';

/** How loosely each approach starts, mm over the piece; how many pieces; what picks them up. */
const STARTS: Record<Approach, { along: number; across: number; pieces: number }> = {
  'prepared shelf': { along: 4, across: 3, pieces: 6 },
  'graded play': { along: 8, across: 5, pieces: 10 },
  'made together': { along: 10, across: 6, pieces: 8 },
  'grab bag': { along: 6, across: 4, pieces: 4 },
};

/** Smallest and largest things a slot is made wide for: the largest kind decides where they share one. */
const largest = (
  of: (k: ReturnType<typeof kindsOf>[number]) => number,
  at: Parameters<typeof kindsOf>[0],
): number => Math.max(...kindsOf(at).map(of));

/**
 * Where a design starts: the slot that lets the piece through edge on, a hole for what is round and as thick as it is long.
 * A block keeps its slot: its corners stand out of a hole as wide as its sides.
 */
export function defaults(options: Start): Dials {
  const start = STARTS[options.approach];
  const container = taken(options.chosen, ROLES.container);
  const lid = lidOf(container);
  const taped = options.chosen[ROLES.edge.id]?.length ? 'tape' : 'open';
  const base: Dials = {
    // Without a knife the mouth stays as it is, or tape narrows it.
    cover: options.without?.includes('craft knife') ? taped : 'lid',
    opening: 'slot',
    length: 40,
    width: 10,
    points: 5,
    turn: 0,
    openings: 'one',
    pieces: start.pieces,
    tool: 'fingers',
    made: 'strip',
    stripLength: Math.min(60, Math.max(20, half(Math.min(lid.along, lid.across) - 2 * RIM - 8))),
    stripWidth: 20,
    sipLength: SIP.length,
    sipWidth: SIP.width,
  };
  const at = { dials: base, chosen: options.chosen };
  const { room, kinds } = parts(at);
  const round = kinds.every((k) => k.isRound);
  const longest = largest((k) => k.longest, at);
  const shortest = largest((k) => k.shortest, at);
  const loose = options.ageFrom < 18 ? 2 : 1;
  // A slot lies along the longer way of the lid.
  const turn = !round && room.across > room.along ? 90 : 0;
  const least = Math.min(room.along, room.across);
  const most = round ? least : Math.max(room.along, room.across);
  return {
    ...base,
    opening: round && base.cover === 'lid' ? 'round' : 'slot',
    length: Math.min(most, half(longest + loose * (round ? start.across : start.along))),
    width: Math.min(least, half(shortest + loose * start.across)),
    turn,
  };
}

export function specs(at: At<Dials>): DialSpec[] {
  const { dials: d } = at;
  const { room, kinds, tape } = parts(at);
  const least = Math.min(room.along, room.across);
  const lid = d.cover === 'lid';
  const most = lid && d.opening === 'slot' ? longestSlot(room, d.turn) : least;
  const max = Math.max(10, Math.floor(2 * most) / 2);
  const widest = Math.max(10, Math.floor(2 * least) / 2);
  const cover = choice('cover', 'Goes in through', [
    { value: 'lid', label: 'Cut lid' },
    {
      value: 'tape',
      label: 'Taped mouth',
      why: tape
        ? 'No blade; it comes off again for the next child.'
        : 'No blade; choose a tape for it below.',
    },
    { value: 'open', label: 'Open mouth', why: 'The easiest: for the first time, or with the tape off.' },
    {
      value: 'sip hole',
      label: 'Sip hole',
      why: `It is there already, about ${SIP.width} × ${SIP.length} mm: the piece is made to fit it.`,
    },
  ]);
  const opening = ((): DialSpec[] => {
    switch (d.cover) {
      case 'open':
        return [];
      case 'sip hole':
        return [
          number('sipLength', 'Sip hole, long way', 'mm', [8, 40, 0.5]),
          number('sipWidth', 'Sip hole, short way', 'mm', [3, 25, 0.5]),
        ];
      case 'tape':
        return [
          choice('opening', 'Tape leaves', [
            { value: 'slot', label: 'A slit' },
            { value: 'round', label: 'A square hole', why: 'Strips both ways, one over the other.' },
          ]),
          d.opening === 'slot'
            ? number('width', 'Slit width', 'mm', [3, widest, 0.5])
            : number('length', 'Square hole', 'mm', [5, widest, 0.5]),
        ];
      default: {
        const turned = number('turn', d.opening === 'slot' ? 'Slot turned' : 'Star turned', 'deg', [
          0,
          d.opening === 'star' ? Math.floor(180 / d.points) : 90,
          5,
        ]);
        const width = number(
          'width',
          d.opening === 'slot' ? 'Slot width' : 'Star over its inner corners',
          'mm',
          [3, d.opening === 'star' ? Math.max(3, d.length - 1) : widest, 0.5],
        );
        const long =
          d.opening === 'round' ? 'Hole across' : d.opening === 'slot' ? 'Slot length' : 'Star over its tips';
        return [
          choice('opening', 'Opening', ['round', 'slot', 'star']),
          number('length', long, 'mm', [5, max, 0.5]),
          ...(d.opening === 'round' ? [] : [width, turned]),
          ...(d.opening === 'star' ? [number('points', 'Tips', 'each', [3, 8, 1])] : []),
        ];
      }
    }
  })();
  return [
    cover,
    ...opening,
    ...(lid && kinds.length > 1
      ? [
          choice('openings', 'Openings for the kinds', [
            { value: 'one', label: 'One for all' },
            {
              value: 'one for each kind',
              label: 'One each',
              why: 'At least one piece does not go in the wrong one: it shows by itself.',
            },
          ]),
        ]
      : []),
    ...(kinds.some(isMade)
      ? [
          choice('made', 'Made of the sheet', [
            { value: 'strip', label: 'Strips', why: 'Cut from card, posted on end or edge on.' },
            {
              value: 'rolled',
              label: 'Rolled paper',
              why: 'A square rolled to a ball: rolling is the work.',
            },
          ]),
          number('stripLength', d.made === 'rolled' ? 'Square of paper' : 'Strip length', 'mm', [10, 150, 1]),
          ...(d.made === 'strip' ? [number('stripWidth', 'Strip width', 'mm', [5, 100, 1])] : []),
        ]
      : []),
    number('pieces', 'Pieces', 'each', [1, 24, 1]),
    choice('tool', 'Picked up with', ['fingers', 'tongs', 'peg']),
  ];
}
