/** Why Fox Button does not start, in one sentence for the person who started it. */
export class StartError extends Error {}

const REASONS: Readonly<Record<string, string>> = {
  EACCES: 'may not be written by this user; give it the right, or set FOX_DATA to another folder',
  EPERM: 'may not be written by this user; give it the right, or set FOX_DATA to another folder',
  EROFS: 'cannot be written: its disk is read-only; set FOX_DATA to another folder',
  ENOSPC: 'cannot be written: the disk is full; free some room and start again',
  SQLITE_FULL: 'cannot be written: the disk is full; free some room and start again',
  ENOTDIR: 'is not a folder; set FOX_DATA to one',
  EEXIST: 'is not a folder; set FOX_DATA to one',
  ENAMETOOLONG: 'has too long a name; set FOX_DATA to another folder',
  ELOOP: 'is a link that leads back to itself; set FOX_DATA to another folder',
  SQLITE_CANTOPEN: 'cannot be opened for writing; check the rights of the folder and its file',
  SQLITE_READONLY: 'cannot be written; check the rights of the folder and its file',
  SQLITE_IOERR: 'cannot be read or written: the disk reports an error',
};

/** What went wrong with the folder, as one sentence; anything unforeseen keeps its own message. */
export function folderError(folder: string, error: unknown): StartError {
  if (error instanceof StartError) return error;
  const { code = '' } = error as { code?: string };
  const known = REASONS[code] ?? REASONS[code.split('_').slice(0, 2).join('_')];
  const message = error instanceof Error ? error.message.split('\n')[0]! : String(error);
  return new StartError(`The folder ${folder} ${known ?? `cannot be used: ${message}`}.`);
}
