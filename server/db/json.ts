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
export type PartJson = { materialId: number | null; name: string; due: number; present: number };
