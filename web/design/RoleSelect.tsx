import { amountWords } from '../data/style.ts';
import { useMemo } from 'react';
import type { MaterialRow } from '../../contract/materials.ts';
import { refusal, type Role } from '../../core/patterns/kernel.ts';
import { Select } from '../parts/Select.tsx';
import { text } from './text.ts';

/** The materials that take a role: one field, or one for each kind and one more where the role takes several. */
export function RoleSelect({
  role,
  kinds,
  materials,
  onChange,
}: {
  role: Role;
  kinds: readonly number[];
  materials: readonly MaterialRow[];
  onChange(kinds: readonly number[]): void;
}) {
  const options = useMemo(
    () =>
      materials
        .filter((m) => refusal(role, m) === null)
        .map((m) => ({
          value: String(m.id),
          label: m.name,
          note: text('kept', { kept: amountWords(m.kept, m.unit) }),
        })),
    [role, materials],
  );
  const fields = Math.min(role.most, kinds.length + (kinds.length === 0 || role.most > 1 ? 1 : 0));
  return Array.from({ length: fields }, (_, i) => {
    const needed = i < role.least;
    const id = kinds[i];
    const label = role.most > 1 ? `${role.label} ${i + 1}` : role.label;
    return (
      <Select
        key={i}
        label={label}
        placeholder={needed ? text('choose') : text('n')}
        value={id === undefined ? (needed ? null : 'none') : String(id)}
        onChange={(v) => {
          const next = [...kinds];
          if (v === 'none') next.splice(i, 1);
          else next[i] = Number(v);
          onChange(next);
        }}
        options={[
          ...(needed ? [] : [{ value: 'none', label: i === 0 ? text('n') : text('noMoreKinds') }]),
          // A kind that is chosen in another field is not offered twice.
          ...options.filter((o) => o.value === String(id) || !kinds.includes(Number(o.value))),
        ]}
      />
    );
  });
}
