import type { Look } from '../gather/lookOver.ts';
import { formatLength, type LengthUnit } from '../measure/length.ts';
import { extentsOf, shapeOf, type Material } from '../materials/material.ts';
import { scaled } from '../geometry/shape.ts';
import type { Opening } from '../passage/opening.ts';
import { passage } from '../passage/passage.ts';
import type { Verdict } from '../patterns/kernel.ts';
import type { PackingRequest } from './problem.ts';

export interface KitPart {
  readonly material: Material;
  readonly count: number;
}
export interface ContainerCheck {
  readonly id: 'closes' | 'front' | 'gap' | 'opening' | 'deep';
  readonly title: string;
  readonly verdict: Verdict;
  readonly words: string;
}

/**
 * Inside of a container as a box, mm: its outside less the walls; of a round one the square that fits into its mouth, so
 * that a yes is a yes and a no proves nothing.
 */
export function insideOf(container: Material): {
  length: number;
  width: number;
  height: number;
  round: boolean;
} {
  const { sizes } = container;
  const wall = sizes.wall ?? 0;
  const height = Math.max(0, sizes.height! - wall);
  if (sizes.diameter === undefined)
    return {
      length: Math.max(0, sizes.length! - 2 * wall),
      width: Math.max(0, sizes.width! - 2 * wall),
      height,
      round: false,
    };
  const side = Math.floor((10 * Math.max(0, sizes.diameter - 2 * wall)) / Math.SQRT2) / 10;
  return { length: side, width: side, height, round: true };
}

/** The packing question of a kit in a container: every part as the box round it; soft parts give by their share. */
export function packingOf(container: Material, parts: readonly KitPart[]): PackingRequest | null {
  const { length, width, height } = insideOf(container);
  if (Math.min(length, width, height) <= 0) return null;
  const items = parts.flatMap(({ material, count }) => {
    const shape = shapeOf(material);
    if (!shape || count < 1) return [];
    const [l, w, h] = extentsOf(shape).map((x) => Math.max(0.01, x * (1 - material.give)));
    return [{ id: material.name, length: l!, width: w!, height: h!, count }];
  });
  const all = items.reduce((n, i) => n + i.count, 0);
  return items.length === 0 || all > 200 ? null : { container: { length, width, height }, items };
}

/**
 * Does it close, is the front clear, does anything fall out through its largest gap or through an opening that the design
 * cuts into it, is it deep enough: from what was seen when the container was looked over, and from the passage
 * computation. `look` is null when nobody looked.
 *
 * @param options.openings what the design cuts into this container, mm
 */
export function checkContainer(options: {
  container: Material;
  parts: readonly KitPart[];
  look: Look | null;
  unit: LengthUnit;
  openings?: readonly Opening[];
}): ContainerCheck[] {
  const { container, parts, look, unit, openings = [] } = options;
  const { height } = insideOf(container);
  const solids = parts.flatMap((p) => {
    const shape = shapeOf(p.material);
    return shape ? [{ name: p.material.name, shape, give: p.material.give }] : [];
  });
  const gap = look?.gap ?? 0;
  const falls =
    gap > 0
      ? solids.filter(
          (s) =>
            passage({ piece: s.shape, opening: { kind: 'round', diameter: gap / Math.max(0.4, 1 - s.give) } })
              .passes,
        )
      : [];
  const comesOut = solids.filter((s) =>
    openings.some((opening) => passage({ piece: scaled(s.shape, 1 - s.give), opening }).passes),
  );
  const opening: ContainerCheck[] =
    openings.length === 0
      ? []
      : [
          {
            id: 'opening',
            title: 'Does anything come out through the cut opening?',
            verdict: comesOut.length > 0 ? 'care' : 'clear',
            words:
              comesOut.length > 0
                ? `${comesOut.map((f) => f.name).join(' and ')} can come out the way it goes in: put the container in a bag, or tape the opening over on the way.`
                : 'Nothing of the kit comes out through it.',
          },
        ];
  const tall = solids
    .map((s) => ({ name: s.name, least: extentsOf(s.shape)[2] * (1 - s.give) }))
    .sort((a, b) => b.least - a.least)[0];
  const closes: ContainerCheck = !look
    ? {
        id: 'closes',
        title: 'Does it close?',
        verdict: 'care',
        words: 'Nobody has looked it over yet: try the lid.',
      }
    : look.closes === 'yes'
      ? { id: 'closes', title: 'Does it close?', verdict: 'clear', words: 'It closes.' }
      : {
          id: 'closes',
          title: 'Does it close?',
          verdict: look.closes === 'no' ? 'stop' : 'care',
          words:
            look.closes === 'no'
              ? 'The lid does not close: the kit falls out on the way.'
              : 'It has no lid: bag it, or tie a cloth over it.',
        };
  const front: ContainerCheck = {
    id: 'front',
    title: 'Is the front clear?',
    verdict: !look || look.front === 'printed' ? 'care' : 'clear',
    words: !look
      ? 'Nobody has looked it over yet.'
      : look.front === 'see-through'
        ? 'See-through: a child sees what is inside.'
        : look.front === 'plain'
          ? 'Plain: room for the label and a picture of what is inside.'
          : 'Printed: cover it, or the print says something else than the label.',
  };
  return [
    closes,
    front,
    {
      id: 'gap',
      title: 'Does anything fall out?',
      verdict: falls.length > 0 ? 'stop' : look ? 'clear' : 'care',
      words:
        falls.length > 0
          ? `${falls.map((f) => f.name).join(' and ')} would go through its gap of ${formatLength(gap, unit)}: tape it over.`
          : !look
            ? 'Nobody has looked for gaps yet.'
            : gap > 0
              ? `Nothing of the kit goes through its gap of ${formatLength(gap, unit)}.`
              : 'No hole or gap was found.',
    },
    ...opening,
    {
      id: 'deep',
      title: 'Is it deep enough?',
      verdict: tall && tall.least > height ? 'stop' : 'clear',
      words: tall
        ? `${formatLength(height, unit)} deep inside; lying flat the ${tall.name.toLowerCase()} needs ${formatLength(tall.least, unit)}.`
        : `${formatLength(height, unit)} deep inside.`,
    },
  ];
}
