import type { Need } from '../patterns/kernel.ts';
import { wholeNeed as need } from '../testing.ts';
import {
  heldWords,
  restOf,
  shortWords,
  reservedStock,
  supply,
  takes,
  uses,
  type BenchDesign,
} from './supply.ts';

const shelf =
  (kept: Record<number, number>) =>
  (id: number): number =>
    kept[id] ?? 0;
const design = (id: number, part: Partial<BenchDesign>): BenchDesign => ({
  id,
  name: `design ${id}`,
  copies: 1,
  made: 0,
  onBench: true,
  needs: [],
  ...part,
});
const ask = (needs: Need[], copies: number, kept: Record<number, number>, bench: BenchDesign[] = []) =>
  supply({ needs, copies, kept: shelf(kept), bench, designId: 1 });

describe('what is there for a design', () => {
  it('says what is short, how many kits go now, and how many pieces a kit could have instead', () => {
    const s = ask([need('Tub', 1, 1), need('Cap', 2, 8)], 4, { 1: 6, 2: 27 });
    expect(s).toMatchObject({ kitsNow: 3, most: 3, fewer: { name: 'Cap', quantity: 6 } });
    expect(s.first).toEqual({ materialId: 2, name: 'Cap', left: 27 });
    expect(shortWords(s, 'mm')).toBe('5 × Cap short: make 3 kits now, or use 6 in each kit.');
  });
  it('has singular and plural right', () => {
    const s = ask([need('Cap', 2, 8)], 3, { 2: 9 });
    expect(shortWords(s, 'mm')).toBe('15 × Cap short: make 1 kit now, or use 3 in each kit.');
    expect(shortWords(ask([need('Cap', 2, 8)], 1, { 2: 0 }), 'mm')).toBe(
      '8 × Cap short: no kit can be made yet.',
    );
  });
  it('adds parts of a bottle up over the kits: twelve of 15.6 ml take two bottles of 100, not twelve', () => {
    const glue: Need = { ...need('Glue', 7, 1), share: 0.156 };
    expect(takes([glue], 12).get(7)).toBe(2);
    expect(uses([glue], 12).get(7)).toBeCloseTo(1.872, 9);
    expect(ask([glue], 12, { 7: 1 }).lines[0]).toMatchObject({ wanted: 2, short: 1 });
    // One bottle is enough for six, and a second one for six more.
    expect(ask([glue], 12, { 7: 1 }).most).toBe(6);
    expect(ask([glue], 12, { 7: 2 }).most).toBe(12);
    // What a second design takes of the bottle that is open is no bottle more.
    const bench = [design(1, {}), design(2, { copies: 2, needs: [glue] })];
    expect(ask([glue], 2, { 7: 1 }, bench).lines[0]).toMatchObject({ short: 0 });
  });
  it('says nothing when there is enough', () => {
    expect(shortWords(ask([need('Cap', 2, 8)], 3, { 2: 24 }), 'mm')).toBeNull();
  });
  it('leaves to other designs on the bench what they hold, and names them', () => {
    const bench = [
      design(1, { copies: 9, needs: [need('Cap', 2, 8)] }),
      design(2, { name: 'Net-mender’s lacing sail', copies: 2, needs: [need('Cap', 2, 6)] }),
      design(3, { copies: 5, onBench: false, needs: [need('Cap', 2, 6)] }),
    ];
    const s = ask([need('Cap', 2, 8)], 2, { 2: 20 }, bench);
    // Twelve of twenty are held; this design's own batch does not stand in its way, nor does one set aside.
    expect(s.lines[0]).toMatchObject({ kept: 20, free: 8, short: 8, wanted: 16 });
    expect(heldWords(s.lines[0]!, 'mm')).toBe('Net-mender’s lacing sail holds 12');
    expect(s.kitsNow).toBe(1);
    expect(heldWords(ask([need('Cap', 2, 8)], 1, { 2: 40 }, bench).lines[0]!, 'mm')).toBeNull();
  });
  it('counts only the rest of a batch as reserved', () => {
    const made = (n: number) => design(2, { copies: 3, made: n, needs: [need('Cap', 2, 6)] });
    expect(reservedStock([made(0)]).get(2)).toBe(18);
    expect(reservedStock([made(2)]).get(2)).toBe(6);
    expect(reservedStock([made(3)]).has(2)).toBe(false);
    expect(restOf(made(5))).toBe(0);
  });
  it('shares one material between two roles', () => {
    const s = ask([need('Tub', 1, 1), need('Bag', 1, 1)], 2, { 1: 3 });
    expect(s.lines.map((l) => [l.free, l.short])).toEqual([
      [3, 0],
      [1, 1],
    ]);
    expect(s.kitsNow).toBe(1);
  });
  it('makes no nonsense of a need of nothing, of no kits, or of what is not on the shelf', () => {
    expect(ask([need('Cap', 2, 0)], 3, {})).toMatchObject({ kitsNow: 3, most: 3, first: null, fewer: null });
    expect(ask([need('Cap', 2, 8)], 0, { 2: 4 })).toMatchObject({ kitsNow: 0, most: 0, fewer: null });
    expect(ask([need('Cap', 7, 2)], 1, {})).toMatchObject({ kitsNow: 0, fewer: null });
    expect(ask([], 2, {})).toMatchObject({ kitsNow: 2, first: null });
  });
});
