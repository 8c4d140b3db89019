import { boxOf } from '../geometry/polygon.ts';
import { gaugeView } from './gaugeView.ts';
import { SMALL_PARTS_CYLINDER as G, smallParts } from './smallParts.ts';

const cap = { kind: 'cylinder', diameter: 20, length: 10 } as const;

describe('the cylinder from the side', () => {
  it('is as wide and as deep as the gauge, from its slant side, from behind and from the front', () => {
    const answer = smallParts(cap);
    const depths = (turn: number) => {
      const { inside } = gaugeView(cap, answer, turn);
      return [inside[3]![1] - inside[0]![1], inside[2]![1] - inside[1]![1]];
    };
    const { inside } = gaugeView(cap, answer);
    expect(inside[1]![0] - inside[0]![0]).toBeCloseTo(G.diameter, 9);
    expect(depths(0)[0]).toBeCloseTo(25.4, 9);
    expect(depths(0)[1]).toBeCloseTo(57.1, 9);
    expect(depths(180)[0]).toBeCloseTo(57.1, 9);
    expect(depths(90)[0]).toBeCloseTo(depths(90)[1]!, 9);
  });
  it('holds a piece that goes in, from wherever one looks', () => {
    const answer = smallParts(cap);
    expect(answer.fits).toBe(true);
    for (let turn = 0; turn < 360; turn += 30) {
      const { inside, piece } = gaugeView(cap, answer, turn);
      const [x0, y0, x1] = boxOf(piece);
      expect(x0).toBeGreaterThanOrEqual(inside[0]![0] - 1e-6);
      expect(x1).toBeLessThanOrEqual(inside[1]![0] + 1e-6);
      expect(y0).toBeGreaterThanOrEqual(inside[0]![1] - 1e-6);
    }
  });
  it('shows a piece that stands out beyond its rim or its sides', () => {
    const large = { kind: 'cylinder', diameter: 60, length: 20 } as const;
    const { inside, piece } = gaugeView(large, smallParts(large));
    const [x0, , x1] = boxOf(piece);
    expect(x1 - x0 > G.diameter || boxOf(piece)[1] < inside[0]![1]).toBe(true);
  });
});
