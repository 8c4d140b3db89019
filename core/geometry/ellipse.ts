const { max, min, PI, sqrt } = Math;

/**
 * Length round an ellipse, mm, from its two full axes: the complete elliptic integral of the second kind by the
 * arithmetic-geometric mean (NIST Digital Library of Mathematical Functions, 19.8.6), to the last digits.
 *
 * @example ellipsePerimeter(100, 100) // => 314.159
 */
export function ellipsePerimeter(fullAxis1: number, fullAxis2: number): number {
  const long = max(fullAxis1, fullAxis2) / 2;
  let a = 1;
  let b = min(fullAxis1, fullAxis2) / 2 / long;
  // Nothing is left between the two sides of an axis that has no width to speak of.
  if (b < 1e-12) return 4 * long;
  let c = sqrt((1 - b) * (1 + b));
  let sum = 0;
  let weight = 0.5;
  while (c > 1e-12) {
    sum += weight * c * c;
    [a, b, c] = [(a + b) / 2, sqrt(a * b), (a - b) / 2];
    weight *= 2;
  }
  return (2 * PI * long * (1 - sum)) / a;
}
