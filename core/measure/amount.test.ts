import { amountBefore, amountOf } from './amount.ts';

it.each([
  [7, 'each', 'mm', '7', '7 ×'],
  [432, 'mm', 'mm', '432 mm', '432 mm of'],
  [3208, 'mm', 'mm', '3.21 m', '3.21 m of'],
  [5000, 'mm', 'mm', '5 m', '5 m of'],
  [0, 'mm', 'mm', '0 mm', '0 mm of'],
  [254, 'mm', 'in', '10″', '10″ of'],
  [3048, 'mm', 'in', '10 ft', '10 ft of'],
  [1000, 'mm', 'in', '3.3 ft', '3.3 ft of'],
] as const)('%s %s in a place of %s is said %s', (n, unit, place, words, before) => {
  expect(amountOf(n, unit, place)).toBe(words);
  expect(amountBefore(n, unit, place)).toBe(before);
});
