import { ALLERGIES, type Allergy } from '../../core/lend/allergies.ts';
import { ChoiceOfMany } from './Choice.tsx';
import { TextField } from './Field.tsx';
import { CountField } from './TypedField.tsx';
import { text } from './text.ts';

export const ALLERGY_OPTIONS = ALLERGIES.map((a) => ({ value: a, label: a[0]!.toUpperCase() + a.slice(1) }));

/** What the check goes by for somebody: an age today or a month of birth, whether they mouth, what they are allergic to. */
export interface Who {
  /** Months. */
  readonly age: number | null;
  /** `2025-10`, as it is typed; empty where it is not known. */
  readonly born: string;
  readonly mouths: boolean;
  readonly allergies: readonly Allergy[];
}

/** As it is sent: an empty month is none. */
export const bornOf = (who: Who): string | null => (who.born.trim() === '' ? null : who.born.trim());

/** The fields of what the check goes by. */
export function WhoFields({
  value,
  onChange,
  ageLabel,
  bornLabel,
  mouthsLabel,
}: {
  value: Who;
  onChange(who: Who): void;
  ageLabel: string;
  bornLabel: string;
  mouthsLabel: string;
}) {
  return (
    <>
      <ChoiceOfMany
        label={text('allergic')}
        value={value.allergies}
        onChange={(list) => onChange({ ...value, allergies: list as Allergy[] })}
        options={ALLERGY_OPTIONS}
      />
      <CountField label={ageLabel} value={value.age} onChange={(age) => onChange({ ...value, age })} />
      <TextField
        label={bornLabel}
        value={value.born}
        onChange={(born) => onChange({ ...value, born })}
        hint={text('like202510Counts')}
      />
      <ChoiceOfMany
        label={text('mouthing')}
        value={value.mouths ? ['mouths'] : []}
        onChange={(list) => onChange({ ...value, mouths: list.length > 0 })}
        options={[{ value: 'mouths', label: mouthsLabel }]}
      />
    </>
  );
}
