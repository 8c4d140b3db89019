import { useState } from 'react';
import { styled } from 'styled-components';
import type { Place } from '../../../contract/place.ts';
import { LOCAL } from '../../../core/gather/lookOver.ts';
import { LANGUAGES } from '../../../core/lend/sheetWords.ts';
import { APPROACHES } from '../../../core/patterns/kernel.ts';
import { MARKETS } from '../../../core/safety/rules.ts';
import { api, words } from '../../data/api.ts';
import { Backups } from './Backups.tsx';
import { People } from './People.tsx';
import { useChange, usePlace } from '../../data/queries.ts';
import { languageName } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice, ChoiceOfMany } from '../../parts/Choice.tsx';
import { Select } from '../../parts/Select.tsx';
import { CountField, MoneyField, TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Seam, SideBySide, Stack } from '../../parts/Panel.tsx';

type Local = (typeof LOCAL)[number];
const LOCAL_WORDS: Record<Local, string> = { keep: 'Keep', rest: 'Quarantine', never: 'Never' };
/** A field that was emptied has no number until one is typed. */
type Draft = Omit<Place, 'loanDays' | 'restDays'> & { loanDays: number | null; restDays: number | null };
const drafted = (place: Place): Draft => ({ ...place, restDays: place.restDays ?? 3 });

function PlaceForm({ place }: { place: Place }) {
  const [draft, setDraft] = useState(() => drafted(place));
  const save = useChange((now: Draft) => {
    const { today: _, ...body } = now;
    return api<Place>('PUT', '/place', body);
  });
  const set = (part: Partial<Draft>): void => setDraft((d) => ({ ...d, ...part }));
  const options = (values: readonly string[]) =>
    values.map((v) => ({ value: v, label: v[0]!.toUpperCase() + v.slice(1) }));
  return (
    <Form onSubmit={() => save.mutate(draft, { onSuccess: (saved) => setDraft(drafted(saved)) })}>
      <Stack>
        <Heading over="Set once, changed any time" title="This place">
          <Button type="submit" isDisabled={save.isPending}>
            Save
          </Button>
        </Heading>
        {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
        {save.isSuccess && <Notice tone="clear">Saved.</Notice>}
        <SideBySide>
          <Panel as="div">
            <Stack>
              <TextField label="Name of the place" value={draft.name} onChange={(name) => set({ name })} />
              <Choice
                label="Lengths are written in"
                value={draft.lengthUnit}
                onChange={(v) => set({ lengthUnit: v as Place['lengthUnit'] })}
                options={[
                  { value: 'mm', label: 'Millimetres' },
                  { value: 'in', label: 'Inches and fractions' },
                ]}
              />
              <Two>
                <Select
                  label="Money"
                  value={draft.currency}
                  onChange={(currency) => set({ currency })}
                  options={CURRENCIES}
                />
                <Select
                  label="Dates and numbers"
                  value={draft.locale}
                  onChange={(locale) => set({ locale })}
                  options={LOCALES}
                />
              </Two>
              <MoneyField
                label="An hour of adult work (left empty: not counted)"
                minor={draft.hourly}
                onChange={(hourly) => set({ hourly })}
              />
              <TextField
                label="Telephone, for families"
                value={draft.phone}
                onChange={(phone) => set({ phone })}
              />
              <Choice
                label="Safety rules"
                value={draft.market}
                onChange={(v) => set({ market: v as Place['market'] })}
                options={options(MARKETS)}
              />
              <div>
                <ButtonLink plain small to="/rules">
                  Rules, one by one
                </ButtonLink>
              </div>
              <Choice
                label="New designs start from"
                value={draft.approach}
                onChange={(v) => set({ approach: v as Place['approach'] })}
                options={options(APPROACHES)}
              />
              <Choice
                label="Paper"
                value={draft.paper}
                onChange={(v) => set({ paper: v as Place['paper'] })}
                options={options(['A4', 'Letter'])}
              />
            </Stack>
          </Panel>
          <Panel as="div">
            <Stack>
              <h2>Local policy on finds</h2>
              <Choice
                label="Toilet-roll tubes"
                value={draft.toiletRolls ?? 'rest'}
                onChange={(v) => set({ toiletRolls: v as Local })}
                options={LOCAL.map((v) => ({ value: v, label: LOCAL_WORDS[v] }))}
              />
              <Choice
                label="Card egg cartons"
                value={draft.eggCartons ?? 'rest'}
                onChange={(v) => set({ eggCartons: v as Local })}
                options={LOCAL.map((v) => ({ value: v, label: LOCAL_WORDS[v] }))}
              />
              <CountField
                label="Quarantine for card and paper, days"
                value={draft.restDays}
                onChange={(restDays) => set({ restDays })}
              />
              <Quiet>
                Where a local code says more, it comes first. Raw-meat trays, medicine and chemical containers
                are never kept, whatever is chosen here.
              </Quiet>
              <Seam />
              <h2>Lending</h2>
              <CountField
                label="A loan lasts, days"
                value={draft.loanDays}
                onChange={(loanDays) => set({ loanDays })}
              />
              <ChoiceOfMany
                label="Languages of papers for families"
                value={draft.languages}
                onChange={(languages) => set({ languages: languages as Place['languages'] })}
                options={LANGUAGES.map((l) => ({ value: l, label: languageName(l) }))}
              />
            </Stack>
          </Panel>
        </SideBySide>
      </Stack>
    </Form>
  );
}

/** Every currency by its own name, as the browser has them (ISO 4217). */
const CURRENCIES = Intl.supportedValuesOf('currency').map((code) => ({
  value: code,
  label: `${code} · ${new Intl.DisplayNames('en', { type: 'currency' }).of(code) ?? code}`,
}));
const LOCALES = [
  ['en-GB', 'English (Britain)'],
  ['en-US', 'English (United States)'],
  ['en-IE', 'English (Ireland)'],
  ['en-CA', 'English (Canada)'],
  ['en-AU', 'English (Australia)'],
  ['en-NZ', 'English (New Zealand)'],
  ['en-ZA', 'English (South Africa)'],
  ['es-ES', 'Spanish (Spain)'],
  ['es-US', 'Spanish (United States)'],
  ['de-DE', 'German'],
  ['fr-FR', 'French'],
  ['nl-NL', 'Dutch'],
  ['pl-PL', 'Polish'],
  ['sv-SE', 'Swedish'],
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

/** What a place sets once. */
export function Component() {
  const { data: place, error } = usePlace();
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!place) return <p role="status">Reading …</p>;
  return (
    <Stack>
      <PlaceForm place={place} />
      <Backups />
      <People />
    </Stack>
  );
}
