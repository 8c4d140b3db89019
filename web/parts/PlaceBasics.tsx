import { styled } from 'styled-components';
import type { Place } from '../../contract/place.ts';
import { LANGUAGES } from '../../core/lend/sheetWords.ts';
import { languageName } from '../data/style.ts';
import { Choice, ChoiceOfMany } from './Choice.tsx';
import { TextField } from './Field.tsx';
import { Select } from './Select.tsx';
import { text } from './text.ts';

/** Every currency by its own name, as the browser has them (ISO 4217). */
const CURRENCIES = Intl.supportedValuesOf('currency').map((code) => ({
  value: code,
  label: `${code} · ${new Intl.DisplayNames('en', { type: 'currency' }).of(code) ?? code}`,
}));

export const LOCALES = [
  ['en-GB', text('englishBritain')],
  ['en-US', text('englishUnitedStates')],
  ['en-IE', text('englishIreland')],
  ['en-CA', text('englishCanada')],
  ['en-AU', text('englishAustralia')],
  ['en-NZ', text('englishNewZealand')],
  ['en-ZA', text('englishSouthAfrica')],
  ['es-ES', text('spanishSpain')],
  ['es-US', text('spanishUnitedStates')],
  ['de-DE', text('german')],
  ['fr-FR', text('french')],
  ['nl-NL', text('dutch')],
  ['pl-PL', text('polish')],
  ['sv-SE', text('swedish')],
].map(([value, label]) => ({
  value: value!,
  label: label!,
  note: new Intl.DateTimeFormat(value, { dateStyle: 'medium' }).format(new Date(2026, 11, 1)),
}));

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
`;

export type Basics = Pick<Place, 'name' | 'lengthUnit' | 'paper' | 'currency' | 'locale' | 'languages'>;

/** What a place has to say before anything is printed or priced: its name, units, paper, money and languages. */
export function PlaceBasics({ value, onChange }: { value: Basics; onChange(part: Partial<Basics>): void }) {
  return (
    <>
      <TextField label={text('namePlace')} value={value.name} onChange={(name) => onChange({ name })} />
      <Choice
        label={text('lengthsWritten')}
        value={value.lengthUnit}
        onChange={(v) => onChange({ lengthUnit: v as Place['lengthUnit'] })}
        options={[
          { value: 'mm', label: text('millimetres') },
          { value: 'in', label: text('inchesFractions') },
        ]}
      />
      <Choice
        label={text('paper')}
        value={value.paper}
        onChange={(v) => onChange({ paper: v as Place['paper'] })}
        options={[
          { value: 'A4', label: 'A4' },
          { value: 'Letter', label: text('letter') },
        ]}
      />
      <Two>
        <Select
          label={text('money')}
          value={value.currency}
          onChange={(currency) => onChange({ currency })}
          options={CURRENCIES}
        />
        <Select
          label={text('datesNumbers')}
          value={value.locale}
          onChange={(locale) => onChange({ locale })}
          options={LOCALES}
        />
      </Two>
      <ChoiceOfMany
        label={text('languagesPapersFamilies')}
        value={value.languages}
        onChange={(languages) => onChange({ languages: languages as Place['languages'] })}
        options={LANGUAGES.map((l) => ({ value: l, label: languageName(l) }))}
      />
    </>
  );
}
