import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { alike } from './alike.ts';
import { bestBody, boxOfPlan, planUnder } from './things.ts';
import { cameraOf, placeOf, seenAt, tiltOf, rotationOf, type Camera } from './camera.ts';
import { countThings, type CountedKind } from './count.ts';
import { homographyOf, throughHomography } from './homography.ts';
import { posesOf, shelfKinds, sizesSeen } from './kinds.ts';
import type { MeasuredThing } from './measure.ts';
import { nearestKinds } from './nearest.ts';
import { multiply } from '../geometry/vector.ts';
import { codeText, groundOutline, readCode, SHEET_PAPER_NAMES, SHEET_PAPERS } from './sheet.ts';
import { polygonOf } from './straight.ts';
import { REFUSAL_WORDS } from './words.ts';
import { leastSquares } from './leastSquares.ts';
import { findSheet } from './findSheet.ts';

/** A camera over an A4 sheet, tilted so many degrees, its foot as `placeOf` says. */
function overSheet(tilt: number, above = 420, focal = 1.4): Camera {
  const rotation = multiply(rotationOf([(-tilt * Math.PI) / 180, 0, 0]), [1, 0, 0, 0, -1, 0, 0, 0, -1]);
  // It looks at the middle of the sheet from its height over the cosine.
  const far = above / Math.cos((tilt * Math.PI) / 180);
  const middle: Vec3 = [148.5, 105, 0];
  const turned = [0, 1, 2].map(
    (i) => rotation[3 * i]! * middle[0] + rotation[3 * i + 1]! * middle[1] + rotation[3 * i + 2]! * middle[2],
  );
  return {
    width: 3000,
    height: 2250,
    rotation,
    shift: [-turned[0]!, -turned[1]!, far - turned[2]!],
    focal,
    bend: 0,
  };
}

describe('the sheet', () => {
  it.each(SHEET_PAPER_NAMES)('has four codes on %s that tell corner and paper', (paper) => {
    for (const corner of [1, 2, 3, 4] as const)
      expect(readCode(codeText(paper, corner))).toEqual({ paper, corner });
    const outline = groundOutline(paper);
    const { width, height } = SHEET_PAPERS[paper];
    expect(outline.every(([x, y]) => x >= 8 && x <= width - 8 && y >= 8 && y <= height - 8)).toBe(true);
  });
  it('knows no code of anything else', () => expect(readCode('FB-001a')).toBeNull());
  it('is A4 of ISO 216 and Letter of ANSI/ASME Y14.1 on their long sides', () => {
    expect(SHEET_PAPERS.A4).toEqual({ width: 297, height: 210 });
    expect(SHEET_PAPERS.Letter).toEqual({ width: 279.4, height: 215.9 });
    expect(SHEET_PAPERS.A3).toEqual({ width: 420, height: 297 });
  });
  it('is not found where there are no codes, half of them, or two sheets', () => {
    const photo = { width: 10, height: 10, data: new Uint8Array(300) };
    const corners = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ] as unknown as readonly [Vec2, Vec2, Vec2, Vec2];
    const code = (text: string) => ({ text, corners });
    expect(findSheet(photo, [code('hello')])).toBe('no-sheet');
    expect(findSheet(photo, [code(codeText('A4', 1)), code(codeText('A4', 2))])).toBe('half-sheet');
    expect(findSheet(photo, [code(codeText('A4', 1)), code(codeText('A4', 1))])).toBe('two-sheets');
    expect(findSheet(photo, [code(codeText('A4', 1)), code(codeText('A3', 2))])).toBe('two-sheets');
    expect(Object.values(REFUSAL_WORDS).every((w) => w.endsWith('.'))).toBe(true);
  });
});

describe('the camera', () => {
  it.each([8, 20, 35])('comes out of the homography alone at a tilt of %d°', (tilt) => {
    const camera = overSheet(tilt);
    const sheet: Vec2[] = [
      [10, 10],
      [280, 12],
      [270, 200],
      [15, 190],
      [140, 90],
      [60, 160],
    ];
    const h = homographyOf(
      sheet,
      sheet.map((p) => seenAt(camera, [p[0], p[1], 0])),
    )!;
    const [x, y] = throughHomography(h, [100, 50]);
    const seen = seenAt(camera, [100, 50, 0]);
    expect(Math.hypot(x - seen[0], y - seen[1])).toBeLessThan(1e-6);
    const found = cameraOf(h, camera)!;
    expect(tiltOf(found)).toBeCloseTo(tilt, 4);
    placeOf(found).forEach((v, i) => expect(v).toBeCloseTo(placeOf(camera)[i]!, 3));
  });
  it('takes a usual focal length where the view is straight down, and none of a mirrored picture', () => {
    const camera = overSheet(0);
    const sheet: Vec2[] = [
      [10, 10],
      [280, 12],
      [270, 200],
      [15, 190],
    ];
    const seen = sheet.map((p) => seenAt(camera, [p[0], p[1], 0]));
    const found = cameraOf(homographyOf(sheet, seen)!, camera, 1.4)!;
    expect(placeOf(found)[2]).toBeCloseTo(420, 1);
    const mirrored = seen.map(([x, y]): Vec2 => [3000 - x, y]);
    expect(cameraOf(homographyOf(sheet, mirrored)!, camera)).toBeNull();
  });
  it('needs four pairs', () => expect(homographyOf([[0, 0]], [[1, 1]])).toBeNull());
});

it('fits in spite of outliers, and says how sure it is', () => {
  const xs = Array.from({ length: 40 }, (_, i) => i);
  const ys = xs.map((x) => 3 + 0.5 * x + (x % 13 === 0 ? 20 : 0.1 * Math.sin(9 * x)));
  const { at, covariance } = leastSquares((p) => xs.map((x, i) => p[0]! + p[1]! * x - ys[i]!), [0, 0], {
    steps: [0.01, 0.01],
    floor: 0.01,
  });
  expect(at[0]).toBeCloseTo(3, 0);
  expect(at[1]).toBeCloseTo(0.5, 2);
  expect(Math.sqrt(covariance.get(0, 0))).toBeLessThan(0.2);
});

/** What is seen of points over the sheet, on its plane. */
const shadowOf = (eye: Vec3, [x, y, z]: Vec3): Vec2 => {
  const k = eye[2] / (eye[2] - z);
  return [eye[0] + k * (x - eye[0]), eye[1] + k * (y - eye[1])];
};
/** The outline of a round body’s shadow, by rays that just touch it. */
function outlineOf(eye: Vec3, inside: (p: Vec3) => boolean, about: Vec2, reach: number): Vec2[] {
  return Array.from({ length: 120 }, (_, i): Vec2 => {
    const a = (2 * Math.PI * i) / 120;
    let [low, high] = [0, reach];
    for (let k = 0; k < 30; k++) {
      const r = (low + high) / 2;
      const q: Vec3 = [about[0] + r * Math.cos(a), about[1] + r * Math.sin(a), 0];
      let hits = false;
      for (let s = 0; s <= 0.3 && !hits; s += 0.0005)
        hits = inside([q[0] + s * (eye[0] - q[0]), q[1] + s * (eye[1] - q[1]), s * eye[2]]);
      if (hits) low = r;
      else high = r;
    }
    return [about[0] + low * Math.cos(a), about[1] + low * Math.sin(a)];
  });
}

describe('a body from its outline', () => {
  const eye: Vec3 = [300, 40, 420];
  const disc = (d: number, h: number, x: number, y: number) => (p: Vec3) =>
    p[2] <= h && Math.hypot(p[0] - x, p[1] - y) <= d / 2;
  it('is a disc of the right size with its height given, and its height is found without', () => {
    const ring = outlineOf(eye, disc(38, 14, 100, 120), [99, 121], 60);
    const given = bestBody(eye, ring, ring, 14);
    expect(given).toMatchObject({ form: 'disc', height: 14 });
    expect(given.long).toBeCloseTo(38, 0);
    expect(Math.hypot(given.x - 100, given.y - 120)).toBeLessThan(0.3);
    const found = bestBody(eye, ring, ring, null);
    expect(found.form).toBe('disc');
    expect(Math.abs(found.long - 38)).toBeLessThan(0.4);
    expect(Math.abs(found.height - 14)).toBeLessThan(1);
  });
  it('is a ball, whose height is its breadth', () => {
    const ball = (p: Vec3) => Math.hypot(p[0] - 80, p[1] - 60, p[2] - 12.5) <= 12.5;
    const ring = outlineOf(eye, ball, [76, 61], 40);
    const found = bestBody(eye, ring, ring, null);
    expect(found.form).toBe('ball');
    expect(Math.abs(found.long - 25)).toBeLessThan(0.3);
  });
  it('has the plan of a prism back from its shadow', () => {
    const star = Array.from({ length: 10 }, (_, i): Vec2 => {
      const r = i % 2 === 0 ? 18 : 8;
      const a = (Math.PI * (90 + 36 * i)) / 180;
      return [100 + r * Math.cos(a), 100 + r * Math.sin(a)];
    });
    const square: Vec2[] = [
      [50, 50],
      [70, 50],
      [70, 70],
      [50, 70],
    ];
    const top = square.map((p) => shadowOf(eye, [...p, 20]));
    // From this side the lower right corner of the base and the upper left of the top bound it.
    const seen: Vec2[] = [square[0]!, square[1]!, square[2]!, top[2]!, top[3]!, top[0]!];
    const plan = planUnder(eye, seen, 20);
    for (const p of square) {
      const near = Math.min(...plan.map((q) => Math.hypot(q[0] - p[0], q[1] - p[1])));
      expect(near).toBeLessThan(0.6);
    }
    expect(planUnder(eye, star, 0)).toHaveLength(10);
  });
  it('has straight sides drawn to their corners, and a disc has none', () => {
    const rounded: Vec2[] = [];
    const corners: Vec2[] = [
      [0, 0],
      [40, 0],
      [20, 34],
    ];
    corners.forEach((a, i) => {
      const b = corners[(i + 1) % 3]!;
      for (let s = 0.04; s < 0.97; s += 0.01)
        rounded.push([a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1])]);
    });
    const sharp = polygonOf(rounded)!;
    expect(sharp).toHaveLength(3);
    expect(boxOfPlan(sharp).long).toBeCloseTo(40, 0);
    const round = Array.from({ length: 90 }, (_, i): Vec2 => [
      30 * Math.cos(i * 0.0698),
      30 * Math.sin(i * 0.0698),
    ]);
    expect(polygonOf(round)).toBeNull();
  });
});

const thing = (part: Partial<MeasuredThing>): MeasuredThing => ({
  outline: [],
  shadow: [],
  seen: [],
  x: 0,
  y: 0,
  long: 38,
  short: 38,
  area: 1134,
  uncertainty: 0.1,
  form: 'disc',
  roundness: 1,
  colour: '#cc2222',
  holes: [],
  height: 14,
  heightFrom: 'outline',
  nearest: [],
  ...part,
});
const kind = (
  name: string,
  diameter: number,
  height: number,
  of: number,
  colour = '#cc2222',
): CountedKind => ({
  material: null,
  catalogue: null,
  name,
  colour,
  of,
  poses: posesOf({ form: 'disc', sizes: { diameter, height } }),
});

describe('kinds', () => {
  it('lie as they can, and what has no shape does not', () => {
    expect(posesOf({ form: 'piece', solid: 'ball', sizes: { diameter: 16 } })).toEqual([
      { long: 16, short: 16, height: 16, forms: ['ball'] },
    ]);
    expect(posesOf({ form: 'tube', sizes: { length: 100, diameter: 43 } })[1]).toMatchObject({
      long: 100,
      short: 43,
      height: 43,
    });
    expect(posesOf({ form: 'cord', sizes: { diameter: 3 } })).toEqual([]);
    expect(shelfKinds([])).toEqual([]);
  });
  it('are named by size, form and colour, the likest first', () => {
    const found = nearestKinds({ ...thing({}), isHeightSure: true }, [
      kind('Small cap', 28, 14, 1),
      kind('Blue cap', 38, 14, 1, '#1144cc'),
      kind('Red cap', 38, 14, 1),
    ]);
    expect(found.map((n) => n.name)).toEqual(['Red cap', 'Blue cap']);
    expect(found[0]!.score).toBeGreaterThan(0.9);
  });
  it('are measured as they lie, and not where they lie another way', () => {
    const cap = { form: 'disc', sizes: { diameter: 38, height: 14 } } as const;
    expect(sizesSeen(cap, { long: 37.6, short: 37.4, height: 14.2 })).toEqual({
      diameter: 37.5,
      height: 14.2,
    });
    expect(sizesSeen(cap, { long: 38, short: 14, height: 38 })).toEqual({});
    expect(
      sizesSeen(
        { form: 'tube', sizes: { length: 100, diameter: 43 } },
        { long: 101, short: 42.5, height: null },
      ),
    ).toEqual({ length: 101, diameter: 42.5 });
  });
  it('alike things are one kind, the most first', () => {
    const groups = alike([thing({}), thing({ long: 16, short: 16, form: 'ball' }), thing({ long: 38.6 })]);
    expect(groups.map((g) => g.things)).toEqual([[0, 2], [1]]);
    expect(groups[0]!.long).toBeCloseTo(38.3);
  });
});

describe('counting', () => {
  it('matches each thing to one piece, no part more often than the kit has it', () => {
    const things = [
      thing({}),
      thing({ long: 38.4 }),
      thing({ long: 37.8 }),
      thing({ long: 90, short: 12, form: 'rod' }),
    ];
    const { parts, strangers } = countThings(things, [kind('Cap', 38, 14, 2), kind('Lid', 68, 12, 1)]);
    expect(parts.map((p) => [p.name, p.of, p.seen])).toEqual([
      ['Cap', 2, 2],
      ['Lid', 1, 0],
    ]);
    expect(strangers).toHaveLength(2);
    expect(strangers).toContain(3);
    expect(parts[0]!.sure).toBe(true);
  });
  it('says unsure where two parts are alike, and counts nothing on an empty sheet', () => {
    const twins = [kind('Cap A', 38, 14, 1), kind('Cap B', 38.2, 14, 1)];
    expect(countThings([thing({})], twins).parts.find((p) => p.seen === 1)!.sure).toBe(false);
    expect(countThings([], twins).parts.map((p) => p.seen)).toEqual([0, 0]);
  });
});
