const { PI } = Math;

export interface SlitAnswer {
  readonly admits: boolean;
  /** Thickest round rod that goes in, mm. */
  readonly largestDiameter: number;
  /** Share of the slit's loop that the rod takes up; over 1 it does not go in. */
  readonly grip: number;
  /** Loop less girth, mm. */
  readonly margin: number;
}

/**
 * A slit of length L in thin card opens to a loop of 2 L: a rod of diameter d goes in when π d ≤ 2 L, and is held the
 * tighter the nearer π d / 2 L is to 1.
 *
 * @example slit({ slit: 3.93, rodDiameter: 2.5 }).admits // => true
 * @example slit({ slit: 3.92, rodDiameter: 2.5 }).admits // => false
 */
export function slit({ slit: length, rodDiameter }: { slit: number; rodDiameter: number }): SlitAnswer {
  const margin = 2 * length - PI * rodDiameter;
  return {
    admits: margin >= -1e-9,
    largestDiameter: (2 * length) / PI,
    grip: (PI * rodDiameter) / (2 * length),
    margin,
  };
}
