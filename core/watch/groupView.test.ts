import { watchedNote as note } from '../testing.ts';
import { groupDesigns, groupOf, toMake } from './groupView.ts';
import { ladderModel } from './ladderModel.ts';
import { outcomesOf } from './outcomes.ts';

it('knows a group by the code up to the dash', () => {
  expect(['G-04', 'Puffins-2-a', 'alone'].map(groupOf)).toEqual(['G', 'Puffins', 'alone']);
});

it('says where each child is: the hardest level alone, and the last one tried', () => {
  const [design] = groupDesigns([
    note({ id: 1, level: 'Wide', bits: 7 }),
    note({ id: 2, level: 'Close', bits: 11 }),
    note({ id: 3, level: 'Snug', bits: 13, help: 'hand on wrist' }),
    note({ id: 4, child: 'G-07', level: 'Wide', bits: 7, help: 'verbal prompt' }),
  ]);
  expect(design).toEqual({
    designId: 1,
    says: null,
    places: [
      { child: 'G-04', alone: 'Close', last: 'Snug' },
      { child: 'G-07', alone: null, last: 'Wide' },
    ],
  });
});

it('says what nobody manages and what most find dull, once two have tried', () => {
  const helped = (child: string) => note({ child, help: 'hand over hand' });
  expect(groupDesigns([helped('G-04')])[0]!.says).toBeNull();
  expect(groupDesigns([helped('G-04'), helped('G-07')])[0]!.says).toBe('too hard');
  const bored = (child: string) => note({ child, liked: 'bored' });
  expect(groupDesigns([bored('G-04'), bored('G-07'), note({ child: 'G-02' })])[0]!.says).toBe('dull');
  expect(groupDesigns([bored('G-04'), note({ child: 'G-02' })])[0]!.says).toBeNull();
});

it('makes what suits most of the group, at the level that suits it', () => {
  const model = {
    ...ladderModel(outcomesOf([]), null),
    difficulty: (r: { bits: number }) => r.bits - 10,
  };
  const level = (designId: number, bits: number) => ({
    designId,
    level: `${bits}`,
    bits,
    skill: 'Hand strength',
  });
  // Abilities 0 and 2: at 9 bits 73 and 95 in a hundred, at 11 bits 27 and 73, at 10 bits 50 and 88.
  const ability = (child: string) => ({ mean: child === 'a' ? 0 : 2, sd: 0.001 });
  const found = toMake(['a', 'b'], [level(1, 9), level(1, 9.9), level(2, 11), level(3, 20)], model, ability);
  expect(found).toEqual([
    { designId: 1, level: '9.9', suits: 2 },
    { designId: 2, level: '11', suits: 1 },
  ]);
});
