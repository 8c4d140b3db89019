import { useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { BatchRow } from '../../../contract/batches.ts';
import { kits } from '../../../core/needs/supply.ts';
import { NO_DAYS } from '../../../core/plan/batch.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useDesigns, useKits, usePlace } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { useBatches } from './useBatch.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 12px 16px;
  align-items: start;
  > header {
    grid-column: 1 / -1;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const STATE: Record<BatchRow['state'], string> = {
  planned: 'Planned',
  'being made': 'Being made',
  done: 'Done',
};

/** Batches that are planned, being made and done, and a new one out of designs and kits. */
export function Component() {
  const { data: batches, error } = useBatches();
  const { data: designs } = useDesigns();
  const { data: lentKits } = useKits();
  const { data: place } = usePlace();
  const go = useNavigate();
  const [name, setName] = useState('');
  const [picked, setPicked] = useState<readonly string[]>([]);
  const add = useChange(() => {
    if (picked.length === 0) throw new Error('Choose at least one design or kit.');
    return api<BatchRow>('POST', '/batches', {
      name: name.trim() === '' ? `Batch of ${shortDay(place!.today)}` : name,
      items: picked.map((key) => {
        const [kind, id] = key.split(' ') as [string, string];
        const design = kind === 'design' ? designs?.find((d) => d.id === Number(id)) : undefined;
        const rest = design ? design.copies - design.made : 1;
        return {
          designId: kind === 'design' ? Number(id) : null,
          kitId: kind === 'kit' ? Number(id) : null,
          copies: Math.min(100, Math.max(1, rest)),
        };
      }),
      days: { ...NO_DAYS, makers: [{ name: 'Me', windows: [] }] },
    });
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!batches || !designs || !lentKits || !place) return <p role="status">Loading the batches …</p>;
  return (
    <Grid>
      <Heading over={`${place.name} · several designs at one bench`} title="What is made together?">
        <ButtonLink plain to="/make">
          Back to one design
        </ButtonLink>
      </Heading>
      <Stack $gap={12}>
        {batches.length === 0 && (
          <Notice tone="care">
            No batch yet. Choose the designs and kits on the right: one bill, one cut plan, one plan of the
            day.
          </Notice>
        )}
        {batches.map((b) => (
          <Panel key={b.id} as="section" aria-label={b.name}>
            <Spread>
              <h2>{b.name}</h2>
              <ButtonLink small to={`/make/batches/${b.id}`} plain={b.state === 'done'}>
                Open {b.name}
              </ButtonLink>
            </Spread>
            <p style={{ fontSize: 14.5, marginTop: 4 }}>
              <b>
                {STATE[b.state]}
                {b.madeOn ? ` on ${shortDay(b.madeOn)}` : ''}
              </b>{' '}
              <Quiet>{b.items.map((i) => `${kits(i.copies)} of ${i.name}`).join(' · ')}</Quiet>
            </p>
          </Panel>
        ))}
      </Stack>
      <Panel as="div">
        <Form onSubmit={() => add.mutate(undefined, { onSuccess: (b) => void go(`/make/batches/${b.id}`) })}>
          <Stack $gap={10}>
            <h2>A new batch</h2>
            <TextField
              label="Name"
              value={name}
              onChange={setName}
              hint={`Left empty: Batch of ${shortDay(place.today)}`}
            />
            <ChoiceOfMany
              label="Designs"
              value={picked}
              onChange={setPicked}
              options={designs.map((d) => ({ value: `design ${d.id}`, label: d.name }))}
            />
            {lentKits.length > 0 && (
              <ChoiceOfMany
                label="Kits of several designs"
                value={picked}
                onChange={setPicked}
                options={lentKits.map((k) => ({ value: `kit ${k.id}`, label: k.name }))}
              />
            )}
            {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
            <Button type="submit" isDisabled={add.isPending}>
              Plan this batch
            </Button>
          </Stack>
        </Form>
      </Panel>
    </Grid>
  );
}
