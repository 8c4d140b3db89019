import { useState } from 'react';
import { styled } from 'styled-components';
import type { Bundle, BundleInput } from '../../../contract/bundles.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useDesigns, useBundles, useMaterials, usePlace } from '../../data/queries.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { TextField } from '../../parts/Field.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Row, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { BundleCard } from './BundleCard.tsx';
import { OpenBundle } from './OpenBundle.tsx';
import { Suggestions } from './Suggestions.tsx';
import { text } from './text.ts';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 12px 16px;
  align-items: start;
  > header {
    grid-column: 1 / -1;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
/** Kits of several designs: what is lent as one, with what its designs share in it once. */
export function Component() {
  const { data: bundles, error } = useBundles();
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [open, setOpen] = useState<Bundle | null>(null);
  const [name, setName] = useState('');
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [container, setContainer] = useState<string | null>(null);
  const [youngest, setYoungest] = useState<number | null>(null);
  const fill = (bundle: Bundle | null): void => {
    setOpen(bundle);
    setName(bundle?.name ?? '');
    setPicked(bundle?.designs.map((d) => String(d.id)) ?? []);
    setContainer(bundle?.container ? String(bundle.container.id) : null);
    setYoungest(bundle?.youngest ?? null);
  };
  const save = useChange(
    () => {
      if (picked.length === 0) throw new Error(text('chooseLeastDesign'));
      const input: BundleInput = {
        name,
        designs: picked.map(Number),
        container: container === null ? null : Number(container),
        youngest,
      };
      return open
        ? api<Bundle>('PUT', `/bundles/${open.id}`, { ...input, version: open.version })
        : api<Bundle>('POST', '/bundles', input);
    },
    (b) => text('kitSaved', { kit: b.name }),
  );
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!bundles || !designs || !materials || !place) return <p role="status">{text('loadingKits')}</p>;
  const holds = materials.filter(
    (m) => m.form === 'container' || (m.form === 'consumable' && m.materialClass === 'fabric'),
  );
  return (
    <Grid>
      <Heading over={text('lentAs', { place: place.name })} title={text('whichDesignsGoOut')}>
        <OpenBundle />
        <ButtonLink plain to="/lend">
          {text('backRail')}
        </ButtonLink>
      </Heading>
      <Stack $gap={12}>
        {bundles.length === 0 && <Notice tone="care">{text('noKitSeveralDesigns')}</Notice>}
        {bundles.map((k) => (
          <BundleCard
            key={k.id}
            bundle={k}
            materials={materials}
            languages={place.languages}
            onChange={() => fill(k)}
          />
        ))}
      </Stack>
      <aside>
        <Panel as="div">
          <Form onSubmit={() => save.mutate(undefined, { onSuccess: () => fill(null) })}>
            <Stack $gap={10}>
              <h2>{open ? text('change2', { open: open.name }) : text('newKit')}</h2>
              <TextField label={text('name')} value={name} onChange={setName} />
              <ChoiceOfMany
                label={text('designs')}
                value={picked}
                onChange={setPicked}
                options={designs.map((d) => ({ value: String(d.id), label: d.name }))}
              />
              <Select
                label={text('packedInto')}
                value={container}
                onChange={(v) => setContainer(v === '' ? null : v)}
                placeholder={text('whatDesignsBring')}
                options={[
                  { value: '', label: text('whatDesignsBring') },
                  ...holds.map((m) => ({
                    value: String(m.id),
                    label: m.name,
                    note: text('kept4', { kept: m.kept }),
                  })),
                ]}
              />
              <CountField label={text('youngestHomeMonthsIf')} value={youngest} onChange={setYoungest} />
              {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
              <Row>
                <Button type="submit" isDisabled={save.isPending}>
                  {open ? text('save') : text('putTogether')}
                </Button>
                {open && (
                  <Button plain onPress={() => fill(null)}>
                    {text('leave')}
                  </Button>
                )}
              </Row>
              {/* Below the form: what comes late pushes nothing from under the finger. */}
              {!open && (
                <Suggestions
                  onPick={(ids) => {
                    setPicked(ids.map(String));
                    setName((n) => n || text('grabBag'));
                  }}
                />
              )}
            </Stack>
          </Form>
        </Panel>
      </aside>
    </Grid>
  );
}
