import { goesInside } from './goesInside.ts';

const rod = (length: number, diameter: number) => ({ kind: 'cylinder', length, diameter }) as const;
const box = (length: number, width: number, height: number) =>
  ({ kind: 'box', length, width, height }) as const;
const tub = { diameter: 93, height: 108 };

describe('one piece in a container', () => {
  it('a chopstick of 230 stands out of a tub of 110, a cap goes in', () => {
    expect(goesInside(rod(230, 6), tub)).toBe(false);
    expect(goesInside(rod(14, 38), tub)).toBe(true);
    expect(goesInside({ kind: 'sphere', diameter: 93 }, tub)).toBe(true);
    expect(goesInside({ kind: 'sphere', diameter: 93.1 }, tub)).toBe(false);
  });
  it('a thin rod goes in slantwise up to the diagonal, which is by Pythagoras', () => {
    const diagonal = Math.hypot(93, 108);
    expect(goesInside(rod(diagonal - 1.2, 0.5), tub)).toBe(true);
    expect(goesInside(rod(diagonal + 0.1, 0.5), tub)).toBe(false);
    const crate = { length: 100, width: 80, height: 60 };
    expect(goesInside(rod(Math.hypot(100, 80, 60) - 1.5, 0.4), crate)).toBe(true);
    expect(goesInside(rod(Math.hypot(100, 80, 60) + 0.1, 0.4), crate)).toBe(false);
  });
  it('a thick rod does not: slantwise it would need the room of its corners', () => {
    // Length l and width w leaning in a plane of 93 × 108 (both ways): l cos t + w sin t = 93, l sin t + w cos t = 108.
    expect(goesInside(box(130, 40, 40), tub)).toBe(false);
    expect(goesInside(box(110, 20, 20), tub)).toBe(true);
  });
  it('a box as large as the crate goes in, a hair more does not', () => {
    const crate = { length: 100, width: 80, height: 60 };
    expect(goesInside(box(60, 100, 80), crate)).toBe(true);
    expect(goesInside(box(60.1, 100, 80), crate)).toBe(false);
    expect(goesInside(box(1, 1, 1), { length: 0, width: 5, height: 5 })).toBe(false);
  });
});
