import { useEffect, useState } from 'react';
import { areLoaded, loadPatterns } from '../../core/patterns/index.ts';

/** Loads the pattern of an open design; true once it is there. */
export function usePattern(id: string | undefined): boolean {
  const [, setTick] = useState(0);
  const there = id !== undefined && areLoaded([id]);
  useEffect(() => {
    if (id === undefined || areLoaded([id])) return;
    let gone = false;
    void loadPatterns([id]).then(() => {
      if (!gone) setTick((n) => n + 1);
    });
    return () => {
      gone = true;
    };
  }, [id]);
  return there;
}
