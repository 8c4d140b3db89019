import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const PREFIX = 'fox-button-files-';

const runs = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

let mine: string | null = null;

/**
 * The folder of this process for files that wait for a while, readable by its user alone. Made at the first call, when
 * folders left by processes that ended without clearing up are removed too; gone when this process ends.
 */
export function temporaryFolder(): string {
  if (mine) return mine;
  for (const name of readdirSync(tmpdir())) {
    const pid = new RegExp(`^${PREFIX}(\\d+)-`).exec(name)?.[1];
    if (pid && !runs(Number(pid))) rmSync(join(tmpdir(), name), { recursive: true, force: true });
  }
  // mkdtemp makes it with mode 700 and a name nobody can foresee.
  const made = mkdtempSync(join(tmpdir(), `${PREFIX}${process.pid}-`));
  process.once('exit', () => rmSync(made, { recursive: true, force: true }));
  return (mine = made);
}
