import { lidOf } from '../../materials/material.ts';
import { dialTable } from '../dialTable.ts';
import { taken, type At, type Option, type Start } from '../kernel.ts';
import { half } from '../making.ts';
import { RIM, ROLES, SIP, type Dials } from './dials.ts';
import { longestSlot } from './openings.ts';
import { isMade, kindsOf, parts } from './pieces.ts';

/** How loosely each approach begins, mm over the piece. */
const LOOSE = {
  'prepared shelf': { along: 4, across: 3 },
  'graded play': { along: 8, across: 5 },
  'made together': { along: 10, across: 6 },
  'grab bag': { along: 6, across: 4 },
};

/** The slot or hole that fits the largest kind; a block keeps its slot: its corners stand out of a hole as wide as its sides. */
function fitted(d: Dials, { approach, chosen, ageFrom }: Start): Dials {
  const { room, kinds } = parts({ dials: d, chosen });
  const round = kinds.every((k) => k.isRound);
  const largest = (of: (k: ReturnType<typeof kindsOf>[number]) => number): number =>
    Math.max(...kindsOf({ dials: d, chosen }).map(of));
  const over = (mm: number): number => mm * (ageFrom < 18 ? 2 : 1);
  const { along, across } = LOOSE[approach];
  const least = Math.min(room.along, room.across);
  const most = round ? least : Math.max(room.along, room.across);
  return {
    ...d,
    opening: round && d.cover === 'lid' ? 'round' : 'slot',
    length: Math.min(most, half(largest((k) => k.longest) + over(round ? across : along))),
    width: Math.min(least, half(largest((k) => k.shortest) + over(across))),
    // A slot lies along the longer way of the lid.
    turn: !round && room.across > room.along ? 90 : 0,
  };
}

const OPENINGS: Record<
  'lid' | 'tape',
  readonly ((Option & { value: Dials['opening'] }) | Dials['opening'])[]
> = {
  lid: [
    'round',
    'slot',
    'star',
    {
      value: 'outline',
      label: 'Outline',
      why: 'Of the form of one piece: a fish goes in where a fish is cut.',
    },
  ],
  tape: [
    { value: 'slot', label: 'A slit' },
    { value: 'round', label: 'A square hole', why: 'Strips both ways, one over the other.' },
  ],
};

const FISH: Dials['outline'] = { kind: 'shape', shape: 'fish' };
/** Room all round a piece in an opening of its own form, mm: it drops free (common practice). */
const AROUND = 1.5;

/** The widest opening of any kind that the lid or the mouth leaves room for, mm. */
function widest(at: At<Dials>): number {
  const { room } = parts(at);
  return Math.max(10, Math.floor(2 * Math.min(room.along, room.across)) / 2);
}
function longest(at: At<Dials>): number {
  const { cover, opening, turn } = at.dials;
  if (cover !== 'lid' || opening !== 'slot') return widest(at);
  return Math.max(10, Math.floor(2 * longestSlot(parts(at).room, turn)) / 2);
}
const isCut = ({ dials: d }: At<Dials>): boolean => d.cover === 'lid';
const isSip = ({ dials: d }: At<Dials>): boolean => d.cover === 'sip hole';
const isOfSheet = (at: At<Dials>): boolean => parts(at).kinds.some(isMade);

export const dials = dialTable<Dials>(
  {
    cover: {
      label: 'Goes in through',
      values: ['lid', 'tape', 'open', 'sip hole'],
      options: (at) => [
        { value: 'lid', label: 'Cut lid' },
        {
          value: 'tape',
          label: 'Taped mouth',
          why: parts(at).tape
            ? 'No blade; it comes off again for the next child.'
            : 'No blade; choose a tape for it below.',
        },
        { value: 'open', label: 'Open mouth', why: 'The easiest: for the first time, or with the tape off.' },
        {
          value: 'sip hole',
          label: 'Sip hole',
          why: `It is there already, about ${SIP.width} × ${SIP.length} mm: the piece is made to fit it.`,
        },
      ],
      // Without a knife the mouth stays as it is, or tape narrows it.
      begins: ({ chosen, without }) =>
        !without?.includes('craft knife') ? 'lid' : chosen[ROLES.edge.id]?.length ? 'tape' : 'open',
      before: 'lid',
    },
    sipLength: {
      label: 'Sip hole, long way',
      unit: 'mm',
      ends: [8, 40],
      step: 0.5,
      when: isSip,
      begins: SIP.length,
      before: SIP.length,
    },
    sipWidth: {
      label: 'Sip hole, short way',
      unit: 'mm',
      ends: [3, 25],
      step: 0.5,
      when: isSip,
      begins: SIP.width,
      before: SIP.width,
    },
    opening: {
      label: ({ dials: d }) => (d.cover === 'tape' ? 'Tape leaves' : 'Opening'),
      values: ['round', 'slot', 'star', 'outline'],
      options: ({ dials: d }) => OPENINGS[d.cover === 'tape' ? 'tape' : 'lid'],
      when: (at) => isCut(at) || at.dials.cover === 'tape',
      begins: 'slot',
    },
    outline: {
      label: 'Outline of the opening',
      outline: true,
      size: 'length',
      around: AROUND,
      when: (at) => isCut(at) && at.dials.opening === 'outline',
      begins: FISH,
      before: FISH,
    },
    length: {
      label: ({ dials: d }) =>
        d.cover === 'tape'
          ? 'Square hole'
          : {
              round: 'Hole across',
              slot: 'Slot length',
              star: 'Star over its tips',
              outline: 'Its longer side',
            }[d.opening],
      unit: 'mm',
      ends: [5, 500],
      range: (at) => [5, longest(at)],
      step: 0.5,
      when: (at) => isCut(at) || (at.dials.cover === 'tape' && at.dials.opening !== 'slot'),
      begins: 40,
    },
    width: {
      label: ({ dials: d }) =>
        d.cover === 'tape'
          ? 'Slit width'
          : d.opening === 'slot'
            ? 'Slot width'
            : 'Star over its inner corners',
      unit: 'mm',
      ends: [3, 500],
      range: (at) => [
        3,
        isCut(at) && at.dials.opening === 'star' ? Math.max(3, at.dials.length - 1) : widest(at),
      ],
      step: 0.5,
      when: (at) =>
        isCut(at)
          ? at.dials.opening === 'slot' || at.dials.opening === 'star'
          : at.dials.cover === 'tape' && at.dials.opening === 'slot',
      begins: 10,
    },
    turn: {
      label: ({ dials: d }) =>
        ({ slot: 'Slot turned', star: 'Star turned', outline: 'Outline turned', round: 'Turned' })[d.opening],
      unit: 'deg',
      ends: [0, 90],
      range: ({ dials: d }) => [0, d.opening === 'star' ? Math.floor(180 / d.points) : 90],
      step: 5,
      when: (at) => isCut(at) && at.dials.opening !== 'round',
      begins: 0,
    },
    points: {
      label: 'Tips',
      unit: 'each',
      of: 'a number of points',
      ends: [3, 8],
      when: (at) => isCut(at) && at.dials.opening === 'star',
      begins: 5,
    },
    openings: {
      label: 'Openings for the kinds',
      options: [
        { value: 'one', label: 'One for all' },
        {
          value: 'one for each kind',
          label: 'One each',
          why: 'At least one piece does not go in the wrong one: it shows by itself.',
        },
      ],
      when: (at) => isCut(at) && parts(at).kinds.length > 1,
      begins: 'one',
      before: 'one',
    },
    made: {
      label: 'Made of the sheet',
      options: [
        { value: 'strip', label: 'Strips', why: 'Cut from card, posted on end or edge on.' },
        {
          value: 'rolled',
          label: 'Rolled paper',
          why: 'A square rolled to a ball: rolling is the work.',
        },
      ],
      when: isOfSheet,
      begins: 'strip',
      before: 'strip',
    },
    stripLength: {
      label: ({ dials: d }) => (d.made === 'rolled' ? 'Square of paper' : 'Strip length'),
      unit: 'mm',
      ends: [10, 300],
      when: isOfSheet,
      begins: ({ chosen }) => {
        const lid = lidOf(taken(chosen, ROLES.container));
        return Math.min(60, Math.max(20, half(Math.min(lid.along, lid.across) - 2 * RIM - 8)));
      },
      before: 60,
    },
    stripWidth: {
      label: 'Strip width',
      unit: 'mm',
      ends: [5, 100],
      when: (at) => isOfSheet(at) && at.dials.made === 'strip',
      begins: 20,
      before: 20,
    },
    pieces: {
      label: 'Pieces',
      unit: 'each',
      of: 'a number of pieces',
      ends: [1, 60],
      begins: { 'prepared shelf': 6, 'graded play': 10, 'made together': 8, 'grab bag': 4 },
    },
    tool: { label: 'Picked up with', options: ['fingers', 'tongs', 'peg'], begins: 'fingers' },
  },
  { settle: fitted },
);
