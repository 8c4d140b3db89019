import svgpath from 'svgpath';
import type { Vec2 } from '../geometry/vector.ts';
import { PatternError } from '../patterns/kernel.ts';
import { signedArea } from './outline.ts';

/** Steps a curve is flattened into: a quarter circle of 100 mm is then within 0.05 mm of its chords. */
const STEPS = 16;

/**
 * The largest closed line of an SVG path as points, its curves and arcs flattened, in the path's own unit.
 *
 * @param transform as the SVG attribute has it
 * @throws PatternError when the path cannot be read or encloses nothing
 */
export function pathPoints(d: string, transform = ''): Vec2[] {
  const bad = (why: string): PatternError => new PatternError('outline', `the path ${why}`);
  // Read once, transformed, all commands absolute, arcs as curves.
  const path = svgpath(d).transform(transform).abs().unshort().unarc() as ReturnType<typeof svgpath> & {
    err?: string;
  };
  if (path.err) throw bad(`could not be read (${path.err})`);
  const contours: Vec2[][] = [];
  let now: Vec2[] = [];
  path.iterate((segment, _, x, y) => {
    const [command, ...v] = segment as unknown as [string, ...number[]];
    if (!v.every(Number.isFinite)) throw bad('holds a number that is too large');
    const curve = (at: (t: number) => Vec2): void => {
      for (let i = 1; i <= STEPS; i++) now.push(at(i / STEPS));
    };
    switch (command) {
      case 'M':
        now = [[v[0]!, v[1]!]];
        contours.push(now);
        break;
      case 'L':
        now.push([v[0]!, v[1]!]);
        break;
      case 'H':
        now.push([v[0]!, y]);
        break;
      case 'V':
        now.push([x, v[0]!]);
        break;
      case 'Q':
        curve((t) => {
          const s = 1 - t;
          return [
            s * s * x + 2 * s * t * v[0]! + t * t * v[2]!,
            s * s * y + 2 * s * t * v[1]! + t * t * v[3]!,
          ];
        });
        break;
      case 'C':
        curve((t) => {
          const s = 1 - t;
          const of = (a: number, b: number, c: number, e: number): number =>
            s ** 3 * a + 3 * s * s * t * b + 3 * s * t * t * c + t ** 3 * e;
          return [of(x, v[0]!, v[2]!, v[4]!), of(y, v[1]!, v[3]!, v[5]!)];
        });
        break;
    }
  });
  const tidy = contours.map((c) =>
    c.filter((p, i) => {
      const q = c[(i + 1) % c.length]!;
      return Math.hypot(p[0] - q[0], p[1] - q[1]) > 1e-9;
    }),
  );
  const largest = tidy
    .filter((c) => c.length >= 3)
    .reduce<Vec2[] | null>((a, b) => (a && Math.abs(signedArea(a)) >= Math.abs(signedArea(b)) ? a : b), null);
  if (!largest || Math.abs(signedArea(largest)) < 1e-9) throw bad('encloses nothing');
  return largest;
}

/** At most so many points, evenly thinned where the curves gave more. */
export function thinned(points: readonly Vec2[], most = 400): Vec2[] {
  if (points.length <= most) return [...points];
  return Array.from({ length: most }, (_, i) => points[Math.floor((i * points.length) / most)]!);
}
