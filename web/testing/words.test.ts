import { en as check } from '../stations/check/en.ts';
import { en as data } from '../data/en.ts';
import { en as design } from '../design/en.ts';
import { en as devices } from '../devices/en.ts';
import { en as drawing } from '../drawing/en.ts';
import { en as gather } from '../stations/gather/en.ts';
import { en as lend } from '../stations/lend/en.ts';
import { en as make } from '../stations/make/en.ts';
import { en as parts } from '../parts/en.ts';
import { en as photo } from '../photo/en.ts';
import { en as place } from '../stations/place/en.ts';
import { en as price } from '../stations/price/en.ts';
import { en as shape } from '../stations/shape/en.ts';
import { en as shell } from '../shell/en.ts';
import { en as watch } from '../stations/watch/en.ts';

const ALL = {
  check,
  data,
  design,
  devices,
  drawing,
  gather,
  lend,
  make,
  parts,
  photo,
  place,
  price,
  shape,
  shell,
  watch,
};
/** Every sentence of the interface with where it stands, without the names of what is filled in. */
const SAID = Object.entries(ALL).flatMap(([room, en]) =>
  Object.entries(en).map(([key, words]) => ({
    key: `${room}.${key}`,
    words: words.replace(/\{\w+(?=[,}])/g, '{'),
  })),
);

/** What may stand only where somebody asks how a figure is worked out. */
const METHODS: readonly string[] = [
  'watch.guessBitsAnswersChildren',
  'watch.raschModelDifficultiesLevels',
  'watch.leastSquaresOverSittings',
  'watch.noLineYetTakes',
  'watch.bitsS',
  'watch.secondsEachAgainstBits',
  'parts.bit',
  'parts.howDifficultPieceHand',
  'gather.weeksTakenAsAlike',
  'lend.curveMethod',
  'lend.weibullShapeScaleLoans',
  'lend.weibullShapeScaleLoansGoes',
];

describe('the words of the interface', () => {
  it.each([
    ['rung', 'level'],
    ['batch', 'making session'],
    ['write it off', 'leave it missing'],
    ['proved', 'no plan ends sooner, cheapest'],
    ['note it', 'write a note'],
    ['the rail', 'kits'],
    ['look over a find', 'check what came in'],
    ['pincer and release', 'picking up and letting go'],
    ['let in', 'add'],
    ['safe', 'what was checked and what came out'],
    ['empty yet', 'still empty'],
  ])('never say “%s”: it is %s', (word) => {
    const found = SAID.filter(
      (s) => !METHODS.includes(s.key) && new RegExp(`\\b${word}\\b`, 'i').test(s.words),
    );
    expect(found).toEqual([]);
  });
  it('name a method only where it is asked how something is worked out', () => {
    const found = SAID.filter((s) =>
      /\b(bits?|logits?|Rasch|Kaplan|Greenwood|Weibull|least squares|negative binomial)\b/i.test(s.words),
    );
    expect(found.map((s) => s.key).filter((k) => !METHODS.includes(k))).toEqual([]);
  });
  it('hold no day as a machine writes it, but as an example of what a file may hold', () => {
    const found = SAID.filter((s) => /\d{4}-\d{2}-\d{2}/.test(s.words)).map((s) => s.key);
    expect(found).toEqual(['gather.thoseDarkMustThere']);
  });
});
