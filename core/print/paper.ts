/** Paper sizes, mm: A4 of ISO 216, Letter of ANSI/ASME Y14.1 (8 1/2 × 11 in). */
export const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;
/** What printers cannot reach, with some to spare, mm: half an inch where inches are read. */
export const MARGINS = { mm: 12, in: 12.7 } as const;
export const MARGIN = MARGINS.mm;
/** Length of the bar to hold a ruler against, mm: 50 mm, or 2 in where rulers have inches. */
export const CHECKING_BAR = { mm: 50, in: 50.8 } as const;
