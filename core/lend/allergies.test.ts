import { CAP } from '../testing.ts';
import { allergensIn, allergyWords } from './allergies.ts';

const flour = { ...CAP, name: 'Flour', allergens: ['gluten' as const] };
const balloon = { ...CAP, name: 'Balloon skin', hazards: ['latex' as const] };

it('what a kit holds is told with where it is, latex among it', () => {
  expect([...allergensIn([CAP, flour, balloon, flour])]).toEqual([
    ['gluten', ['Flour']],
    ['latex', ['Balloon skin']],
  ]);
});
it('only what a family is allergic to stands against a kit', () => {
  expect(allergyWords(['gluten', 'milk'], [flour, balloon])).toBe('gluten (Flour)');
  expect(allergyWords(['milk'], [flour, balloon])).toBeNull();
  expect(allergyWords([], [flour])).toBeNull();
});
