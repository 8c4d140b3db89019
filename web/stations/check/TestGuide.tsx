import { useEffect, useState } from 'react';
import type { HandTest } from '../../../core/safety/handTests.ts';
import { clock } from '../../../core/measure/minutes.ts';
import { ring } from '../../parts/ring.ts';
import { Button } from '../../parts/Button.tsx';
import { Quiet, Row } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** How often each test is done and how long it is held: counted and timed, so that nobody does it by feel. */
export function TestGuide({ test }: { test: HandTest }) {
  const [done, setDone] = useState(0);
  /** When the running hold ends, ms of the clock; null while nothing is held. */
  const [until, setUntil] = useState<number | null>(null);
  const [left, setLeft] = useState(0);
  useEffect(() => {
    if (until === null) return;
    const tick = (): void => {
      const rest = until - Date.now();
      setLeft(Math.max(0, Math.ceil(rest / 1000)));
      if (rest > 0) return;
      setUntil(null);
      setDone((n) => n + 1);
      ring();
    };
    tick();
    const timer = setInterval(tick, 200);
    return () => clearInterval(timer);
  }, [until]);
  const { hold, times } = test;
  const said = text('d', { done, times });
  return (
    <Row role="group" aria-label={text('countTime')}>
      {until === null ? (
        <Button
          small
          isDisabled={done >= times}
          onPress={() => (hold === null ? setDone(done + 1) : setUntil(Date.now() + hold * 1000))}
        >
          {hold === null ? text('oneMore') : text('time', { hold: clock(hold) })}
        </Button>
      ) : (
        <Button small plain onPress={() => setUntil(null)}>
          {text('leftStop', { left: clock(left) })}
        </Button>
      )}
      <Quiet role="status">{said}</Quiet>
    </Row>
  );
}
