import { agesOfAll, agesOfGroup, groupsOf } from './groupAges.ts';

it('gives a group one set of ages, however many designs it has', () => {
  const designs = [
    { forGroup: 'Porpoises', ageFrom: 48, ageTo: 72 },
    { forGroup: 'Gulls', ageFrom: 18, ageTo: 30 },
    { forGroup: 'Gulls', ageFrom: 24, ageTo: 36 },
    { forGroup: 'Gulls', ageFrom: 18, ageTo: 30 },
  ];
  expect(groupsOf(designs)).toEqual([
    { group: 'Gulls', ageFrom: 18, ageTo: 30 },
    { group: 'Porpoises', ageFrom: 48, ageTo: 72 },
  ]);
  // Of as many each the youngest counts.
  expect(agesOfGroup(designs.slice(1, 3), 'Gulls')).toEqual({ ageFrom: 18, ageTo: 30 });
  expect(agesOfGroup(designs, 'Seals')).toBeNull();
  expect(agesOfAll(designs.slice(1, 3))).toEqual({ ageFrom: 18, ageTo: 36 });
  expect(groupsOf([])).toEqual([]);
  expect(agesOfAll([])).toBeNull();
});
