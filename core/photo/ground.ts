import type { Camera } from './camera.ts';
import { halfDiagonal } from './camera.ts';
import type { Photo } from './photo.ts';
import { CORNER, GROUND, INSET, SHEET_PAPERS, type SheetPaper } from './sheet.ts';

/** The sheet seen from straight above: cells of `step` mm, rows from the lower edge of the paper upwards. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  /** Side of a cell, mm. */
  readonly step: number;
  /** Red, green and blue of each cell. */
  readonly data: Uint8Array;
}

/** Cells of A4; a larger sheet has larger ones, since a photo of it has fewer pixels to the millimetre. */
const STEP = 0.2;

/** The photo laid onto the sheet, as if everything in it were flat. */
export function planeOf(photo: Photo, c: Camera, paper: SheetPaper): Plane {
  const sheet = SHEET_PAPERS[paper];
  const step = STEP * (paper === 'A3' ? 1.4 : 1);
  const [width, height] = [Math.floor(sheet.width / step), Math.floor(sheet.height / step)];
  const data = new Uint8Array(width * height * 3);
  const [r, t] = [c.rotation, c.shift];
  const d = halfDiagonal(c);
  const { width: pw, height: ph, data: pixels } = photo;
  for (let row = 0; row < height; row++) {
    const y = (row + 0.5) * step;
    for (let col = 0; col < width; col++) {
      const x = (col + 0.5) * step;
      const z = r[6]! * x + r[7]! * y + t[2];
      const u = (c.focal * (r[0]! * x + r[1]! * y + t[0])) / z;
      const v = (c.focal * (r[3]! * x + r[4]! * y + t[1])) / z;
      const k = d * (1 + c.bend * (u * u + v * v));
      const fx = Math.min(pw - 1.001, Math.max(0, pw / 2 + u * k - 0.5));
      const fy = Math.min(ph - 1.001, Math.max(0, ph / 2 + v * k - 0.5));
      const px = Math.floor(fx);
      const py = Math.floor(fy);
      const a = fx - px;
      const b = fy - py;
      const at = 3 * (py * pw + px);
      const below = at + 3 * pw;
      const to = 3 * (row * width + col);
      for (let i = 0; i < 3; i++)
        data[to + i] =
          (pixels[at + i]! * (1 - a) + pixels[at + i + 3]! * a) * (1 - b) +
          (pixels[below + i]! * (1 - a) + pixels[below + i + 3]! * a) * b +
          0.5;
    }
  }
  return { width, height, step, data };
}

/** Whether a place (mm) is on the ground and not on white paper, `inside` mm from its sides. */
export function isOnGround(paper: SheetPaper, x: number, y: number, inside = 0): boolean {
  const { width, height } = SHEET_PAPERS[paper];
  const [near, far] = [Math.min(x, width - x), Math.min(y, height - y)];
  return near > INSET + inside && far > INSET + inside && (near > CORNER + inside || far > CORNER + inside);
}

const LINEAR = Float64Array.from({ length: 256 }, (_, i) => {
  const v = i / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
});
const level = (linear: number): number =>
  255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055);

type Colour = [red: number, green: number, blue: number];
const PRINTED: Colour = [1, 3, 5].map((i) => LINEAR[parseInt(GROUND.slice(i, i + 2), 16)]!) as Colour;

/** The least and the most light on the ground, of what is usual in the photo: the deepest shadow, the brightest side. */
const DARKEST = 0.09;
const BRIGHTEST = 1.7;

const medianOf = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** The colour of the ground in this light, linear, from cells that are near to what was printed. */
function groundColour(plane: Plane, paper: SheetPaper): Colour | null {
  const found: [number[], number[], number[]] = [[], [], []];
  const shares: [number[], number[]] = [[], []];
  const every = 5;
  for (let row = 0; row < plane.height; row += every)
    for (let col = 0; col < plane.width; col += every) {
      if (!isOnGround(paper, (col + 0.5) * plane.step, (row + 0.5) * plane.step, 0.6)) continue;
      const at = 3 * (row * plane.width + col);
      const [r, g, b] = [0, 1, 2].map((i) => LINEAR[plane.data[at + i]!]!) as Colour;
      // Cyan by far, whatever the light's own colour.
      if (g < 2.2 * r || b < 1.7 * r || g + b < 0.02) continue;
      const hue = b / PRINTED[2] / (g / PRINTED[1]);
      if (hue < 0.45 || hue > 2.2) continue;
      found[0].push(r);
      found[1].push(g);
      found[2].push(b);
      shares[0].push(r / g);
      shares[1].push(b / g);
    }
  if (found[0].length < 200) return null;
  const g = medianOf(found[1]);
  return [g * medianOf(shares[0]), g, g * medianOf(shares[1])];
}

/** How far each cell is from the ground in any light, levels of 255 (a shadow is no distance); 0 off the ground. */
export interface Strangeness {
  readonly values: Float32Array;
  /** What it is like where there is nothing: nine in ten cells are below. */
  readonly noise: number;
}

/**
 * The ground keeps its hue from the deepest shadow to the brightest light: its colours lie on a curve. A cell is as strange as
 * it lies from that curve, in levels as pictures have them, where noise is alike from dark to light.
 */
export function strangenessOf(plane: Plane, paper: SheetPaper): Strangeness | null {
  const colour = groundColour(plane, paper);
  if (!colour) return null;
  // The curve by the sum of green and blue, which grows all along it.
  const curve = new Float32Array(3 * 511);
  const at = (light: number): Colour => colour.map((v) => level(Math.min(1, v * light))) as Colour;
  let light = DARKEST;
  for (let sum = 0; sum <= 510; sum++) {
    while (light < BRIGHTEST && at(light)[1] + at(light)[2] < sum) light *= 1.01;
    curve.set(at(light), 3 * sum);
  }
  const { width, height, data, step } = plane;
  const raw = new Float32Array(width * height);
  const line = 3 * width;
  const across = new Uint16Array(data.length);
  for (let i = 3; i < data.length - 3; i++) across[i] = data[i - 3]! + data[i]! + data[i + 3]!;
  for (let row = 0; row < height; row++)
    for (let col = 0; col < width; col++) {
      if (!isOnGround(paper, (col + 0.5) * step, (row + 0.5) * step, 0.3)) continue;
      // Over three by three cells: noise is taken out, edges are found anew later.
      const from = 3 * (row * width + col);
      const r = (across[from - line]! + across[from]! + across[from + line]!) / 9;
      const g = (across[from + 1 - line]! + across[from + 1]! + across[from + 1 + line]!) / 9;
      const b = (across[from + 2 - line]! + across[from + 2]! + across[from + 2 + line]!) / 9;
      const on = 3 * Math.round(g + b);
      const [dr, dg, db] = [r - curve[on]!, g - curve[on + 1]!, b - curve[on + 2]!];
      raw[row * width + col] = Math.sqrt(dr * dr + dg * dg + db * db);
    }
  const some: number[] = [];
  for (let i = 0; i < raw.length; i += 37) if (raw[i]! > 0) some.push(raw[i]!);
  some.sort((p, q) => p - q);
  return { values: raw, noise: some[Math.floor(some.length * 0.4)] ?? 0 };
}
