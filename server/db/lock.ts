import { execFileSync } from 'node:child_process';
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

/**
 * When a process began, as its system says it: a number that is given again belongs to another then. Null where there is
 * no such process, or the system does not tell.
 */
function beganAt(pid: number): string | null {
  try {
    // After the name in brackets, which may hold anything: the 22nd field of all is the start.
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    try {
      return execFileSync('ps', ['-o', 'lstart=', '-p', String(pid)], {
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'ignore'],
      }).trim();
    } catch {
      return null;
    }
  }
}

/** Who has the folder, by number and beginning; null where nobody says so. */
const holderOf = (folder: string): { readonly pid: number; readonly began: string } | null => {
  try {
    const [number, ...began] = readFileSync(join(folder, 'fox-button.pid'), 'utf8').split(' ');
    const pid = Number(number);
    return Number.isInteger(pid) && pid > 0 ? { pid, began: began.join(' ').trim() } : null;
  } catch {
    return null;
  }
};

/** Whether whoever has the folder still runs: a server that is busy for a while renews no lock, and lives. */
function livingHolder(folder: string): number | null {
  const holder = holderOf(folder);
  if (!holder || !alive(holder.pid)) return null;
  // In a container every start may have the same number: the beginning tells them apart.
  if (holder.began === '') return holder.pid === process.pid ? null : holder.pid;
  return holder.began === beganAt(holder.pid) ? holder.pid : null;
}

const inUse = (folder: string, pid: number | null): StartError =>
  new StartError(
    `The folder ${folder} is in use by another Fox Button${pid === null ? '' : ` (process ${pid})`}; stop that one first, or set FOX_DATA to another folder.`,
  );

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
  /** Whether nobody else has written their number over this one's. */
  const isMine = (): boolean => holderOf(folder)?.pid === process.pid;
  let unlock: () => Promise<void> = () => Promise.resolve();
  const take = (): Promise<() => Promise<void>> =>
    lockPath(folder, {
      lockfilePath: join(folder, 'fox-button.lock'),
      stale: STALE,
      update: 1000,
      // After a busy while the lock looks old to its own holder too; it is lost only where somebody else took it.
      onCompromised: (error) => {
        if (!isMine()) options.lost?.(error);
        else
          void take().then(
            (again) => (unlock = again),
            (e: Error) => options.lost?.(e),
          );
      },
    });
  const until = Date.now() + STALE + 4000;
  for (let first = true; ; first = false)
    try {
      const living = livingHolder(folder);
      if (living !== null) throw inUse(folder, living);
      unlock = await take();
      writeFileSync(pidFile, `${process.pid} ${beganAt(process.pid) ?? ''}`);
      return {
        release: async () => {
          rmSync(pidFile, { force: true });
          await unlock().catch(() => {});
        },
      };
    } catch (error) {
      if ((error as { code?: string }).code !== 'ELOCKED') throw error;
      if (Date.now() > until) throw inUse(folder, holderOf(folder)?.pid ?? null);
      if (first) options.waiting?.();
      await new Promise((go) => setTimeout(go, 250));
    }
}
