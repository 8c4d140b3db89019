import { useState } from 'react';
import { styled } from 'styled-components';
import type { Kit, KitInput } from '../../../contract/kits.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useDesigns, useKits, useMaterials, usePlace } from '../../data/queries.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { CountField, TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Row, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { KitCard } from './KitCard.tsx';
import { OpenKit } from './OpenKit.tsx';
import { Suggestions } from './Suggestions.tsx';

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
  const { data: kits, error } = useKits();
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [open, setOpen] = useState<Kit | null>(null);
  const [name, setName] = useState('');
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [container, setContainer] = useState<string | null>(null);
  const [youngest, setYoungest] = useState<number | null>(null);
  const fill = (kit: Kit | null): void => {
    setOpen(kit);
    setName(kit?.name ?? '');
    setPicked(kit?.designs.map((d) => String(d.id)) ?? []);
    setContainer(kit?.container ? String(kit.container.id) : null);
    setYoungest(kit?.youngest ?? null);
  };
  const save = useChange(() => {
    if (picked.length === 0) throw new Error('Choose at least one design.');
    const input: KitInput = {
      name,
      designs: picked.map(Number),
      container: container === null ? null : Number(container),
      youngest,
    };
    return open
      ? api<Kit>('PUT', `/kits/${open.id}`, { ...input, version: open.version })
      : api<Kit>('POST', '/kits', input);
  });
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!kits || !designs || !materials || !place) return <p role="status">Loading the kits …</p>;
  const holds = materials.filter(
    (m) => m.form === 'container' || (m.form === 'consumable' && m.materialClass === 'fabric'),
  );
  return (
    <Grid>
      <Heading over={`${place.name} · lent as one`} title="Which designs go out together?">
        <OpenKit />
        <ButtonLink plain to="/lend">
          Back to the rail
        </ButtonLink>
      </Heading>
      <Stack $gap={12}>
        {kits.length === 0 && (
          <Notice tone="care">
            No kit of several designs yet. Choose two or three quiet ones that share their pieces: a grab bag
            for waiting rooms.
          </Notice>
        )}
        {kits.map((k) => (
          <KitCard
            key={k.id}
            kit={k}
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
              <h2>{open ? `Change ${open.name}` : 'A new kit'}</h2>
              <TextField label="Name" value={name} onChange={setName} />
              <ChoiceOfMany
                label="Designs"
                value={picked}
                onChange={setPicked}
                options={designs.map((d) => ({ value: String(d.id), label: d.name }))}
              />
              <Select
                label="Packed into"
                value={container}
                onChange={(v) => setContainer(v === '' ? null : v)}
                placeholder="What its designs bring"
                options={[
                  { value: '', label: 'What its designs bring' },
                  ...holds.map((m) => ({ value: String(m.id), label: m.name, note: `${m.kept} kept` })),
                ]}
              />
              <CountField
                label="Youngest at home, months (if younger)"
                value={youngest}
                onChange={setYoungest}
              />
              {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
              <Row>
                <Button type="submit" isDisabled={save.isPending}>
                  {open ? 'Save it' : 'Put it together'}
                </Button>
                {open && (
                  <Button plain onPress={() => fill(null)}>
                    Leave it
                  </Button>
                )}
              </Row>
              {/* Below the form: what comes late pushes nothing from under the finger. */}
              {!open && (
                <Suggestions
                  onPick={(ids) => {
                    setPicked(ids.map(String));
                    setName((n) => n || 'Grab bag');
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
