import { useState } from 'react';
import type { BatchWork } from '../../../contract/batches.ts';
import type { Place } from '../../../contract/place.ts';
import { sharesTimes, type BenchDays } from '../../../core/plan/batch.ts';
import { Button } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Quiet, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import { FromCalendar } from './FromCalendar.tsx';
import { Windows } from './Windows.tsx';
import { text } from './text.ts';

/** When children are away, said once for everybody; who makes it, and who has other times than those. */
export function When({
  batch,
  place,
  save,
}: {
  batch: BatchWork;
  place: Place;
  save(days: BenchDays): void;
}) {
  const [name, setName] = useState('');
  const { days } = batch;
  const makers = (list: BenchDays['makers']): void => save({ ...days, makers: list });
  const change = (i: number, part: Partial<BenchDays['makers'][number]>): void =>
    makers(days.makers.map((x, k) => (k === i ? { ...x, ...part } : x)));
  const tools = [...new Set(batch.tasks.flatMap((t) => t.needs))].sort();
  return (
    <Stack $gap={12}>
      <h2>{text('when')}</h2>
      <div>
        <h3>{text('childrenAwayOrAsleep')}</h3>
        <Windows
          label={text('childrenAway')}
          value={days.childFree}
          today={place.today}
          onChange={(childFree) => save({ ...days, childFree })}
        />
      </div>
      <Seam />
      <h3>{text('whoMakes')}</h3>
      {days.makers.map((m, i) => (
        <div key={m.name}>
          <Spread>
            <span style={{ fontSize: 14.5 }}>
              <b>{m.name}</b>{' '}
              <Quiet>
                {sharesTimes(m)
                  ? m.windows.length > 0
                    ? text('sharedAndOwn')
                    : text('sharedTimes')
                  : m.windows.length > 0
                    ? text('ownTimesOnly')
                    : text('noTimes')}
              </Quiet>
            </span>
            {days.makers.length > 1 && (
              <Button
                small
                plain
                aria-label={text('takeOut2', { m: m.name })}
                onPress={() => makers(days.makers.filter((_, k) => k !== i))}
              >
                {text('takeOut3')}
              </Button>
            )}
          </Spread>
          <Fold open={m.windows.length > 0 || undefined}>
            <summary>{text('otherTimes', { m: m.name })}</summary>
            <Stack $gap={6}>
              <Windows
                label={text('hands', { m: m.name })}
                value={m.windows}
                today={place.today}
                onChange={(windows) => change(i, { windows, shares: sharesTimes(m) })}
              />
              <ChoiceOfMany
                label={text('worksThen', { m: m.name })}
                value={sharesTimes(m) ? ['shares'] : []}
                onChange={(v) => change(i, { shares: v.length > 0 })}
                options={[{ value: 'shares', label: text('whileAwayToo') }]}
              />
            </Stack>
          </Fold>
        </div>
      ))}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          const said = name.trim();
          if (said === '' || days.makers.some((m) => m.name === said)) return;
          setName('');
          makers([...days.makers, { name: said, windows: [] }]);
        }}
      >
        <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}>
          <TextField label={text('maker')} value={name} onChange={setName} />
          <Button type="submit" plain>
            {text('add2')}
          </Button>
        </div>
      </form>
      {tools.length > 0 && (
        <ChoiceOfMany
          label={text('thereOnly')}
          value={days.singles}
          onChange={(singles) => save({ ...days, singles })}
          options={tools.map((t) => ({ value: t, label: t[0]!.toUpperCase() + t.slice(1) }))}
        />
      )}
      <FromCalendar days={days} onDays={save} />
    </Stack>
  );
}
