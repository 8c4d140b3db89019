import type { Section } from '../../geometry/web.ts';
import type { Material } from '../../materials/material.ts';
import { choice, number } from '../dialKinds.ts';
import { allTaken, taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { BAG, sheetOrCardBox } from '../making.ts';
import type { Dials } from './schema.ts';
import { mostRounds } from './thread.ts';

/** A stick shorter than this gives no arm to wind on, mm. */
const LEAST_STICK = 60;

export const ROLES = {
  stick: {
    id: 'stick',
    label: 'Sticks or twig',
    forms: ['piece'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['craft-stick'],
    accepts: (m) =>
      (m.sizes.length ?? 0) >= LEAST_STICK ? null : `expected a stick of at least ${LEAST_STICK} mm`,
  },
  card: {
    id: 'card',
    label: 'Card for a loom',
    forms: ['sheet', 'container'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['cereal-panel'],
    accepts: sheetOrCardBox,
  },
  thread: {
    id: 'thread',
    label: 'Thread',
    forms: ['cord'],
    least: 1,
    most: 1,
    use: 'piece',
    usual: ['wool'],
  },
  woven: {
    id: 'woven',
    label: 'Woven in',
    forms: ['piece', 'cord'],
    least: 0,
    most: 3,
    use: 'part',
    usual: [],
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

export interface Parts {
  readonly stick: Material | null;
  readonly card: Material | null;
  readonly thread: Material;
  readonly woven: readonly Material[];
  /** Of the stick across, as the thread goes round it. */
  readonly section: Section;
  /** Length of a stick, mm. */
  readonly long: number;
}

const DRAWN: Section = { kind: 'round', diameter: 8 };

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>): Parts {
  const stick = allTaken(chosen, ROLES.stick)[0] ?? null;
  const { diameter, width, height, length = 230 } = stick?.sizes ?? {};
  const section: Section =
    diameter !== undefined
      ? { kind: 'round', diameter }
      : width !== undefined && height !== undefined
        ? { kind: 'flat', width, thickness: height }
        : DRAWN;
  return {
    stick,
    card: allTaken(chosen, ROLES.card)[0] ?? null,
    thread: taken(chosen, ROLES.thread),
    woven: allTaken(chosen, ROLES.woven),
    section,
    long: length,
  };
}

/** How wide an arm looks from the front, mm. */
export const armWidth = (s: Section): number => (s.kind === 'round' ? s.diameter : s.width);

/** Thickness of the thread as it lies, mm. */
export const thickOf = (thread: Material): number => (thread.sizes.diameter ?? 2) * (1 - thread.give);

/** The longest arm that a stick gives, mm: half of it where it crosses others. */
const longestArm = (d: Pick<Dials, 'frame'>, long: number): number =>
  Math.floor(d.frame === 'twig' ? long * 0.7 : long / 2);

const STARTS: Record<Approach, Pick<Dials, 'frame' | 'sticks' | 'spacing'>> = {
  'prepared shelf': { frame: 'star', sticks: 3, spacing: 6 },
  'graded play': { frame: 'star', sticks: 2, spacing: 8 },
  'made together': { frame: 'twig', sticks: 2, spacing: 10 },
  'grab bag': { frame: 'loom', sticks: 2, spacing: 6 },
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { stick, card, long, section, thread } = parts({ chosen });
  const start = STARTS[approach];
  const frame =
    start.frame === 'loom' ? (card || !stick ? 'loom' : 'star') : stick || !card ? start.frame : 'loom';
  const d: Dials = {
    ...start,
    frame,
    arm: Math.max(30, longestArm({ frame }, long)),
    angle: 50,
    first: frame === 'twig' ? 25 : Math.ceil(armWidth(section)),
    spacing: Math.max(start.spacing, Math.ceil(2 * thickOf(thread))) + (ageFrom < 48 ? 2 : 0),
    rounds: 1,
    wraps: frame === 'twig' ? 2 : 1,
    course: 'spiral',
    slots: ageFrom < 60 ? 9 : 13,
    pitch: 10,
    height: 150,
    stems: frame === 'twig' ? 3 : 0,
    free: 200,
  };
  return { ...d, rounds: Math.max(1, Math.min(frame === 'loom' ? 16 : 6, mostRounds(d))) };
}

/** The widest and highest loom that its card gives, mm. */
export function roomOn(card: Material | null): { width: number; height: number } {
  const { length = 300, width = 200, height = 200 } = card?.sizes ?? {};
  const [long, short] =
    card?.form === 'container'
      ? [Math.max(length, height), Math.min(length, height)]
      : [Math.max(length, width), Math.min(length, width)];
  return { width: Math.floor(short - 4), height: Math.floor(long - 4) };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { long, thread, card } = parts({ chosen });
  const close = Math.max(1, Math.ceil(thickOf(thread)));
  const most = Math.max(1, mostRounds(d));
  const longest = Math.max(40, longestArm(d, long));
  const onArms: DialSpec[] =
    d.frame === 'star'
      ? [
          number('sticks', 'Sticks crossed', 'each', [2, 6, 1]),
          number('arm', 'Length of an arm', 'mm', [30, longest, 5]),
          choice('course', 'The thread goes', [
            { value: 'spiral', label: 'On and on', why: 'One thread from the middle out.' },
            {
              value: 'rings',
              label: 'Round by round',
              why: 'Each round closes: a new colour can begin there.',
            },
          ]),
        ]
      : [
          number('arm', 'Length of an arm', 'mm', [40, longest, 5]),
          number('angle', 'Between the arms', 'deg', [15, 120, 5], 'As the twig has grown.'),
          number('stems', 'Stems woven in', 'each', [0, 12, 1]),
        ];
  const onCard: DialSpec[] = [
    number(
      'slots',
      'Slots',
      'each',
      [3, 41, 2],
      'An odd number: every row then ends on the other side of the last string.',
    ),
    number('pitch', 'Slot to slot', 'mm', [4, 30, 1]),
    number('height', 'Height of the loom', 'mm', [60, Math.max(70, roomOn(card).height), 10]),
  ];
  return [
    choice('frame', 'Wound on', [
      { value: 'star', label: 'Crossed sticks' },
      { value: 'twig', label: 'Forked twig' },
      { value: 'loom', label: 'Card loom' },
    ]),
    ...(d.frame === 'loom' ? onCard : onArms),
    ...(d.frame === 'loom'
      ? []
      : [
          number(
            'first',
            d.frame === 'star' ? 'First round from the middle' : 'First row from the fork',
            'mm',
            [3, Math.max(10, Math.floor(d.arm / 2)), 1],
          ),
        ]),
    number('spacing', d.frame === 'star' ? 'Round to round' : 'Row to row', 'mm', [
      close,
      Math.max(close + 1, 20),
      1,
    ]),
    number('rounds', d.frame === 'star' ? 'Rounds' : 'Rows', 'each', [1, most, 1]),
    ...(d.frame === 'loom'
      ? []
      : [
          number(
            'wraps',
            'Turns round an arm',
            'each',
            [0, 4, 1],
            'None: over and on. Once or twice holds it and is harder.',
          ),
        ]),
    number('free', 'Hangs free from the bobbin', 'mm', [100, 600, 10]),
  ];
}
