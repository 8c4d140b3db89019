import { memo, useEffect, useState } from 'react';
import { styled } from 'styled-components';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import type { ScriptStep, Show } from '../../../core/patterns/index.ts';
import { Button } from '../../parts/Button.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Letters that are read from a metre away: about 9 mm high on a tablet. */
const Large = styled.p`
  font: 600 34px/1.25 var(--display);
  margin: 6px 0 12px;
`;
const Steps = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 6px;
  > li {
    display: grid;
    grid-template-columns: 64px 1fr;
    gap: 10px;
    padding: 6px 10px;
    border-radius: 8px;
    font-size: 17px;
    line-height: 1.35;
  }
  > li[aria-current] {
    background: var(--tape);
  }
`;
const Words = styled.dl`
  margin: 0;
  display: grid;
  grid-template-columns: 96px 1fr;
  gap: 8px 12px;
  font-size: 18px;
  line-height: 1.4;
  dt {
    color: var(--slate);
    font-size: 15px;
    padding-top: 2px;
  }
  dd {
    margin: 0;
  }
`;

const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** The step that runs so many seconds after one was begun, and how long it has left, s; past the last one when all are over. */
function stepAfter(
  script: readonly ScriptStep[],
  from: number,
  seconds: number,
): { at: number; left: number } {
  let left = -seconds;
  for (let at = from; at < script.length; at++) {
    left += script[at]!.minutes * 60;
    if (left > 0) return { at, left };
  }
  return { at: script.length, left: 0 };
}

/** A sitting, step after step, against the clock: it goes on by itself, or when the next one is pressed. */
function Sitting({ script, unit }: { script: readonly ScriptStep[]; unit: LengthUnit }) {
  /** Seconds run since a step was begun by hand, and since when it runs (ms), null while it stands still. */
  const [run, setRun] = useState<{ from: number; before: number; since: number | null }>({
    from: 0,
    before: 0,
    since: null,
  });
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (run.since === null) return;
    const beat = setInterval(() => setNow(performance.now()), 250);
    return () => clearInterval(beat);
  }, [run.since]);
  const gone = run.before + (run.since === null ? 0 : Math.max(0, now - run.since) / 1000);
  const { at, left } = stepAfter(script, run.from, gone);
  const step = script[at];
  const start = (): void => {
    const t = performance.now();
    setNow(t);
    setRun((r) => ({ ...r, before: gone, since: r.since === null ? t : null }));
  };
  const next = (): void => {
    const t = performance.now();
    setNow(t);
    setRun((r) => ({ from: at + 1, before: 0, since: r.since === null ? null : t }));
  };
  return (
    <Stack $gap={8}>
      <div aria-live="polite">
        <Quiet>
          {step
            ? text('stepLeft', { at: at + 1, script: script.length, left: clock(left) })
            : text('sittingOver')}
        </Quiet>
        <Large>{step ? inUnit(step.words, unit) : text('stopWhileStillGoes')}</Large>
      </div>
      <Spread>
        {step ? (
          <>
            <Button onPress={start}>{run.since === null ? text('start') : text('pause')}</Button>
            <Button plain onPress={next}>
              {text('next')}
            </Button>
          </>
        ) : (
          <Button onPress={() => setRun({ from: 0, before: 0, since: null })}>{text('fromBeginning')}</Button>
        )}
      </Spread>
      <Steps>
        {script.map((s, i) => (
          <li key={s.words} aria-current={i === at ? 'step' : undefined}>
            <Quiet>{text('min', { minutes: s.minutes })}</Quiet>
            {inUnit(s.words, unit)}
          </li>
        ))}
      </Steps>
    </Stack>
  );
}

/** How to present a design: first words, what to look for, easier and harder; what is done in time minute by minute. */
export const ShowIt = memo(function ShowIt({
  title,
  show,
  unit,
}: {
  /** What the child does, asked when it is opened: it moves with the dials, and nobody sees it until then. */
  title: () => string;
  show: Show;
  unit: LengthUnit;
}) {
  const [isOpen, setOpen] = useState(false);
  const said: [string, string][] = [
    [text('say'), show.say],
    [text('look'), show.lookFor],
    [text('easier'), show.easier],
    [text('harder'), show.harder],
    [text('and'), show.more],
    [text('oneHand'), show.oneHand],
    [text('stop'), show.stop],
  ];
  return (
    <>
      <Button small plain onPress={() => setOpen(true)}>
        {show.script ? text('sittingMinute') : text('howShow')}
      </Button>
      <Dialog title={isOpen ? title() : ''} isOpen={isOpen} onClose={() => setOpen(false)} wide>
        <Stack $gap={18}>
          {show.script && <Sitting script={show.script} unit={unit} />}
          <Words>
            {said.map(([label, text]) => (
              <div key={label} style={{ display: 'contents' }}>
                <dt>{label}</dt>
                <dd>{inUnit(text, unit)}</dd>
              </div>
            ))}
          </Words>
          <Spread>
            <Button plain onPress={() => setOpen(false)}>
              {text('close')}
            </Button>
          </Spread>
        </Stack>
      </Dialog>
    </>
  );
});
