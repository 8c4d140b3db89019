import type { Mark, MarkRole } from '../../drawing/mark.ts';
import {
  atStep,
  bounds,
  circle,
  dimension,
  moved,
  outline,
  rectangle,
  sceneOf,
  words,
} from '../../drawing/marks.ts';
import { materialMarks, placed as rotate } from '../../drawing/material.ts';
import { boxOf, rectangleOutline, type Vec2 } from '../../geometry/index.ts';
import { extentsOf, type Material } from '../../materials/material.ts';
import type { At, Drawing, Fit, Sheet } from '../kernel.ts';
import type { Dials } from './dials.ts';
import type { Detail } from './fit.ts';
import { edgeOf, firstOpening, openingsOn, strips, type Placed } from './openings.ts';
import { isMade, parts, type Kind } from './pieces.ts';

function openingMark(p: Placed, role: MarkRole): Mark {
  const edge = edgeOf(p);
  return edge
    ? { kind: 'outline', role, points: edge }
    : circle(role, p.at, p.opening.kind === 'round' ? p.opening.diameter : 0);
}

/** The lid from above, or the rim of an open mouth. */
function lidMarks(container: Material, at: Vec2, cover: Dials['cover']): Mark[] {
  const s = container.sizes;
  const inner = cover === 'lid' || cover === 'sip hole' ? 7 : (s.wall ?? 1);
  const role: MarkRole = cover === 'tape' || cover === 'open' ? 'opening' : 'guide';
  if (s.diameter !== undefined)
    return [
      { kind: 'circle', role: 'body', at, radius: s.diameter / 2, colour: container.colour },
      { kind: 'circle', role, at, radius: s.diameter / 2 - inner },
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
      role,
      points: rotate(rectangleOutline(s.length! - 2 * inner, s.width! - 2 * inner), 0, at),
      corner: 3,
    },
  ];
}

/** Length and width of an opening, measured beside it, clear of its edge; the length on the far side where asked. */
function sizesOf({ opening: o, at, turn }: Placed, clear: number, far = false): Mark[] {
  const along: Vec2 = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  const across: Vec2 = [-along[1], along[0]];
  const measured = (way: Vec2, size: number, side: Vec2, by: number, label?: string): Mark =>
    dimension(
      [at[0] - (way[0] * size) / 2, at[1] - (way[1] * size) / 2],
      [at[0] + (way[0] * size) / 2, at[1] + (way[1] * size) / 2],
      [side[0] * by, side[1] * by],
      label,
      size,
    );
  const side = far ? -1 : 1;
  switch (o.kind) {
    case 'round':
      return [measured(along, o.diameter, across, side * (o.diameter / 2 + clear))];
    case 'slot':
      return [
        measured(along, o.length, across, side * (o.width / 2 + clear)),
        measured(across, o.width, along, o.length / 2 + clear),
      ];
    case 'star':
      return [
        measured(along, o.outerDiameter, across, o.outerDiameter / 2 + clear),
        // A star's inner corners are measured on the far side from its tips.
        measured(along, o.innerDiameter, [-across[0], -across[1]], o.outerDiameter / 2 + clear, 'inner'),
      ];
    case 'polygon': {
      const [x0, y0, x1, y1] = boxOf(o.outline);
      return [
        measured(along, x1 - x0, across, side * ((y1 - y0) / 2 + clear)),
        measured(across, y1 - y0, along, (x1 - x0) / 2 + clear),
      ];
    }
  }
}

/** A strip across a round rim between two heights, as far as the rim goes; mm about its middle. */
function acrossRound(radius: number, from: number, to: number): Vec2[] {
  const [a, b] = [Math.asin(Math.min(1, from / radius)), Math.asin(Math.min(1, to / radius))];
  const arc = Array.from({ length: 13 }, (_, i): Vec2 => {
    const t = a + ((b - a) * i) / 12;
    return [radius * Math.cos(t), radius * Math.sin(t)];
  });
  return [...arc, ...arc.map(([x, y]): Vec2 => [-x, y]).reverse()];
}

/** Strips of tape over the mouth, from the rim to the opening. */
function tapeMarks(at: At<Dials>): Mark[] {
  const { mouth, tape, container } = parts(at);
  const { wide, count } = strips(at);
  const o = firstOpening(at);
  if (count === 0 || o.kind !== 'slot') return [];
  const s = container.sizes;
  const [w, h] = s.diameter === undefined ? [s.length!, s.width!] : [s.diameter, s.diameter];
  const side = (turned: boolean, open: number, room: number): Mark[] => {
    const [long, half] = turned ? [h, w / 2] : [w, h / 2];
    const marks: Mark[] = [];
    for (let from = open / 2; from < room / 2 - 1e-9; from += wide) {
      const to = Math.min(half, from + wide);
      const points: Vec2[] =
        s.diameter === undefined
          ? [
              [-long / 2, from],
              [long / 2, from],
              [long / 2, to],
              [-long / 2, to],
            ]
          : acrossRound(half, from, to);
      for (const turn of turned ? [90, 270] : [0, 180])
        marks.push(outline('body', points, [0, 0], { turn, colour: tape?.colour }));
    }
    return marks;
  };
  return [
    ...side(false, o.width, mouth.across),
    ...(at.dials.opening === 'slot' ? [] : side(true, o.length, mouth.along)),
  ];
}

/** A kind as it lies before the eye: what is made of a sheet in its own size. */
function kindMarks(k: Kind, at: Vec2): Mark[] {
  if (!isMade(k)) return materialMarks(k.material, at);
  const [a, b] = extentsOf(k.solid);
  return k.solid.kind === 'sphere'
    ? [circle('piece', at, a, k.material.colour)]
    : [rectangle('piece', at, [a, b], { corner: 1, colour: k.material.colour })];
}

/** A kind with its sizes, and from the side where it is thinner than wide. */
function beside(k: Kind, left: number, top: number, withSide: boolean): { marks: Mark[]; bottom: number } {
  const [a, b, c] = extentsOf(k.solid);
  const high = !isMade(k) && k.solid.kind === 'cone' ? k.material.sizes.height! : b;
  const at: Vec2 = [left, top + high / 2];
  const sideAt: Vec2 = [left, top + high + 20 + c / 2];
  const flat = Math.abs(b - c) > 1e-9;
  const marks: Mark[] = [
    ...kindMarks(k, at),
    dimension([at[0] - a / 2, at[1] + high / 2], [at[0] + a / 2, at[1] + high / 2], [0, 7], undefined, a),
    ...(Math.abs(a - b) > 1e-9
      ? [
          dimension(
            [at[0] + a / 2, at[1] - high / 2],
            [at[0] + a / 2, at[1] + high / 2],
            [7, 0],
            undefined,
            high,
          ),
        ]
      : []),
    // From the side, so that its thickness can be seen beside the slot.
    ...(flat && withSide
      ? [
          rectangle('piece', sideAt, [a, c], { corner: Math.min(2, c / 2), colour: k.material.colour }),
          dimension(
            [sideAt[0] + a / 2, sideAt[1] - c / 2],
            [sideAt[0] + a / 2, sideAt[1] + c / 2],
            [7, 0],
            undefined,
            c,
          ),
        ]
      : []),
  ];
  return { marks, bottom: top + high + 20 + (flat && withSide ? c + 8 : 0) };
}

/**
 * The lid or mouth with its openings, the pieces beside it, and, once the passage is known, the tightest piece in its
 * opening as it goes through; measured. The template is the lid's edge and what is cut.
 */
export function draw(at: At<Dials>, fit?: Fit<Detail>): Drawing {
  const { dials: d } = at;
  const { container, kinds } = parts(at);
  const s = container.sizes;
  const [lidW, lidH] = s.diameter === undefined ? [s.length!, s.width!] : [s.diameter, s.diameter];
  const on = openingsOn(at);
  const margin = 14;
  const tight = fit ? kinds[fit.detail.tightest] : undefined;
  const through = fit ? on.find((p) => p.kinds.includes(fit.detail.tightest)) : undefined;
  const inOpening: Mark[] =
    fit && tight && through && fit.detail.passage.passes
      ? [
          {
            kind: 'outline',
            role: 'piece-in',
            points: rotate(
              fit.detail.passage.shadow.map(([x, y]) => [x, -y]),
              through.turn,
              through.at,
            ),
            colour: tight.material.colour,
          },
        ]
      : [];
  const lid = lidMarks(container, [0, 0], d.cover);
  // Numbered at their left, where neither the piece nor a measurement lies.
  const numbers: Mark[] =
    on.length > 1
      ? on.map((p, i) => {
          const [left] = bounds([openingMark(p, 'opening')]);
          return words([left - 8, p.at[1]], String(i + 1), 9);
        })
      : [];
  const column = lidW / 2 + margin + 14 + Math.max(46, ...kinds.map((k) => extentsOf(k.solid)[0])) / 2;
  let top = -lidH / 2;
  const pieces = kinds.flatMap((k) => {
    const { marks, bottom } = beside(k, column, top, kinds.length === 1);
    top = bottom;
    return marks;
  });
  const marks: Mark[] = [
    ...lid,
    ...(d.cover === 'open'
      ? []
      : atStep(
          'cut',
          on.map((p) => openingMark(p, 'opening')),
          'draw',
        )),
    ...atStep('tape', tapeMarks(at)),
    ...inOpening,
    ...numbers,
    // A slit from rim to rim is as long as the mouth: only its width is the dial's.
    ...on.flatMap((p, i) =>
      sizesOf(p, 9, on.length > 1 && i === 0).slice(d.cover === 'tape' && d.opening === 'slot' ? 1 : 0),
    ),
    dimension(
      [-lidW / 2, lidH / 2],
      [lidW / 2, lidH / 2],
      [0, 9],
      d.cover === 'lid' || d.cover === 'sip hole' ? 'lid' : 'rim',
      lidW,
    ),
    ...atStep('try', pieces),
  ];
  const picture = [
    ...lid,
    ...(d.cover === 'open' ? [] : on.map((p) => openingMark(p, 'opening'))),
    ...tapeMarks(at),
  ];
  const one = kindMarks(kinds[0]!, [0, 0]);
  const [left, , , bottom] = bounds(one);
  const by: Vec2 = [bounds(picture)[2] + 6 - left, bounds(picture)[3] - bottom];
  const where = { lid: 'Lid', tape: 'Mouth', open: 'Mouth', 'sip hole': 'Lid' }[d.cover];
  return {
    scene: sceneOf(marks),
    about: `${where} of ${container.name} with ${on.length > 1 ? `its ${on.length} openings` : 'its opening'} and ${kinds.map((k) => k.name).join(', ')} beside it, to scale`,
    picture: sceneOf([...picture, ...one.map((m) => moved(m, by))], 2),
    sheets: sheets(at, on),
  };
}

/** The lid's edge to centre the openings by, the openings as they are cut; strips to cut of a sheet. */
function sheets(at: At<Dials>, on: readonly Placed[]): Sheet[] {
  const { dials: d } = at;
  const { container, kinds } = parts(at);
  const lid: Mark[] = [
    ...lidMarks(container, [0, 0], d.cover)
      .slice(0, 1)
      .map((m): Mark => ('role' in m ? { ...m, role: 'draw' } : m)),
    ...on.map((p) => openingMark(p, 'cut')),
    ...on.flatMap((p) => sizesOf(p, 7).slice(0, p.opening.kind === 'star' ? 1 : 2)),
  ];
  const strip = kinds.filter((k) => isMade(k) && k.count > 0);
  return [
    ...(d.cover === 'lid' ? [{ id: 'lid', title: `Lid of ${container.name}`, marks: lid, count: 1 }] : []),
    ...(strip.length > 0 && d.made === 'strip'
      ? [
          {
            id: 'strip',
            title: 'Strip',
            count: strip.reduce((n, k) => n + k.count, 0),
            marks: [
              rectangle('cut', [0, 0], [d.stripLength, d.stripWidth], { corner: 3 }),
              dimension(
                [-d.stripLength / 2, d.stripWidth / 2],
                [d.stripLength / 2, d.stripWidth / 2],
                [0, 6],
              ),
            ],
          },
        ]
      : []),
  ];
}
