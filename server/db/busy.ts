const codeOf = (error: unknown): string => {
  // The driver's code stands on the error or on what it wraps.
  for (
    let e = error as { code?: unknown; message?: unknown; previous?: unknown; cause?: unknown } | undefined;
    e;
  ) {
    if (typeof e.code === 'string' && e.code.startsWith('SQLITE_')) return e.code;
    if (typeof e.message === 'string') {
      if (/database (table )?is locked|SQLITE_BUSY/.test(e.message)) return 'SQLITE_BUSY';
      if (/database or disk is full|SQLITE_FULL/.test(e.message)) return 'SQLITE_FULL';
    }
    e = (e.previous ?? e.cause) as typeof e;
  }
  return '';
};

/** Whether the database could not be written because another writer holds it. */
export const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(codeOf(error));
/** Whether there is no room left where the database lies, or where files wait to be read. */
export const isFull = (error: unknown): boolean =>
  codeOf(error).startsWith('SQLITE_FULL') ||
  ['ENOSPC', 'EDQUOT'].includes(String((error as { code?: unknown } | null)?.code));
