import { z } from 'zod';
import { measure, oneOf, wholeNumber } from '../dialKinds.ts';
import type { Role } from '../kernel.ts';
import { BAG } from '../making.ts';

export const ROLES = {
  container: {
    id: 'container',
    label: 'Container',
    forms: ['container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['yogurt-tub'],
  },
  piece: {
    id: 'piece',
    label: 'Piece',
    forms: ['piece', 'disc', 'sheet'],
    least: 1,
    most: 4,
    use: 'piece',
    usual: ['milk-cap'],
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
  bag: BAG,
} as const satisfies Record<string, Role>;

/** What the pieces go through: an opening cut into the lid, the mouth narrowed by tape or open, a hole that is there. */
const COVERS = ['lid', 'tape', 'open', 'sip hole'] as const;
const OPENINGS = ['round', 'slot', 'star'] as const;
const SHARED = ['one', 'one for each kind'] as const;
/** What is made of a sheet: strips cut from it, or squares rolled to a ball. */
const MADE = ['strip', 'rolled'] as const;
const TOOLS = ['fingers', 'tongs', 'peg'] as const;
export type Tool = (typeof TOOLS)[number];

/** How wide each opens, mm (a young child's thumb and finger, kitchen tongs, a clothes peg; common practice). */
export const JAW: Record<Tool, number> = { fingers: 55, tongs: 45, peg: 12 };

/** Lid left standing round an opening so that it neither tears nor folds, mm (common practice). */
export const RIM = 10;

/** The sip hole of a take-away lid, mm (common practice; each lid is measured). */
export const SIP = { length: 20, width: 8 };

/** The dials of a drop-through tub; lengths in mm, turn in degrees. What came later has a value for older designs. */
export const dials = z.strictObject({
  cover: oneOf(COVERS).default('lid'),
  opening: oneOf(OPENINGS),
  /** Slot length, hole diameter, or the star's width over its tips; a side of the square that tape leaves. */
  length: measure('mm', 1, 500),
  /** Slot width, or the star's width over its inner corners; not used by a round hole. */
  width: measure('mm', 0.5, 500),
  points: wholeNumber('a number of points', 3, 8),
  turn: measure('degrees', 0, 90),
  /** Several kinds share one opening, or each has its own with the same room to spare. */
  openings: oneOf(SHARED).default('one'),
  pieces: wholeNumber('a number of pieces', 1, 60),
  tool: oneOf(TOOLS),
  made: oneOf(MADE).default('strip'),
  stripLength: measure('mm', 5, 1000).default(60),
  stripWidth: measure('mm', 1, 500).default(20),
  /** The sip hole as it is in its lid. */
  sipLength: measure('mm', 1, 500).default(SIP.length),
  sipWidth: measure('mm', 1, 500).default(SIP.width),
});
export type Dials = z.infer<typeof dials>;
