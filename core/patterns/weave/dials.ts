import type { Section } from '../../geometry/web.ts';
import type { Material } from '../../materials/material.ts';
import { dialTable } from '../dialTable.ts';
import { allTaken, taken, type At, type Role, type Start } from '../kernel.ts';
import { BAG, sheetOrCardBox } from '../making.ts';
import { GLUE, TAPE } from '../supplies.ts';
import type { Dials } from './schema.ts';
import { mostRounds } from './thread.ts';
import { isCard, isLace, isStick } from '../serves.ts';

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
    serves: isStick,
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
    serves: isCard,
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
    serves: isLace,
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
  glue: GLUE,
  tape: TAPE,
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

/** The widest and highest loom that its card gives, mm. */
export function roomOn(card: Material | null): { width: number; height: number } {
  const { length = 300, width = 200, height = 200 } = card?.sizes ?? {};
  const [long, short] =
    card?.form === 'container'
      ? [Math.max(length, height), Math.min(length, height)]
      : [Math.max(length, width), Math.min(length, width)];
  return { width: Math.floor(short - 4), height: Math.floor(long - 4) };
}

/** The frame an approach begins with, where what it takes is chosen. */
function frameFor({ approach, chosen }: Start): Dials['frame'] {
  const { stick, card } = parts({ chosen });
  if (approach === 'grab bag') return card || !stick ? 'loom' : 'star';
  if (!stick && card) return 'loom';
  return approach === 'made together' ? 'twig' : 'star';
}
const begunAsTwig = (start: Start): boolean => frameFor(start) === 'twig';
const SPACING = { 'prepared shelf': 6, 'graded play': 8, 'made together': 10, 'grab bag': 6 };

const isStar = ({ dials: d }: At<Dials>): boolean => d.frame === 'star';
const isTwig = ({ dials: d }: At<Dials>): boolean => d.frame === 'twig';
const isLoom = ({ dials: d }: At<Dials>): boolean => d.frame === 'loom';
const hasArms = (at: At<Dials>): boolean => !isLoom(at);

export const dials = dialTable<Dials>(
  {
    frame: {
      label: 'Wound on',
      options: [
        { value: 'star', label: 'Crossed sticks' },
        { value: 'twig', label: 'Forked twig' },
        { value: 'loom', label: 'Card loom' },
      ],
      begins: frameFor,
    },
    sticks: {
      label: 'Sticks crossed',
      unit: 'each',
      of: 'a number of sticks',
      ends: [2, 12],
      when: isStar,
      begins: ({ approach }) => (approach === 'prepared shelf' ? 3 : 2),
    },
    arm: {
      label: 'Length of an arm',
      unit: 'mm',
      ends: [30, 600],
      range: ({ dials: d, chosen }) => [30, longestArm(d, parts({ chosen }).long)],
      step: 5,
      when: hasArms,
      begins: (start) => longestArm({ frame: frameFor(start) }, parts(start).long),
    },
    course: {
      label: 'The thread goes',
      options: [
        { value: 'spiral', label: 'On and on', why: 'One thread from the middle out.' },
        {
          value: 'rings',
          label: 'Round by round',
          why: 'Each round closes: a new colour can begin there.',
        },
      ],
      when: isStar,
      begins: 'spiral',
    },
    angle: {
      label: 'Between the arms',
      unit: 'deg',
      ends: [15, 120],
      step: 5,
      why: 'As the twig has grown.',
      when: isTwig,
      begins: 50,
    },
    stems: {
      label: 'Stems woven in',
      unit: 'each',
      of: 'a number of stems',
      ends: [0, 12],
      when: isTwig,
      begins: (start) => (begunAsTwig(start) ? 3 : 0),
    },
    slots: {
      label: 'Slots',
      unit: 'each',
      of: 'a number of slots',
      ends: [3, 41],
      step: 2,
      why: 'An odd number: every row then ends on the other side of the last string.',
      when: isLoom,
      begins: ({ ageFrom }) => (ageFrom < 60 ? 9 : 13),
    },
    pitch: { label: 'Slot to slot', unit: 'mm', ends: [4, 30], when: isLoom, begins: 10 },
    height: {
      label: 'Height of the loom',
      unit: 'mm',
      ends: [60, 400],
      range: ({ chosen }) => [60, Math.max(70, roomOn(parts({ chosen }).card).height)],
      step: 10,
      when: isLoom,
      begins: 150,
    },
    first: {
      label: (at) => (isStar(at) ? 'First round from the middle' : 'First row from the fork'),
      unit: 'mm',
      ends: [3, 200],
      range: ({ dials: d }) => [3, Math.max(10, Math.floor(d.arm / 2))],
      when: hasArms,
      begins: (start) => (begunAsTwig(start) ? 25 : Math.ceil(armWidth(parts(start).section))),
    },
    spacing: {
      label: (at) => (isStar(at) ? 'Round to round' : 'Row to row'),
      unit: 'mm',
      ends: [1, 40],
      range: ({ chosen }) => [Math.ceil(thickOf(parts({ chosen }).thread)), 40],
      begins: ({ approach, chosen, ageFrom }) =>
        Math.max(SPACING[approach], Math.ceil(2 * thickOf(parts({ chosen }).thread))) +
        (ageFrom < 48 ? 2 : 0),
    },
    rounds: {
      label: (at) => (isStar(at) ? 'Rounds' : 'Rows'),
      unit: 'each',
      of: 'a number of rounds',
      ends: [1, 200],
      range: ({ dials: d }) => [1, mostRounds(d)],
      begins: (start) => (frameFor(start) === 'loom' ? 16 : 6),
    },
    wraps: {
      label: 'Turns round an arm',
      unit: 'each',
      of: 'turns round an arm',
      ends: [0, 4],
      why: 'None: over and on. Once or twice holds it and is harder.',
      when: hasArms,
      begins: (start) => (begunAsTwig(start) ? 2 : 1),
    },
    free: { label: 'Hangs free from the bobbin', unit: 'mm', ends: [100, 600], step: 10, begins: 200 },
  },
  { settle: (d) => ({ ...d, rounds: Math.min(d.rounds, mostRounds(d)) }) },
);
