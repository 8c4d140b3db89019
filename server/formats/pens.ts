import type { MarkRole } from '../../core/drawing/mark.ts';

/** How a line looks on paper, mm: black and white printers must still tell a cut from a fold. */
export interface Pen {
  readonly width: number;
  readonly dash?: readonly number[];
  readonly grey?: boolean;
}

const FAINT: Pen = { width: 0.15, grey: true };
const PLAIN: Pen = { width: 0.25 };
export const PENS: Record<MarkRole, Pen> = {
  cut: { width: 0.4 },
  slit: { width: 0.4, dash: [4, 1.2, 0.6, 1.2] },
  fold: { width: 0.3, dash: [3, 2] },
  punch: { width: 0.3, dash: [0.8, 0.8] },
  draw: { width: 0.2, grey: true },
  opening: { width: 0.35 },
  body: PLAIN,
  container: PLAIN,
  piece: PLAIN,
  thread: { width: 0.5 },
  guide: { ...FAINT, dash: [0.6, 1.2] },
  shade: FAINT,
  'piece-detail': FAINT,
  'piece-in': FAINT,
};
