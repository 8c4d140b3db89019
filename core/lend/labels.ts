/** `FB-014a`: the design's number and a letter for each copy, a to z, then aa, ab … */
export const kitLabel = (design: number, nth: number): string => `FB-${lettered(design, nth)}`;
/** `FB-K014a`: the same for a kit of several designs. */
export const bundleLabel = (kit: number, nth: number): string => `FB-K${lettered(kit, nth)}`;

function lettered(number: number, nth: number): string {
  let letters = '';
  for (let n = nth; n >= 0; n = Math.floor(n / 26) - 1)
    letters = String.fromCharCode(97 + (n % 26)) + letters;
  return `${String(number).padStart(3, '0')}${letters}`;
}

/** What a scanner or a hurried hand gives, as a label: case and spaces do not matter. Null when it is none. */
export function readLabel(text: string): string | null {
  const m = /^fb[\s-]*(k?)0*(\d{1,6})\s*([a-z]{1,3})$/i.exec(text.trim());
  return m ? `FB-${m[1]!.toUpperCase()}${m[2]!.padStart(3, '0')}${m[3]!.toLowerCase()}` : null;
}
