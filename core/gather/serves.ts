import { skillsOf, when, type Act } from '../patterns/acts.ts';
import type { Skill } from '../patterns/kernel.ts';
import { isLace, isPage, isRim, isStick, isToken } from '../patterns/serves.ts';
import { extentsOf, hasTrait, shapeOf, type Material, type MaterialInput } from '../materials/material.ts';

type Kind = Pick<
  MaterialInput,
  'form' | 'solid' | 'sizes' | 'give' | 'materialClass' | 'traits' | 'mass' | 'hazards'
>;

/** The age whose hand is meant where nobody is named, months. */
const SOMEBODY = 36;
/** What no child is given to handle. */
const NO_TOY: MaterialInput['hazards'] = ['battery', 'button cell', 'toxic'];
/** What is turned in the fingers is at most so long, mm (common practice). */
const TURNED = 45;

/**
 * What a hand does with a material in what it usually serves for (common practice): a token is picked up and let go, and
 * turned where it is small and no ball; a peg or tongs are squeezed; a lace is threaded, with the card in the other hand,
 * and drawn out to the arm's length; a rim is held while the other hand pegs; a page is filled from side to side.
 */
function actsWith(m: Material): Act[] {
  const isTool = hasTrait(m, 'clips on a rim') || hasTrait(m, 'grips when squeezed');
  const token = isToken(m, SOMEBODY);
  const shape = shapeOf(m);
  const small = shape !== null && extentsOf(shape)[0] <= TURNED && shape.kind !== 'sphere';
  return when({
    'picks up': token,
    'lets go': token,
    'turns in the fingers': token && small,
    squeezes: isTool,
    'other hand holds':
      isLace(m, SOMEBODY) || (m.form !== 'sheet' && m.form !== 'consumable' && isRim(m, SOMEBODY)),
    'both at once': isStick(m, SOMEBODY) && !isTool,
    'reaches across': isLace(m, SOMEBODY) || isPage(m, SOMEBODY),
  });
}

/** Which skills a material can serve: what a hand does with it, never how soft or how long it is by itself. */
export const skillsServed = (m: Kind): Skill[] =>
  m.hazards.some((h) => NO_TOY.includes(h)) ? [] : skillsOf(actsWith(m as Material));

/**
 * Least round hole a rigid convex solid goes straight through, mm: the least circle round its least shadow. A soft piece
 * gives by its share. null for what has no shape of its own.
 */
export function leastHole(m: Pick<MaterialInput, 'form' | 'solid' | 'sizes' | 'give'>): number | null {
  const shape = shapeOf(m as MaterialInput);
  if (!shape) return m.form === 'cord' ? (m.sizes.diameter ?? null) : null;
  const least = ((): number => {
    switch (shape.kind) {
      case 'sphere':
      case 'cylinder':
        return shape.diameter;
      case 'cone':
        return shape.baseDiameter;
      case 'ellipsoid':
        return extentsOf(shape)[1];
      default: {
        const [, b, c] = extentsOf(shape);
        return Math.hypot(b, c);
      }
    }
  })();
  return least * (1 - m.give);
}
