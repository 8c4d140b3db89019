import { closeSync, existsSync, openSync, readFileSync, writeFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';

/** What is known beside a place's file of what it has committed. */
export interface Known {
  /** Changes that were acknowledged. */
  readonly changes: number;
  /** How many of them a start did not find, until somebody has said that it goes on without them. */
  readonly lost: number;
}

const fileOf = (folder: string): string => join(folder, 'fox-button.committed');
/** Written over itself: as long at every number. */
const line = ({ changes, lost }: Known): string =>
  `${String(changes).padStart(15)} ${String(lost).padStart(15)}\n`;

/** What stands beside the file; null where nothing does, as in a place of an older version. */
function knownBeside(folder: string): Known | null {
  if (!existsSync(fileOf(folder))) return null;
  const [changes, lost] = readFileSync(fileOf(folder), 'utf8').trim().split(/\s+/).map(Number);
  return Number.isSafeInteger(changes) && changes! >= 0
    ? { changes: changes!, lost: Number.isSafeInteger(lost) ? lost! : 0 }
    : null;
}

/**
 * Remembers beside a place's file how many changes it has committed: a file whose end was torn off is a sound file with
 * fewer of them, and nobody would know. Written after a change is in the file, so that it never says more than was true.
 */
export class Committed {
  private readonly at: number;
  private known: Known;

  /** @param found how many changes the file has */
  constructor(folder: string, found: number) {
    const before = knownBeside(folder);
    const missing = before === null ? 0 : Math.max(0, before.changes - found);
    this.known = { changes: found, lost: (before?.lost ?? 0) + missing };
    if (before === null) writeFileSync(fileOf(folder), line(this.known));
    this.at = openSync(fileOf(folder), 'r+');
    this.write(this.known);
  }

  /** Changes that were acknowledged before and are not in the file. */
  get lost(): number {
    return this.known.lost;
  }

  /** Called with the file's count once a change is in it. */
  write(known: Partial<Known>): void {
    this.known = { ...this.known, ...known };
    writeSync(this.at, line(this.known), 0);
  }

  close(): void {
    closeSync(this.at);
  }
}
