import { halved } from '../../cut/halving.ts';
import type { Material } from '../../materials/material.ts';
import { dialTable } from '../dialTable.ts';
import { ofClass } from '../making.ts';
import { allTaken, taken, type Approach, type At, type Role } from '../kernel.ts';

export interface Dials {
  readonly fingers: number;
  readonly colours: number;
  /** Round the child's finger, mm. */
  readonly girth: number;
  /** Tape that is torn off for a finger, or for two where it is torn in half lengthways; mm. */
  readonly strip: number;
  /** The paper is halved so often. */
  readonly halvings: number;
  /** Torn in half lengthways, the tape is half as wide. */
  readonly torn: boolean;
  readonly game: 'as they lie' | 'by colour' | 'called out' | 'most at once';
  readonly end: 'peeled off' | 'rolled' | 'rolled and posted';
  /** Of the hole that balls are posted through, mm. */
  readonly hole: number;
  /** A sitting, minutes. */
  readonly minutes: number;
  /** The sitting is by video. */
  readonly video: boolean;
}

export const ROLES = {
  tape: {
    id: 'tape',
    label: 'Tape that leaves no glue',
    forms: ['consumable'],
    least: 1,
    most: 1,
    use: 'consumable',
    usual: ['masking-tape'],
    accepts: (m) => (m.sizes.width === undefined ? 'expected tape with its width in mm' : ofClass('tape')(m)),
  },
  paper: {
    id: 'paper',
    label: 'Paper, by colour',
    forms: ['sheet'],
    least: 1,
    most: 4,
    use: 'piece',
    usual: ['note-paper'],
    serves: (m) => m.materialClass === 'paper' && Math.max(m.sizes.length ?? 0, m.sizes.width ?? 0) <= 220,
    accepts: ofClass('paper', 'card'),
  },
  box: {
    id: 'box',
    label: 'Posted into',
    forms: ['container', 'disc'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['sip-cup'],
  },
} as const satisfies Record<string, Role>;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const [box] = allTaken(chosen, ROLES.box);
  return {
    tape: taken(chosen, ROLES.tape),
    papers: allTaken(chosen, ROLES.paper),
    paper: taken(chosen, ROLES.paper),
    box,
  };
}

/** What is usually torn off, mm: 10 in (common practice). */
const STRIP = 254;

/** The least strip for one finger, mm: once round sticky side in, turned and back over itself sticky side out, 10 to hold. */
export const stripFor = (girth: number): number => 2 * girth + 10;

/** Width of what goes round a finger, mm. */
export const stripWidth = (d: Pick<Dials, 'torn'>, tape: Material): number =>
  (tape.sizes.width ?? 25) / (d.torn ? 2 : 1);

/** Paper rolled to a ball is a fifth paper, the rest air (common practice; measured on notepaper rolled by a child's fingers it varies). */
const ROLLED = 0.2;

/** What a sheet becomes: pieces, the sides of each, and the ball one is rolled to; mm. */
export function scraps(d: Pick<Dials, 'halvings'>, paper: Material) {
  const { length = 76, width = 76, wall = 0.1 } = paper.sizes;
  const cut = halved(length, width, wall, d.halvings);
  const volume = (cut.width * cut.height * wall) / ROLLED;
  return { ...cut, ball: Math.cbrt((6 * volume) / Math.PI) };
}

/** Age at which a finger is about so far round, mm (common practice: 40 to 50 in early years). */
const girthAt = (ageFrom: number): number => (ageFrom < 36 ? 40 : ageFrom < 60 ? 45 : 50);

const ENDS: Record<Approach, Dials['end']> = {
  'prepared shelf': 'rolled and posted',
  'graded play': 'peeled off',
  'made together': 'rolled',
  'grab bag': 'peeled off',
};

/** A finger that goes in comes out again: 13 mm and over. */
const FINGER = 13;

export const dials = dialTable<Dials>({
  fingers: {
    label: 'Fingers with tape',
    unit: 'each',
    of: 'a number of fingers',
    ends: [1, 4],
    begins: { 'prepared shelf': 1, 'graded play': 1, 'made together': 2, 'grab bag': 1 },
  },
  girth: { label: 'Round the finger', unit: 'mm', ends: [25, 90], begins: ({ ageFrom }) => girthAt(ageFrom) },
  strip: {
    label: 'Strip torn off',
    unit: 'mm',
    ends: [60, 500],
    range: ({ dials: d }) => [stripFor(d.girth), 500],
    why: '254 mm (10 in) is usual: twice round and back, with length to hold and to turn.',
    begins: STRIP,
    before: STRIP,
  },
  torn: {
    label: 'Tape torn in half lengthways',
    why: 'A strip as wide as a fingertip; tearing it is the child’s work too.',
    begins: ({ chosen }) => (parts({ chosen }).tape.sizes.width ?? 25) >= 22,
  },
  halvings: {
    label: 'Paper halved',
    unit: 'each',
    of: 'a number of halvings',
    ends: [1, 7],
    why: 'Four times gives 16 pieces.',
    begins: 4,
  },
  colours: {
    label: 'Colours',
    unit: 'each',
    of: 'a number of colours',
    ends: [1, 4],
    range: ({ chosen }) => [1, parts({ chosen }).papers.length],
    when: ({ chosen }) => parts({ chosen }).papers.length > 1,
    begins: ({ chosen }) => Math.min(parts({ chosen }).papers.length, 2),
  },
  game: {
    label: 'Picked up',
    values: ['as they lie', 'by colour', 'called out', 'most at once'],
    options: ({ dials: d }) => [
      { value: 'as they lie', label: 'As they lie' },
      ...(d.colours > 1
        ? [
            {
              value: 'by colour' as const,
              label: 'A colour for each finger',
              why: 'Each finger has its own.',
            },
          ]
        : []),
      { value: 'called out', label: 'As fast as called' },
      { value: 'most at once', label: 'The most at once' },
    ],
    begins: 'as they lie',
  },
  end: {
    label: 'Then',
    values: ['peeled off', 'rolled', 'rolled and posted'],
    options: ({ chosen }) => [
      'peeled off',
      { value: 'rolled', label: 'Rolled to a ball' },
      ...(parts({ chosen }).box ? (['rolled and posted'] as const) : []),
    ],
    begins: ({ approach, chosen }) =>
      ENDS[approach] === 'rolled and posted' && !parts({ chosen }).box ? 'rolled' : ENDS[approach],
  },
  hole: {
    label: 'Hole to post through',
    unit: 'mm',
    ends: [3, 40],
    step: 0.5,
    when: ({ dials: d }) => d.end === 'rolled and posted',
    begins: ({ chosen }) =>
      Math.max(FINGER, Math.ceil(scraps({ halvings: 4 }, parts({ chosen }).papers[0]!).ball + 1)),
  },
  minutes: {
    label: 'Minutes',
    unit: 'each',
    of: 'minutes',
    ends: [3, 15],
    why: 'Five to ten: it grows in one sitting.',
    begins: ({ ageFrom }) => (ageFrom < 48 ? 5 : 8),
  },
  video: {
    label: 'By video',
    why: 'White tape and strong paper colours, so that both are seen on camera.',
    begins: false,
  },
});
