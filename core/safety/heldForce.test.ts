import { heldForce, restsAt, type Reading } from './heldForce.ts';

/** Ten readings a second. */
const pull = (force: (t: number) => number, from: number, to: number): Reading[] =>
  Array.from({ length: Math.round((to - from) * 10) }, (_, i) => {
    const at = from + i / 10;
    return { at, force: force(at) };
  });
const steady = (n: number) => (t: number) => (t < 1 ? 0 : t < 2 ? n * (t - 1) : n);

describe('what a scale held', () => {
  it('is the force that stood for the whole time, not its peak', () => {
    const readings = pull((t) => (t > 5 && t < 5.25 ? 140 : steady(70)(t)), 0, 14);
    const { held, peak, heldFor } = heldForce(readings, 10, 66.7);
    expect(held).toBeCloseTo(70, 6);
    expect(peak).toBe(140);
    expect(heldFor).toBeGreaterThan(11);
  });
  it('counts from where the scale rests, which drifts', () => {
    const readings = pull((t) => 4 + steady(70)(t), 0, 14);
    expect(restsAt(readings)).toBe(4);
    expect(heldForce(readings, 10).held).toBeCloseTo(70, 6);
  });
  it('is nothing where the connection was lost in the middle of it, or it was let go too soon', () => {
    const lost = pull(steady(90), 0, 14).filter((r) => r.at < 5 || r.at > 8);
    expect(heldForce(lost, 10, 66.7).held).toBe(0);
    expect(heldForce(lost, 10, 66.7).heldFor).toBeLessThan(6);
    expect(heldForce(pull(steady(90), 0, 8), 10).held).toBe(0);
  });
  it('does not mind one reading that jumps', () => {
    const readings = pull(steady(70), 0, 14).map((r) => (r.at === 7 ? { ...r, force: 0 } : r));
    expect(heldForce(readings, 10).held).toBeCloseTo(70, 6);
  });
  it('of nothing is nothing', () => {
    expect(heldForce([], 10)).toEqual({ held: 0, peak: 0, heldFor: 0 });
  });
});
