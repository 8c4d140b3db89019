import { z } from 'zod';
import { halved } from '../../cut/halving.ts';
import type { Material } from '../../materials/material.ts';
import { choice, measure, number, oneOf, onOff, wholeNumber } from '../dialKinds.ts';
import { ofClass } from '../making.ts';
import { allTaken, taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';

const GAMES = ['as they lie', 'by colour', 'called out', 'most at once'] as const;
const ENDS = ['peeled off', 'rolled', 'rolled and posted'] as const;

export const dials = z.strictObject({
  fingers: wholeNumber('a number of fingers', 1, 4),
  colours: wholeNumber('a number of colours', 1, 4),
  /** Round the child's finger, mm. */
  girth: measure('mm', 25, 90),
  /** The paper is halved so often. */
  halvings: wholeNumber('a number of halvings', 1, 7),
  /** Torn in half lengthways, the tape is half as wide. */
  torn: onOff,
  game: oneOf(GAMES),
  end: oneOf(ENDS),
  /** Of the hole that balls are posted through, mm. */
  hole: measure('mm', 3, 40),
  /** A sitting, minutes. */
  minutes: wholeNumber('minutes', 3, 15),
  /** The sitting is by video. */
  video: onOff,
});
export type Dials = z.infer<typeof dials>;

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

/** Strip for one finger, mm: once round sticky side in, turned and back over itself sticky side out, 10 to hold. */
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

const STARTS: Record<Approach, Pick<Dials, 'end' | 'fingers'>> = {
  'prepared shelf': { end: 'rolled and posted', fingers: 1 },
  'graded play': { end: 'peeled off', fingers: 1 },
  'made together': { end: 'rolled', fingers: 2 },
  'grab bag': { end: 'peeled off', fingers: 1 },
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { papers, box, tape } = parts({ chosen });
  const start = STARTS[approach];
  const d: Dials = {
    ...start,
    end: start.end === 'rolled and posted' && !box ? 'rolled' : start.end,
    colours: Math.min(papers.length, 2),
    girth: girthAt(ageFrom),
    halvings: 4,
    torn: (tape.sizes.width ?? 25) >= 22,
    game: 'as they lie',
    hole: 13,
    minutes: ageFrom < 48 ? 5 : 8,
    video: false,
  };
  // A finger that goes in comes out again: 13 mm and over.
  return { ...d, hole: Math.max(13, Math.ceil(scraps(d, papers[0]!).ball + 1)) };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { papers, box } = parts({ chosen });
  return [
    number('fingers', 'Fingers with tape', 'each', [1, 4, 1]),
    number('girth', 'Round the finger', 'mm', [30, 70, 1]),
    {
      kind: 'switch',
      id: 'torn',
      label: 'Tape torn in half lengthways',
      why: 'A strip as wide as a fingertip; tearing it is the child’s work too.',
    },
    number('halvings', 'Paper halved', 'each', [1, 6, 1], 'Four times gives 16 pieces.'),
    ...(papers.length > 1 ? [number('colours', 'Colours', 'each', [1, papers.length, 1])] : []),
    choice('game', 'Picked up', [
      { value: 'as they lie', label: 'As they lie' },
      ...(d.colours > 1
        ? [{ value: 'by colour', label: 'A colour for each finger', why: 'Each finger has its own.' }]
        : []),
      { value: 'called out', label: 'As fast as called' },
      { value: 'most at once', label: 'The most at once' },
    ]),
    choice('end', 'Then', [
      { value: 'peeled off', label: 'Peeled off' },
      { value: 'rolled', label: 'Rolled to a ball' },
      ...(box ? [{ value: 'rolled and posted', label: 'Rolled and posted' }] : []),
    ]),
    ...(d.end === 'rolled and posted' ? [number('hole', 'Hole to post through', 'mm', [4, 30, 0.5])] : []),
    number('minutes', 'Minutes', 'each', [3, 15, 1], 'Five to ten: it grows in one sitting.'),
    {
      kind: 'switch',
      id: 'video',
      label: 'By video',
      why: 'White tape and strong paper colours, so that both are seen on camera.',
    },
  ];
}
