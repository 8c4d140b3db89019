import { useState } from 'react';
import { styled } from 'styled-components';
import { addDays, daysBetween, repeatedDays, type Repeats } from '../../../core/calendar/days.ts';
import { readClock } from '../../../core/calendar/clockTime.ts';
import { clockOf, MOST_WINDOWS, type DayWindow } from '../../../core/plan/batch.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { Select } from '../../parts/Select.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Quiet, Row } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const List = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  li {
    display: inline-flex;
    align-items: center;
    gap: 4px;
    border: 1px solid var(--seam-strong);
    border-radius: 8px;
    padding: 0 2px 0 10px;
    font-size: 14px;
    font-variant-numeric: tabular-nums;
    min-height: 40px;
  }
  button {
    border: 0;
    background: none;
    min-width: 36px;
    min-height: 36px;
    font-size: 17px;
    cursor: pointer;
    color: var(--slate);
  }
`;
const Add = styled.div`
  display: grid;
  grid-template-columns: minmax(130px, 1.3fr) minmax(68px, 1fr) minmax(68px, 1fr) auto;
  gap: 8px;
  margin-top: 6px;
  align-items: end;
  @media (max-width: 640px) {
    grid-template-columns: 1fr 1fr;
  }
`;

const Again = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin-top: 6px;
`;

const REPEATED: readonly { value: Repeats; label: string }[] = [
  { value: 'once', label: text('onThisDayOnly') },
  { value: 'daily', label: text('everyDay') },
  { value: 'weekdays', label: text('mondayFriday') },
  { value: 'weekly', label: text('everyWeek') },
];
/** Times of days: those there are, and one more, or one that comes back. */
export function Windows({
  label,
  value,
  today,
  onChange,
}: {
  label: string;
  value: readonly DayWindow[];
  today: string;
  onChange(value: DayWindow[]): void;
}) {
  const last = value.at(-1);
  const [day, setDay] = useState(last?.day ?? today);
  const [from, setFrom] = useState('13:00');
  const [to, setTo] = useState('14:30');
  const [repeats, setRepeats] = useState<Repeats>('once');
  const [until, setUntil] = useState(addDays(last?.day ?? today, 28));
  const [problem, setProblem] = useState<string | null>(null);
  const add = (): void => {
    const [f, t] = [readClock(from), readClock(to)];
    if (f === null) return setProblem(text('fromExpectedTimeLike'));
    if (t === null) return setProblem(text('expectedTimeLike14'));
    if (t <= f) return setProblem(text('expectedTimeLaterThan'));
    if (repeats !== 'once' && daysBetween(day, until) < 0) return setProblem(text('untilExpectedDayNot'));
    const is = (d: string) => value.some((w) => w.day === d && w.from === f && w.to === t);
    const more = repeatedDays(day, repeats, until).filter((d) => !is(d));
    if (value.length + more.length > MOST_WINDOWS)
      return setProblem(text('untilExpectedEarlierDay', { MOST_WINDOWS }));
    setProblem(null);
    onChange(
      [...value, ...more.map((d) => ({ day: d, from: f, to: t }))].sort((a, b) =>
        a.day < b.day ? -1 : a.day > b.day ? 1 : a.from - b.from,
      ),
    );
  };
  return (
    <section aria-label={label}>
      {value.length === 0 ? (
        <Quiet>{text('nYet')}</Quiet>
      ) : (
        <List>
          {value.map((w, i) => (
            <li key={`${w.day}${w.from}${w.to}`}>
              {shortDay(w.day)}, {clockOf(w.from)}–{clockOf(w.to)}
              <button
                type="button"
                aria-label={text('takeOut', {
                  day: shortDay(w.day),
                  from: clockOf(w.from),
                  to: clockOf(w.to),
                })}
                onClick={() => onChange(value.filter((_, k) => k !== i))}
              >
                ×
              </button>
            </li>
          ))}
        </List>
      )}
      <Form onSubmit={add}>
        <Add>
          <DayField label={text('day')} value={day} onChange={setDay} />
          <TextField label={text('from')} value={from} onChange={setFrom} />
          <TextField label={text('to2')} value={to} onChange={setTo} />
          <Button type="submit" plain aria-label={text('add', { label })}>
            {text('add2')}
          </Button>
        </Add>
        <Again>
          <Select
            label={text('comesBack')}
            value={repeats}
            onChange={(v) => setRepeats(v as Repeats)}
            options={REPEATED}
          />
          {repeats !== 'once' && <DayField label={text('until')} value={until} onChange={setUntil} />}
        </Again>
      </Form>
      {problem && (
        <Row role="alert" style={{ color: 'var(--stop)', fontSize: 13.5, fontWeight: 600 }}>
          {problem}
        </Row>
      )}
    </section>
  );
}
