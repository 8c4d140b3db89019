import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { volume } from '../../geometry/shape.ts';

const { cos, floor, max, min, PI, sin, sqrt } = Math;

/** A mouth cut into something hollow; mm and mm³. */
export interface Mouth {
  readonly across: number;
  /** Once round it, along the slit. */
  readonly girth: number;
  readonly slit: number;
  readonly crossed: boolean;
  readonly inside: number;
  /** Longest straight thing that lies inside. */
  readonly longest: number;
}

/** A longer slit lets the ball fold shut on itself, as a share of its girth (common practice). */
const FOLDS = 1 / 3;
export const longestSlit = (m: Pick<Mouth, 'girth'>): number => m.girth * FOLDS;

/** A hand brings the corners of the mouth together to so much of the slit's length (common practice). */
const SQUEEZED = 0.8;
/** Of the inside, what loose pieces fill before no more goes in; and packets that fold (common practice). */
const FILLS = 0.5;
const FOLDED_FILLS = 1 / 3;
/** A second slit lets four corners open: the mouth stands open wider by this (common practice). */
const CROSSED = 1.4;

/** The squeezed mouth: two arcs as long as the slit, their ends a chord apart; mm. */
export interface Lens {
  readonly chord: number;
  readonly opening: number;
  readonly radius: number;
}

/** Half the angle of an arc whose chord is so much of its length, by Newton's method. */
function halfAngle(share: number): number {
  let a = sqrt(6 * (1 - share));
  for (let i = 0; i < 20; i++) a -= (sin(a) - share * a) / (cos(a) - share);
  return a;
}
const HALF = halfAngle(SQUEEZED);

export function lensOf({ slit, crossed }: Pick<Mouth, 'slit' | 'crossed'>): Lens {
  const radius = slit / (2 * HALF);
  return {
    chord: SQUEEZED * slit,
    opening: 2 * radius * (1 - cos(HALF)) * (crossed ? CROSSED : 1),
    radius,
  };
}

/** Cloth and paper go in by the bunch, however much or little they give when they are pressed flat. */
const isBunched = (m: Material): boolean =>
  m.form === 'sheet' && (m.materialClass === 'fabric' || m.materialClass === 'paper');

/** Across the thing as it goes in, its longest way first, mm: width and thickness, less what it gives. */
function sectionOf(m: Material): { width: number; thick: number; long: number; round: boolean } {
  const shape = shapeOf(m)!;
  const [long, width, thick] = extentsOf(shape);
  const soft = 1 - m.give;
  const round = shape.kind === 'sphere' || (shape.kind === 'cylinder' && shape.length >= shape.diameter);
  if (shape.kind === 'cylinder' && !round)
    return { width: shape.diameter * soft, thick: shape.length * soft, long: shape.diameter, round };
  // A cloth is bunched: it is as thick all round as its own area drawn together.
  if (isBunched(m)) {
    const bunch = sqrt((4 * width * thick) / PI);
    return { width: bunch, thick: bunch, long, round: true };
  }
  return { width: width * soft, thick: thick * soft, long, round };
}

/** Length round a thing as it goes in, mm. */
export const girthOfItem = (m: Material): number => {
  const { width, thick, round } = sectionOf(m);
  return round ? PI * width : 2 * (width + thick);
};

export interface Loop {
  readonly girth: number;
  /** Room left over it in the squeezed mouth, mm: under 0 it does not go in. */
  readonly spare: number;
  readonly goesIn: boolean;
  readonly fullAfter: number;
  readonly folds: boolean;
}

/** Half the height of a lens beside its middle, mm; past its corner how far past, under 0. */
const heightAt = (lens: Lens, x: number): number => {
  const plain = 2 * lens.radius * (1 - cos(HALF));
  const k = plain > 0 ? lens.opening / plain : 1;
  return x >= lens.chord / 2
    ? lens.chord / 2 - x
    : k * (sqrt(max(0, lens.radius ** 2 - x * x)) - lens.radius * cos(HALF));
};

/**
 * Whether something goes through a slit, and how many go in until it is full. A slit of length L opens to a loop of 2 L, so
 * a girth of more does not go in. What is rigid must also go through the squeezed mouth, taken as a lens of two arcs each
 * as long as the slit, its corners brought together to four fifths of it; its section upright in the middle. The room is the lesser of
 * the two, so that a longer slit never has less.
 */
export function loopOf(m: Material, mouth: Mouth): Loop {
  const lens = lensOf(mouth);
  const { width, thick, long, round } = sectionOf(m);
  const girth = girthOfItem(m);
  const rigid = m.give === 0 && !isBunched(m);
  const loop = (2 * mouth.slit - girth) / 2;
  const inLens = round ? lens.opening - width : 2 * heightAt(lens, width / 2) - thick;
  const spare = rigid ? min(loop, inLens) : loop;
  const folds = !rigid && long > mouth.longest;
  const room = mouth.inside * (folds ? FOLDED_FILLS : FILLS);
  const fits = folds || long <= mouth.longest;
  return {
    girth,
    spare,
    goesIn: spare >= 0,
    fullAfter: fits ? floor(room / volume(shapeOf(m)!) + 1e-9) : 0,
    folds,
  };
}

/** The shortest slit that lets it in, to half a millimetre; null where none up to the longest does. */
export function shortestSlit(m: Material, mouth: Mouth): number | null {
  for (let slit = 10; slit <= longestSlit(mouth); slit += 0.5)
    if (loopOf(m, { ...mouth, slit }).goesIn) return slit;
  return null;
}

/** How far apart the ends of a slit are seen from the front of a ball, mm. */
export const seenLength = (slit: number, across: number): number => across * sin(min(PI / 2, slit / across));
