import { useSyncExternalStore } from 'react';

/** As wide as a phone held upright, or less. */
const NARROW = '(max-width: 640px)';
const query = (): MediaQueryList => matchMedia(NARROW);

/** Whether the screen is as narrow as a phone's: there cards stand where a table would run out of it. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    (tell) => {
      const q = query();
      q.addEventListener('change', tell);
      return () => q.removeEventListener('change', tell);
    },
    () => query().matches,
  );
