import fc from 'fast-check';
import { holds } from './relations.ts';
import { pack, packingRequest, type PackingAnswer, type PackingRequest, type Triple } from './pack.ts';

let now = 0;
/** Time that never ends, and time that ends at once. */
const ample = { now: () => performance.now(), until: Infinity };
const none = { now: () => ++now, until: 0 };
const roomOf = (r: PackingRequest): Triple => [r.container.length, r.container.width, r.container.height];

/** The answer is what it says: every box once, in its own measure, inside, no two overlapping. */
function expectPacked(r: PackingRequest, a: PackingAnswer): void {
  expect(a.fits).toBe(true);
  expect(holds(a.placements, roomOf(r))).toBe(true);
  for (const item of r.items) {
    const mine = a.placements.filter((p) => p.id === item.id);
    expect(mine).toHaveLength(item.count ?? 1);
    for (const p of mine) {
      expect([p.length, p.width, p.height].sort((x, y) => x - y)).toEqual(
        [item.length, item.width, item.height].sort((x, y) => x - y),
      );
      if (item.upright) expect(p.height).toBe(item.height);
    }
  }
}

/** A slow peer for whole millimetres: every box at every place in every way, cell by cell. */
function bruteForce(r: PackingRequest): boolean {
  const [L, W, H] = roomOf(r);
  const boxes = r.items.flatMap((i) => Array.from({ length: i.count ?? 1 }, () => i));
  const used = new Set<number>();
  const cell = (x: number, y: number, z: number): number => (z * W + y) * L + x;
  const put = (k: number): boolean => {
    if (k === boxes.length) return true;
    const { length: l, width: w, height: h, upright } = boxes[k]!;
    const ways = upright
      ? [
          [l, w, h],
          [w, l, h],
        ]
      : [
          [l, w, h],
          [w, l, h],
          [l, h, w],
          [h, l, w],
          [w, h, l],
          [h, w, l],
        ];
    for (const [a, b, c] of ways as [number, number, number][])
      for (let z = 0; z + c <= H; z++)
        for (let y = 0; y + b <= W; y++)
          for (let x = 0; x + a <= L; x++) {
            const cells: number[] = [];
            for (let i = 0; i < a; i++)
              for (let j = 0; j < b; j++) for (let m = 0; m < c; m++) cells.push(cell(x + i, y + j, z + m));
            if (cells.some((q) => used.has(q))) continue;
            for (const q of cells) used.add(q);
            if (put(k + 1)) return true;
            for (const q of cells) used.delete(q);
          }
    return false;
  };
  return put(0);
}

describe('packing, worked examples', () => {
  it('solves the cube of six 1 × 2 × 2 and three unit blocks (Slothouber–Graatsma, in Berlekamp, Conway and Guy 1982)', () => {
    const r: PackingRequest = {
      container: { length: 3, width: 3, height: 3 },
      items: [
        { id: 'block', length: 1, width: 2, height: 2, count: 6 },
        { id: 'unit', length: 1, width: 1, height: 1, count: 3 },
      ],
    };
    const a = pack(r, ample);
    expectPacked(r, a);
    // Its one solution has the three units along a space diagonal: no two share a layer along any axis.
    const units = a.placements.filter((p) => p.id === 'unit');
    for (const axis of ['x', 'y', 'z'] as const) expect(new Set(units.map((u) => u[axis])).size).toBe(3);
  });

  it('proves that a 1 × 1 × 3 rod spoils the same cube, though the volume is right', () => {
    const a = pack(
      {
        container: { length: 3, width: 3, height: 3 },
        items: [
          { id: 'block', length: 1, width: 2, height: 2, count: 6 },
          { id: 'rod', length: 1, width: 1, height: 3 },
        ],
      },
      ample,
    );
    expect(a).toMatchObject({ fits: false, placements: [] });
    expect(a.reason).toMatch(/ruled out/);
  });

  it('lays four 4 × 6 rectangles round a hole of 2 × 2 in a 10 × 10 square (the pinwheel)', () => {
    const r: PackingRequest = {
      container: { length: 10, width: 10, height: 1 },
      items: [
        { id: 'slab', length: 4, width: 6, height: 1, count: 4 },
        { id: 'middle', length: 2, width: 2, height: 1 },
      ],
    };
    expectPacked(r, pack(r, ample));
  });

  it('turns a box when it may, and not when it must stand', () => {
    const r = (upright: boolean): PackingRequest => ({
      container: { length: 100, width: 30, height: 20 },
      items: [{ id: 'bottle', length: 20, width: 20, height: 90, upright }],
    });
    expectPacked(r(false), pack(r(false), ample));
    expect(pack(r(true), ample)).toMatchObject({ fits: false, reason: expect.stringContaining('bottle') });
  });

  it('says which proof it has', () => {
    const room = { length: 10, width: 10, height: 10 };
    const cube = (n: number, count: number) => [{ id: 'cube', length: n, width: n, height: n, count }];
    expect(pack({ container: room, items: cube(11, 1) }, ample).reason).toMatch(/alone does not go in/);
    expect(pack({ container: room, items: cube(5, 9) }, ample).reason).toMatch(/Together they have/);
    expect(pack({ container: room, items: cube(6, 2) }, ample).reason).toMatch(/beside or on each other/);
    expectPacked({ container: room, items: cube(5, 8) }, pack({ container: room, items: cube(5, 8) }, ample));
  });

  it('packs two hundred boxes of many sizes with room to spare, which no search need end for', () => {
    const r: PackingRequest = {
      container: { length: 320, width: 240, height: 200 },
      items: Array.from({ length: 20 }, (_, i) => ({
        id: `kind ${i}`,
        length: 12 + 2 * i,
        width: 40 - i,
        height: 10 + ((7 * i) % 23),
        count: 10,
        upright: i % 3 === 0,
      })),
    };
    expectPacked(r, pack(r, ample));
  });

  it('says measures one can read, whatever the size', () => {
    const reason = (edge: number): string =>
      pack(
        {
          container: { length: edge, width: edge, height: edge },
          items: [{ id: 'a', length: edge, width: edge, height: edge / 2, count: 3 }],
        },
        ample,
      ).reason;
    expect(reason(10)).toBe(
      'Together they have 1.5 ml, the container 1 ml: 50 % too much, however they lie.',
    );
    expect(reason(100)).toBe(
      'Together they have 1.50 l, the container 1.00 l: 50 % too much, however they lie.',
    );
  });

  it('is honest when time runs out', () => {
    const a = pack(
      {
        container: { length: 3, width: 3, height: 3 },
        items: [
          { id: 'block', length: 1, width: 2, height: 2, count: 6 },
          { id: 'unit', length: 1, width: 1, height: 1, count: 3 },
        ],
      },
      none,
    );
    expect(a).toMatchObject({ fits: null, placements: [] });
  });
});

describe('packing, properties', () => {
  const side = fc.integer({ min: 1, max: 3 });
  const small = fc.record({
    container: fc.record({
      length: fc.integer({ min: 2, max: 4 }),
      width: fc.integer({ min: 2, max: 4 }),
      height: fc.integer({ min: 1, max: 3 }),
    }),
    items: fc
      .array(fc.record({ length: side, width: side, height: side, upright: fc.boolean() }), {
        minLength: 1,
        maxLength: 5,
      })
      .map((list) => list.map((i, k) => ({ ...i, id: `b${k}` }))),
  });

  it('agrees with trying everything', () => {
    fc.assert(
      fc.property(small, (r) => {
        const a = pack(r, ample);
        expect(a.fits).toBe(bruteForce(r));
        if (a.fits) expectPacked(r, a);
      }),
      { numRuns: 150, seed: 3 },
    );
  });

  it('puts back together whatever was cut from the room', () => {
    const cuts = fc.array(fc.tuple(fc.nat(20), fc.nat(2), fc.integer({ min: 10, max: 90 })), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(cuts, (list) => {
        let parts: number[][] = [[120, 90, 60]];
        for (const [which, axis, share] of list) {
          const part = parts[which % parts.length]!;
          const at = Math.round((part[axis]! * share) / 100);
          if (at < 1 || at >= part[axis]!) continue;
          const [a, b] = [[...part], [...part]];
          a[axis] = at;
          b[axis] = part[axis]! - at;
          parts = [...parts.filter((p) => p !== part), a, b];
        }
        const r: PackingRequest = {
          container: { length: 120, width: 90, height: 60 },
          items: parts.map(([w, h, l], i) => ({ id: `p${i}`, length: l!, width: w!, height: h! })),
        };
        expectPacked(r, pack(r, ample));
      }),
      { numRuns: 40, seed: 11 },
    );
  });

  it('never starts to fit when a box grows', () => {
    fc.assert(
      fc.property(small, (r) => {
        const grown = {
          ...r,
          items: r.items.map((i, k) => (k === 0 ? { ...i, length: i.length + 1 } : i)),
        };
        if (pack(r, ample).fits === false) expect(pack(grown, ample).fits).toBe(false);
      }),
      { numRuns: 60, seed: 5 },
    );
  });
});

describe('the request', () => {
  const box = { id: 'a', length: 1, width: 1, height: 1 };
  it.each([
    [{ container: { length: 0, width: 1, height: 1 }, items: [box] }, 'container.length'],
    [{ container: { length: 1, width: 1 }, items: [box] }, 'container.height'],
    [{ container: { length: 1, width: 1, height: 1 }, items: [] }, 'items'],
    [{ container: { length: 1, width: 1, height: 1 }, items: [box, box] }, 'items.1.id'],
    [{ container: { length: 1, width: 1, height: 1 }, items: [{ ...box, count: 1.5 }] }, 'items.0.count'],
    [{ container: { length: 1, width: 1, height: 1 }, items: [{ ...box, count: 201 }] }, 'items.0.count'],
  ])('names what is wrong %#', (body, path) => {
    const read = packingRequest.safeParse(body);
    expect(read.error!.issues.map((i) => i.path.join('.'))).toContain(path);
  });
});
