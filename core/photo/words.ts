import type { PhotoWarning } from './measure.ts';
import type { Refusal } from './findSheet.ts';
import type { HandRefusal } from './hand.ts';

/** Why nothing was measured, and what to do, in one sentence each. */
export const REFUSAL_WORDS: Readonly<Record<Refusal, string>> = {
  'no-sheet':
    'No measuring sheet was found: lay the things on a printed sheet, and take the photo so that its four corners are in it.',
  'half-sheet':
    'Not enough of the measuring sheet is in the photo: at least three of its corner marks must be seen whole, and most of its edge.',
  'two-sheets': 'More than one measuring sheet is in the photo: leave one, and take it again.',
  'too-blurred':
    'The photo is too blurred to measure: hold the phone still, tap on the sheet, and take it again.',
  'too-dark': 'The photo is too dark to measure: take it again by a window or with a lamp on.',
  'too-flat':
    'The photo was taken too much from the side: hold the phone higher, over the sheet, and take it again.',
  'no-colour':
    'The ground of the sheet is not blue-green in this photo: print the sheet in colour, and use daylight.',
};

export const HAND_REFUSAL_WORDS: Readonly<Record<HandRefusal, string>> = {
  'no-hand': 'No hand was found on the sheet: lay it flat on the blue-green ground, palm down.',
  'no-wrist':
    'The wrist is not over a side of the sheet: lay the hand so that the arm comes in over one side and no sleeve is on it.',
  'not-spread':
    'Five fingers were not told apart: lay the hand flat, spread all five fingers, and keep them all on the blue-green ground.',
};

const CORNERS = ['lower left', 'lower right', 'upper right', 'upper left'];

/** What is to be minded, in words; things are counted from 1, as they stand on the screen. */
export function warningWords(w: PhotoWarning): string {
  switch (w.code) {
    case 'mark-covered':
      return `The mark in the ${w.corners.map((c) => CORNERS[c - 1]).join(' and the ')} corner was not read: measured by the others.`;
    case 'straight-down':
      return 'The photo was taken straight from above, so the height of the phone is not known well: what stands high may be off. Tilt the phone a little.';
    case 'nothing-there':
      return 'Nothing lies on the sheet, or it is clear or of the sheet’s own colour.';
    case 'card-like':
      return `Thing ${w.thing + 1} has the form of a bank card. If it is one, the sheet was printed at ${w.percent} %: print it at 100 %, or type how long its bar is.`;
    case 'cut':
      return `Part of thing ${w.thing + 1} is hidden, touches another, or lies off the coloured ground.`;
    case 'height-unknown':
      return `The height of thing ${w.thing + 1} is not known: it was measured as if it were flat, and is smaller if it is not.`;
    case 'unsure':
      return `Thing ${w.thing + 1} is measured to no better than ${w.within} mm.`;
  }
}
