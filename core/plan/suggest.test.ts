import { CAP, cardSheet, material, TAPE, TUB } from '../testing.ts';
import { SKILLS } from '../patterns/index.ts';
import { suggest } from './suggest.ts';
import type { Wish } from './suggestion.ts';

const sheet = cardSheet(21, 0.8);
const lace = material(22, {
  name: 'Shoe lace',
  form: 'cord',
  sizes: { length: 1400, diameter: 4 },
  materialClass: 'fabric',
  give: 0.2,
});
const stick = material(23, {
  name: 'Stick',
  form: 'piece',
  solid: 'block',
  sizes: { length: 114, width: 10, height: 2 },
  materialClass: 'wood',
});
const MATERIALS = [TUB, CAP, TAPE, sheet, lace, stick];
const free = new Map(MATERIALS.map((m) => [m.id, m.kept ?? 0]));
const wish: Wish = {
  skill: 'Pincer and release',
  ageFrom: 48,
  approach: 'graded play',
  market: 'strictest of both',
  without: [],
  quiet: false,
  minutes: null,
};
const ask = (part: Partial<Wish>) => suggest({ ...wish, ...part }, { materials: MATERIALS, free });
const names = async (part: Partial<Wish>) => (await ask(part)).suggestions.map((s) => s.name);
const whyNot = async (part: Partial<Wish>, name: string) =>
  (await ask(part)).left.find((l) => l.name === name)?.why;

it('offers families of the skill alone, what practises it most first and then most kits, each with what it takes', async () => {
  for (const skill of SKILLS) {
    const { suggestions } = await ask({ skill });
    suggestions.slice(1).forEach((s, i) => {
      const before = suggestions[i]!;
      expect([
        skill,
        s.name,
        s.rank > before.rank || (s.rank === before.rank && s.kits <= before.kits),
      ]).toEqual([skill, s.name, true]);
    });
    for (const s of suggestions) {
      expect(s.kits).toBeGreaterThan(0);
      expect(s.minutes).toBeGreaterThan(0);
      expect(s.picture.marks.length).toBeGreaterThan(0);
    }
  }
  expect(await names({})).toContain('Drop-through');
});

it('without a knife a family begins another way, or says that it needs a blade', async () => {
  const { suggestions } = await ask({ without: ['craft knife', 'saw'] });
  expect(suggestions.every((s) => !s.blade)).toBe(true);
  const drop = suggestions.find((s) => s.pattern === 'drop-through')!;
  expect(drop.dials).toMatchObject({ cover: 'open' });
  expect((await ask({})).suggestions.find((s) => s.pattern === 'drop-through')!.dials).toMatchObject({
    cover: 'lid',
  });
});

it('names the tool that is not at hand, the noise, and the minutes', async () => {
  expect(await whyNot({ without: ['hole punch'], skill: 'Two hands together' }, 'Lace')).toBe(
    'it needs a hole punch',
  );
  expect(await whyNot({ quiet: true }, 'Drop-through')).toBe('it makes a noise');
  expect(await whyNot({ minutes: 1 }, 'Drop-through')).toMatch(/one kit takes \d+ minutes/);
});

it('says which role nothing on the shelf can fill', async () => {
  const { left } = await suggest(
    { ...wish, skill: 'Hand strength' },
    {
      materials: [TUB, CAP],
      free: new Map([
        [1, 3],
        [2, 20],
      ]),
    },
  );
  expect(left.find((l) => l.name === 'Peg rim')?.why).toBe('nothing on the shelf can be its pegs');
});
