import type { Feature } from '../patterns/kernel.ts';
import { checkFeatures } from './check.ts';

const judged = (f: Feature, youngest = 30) =>
  checkFeatures([f], { youngest, market: 'strictest of both' }).findings.filter((x) =>
    /cut|post|point|staple|spring/.test(x.rule),
  );
const worst = (f: Feature, youngest = 30): string =>
  ['stop', 'care', 'clear'].find((v) => judged(f, youngest).some((x) => x.verdict === v)) ?? 'not judged';

describe('edges', () => {
  const edge = (material: string, covered = false): Feature => ({
    kind: 'cut edge',
    where: 'the mouth',
    material,
    covered,
  });
  it.each([
    ['card', false, 'clear'],
    ['fabric', false, 'clear'],
    ['film', false, 'care'],
    ['plastic', true, 'care'],
  ] as const)('of %s, covered %s: %s', (material, covered, verdict) => {
    expect(worst(edge(material, covered))).toBe(verdict);
  });
  it('of plastic that nothing covers are worse than covered ones, of metal and glass never right', () => {
    for (const material of ['plastic', 'metal', 'glass'])
      expect([material, ['stop', 'care'].includes(worst(edge(material)))]).toEqual([material, true]);
    expect(worst(edge('metal', true))).toBe(worst(edge('metal')));
    expect(worst(edge('glass', true))).toBe('stop');
  });
  it('are told by where they are', () => {
    for (const x of judged(edge('plastic'))) expect(x.where).toBe('the mouth');
  });
});

describe('what stands up, is pointed or is under a spring', () => {
  const post = (part: object): Feature => ({
    kind: 'post',
    name: 'Post',
    diameter: 12,
    height: 200,
    capped: false,
    ...part,
  });
  it('a post asks for care, capped or not, and says which it is', () => {
    expect(worst(post({}))).toBe('care');
    const said = (part: object) =>
      judged(post(part))
        .map((x) => x.words)
        .join(' ');
    expect(said({ capped: true })).not.toBe(said({}));
    expect(said({ blunt: true })).not.toBe(said({}));
  });
  it('a thin end that nothing guards is worse than one that is turned over', () => {
    const point = (guarded: 'turned over' | null): Feature => ({
      kind: 'point',
      name: 'Ends of the stem',
      guarded,
      thin: true,
    });
    const rank = ['clear', 'care', 'stop'];
    expect(rank.indexOf(worst(point(null)))).toBeGreaterThanOrEqual(
      rank.indexOf(worst(point('turned over'))),
    );
    expect(worst(point(null))).not.toBe('clear');
  });
  it('staples under tape are felt for, bare ones are more than that', () => {
    const staple = (covered: boolean): Feature => ({
      kind: 'staple',
      where: 'round the rim',
      count: 37,
      covered,
    });
    expect(worst(staple(false))).not.toBe('clear');
    expect(judged(staple(true))[0]!.words).not.toBe(judged(staple(false))[0]!.words);
  });
  it('the metal of a spring is a small part when it comes out', () => {
    expect(worst({ kind: 'spring', name: 'Clothes peg' })).not.toBe('clear');
  });
});
