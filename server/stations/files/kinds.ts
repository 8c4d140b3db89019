import type { FileKind } from '../../../contract/files.ts';
import { familyRows } from './familyRows.ts';
import type { Kind } from './kind.ts';
import { lotRows } from './lotRows.ts';
import { materialRows } from './materialRows.ts';
import { noteRows } from './noteRows.ts';
import { kitRows } from './kitRows.ts';
import { countRows, eventRows, loanRows } from './recordRows.ts';
import { offerRows } from './offerRows.ts';

const KINDS: Readonly<Record<FileKind, Kind<unknown>>> = {
  materials: materialRows,
  lots: lotRows,
  offers: offerRows,
  families: familyRows,
  notes: noteRows,
  kits: kitRows,
  loans: loanRows,
  counts: countRows,
  events: eventRows,
};
/** The columns of a kind of file, and how its rows are read and written. */
export const kindOf = (kind: FileKind): Kind<unknown> => KINDS[kind];
