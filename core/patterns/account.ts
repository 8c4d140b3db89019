import { hazardsNamed } from '../catalogue/hazardNames.ts';
import type { Shape } from '../geometry/shape.ts';
import { atLeast, extentsOf, shapeOf, type Material } from '../materials/material.ts';
import type { Feature, Held } from './feature.ts';
import type { Chosen, Cut, Need, Plan, Use } from './kernel.ts';
import { bagFeatures, hollowFeature, isWashed } from './making.ts';
import type { Reach, Reaches } from './reach.ts';

/** A line of the bill as the account sees it. */
interface Line {
  readonly key: string;
  readonly role: string;
  readonly use: Use;
  readonly material: Material;
  readonly name: string;
  readonly quantity: number;
  readonly cut: Cut | null;
}

function linesOf({ needs, cuts }: Pick<Plan, 'needs' | 'cuts'>, chosen: Chosen): Line[] {
  const all = new Map(
    Object.values(chosen)
      .flat()
      .map((m) => [m.id, m] as const),
  );
  const line = (x: Need | Cut, own: Pick<Line, 'key' | 'name' | 'quantity' | 'cut'>): Line[] => {
    const material = all.get(x.materialId);
    return material ? [{ role: x.role, use: x.use, material, ...own }] : [];
  };
  return [
    ...needs.flatMap((n) => line(n, { key: n.role, name: n.name, quantity: n.quantity, cut: null })),
    ...cuts.flatMap((c) => line(c, { key: c.id, name: c.label, quantity: c.count, cut: c })),
  ];
}

/** A part as it is cut, by the smallest that was measured of what it is cut from; null for a cord. */
function cutShape(cut: Cut, m: Material): Shape | null {
  const { wall = 0.3, diameter, width, height } = atLeast(m).sizes;
  if (cut.kind === 'outline')
    return { kind: 'sheet', outline: cut.outline.map(([x, y]) => [x, y]), thickness: wall };
  if (m.form === 'cord') return null;
  if (diameter !== undefined) return { kind: 'cylinder', diameter, length: cut.length };
  return { kind: 'box', length: cut.length, width: width ?? wall, height: height ?? wall };
}

/** What has no shape of its own but lies flat by its sizes: a sticker, a pouch. */
function flatShape(m: Material): Shape | null {
  const { length, width, wall = 0.1 } = m.sizes;
  return m.form === 'consumable' && length !== undefined && width !== undefined
    ? { kind: 'box', length, width, height: wall }
    : null;
}

const isLimp = (m: Material): boolean => m.form === 'sheet' && m.materialClass === 'fabric';

/** How a line reaches a child where the pattern says nothing of it; null where that cannot be told. */
function usually({ use, material: m, quantity, cut }: Line): Reach | null {
  if (use === 'consumable') {
    if (m.materialClass === 'glue') return { as: 'nobody', why: 'it dries in what it holds' };
    if (m.materialClass === 'tape') return { as: 'nobody', why: 'it stays where it holds something' };
    if (m.materialClass === 'paint') return { as: 'nobody', why: 'it dries on what is painted' };
    return null;
  }
  if (use === 'filler') return null;
  if (m.form === 'cord')
    return {
      as: 'cord',
      // What is in the kit decides, not what the design needs of it.
      free: cut?.kind === 'length' ? cut.length : m.unit === 'mm' ? quantity : (m.sizes.length ?? quantity),
    };
  if (use === 'package') return { as: 'body' };
  // Cloth that is handled is drawn, wound and tied: its length counts.
  if (use === 'piece' && isLimp(m) && !cut)
    return { as: 'cord', free: Math.max(m.sizes.length ?? 0, m.sizes.width ?? 0) };
  if (cut) return use === 'piece' ? { as: 'loose' } : { as: 'body' };
  if (m.form === 'consumable') return flatShape(m) ? { as: 'loose' } : null;
  return use === 'part' ? { as: 'body' } : { as: 'loose' };
}

/** From this length on nothing goes in the test cylinder: the longest rod is √(57.1² + 31.7²) = 65.3, mm. */
const TOO_LONG = 65.4;
/** A ball is about as thick as it is long: a shell or a grain of rice is none (common practice). */
const ROUND = 0.7;

export const isBall = (shape: Shape): boolean => {
  if (shape.kind !== 'sphere' && shape.kind !== 'ellipsoid') return false;
  const [long, , short] = extentsOf(shape);
  return short >= ROUND * long;
};

const asFixed = (held: Held): string => `fixed on (${held})`;

/** What a line tells, by how it reaches a child. */
function told(line: Line, reach: Reach | null): { how: string | null; features: Feature[] } {
  const { material: m, cut } = line;
  if (!reach) return { how: null, features: [] };
  const count = ('count' in reach && reach.count) || line.quantity;
  const name = ('name' in reach && reach.name) || (cut ? cut.label : m.name);
  const shape =
    ('shape' in reach && reach.shape) || (cut ? cutShape(cut, m) : (shapeOf(atLeast(m)) ?? flatShape(m)));
  const give: Feature[] = m.give > 0 && shape ? [{ kind: 'give', name, share: m.give }] : [];
  switch (reach.as) {
    case 'nobody':
      return { how: `reaches nobody: ${reach.why}`, features: [] };
    case 'told':
      return { how: reach.how, features: [] };
    case 'food':
      return { how: 'eaten or handled as food', features: [] };
    case 'cord':
      return {
        how: 'a cord',
        features: [
          {
            kind: 'cord',
            name,
            free: Math.round(reach.free),
            loop: reach.loop ?? 0,
            ...(reach.knots ? { knots: reach.knots } : {}),
            ...(reach.carries ? { carries: true } : {}),
          },
        ],
      };
    case 'closed in':
      return shape
        ? {
            how: `closed in behind ${reach.seal}`,
            features: [{ kind: 'filler', name, shape, count, ball: isBall(shape), seal: reach.seal }],
          }
        : { how: null, features: [] };
    case 'fixed':
      return shape
        ? {
            how: asFixed(reach.held),
            features: count > 0 ? [{ kind: 'attached', name, shape, count, held: reach.held }] : [],
          }
        : { how: null, features: [] };
    case 'loose':
      if (!shape) return { how: null, features: [] };
      return {
        how: 'loose',
        features: [{ kind: 'piece', name, shape, count, ball: isBall(shape) }, ...give],
      };
    case 'body': {
      const hollow = reach.closed || cut ? [] : hollowFeature(m);
      const bag = line.use === 'package' ? bagFeatures([m]) : [];
      if (bag.length > 0) return { how: 'a bag', features: bag };
      if (!shape) return { how: null, features: [] };
      if (extentsOf(shape)[0] > TOO_LONG && m.give === 0)
        return { how: 'handled; too long for the test cylinder', features: hollow };
      return {
        how: 'handled, and loose where it comes off',
        features: [{ kind: 'piece', name, shape, count, ball: isBall(shape) }, ...give, ...hollow],
      };
    }
  }
}

/** Hazards that a material has whether or not the design uses it as it is set: who makes it has it at hand. */
const EVER: readonly string[] = [
  'magnet',
  'battery',
  'button cell',
  'coin',
  'marble',
  'bead',
  'balloon',
  'swells in water',
  'choking form',
  'toxic',
  'glass',
];

/** Whether a bead by its name is one by its size, too. */
const isSmallBead = (m: Material): boolean => {
  const shape = shapeOf(atLeast(m));
  return shape === null || extentsOf(shape)[1] <= 44.5;
};

/** What a material brings with it in whatever role it is taken: hazards that were ticked, and those its name tells. */
function hazardsOf(m: Material, use: 'used' | 'used up' | 'not used'): Feature[] {
  const counts = (hazard: string): boolean =>
    use === 'used' ||
    EVER.includes(hazard) ||
    (use === 'used up' && hazard !== 'sharp edge' && hazard !== 'splinters');
  const named = hazardsNamed(m);
  const is = [...new Set([...m.hazards, ...named.filter((n) => !n.isNear).map((n) => n.hazard)])].filter(
    (h) => counts(h) && (h !== 'bead' || isSmallBead(m)),
  );
  const isGlass = m.materialClass === 'glass' || is.includes('glass');
  return [
    ...is
      .filter((h) => h !== 'allergen' && h !== 'sheds' && h !== 'glass')
      .map(
        (hazard) =>
          ({ kind: 'hazard', name: m.name, hazard, flux: m.risks?.flux, door: m.risks?.door }) as const,
      ),
    ...(is.includes('sheds') ? [{ kind: 'sheds', name: m.name } as const] : []),
    ...(isGlass ? [{ kind: 'glass', name: m.name, cut: false } as const] : []),
    ...named
      .filter((n) => n.isNear && use === 'used')
      .map((n) => ({ kind: 'likeness', name: m.name, like: n.name, hazard: n.hazard }) as const),
    ...(m.materialClass === 'plant' || m.materialClass === 'wood' || m.materialClass === 'food'
      ? [{ kind: 'plant', name: m.name, as: m.materialClass } as const]
      : []),
  ];
}

/** What a material may carry, where somebody touches or eats it. */
const allergensOf = (m: Material): Feature[] => {
  const of: string[] = [...(m.allergens ?? [])];
  if (m.hazards.includes('allergen') && of.length === 0) of.push('a common allergen');
  return of.length > 0 ? [{ kind: 'allergen', name: m.name, of }] : [];
};

/**
 * The account of what reaches a child: every line of the bill, every part that is cut, what is left over of it and the
 * package, each with how it does, and with what its material brings. The bill is the list: what a design does not say how
 * it holds is told as not judged.
 *
 * @param reaches what the pattern says of its lines, by role or by the id of a cut
 * @returns features for the check; one of kind `line` for every line
 */
export function accountOf(o: {
  readonly plan: Pick<Plan, 'needs' | 'cuts'>;
  readonly chosen: Chosen;
  readonly reaches: Reaches;
}): Feature[] {
  const { plan, chosen, reaches } = o;
  const lines = linesOf(plan, chosen);
  const features: Feature[] = [];
  const used = new Map<number, 'used' | 'used up'>();
  const washed = new Map<string, boolean>();
  for (const line of lines) {
    const said = reaches[line.key] ?? reaches[line.role];
    const reach = (typeof said === 'function' ? said(line.material, line.quantity) : said) ?? usually(line);
    const found = told(line, reach);
    const { material: m } = line;
    features.push({ kind: 'line', name: line.name, how: found.how }, ...found.features);
    if (line.use === 'tool') features.push({ kind: 'tool', name: m.name });
    if (line.cut && m.form !== 'cord')
      features.push({
        kind: 'line',
        name: `Off-cuts of ${m.name}`,
        how: 'reaches nobody: who makes it sweeps them up',
      });
    const isUp = reach?.as === 'nobody';
    if (!isUp) used.set(m.id, 'used');
    else if (!used.has(m.id)) used.set(m.id, 'used up');
    // Under film a card is wiped.
    if (!isUp) washed.set(m.name, isWashed(m) || (reach !== null && 'film' in reach && reach.film === true));
  }
  const seen = new Set<string>();
  for (const m of Object.values(chosen).flat()) {
    const use = used.get(m.id) ?? 'not used';
    const isCut = plan.cuts.some((c) => c.materialId === m.id);
    for (const f of hazardsOf(m, use)) {
      const of = f.kind === 'glass' ? { ...f, cut: isCut } : f;
      const key = JSON.stringify(of);
      if (!seen.has(key)) features.push(of);
      seen.add(key);
    }
    if (use === 'used') features.push(...allergensOf(m));
  }
  for (const [name, washable] of washed) features.push({ kind: 'surface', name, washable });
  return features;
}

/** What a kit of several designs is packed into, accounted for like the package of one. */
export const packageAccount = (materials: readonly Material[]): Feature[] =>
  accountOf({
    plan: {
      needs: materials.map((m) => ({
        role: 'container',
        use: 'package',
        materialId: m.id,
        name: m.name,
        quantity: 1,
        unit: 'each',
        counted: true,
      })),
      cuts: [],
    },
    chosen: { container: materials },
    reaches: {},
  });
