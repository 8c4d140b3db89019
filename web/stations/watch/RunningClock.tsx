import { useEffect, useState } from 'react';
import { styled } from 'styled-components';
import { clock } from '../../../core/measure/minutes.ts';
import { text } from './text.ts';

const Big = styled.button`
  min-height: 52px;
  width: 100%;
  border: 0;
  border-radius: 12px;
  background: var(--mat);
  color: #fff;
  font: 700 18px/1.1 var(--display);
  font-variant-numeric: tabular-nums;
  cursor: pointer;
  &[aria-pressed='true'] {
    background: var(--fox);
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
`;

/** A clock for a try: one touch starts it, the next stops it and gives its seconds, after those that ran before. */
export function RunningClock({
  seconds,
  onSeconds,
}: {
  seconds: number | null;
  onSeconds(seconds: number): void;
}) {
  const [run, setRun] = useState<{ since: number; before: number } | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (!run) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [run]);
  const ran = run ? run.before + Math.max(0, now - run.since) / 1000 : (seconds ?? 0);
  return (
    <Big
      type="button"
      aria-pressed={run !== null}
      onClick={() => {
        const at = Date.now();
        if (run) {
          setRun(null);
          onSeconds(Math.max(1, Math.round(run.before + (at - run.since) / 1000)));
        } else {
          setNow(at);
          setRun({ since: at, before: seconds ?? 0 });
        }
      }}
    >
      {run
        ? text('stop', { ran: clock(Math.floor(ran)) })
        : seconds
          ? text('goOnFrom', { seconds: clock(seconds) })
          : text('startClock')}
    </Big>
  );
}
