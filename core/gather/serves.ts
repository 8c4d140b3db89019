import { SKILLS, type Skill } from '../patterns/kernel.ts';
import { extentsOf, hasTrait, shapeOf, type MaterialInput } from '../materials/material.ts';

type Kind = Pick<MaterialInput, 'form' | 'solid' | 'sizes' | 'give' | 'materialClass' | 'traits'>;

/**
 * Which skills a material can serve, from its form, sizes (mm) and softness alone (common practice): what finger and thumb
 * close on is for pincer and release, what one hand must hold while the other works is for two hands, what gives or
 * springs is for strength, what rolls about in the palm is for in-hand skills, what is longer than a child's shoulders are
 * wide draws the arm across the middle.
 */
export function skillsServed(m: Kind): Skill[] {
  const shape = shapeOf(m as MaterialInput);
  const [long, , short] = shape ? extentsOf(shape) : [m.sizes.length ?? 0, 0, 0];
  const small = m.form === 'piece' || m.form === 'disc';
  const springs = hasTrait(m, 'clips on a rim') || hasTrait(m, 'grips when squeezed');
  const tests: Record<Skill, boolean> = {
    'Pincer and release': small && short <= 40 && long <= 90,
    'Two hands together': ['container', 'tube', 'cord', 'sheet'].includes(m.form) || (small && long > 60),
    'Hand strength': springs || m.give >= 0.3 || m.materialClass === 'rubber',
    'In-hand manipulation': small && long <= 45 && short >= 2,
    'Crossing the midline': long >= 200 || m.form === 'cord',
  };
  return SKILLS.filter((s) => tests[s]);
}

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
