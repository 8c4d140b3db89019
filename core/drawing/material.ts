import { rectangleOutline } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { extentsOf, shapeOf, type MaterialInput } from '../materials/material.ts';
import type { Mark } from './mark.ts';

/** Points turned by `degrees` (clockwise on paper) and moved to `at`. */
export function placed(points: readonly Vec2[], degrees: number, at: Vec2): Vec2[] {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return points.map(([x, y]) => [at[0] + c * x - s * y, at[1] + s * x + c * y]);
}

/** How large a material's picture is, mm: across and down. */
export function pictureSize(m: MaterialInput): Vec2 {
  const s = m.sizes;
  if (m.form === 'container') return [s.diameter ?? s.length!, s.height!];
  if (m.form === 'cord') return [60, 30];
  if (m.form === 'consumable') return [s.length ?? 50, s.width ?? 50];
  if (m.form === 'tube') return [s.diameter!, s.length!];
  const shape = shapeOf(m)!;
  const [a, b] = extentsOf(shape);
  return shape.kind === 'cone' ? [shape.baseDiameter, shape.height] : [a, b];
}

/** A material as it lies before the eye, its largest face towards it, in its own sizes (mm) about `at`. */
export function materialMarks(m: MaterialInput, at: Vec2): Mark[] {
  const [w, h] = pictureSize(m);
  const colour = m.colour;
  const outline = (points: readonly Vec2[], corner = 0): Mark => ({
    kind: 'outline',
    role: 'piece',
    points: placed(points, 0, at),
    corner,
    colour,
  });
  const detail = (points: readonly Vec2[]): Mark => ({
    kind: 'outline',
    role: 'piece-detail',
    points: placed(points, 0, at),
  });
  const ring = (radius: number, by: Vec2 = [0, 0]): Mark => ({
    kind: 'circle',
    role: 'piece-detail',
    at: [at[0] + by[0], at[1] + by[1]],
    radius,
  });
  const round = (radius: number): Mark => ({ kind: 'circle', role: 'piece', at, radius, colour });
  switch (m.form) {
    case 'disc':
      return [round(w / 2), ring(Math.max(1, w / 2 - 3))];
    case 'container': {
      const lid = Math.min(14, h * 0.14);
      const foot = m.sizes.diameter === undefined ? 0.98 : 0.86;
      return [
        outline(
          [
            [(-w / 2) * 0.96, -h / 2 + lid],
            [(w / 2) * 0.96, -h / 2 + lid],
            [(w / 2) * foot, h / 2],
            [(-w / 2) * foot, h / 2],
          ],
          2,
        ),
        outline(
          [
            [-w / 2, -h / 2],
            [w / 2, -h / 2],
            [w / 2, -h / 2 + lid],
            [-w / 2, -h / 2 + lid],
          ],
          2,
        ),
      ];
    }
    case 'tube':
      return [
        outline(rectangleOutline(w, h), 1),
        detail([
          [-w / 2, -h / 2 + w * 0.2],
          [w / 2, -h / 2 + w * 0.2],
        ]),
      ];
    case 'sheet':
      return [outline(rectangleOutline(w, h), 1)];
    case 'cord':
      return [0, 1, 2].map((k) => ring(9 + 4 * k)).concat([round(7)]);
    case 'consumable':
      return m.unit === 'mm'
        ? [round(h / 2), ring(h / 5)]
        : [
            outline(rectangleOutline(w, h), 3),
            detail([
              [-w / 2, -h / 2 + h * 0.15],
              [w / 2, -h / 2 + h * 0.15],
            ]),
          ];
    case 'piece':
      switch (m.solid) {
        case 'ball':
          return [round(w / 2), ring(w / 10, [-w / 6, -w / 6])];
        case 'egg':
          return [
            outline(
              Array.from(
                { length: 72 },
                (_, i) =>
                  [(w / 2) * Math.cos((i * Math.PI) / 36), (h / 2) * Math.sin((i * Math.PI) / 36)] as const,
              ),
            ),
          ];
        case 'cone':
          return [
            outline([
              [-w / 2, h / 2],
              [w / 2, h / 2],
              [0, -h / 2],
            ]),
          ];
        default:
          return [outline(rectangleOutline(w, h), 2)];
      }
  }
}
