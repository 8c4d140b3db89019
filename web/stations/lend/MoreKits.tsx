import { useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import type { Kit } from '../../../contract/lending.ts';
import { readLabel } from '../../../core/lend/labels.ts';
import { standing } from '../../../core/lend/status.ts';
import { TAKES_LABELS } from '../../devices/scanner.ts';
import { api, words } from '../../data/api.ts';
import { Button } from '../../parts/Button.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Notice, Spread, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Kits that go to the same family with the one that is open: typed or scanned into a field of their own. */
export function MoreKits({
  kit,
  value,
  today,
  onChange,
}: {
  kit: Kit;
  value: readonly Kit[];
  today: string;
  onChange(value: readonly Kit[]): void;
}) {
  const [typed, setTyped] = useState('');
  const add = useMutation({
    mutationFn: async (words: string): Promise<Kit> => {
      const label = readLabel(words);
      if (label === null) throw new Error(text('expectedLabelLikeFb'));
      if ([kit, ...value].some((c) => c.label === label))
        throw new Error(text('amongThemAlready', { label }));
      const [found] = await api<Kit[]>('GET', `/kits?label=${encodeURIComponent(label)}`);
      if (!found) throw new Error(text('noKitLabel', { label }));
      const { standing: now } = standing(found, today);
      if (now !== 'in') throw new Error(text('cannotLentNow', { label, now }));
      return found;
    },
    onSuccess: (found) => {
      setTyped('');
      onChange([...value, found]);
    },
  });
  const take = (): void => {
    if (typed.trim() !== '') add.mutate(typed);
  };
  return (
    <Stack $gap={6}>
      {/* A scanner that types here adds a kit; anywhere else it opens one. */}
      <div
        {...TAKES_LABELS}
        style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 8, alignItems: 'end' }}
      >
        <TextField label={text('kit')} value={typed} onChange={setTyped} onEnter={take} />
        <Button plain isDisabled={add.isPending} onPress={take}>
          {text('add')}
        </Button>
      </div>
      {add.error && <Notice tone="care">{words(add.error)}</Notice>}
      {value.length > 0 && (
        <ul aria-label={text('lent')} style={{ display: 'grid', gap: 4, fontSize: 14.5 }}>
          {value.map((c) => (
            <li key={c.id}>
              <Spread>
                <span>
                  <b>{c.label}</b> {c.design}
                </span>
                <Button
                  small
                  plain
                  aria-label={text('leaveOut', { c: c.label })}
                  onPress={() => onChange(value.filter((x) => x.id !== c.id))}
                >
                  {text('leaveOut2')}
                </Button>
              </Spread>
            </li>
          ))}
        </ul>
      )}
    </Stack>
  );
}
