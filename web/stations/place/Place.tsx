import { useState } from 'react';
import type { Place } from '../../../contract/place.ts';
import { LOCAL } from '../../../core/gather/lookOver.ts';
import { APPROACHES } from '../../../core/patterns/kernel.ts';
import { MARKETS } from '../../../core/safety/rules.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlace } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { CountField, TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Stack } from '../../parts/Panel.tsx';

type Local = (typeof LOCAL)[number];

function PlaceForm({ place }: { place: Place }) {
  const [draft, setDraft] = useState(place);
  const save = useChange((now: Place) => {
    const { name, lengthUnit, market, approach, paper, loanDays, version } = now;
    const { toiletRolls, eggCartons, restDays } = now;
    return api<Place>('PUT', '/place', {
      ...{ name, lengthUnit, market, approach, paper, loanDays, version },
      ...{ toiletRolls, eggCartons, restDays },
    });
  });
  const set = (part: Partial<Place>): void => setDraft((d) => ({ ...d, ...part }));
  const options = (values: readonly string[]) =>
    values.map((v) => ({ value: v, label: v[0]!.toUpperCase() + v.slice(1) }));
  return (
    <Form onSubmit={() => save.mutate(draft, { onSuccess: (saved) => setDraft(saved) })}>
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
        <Choice
          label="Safety rules"
          value={draft.market}
          onChange={(v) => set({ market: v as Place['market'] })}
          options={options(MARKETS)}
        />
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
        <CountField
          label="A loan lasts, days"
          value={draft.loanDays}
          onChange={(n) => n !== null && set({ loanDays: n })}
        />
        <Choice
          label="Toilet-roll tubes"
          value={draft.toiletRolls ?? 'rest'}
          onChange={(v) => set({ toiletRolls: v as Local })}
          options={options(LOCAL)}
        />
        <Choice
          label="Card egg cartons"
          value={draft.eggCartons ?? 'rest'}
          onChange={(v) => set({ eggCartons: v as Local })}
          options={options(LOCAL)}
        />
        <CountField
          label="Card and paper rest, days"
          value={draft.restDays ?? 3}
          onChange={(n) => n !== null && set({ restDays: n })}
        />
        {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
        {save.isSuccess && <Notice tone="clear">Saved.</Notice>}
        <div>
          <Button type="submit" isDisabled={save.isPending}>
            Save
          </Button>
        </div>
        <Quiet>
          Everything is kept in one file on this machine; the README says where and how to copy it.
        </Quiet>
      </Stack>
    </Form>
  );
}

/** What a place sets once. */
export function Component() {
  const { data: place, error } = usePlace();
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!place) return <p role="status">Reading …</p>;
  return (
    <Stack style={{ maxWidth: 620 }}>
      <Heading over="Set once, changed any time" title="This place" />
      <Panel as="div">
        <PlaceForm place={place} />
      </Panel>
    </Stack>
  );
}
