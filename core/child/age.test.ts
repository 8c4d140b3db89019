import { monthsOld } from './age.ts';

it('an age grows with the days, never faster than it can be', () => {
  expect(monthsOld({ born: '2025-10' }, '2026-11-29')).toBe(12);
  expect(monthsOld({ born: '2025-10' }, '2026-11-30')).toBe(13);
  expect(monthsOld({ born: '2026-11' }, '2026-11-10')).toBe(0);
  expect(monthsOld({ born: '2027-02' }, '2026-11-10')).toBe(0);
  expect(monthsOld({ age: 13, ageOn: '2026-11-15' }, '2026-12-14')).toBe(13);
  expect(monthsOld({ age: 13, ageOn: '2026-11-15' }, '2026-12-15')).toBe(14);
  expect(monthsOld({ age: 13, ageOn: '2026-01-31' }, '2026-02-28')).toBe(14);
});
it('an age of a day nobody kept stays as it was told, and nothing told is nothing known', () => {
  expect(monthsOld({ age: 13 }, '2026-11-30')).toBe(13);
  expect(monthsOld({ age: 13, ageOn: '2027-01-01' }, '2026-11-30')).toBe(13);
  expect(monthsOld({}, '2026-11-30')).toBeNull();
});
