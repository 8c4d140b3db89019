import { useMemo, useState } from 'react';
import type { Lot } from '../../../contract/lots.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { shortDay } from '../../data/style.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { skillsServed } from '../../../core/gather/serves.ts';
import { skillPlain } from '../../../core/patterns/skillWords.ts';
import { useLots } from '../../data/queries.ts';
import { Choice } from '../../parts/Choice.tsx';
import { Stack } from '../../parts/Panel.tsx';
import { SortTable, type SortColumn } from '../../parts/SortTable.tsx';
import { amount, sizeWords } from './words.ts';
import { text } from './text.ts';

type LotLine = Lot & { readonly name: string };

/** The shelf as a plain table: kinds, or every lot. */
export default function ShelfTable({
  materials,
  spoken,
  unit,
  open,
  onOpen,
}: {
  materials: readonly MaterialRow[];
  spoken: ReadonlyMap<number, number> | null;
  unit: LengthUnit;
  open: number | null;
  onOpen(id: number): void;
}) {
  const [of, setOf] = useState<'kinds' | 'lots'>('kinds');
  const { data: lots } = useLots();
  const kinds = useMemo<SortColumn<MaterialRow>[]>(() => {
    const spokenOf = (m: MaterialRow): number => spoken?.get(m.id) ?? 0;
    return [
      { id: 'name', name: text('material'), wide: 2.2, value: (m) => m.name },
      { id: 'form', name: text('form'), value: (m) => m.form },
      { id: 'size', name: text('sizes'), wide: 1.9, value: (m) => sizeWords(m, unit) },
      { id: 'kept', name: text('kept'), value: (m) => m.kept, show: (m) => amount(m, m.kept) },
      { id: 'waiting', name: text('waiting2'), value: (m) => m.waiting, show: (m) => amount(m, m.waiting) },
      { id: 'spoken', name: text('spoken'), value: spokenOf, show: (m) => amount(m, spokenOf(m)) },
      {
        id: 'free',
        name: text('free2'),
        value: (m) => m.kept - spokenOf(m),
        show: (m) => amount(m, Math.max(0, m.kept - spokenOf(m))),
      },
      { id: 'class', name: text('made'), value: (m) => m.materialClass },
      {
        id: 'skills',
        name: text('serves'),
        wide: 1.8,
        value: (m) => skillsServed(m).map(skillPlain).join(', '),
      },
    ];
  }, [spoken, unit]);
  const lines = useMemo<LotLine[]>(() => {
    const names = new Map(materials.map((m) => [m.id, m.name]));
    return (lots ?? []).flatMap((l) => {
      const name = names.get(l.materialId);
      return name === undefined ? [] : [{ ...l, name }];
    });
  }, [lots, materials]);
  const lotColumns = useMemo<SortColumn<LotLine>[]>(
    () => [
      { id: 'name', name: text('material'), wide: 2, value: (l) => l.name },
      { id: 'cameOn', name: text('came'), value: (l) => l.cameOn, show: (l) => shortDay(l.cameOn) },
      { id: 'from', name: text('from2'), wide: 1.4, value: (l) => l.from || '–' },
      { id: 'quantity', name: text('left'), value: (l) => l.quantity },
      { id: 'came', name: text('of3'), value: (l) => l.came },
      {
        id: 'state',
        name: text('state'),
        wide: 1.3,
        value: (l) =>
          l.state === 'resting' ? text('quarantineUntil', { readyOn: shortDay(l.readyOn!) }) : l.state,
      },
      { id: 'reason', name: text('why'), wide: 2.4, value: (l) => l.reason },
    ],
    [],
  );
  return (
    <Stack $gap={8}>
      <Choice
        inline
        label={text('lines')}
        value={of}
        onChange={(v) => setOf(v as 'kinds' | 'lots')}
        options={[
          { value: 'kinds', label: text('kinds', { materials: materials.length }) },
          { value: 'lots', label: text('lots', { lines: lines.length }) },
        ]}
      />
      {of === 'kinds' ? (
        <SortTable
          label={text('materialsOnShelf')}
          columns={kinds}
          rows={materials}
          open={open}
          onOpen={onOpen}
        />
      ) : (
        <SortTable
          label={text('lotsOnShelf')}
          columns={lotColumns}
          rows={lines}
          onOpen={(id) => {
            const lot = lines.find((l) => l.id === id);
            if (lot) onOpen(lot.materialId);
          }}
        />
      )}
    </Stack>
  );
}
