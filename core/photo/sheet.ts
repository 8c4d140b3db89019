import type { Vec2 } from '../geometry/vector.ts';
import { PAPERS } from '../print/paper.ts';

/**
 * The measuring sheet: a coloured ground with a code in each white corner. Every length is mm, x to the right and y up from
 * the lower left corner of the paper, which lies on its long side.
 */
export const SHEET_PAPERS = {
  A4: { width: PAPERS.A4.height, height: PAPERS.A4.width },
  Letter: { width: PAPERS.Letter.height, height: PAPERS.Letter.width },
  /** ISO 216. */
  A3: { width: 420, height: 297 },
} as const;
export type SheetPaper = keyof typeof SHEET_PAPERS;
export const SHEET_PAPER_NAMES = Object.keys(SHEET_PAPERS) as [SheetPaper, ...SheetPaper[]];

/** From the edge of the paper to the ground, mm: what most printers leave white. */
export const INSET = 8;
/** Side of the white squares in the corners, from the edge of the paper, mm. */
export const CORNER = 37;
/** The codes in them: from the edge, and across, mm. */
const CODE_FROM = 8.5;
export const CODE_ACROSS = 24;
/** The bar that shows at what scale the sheet was printed, mm. */
export const BAR = 100;
/** A bank card, ID-1 of ISO/IEC 7810, mm. */
export const CARD = { long: 85.6, short: 53.98 } as const;
/**
 * The ground, sRGB. No common plastic, wood or card has its hue, and its red is low: white, grey and black stand out by
 * their red, whatever the light, and a shadow keeps the hue.
 */
export const GROUND = '#2fb5c4';
/** The same hue at six tenths of the light: lines that are read like a shadow, not like a thing. */
export const GROUND_LINE = '#248f9b';

/** Corners anticlockwise from the lower left. */
export type SheetCorner = 1 | 2 | 3 | 4;
export const SHEET_CORNERS: readonly SheetCorner[] = [1, 2, 3, 4];

/** What the code in a corner says. */
export const codeText = (paper: SheetPaper, corner: SheetCorner): string =>
  `FB SHEET ${paper.toUpperCase()} ${corner}`;
/** What a code says, or null where it is none of a sheet. */
export function readCode(text: string): { readonly paper: SheetPaper; readonly corner: SheetCorner } | null {
  for (const paper of SHEET_PAPER_NAMES)
    for (const corner of SHEET_CORNERS) if (codeText(paper, corner) === text) return { paper, corner };
  return null;
}

/** The lower left corner of a code, mm. */
export function codeAt(paper: SheetPaper, corner: SheetCorner): Vec2 {
  const { width, height } = SHEET_PAPERS[paper];
  const far = CODE_FROM + CODE_ACROSS;
  return [corner === 2 || corner === 3 ? width - far : CODE_FROM, corner >= 3 ? height - far : CODE_FROM];
}

/** The outline of the ground, anticlockwise: a rectangle without its corners, mm. Its sides are the straight marks of the sheet. */
export function groundOutline(paper: SheetPaper): Vec2[] {
  const { width: w, height: h } = SHEET_PAPERS[paper];
  const [i, c] = [INSET, CORNER];
  return [
    [c, i],
    [w - c, i],
    [w - c, c],
    [w - i, c],
    [w - i, h - c],
    [w - c, h - c],
    [w - c, h - i],
    [c, h - i],
    [c, h - c],
    [i, h - c],
    [i, c],
    [c, c],
  ];
}
