import { design, material, rod } from '../../testing.ts';
import { loadPattern, type AnyAt, type Chosen, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import type { Dials } from './dials.ts';
import { girthOfItem, lensOf, loopOf, longestSlit, shortestSlit, type Mouth } from './mouth.ts';

let feed: OpenPattern;
beforeAll(async () => {
  feed = await loadPattern('feed-the-mouth');
});
const BALL: Mouth = {
  across: 67,
  girth: Math.PI * 67,
  slit: 60,
  crossed: false,
  inside: (Math.PI / 6) * 60 ** 3,
  longest: 60,
};
const packet = material(3, {
  name: 'Fish packet',
  form: 'piece',
  solid: 'block',
  sizes: { length: 76, width: 25, height: 6 },
  give: 0.2,
  materialClass: 'fabric',
});
const of = (part: Partial<Dials>, chosen: Chosen = {}, ageFrom = 48): AnyAt => {
  const all = { ...usualMaterials(feed.roles), ...chosen };
  return design({ ...feed.defaults({ approach: 'prepared shelf', ageFrom, chosen: all }), ...part }, all, {
    ageFrom,
  });
};

it('of a soft packet 76 × 25 × 6, three go into a ball of 67, the fourth does not', () => {
  const loop = loopOf(packet, BALL);
  expect(loop).toMatchObject({ folds: true, goesIn: true, fullAfter: 3 });
  expect(feed.fit(of({ slit: 60, wall: 3.5, pieces: 4 }, { item: [packet] })).headline).toBe('Full after 3');
  expect(feed.fit(of({ slit: 60, wall: 3.5, pieces: 3 }, { item: [packet] })).verdict).toBe('clear');
});

it('a stiff one of that length does not lie inside, a short one fills half of it', () => {
  const stiff = { ...packet, give: 0 };
  expect(loopOf(stiff, BALL).fullAfter).toBe(0);
  const block = material(4, {
    name: 'Block',
    form: 'piece',
    solid: 'block',
    sizes: { length: 20, width: 10, height: 10 },
  });
  expect(loopOf(block, BALL).fullAfter).toBe(Math.floor(BALL.inside / 2 / 2000));
});

describe('a slit of length L opens to a loop of 2 L', () => {
  it('a girth of more does not go in', () => {
    // 2 · (38 + 14) = 104: from 52 on, as far as the loop goes.
    const soft = material(5, {
      name: 'Felt',
      form: 'piece',
      solid: 'block',
      sizes: { length: 40, width: 38, height: 14 },
      give: 0.001,
    });
    expect(girthOfItem(soft)).toBeCloseTo(104, 0);
    expect(shortestSlit(soft, BALL)).toBeCloseTo(52, 0);
  });
  it('what is stiff goes through the lens as well: two arcs of the slit, corners at four fifths of it', () => {
    const lens = lensOf({ slit: 60, crossed: false });
    expect(lens.chord).toBe(48);
    // Each arc is as long as the slit: 2 R α with R sin α half the chord.
    const half = Math.asin(24 / lens.radius);
    expect(2 * lens.radius * half).toBeCloseTo(60, 6);
    expect(lens.opening).toBeCloseTo(2 * lens.radius * (1 - Math.cos(half)), 9);
    const peg = (d: number) => loopOf(rod(6, 'Rod', d, 40), BALL).goesIn;
    expect(peg(lens.opening - 0.1)).toBe(true);
    expect(peg(lens.opening + 0.1)).toBe(false);
  });
  it('a second slit across opens wider', () => {
    const open = (crossed: boolean) => lensOf({ slit: 60, crossed }).opening;
    expect(open(true)).toBeGreaterThan(open(false));
  });
});

it('a longer slit never has less room, whatever it is fed', () => {
  const things = [rod(6, 'Rod', 12, 40), rod(9, 'Thick rod', 30, 40), packet];
  const block = material(4, {
    name: 'Block',
    form: 'piece',
    solid: 'block',
    sizes: { length: 40, width: 30, height: 18 },
  });
  for (const m of [...things, block, { ...block, give: 0.3 }])
    for (const crossed of [false, true]) {
      const room = Array.from({ length: 60 }, (_, i) => loopOf(m, { ...BALL, crossed, slit: 10 + i }).spare);
      room.slice(1).forEach((r, i) => expect(r).toBeGreaterThanOrEqual(room[i]!));
    }
});

it('a scarf goes in by the bunch, whatever it gives', () => {
  const scarf = (give: number) =>
    material(5, {
      name: 'Scarf',
      form: 'sheet',
      sizes: { length: 600, width: 600, wall: 0.2 },
      materialClass: 'fabric',
      give,
    });
  // 600 × 0.2 drawn together: a bunch of √(4 · 120 / π) = 12.36 mm.
  for (const give of [0, 0.2, 0.6]) expect(girthOfItem(scarf(give))).toBeCloseTo(Math.PI * 12.36, 1);
  expect(loopOf(scarf(0.6), BALL)).toEqual(loopOf(scarf(0), BALL));
});

it('a slit of more than a third of the girth folds, and the widest cut says so', () => {
  expect(longestSlit(BALL)).toBeCloseTo((Math.PI * 67) / 3, 9);
  expect(feed.fit(of({ slit: 70 })).verdict).not.toBe('stop');
  expect(feed.fit(of({ slit: 71 })).headline).toBe('The slit is too long: it folds shut');
});

it('says the shortest slit that would do, and whether the dice ask for more than go in', () => {
  const cap = material(7, { name: 'Cap', form: 'disc', sizes: { diameter: 38, height: 14, wall: 1.4 } });
  const short = feed.fit(of({ slit: 40 }, { item: [cap] }));
  expect(short.facts.find((f) => f.id === 'goesIn')!.value).toBe(0);
  expect(short.remedy).toMatch(/^Cut the slit at least [\d.]+ mm long\.$/);
  expect(feed.fit(of({ dice: 2, slit: 66, pieces: 3 }, { item: [cap] })).headline).toBe(
    'The dice ask for more than go in',
  );
});

it('is cut by an adult in a holder; eyes that are glued on count as small parts', () => {
  const cut = feed.steps(of({})).find((s) => s.id === 'cut')!;
  expect(cut).toMatchObject({ who: 'adult', blade: true });
  expect(cut.words).toContain('never in the hand');
  const eyes = material(8, { name: 'Button', form: 'disc', sizes: { diameter: 11, height: 2.5, wall: 2.5 } });
  const names = (part: Partial<Dials>) =>
    feed
      .features(of(part, { eyes: [eyes] }))
      .flatMap((f) => (f.kind === 'attached' ? [`${f.name}, ${f.held}`] : []));
  expect(names({ eyes: 'glued' })).toContain('Button, glued');
  expect(names({ eyes: 'drawn' })).not.toContain('Button, glued');
});
