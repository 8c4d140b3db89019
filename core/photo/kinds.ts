import type { CatalogueEntry } from '../catalogue/index.ts';
import type { Material, Sizes } from '../materials/material.ts';
import type { FormName } from './forms.ts';
import type { Kind, Pose } from './nearest.ts';

type Sized = Pick<Material, 'form' | 'solid' | 'sizes'>;

const pose = (long: number, short: number, height: number, ...forms: FormName[]): Pose => ({
  long: Math.max(long, short),
  short: Math.min(long, short),
  height,
  forms,
});

/** How a thing of these sizes may lie on a table, mm; empty for what has no shape of its own, as cord or glue. */
export function posesOf({ form, solid, sizes: s }: Sized): Pose[] {
  const round = (diameter: number, height: number, open: boolean): Pose[] => [
    pose(diameter, diameter, height, 'disc', ...(open ? (['ring'] as const) : [])),
    pose(height, diameter, diameter, 'rod', 'rectangle', 'square'),
  ];
  const box = (a: number, b: number, c: number): Pose[] =>
    [
      [a, b, c],
      [a, c, b],
      [b, c, a],
    ].map(([x, y, z]) => pose(x!, y!, z!, 'rectangle', 'square', 'rod', 'other'));
  switch (form) {
    case 'piece':
      if (solid === 'ball') return [pose(s.diameter!, s.diameter!, s.diameter!, 'ball')];
      if (solid === 'egg') return [pose(s.length!, s.width!, s.height!, 'egg')];
      if (solid === 'rod') return round(s.diameter!, s.length!, false);
      if (solid === 'cone') return [pose(s.diameter!, s.diameter!, s.height!, 'disc', 'ball')];
      return box(s.length!, s.width!, s.height!);
    case 'disc':
      return [pose(s.diameter!, s.diameter!, s.height!, 'disc', 'ring')];
    case 'sheet':
      return [pose(s.length!, s.width!, s.wall!, 'rectangle', 'square', 'triangle', 'other')];
    case 'tube':
      return round(s.diameter!, s.length!, true);
    case 'container':
      return s.diameter === undefined
        ? box(s.length!, s.width!, s.height!)
        : round(s.diameter, s.height!, true);
    default:
      return [];
  }
}

/** What is on the shelf, as it may lie there: with the middle of the sizes that were measured. */
export function shelfKinds(materials: readonly Material[]): Kind[] {
  return materials.flatMap((m) => {
    const sizes = m.measured
      ? Object.fromEntries(
          Object.entries({ ...m.sizes, ...m.measured.most }).map(([k, most]) => {
            const least = m.measured!.least[k as keyof typeof m.sizes];
            return [k, least === undefined ? most : (most + least) / 2];
          }),
        )
      : m.sizes;
    const poses = posesOf({ ...m, sizes });
    return poses.length > 0
      ? [{ material: m.id, catalogue: null, name: m.name, poses, colour: m.colour }]
      : [];
  });
}

/** Kinds of the catalogue that are not on the shelf; their colour says nothing, since they come in all. */
export function catalogueKinds(entries: readonly CatalogueEntry[], shelf: readonly Material[]): Kind[] {
  const there = new Set(shelf.map((m) => m.catalogue));
  return entries.flatMap((e) => {
    const poses = there.has(e.key) ? [] : posesOf(e);
    return poses.length > 0 ? [{ material: null, catalogue: e.key, name: e.name, poses, colour: null }] : [];
  });
}

/**
 * The sizes of a material as it was measured lying as it mostly does, mm; empty where it lay another way. A height that only
 * follows from the kind is no measure.
 */
export function sizesSeen(
  material: Sized,
  { long, short, height }: { readonly long: number; readonly short: number; readonly height: number | null },
): Sizes {
  const [lying] = posesOf(material);
  const near = (a: number, b: number): boolean => Math.abs(a - b) <= Math.max(2, 0.15 * b);
  const whole = (v: number): number => Math.round(v * 10) / 10;
  const stands = height === null ? {} : { height: whole(height) };
  const { form, solid } = material;
  const isLong = form === 'tube' || (form === 'piece' && solid === 'rod');
  // A tube lies on its side; what is drawn first of it stands.
  const flat = isLong ? posesOf(material)[1] : lying;
  if (!flat || !near(long, flat.long) || !near(short, flat.short)) return {};
  if (isLong) return { length: whole(long), diameter: whole(short) };
  const round = (long + short) / 2;
  if (form === 'disc' || (form === 'container' && material.sizes.diameter !== undefined))
    return { diameter: whole(round), ...stands };
  if (form === 'piece' && (solid === 'ball' || solid === 'cone')) return { diameter: whole(round) };
  return { length: whole(long), width: whole(short), ...(form === 'sheet' ? {} : stands) };
}
