import { useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { BatchRow } from '../../../contract/batches.ts';
import { kits } from '../../../core/needs/supply.ts';
import { NO_DAYS } from '../../../core/plan/batch.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useDesigns, useBundles, usePlace } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { useBatches } from './useBatch.ts';
import { text } from './text.ts';

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
  planned: text('planned'),
  'being made': text('beingMade'),
  done: text('d'),
};

/** Batches that are planned, being made and done, and a new one out of designs and kits. */
export function Component() {
  const { data: batches, error } = useBatches();
  const { data: designs } = useDesigns();
  const { data: lentKits } = useBundles();
  const { data: place } = usePlace();
  const go = useNavigate();
  const [name, setName] = useState('');
  const [picked, setPicked] = useState<readonly string[]>([]);
  const add = useChange(() => {
    if (picked.length === 0) throw new Error(text('chooseLeastDesignOr'));
    return api<BatchRow>('POST', '/batches', {
      name: name.trim() === '' ? text('batch', { today: shortDay(place!.today) }) : name,
      items: picked.map((key) => {
        const [kind, id] = key.split(' ') as [string, string];
        const design = kind === 'design' ? designs?.find((d) => d.id === Number(id)) : undefined;
        const rest = design ? design.copies - design.made : 1;
        return {
          designId: kind === 'design' ? Number(id) : null,
          bundleId: kind === 'kit' ? Number(id) : null,
          copies: Math.min(100, Math.max(1, rest)),
        };
      }),
      days: { ...NO_DAYS, makers: [{ name: text('me'), windows: [] }] },
    });
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!batches || !designs || !lentKits || !place) return <p role="status">{text('loadingBatches')}</p>;
  return (
    <Grid>
      <Heading over={text('severalDesignsBench', { place: place.name })} title={text('whatMadeTogether')}>
        <ButtonLink plain to="/make">
          {text('backDesign')}
        </ButtonLink>
      </Heading>
      <Stack $gap={12}>
        {batches.length === 0 && <Notice tone="care">{text('noBatchYetChoose')}</Notice>}
        {batches.map((b) => (
          <Panel key={b.id} as="section" aria-label={b.name}>
            <Spread>
              <h2>{b.name}</h2>
              <ButtonLink small to={`/make/batches/${b.id}`} plain={b.state === 'done'}>
                {text('open', { b: b.name })}
              </ButtonLink>
            </Spread>
            <p style={{ fontSize: 14.5, marginTop: 4 }}>
              <b>
                {STATE[b.state]}
                {b.madeOn ? text('on', { madeOn: shortDay(b.madeOn) }) : ''}
              </b>{' '}
              <Quiet>
                {b.items.map((i) => text('of', { copies: kits(i.copies), i: i.name })).join(' · ')}
              </Quiet>
            </p>
          </Panel>
        ))}
      </Stack>
      <Panel as="div">
        <Form onSubmit={() => add.mutate(undefined, { onSuccess: (b) => void go(`/make/batches/${b.id}`) })}>
          <Stack $gap={10}>
            <h2>{text('newBatch')}</h2>
            <TextField
              label={text('name')}
              value={name}
              onChange={setName}
              hint={text('leftEmptyBatch', { today: shortDay(place.today) })}
            />
            <ChoiceOfMany
              label={text('designs')}
              value={picked}
              onChange={setPicked}
              options={designs.map((d) => ({ value: text('design', { d: d.id }), label: d.name }))}
            />
            {lentKits.length > 0 && (
              <ChoiceOfMany
                label={text('kitsSeveralDesigns')}
                value={picked}
                onChange={setPicked}
                options={lentKits.map((k) => ({ value: text('kit', { k: k.id }), label: k.name }))}
              />
            )}
            {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
            <Button type="submit" isDisabled={add.isPending}>
              {text('planThisBatch')}
            </Button>
          </Stack>
        </Form>
      </Panel>
    </Grid>
  );
}
