import { useEffect, useRef, useState } from 'react';
import { ring } from '../../parts/ring.ts';

/** ms since 1970, asked when something is pressed. */
export const msNow = (): number => Date.now();

/** Now, a few times a second, for clocks that run. */
export function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** Keeps the screen on while somebody works with glue on the hands, where the browser can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let isOver = false;
    const take = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (isOver) void lock.release();
      } catch {
        // A low battery or a setting of the browser: then the screen goes dark as it always does.
      }
    };
    void take();
    const again = (): void => void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
}

/** Rings once for each time that is up while the page is open. */
export function useRinging(
  untils: readonly { readonly task: string; readonly until: number }[],
  now: number,
): void {
  const since = useRef(0);
  useEffect(() => {
    const before = since.current;
    since.current = now;
    if (before > 0 && untils.some((u) => u.until > before && u.until <= now)) ring();
  }, [untils, now]);
}
