import { useCallback, useEffect, useRef, useState } from 'react';
import type { Reading } from '../../../core/safety/heldForce.ts';

/** How a pull on the scale stands. */
export interface Pull {
  readonly state: 'off' | 'reading' | 'lost' | 'done';
  readonly readings: readonly Reading[];
  start(): void;
  stop(): void;
}

/** Reads the scale; a connection that drops ends the pull, and it is begun anew by hand. */
export function useScale(to: number): Pull {
  const [state, setState] = useState<Pull['state']>('off');
  const [readings, setReadings] = useState<readonly Reading[]>([]);
  const source = useRef<EventSource | null>(null);
  const stop = useCallback(() => {
    source.current?.close();
    source.current = null;
    setState((s) => (s === 'reading' ? 'done' : s));
  }, []);
  const start = useCallback(() => {
    source.current?.close();
    setReadings([]);
    setState('reading');
    // The simulated hand pulls a little harder than is asked.
    const from = new EventSource(`/api/scale?to=${Math.round(to * 1.05)}`);
    source.current = from;
    from.onmessage = (e) => setReadings((list) => [...list, JSON.parse(String(e.data)) as Reading]);
    from.addEventListener('done', () => {
      from.close();
      setState('done');
    });
    from.onerror = () => {
      from.close();
      setState((s) => (s === 'done' ? s : 'lost'));
    };
  }, [to]);
  useEffect(() => () => source.current?.close(), []);
  return { state, readings, start, stop };
}
