import type { Material } from '../../materials/material.ts';
import { taken, type At, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { GLUE, SAND, TAPE } from '../supplies.ts';
import { dialTable } from '../dialTable.ts';
import { isCard, isToken } from '../serves.ts';

export const ROLES = {
  post: {
    id: 'post',
    label: 'Post',
    forms: ['tube', 'piece'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['foil-tube'],
    serves: (m) => m.form === 'tube' || m.materialClass === 'wood',
    accepts: (m) =>
      (m.sizes.length ?? m.sizes.height ?? 0) < 3 * Math.min(m.sizes.diameter ?? 1e9, m.sizes.width ?? 1e9)
        ? 'expected something at least three times as long as it is thick'
        : null,
  },
  part: {
    id: 'part',
    label: 'Rings from',
    forms: ['tube', 'sheet', 'container'],
    least: 1,
    most: 1,
    use: 'piece',
    usual: ['kitchen-tube'],
    serves: (m, ageFrom) => m.form === 'tube' || isCard(m, ageFrom),
  },
  base: {
    id: 'base',
    label: 'Base',
    forms: ['disc', 'container', 'sheet'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['formula-lid'],
    serves: (m) =>
      (m.form === 'container' || m.form === 'disc') &&
      (m.sizes.diameter ?? Math.min(m.sizes.length ?? 0, m.sizes.width ?? 0)) >= 80,
  },
  cap: {
    id: 'cap',
    label: 'Cap over the post’s end',
    forms: ['piece', 'disc'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['wine-cork'],
    serves: isToken,
  },
  massager: {
    id: 'massager',
    label: 'Massager in the base',
    forms: ['piece', 'disc'],
    least: 0,
    most: 1,
    use: 'part',
    usual: [],
  },
  glue: GLUE,
  tape: TAPE,
  sand: SAND,
  bag: BAG,
} as const satisfies Record<string, Role>;

export interface Dials {
  readonly number: number;
  /** Height of a cut, or the thickness a folded ring takes up, mm. */
  readonly height: number;
  /** What saw or scissors take between two cuts, mm. */
  readonly loss: number;
  /** Of rings cut from a sheet; a tube has its own. mm */
  readonly outer: number;
  readonly hole: number;
  readonly post: number;
  /** Sand or stones in the closed base, g. */
  readonly weight: number;
  /** Something soft over the end of the post. */
  readonly capped: boolean;
  /** A battery massager in the base makes it hum. */
  readonly hums: boolean;
  readonly shows: 'plain' | 'numbers' | 'letters' | 'picture';
  readonly word: string;
}

/** Thickness of what stands upright, mm, and how long it is. */
const postSize = (m: Material): { thick: number; long: number } => {
  const { length = 0, width = 0, height = 0, diameter } = m.sizes;
  if (diameter !== undefined) return { thick: diameter, long: Math.max(length, height) };
  const [long, middle] = [length, width, height].sort((a, b) => b - a) as [number, number];
  return { thick: middle, long };
};

/** Whether the rings are cuts of a tube, which have its sizes. */
export const isTube = (part: Material): boolean => part.form === 'tube';

export interface Rings {
  readonly outer: number;
  readonly hole: number;
  readonly height: number;
}

export function parts(at: Pick<At<Dials>, 'chosen'>) {
  const post = taken(at.chosen, ROLES.post);
  const part = taken(at.chosen, ROLES.part);
  const [base] = at.chosen[ROLES.base.id] ?? [];
  const [cap] = at.chosen[ROLES.cap.id] ?? [];
  const [massager] = at.chosen[ROLES.massager.id] ?? [];
  return { post, part, base, cap, massager, ...postSize(post) };
}

/** The rings as they come out: a tube's own diameters, or what the dials say of a sheet. mm */
export function ringOf({ dials: d, chosen }: At<Dials>): Rings {
  const { part } = parts({ chosen });
  if (!isTube(part)) return { outer: d.outer, hole: d.hole, height: part.sizes.wall ?? 1 };
  const outer = part.sizes.diameter!;
  return { outer, hole: outer - 2 * (part.sizes.wall ?? 0.7), height: d.height };
}

/** How much wider than the post a hole begins, mm: 25 for the youngest, else 10 to 15 (common practice). */
export const looseFor = (ageFrom: number): number => (ageFrom < 18 ? 25 : ageFrom < 36 ? 15 : 12);

const POST = 240;
const NUMBERS = { 'prepared shelf': 5, 'graded play': 6, 'made together': 5, 'grab bag': 4 };
const ofTube = ({ chosen }: Pick<At<Dials>, 'chosen'>): boolean => isTube(parts({ chosen }).part);
const hasBase = ({ chosen }: At<Dials>): boolean => parts({ chosen }).base !== undefined;
const holeFor = ({ chosen, ageFrom }: Start): number =>
  Math.round(parts({ chosen }).thick + looseFor(ageFrom));

export const dials = dialTable<Dials>({
  number: {
    label: 'Rings',
    unit: 'each',
    of: 'a number of rings',
    ends: [2, 20],
    begins: ({ approach, chosen }) => {
      const { part, long } = parts({ chosen });
      const height = isTube(part) ? 38 : (part.sizes.wall ?? 1);
      return Math.min(NUMBERS[approach], Math.floor((Math.min(long, POST) - 30) / Math.max(1, height)));
    },
  },
  height: {
    label: 'Height of a cut',
    unit: 'mm',
    ends: [10, 300],
    range: ({ chosen }) => [10, Math.floor(parts({ chosen }).part.sizes.length ?? 80)],
    when: ofTube,
    begins: ({ chosen }) => (ofTube({ chosen }) ? Math.min(38, parts({ chosen }).part.sizes.length!) : 38),
  },
  loss: {
    label: 'Lost at each cut',
    unit: 'mm',
    ends: [0, 10],
    step: 0.5,
    why: 'Scissors lose nothing, a saw about a millimetre.',
    when: ofTube,
    begins: 1,
  },
  outer: {
    label: 'Ring across',
    unit: 'mm',
    ends: [40, 500],
    range: ({ chosen }) => {
      const { length = 200, width = 200 } = parts({ chosen }).part.sizes;
      return [40, Math.floor(Math.min(length, width))];
    },
    when: (at) => !ofTube(at),
    begins: (start) => holeFor(start) + 40,
  },
  hole: {
    label: 'Hole in the ring',
    unit: 'mm',
    ends: [3, 500],
    range: ({ dials: d, chosen }) => [Math.ceil(parts({ chosen }).thick + 2), Math.floor(d.outer - 12)],
    when: (at) => !ofTube(at),
    begins: holeFor,
  },
  post: {
    label: 'Post stands',
    unit: 'mm',
    ends: [20, 1000],
    range: ({ chosen }) => {
      const { long } = parts({ chosen });
      return [Math.min(60, Math.floor(long)), Math.floor(long)];
    },
    step: 5,
    begins: ({ chosen }) => Math.min(parts({ chosen }).long, POST),
  },
  weight: {
    label: 'Weight in the base',
    unit: 'g',
    ends: [0, 2000],
    step: 25,
    why: 'Sand or stones in a closed base make it stand; without, the other hand holds it.',
    when: hasBase,
    begins: 0,
  },
  capped: {
    label: 'Cap over the post’s end',
    why: 'A cork, a ball or a pad of tape: a thin post stands at the height of an eye.',
    begins: ({ chosen }) => parts({ chosen }).thick < 20,
    before: false,
  },
  hums: {
    label: 'Massager in the base',
    why: 'It hums as the rings go on; the battery door needs a screw.',
    when: hasBase,
    begins: false,
    before: false,
  },
  shows: {
    label: 'Rings show',
    options: [
      { value: 'plain', label: 'Nothing', why: 'Any order is right.' },
      'numbers',
      { value: 'letters', label: 'A word' },
      { value: 'picture', label: 'A picture', why: 'One in front; another may go on the back.' },
    ],
    begins: {
      'prepared shelf': 'plain',
      'graded play': 'numbers',
      'made together': 'picture',
      'grab bag': 'plain',
    },
  },
  word: {
    label: 'Word, a letter on each',
    most: 20,
    allowed: { pattern: '[\\p{L}\\p{N} ]*', expected: 'letters or numerals' },
    when: ({ dials: d }) => d.shows === 'letters',
    begins: '',
  },
});
