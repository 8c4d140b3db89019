import { colouringLength, fillExactly } from './fillExactly.ts';
import { pack, packingRequest } from './pack.ts';
import { boxesOf, type Triple } from './problem.ts';

type Size = [number, number, number];
const ask = (container: Size, items: [Size, number][]) =>
  packingRequest.parse({
    container: { length: container[0], width: container[1], height: container[2] },
    items: items.map(([s, count], i) => ({ id: `box ${i}`, length: s[0], width: s[1], height: s[2], count })),
  });
/** However slow the machine: it ends as soon as it is answered. */
const AMPLE = 600_000;
const answered = (container: Size, items: [Size, number][]) =>
  pack(ask(container, items), { now: () => performance.now(), until: performance.now() + AMPLE });

/** Cuts a box again and again at odd places, each part turned at random: a fill with nothing to spare. */
function cutUp(size: Size, parts: number, seed: number): Size[] {
  let state = seed;
  const next = (): number => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
  const list: Size[] = [size];
  while (list.length < parts) {
    list.sort((a, b) => b[0] * b[1] * b[2] - a[0] * a[1] * a[2]);
    const [whole] = list.splice(0, 1) as [Size];
    const axis = whole.indexOf(Math.max(...whole));
    const at = Math.round(whole[axis]! * (0.25 + 0.5 * next()));
    const part = (n: number): Size => whole.map((x, k) => (k === axis ? n : x)) as Size;
    list.push(part(at), part(whole[axis]! - at));
  }
  return list.map((s) => (next() < 0.5 ? [s[1], s[2], s[0]] : [s[2], s[0], s[1]]));
}

describe('nothing to spare', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('a box cut into ten is put together again (%i)', (seed) => {
    const size: Size = [190, 140, 110];
    const answer = answered(
      size,
      cutUp(size, 10, 1000 + seed).map((s) => [s, 1]),
    );
    expect(answer).toMatchObject({ fits: true, reason: 'All 10 go in, filling 100 %.' });
  });
  it('27 blocks of 1 × 2 × 4 do not fill a cube of 6, by colouring (de Bruijn 1969)', () => {
    const answer = answered([6, 6, 6], [[[1, 2, 4], 27]]);
    expect(answer.fits).toBe(false);
    expect(answer.reason).toMatch(/multiple of 4 mm .*by colouring/);
  });
  it('but they fill a box of 6 × 6 × 8, and 2 × 2 × 1 a cube of 4', () => {
    expect(answered([6, 6, 8], [[[1, 2, 4], 36]]).fits).toBe(true);
    expect(answered([4, 4, 4], [[[2, 2, 1], 16]]).fits).toBe(true);
  });
  it('is a proof too where no colouring helps: two kinds that do not go together', () => {
    // 5 × 5 × 1 by 2 × 2 × 1 and one of 3 × 3 × 1: the areas agree (4 × 4 + 9 = 25), the squares do not.
    const answer = answered(
      [5, 5, 1],
      [
        [[2, 2, 1], 4],
        [[3, 3, 1], 1],
      ],
    );
    expect(answer.fits).toBe(false);
  });
  it('agrees with laying small cases by hand, every way', () => {
    const room: Triple = [4, 3, 2];
    const [boxes] = [boxesOf(ask(room as Size, [[[2, 3, 1], 4]]))];
    expect(colouringLength(boxes, room)).toBeNull();
    expect(fillExactly(boxes, room, () => false)).toHaveLength(4);
    // Side 2 is in every 2 × 2 × 3, and a room of 3 × 3 × 4 has a side of 4: colouring says nothing, trying says no.
    const cubes = boxesOf(ask([3, 3, 4], [[[2, 2, 3], 3]]));
    expect(colouringLength(cubes, [3, 3, 4])).toBeNull();
    expect(fillExactly(cubes, [3, 3, 4], () => false)).toBe(false);
  });
});
