import { loadPattern, loadPatterns, patternIds, type AnyAt, type OpenPattern } from '../patterns/index.ts';
import { usualMaterials } from '../patterns/usual.ts';
import { hand, type Hand } from './hand.ts';
import { handFacts } from './handFacts.ts';

const HAND: Hand = { side: 'right', oneHanded: false };
const at = (p: OpenPattern, dials: object = {}): AnyAt => {
  const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen: usualMaterials(p.roles) };
  return { ...start, dials: { ...p.defaults(start), ...dials } };
};
const fitted = async (id: string, part: Partial<Hand>, dials: object = {}) => {
  const p = await loadPattern(id);
  const a = at(p, dials);
  return { own: a.dials as Record<string, number>, ...p.forHand(a, { ...HAND, ...part }) };
};

describe('a hand as measured', () => {
  it('has only what was measured, in range', () => {
    expect(hand.safeParse(HAND).success).toBe(true);
    expect(hand.safeParse({ ...HAND, span: 12 }).error!.issues[0]).toMatchObject({
      path: ['span'],
      message: 'must be at least 40 mm',
    });
    expect(hand.safeParse({ ...HAND, force: 0 }).success).toBe(false);
    expect(hand.safeParse({ ...HAND, name: 'a name' }).success).toBe(false);
  });
  it('is asked how wide it opens, how far it reaches and how hard it presses', () => {
    const ball = {
      kind: 'piece',
      name: 'Ball',
      shape: { kind: 'sphere', diameter: 60 },
      count: 1,
      ball: true,
    } as const;
    const of = (h: Partial<Hand>) =>
      handFacts(
        { ...HAND, ...h },
        {
          features: [ball],
          moves: [{ distance: 400, tolerance: 10 }],
          fit: { facts: [{ id: 'spring', label: 'Spring', value: 12, unit: 'N', byHand: true }] },
        },
      ).map((f) => `${f.id} ${f.verdict}`);
    expect(of({})).toEqual([]);
    expect(of({ opening: 70, reach: 410, force: 20 })).toEqual([
      'handGrip clear',
      'handReach clear',
      'handForce clear',
    ]);
    expect(of({ opening: 50, span: 110, reach: 390, force: 8 })).toEqual([
      'handGrip care',
      'handReach care',
      'handForce care',
    ]);
    expect(of({ opening: 40, span: 55 })).toEqual(['handGrip stop']);
  });
});

describe('a design fitted to one hand', () => {
  it('is as it was where nothing was measured', async () => {
    for (const p of await loadPatterns(patternIds())) expect(p.forHand(at(p), HAND).differs).toEqual([]);
  });
  it('never stops working for it', async () => {
    const small: Hand = {
      span: 70,
      opening: 25,
      force: 4,
      reach: 200,
      standing: 780,
      finger: 36,
      side: 'left',
      oneHanded: true,
    };
    for (const p of await loadPatterns(patternIds())) {
      const a = at(p);
      if (p.fit(a).verdict === 'stop') continue;
      const { dials } = p.forHand(a, small);
      expect([p.id, p.fit({ ...a, dials }).verdict]).not.toEqual([p.id, 'stop']);
    }
  });
  it('starts its dials from what was measured', async () => {
    expect((await fitted('finger-tape', { finger: 38 })).dials).toMatchObject({ girth: 38 });
    expect((await fitted('tray-and-surface', { standing: 900 }, { kind: 'wall' })).dials).toMatchObject({
      standing: 900,
    });
    const lace = await fitted('lace', { span: 90 });
    expect(lace.dials['longest']).toBeLessThan(lace.own['longest']!);
    expect(lace.dials['longest']).toBeLessThanOrEqual(110);
    const track = await fitted('track', { reach: 180 });
    expect(track.dials['length']).toBeLessThanOrEqual(1.6 * 180 + 5);
    expect(track.differs.map((f) => f.id)).toContain('length');
    const weak = await fitted('pull-out', { force: 6 });
    expect(weak.dials['proud']).toBeGreaterThanOrEqual(40);
    expect((await fitted('pull-out', { force: 40 })).differs).toEqual([]);
  });
});
