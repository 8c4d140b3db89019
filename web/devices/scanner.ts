import { useEffect, useRef } from 'react';
import { readLabel } from '../../core/lend/labels.ts';
import { text } from './text.ts';

/** A hand scanner types faster than any hand: no longer than this between two keys, ms. */
const GAP = 60;
/** Longer than any label; what runs on is no label. */
const MOST = 40;

/** Marks what takes a scanned label by itself. */
export const TAKES_LABELS = { 'data-takes-labels': '' } as const;

/**
 * Listens for a hand scanner that types as a keyboard does and ends with Enter, wherever the cursor is. Only what reads as a
 * label is taken; everything else goes where it was typed.
 */
export function useScanner(onLabel: (label: string) => void): void {
  const listener = useRef(onLabel);
  useEffect(() => {
    listener.current = onLabel;
  });
  useEffect(() => {
    let [text, last] = ['', -Infinity];
    const key = (e: KeyboardEvent): void => {
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.timeStamp - last > GAP) text = '';
      last = e.timeStamp;
      if (e.key.length === 1) text = `${text}${e.key}`.slice(-MOST);
      else if (e.key === 'Enter') {
        const label = readLabel(text);
        text = '';
        if (label === null) return;
        if (e.target instanceof Element && e.target.closest('[data-takes-labels]')) return;
        // The field that the keys went to must not be sent as well.
        e.preventDefault();
        e.stopPropagation();
        listener.current(label);
      }
    };
    addEventListener('keydown', key, { capture: true });
    return () => removeEventListener('keydown', key, { capture: true });
  }, []);
}

/** A hand scanner that is not there: the same keys in the same haste, to try the desk without one. */
export function simulateScan(label: string): void {
  for (const key of [...label, text('enter')])
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
}
