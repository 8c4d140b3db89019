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
import { Heading, Notice, Panel, Quiet, Seam, SideBySide, Stack } from '../../parts/Panel.tsx';

type Local = (typeof LOCAL)[number];
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
            </Stack>
          </Panel>
          <Panel as="div">
            <Stack>
              <h2>What this place decides of finds</h2>
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
              <Seam />
              <Quiet>
                Everything is kept in one file on this machine; the README says where and how to copy it.
              </Quiet>
            </Stack>
          </Panel>
        </SideBySide>
      </Stack>
    </Form>
  );
}

/** What a place sets once. */
export function Component() {
  const { data: place, error } = usePlace();
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!place) return <p role="status">Reading …</p>;
  return <PlaceForm place={place} />;
}
