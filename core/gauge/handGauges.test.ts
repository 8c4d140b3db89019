import { handGaugeScene } from '../drawing/gauge.ts';
import { bounds } from '../drawing/marks.ts';
import { widestRod, type Opening } from '../passage/opening.ts';
import { handGauges, type HandGauge } from './handGauges.ts';

describe('gauges held by hand', () => {
  it('are rods for rigid openings, a ring for balls, a length and a head for cords', () => {
    const sphere = { kind: 'sphere', diameter: 30 } as const;
    const found = handGauges([
      { kind: 'opening', where: 'Lid', opening: { kind: 'round', diameter: 9 }, sheet: 'rigid' },
      { kind: 'opening', where: 'Sock', opening: { kind: 'round', diameter: 9 }, sheet: 'soft' },
      { kind: 'piece', name: 'Ball', shape: sphere, count: 1, ball: true },
      { kind: 'piece', name: 'Cap', shape: sphere, count: 1, ball: false },
      { kind: 'cord', name: 'Lace', free: 300, loop: 0 },
      { kind: 'cord', name: 'Ring', free: 100, loop: 400 },
    ]);
    expect(found.map((g) => [g.rule, g.where, g.gauge])).toEqual([
      ['finger', 'Lid', 'fingers'],
      ['small-ball', 'Ball', 'ring'],
      ['cord', 'Lace', 'length'],
      ['cord', 'Ring', 'length'],
      ['loop', 'Ring', 'head'],
    ]);
  });
  it.each([
    { kind: 'slot', length: 40, width: 8 },
    { kind: 'star', points: 5, outerDiameter: 40, innerDiameter: 16 },
    { kind: 'round', diameter: 14 },
  ] as Opening[])('the finger gauge of %j shows a rod in it only where that goes in', (opening) => {
    const { marks } = handGaugeScene({ rule: 'finger', where: 'Lid', gauge: 'fingers', opening }, 12);
    const rods = marks.filter((m) => m.kind === 'circle' && m.role !== 'opening');
    expect(rods.map((m) => m.kind === 'circle' && 2 * m.radius)).toEqual([12, 6]);
    const hole = marks[0]!;
    const [x0, y0, x1, y1] = bounds([hole]);
    const isIn = (m: (typeof rods)[number]): boolean => {
      const [a, b, c, d] = bounds([m]);
      return a >= x0 - 0.2 && b >= y0 - 0.2 && c <= x1 + 0.2 && d <= y1 + 0.2;
    };
    for (const m of rods)
      if (m.kind === 'circle' && 2 * m.radius <= widestRod(opening)) expect(isIn(m)).toBe(true);
  });
  it('shows an egg the way it passes the ring, and each figure at its own length', () => {
    const egg = { kind: 'ellipsoid', length: 60, width: 40, height: 40 } as const;
    const values = (g: HandGauge, limit: number): number[] =>
      handGaugeScene(g, limit).marks.flatMap((m) => (m.kind === 'dimension' ? [Math.round(m.value)] : []));
    expect(values({ rule: 'loop', where: 'Ring', gauge: 'head', round: 400 }, 380)).toEqual([380, 400]);
    expect(values({ rule: 'cord', where: 'Lace', gauge: 'length', length: 300 }, 220)).toEqual([300, 220]);
    expect(values({ rule: 'small-ball', where: 'Egg', gauge: 'ring', shape: egg }, 44)).toEqual([44, 40]);
  });
});
