import { z } from 'zod';

/** What travels as CSV (RFC 4180), both ways. */
export const FILE_KINDS = [
  'materials',
  'lots',
  'offers',
  'families',
  'notes',
  'kits',
  'loans',
  'counts',
  'events',
] as const;
export const fileKind = z.enum(FILE_KINDS, { error: `expected one of ${FILE_KINDS.join(', ')}` });
export type FileKind = (typeof FILE_KINDS)[number];

export const SIZES = ['length', 'width', 'height', 'diameter', 'wall'] as const;
export const LOOK = ['clean', 'dry', 'smell', 'held', 'closes', 'gap', 'sharp', 'crushed', 'front'] as const;

/** Columns by kind, in the order they are written, and those a file must have. Lengths in mm unless the cell says else. */
export const COLUMNS: Readonly<Record<FileKind, { all: readonly string[]; required: readonly string[] }>> = {
  materials: {
    all: [
      'name',
      'form',
      'solid',
      ...SIZES,
      'unit',
      'class',
      'give',
      'mass',
      'cleaning',
      'allergens',
      'traits',
      'grain',
      'keep_out',
      'keeps_out_hours',
      'keeps_closed_days',
      'flux',
      'battery_door',
      'drawstring',
      'hazards',
      'colour',
      'catalogue',
      'worth',
    ],
    required: ['name', 'form'],
  },
  lots: {
    all: [
      'lot',
      'material',
      'quantity',
      'came',
      'came_on',
      'from',
      'state',
      'ready_on',
      'reason',
      ...SIZES,
      ...LOOK,
    ],
    required: ['material', 'quantity', 'came_on'],
  },
  offers: {
    all: ['supplier', 'delivery', 'pack', 'price', 'material', 'quantity', 'shop_key', 'delivery_free_from'],
    required: ['supplier', 'pack', 'price', 'material', 'quantity'],
  },
  families: {
    all: ['name', 'group', 'allergies', 'mail', 'youngest', 'aim', 'children', 'born', 'mouths', 'language'],
    required: ['name', 'group'],
  },
  notes: {
    all: [
      'note',
      'day',
      'child',
      'design',
      'level',
      'bits',
      'seconds',
      'count',
      'of',
      'help',
      'tries',
      'managed',
      'liked',
      'words',
      'before',
    ],
    required: ['day', 'child', 'design', 'level', 'bits'],
  },
  // Skill, with and due_on say more on the way out; on the way in loans say them.
  kits: {
    all: [
      'label',
      'kit',
      'skill',
      'parts',
      'last_counted',
      'in_repair',
      'to_clean',
      'rests_until',
      'retired_on',
      'with',
      'due_on',
    ],
    required: ['label', 'kit'],
  },
  loans: {
    all: ['loan', 'label', 'kit', 'family', 'lent_on', 'due_on', 'returned_on', 'outcome', 'counted'],
    required: ['label', 'family', 'lent_on', 'due_on'],
  },
  counts: {
    all: ['count', 'label', 'kit', 'counted_on', 'loan', 'family', 'counted', 'outcome'],
    required: ['label', 'counted_on', 'counted'],
  },
  events: { all: ['event', 'label', 'kit', 'on', 'what', 'by', 'why'], required: ['label', 'on', 'what'] },
};

/** A file as it was read, before anything is written. */
export const ENCODINGS = ['UTF-8', 'UTF-16', 'Windows-1252'] as const;
export const filePreview = z.object({
  /** How its letters were read. */
  encoding: z.enum(ENCODINGS),
  id: z.string(),
  kind: fileKind,
  rows: z.number().int(),
  faulty: z.number().int(),
  /** The first hundred faults: row as a spreadsheet counts it, the header being row 1. */
  faults: z.array(
    z.object({ row: z.number().int(), column: z.string(), value: z.string(), message: z.string() }),
  ),
  /** What confirming would do. */
  adds: z.number().int(),
  changes: z.number().int(),
  columns: z.array(z.string()),
  /** The first rows, as they were read. */
  sample: z.array(z.array(z.string())),
});
export type FilePreview = z.infer<typeof filePreview>;
export const fileConfirm = z.strictObject({
  id: z
    .string({ error: 'expected the id of a preview' })
    .regex(/^[a-f0-9]{24}$/, 'expected the id of a preview'),
});
export const fileDone = z.object({ kind: fileKind, added: z.number().int(), changed: z.number().int() });
export type FileDone = z.infer<typeof fileDone>;

/** What a column was called in files from before, and is called now. */
export const FORMER_COLUMNS: ReadonlyMap<string, string> = new Map([['rung', 'level']]);
