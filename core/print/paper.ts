/** Paper sizes, mm: A4 of ISO 216, Letter of ANSI/ASME Y14.1 (8 1/2 × 11 in). */
export const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;
/** What printers cannot reach, with some to spare, mm. */
export const MARGIN = 12;
/** Length of the bar to hold a ruler against, mm. */
export const CHECKING_BAR = 50;
