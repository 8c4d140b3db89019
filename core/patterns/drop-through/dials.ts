import type { OutlineDial } from '../../outline/outline.ts';
import type { Role } from '../kernel.ts';
import { BAG } from '../making.ts';
import { DECOR } from '../supplies.ts';
import { isCard, isHandled, isTub } from '../serves.ts';

export const ROLES = {
  container: {
    id: 'container',
    label: 'Container',
    forms: ['container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['yogurt-tub'],
    serves: isTub,
  },
  piece: {
    id: 'piece',
    label: 'Piece',
    forms: ['piece', 'disc', 'sheet'],
    least: 1,
    most: 4,
    use: 'piece',
    usual: ['milk-cap'],
    serves: (m, ageFrom) =>
      m.form === 'sheet' ? isCard(m, ageFrom) || m.materialClass === 'paper' : isHandled(m, ageFrom),
  },
  edge: {
    id: 'edge',
    label: 'Tape',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['cloth-tape'],
  },
  decor: DECOR,
  bag: BAG,
} as const satisfies Record<string, Role>;

/** What picks a piece up. */
export type Tool = 'fingers' | 'tongs' | 'peg';

/** How wide each opens, mm (a young child's thumb and finger, kitchen tongs, a clothes peg; common practice). */
export const JAW: Record<Tool, number> = { fingers: 55, tongs: 45, peg: 12 };

/** Lid left standing round an opening so that it neither tears nor folds, mm (common practice). */
export const RIM = 10;

/** The sip hole of a take-away lid, mm (common practice; each lid is measured). */
export const SIP = { length: 20, width: 8 };

/** The dials of a drop-through tub; lengths in mm, turn in degrees. */
export interface Dials {
  /** What the pieces go through: an opening cut into the lid, the mouth narrowed by tape or open, a hole that is there. */
  readonly cover: 'lid' | 'tape' | 'open' | 'sip hole';
  readonly opening: 'round' | 'slot' | 'star' | 'outline';
  /** The form of an opening of one's own, as a thing traced from a photo. */
  readonly outline: OutlineDial;
  /** Slot length, hole diameter, the star's width over its tips, or the longer extent of an outline; a side of the square that tape leaves. */
  readonly length: number;
  /** Slot width, or the star's width over its inner corners; not used by a round hole. */
  readonly width: number;
  readonly points: number;
  readonly turn: number;
  /** Several kinds share one opening, or each has its own with the same room to spare. */
  readonly openings: 'one' | 'one for each kind';
  readonly pieces: number;
  readonly tool: Tool;
  /** What is made of a sheet: strips cut from it, or squares rolled to a ball. */
  readonly made: 'strip' | 'rolled';
  readonly stripLength: number;
  readonly stripWidth: number;
  /** The sip hole as it is in its lid. */
  readonly sipLength: number;
  readonly sipWidth: number;
}
