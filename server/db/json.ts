import type { Use } from '../../core/patterns/kernel.ts';

/** What is kept as JSON inside a row. */
export type SizesJson = {
  length?: number;
  width?: number;
  height?: number;
  diameter?: number;
  wall?: number;
};
export type Hazards = string[];
export type ContentJson = { materialId: number; quantity: number };
/** What a part was filled with: how many, and from which lots of which families. */
export type FilledJson = {
  materialId: number;
  name: string;
  quantity: number;
  lots: { lotId: number; quantity: number; from: string; cameOn: string }[];
};
/** A level done in a sitting before the last one, as the note says it. */
export type LevelDoneJson = { level: string; bits: number; seconds: number | null; count: number | null };
export type PartJson = {
  materialId: number | null;
  name: string;
  use: Use;
  due: number;
  present: number;
  takes: number;
  /** Kept of counts only. */
  spoiled?: number | undefined;
  writtenOff?: number | undefined;
  /** Kept of counts only: of those that were missing, how many turned up since. */
  found?: number | undefined;
};
