import type { BatchRow } from '../../../contract/batches.ts';
import { restOf } from '../../../core/needs/supply.ts';
import { useBundles, useDesigns } from '../../data/queries.ts';
import { Select } from '../../parts/Select.tsx';
import { text } from './text.ts';

/** One design or kit more in a making session: as many as are still to be made. */
export function AddItem({
  items,
  onItems,
}: {
  items: BatchRow['items'];
  onItems(items: BatchRow['items']): void;
}) {
  const { data: designs } = useDesigns();
  const { data: bundles } = useBundles();
  const more: { value: string; label: string; item: BatchRow['items'][number] }[] = [
    ...(designs ?? [])
      .filter((d) => !items.some((i) => i.designId === d.id))
      .map((d) => ({
        value: `design ${d.id}`,
        label: d.name,
        item: { designId: d.id, bundleId: null, copies: Math.min(100, Math.max(1, restOf(d))), name: d.name },
      })),
    ...(bundles ?? [])
      .filter((b) => !items.some((i) => i.bundleId === b.id))
      .map((b) => ({
        value: `kit ${b.id}`,
        label: b.name,
        item: { designId: null, bundleId: b.id, copies: 1, name: b.name },
      })),
  ];
  if (more.length === 0) return null;
  return (
    <Select
      label={text('addKit')}
      value=""
      onChange={(v) => {
        const chosen = more.find((m) => m.value === v);
        if (chosen) onItems([...items, chosen.item]);
      }}
      options={[
        { value: '', label: text('chooseKit') },
        ...more.map(({ value, label }) => ({ value, label })),
      ]}
    />
  );
}
