import { ellipsePerimeter } from './ellipse.ts';

const { cos, PI, sin, sqrt } = Math;

/** What a thread is wound round, across its length; mm. */
export type Section =
  | { readonly kind: 'round'; readonly diameter: number }
  | { readonly kind: 'flat'; readonly width: number; readonly thickness: number }
  | { readonly kind: 'oval'; readonly width: number; readonly thickness: number };

export interface Web {
  readonly spokes: number;
  readonly rounds: number;
  /** From the middle to the first crossing, and from one round to the next, mm. */
  readonly firstRadius: number;
  readonly spacing: number;
  /** Turns round a spoke at each crossing. */
  readonly wraps: number;
  readonly section: Section;
  readonly course: 'rings' | 'spiral';
}

/** Length once round a stick, mm. */
export function girthOf(section: Section): number {
  switch (section.kind) {
    case 'round':
      return PI * section.diameter;
    case 'flat':
      return 2 * (section.width + section.thickness);
    case 'oval':
      return ellipsePerimeter(section.width, section.thickness);
  }
}

/** Radius of the crossings in order, mm, the last one that which closes the web. */
export function crossings({
  spokes,
  rounds,
  firstRadius,
  spacing,
}: Omit<Web, 'section' | 'wraps' | 'course'>): number[] {
  return Array.from({ length: spokes * rounds + 1 }, (_, k) => firstRadius + (spacing * k) / spokes);
}

/**
 * Thread of a web on spokes at equal angles, mm. Rings: Σ n · 2(r₀ + j s) sin(π/n). A spiral grows by s in each round:
 * its crossing k lies at r₀ + s k / n, and its last span ends at r₀ + s · rounds.
 *
 * @returns girth of a spoke, all spans, all wraps, and both together; mm
 */
export function webThread(web: Web): { girth: number; spans: number; wraps: number; total: number } {
  const { spokes: n, rounds, firstRadius, spacing } = web;
  const girth = girthOf(web.section);
  let spans = 0;
  if (web.course === 'rings')
    for (let j = 0; j < rounds; j++) spans += n * 2 * (firstRadius + j * spacing) * sin(PI / n);
  else {
    const c = cos((2 * PI) / n);
    const at = crossings(web);
    for (let k = 0; k < n * rounds; k++) {
      const [a, b] = [at[k]!, at[k + 1]!];
      spans += sqrt(a * a + b * b - 2 * a * b * c);
    }
  }
  const wraps = n * rounds * web.wraps * girth;
  return { girth, spans, wraps, total: spans + wraps };
}
