import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { lock as lockPath } from 'proper-lockfile';
import { StartError } from '../startError.ts';

/** A holder that has not renewed its lock for this long is gone, ms. */
const STALE = 5000;

const alive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

const holderOf = (folder: string): number | null => {
  try {
    const pid = Number(readFileSync(join(folder, 'fox-button.pid'), 'utf8'));
    return Number.isInteger(pid) && pid > 0 ? pid : null;
  } catch {
    return null;
  }
};

export interface FolderLock {
  release(): Promise<void>;
}

/**
 * Takes a place's folder for this process alone: two servers on one file would each serve what the other has changed. The
 * lock of a process that is gone is taken over once it is stale, which takes a few seconds.
 *
 * @param options.lost called when the lock was taken away, as after a machine was asleep for long
 * @throws StartError with the other process's number
 */
export async function lockFolder(
  folder: string,
  options: { lost?: (error: Error) => void; waiting?: () => void } = {},
): Promise<FolderLock> {
  const pidFile = join(folder, 'fox-button.pid');
  const take = (): Promise<() => Promise<void>> =>
    lockPath(folder, {
      lockfilePath: join(folder, 'fox-button.lock'),
      stale: STALE,
      update: 1000,
      ...(options.lost ? { onCompromised: options.lost } : {}),
    });
  const until = Date.now() + STALE + 4000;
  for (let first = true; ; first = false)
    try {
      const unlock = await take();
      writeFileSync(pidFile, String(process.pid));
      return {
        release: async () => {
          rmSync(pidFile, { force: true });
          await unlock().catch(() => {});
        },
      };
    } catch (error) {
      if ((error as { code?: string }).code !== 'ELOCKED') throw error;
      const pid = holderOf(folder);
      if ((pid !== null && alive(pid)) || Date.now() > until)
        throw new StartError(
          `The folder ${folder} is in use by another Fox Button${pid === null ? '' : ` (process ${pid})`}; stop that one first, or set FOX_DATA to another folder.`,
        );
      if (first) options.waiting?.();
      await new Promise((go) => setTimeout(go, 250));
    }
}
