import { useMemo, useState } from 'react';
import type { Lot } from '../../../contract/lots.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { shortDay } from '../../data/style.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { skillsServed } from '../../../core/gather/serves.ts';
import { useLots } from '../../data/queries.ts';
import { Choice } from '../../parts/Choice.tsx';
import { Stack } from '../../parts/Panel.tsx';
import { SortTable, type SortColumn } from '../../parts/SortTable.tsx';
import { amount, sizeWords } from './words.ts';

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
      { id: 'name', name: 'Material', wide: 2.2, value: (m) => m.name },
      { id: 'form', name: 'Form', value: (m) => m.form },
      { id: 'size', name: 'Sizes', wide: 1.9, value: (m) => sizeWords(m, unit) },
      { id: 'kept', name: 'Kept', value: (m) => m.kept, show: (m) => amount(m, m.kept) },
      { id: 'waiting', name: 'Waiting', value: (m) => m.waiting, show: (m) => amount(m, m.waiting) },
      { id: 'spoken', name: 'Spoken', value: spokenOf, show: (m) => amount(m, spokenOf(m)) },
      {
        id: 'free',
        name: 'Free',
        value: (m) => m.kept - spokenOf(m),
        show: (m) => amount(m, Math.max(0, m.kept - spokenOf(m))),
      },
      { id: 'class', name: 'Made of', value: (m) => m.materialClass },
      { id: 'skills', name: 'Serves', wide: 1.8, value: (m) => skillsServed(m).join(', ') },
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
      { id: 'name', name: 'Material', wide: 2, value: (l) => l.name },
      { id: 'cameOn', name: 'Came', value: (l) => l.cameOn, show: (l) => shortDay(l.cameOn) },
      { id: 'from', name: 'From', wide: 1.4, value: (l) => l.from || '–' },
      { id: 'quantity', name: 'Left', value: (l) => l.quantity },
      { id: 'came', name: 'Of', value: (l) => l.came },
      {
        id: 'state',
        name: 'State',
        wide: 1.3,
        value: (l) => (l.state === 'resting' ? `quarantine until ${shortDay(l.readyOn!)}` : l.state),
      },
      { id: 'reason', name: 'Why', wide: 2.4, value: (l) => l.reason },
    ],
    [],
  );
  return (
    <Stack $gap={8}>
      <Choice
        inline
        label="Lines"
        value={of}
        onChange={(v) => setOf(v as 'kinds' | 'lots')}
        options={[
          { value: 'kinds', label: `${materials.length} kinds` },
          { value: 'lots', label: `${lines.length} lots` },
        ]}
      />
      {of === 'kinds' ? (
        <SortTable
          label="Materials on the shelf"
          columns={kinds}
          rows={materials}
          open={open}
          onOpen={onOpen}
        />
      ) : (
        <SortTable
          label="Lots on the shelf"
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
