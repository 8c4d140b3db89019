import { loadPattern, type AnyAt } from '../patterns/index.ts';
import { CAP, design, kinds, material, SLOT_DIALS, TUB } from '../testing.ts';
import { checkFeatures } from './check.ts';
import { smallestChanges } from './smallestChange.ts';

const drop = await loadPattern('drop-through');
const lace = await loadPattern('lace');
const BY = { youngest: 18, market: 'strictest of both' } as const;
const bead = material(3, {
  name: 'Bead',
  form: 'piece',
  solid: 'ball',
  sizes: { diameter: 20 },
  kept: 12,
});
const changes = (pattern: typeof drop, at: AnyAt, rule: string, shelf = [CAP, bead, TUB]) =>
  smallestChanges({ pattern, at, rule, options: { ...BY, youngest: at.ageFrom }, shelf });
const worst = (pattern: typeof drop, at: AnyAt, rule: string) => {
  const found = checkFeatures(pattern.features(at), { ...BY, youngest: at.ageFrom }).findings.filter(
    (f) => f.rule === rule,
  );
  return ['stop', 'care', 'clear'].find((v) => found.some((f) => f.verdict === v));
};

describe('the least change of a dial', () => {
  const at = (width: number) => design({ ...SLOT_DIALS, width }, kinds({ container: TUB, piece: CAP }));

  it('is the nearest width at which a finger comes out again, and every nearer one was tried', () => {
    const trap = at(10);
    expect(worst(drop, trap, 'finger')).toBe('care');
    const [width] = changes(drop, trap, 'finger').filter((c) => c.kind === 'dial' && c.id === 'width');
    expect(width).toMatchObject({ from: 10, to: 13, unit: 'mm', verdict: 'clear', isLeast: true });
    // Against a walk over the whole dial: nothing between clears it.
    const spec = drop.specs(trap).find((s) => s.id === 'width');
    if (spec?.kind !== 'number') throw new Error('expected a number');
    const clears: number[] = [];
    for (let w = spec.min; w <= spec.max + 1e-9; w += spec.step)
      if (worst(drop, at(w), 'finger') === 'clear') clears.push(w);
    const nearest = Math.min(...clears.map((w) => Math.abs(w - 10)));
    expect(Math.abs((width!.to as number) - 10)).toBeCloseTo(nearest, 6);
  });
  it('says what it does to the fit and the difficulty', () => {
    const [first] = changes(drop, at(10), 'finger');
    expect(first!.load).toHaveLength(2);
    expect(['clear', 'care', 'stop']).toContain(first!.fit.verdict);
    expect(first!.needs.length).toBeGreaterThan(0);
  });
  it('is none where nothing stands in the way', () => {
    expect(changes(drop, at(20), 'finger')).toEqual([]);
  });
});

describe('the least change of a material, or of the age', () => {
  const beads = design(
    { ...SLOT_DIALS, opening: 'round', length: 60 },
    kinds({ container: TUB, piece: bead }),
  );

  it('takes of what is on the shelf the most alike that is no small part', () => {
    const larger = material(7, {
      name: 'Large cap',
      form: 'disc',
      sizes: { diameter: 55, height: 16 },
      kept: 9,
    });
    const none = material(8, {
      name: 'Cap, none left',
      form: 'disc',
      sizes: { diameter: 36, height: 13 },
      kept: 0,
    });
    const found = changes(drop, beads, 'small-part', [CAP, larger, none, bead]);
    expect(found.find((c) => c.kind === 'material' && c.id === 'piece')).toMatchObject({
      from: 'Bead',
      to: 'Cap',
      kinds: [CAP.id],
      verdict: 'clear',
    });
  });
  it('waits for the age from which the rule no longer stops', () => {
    expect(changes(drop, beads, 'small-part').find((c) => c.kind === 'age')).toMatchObject({
      from: beads.ageFrom,
      to: 36,
      verdict: 'care',
    });
  });
  it('shortens a lace no further than it must', () => {
    const board = material(21, {
      name: 'Board',
      form: 'sheet',
      sizes: { length: 300, width: 200, wall: 1 },
      materialClass: 'card',
    });
    const cord = material(22, { name: 'Lace', form: 'cord', sizes: { diameter: 3 }, unit: 'mm', kept: 9000 });
    const start = {
      approach: 'prepared shelf',
      ageFrom: 14,
      chosen: kinds({ card: board, lace: cord }),
    } as const;
    const own: AnyAt = { ...start, dials: lace.defaults(start) };
    if (worst(lace, own, 'cord') !== 'stop') throw new Error('expected a lace that is too long');
    const dial = changes(lace, own, 'cord', []).filter((c) => c.kind === 'dial');
    for (const c of dial) {
      const there = { ...own, dials: { ...(own.dials as object), [c.id]: c.value } };
      expect(worst(lace, there, 'cord')).not.toBe('stop');
    }
    expect(changes(lace, own, 'cord', []).find((c) => c.kind === 'age')).toMatchObject({ to: 18 });
  });
});
