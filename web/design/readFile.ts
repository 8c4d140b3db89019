import { text } from './text.ts';
/** Larger than any design or kit; a picture or a film dropped by mistake is not even read. */
const LARGEST = 256 * 1024;

/**
 * What a picked or dropped file holds, as JSON.
 *
 * @throws Error in words for the screen where it is too large or no JSON
 */
export async function readFile(picked: File): Promise<unknown> {
  if (picked.size > LARGEST) throw new Error(text('over256KbNo', { picked: picked.name }));
  try {
    return JSON.parse(await picked.text()) as unknown;
  } catch {
    throw new Error(text('cannotOpenedNotJson', { picked: picked.name }));
  }
}
