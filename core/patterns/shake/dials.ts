import { atLeast, extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { staplesRound } from '../../geometry/rim.ts';
import { dialTable } from '../dialTable.ts';
import { ofClass } from '../making.ts';
import { DECOR, GLUE, STAPLES } from '../supplies.ts';
import { countIn, FINE, MANY } from './filling.ts';
import { allTaken, taken, type At, type Role } from '../kernel.ts';

export interface Dials {
  /** How two plates are closed. */
  readonly seal: 'staples' | 'tape';
  readonly staples: number;
  readonly stapleWidth: number;
  /** From the edge of the plate to the staples, mm. */
  readonly rim: number;
  /** How far a cap stands over the end of a tube all round, mm. */
  readonly overlap: number;
  /** How full it is, percent of its inside. */
  readonly full: number;
  readonly filled: 'poured' | 'one by one' | 'from the hand';
  /** What is left open to fill it through, mm. */
  readonly mouth: number;
}

export const ROLES = {
  body: {
    id: 'body',
    label: 'Plates, tube or bottle',
    forms: ['disc', 'tube', 'container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['paper-plate'],
    serves: (m) =>
      m.materialClass !== 'glass' &&
      m.materialClass !== 'metal' &&
      (m.form !== 'disc' || (m.sizes.diameter ?? 0) >= 100),
    accepts: (m) => ((m.sizes.diameter ?? 0) < 30 ? 'expected something round, at least 30 mm across' : null),
  },
  filler: {
    id: 'filler',
    label: 'What rattles',
    forms: ['piece', 'disc', 'tube'],
    least: 1,
    most: 2,
    use: 'filler',
    usual: ['pasta-tube'],
    serves: (m) =>
      m.materialClass !== 'glass' &&
      !m.hazards.includes('battery') &&
      !m.hazards.includes('button cell') &&
      !m.hazards.includes('magnet'),
    accepts: (m) =>
      Math.max(m.sizes.length ?? 0, m.sizes.diameter ?? 0) > 60
        ? 'expected something up to 60 mm long'
        : null,
  },
  cap: {
    id: 'cap',
    label: 'Paper for the caps of a tube',
    forms: ['sheet'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['a4-paper'],
  },
  band: {
    id: 'band',
    label: 'Bands',
    forms: ['cord'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['rubber-band'],
    accepts: (m) =>
      m.sizes.length === undefined ? 'expected a band with its length once round, in mm' : null,
  },
  tape: {
    id: 'tape',
    label: 'Tape',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['cloth-tape'],
    accepts: ofClass('tape'),
  },
  glue: GLUE,
  staples: STAPLES,
  decor: DECOR,
} as const satisfies Record<string, Role>;

/** Two plates rim to rim, a tube with paper caps, or a bottle with its lid: as what it is made of allows. */
export type Kind = 'plates' | 'tube' | 'bottle';
const kindOf = (m: Material): Kind => (m.form === 'disc' ? 'plates' : m.form === 'tube' ? 'tube' : 'bottle');

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const body = taken(chosen, ROLES.body);
  const one = (role: Role): Material | null => allTaken(chosen, role)[0] ?? null;
  return {
    body,
    kind: kindOf(body),
    across: body.sizes.diameter!,
    fillers: allTaken(chosen, ROLES.filler),
    cap: one(ROLES.cap),
    band: one(ROLES.band),
    tape: one(ROLES.tape),
    decor: one(ROLES.decor),
  };
}

/** Longest and least extent of what rattles, mm, by the smallest that was measured. */
export function fillerSize(m: Material): { long: number; least: number } {
  const extents = extentsOf(shapeOf(atLeast(m))!);
  return { long: extentsOf(shapeOf(m)!)[0], least: extents[2] };
}

/** The widest opening to fill it through, mm: the tube's inside, a bottle's neck, a side of two plates. */
export const mostMouth = (kind: Kind, across: number, wall: number): number =>
  Math.floor(kind === 'plates' ? Math.min(200, across * 0.7) : Math.max(16, across - 2 * wall));

/** Staples that two plates of that size need, for the smallest of what is inside. */
export const staplesFor = (
  d: Pick<Dials, 'rim' | 'stapleWidth'>,
  across: number,
  fillers: readonly Material[],
): { count: number; gap: number } =>
  staplesRound(
    Math.max(10, across - 2 * d.rim),
    Math.min(...fillers.map((m) => fillerSize(m).least)),
    d.stapleWidth,
  );

/** How it is filled: what is asked for, but for so many small ones that they are poured whatever is asked. */
export const filledOf = ({ dials: d, chosen }: Pick<At<Dials>, 'dials' | 'chosen'>): Dials['filled'] => {
  const { body, fillers } = parts({ chosen });
  return fillers.some((m) => countIn(body, m, d.full) > MANY) ? 'poured' : d.filled;
};

/** The widest opening of what is chosen, mm. */
const widest = ({ chosen }: Pick<At<Dials>, 'chosen'>): number => {
  const { kind, across, body } = parts({ chosen });
  return mostMouth(kind, across, body.sizes.wall ?? 0);
};
const isPlates = ({ chosen }: At<Dials>): boolean => parts({ chosen }).kind === 'plates';
const isStapled = (at: At<Dials>): boolean => isPlates(at) && at.dials.seal === 'staples';

export const dials = dialTable<Dials>(
  {
    seal: {
      label: 'Closed by',
      options: [
        { value: 'staples', label: 'Staples', why: 'Quick, and their points must be taped over.' },
        {
          value: 'tape',
          label: 'A band of tape',
          why: 'No points and no gaps; it is pulled at before it is lent.',
        },
      ],
      when: isPlates,
      begins: ({ approach, chosen }) =>
        parts({ chosen }).tape && (approach === 'prepared shelf' || approach === 'grab bag')
          ? 'tape'
          : 'staples',
    },
    staples: {
      label: 'Staples',
      unit: 'each',
      of: 'a number of staples',
      ends: [4, 400],
      range: ({ dials: d, chosen }) => {
        const { across, fillers } = parts({ chosen });
        return [4, Math.max(60, 2 * staplesFor(d, across, fillers).count)];
      },
      when: isStapled,
      begins: 4,
    },
    stapleWidth: {
      label: 'Width of a staple',
      unit: 'mm',
      ends: [4, 20],
      step: 0.5,
      when: isStapled,
      begins: 12,
    },
    rim: { label: 'From the edge', unit: 'mm', ends: [3, 25], when: isStapled, begins: 7 },
    overlap: {
      label: 'Cap over the edge',
      unit: 'mm',
      ends: [8, 40],
      when: ({ chosen }) => parts({ chosen }).kind === 'tube',
      begins: 15,
    },
    full: {
      label: 'How full',
      unit: '%',
      of: 'a percentage',
      ends: [5, 90],
      step: 5,
      why: 'A quarter to a third rattles best.',
      begins: 30,
    },
    filled: {
      label: 'Filled by the child',
      options: [
        { value: 'poured', label: 'Poured', why: 'From a cup; a wide mouth.' },
        { value: 'one by one', label: 'One by one', why: 'Finger and thumb, one at a time.' },
        {
          value: 'from the hand',
          label: 'Three in the hand',
          why: 'Three are held in the palm and one at a time comes to the fingertips.',
        },
      ],
      begins: {
        'prepared shelf': 'one by one',
        'graded play': 'one by one',
        'made together': 'from the hand',
        'grab bag': 'poured',
      },
    },
    mouth: {
      label: 'Open to fill it through',
      unit: 'mm',
      ends: [15, 200],
      range: (at) => [15, Math.max(20, widest(at))],
      begins: ({ chosen }) =>
        Math.min(widest({ chosen }), Math.max(60, fillerSize(parts({ chosen }).fillers[0]!).long + 20)),
    },
  },
  {
    settle: (d, { chosen }) => {
      const { across, fillers, tape } = parts({ chosen });
      const isFine = fillers.some((m) => fillerSize(m).least < FINE);
      return {
        ...d,
        staples: staplesFor(d, across, fillers).count,
        seal: tape && isFine ? 'tape' : d.seal,
        filled: filledOf({ dials: d, chosen }),
      };
    },
  },
);
