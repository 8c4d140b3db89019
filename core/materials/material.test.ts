import { materialMarks, pictureSize } from '../drawing/material.ts';
import {
  extentsOf,
  FORMS,
  mouthOf,
  requiredSizes,
  shapeOf,
  SIZES_OF,
  type MaterialInput,
} from './material.ts';
import { materialInput } from './materialInput.ts';

const base = {
  name: 'Thing',
  unit: 'each',
  kept: 3,
  materialClass: 'plastic',
  give: 0,
  hazards: [],
  colour: '#112233',
};
const make = (part: object): MaterialInput => materialInput.parse({ ...base, ...part });
const errors = (part: object): string[] => {
  const r = materialInput.safeParse({ ...base, ...part });
  return r.success ? [] : r.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`);
};

const examples: [MaterialInput, string | null, [number, number]][] = [
  [make({ form: 'disc', sizes: { diameter: 38, height: 14 } }), 'cylinder', [38, 38]],
  [make({ form: 'piece', solid: 'ball', sizes: { diameter: 40 } }), 'sphere', [40, 40]],
  [make({ form: 'piece', solid: 'block', sizes: { length: 20, width: 50, height: 10 } }), 'box', [50, 20]],
  [
    make({ form: 'piece', solid: 'egg', sizes: { length: 60, width: 45, height: 45 } }),
    'ellipsoid',
    [60, 45],
  ],
  [make({ form: 'piece', solid: 'rod', sizes: { diameter: 6, length: 70 } }), 'cylinder', [70, 6]],
  [make({ form: 'piece', solid: 'cone', sizes: { diameter: 30, height: 50 } }), 'cone', [30, 50]],
  [make({ form: 'container', sizes: { diameter: 95, height: 110, wall: 1 } }), 'cylinder', [95, 110]],
  [make({ form: 'container', sizes: { length: 310, width: 190, height: 110, wall: 1 } }), 'box', [310, 110]],
  [make({ form: 'sheet', sizes: { length: 270, width: 190, wall: 0.5 } }), 'box', [270, 190]],
  [make({ form: 'tube', sizes: { diameter: 43, length: 230, wall: 0.7 } }), 'cylinder', [43, 230]],
  [make({ form: 'cord', sizes: { diameter: 4, length: 900 } }), null, [60, 30]],
  [make({ form: 'consumable', sizes: { length: 150, width: 100 } }), null, [150, 100]],
];

describe('a material', () => {
  it.each(examples)('%j is a solid, or none', (m, kind) => {
    expect(shapeOf(m)?.kind ?? null).toBe(kind);
  });
  it.each(examples)('%j is drawn in its own sizes', (m, _, size) => {
    expect(pictureSize(m)).toEqual(size);
    const marks = materialMarks(m, [100, 100]);
    expect(marks.length).toBeGreaterThan(0);
    for (const mark of marks) {
      if (mark.kind === 'circle')
        expect(Math.hypot(mark.at[0] - 100, mark.at[1] - 100) + mark.radius).toBeLessThanOrEqual(
          Math.max(...size) / 2 + 1e-9,
        );
      if (mark.kind === 'outline')
        for (const p of mark.points) {
          expect(Math.abs(p[0] - 100)).toBeLessThanOrEqual(size[0] / 2 + 1e-9);
          expect(Math.abs(p[1] - 100)).toBeLessThanOrEqual(size[1] / 2 + 1e-9);
        }
    }
  });
  it('asks only for sizes that its form is measured by', () => {
    for (const form of FORMS)
      for (const s of requiredSizes({ form, solid: 'block', sizes: {} })) expect(SIZES_OF[form]).toContain(s);
  });
  it('has its extents longest first', () => {
    expect(extentsOf({ kind: 'ring', outerDiameter: 30, innerDiameter: 10, height: 50 })).toEqual([
      50, 30, 30,
    ]);
    expect(
      extentsOf({
        kind: 'sheet',
        outline: [
          [0, 0],
          [10, 0],
          [10, 40],
        ],
        thickness: 2,
      }),
    ).toEqual([40, 10, 2]);
  });
  it('has a mouth if it is a container', () => {
    expect(examples.map(([m]) => mouthOf(m)).filter((x) => x > 0)).toEqual([95, 190]);
  });
  it.each([
    [{ form: 'disc', sizes: { diameter: 38 } }, 'sizes.height: a disc needs its height in mm'],
    [
      { form: 'container', sizes: { height: 9, wall: 1 } },
      'sizes.length: a container needs its length in mm',
    ],
    [{ form: 'piece', sizes: {} }, 'solid: expected one of block, ball, egg, rod, cone'],
    [{ form: 'sheet', sizes: { length: 9, width: 9 } }, 'sizes.wall: a sheet needs its wall in mm'],
    [{ form: 'disc', sizes: { diameter: 38, height: -1 } }, 'sizes.height: must be more than 0 mm'],
    [{ form: 'cord', sizes: { diameter: 3 }, give: 0.9 }, 'give: must be at most 0.6'],
    [{ form: 'cord', sizes: { diameter: 3 }, colour: 'red' }, 'colour: expected a colour like #B0451A'],
    [{ form: 'cord', sizes: { diameter: 3 }, kept: '3' }, 'kept: expected a count as a whole number'],
    [
      { form: 'blob', sizes: {} },
      'form: expected one of piece, disc, sheet, tube, container, cord, consumable',
    ],
  ])('%j is refused', (part, message) => {
    expect(errors(part)).toContain(message);
  });
});
