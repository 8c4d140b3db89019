import { useState } from 'react';
import type { BenchDays } from '../../../core/plan/batch.ts';
import { words } from '../../data/api.ts';
import { PickFile } from '../../design/PickFile.tsx';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { text } from './text.ts';

const AWAY = text('childrenAway');

/** Windows out of a calendar file: each event of at most a day is one. */
export function FromCalendar({ days, onDays }: { days: BenchDays; onDays(days: BenchDays): void }) {
  const [whose, setWhose] = useState<string | null>(AWAY);
  const [said, setSaid] = useState<{ tone: 'stop' | 'clear'; words: string } | null>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      // Loaded when somebody has a calendar: most never do.
      const { readWindows } = await import('./readCalendar.ts');
      const windows = readWindows(await file.text());
      const key = (w: { day: string; from: number; to: number }): string => `${w.day} ${w.from} ${w.to}`;
      const joined = <W extends { day: string; from: number; to: number }>(old: readonly W[]): W[] =>
        [...new Map([...old, ...(windows as unknown as W[])].map((w) => [key(w), w])).values()].sort(
          (a, b) => (key(a) < key(b) ? -1 : 1),
        );
      onDays(
        whose === AWAY
          ? { ...days, childFree: joined(days.childFree) }
          : {
              ...days,
              makers: days.makers.map((m) => (m.name === whose ? { ...m, windows: joined(m.windows) } : m)),
            },
      );
      setSaid({
        tone: 'clear',
        words: text('timesWereTakenFrom', { windows: windows.length, file: file.name }),
      });
    } catch (e) {
      setSaid({ tone: 'stop', words: words(e) });
    }
  };
  return (
    <Stack $gap={8}>
      <Quiet>{text('timesCanComeOut')}</Quiet>
      <Row>
        <div style={{ minWidth: 150 }}>
          <Select
            label={text('theyThose')}
            value={whose}
            onChange={setWhose}
            options={[AWAY, ...days.makers.map((m) => m.name)].map((v) => ({ value: v, label: v }))}
          />
        </div>
        <PickFile label={text('calendarFile')} onPick={(f) => void take(f)}>
          {text('openCalendar')}
        </PickFile>
      </Row>
      {said && <Notice tone={said.tone}>{said.words}</Notice>}
    </Stack>
  );
}
