import { dialTable } from '../dialTable.ts';
import type { At, Start } from '../kernel.ts';
import { girth, isCage, isCloth, isSoft, parts, type Dials } from './dials.ts';
import { cageOf } from './whisk.ts';

const NUMBERS = { 'prepared shelf': 6, 'graded play': 8, 'made together': 6, 'grab bag': 5 };
const half = (x: number): number => Math.ceil(2 * x) / 2;
const hasCloth = ({ chosen }: Pick<At<Dials>, 'chosen'>): boolean => parts({ chosen }).kinds.some(isCloth);
/** A bradawl makes holes where there is no knife for slits: as close as it goes, so that they hold. */
const isBox = (at: At<Dials>): boolean => !isCage(at);
const isPricked = ({ chosen, without }: Start): boolean =>
  (without?.includes('craft knife') ?? false) && parts({ chosen }).stem.round && !hasCloth({ chosen });
/** Sticks, stems or straws, neither cloth nor soft, in a box. */
const isStems = ({ chosen }: At<Dials>): boolean => {
  const { kinds } = parts({ chosen });
  return !isCage({ chosen }) && !kinds.some(isCloth) && !kinds.some(isSoft);
};

export const dials = dialTable<Dials>({
  opening: {
    label: 'Opening',
    options: [
      { value: 'slit', label: 'Slit', why: 'A slit grips the piece: it stays up when the box is turned.' },
      {
        value: 'hole',
        label: 'Punched hole',
        why: 'A hole lets it fall: for pushing in, not for standing.',
      },
    ],
    when: isBox,
    begins: (start) => (parts(start).soft || isPricked(start) ? 'hole' : 'slit'),
  },
  length: {
    label: ({ dials: d }) => (d.opening === 'slit' ? 'Slit' : 'Hole across'),
    unit: 'mm',
    ends: [1, 300],
    range: ({ dials: d, chosen }) => {
      const { stem, kinds, soft } = parts({ chosen });
      const give = soft && d.opening === 'hole' ? Math.min(...kinds.map((m) => m.give)) : 0;
      const least = d.opening === 'slit' ? girth(stem) / 2 : stem.wide * (1 - give);
      return [Math.floor(least), Math.ceil(least * 2) + 4];
    },
    step: 0.5,
    when: isBox,
    begins: (start) => {
      const { stem, kinds, soft } = parts(start);
      if (soft) return half(stem.wide * (1 - Math.min(...kinds.map((m) => m.give)) / 2));
      // Nine tenths of the slit's loop are taken up: it holds, and a small hand still pulls it.
      return isPricked(start) ? stem.wide + 0.2 : half(girth(stem) / 2 / 0.9);
    },
  },
  wires: {
    label: 'Wires round it',
    unit: 'each',
    of: 'a number of wires',
    ends: [4, 40],
    why: 'Count them where the whisk is widest: closer wires hold tighter.',
    when: isCage,
    begins: 10,
    before: 10,
  },
  number: {
    label: (at) => (isCage(at) ? 'Balls' : 'Pieces'),
    unit: 'each',
    of: 'a number of pieces',
    ends: [1, 40],
    range: (at) => [1, isCage(at) ? cageOf(at).room : 40],
    begins: (start) => (hasCloth(start) ? Math.min(4, NUMBERS[start.approach]) : NUMBERS[start.approach]),
  },
  proud: {
    label: 'Stands out by',
    unit: 'mm',
    ends: [5, 1000],
    range: ({ chosen }) => [5, Math.floor(parts({ chosen }).stem.long - 10)],
    step: 5,
    why: 'High is easier: there is more to take hold of.',
    when: isBox,
    begins: ({ chosen, ageFrom }) => {
      const { stem, depth } = parts({ chosen });
      return Math.max(
        10,
        Math.round(Math.max(stem.long - depth + 10, stem.long * (ageFrom < 24 ? 0.5 : 0.4))),
      );
    },
  },
  start: {
    label: 'To begin with',
    values: ['in', 'out'],
    options: (at) => [
      { value: 'in', label: 'In', why: 'Pulling out comes first for the youngest.' },
      {
        value: 'out',
        label: 'Out',
        why: isCage(at) ? 'Pushing in between wires is harder.' : 'For those who can put in.',
      },
    ],
    begins: ({ ageFrom }) => (ageFrom < 30 ? 'in' : 'out'),
  },
  tool: {
    label: 'Pulled with',
    values: ['fingers', 'fist on a peg', 'finger and thumb on a peg', 'tweezers'],
    options: (at) => [
      'fingers',
      ...(isCage(at) ? [] : (['fist on a peg', 'finger and thumb on a peg'] as const)),
      { value: 'tweezers', label: 'Peg turned round, as tweezers' },
    ],
    begins: 'fingers',
  },
  hidden: {
    label: 'Hidden among them',
    unit: 'each',
    of: 'a number of pieces',
    ends: [0, 40],
    range: ({ dials: d }) => [0, d.number - 1],
    why: 'They stand too low to be pulled: felt for, and pushed up from inside.',
    when: isStems,
    begins: 0,
    before: 0,
  },
  dyed: {
    label: 'Coloured by dye',
    when: isStems,
    begins: ({ approach }) => approach === 'made together',
    before: false,
  },
  tied: {
    label: 'Tied end to end',
    why: 'Tied ones come out as one long cord: the cord rule goes by their whole length.',
    when: (at) => isBox(at) && hasCloth(at),
    begins: false,
  },
});
