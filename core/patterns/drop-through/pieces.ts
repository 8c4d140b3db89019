import { scaled, type Shape } from '../../geometry/shape.ts';
import { extentsOf, lidOf, shapeOf, type Material } from '../../materials/material.ts';
import { allTaken, PatternError, taken, type At } from '../kernel.ts';
import { sharedKinds } from '../making.ts';
import { RIM, ROLES, type Dials } from './dials.ts';
import { text } from './words.ts';

/** A kind of piece as it is posted. Lengths in mm. */
export interface Kind {
  readonly material: Material;
  readonly name: string;
  readonly solid: Shape;
  /** As large as it is when it is pushed: a soft one gives. */
  readonly pushed: Shape;
  readonly longest: number;
  readonly shortest: number;
  /** As thick as it is long, with no corners that stand out of a hole. */
  readonly isRound: boolean;
  /** How many of it a kit has. */
  readonly count: number;
}

/** Share of a rolled ball that is paper, the rest is air (hand trials; common practice). */
const ROLLED = 0.5;

/** Diameter of the ball that a square of paper is rolled to, mm. */
export const rolledBall = (side: number, thickness: number): number =>
  Math.cbrt((6 * side ** 2 * thickness) / (Math.PI * ROLLED));

const isSheet = (m: Material): boolean => m.form === 'sheet';

function solidOf(m: Material, d: Pick<Dials, 'made' | 'stripLength' | 'stripWidth'>): Shape | null {
  if (!isSheet(m)) return shapeOf(m);
  const thickness = m.sizes.wall ?? 0.3;
  return d.made === 'rolled'
    ? { kind: 'sphere', diameter: rolledBall(d.stripLength, thickness) }
    : { kind: 'box', length: d.stripLength, width: d.stripWidth, height: thickness };
}

/** Lid inside the rim that must stay, along and across, mm. */
export interface Room {
  readonly along: number;
  readonly across: number;
  readonly round: boolean;
}

/** The kinds there are, with those of which a kit has none. */
export function kindsOf(at: Pick<At<Dials>, 'dials' | 'chosen' | 'language'>): Kind[] {
  const { dials: d, chosen } = at;
  const all = allTaken(chosen, ROLES.piece);
  const counts = new Map(sharedKinds(all, d.pieces).map((k) => [k.material, k.count]));
  return all.map((material) => {
    const solid = solidOf(material, d);
    if (!solid) throw new PatternError('materials.piece', `${material.name} has no solid shape to post`);
    const [longest, , shortest] = extentsOf(solid).map((x) => x * (1 - material.give)) as [
      number,
      number,
      number,
    ];
    return {
      material,
      name: isSheet(material)
        ? text(at, d.made === 'rolled' ? 'rolledFrom' : 'stripOf', { material: material.name.toLowerCase() })
        : material.name,
      solid,
      pushed: scaled(solid, 1 - material.give),
      longest,
      shortest,
      isRound: shortest > 0.8 * longest && solid.kind !== 'box',
      count: counts.get(material) ?? 0,
    };
  });
}

export const isMade = (k: Kind): boolean => isSheet(k.material);

/** Container and kinds of piece, with what they are to each other. */
export function parts(at: Pick<At<Dials>, 'dials' | 'chosen'>) {
  const container = taken(at.chosen, ROLES.container);
  const kinds = kindsOf(at);
  const lid = lidOf(container);
  const wall = container.sizes.wall ?? 0;
  const mouth: Room = { along: lid.along - 2 * wall, across: lid.across - 2 * wall, round: lid.round };
  const isCut = at.dials.cover === 'lid' || at.dials.cover === 'sip hole';
  const room: Room = isCut
    ? { along: lid.along - 2 * RIM, across: lid.across - 2 * RIM, round: lid.round }
    : mouth;
  if (Math.min(room.along, room.across) <= 0)
    throw new PatternError(
      'materials.container',
      `the mouth of ${container.name} is too small${isCut ? ` to cut: expected more than ${2 * RIM} mm` : ''}`,
    );
  const [first] = kinds;
  const [tape] = at.chosen[ROLES.edge.id] ?? [];
  return { container, kinds, first: first!, room, mouth, tape };
}
