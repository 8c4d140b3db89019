import type { Mark, MarkRole } from '../../drawing/mark.ts';
import { materialMarks, placed as rotate } from '../../drawing/material.ts';
import { rectangleOutline, starOutline, type Vec2 } from '../../geometry/index.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import type { At, Drawing, Fit } from '../kernel.ts';
import { bounds, moved, sceneOf } from '../../drawing/marks.ts';
import { parts, type Dials } from './dials.ts';
import type { Detail } from './fit.ts';

function openingMark(d: Dials, at: Vec2, role: MarkRole): Mark {
  if (d.opening === 'round') return { kind: 'circle', role, at, radius: d.length / 2 };
  if (d.opening === 'slot')
    return { kind: 'outline', role, points: rotate(rectangleOutline(d.length, d.width), d.turn, at) };
  return {
    kind: 'outline',
    role,
    points: rotate(starOutline(d.points, d.length, Math.min(d.width, d.length - 0.5)), d.turn, at),
  };
}

function lidMarks(container: Material, at: Vec2): Mark[] {
  const s = container.sizes;
  if (s.diameter !== undefined)
    return [
      { kind: 'circle', role: 'body', at, radius: s.diameter / 2, colour: container.colour },
      { kind: 'circle', role: 'guide', at, radius: s.diameter / 2 - 7 },
    ];
  return [
    {
      kind: 'outline',
      role: 'body',
      points: rotate(rectangleOutline(s.length!, s.width!), 0, at),
      corner: 6,
      colour: container.colour,
    },
    {
      kind: 'outline',
      role: 'guide',
      points: rotate(rectangleOutline(s.length! - 14, s.width! - 14), 0, at),
      corner: 3,
    },
  ];
}

/**
 * The lid with its opening, the piece beside it, and, once the passage is known, the piece in the opening as it goes
 * through; measured. The template is the lid's edge and the opening alone.
 */
export function draw({ dials: d, chosen }: At<Dials>, fit?: Fit<Detail>): Drawing {
  const { container, piece } = parts(chosen);
  const s = container.sizes;
  const [lidW, lidH] = s.diameter === undefined ? [s.length!, s.width!] : [s.diameter, s.diameter];
  const [a, b, c] = extentsOf(shapeOf(piece)!);
  const pieceH = piece.form === 'piece' && shapeOf(piece)!.kind === 'cone' ? piece.sizes.height! : b;
  const margin = 14;
  const lidAt: Vec2 = [margin + lidW / 2, margin + lidH / 2];
  const column = Math.max(a, 46);
  const pieceAt: Vec2 = [2 * margin + lidW + 14 + column / 2, margin + pieceH / 2];
  const inOpening: Mark[] =
    fit && fit.detail.passage.passes
      ? [
          {
            kind: 'outline',
            role: 'piece-in',
            points: rotate(
              fit.detail.passage.shadow.map(([x, y]) => [x, -y]),
              d.turn,
              lidAt,
            ),
            colour: piece.colour,
          },
        ]
      : [];
  const along: Vec2 = [Math.cos((d.turn * Math.PI) / 180), Math.sin((d.turn * Math.PI) / 180)];
  const acrossWay: Vec2 = [-along[1], along[0]];
  const end = (way: Vec2, by: number, from: Vec2 = lidAt): Vec2 => [
    from[0] + way[0] * by,
    from[1] + way[1] * by,
  ];
  const openingSizes: Mark[] = [
    {
      kind: 'dimension',
      from: end(along, -d.length / 2),
      to: end(along, d.length / 2),
      side: [acrossWay[0] * (acrossSize(d) / 2 + 9), acrossWay[1] * (acrossSize(d) / 2 + 9)],
      value: d.length,
    },
    ...(d.opening === 'slot'
      ? [
          {
            kind: 'dimension',
            from: end(acrossWay, -d.width / 2),
            to: end(acrossWay, d.width / 2),
            side: [along[0] * (d.length / 2 + 9), along[1] * (d.length / 2 + 9)],
            value: d.width,
          } as const,
        ]
      : []),
  ];
  // A star's inner corners are measured on the far side from its tips.
  const inner: Mark[] =
    d.opening === 'star'
      ? [
          {
            kind: 'dimension',
            from: end(along, -d.width / 2),
            to: end(along, d.width / 2),
            side: [-acrossWay[0] * (d.length / 2 + 9), -acrossWay[1] * (d.length / 2 + 9)],
            value: d.width,
            label: 'inner',
          },
        ]
      : [];
  const sideAt: Vec2 = [pieceAt[0], margin + pieceH + 20 + c / 2];
  const marks: Mark[] = [
    ...lidMarks(container, lidAt),
    openingMark(d, lidAt, 'opening'),
    ...inOpening,
    ...openingSizes,
    ...inner,
    {
      kind: 'dimension',
      from: [lidAt[0] - lidW / 2, lidAt[1] + lidH / 2],
      to: [lidAt[0] + lidW / 2, lidAt[1] + lidH / 2],
      side: [0, 9],
      value: lidW,
      label: 'lid',
    },
    ...materialMarks(piece, pieceAt),
    {
      kind: 'dimension',
      from: [pieceAt[0] - a / 2, pieceAt[1] + pieceH / 2],
      to: [pieceAt[0] + a / 2, pieceAt[1] + pieceH / 2],
      side: [0, 7],
      value: a,
    },
    ...(Math.abs(a - b) > 1e-9
      ? [
          {
            kind: 'dimension' as const,
            from: [pieceAt[0] + a / 2, pieceAt[1] - pieceH / 2] as Vec2,
            to: [pieceAt[0] + a / 2, pieceAt[1] + pieceH / 2] as Vec2,
            side: [7, 0] as Vec2,
            value: pieceH,
          },
        ]
      : []),
    // From the side, so that its thickness can be seen beside the slot.
    ...(Math.abs(b - c) > 1e-9
      ? ([
          {
            kind: 'outline',
            role: 'piece',
            points: rotate(rectangleOutline(a, c), 0, sideAt),
            corner: 2,
            colour: piece.colour,
          },
          {
            kind: 'dimension',
            from: [sideAt[0] + a / 2, sideAt[1] - c / 2],
            to: [sideAt[0] + a / 2, sideAt[1] + c / 2],
            side: [7, 0],
            value: c,
          },
        ] as Mark[])
      : []),
  ];
  // The lid's edge to centre the opening by, the opening as it is cut.
  const template: Mark[] = [
    ...lidMarks(container, [0, 0])
      .slice(0, 1)
      .map((m): Mark => ('role' in m ? { ...m, role: 'draw' } : m)),
    openingMark(d, [0, 0], 'cut'),
    {
      kind: 'dimension',
      from: end(along, -d.length / 2, [0, 0]),
      to: end(along, d.length / 2, [0, 0]),
      side: [acrossWay[0] * (acrossSize(d) / 2 + 7), acrossWay[1] * (acrossSize(d) / 2 + 7)],
      value: d.length,
    },
    ...(d.opening === 'slot'
      ? [
          {
            kind: 'dimension',
            from: end(acrossWay, -d.width / 2, [0, 0]),
            to: end(acrossWay, d.width / 2, [0, 0]),
            side: [along[0] * (d.length / 2 + 7), along[1] * (d.length / 2 + 7)],
            value: d.width,
          } as const,
        ]
      : []),
  ];
  const picture = [...lidMarks(container, [0, 0]), openingMark(d, [0, 0], 'opening')];
  const one = materialMarks(piece, [0, 0]);
  const [left, , , bottom] = bounds(one);
  const by: Vec2 = [bounds(picture)[2] + 6 - left, bounds(picture)[3] - bottom];
  return {
    scene: sceneOf(marks),
    about: `Lid with its opening and ${piece.name} beside it, to scale`,
    picture: sceneOf([...picture, ...one.map((m) => moved(m, by))], 2),
    sheets: [{ id: 'lid', title: `Lid of ${container.name}`, marks: template, count: 1 }],
  };
}

/** Half of what the opening takes at right angles to its length; clears the measurement of the opening's edge. */
const acrossSize = (d: Dials): number => (d.opening === 'slot' ? d.width : d.length);
