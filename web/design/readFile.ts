/** Larger than any design or kit; a picture or a film dropped by mistake is not even read. */
const LARGEST = 256 * 1024;

/**
 * What a picked or dropped file holds, as JSON.
 *
 * @throws Error in words for the screen where it is too large or no JSON
 */
export async function readFile(picked: File): Promise<unknown> {
  if (picked.size > LARGEST) throw new Error(`${picked.name} is over 256 kB; no such file is.`);
  try {
    return JSON.parse(await picked.text()) as unknown;
  } catch {
    throw new Error(`${picked.name} cannot be opened: it is not JSON.`);
  }
}
